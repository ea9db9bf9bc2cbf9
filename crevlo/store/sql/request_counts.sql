-- How often something was asked by one caller in one minute, over all web processes.
create table request_count (
    kind varchar not null, caller varchar not null, minute timestamptz not null, n integer not null,
    constraint pk_request_count primary key (kind, caller, minute)
);
