-- Draws the stretches of :step seconds between two moments together again, from the samples themselves.
INSERT INTO power_level (device, step_s, at, samples, low_w, mean_w, high_w)
SELECT device, CAST(:step AS int), to_timestamp(floor(extract(epoch FROM at) / :step) * :step) AS stretch, count(*),
       min(power_w), avg(power_w), max(power_w)
FROM power_sample
WHERE device = :device AND power_w IS NOT NULL
  AND at >= to_timestamp(floor(CAST(:first AS float8) / :step) * :step)
  AND at < to_timestamp((floor(CAST(:last AS float8) / :step) + 1) * :step)
GROUP BY device, stretch
ON CONFLICT (device, step_s, at) DO UPDATE
SET samples = excluded.samples, low_w = excluded.low_w, mean_w = excluded.mean_w, high_w = excluded.high_w
