create table reading (
    id uuid primary key,
    plan_id uuid not null references plan (id),
    floor varchar(64) not null,
    xm double precision not null,
    ym double precision not null,
    heightm double precision not null,
    unit varchar(64) not null,
    medium varchar(20) not null,
    dbm double precision not null,
    at timestamptz not null,
    deleted_at timestamptz
);

create index reading_of_plan on reading (plan_id, at);
