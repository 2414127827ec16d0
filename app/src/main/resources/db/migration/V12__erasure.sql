-- That a conversation was erased, by whom and when; nothing of what was in it.
create table erasure (
  id varchar(32) primary key,
  conversation_id varchar(32) not null,
  bot_id varchar(32) not null,
  account_id varchar(32) not null,
  at timestamp not null
);
