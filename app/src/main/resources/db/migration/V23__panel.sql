-- The organisation's websites, what of a bot shows on them, and when it speaks up there.
create table site (
  id varchar(32) primary key,
  name varchar(200) not null,
  addresses clob not null,
  bots clob not null,
  seen_at timestamp,
  seen_on varchar(300) default '' not null,
  made_at timestamp not null,
  deleted_at timestamp
);

create table bot_presence (
  bot_id varchar(32) primary key,
  document clob not null,
  updated_at timestamp not null,
  constraint bot_presence_bot foreign key (bot_id) references bot (id) on delete cascade
);

-- How often a cue did something, and the conversations that came of it.
create table cue_count (
  bot_id varchar(32) not null,
  cue_id varchar(32) not null,
  what varchar(20) not null,
  many int not null,
  primary key (bot_id, cue_id, what),
  constraint cue_count_bot foreign key (bot_id) references bot (id) on delete cascade
);

create table cue_conversation (
  conversation_id varchar(32) primary key,
  bot_id varchar(32) not null,
  cue_id varchar(32) not null,
  constraint cue_conversation_conversation
    foreign key (conversation_id) references conversation (id) on delete cascade
);

create index cue_conversation_cue on cue_conversation (bot_id, cue_id);
