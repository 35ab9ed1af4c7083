-- plans as they were at the end of days on which they were changed
create table plan_day (
    plan_id uuid not null references plan (id),
    day date not null,
    revision bigint not null,
    name varchar(120) not null,
    document jsonb not null,
    primary key (plan_id, day)
);

create index plan_deleted on plan (deleted_at) where deleted_at is not null;
