create table picture (
    plan_id uuid not null references plan (id),
    id varchar(64) not null,
    media_type varchar(20) not null,
    width integer not null,
    height integer not null,
    content bytea not null,
    primary key (plan_id, id)
);
