-- How many parts lie on a plate: as planned (null: as many as the bed of each machine holds), as the job was frozen with,
-- and as a person said at a run.
alter table print_line add column parts integer default 1,
    add constraint ck_print_line_parts_range check (parts between 1 and 500);
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
