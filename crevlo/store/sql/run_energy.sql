-- Energy in J of a meter's power between two moments, by trapezoids; the ends are held at the nearest sample.
-- `low` leaves out steps longer than :longest seconds, which are gaps; `high` bridges them.
with sample as (
  select at, power_w from power_sample
  where device = :device and at between :begin and :end and power_w is not null
), point as (
  select at, power_w from sample
  union all (select :begin, power_w from sample order by at limit 1)
  union all (select :end, power_w from sample order by at desc limit 1)
), step as (
  select cast(extract(epoch from at - lag(at) over (order by at)) as float8) as seconds,
    (power_w + lag(power_w) over (order by at)) / 2 as watts
  from point
)
select coalesce(sum(seconds * watts) filter (where seconds <= :longest), 0) as low, coalesce(sum(seconds * watts), 0) as high,
  coalesce(sum(seconds) filter (where seconds > :longest), 0) as gap_s, (select count(*) from sample) as samples,
  (select max(power_w) from sample) as peak_w
from step
