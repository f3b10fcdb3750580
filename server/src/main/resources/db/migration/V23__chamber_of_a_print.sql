alter table print_run add column bed_c double precision;
alter table print_run add column chamber varchar(20);
