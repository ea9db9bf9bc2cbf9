-- Every specimen of a study in the order of its queue: what it is a print of, and how many places of it have been read or
-- judged, by anybody or by one person, and whether the print was rejected; what was entered after the reveal does not count.
select specimen.id, specimen.blind_code, job.artifact_id,
  (select count(*) from reading join feature on feature.id = reading.feature_id
   where reading.specimen_id = specimen.id and reading.supersedes_id is null and reading.after_reveal is null
     and not feature.kind = any(:optional))
  + (select count(distinct judgement.feature_id) from judgement join feature on feature.id = judgement.feature_id
     where judgement.specimen_id = specimen.id and judgement.after_reveal is null and not feature.kind = any(:measured)
       and (cast(:person as uuid) is null or judgement.person_id = cast(:person as uuid))) as places,
  exists (select from rejection where rejection.specimen_id = specimen.id) as rejected
from specimen join run on run.id = specimen.run_id join job on job.id = run.job_id
where specimen.study_id = :study order by specimen.position, specimen.blind_code
