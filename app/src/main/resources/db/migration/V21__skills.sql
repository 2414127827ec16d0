-- What people and rooms can or speak, and what a calendar's server said to tell whether it has changed.
alter table resource add column skills varchar(1000) default '[]' not null;
alter table busy_feed add column etag varchar(300) default '' not null;
alter table busy_feed add column whole_at timestamp;
