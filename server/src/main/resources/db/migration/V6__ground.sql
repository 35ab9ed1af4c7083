create table ground (
    plan_id uuid primary key references plan (id),
    name varchar(120) not null,
    degrees boolean not null,
    grid_columns integer not null,
    grid_rows integer not null,
    filled integer not null,
    content bytea not null
);

create table field_reading (
    id uuid primary key,
    plan_id uuid not null references plan (id),
    path varchar(64) not null,
    sender varchar(64) not null,
    distancem double precision not null,
    heightm double precision,
    dbm double precision not null,
    snr_db double precision,
    at timestamptz not null,
    note varchar(200)
);

create index field_reading_of_plan on field_reading (plan_id, path, at);
