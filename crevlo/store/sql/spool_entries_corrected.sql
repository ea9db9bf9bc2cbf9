-- An entry of a spool's log is corrected by a newer row with the reason; one without a value says that there was nothing.
alter table spool_entry
    add supersedes_id uuid,
    add reason varchar,
    alter value drop not null,
    add constraint fk_spool_entry_supersedes_id_spool_entry foreign key (supersedes_id) references spool_entry (id),
    add constraint uq_spool_entry_supersedes_id unique (supersedes_id),
    add constraint ck_spool_entry_correction_has_reason check ((supersedes_id is null) = (reason is null)),
    add constraint ck_spool_entry_has_value check (value is not null or supersedes_id is not null);
create trigger correct_in_place before insert on spool_entry
    for each row execute function correct_in_place('spool_id', 'kind');
