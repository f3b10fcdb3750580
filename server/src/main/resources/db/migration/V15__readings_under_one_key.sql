-- A place has one reading per second at most. Both in one number are the key of the row itself, so
-- that an import writes one tree and not three, and the readings of a place lie together in order
-- of time: 274877906944 is 2 to the 38th, more seconds than until the year 10000.

create table climate_reading_new (
    place_and_time            bigint not null primary key,
    temperature_c             double precision not null,
    relative_humidity_percent double precision not null,
    file_id                   bigint
);

insert into climate_reading_new
select place_id * 274877906944 + time_s, temperature_c, relative_humidity_percent, file_id
from climate_reading
order by place_id, time_s;

drop table climate_reading;
alter table climate_reading_new rename to climate_reading;
