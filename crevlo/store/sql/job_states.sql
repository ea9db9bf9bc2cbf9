-- How far every planned print of a study has come: its tries, its specimen and what was read and judged of that, its file.
-- One line a print, in the order of printing; what was entered after the reveal does not count.
with tries as (
  select run.job_id, count(*) as tries, count(*) filter (where run.outcome = 'failed') as failed,
    count(*) filter (where run.uses_attempt) as used, (array_agg(run.outcome order by run.attempt desc))[1] as outcome,
    (array_agg(run.started_at order by run.attempt desc))[1] as started_at
  from run join job on job.id = run.job_id where job.study_id = :study group by run.job_id
), files as (
  select distinct on (sliced_file.job_id) sliced_file.job_id, cast(sliced_file.facts ->> 'time_s' as float) as time_s,
    cast(sliced_file.facts ->> 'layers' as int) as layers
  from sliced_file join job on job.id = sliced_file.job_id
  where job.study_id = :study and sliced_file.withdrawn_at is null
  order by sliced_file.job_id, sliced_file.received_at desc
), made as (
  select distinct on (run.job_id) run.job_id, specimen.id from specimen join run on run.id = specimen.run_id
  where specimen.study_id = :study order by run.job_id, run.attempt
), read as (
  select reading.specimen_id, count(*) as readings from reading join specimen on specimen.id = reading.specimen_id
  where specimen.study_id = :study and reading.supersedes_id is null and reading.after_reveal is null
  group by reading.specimen_id
), judged as (
  select inspection_lock.specimen_id from inspection_lock join specimen on specimen.id = inspection_lock.specimen_id
  where specimen.study_id = :study and exists (
    select from defect_score where defect_score.specimen_id = inspection_lock.specimen_id
      and defect_score.person_id = inspection_lock.person_id and defect_score.after_reveal is null)
  group by inspection_lock.specimen_id
)
select job.id, job.unit_id, job.arm_id, job.artifact_id, job.spool_id, job.copy, job.position,
  coalesce(tries.tries, 0) as tries, coalesce(tries.failed, 0) as failed, coalesce(tries.used, 0) as used,
  tries.outcome, tries.started_at, made.id as specimen_id, coalesce(read.readings, 0) as readings,
  judged.specimen_id is not null as judged, files.job_id is not null as has_file, files.time_s,
  files.layers
from job left join tries on tries.job_id = job.id left join files on files.job_id = job.id
  left join made on made.job_id = job.id left join read on read.specimen_id = made.id
  left join judged on judged.specimen_id = made.id
where job.study_id = :study order by job.position
