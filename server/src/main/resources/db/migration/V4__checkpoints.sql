-- Replays up to some moment, to go on from; computed anew from the facts whenever they are missing.

create table spool_checkpoint (
    spool_id     bigint primary key references spool (id),
    time_s       bigint not null,
    model        int not null,
    facts_digest bigint not null,
    content      blob not null
);
