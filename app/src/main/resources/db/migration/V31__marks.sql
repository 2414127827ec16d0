-- What designers said of messages in rehearsals: what a clause does where it was said.
create table mark (
  id varchar(32) primary key,
  bot_id varchar(32) not null,
  clause varchar(4000) not null,
  waits varchar(40) not null,
  question varchar(4000) not null,
  kind varchar(40) not null,
  account_id varchar(32),
  at timestamp not null,
  constraint mark_bot foreign key (bot_id) references bot (id) on delete cascade
);
create index mark_of_bot on mark (bot_id, at);
