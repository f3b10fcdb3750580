-- Answers of acts by the key they were sent with, so that none is done twice.

create table remembered_act (
    act_key      varchar(64) primary key,
    at_s         bigint not null,
    digest       bigint not null,
    status       int not null,
    content_type varchar(80),
    body         character large object not null
);

create index remembered_act_at on remembered_act (at_s);

-- Versions of what is edited: a change made from an older state is noticed.

alter table place add column version int not null default 0;
alter table lot add column version int not null default 0;
alter table print_job add column version int not null default 0;
alter table device add column version int not null default 0;
alter table dryer add column version int not null default 0;

create table hands_week (
    id      int primary key,
    version int not null
);

insert into hands_week values (1, 0);

-- One open cycle in a dryer at a time. Where there were several, the latest one is it.

alter table drying_cycle add column open_place_id bigint references place (id);

update drying_cycle c set open_place_id = place_id
where c.id = (
    select max(o.id) from drying_cycle o
    where o.place_id = c.place_id and o.undone_s is null and not exists (
        select 1 from cycle_fact f where f.cycle_id = o.id and f.kind = 'STOPPED' and f.undone_s is null));

alter table drying_cycle add constraint one_open_cycle unique (open_place_id);

-- One lot of a maker, batch, material and colour; where there were several, the first one is it.

update spool s set lot_id = (
    select min(o.id) from lot o join lot l on l.id = s.lot_id
    where lower(o.maker) = lower(l.maker) and lower(o.batch) = lower(l.batch)
      and o.material = l.material and lower(o.colour_name) = lower(l.colour_name))
where s.lot_id is not null;

delete from lot l where exists (
    select 1 from lot o where o.id < l.id
      and lower(o.maker) = lower(l.maker) and lower(o.batch) = lower(l.batch)
      and o.material = l.material and lower(o.colour_name) = lower(l.colour_name));

alter table lot add column same_lot varchar(400)
    generated always as (lower(maker) || char(10) || lower(batch) || char(10) || material || char(10) || lower(colour_name));

alter table lot add constraint one_lot unique (same_lot);

-- Rises with every writing to the disk: a data file that is older than it should be is noticed.

create sequence kept_mark start with 1 no cache;
