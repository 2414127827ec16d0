-- What is told by mail and web callback, until it is told and after; and the mail server.
create table notice (
  id varchar(32) primary key,
  conversation_id varchar(32),
  kind varchar(20) not null,
  receiver varchar(1000) not null,
  subject varchar(300) not null,
  text clob not null,
  attached boolean not null,
  state varchar(20) not null,
  attempts int not null,
  why varchar(300) not null,
  made_at timestamp not null,
  until_at timestamp not null,
  sent_at timestamp,
  constraint notice_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);

create index notice_made on notice (made_at);

create table mail_server (
  id int primary key,
  host varchar(200) not null,
  port int not null,
  protection varchar(20) not null,
  user_name varchar(200) not null,
  sealed_password clob not null,
  sender varchar(300) not null,
  sender_name varchar(200) not null,
  constraint mail_server_one check (id = 1)
);
