-- Mean power of the minutes in which no run was under way on the meter's unit: how many there are, and their median.
SELECT count(*) AS minutes, percentile_cont(0.5) WITHIN GROUP (ORDER BY mean_w) AS watts
FROM power_level
WHERE device = :device AND step_s = 60
  AND NOT EXISTS (
      SELECT FROM run JOIN job ON job.id = run.job_id
      WHERE job.unit_id = :unit AND run.started_at <= power_level.at + interval '1 min'
        AND coalesce(run.ended_at, 'infinity') + interval '1 h' >= power_level.at
  )
