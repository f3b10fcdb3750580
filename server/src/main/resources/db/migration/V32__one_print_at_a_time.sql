-- A printer, a spool and a plate are in one print at a time. Where several ran at once, the latest
-- one has them.
alter table print_run add column open_printer_id bigint references place (id);
alter table print_run add column open_code varchar(20);
alter table print_run add column open_plate_id bigint references build_plate (id);

update print_run r set open_printer_id = printer_id
where r.id = (
    select max(o.id) from print_run o
    where o.printer_id = r.printer_id and o.ended_s is null and o.removed_s is null);
update print_run r set open_code = code
where r.id = (
    select max(o.id) from print_run o
    where o.code = r.code and o.ended_s is null and o.removed_s is null);
update print_run r set open_plate_id = plate_id
where r.id = (
    select max(o.id) from print_run o
    where o.plate_id = r.plate_id and o.ended_s is null and o.removed_s is null);

alter table print_run add constraint one_print_on_a_printer unique (open_printer_id);
alter table print_run add constraint one_print_of_a_spool unique (open_code);
alter table print_run add constraint one_print_on_a_plate unique (open_plate_id);
