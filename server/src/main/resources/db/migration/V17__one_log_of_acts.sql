-- One log of acts: every fact belongs to the press of a button that stored it, and is undone by
-- another act. What is stored already gets acts of its own.

create sequence act_number;

create table act (
    id         bigint primary key,
    recorded_s bigint not null,
    person     varchar(60),
    undoes     bigint references act (id),
    undone_by  bigint references act (id),
    of_table   varchar(30),
    of_id      bigint
);

alter table remembered_act add column act varchar(20);

-- All kinds of facts get the same columns.

alter table cycle_fact add column origin varchar(20) default 'HAND' not null;
update cycle_fact set origin = 'PROGRAM' where kind in ('TOO_HOT', 'SWITCHED_OFF', 'NOT_SWITCHED_OFF', 'UNSEEN');
alter table drying_cycle alter column started_s rename to at_s;
alter table drying_cycle add column origin varchar(20) default 'HAND' not null;
alter table today_act add column origin varchar(20) default 'HAND' not null;
alter table today_act add column recorded_s bigint;
alter table today_act add column title varchar(400);
update today_act set recorded_s = at_s, title = line_key;
alter table today_act alter column recorded_s set not null;
alter table hygrometer_check add column origin varchar(20) default 'HAND' not null;
alter table dryer_measurement add column origin varchar(20) default 'HAND' not null;
alter table dryer_measurement add column recorded_s bigint;
update dryer_measurement set recorded_s = at_s;
alter table dryer_measurement alter column recorded_s set not null;
alter table typed_climate alter column since_s rename to at_s;
alter table typed_climate add column origin varchar(20) default 'HAND' not null;
alter table typed_climate add column person varchar(60);
alter table planned_climate alter column from_s rename to at_s;
alter table planned_climate add column origin varchar(20) default 'HAND' not null;
alter table planned_climate add column person varchar(60);

alter table spool_fact add column act_id bigint references act (id);
alter table container_fact add column act_id bigint references act (id);
alter table drying_cycle add column act_id bigint references act (id);
alter table cycle_fact add column act_id bigint references act (id);
alter table today_act add column act_id bigint references act (id);
alter table hygrometer_check add column act_id bigint references act (id);
alter table dryer_measurement add column act_id bigint references act (id);
alter table typed_climate add column act_id bigint references act (id);
alter table planned_climate add column act_id bigint references act (id);

-- One act for each fact; those of a receipt, of a visit, of a start and of a stop together.

insert into act (id, recorded_s, person, of_table, of_id)
select next value for act_number, recorded_s, person, of_table, of_id from (
    select recorded_s, person, 'spool_fact' as of_table, id as of_id from spool_fact
    union all select recorded_s, person, 'container_fact', id from container_fact
    union all select recorded_s, person, 'drying_cycle', id from drying_cycle
    union all select recorded_s, person, 'cycle_fact', id from cycle_fact
    union all select recorded_s, person, 'today_act', id from today_act
    union all select recorded_s, person, 'hygrometer_check', id from hygrometer_check
    union all select recorded_s, person, 'dryer_measurement', id from dryer_measurement
    union all select recorded_s, null, 'typed_climate', id from typed_climate
    union all select recorded_s, null, 'planned_climate', id from planned_climate
    order by recorded_s);

create index act_of on act (of_table, of_id);

update container_fact f set act_id = (select id from act where of_table = 'container_fact' and of_id = f.id);
update drying_cycle f set act_id = (select id from act where of_table = 'drying_cycle' and of_id = f.id);
update today_act f set act_id = (select id from act where of_table = 'today_act' and of_id = f.id);
update hygrometer_check f set act_id = (select id from act where of_table = 'hygrometer_check' and of_id = f.id);
update dryer_measurement f set act_id = (select id from act where of_table = 'dryer_measurement' and of_id = f.id);
update typed_climate f set act_id = (select id from act where of_table = 'typed_climate' and of_id = f.id);
update planned_climate f set act_id = (select id from act where of_table = 'planned_climate' and of_id = f.id);

update cycle_fact f set act_id = (select id from act where of_table = 'cycle_fact' and of_id = f.id);
update cycle_fact f set act_id = (select c.act_id from drying_cycle c where c.id = f.cycle_id)
where f.kind = 'ADDED' and f.recorded_s = (select c.recorded_s from drying_cycle c where c.id = f.cycle_id);
update cycle_fact f set act_id = (
    select min(s.act_id) from cycle_fact s
    where s.cycle_id = f.cycle_id and s.kind = 'STOPPED' and s.recorded_s = f.recorded_s)
where f.kind = 'REMOVED' and exists (
    select 1 from cycle_fact s
    where s.cycle_id = f.cycle_id and s.kind = 'STOPPED' and s.recorded_s = f.recorded_s);

update spool_fact f set act_id = (select id from act where of_table = 'spool_fact' and of_id = coalesce(f.visit_id, f.id));
update spool_fact f set act_id = (
    select min(r.act_id) from spool_fact r where r.spool_id = f.spool_id and r.kind = 'RECEIVED')
where f.kind = 'CHECKED';
create index cycle_fact_move on cycle_fact (spool_fact_id);
update spool_fact f set act_id = (select min(c.act_id) from cycle_fact c where c.spool_fact_id = f.id)
where exists (select 1 from cycle_fact c where c.spool_fact_id = f.id);

