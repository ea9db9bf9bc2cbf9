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

-- What is said of a machine at the end: likes, fixes, upgrades, for whom.
create table final_word (
    id uuid not null, study_id uuid not null, unit_id uuid not null, kind varchar not null, words varchar not null,
    price double precision, currency varchar, source varchar not null default '', priced_on date, position integer not null,
    person_id uuid not null, recorded_at timestamptz not null default clock_timestamp(), version integer not null,
    constraint pk_final_word primary key (id),
    constraint fk_final_word_study_id foreign key (study_id) references study (id),
    constraint fk_final_word_unit_id foreign key (unit_id) references unit (id),
    constraint fk_final_word_person_id foreign key (person_id) references person (id),
    constraint ck_final_word_has_words check (length(words) > 0),
    constraint ck_final_word_price_not_negative check (price >= 0),
    constraint ck_final_word_price_has_currency check ((price is null) = (currency is null)),
    constraint ck_final_word_currency_code check (currency ~ '^[A-Z]{3}$')
);
create index ix_final_word_study_id on final_word (study_id);
create trigger audit after insert or update or delete on final_word for each row execute function write_audit();

-- Points by the line, as many reviewers count them: one sheet a study, its lines with who won each.
create table points_sheet (
    id uuid not null, study_id uuid not null, lines jsonb not null, person_id uuid not null,
    changed_at timestamptz not null default clock_timestamp(), version integer not null,
    constraint pk_points_sheet primary key (id),
    constraint fk_points_sheet_study_id foreign key (study_id) references study (id),
    constraint fk_points_sheet_person_id foreign key (person_id) references person (id),
    constraint uq_points_sheet_study_id unique (study_id)
);
create trigger audit after insert or update or delete on points_sheet for each row execute function write_audit();

-- What only a person can say of a machine, by written anchors.
create table rubric_score (
    id uuid not null, study_id uuid not null, unit_id uuid not null, rubric varchar not null, person_id uuid not null,
    score integer not null, words varchar not null default '', recorded_at timestamptz not null default clock_timestamp(),
    supersedes_id uuid, reason varchar,
    constraint pk_rubric_score primary key (id),
    constraint fk_rubric_score_study_id foreign key (study_id) references study (id),
    constraint fk_rubric_score_unit_id foreign key (unit_id) references unit (id),
    constraint fk_rubric_score_person_id foreign key (person_id) references person (id),
    constraint fk_rubric_score_supersedes_id foreign key (supersedes_id) references rubric_score (id),
    constraint uq_rubric_score_supersedes_id unique (supersedes_id),
    constraint ck_rubric_score_range check (score between 0 and 5),
    constraint ck_rubric_score_correction_has_reason check ((supersedes_id is null) = (reason is null))
);
create index ix_rubric_score_study_id on rubric_score (study_id);
create trigger append_only before update or delete on rubric_score for each row execute function refuse_change();
create trigger append_only_truncate before truncate on rubric_score for each statement execute function refuse_change();
create trigger audit after insert or update or delete on rubric_score for each row execute function write_audit();

alter table buyer_profile add prints_month double precision, add budget double precision, add step double precision,
    add constraint ck_buyer_profile_wishes_positive check (prints_month > 0 and budget > 0 and step > 0);

-- More than two tools, and a spool of its own for a machine that takes another diameter or colour.
alter table print_line add more_spools jsonb not null default '[]'::jsonb, add own_spools jsonb not null default '[]'::jsonb;
alter table job add more_spools jsonb not null default '[]'::jsonb, add own_spool_id uuid,
    add constraint fk_job_own_spool_id foreign key (own_spool_id) references spool (id);

-- Fault finding on a unit, whatever it prints.
alter table hypothesis alter run_id drop not null, add unit_id uuid,
    add constraint fk_hypothesis_unit_id foreign key (unit_id) references unit (id),
    add constraint ck_hypothesis_of_a_run_or_a_unit check ((run_id is null) <> (unit_id is null));
create index ix_hypothesis_unit_id on hypothesis (unit_id);
