-- How far every planned print of a study has come: its tries, its specimen and what was read and judged of that, its file.
-- One line a print, in the order of printing; what was entered after the reveal does not count. Each print is looked up by
-- its own number, so that what other studies hold costs nothing.
select job.id, job.unit_id, job.arm_id, job.artifact_id, job.spool_id, job.copy, job.position,
  job.added, job.counts,
  coalesce(tries.tries, 0) as tries, coalesce(tries.failed, 0) as failed, coalesce(tries.used, 0) as used,
  tries.outcome, tries.started_at, made.id as specimen_id, coalesce(read.readings, 0) as readings,
  coalesce(judged.judged, false) as judged, file.id is not null as has_file,
  cast(file.facts ->> 'time_s' as float) as time_s, cast(file.facts ->> 'layers' as int) as layers
from job
left join lateral (
  select count(*) as tries, count(*) filter (where run.outcome = 'failed') as failed,
    count(*) filter (where run.uses_attempt) as used, (array_agg(run.outcome order by run.attempt desc))[1] as outcome,
    (array_agg(run.started_at order by run.attempt desc))[1] as started_at
  from run where run.job_id = job.id
) tries on true
left join lateral (
  select sliced_file.id, sliced_file.facts from sliced_file
  where sliced_file.job_id = job.id and sliced_file.withdrawn_at is null order by sliced_file.received_at desc limit 1
) file on true
left join lateral (
  select specimen.id from run join specimen on specimen.run_id = run.id
  where run.job_id = job.id order by run.attempt limit 1
) made on tries.tries > 0
left join lateral (
  select (select count(*) from reading join feature on feature.id = reading.feature_id
      where reading.specimen_id = made.id and reading.supersedes_id is null and reading.after_reveal is null
        and not feature.kind = any(:optional))
    + (select count(distinct judgement.feature_id) from judgement join feature on feature.id = judgement.feature_id
      where judgement.specimen_id = made.id and judgement.after_reveal is null and not feature.kind = any(:measured)
    ) as readings
) read on made.id is not null
left join lateral (
  select true as judged from inspection_lock
  where inspection_lock.specimen_id = made.id and exists (
    select from defect_score where defect_score.specimen_id = made.id
      and defect_score.person_id = inspection_lock.person_id and defect_score.after_reveal is null)
  limit 1
) judged on made.id is not null
where job.study_id = :study order by job.position
