-- What steps of every kind need: how messages look, timers, files, values that outlive a conversation.

alter table message add column look varchar(10000);

alter table bot add column zone varchar(60) default 'UTC' not null;
alter table bot add column variables clob default '[]' not null;
alter table bot add column standing clob default '[]' not null;

alter table conversation add column brief varchar(10000) default '' not null;

-- A visitor's values from one conversation to the next.
create table visitor_value (
  bot_id varchar(32) not null,
  visitor varchar(100) not null,
  variable varchar(64) not null,
  content varchar(100000) not null,
  at timestamp not null,
  primary key (bot_id, visitor, variable),
  constraint visitor_value_bot foreign key (bot_id) references bot (id) on delete cascade
);

create table milestone (
  id varchar(32) primary key,
  bot_id varchar(32) not null,
  conversation_id varchar(32) not null,
  name varchar(300) not null,
  worth decimal(18, 2) not null,
  at timestamp not null,
  constraint milestone_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);
create index milestone_conversation_at on milestone (conversation_id, at);

create table rating (
  conversation_id varchar(32) primary key,
  stars int not null,
  remark varchar(4000) not null,
  at timestamp not null,
  constraint rating_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);

-- Files that visitors sent; their bytes lie beside the database, under the id.
create table upload (
  id varchar(64) primary key,
  conversation_id varchar(32) not null,
  name varchar(200) not null,
  size bigint not null,
  at timestamp not null,
  constraint upload_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);

-- Pictures and files that bots show; their bytes lie beside the database, under the id.
create table media (
  id varchar(64) primary key,
  bot_id varchar(32) not null,
  name varchar(200) not null,
  type varchar(100) not null,
  size bigint not null,
  at timestamp not null,
  constraint media_bot foreign key (bot_id) references bot (id) on delete cascade
);

-- As the scheduler's own documentation has it.
create table scheduled_tasks (
  task_name varchar(100) not null,
  task_instance varchar(100) not null,
  task_data blob,
  execution_time timestamp with time zone not null,
  picked boolean not null,
  picked_by varchar(50),
  last_success timestamp with time zone,
  last_failure timestamp with time zone,
  consecutive_failures int,
  last_heartbeat timestamp with time zone,
  version bigint not null,
  priority smallint,
  primary key (task_name, task_instance)
);
create index scheduled_tasks_due on scheduled_tasks (execution_time);
