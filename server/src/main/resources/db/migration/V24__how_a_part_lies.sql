alter table part_file add column down_x double precision;
alter table part_file add column down_y double precision;
alter table part_file add column down_z double precision;
