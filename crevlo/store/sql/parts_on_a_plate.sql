-- Prints outside the plan: what they are, and whether they count beside the planned ones. How many parts lie on a plate: as planned (null: as many as the bed of each machine holds), as the job was frozen with,
-- and as a person said at a run.
alter table print_line add column parts integer default 1,
    add constraint ck_print_line_parts_range check (parts between 1 and 500);
alter table job add column counts boolean not null default true, add column added varchar not null default '';
alter table job add column parts integer not null default 1,
    add constraint ck_job_parts_range check (parts between 1 and 500);
alter table run add column parts integer,
    add constraint ck_run_parts_range check (parts between 1 and 500);

-- When a run came on record, beside when it began, and whether it was typed from paper; for how long of it the machine
-- stood paused.
alter table run add column recorded_at timestamptz, add column from_paper boolean not null default false,
    add column paused_s double precision not null default 0;
update run set recorded_at = started_at, version = version + 1;
alter table run alter column recorded_at set default clock_timestamp(), alter column recorded_at set not null,
    add constraint ck_run_pauses_within check (paused_s >= 0);
update run set paused_s = least(stood.seconds, extract(epoch from run.ended_at - run.started_at))
from (
    select run_id, sum(extract(epoch from until - at)) as seconds
    from (
        select event.run_id, event.kind, event.at,
            lead(event.at, 1, whole.ended_at) over (partition by event.run_id order by event.at) as until
        from run_event event join run whole on whole.id = event.run_id
        where whole.ended_at is not null
            and not exists (select from run_event newer where newer.supersedes_id = event.id)
    ) marked
    where kind = 'paused' group by run_id
) stood
where stood.run_id = run.id;

-- What a run was printed from can be found later; once it is on record it stays.
drop trigger keep_columns on run;
create trigger keep_columns before update on run for each row
    execute function keep_columns('job_id', 'attempt', 'configuration_id', 'started_at', 'unattended', 'changed', 'recorded_at');
create trigger keep_file before update on run for each row when (old.sliced_file_id is not null)
    execute function keep_columns('sliced_file_id');

-- Whether a machine can print a piece from a spool at all, as people found; of one place the latest counts.
create table ability (
    id uuid not null, study_id uuid not null, unit_id uuid not null, artifact_id uuid not null, spool_id uuid not null,
    able boolean not null, because varchar not null, words varchar not null, person_id uuid not null,
    recorded_at timestamptz not null default clock_timestamp(),
    constraint pk_ability primary key (id),
    constraint fk_ability_study_id foreign key (study_id) references study (id),
    constraint fk_ability_unit_id foreign key (unit_id) references unit (id),
    constraint fk_ability_artifact_id foreign key (artifact_id) references artifact (id),
    constraint fk_ability_spool_id foreign key (spool_id) references spool (id),
    constraint fk_ability_person_id foreign key (person_id) references person (id),
    constraint ck_ability_has_words check (length(words) > 0)
);
create index ix_ability_study_id on ability (study_id);
create trigger append_only before update or delete on ability for each row execute function refuse_change();
create trigger append_only_truncate before truncate on ability for each statement execute function refuse_change();
create trigger audit after insert or update or delete on ability for each row execute function write_audit();
