-- Whether figures by printer that rest on parts are withheld from a person: the parts are hidden, something was entered of
-- them, and neither this person nor everybody has seen such figures.
select study.revealed_at is null
  and not exists (
    select from unblinding where unblinding.study_id = study.id
      and (unblinding.person_id is null or unblinding.person_id = cast(:viewer as uuid)))
  and (
    exists (select from duel where duel.study_id = study.id)
    or exists (
      select from specimen where specimen.study_id = study.id and (
        exists (select from reading where reading.specimen_id = specimen.id)
        or exists (select from judgement where judgement.specimen_id = specimen.id)
        or exists (select from defect_score where defect_score.specimen_id = specimen.id)
        or exists (select from rejection where rejection.specimen_id = specimen.id))))
from study where study.id = :study
