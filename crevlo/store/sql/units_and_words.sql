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

-- What a study's machines are held against.
create table study_reference (
    id uuid not null, study_id uuid not null, kind varchar not null, name varchar not null, about varchar not null default '',
    members jsonb not null, figures jsonb not null, person_id uuid not null,
    recorded_at timestamptz not null default clock_timestamp(),
    constraint pk_study_reference primary key (id),
    constraint fk_study_reference_study_id foreign key (study_id) references study (id),
    constraint fk_study_reference_person_id foreign key (person_id) references person (id),
    constraint uq_study_reference_study_id_name unique (study_id, name),
    constraint ck_study_reference_name_length check (length(name) between 1 and 80)
);
create index ix_study_reference_study_id on study_reference (study_id);
create trigger audit after insert or update or delete on study_reference for each row execute function write_audit();
