-- How much a channel brought and its latest value, kept with every batch: counting a year takes seconds.

alter table channel add column readings bigint not null default 0;
alter table channel add column last_ms bigint;
alter table channel add column last_reading double precision;

update channel c set
    readings = (select coalesce(sum(r.readings), 0) from device_reading r where r.channel_id = c.id),
    last_ms = (select max(r.time_ms) from device_reading r where r.channel_id = c.id);
update channel c set last_reading =
    (select r.reading from device_reading r where r.channel_id = c.id and r.time_ms = c.last_ms);
