-- Where a study was taken over from that was kept elsewhere; what a print and its waste weighed on a scale.
alter table study add column entered_from varchar not null default '';
alter table run add column model_g double precision, add column waste_g double precision,
    add constraint ck_run_weights_range check (model_g between 0 and 1000000 and waste_g between 0 and 1000000);
