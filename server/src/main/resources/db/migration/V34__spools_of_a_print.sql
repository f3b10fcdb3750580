-- A print that went on with another spool: those before, and what they gave.
alter table print_run add column earlier_codes varchar(400) default '' not null;
alter table print_run add column earlier_g double precision default 0 not null;
