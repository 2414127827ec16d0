-- What was decided is kept with each turn: the way it took, what was understood and why, and by which version of the engine.
alter table conversation_event add column way varchar(1000000) default '[]' not null;
alter table conversation_event add column working varchar(1000000) default '[]' not null;
alter table conversation_event add column engine int default 1 not null;

-- What lists show of a conversation.
alter table conversation add column channel varchar(20) default '' not null;
alter table conversation add column page varchar(2000) default '' not null;
alter table conversation add column visitor_name varchar(400) default '' not null;
alter table conversation add column last_words varchar(300) default '' not null;

-- Lines for whoever takes a conversation.
create table conversation_note (
  conversation_id varchar(32) not null,
  ordinal int not null,
  text varchar(10000) not null,
  at timestamp not null,
  primary key (conversation_id, ordinal),
  constraint conversation_note_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);
insert into conversation_note (conversation_id, ordinal, text, at)
  select id, 0, brief, last_at from conversation where brief <> '';
alter table conversation drop column brief;

-- What has to leave the building, until it has come back.
create table errand (
  conversation_id varchar(32) not null,
  errand_key varchar(40) not null,
  errand varchar(1000000) not null,
  attempts int not null,
  until_at timestamp not null,
  primary key (conversation_id, errand_key),
  constraint errand_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);

-- What a turn brought about stands in the tables of those things.
alter table conversation_event drop column effects;
