-- How many entries of a study were made by people who had seen figures by printer while parts were hidden.
select (select count(*) from duel where duel.study_id = :study and duel.not_blind)
  + (select count(*) from specimen join reading on reading.specimen_id = specimen.id
     where specimen.study_id = :study and reading.not_blind)
  + (select count(*) from specimen join judgement on judgement.specimen_id = specimen.id
     where specimen.study_id = :study and judgement.not_blind)
  + (select count(*) from specimen join defect_score on defect_score.specimen_id = specimen.id
     where specimen.study_id = :study and defect_score.not_blind)
