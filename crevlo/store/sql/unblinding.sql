-- Who has seen figures by printer while parts were hidden; without a person, everybody. What is entered from then on is
-- marked, whatever way it comes in.
create table unblinding (
    id uuid not null, study_id uuid not null, person_id uuid, cause varchar not null,
    recorded_at timestamptz not null default clock_timestamp(),
    constraint pk_unblinding primary key (id),
    constraint fk_unblinding_study_id foreign key (study_id) references study (id),
    constraint fk_unblinding_person_id foreign key (person_id) references person (id)
);
create unique index uq_unblinding_study_id_person_id on unblinding (study_id, person_id) nulls not distinct;
create trigger append_only before update or delete on unblinding for each row execute function refuse_change();
create trigger append_only_truncate before truncate on unblinding for each statement execute function refuse_change();
create trigger audit after insert or update or delete on unblinding for each row execute function write_audit();

create function mark_unblinded() returns trigger language plpgsql as $$
declare
    of_study uuid := case when tg_table_name = 'duel' then (to_jsonb(new)->>'study_id')::uuid
        else (select study_id from specimen where id = (to_jsonb(new)->>'specimen_id')::uuid) end;
begin
    new.not_blind := exists (
        select from unblinding
        where study_id = of_study and (person_id is null or person_id = new.person_id));
    return new;
end $$;
do $$
declare t text;
begin
    foreach t in array array['reading', 'judgement', 'defect_score', 'duel', 'look', 'rejection']
    loop
        execute format('alter table %I add not_blind boolean not null default false', t);
        execute format('create trigger mark_unblinded before insert on %I
                        for each row execute function mark_unblinded()', t);
    end loop;
end $$;

-- Before this, figures by printer were open to everybody but raters: of hidden parts that have entries, nobody can say who looked.
insert into unblinding (id, study_id, person_id, cause)
select gen_random_uuid(), study.id, person.id, 'could look before'
from study cross join person
where study.revealed_at is null and study.entered_from = '' and person.role <> 'rater' and exists (
    select from specimen where specimen.study_id = study.id and (
        exists (select from reading where reading.specimen_id = specimen.id)
        or exists (select from judgement where judgement.specimen_id = specimen.id)
        or exists (select from defect_score where defect_score.specimen_id = specimen.id)));
insert into unblinding (id, study_id, cause)
select gen_random_uuid(), study.id, 'published' from study
where study.revealed_at is null and study.entered_from = '' and exists (
    select from report_revision where report_revision.study_id = study.id);
