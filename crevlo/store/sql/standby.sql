-- By unit the mean power of the minutes in which no run was under way on it: how many there are, and their median.
select device.unit_id, found.minutes, found.watts
from device, lateral (
    select count(*) as minutes, percentile_cont(0.5) within group (order by mean_w) as watts
    from power_level
    where power_level.device = device.number and step_s = 60
      and not exists (
          select from run join job on job.id = run.job_id
          where job.unit_id = device.unit_id and run.started_at <= power_level.at + interval '1 min'
            and coalesce(run.ended_at, 'infinity') + interval '1 h' >= power_level.at
      )
) found
where device.number = any(:devices)
