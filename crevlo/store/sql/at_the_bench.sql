-- What happened in the course of a run, and alarms of detectors with what they were worth.
create table run_note (
    id uuid not null, run_id uuid not null, kind varchar not null, at timestamptz not null, layer integer, words varchar not null,
    alarm varchar, person_id uuid not null, recorded_at timestamptz not null default clock_timestamp(), supersedes_id uuid,
    reason varchar,
    constraint pk_run_note primary key (id),
    constraint fk_run_note_run_id foreign key (run_id) references run (id),
    constraint fk_run_note_person_id foreign key (person_id) references person (id),
    constraint fk_run_note_supersedes_id foreign key (supersedes_id) references run_note (id),
    constraint uq_run_note_supersedes_id unique (supersedes_id),
    constraint ck_run_note_has_words check (length(words) > 0),
    constraint ck_run_note_layer_range check (layer between 0 and 100000),
    constraint ck_run_note_alarm_is_judged check ((kind = 'alarm') = (alarm is not null)),
    constraint ck_run_note_correction_has_reason check ((supersedes_id is null) = (reason is null))
);
create index ix_run_note_run_id on run_note (run_id);
create trigger append_only before update or delete on run_note for each row execute function refuse_change();
create trigger append_only_truncate before truncate on run_note for each statement execute function refuse_change();
create trigger audit after insert or update or delete on run_note for each row execute function write_audit();

-- Who has looked round the room before machines were left to print by themselves.
create table surroundings (
    id uuid not null, person_id uuid not null, smoke_alarm boolean not null, clear boolean not null,
    at timestamptz not null default clock_timestamp(),
    constraint pk_surroundings primary key (id),
    constraint fk_surroundings_person_id foreign key (person_id) references person (id)
);
create index ix_surroundings_person_id on surroundings (person_id, at);
create trigger append_only before update or delete on surroundings for each row execute function refuse_change();
create trigger append_only_truncate before truncate on surroundings for each statement execute function refuse_change();
create trigger audit after insert or update or delete on surroundings for each row execute function write_audit();
