-- What printers reported over stretches of time: of reports that say the same one after the other only the first.
select stretch.place, told.at, told.phase
from unnest(cast(:devices as int[]), cast(:begins as timestamptz[]), cast(:ends as timestamptz[]))
  with ordinality as stretch (device, begins, ends, place)
cross join lateral (
  select printer_report.at, printer_report.phase, lag(printer_report.phase) over (order by printer_report.at) as was
  from printer_report
  where printer_report.device = stretch.device and printer_report.at between stretch.begins and stretch.ends
) told
where told.was is distinct from told.phase
order by stretch.place, told.at
