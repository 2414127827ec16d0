-- From what a bot answers besides which collections: pleasantries, and kinds of source as a list; bots without a row have all.
create table bot_answering (
  bot_id varchar(32) primary key,
  pleasantries boolean not null,
  sources varchar(100) not null,
  constraint bot_answering_bot foreign key (bot_id) references bot (id) on delete cascade
);
