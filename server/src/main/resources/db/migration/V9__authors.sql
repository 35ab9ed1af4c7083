-- who made or brought it
alter table plan add column author varchar(60) not null default 'local';
alter table picture add column author varchar(60) not null default 'local';
alter table ground add column author varchar(60) not null default 'local';
alter table reading add column author varchar(60) not null default 'local';
alter table field_reading add column author varchar(60) not null default 'local';
alter table part add column author varchar(60) not null default 'local';
