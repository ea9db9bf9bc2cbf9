-- What gaps of a run's power trace leave unknown, as a standard uncertainty. Of runs before this version the one they had:
-- a rectangle between the bounds.
alter table run add column energy_u_kwh double precision check (energy_u_kwh >= 0);
update run set energy_u_kwh = (energy_high_kwh - energy_low_kwh) / sqrt(12) where energy_kwh is not null;
