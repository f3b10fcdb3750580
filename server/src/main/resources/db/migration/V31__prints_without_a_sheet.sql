-- A job may be started without a setup sheet: nothing is foretold of it then. What the sheet said at
-- the start, with what prints taught, is kept beside what the table alone foretells.
alter table print_run alter column part set null;
alter table print_run alter column interface_layer set null;
alter table print_run alter column adhesion_ratio set null;
alter table print_run alter column plate_ratio set null;
alter table print_run alter column tip_ratio set null;
alter table print_run alter column bond set null;
alter table print_run add column told_adhesion_ratio double precision;
alter table print_run add column told_plate_ratio double precision;
update print_run set told_adhesion_ratio = adhesion_ratio, told_plate_ratio = plate_ratio;
