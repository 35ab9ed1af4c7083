-- templates of rooms that a person kept: each a plan of one room
create table room_set (
    id uuid primary key,
    name varchar(120) not null,
    document jsonb not null,
    created_at timestamp(6) with time zone not null,
    author varchar(60) not null
);
