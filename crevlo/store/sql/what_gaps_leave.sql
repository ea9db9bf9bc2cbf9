-- How warm the parts were that were read: a warm plastic part is longer. Stated with the zero check of a sitting, kept with
-- every reading of it.
alter table zero_check add column part_c double precision check (part_c between -20 and 100);
alter table reading add column part_c double precision check (part_c between -20 and 100);
-- What gaps of a run's power trace leave unknown, as a standard uncertainty. Of runs before this version the one they had:
-- a rectangle between the bounds.
alter table run add column energy_u_kwh double precision check (energy_u_kwh >= 0);
update run set energy_u_kwh = (energy_high_kwh - energy_low_kwh) / sqrt(12) where energy_kwh is not null;
