-- A fingerprint of every row that a study's figures follow from, as this transaction sees them: by which transaction each
-- was written, and where it stands. Rows are looked up by number ("offset 0" keeps it so), so that other studies cost nothing.
with own_unit as (select unit_id as id from study_unit where study_id = :study),
own_job as (select id from job where study_id = :study),
own_specimen as (select id from specimen where study_id = :study),
own_artifact as (
  select artifact_id as id from job where study_id = :study
  union select print_line.artifact_id from print_line join arm on arm.id = print_line.arm_id
  join protocol on protocol.id = arm.protocol_id where protocol.study_id = :study
),
marked as (
  select 1 as kind, xmin, ctid from study where id = :study
  union all select 2, xmin, ctid from study_unit where study_id = :study
  union all select 3, unit.xmin, unit.ctid from unit where id in (select id from own_unit)
  union all select 4, xmin, ctid from model where id in (select model_id from unit where id in (select id from own_unit))
  union all select 5, xmin, ctid from protocol where study_id = :study
  union all select 6, arm.xmin, arm.ctid from arm join protocol on protocol.id = arm.protocol_id where study_id = :study
  union all select 7, print_line.xmin, print_line.ctid from print_line join arm on arm.id = print_line.arm_id
    join protocol on protocol.id = arm.protocol_id where study_id = :study
  union all select 8, xmin, ctid from artifact where id in (select id from own_artifact)
  union all select 9, xmin, ctid from feature where artifact_id in (select id from own_artifact)
  union all select 10, xmin, ctid from job where study_id = :study
  union all select 11, r.xmin, r.ctid from own_job, lateral (select xmin, ctid from run where job_id = own_job.id offset 0) r
  union all select 12, f.xmin, f.ctid from own_job, lateral (
    select xmin, ctid from sliced_file where job_id = own_job.id offset 0) f
  union all select 13, n.xmin, n.ctid from own_job, lateral (
    select noise_reading.xmin, noise_reading.ctid from run join noise_reading on noise_reading.run_id = run.id
    where run.job_id = own_job.id offset 0) n
  union all select 14, xmin, ctid from noise_reading where unit_id in (select id from own_unit)
  union all select 15, xmin, ctid from specimen where study_id = :study
  union all select 16, r.xmin, r.ctid from own_specimen, lateral (
    select xmin, ctid from reading where specimen_id = own_specimen.id offset 0) r
  union all select 17, s.xmin, s.ctid from own_specimen, lateral (
    select xmin, ctid from defect_score where specimen_id = own_specimen.id offset 0) s
  union all select 18, l.xmin, l.ctid from own_specimen, lateral (
    select xmin, ctid from inspection_lock where specimen_id = own_specimen.id offset 0) l
  union all select 19, r.xmin, r.ctid from own_specimen, lateral (
    select xmin, ctid from rejection where specimen_id = own_specimen.id offset 0) r
  union all select 20, xmin, ctid from safety_check where unit_id in (select id from own_unit)
  union all select 21, xmin, ctid from log_entry where unit_id in (select id from own_unit)
  union all select 22, xmin, ctid from configuration where unit_id in (select id from own_unit)
  union all select 23, xmin, ctid from unit_price where unit_id in (select id from own_unit)
  union all select 24, xmin, ctid from deviation where study_id = :study
  union all select 25, xmin, ctid from instrument
  union all select 39, xmin, ctid from earlier_calibration
  union all select 26, xmin, ctid from spool
  union all select 27, j.xmin, j.ctid from own_specimen, lateral (
    select xmin, ctid from judgement where specimen_id = own_specimen.id offset 0) j
  union all select 28, xmin, ctid from unit_measure where unit_id in (select id from own_unit)
  union all select 29, xmin, ctid from assembly_step where unit_id in (select id from own_unit)
  union all select 30, xmin, ctid from feature_worth
  union all select 31, xmin, ctid from model_feature
    where model_id in (select model_id from unit where id in (select id from own_unit))
  union all select 32, xmin, ctid from exchange_rate
  union all select 33, xmin, ctid from duel where study_id = :study
  union all select 34, xmin, ctid from own_defect where study_id = :study
  union all select 35, xmin, ctid from hand
  union all select 36, xmin, ctid from ability where study_id = :study
  union all select 37, xmin, ctid from rubric_score where study_id = :study
  union all select 40, xmin, ctid from unblinding where study_id = :study
  -- Upkeep by the log counts for the hours that a unit ran for whatever study.
  union all select 38, r.xmin, r.ctid from study join own_unit on study.id = :study and study.upkeep_from_log
    join job on job.unit_id = own_unit.id, lateral (select xmin, ctid from run where job_id = job.id offset 0) r
)
select count(*), coalesce(sum(hashtextextended(kind || ' ' || xmin::text || ' ' || ctid::text, 0)), 0) from marked
