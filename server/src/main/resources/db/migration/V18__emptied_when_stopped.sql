-- A stopped cycle takes up its dryer until everything is taken out. Cycles that were stopped before
-- counted as empty: what nobody took out then is taken out with the stop.

insert into cycle_fact (cycle_id, kind, at_s, code, recorded_s, person, origin, act_id)
select a.cycle_id, 'REMOVED', s.at_s, a.code, s.recorded_s, s.person, s.origin, s.act_id
from cycle_fact a
join cycle_fact s on s.cycle_id = a.cycle_id and s.kind = 'STOPPED' and s.undone_by is null
where a.kind = 'ADDED' and a.undone_by is null
  and not exists (
    select 1 from cycle_fact r
    where r.cycle_id = a.cycle_id and r.kind = 'REMOVED' and r.code = a.code
      and r.undone_by is null and r.id > a.id);

-- When a job was started.

alter table print_job add column started_s bigint;
