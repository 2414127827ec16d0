-- What answered which question: for answers that were rated badly, and entries that are never used.
create table answered (
  id varchar(32) primary key,
  bot_id varchar(32) not null,
  conversation_id varchar(32) not null,
  collection_id varchar(32) not null,
  ref varchar(500) not null,
  question varchar(4000) not null,
  at timestamp not null,
  constraint answered_bot foreign key (bot_id) references bot (id) on delete cascade,
  constraint answered_collection foreign key (collection_id) references collection (id) on delete cascade
);
create index answered_ref on answered (collection_id, ref);
create index answered_conversation on answered (conversation_id);

-- A question whose answer was rated badly stays until somebody has looked at it.
alter table gap add column rated boolean default false not null;
