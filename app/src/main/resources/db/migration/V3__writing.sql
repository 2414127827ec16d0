-- Bots that come and go, notes on steps, flows that were deleted and can be brought back.

alter table bot add column manner varchar(10000) default '{}' not null;
alter table bot add column archived_at timestamp;
alter table bot add column deleted_at timestamp;
alter table bot add column former_slug varchar(64);

alter table flow add column deleted_at timestamp;

create table note (
  id varchar(32) primary key,
  bot_id varchar(32) not null,
  flow_key varchar(64) not null,
  step varchar(100) not null,
  text varchar(4000) not null,
  account_id varchar(32),
  at timestamp not null,
  resolved_at timestamp,
  resolved_by varchar(32),
  constraint note_flow foreign key (bot_id, flow_key) references flow (bot_id, flow_key) on delete cascade
);
create index note_of_flow on note (bot_id, flow_key, at);
