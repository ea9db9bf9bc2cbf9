-- Draws the stretches of :step seconds between two moments together, from those of :fine seconds.
INSERT INTO power_level (device, step_s, at, samples, low_w, mean_w, high_w)
SELECT device, CAST(:step AS int), to_timestamp(floor(extract(epoch FROM at) / :step) * :step) AS stretch, sum(samples),
       min(low_w), sum(mean_w * samples) / sum(samples), max(high_w)
FROM power_level
WHERE device = :device AND step_s = :fine
  AND at >= to_timestamp(floor(CAST(:first AS float8) / :step) * :step)
  AND at < to_timestamp((floor(CAST(:last AS float8) / :step) + 1) * :step)
GROUP BY device, stretch
ON CONFLICT (device, step_s, at) DO UPDATE
SET samples = excluded.samples, low_w = excluded.low_w, mean_w = excluded.mean_w, high_w = excluded.high_w
