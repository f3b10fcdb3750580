-- Who did it, where known.

alter table container_fact add column person varchar(60);
alter table hygrometer_check add column person varchar(60);
