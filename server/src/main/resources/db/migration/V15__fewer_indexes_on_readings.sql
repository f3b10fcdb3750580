-- Every index costs an import a quarter of its time. A file's readings are found by their place;
-- they are few beside what an index of all of them takes.

create table climate_reading_new (
    place_id                  bigint not null references place (id),
    time_s                    bigint not null,
    temperature_c             double precision not null,
    relative_humidity_percent double precision not null,
    file_id                   bigint,
    primary key (place_id, time_s)
);

insert into climate_reading_new
select place_id, time_s, temperature_c, relative_humidity_percent, file_id from climate_reading
order by place_id, time_s;

drop table climate_reading;
alter table climate_reading_new rename to climate_reading;

create index climate_reading_air
    on climate_reading (place_id, time_s, temperature_c, relative_humidity_percent);
