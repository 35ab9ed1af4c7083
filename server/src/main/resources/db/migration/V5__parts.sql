create table part (
    id varchar(60) primary key,
    document jsonb not null,
    updated_at timestamptz not null
);
