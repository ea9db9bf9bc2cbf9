-- What an instrument read before it was calibrated again rests on how it was calibrated then.
create table earlier_calibration (
    id uuid not null, instrument_id uuid not null, since timestamptz, until timestamptz not null,
    resolution double precision not null, u_calibration double precision not null, repeatability double precision not null,
    calibrated_on date, certificate varchar not null, valid_days integer not null,
    constraint pk_earlier_calibration primary key (id),
    constraint fk_earlier_calibration_instrument_id foreign key (instrument_id) references instrument (id),
    constraint ck_earlier_calibration_not_negative check (resolution >= 0 and u_calibration >= 0 and repeatability >= 0),
    constraint ck_earlier_calibration_in_order check (since < until),
    constraint uq_earlier_calibration_instrument_id_until unique (instrument_id, until)
);
create index ix_earlier_calibration_instrument_id on earlier_calibration (instrument_id);
create trigger audit after insert or update or delete on earlier_calibration for each row execute function write_audit();
