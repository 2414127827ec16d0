-- Follow-ups: what goes out to whoever comes into a segment, reaches a milestone or leaves a form unfinished.
create table follow_up (
  id varchar(32) primary key,
  name varchar(200) not null,
  begins varchar(20) not null,
  of_what varchar(300) not null,
  stages varchar(100000) not null,
  most_a_day int not null,
  hours varchar(2000) not null,
  zone varchar(60) not null,
  reply_to varchar(320) not null,
  active_since timestamp,
  changed_at timestamp not null,
  deleted_at timestamp
);

-- Who is followed up, and how far it has come. One person once for each follow-up, so that nothing goes twice.
create table follow_up_run (
  follow_up_id varchar(32) not null,
  person_id varchar(32) not null,
  conversation_id varchar(32) not null,
  stage int not null,
  state varchar(20) not null,
  due_at timestamp not null,
  entered_at timestamp not null,
  primary key (follow_up_id, person_id),
  constraint follow_up_run_of foreign key (follow_up_id) references follow_up (id) on delete cascade,
  constraint follow_up_run_person foreign key (person_id) references person (id) on delete cascade
);
create index follow_up_run_due on follow_up_run (state, due_at);

-- What was sent, what not, and why.
create table follow_up_log (
  id varchar(32) primary key,
  follow_up_id varchar(32) not null,
  person_id varchar(32) not null,
  stage int not null,
  what varchar(20) not null,
  words varchar(500) not null,
  notice_id varchar(32) not null,
  at timestamp not null,
  constraint follow_up_log_of foreign key (follow_up_id) references follow_up (id) on delete cascade,
  constraint follow_up_log_person foreign key (person_id) references person (id) on delete cascade
);
create index follow_up_log_at on follow_up_log (follow_up_id, at);
create index follow_up_log_notice on follow_up_log (notice_id);

-- Mails that somebody can stop, are answered elsewhere, or bring a file.
alter table notice add column reply_to varchar(320) default '' not null;
alter table notice add column unsubscribe varchar(1000) default '' not null;
alter table notice add column file_id varchar(32) default '' not null;
alter table notice add column person_id varchar(32) default '' not null;
create index notice_person on notice (person_id);
create table notice_file (
  id varchar(32) primary key,
  name varchar(200) not null,
  type varchar(100) not null,
  content blob not null
);

-- Who is called back when something of a lead changes.
create table lead_callback (
  id varchar(32) primary key,
  address varchar(1000) not null,
  events varchar(200) not null
);
