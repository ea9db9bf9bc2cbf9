-- How many parts lie on a plate: as planned (null: as many as the bed of each machine holds), as the job was frozen with,
-- and as a person said at a run.
alter table print_line add column parts integer default 1,
    add constraint ck_print_line_parts_range check (parts between 1 and 500);
alter table job add column parts integer not null default 1,
    add constraint ck_job_parts_range check (parts between 1 and 500);
alter table run add column parts integer,
    add constraint ck_run_parts_range check (parts between 1 and 500);
