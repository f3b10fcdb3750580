-- A spool that leaves its dryer as soon as its job's metres print, before its core is dry.
alter table plan_entry add column core_stays_wet boolean not null default false;
