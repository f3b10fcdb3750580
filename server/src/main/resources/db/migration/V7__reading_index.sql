-- A place's whole record is read from the index alone.

create index climate_reading_air
    on climate_reading (place_id, time_s, temperature_c, relative_humidity_percent);
