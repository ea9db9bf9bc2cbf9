-- What sets a feature apart from others of its kind: the speed of a band, the flow of a piece, the height of a width.
alter table feature add column level double precision;
-- Over how many waves or changes a value was taken; 0 where there were none.
alter table reading add column over smallint not null default 1
    constraint ck_reading_over_bounded check (over between 0 and 1000);
