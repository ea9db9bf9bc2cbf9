-- Keeps a batch of samples, each once however often it is sent.
WITH given AS (
    SELECT CAST(:device AS int) AS device, to_timestamp(t) AS at, CAST(w AS real) AS power_w, wh AS counter_wh
    FROM unnest(CAST(:t AS float8[]), CAST(:w AS float8[]), CAST(:wh AS float8[])) AS batch (t, w, wh)
)
INSERT INTO power_sample (device, at, power_w, counter_wh)
SELECT device, at, power_w, counter_wh FROM given
ON CONFLICT DO NOTHING