alter table spool_fact alter column act_id set not null;
alter table container_fact alter column act_id set not null;
alter table drying_cycle alter column act_id set not null;
alter table cycle_fact alter column act_id set not null;
alter table today_act alter column act_id set not null;
alter table hygrometer_check alter column act_id set not null;
alter table dryer_measurement alter column act_id set not null;
alter table typed_climate alter column act_id set not null;
alter table planned_climate alter column act_id set not null;

create index spool_fact_act on spool_fact (act_id);
create index container_fact_act on container_fact (act_id);
create index drying_cycle_act on drying_cycle (act_id);
create index cycle_fact_act on cycle_fact (act_id);
create index today_act_act on today_act (act_id);
create index hygrometer_check_act on hygrometer_check (act_id);
create index dryer_measurement_act on dryer_measurement (act_id);
create index typed_climate_act on typed_climate (act_id);
create index planned_climate_act on planned_climate (act_id);

-- Acts that no fact is left with belong to nothing.

delete from act a where not exists (select 1 from spool_fact f where f.act_id = a.id)
    and not exists (select 1 from container_fact f where f.act_id = a.id)
    and not exists (select 1 from drying_cycle f where f.act_id = a.id)
    and not exists (select 1 from cycle_fact f where f.act_id = a.id)
    and not exists (select 1 from today_act f where f.act_id = a.id)
    and not exists (select 1 from hygrometer_check f where f.act_id = a.id)
    and not exists (select 1 from dryer_measurement f where f.act_id = a.id)
    and not exists (select 1 from typed_climate f where f.act_id = a.id)
    and not exists (select 1 from planned_climate f where f.act_id = a.id);

-- What was undone was undone by an act of its own. Facts of one act that were not undone together
-- keep their own state.

create table was_undone as
select act_id, min(undone_s) as undone_s from (
    select act_id, undone_s from spool_fact where undone_s is not null
    union all select act_id, undone_s from container_fact where undone_s is not null
    union all select act_id, undone_s from drying_cycle where undone_s is not null
    union all select act_id, undone_s from cycle_fact where undone_s is not null
    union all select act_id, undone_s from today_act where undone_s is not null
    union all select act_id, undone_s from hygrometer_check where undone_s is not null
    union all select act_id, undone_s from dryer_measurement where undone_s is not null
    union all select act_id, undone_s from typed_climate where undone_s is not null
    union all select act_id, undone_s from planned_climate where undone_s is not null)
group by act_id;

insert into act (id, recorded_s, undoes)
select next value for act_number, undone_s, act_id from was_undone order by undone_s;

create index act_undoes on act (undoes);

update act a set undone_by = (select min(u.id) from act u where u.undoes = a.id)
where exists (select 1 from was_undone w where w.act_id = a.id);

drop table was_undone;

alter table spool_fact add column undone_by bigint references act (id);
alter table container_fact add column undone_by bigint references act (id);
alter table drying_cycle add column undone_by bigint references act (id);
alter table cycle_fact add column undone_by bigint references act (id);
alter table today_act add column undone_by bigint references act (id);
alter table hygrometer_check add column undone_by bigint references act (id);
alter table dryer_measurement add column undone_by bigint references act (id);
alter table typed_climate add column undone_by bigint references act (id);
alter table planned_climate add column undone_by bigint references act (id);

update spool_fact f set undone_by = (select undone_by from act where id = f.act_id) where undone_s is not null;
update container_fact f set undone_by = (select undone_by from act where id = f.act_id) where undone_s is not null;
update drying_cycle f set undone_by = (select undone_by from act where id = f.act_id) where undone_s is not null;
update cycle_fact f set undone_by = (select undone_by from act where id = f.act_id) where undone_s is not null;
update today_act f set undone_by = (select undone_by from act where id = f.act_id) where undone_s is not null;
update hygrometer_check f set undone_by = (select undone_by from act where id = f.act_id) where undone_s is not null;
update dryer_measurement f set undone_by = (select undone_by from act where id = f.act_id) where undone_s is not null;
update typed_climate f set undone_by = (select undone_by from act where id = f.act_id) where undone_s is not null;
update planned_climate f set undone_by = (select undone_by from act where id = f.act_id) where undone_s is not null;

alter table spool_fact drop column undone_s;
alter table container_fact drop column undone_s;
alter table drying_cycle drop column undone_s;
alter table cycle_fact drop column undone_s;
alter table today_act drop column undone_s;
alter table hygrometer_check drop column undone_s;
alter table dryer_measurement drop column undone_s;
alter table typed_climate drop column undone_s;
alter table planned_climate drop column undone_s;

drop index act_of;
alter table act drop column of_table;
alter table act drop column of_id;

-- Things that people describe: how they were before each change.

create table edit (
    id           bigint generated by default as identity primary key,
    act_id       bigint not null references act (id),
    at_s         bigint not null,
    recorded_s   bigint not null,
    origin       varchar(20) not null,
    person       varchar(60),
    undone_by    bigint references act (id),
    kind         varchar(20) not null,
    thing_id     bigint not null,
    before_state character large object,
    after_state  character large object not null
);

create index edit_act on edit (act_id);

alter table print_job alter column undone_s rename to removed_s;
alter table print_job drop column person;

-- One word for one thing: the hours when somebody is there.

alter table hands_window rename to attendance_window;
alter table hands_week rename to attendance_week;
