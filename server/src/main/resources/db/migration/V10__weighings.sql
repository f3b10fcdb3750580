-- Whether a weighing can be held against the one before it, and how fine its scale was.

alter table spool_fact add column nothing_used boolean not null default false;
alter table spool_fact add column scale_step_g double precision;
