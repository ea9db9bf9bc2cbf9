-- Several units of one model have a label each; a unit can take the place of another in a study.
alter table unit add label varchar not null default '';
update unit set label = 'no. ' || place.n
from (select id, row_number() over (partition by model_id order by mark) as n from unit) place
where place.id = unit.id and place.n > 1;
alter table unit add constraint uq_unit_model_id_label unique (model_id, label),
    add constraint ck_unit_label_length check (length(label) <= 40);
alter table study_unit add replaced_by uuid, add replaced_because varchar not null default '',
    add constraint fk_study_unit_replaced_by foreign key (replaced_by) references unit (id),
    add constraint ck_study_unit_replaced_has_reason check ((replaced_by is null) = (replaced_because = ''));
