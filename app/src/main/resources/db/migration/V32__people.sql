-- People, found by email or phone across bots. A lead is a person with something to be won: one whose lead_at is filled.
create table person (
  id varchar(32) primary key,
  name varchar(400) not null,
  name_key varchar(400) not null,
  email varchar(320),
  phone varchar(40) not null,
  company varchar(400) not null,
  made_at timestamp not null,
  last_at timestamp not null,
  lead_at timestamp,
  state varchar(32) not null,
  owner_id varchar(32) not null,
  points int,
  band varchar(200) not null,
  card_id varchar(32) not null,
  worth decimal(18, 2) not null,
  bot_id varchar(32) not null,
  conversation_id varchar(32) not null,
  conversations int not null,
  channel varchar(20) not null,
  page varchar(2000) not null,
  campaign varchar(300) not null,
  tags varchar(1000) not null,
  agreed_at timestamp,
  stopped_at timestamp,
  stopped_why varchar(20) not null,
  version int not null,
  constraint person_email unique (email)
);
create index person_phone on person (phone);
create index person_last on person (last_at, id);
create index person_lead on person (lead_at, id);
create index person_state on person (state, last_at, id);
create index person_owner on person (owner_id, last_at, id);
create index person_points on person (points, id);
create index person_name on person (name_key, id);
create index person_band on person (band, last_at, id);

-- What two at once must not both do: a person is looked for and made by whoever has the rows of its addresses.
create table person_lock (
  stripe int primary key
);
insert into person_lock (stripe) values (0), (1), (2), (3), (4), (5), (6), (7), (8), (9), (10), (11), (12), (13), (14), (15);

-- Whose conversation it was.
create table person_conversation (
  conversation_id varchar(32) primary key,
  person_id varchar(32) not null,
  bot_id varchar(32) not null,
  at timestamp not null,
  constraint person_conversation_person foreign key (person_id) references person (id) on delete cascade
);
create index person_conversation_of on person_conversation (person_id, at);

-- What each conversation or person said of them, and what is true of it now.
create table person_said (
  id varchar(32) primary key,
  person_id varchar(32) not null,
  field varchar(40) not null,
  content varchar(2000) not null,
  conversation_id varchar(32) not null,
  account_id varchar(32) not null,
  at timestamp not null,
  constraint person_said_person foreign key (person_id) references person (id) on delete cascade
);
create index person_said_of on person_said (person_id, at);
create index person_said_in on person_said (conversation_id);

create table person_field (
  person_id varchar(32) not null,
  field varchar(40) not null,
  content varchar(2000) not null,
  figure decimal(24, 6),
  primary key (person_id, field),
  constraint person_field_person foreign key (person_id) references person (id) on delete cascade
);
create index person_field_figure on person_field (field, figure);

-- Fields of the organisation's own, and the states that its leads go through.
create table lead_field (
  id varchar(40) primary key,
  name varchar(200) not null,
  kind varchar(20) not null,
  ordinal int not null
);
create table lead_state (
  id varchar(32) primary key,
  name varchar(100) not null,
  outcome varchar(10) not null,
  ordinal int not null
);
insert into lead_state (id, name, outcome, ordinal) values
  ('new', 'New', 'open', 1),
  ('talking', 'In touch', 'open', 2),
  ('offered', 'Offer made', 'open', 3),
  ('won', 'Won', 'won', 4),
  ('lost', 'Lost', 'lost', 5);

create table person_consent (
  id varchar(32) primary key,
  person_id varchar(32) not null,
  conversation_id varchar(32) not null,
  wording varchar(2000) not null,
  given boolean not null,
  channel varchar(20) not null,
  page varchar(2000) not null,
  campaign varchar(300) not null,
  at timestamp not null,
  constraint person_consent_person foreign key (person_id) references person (id) on delete cascade
);
create index person_consent_of on person_consent (person_id, at);

-- Everything that happened to a person, newest last. What can be undone says how.
create table person_event (
  id varchar(32) primary key,
  person_id varchar(32) not null,
  kind varchar(20) not null,
  words varchar(4000) not null,
  account_id varchar(32) not null,
  conversation_id varchar(32) not null,
  undo varchar(20000),
  at timestamp not null,
  constraint person_event_person foreign key (person_id) references person (id) on delete cascade
);
create index person_event_of on person_event (person_id, at);

create table lead_task (
  id varchar(32) primary key,
  person_id varchar(32) not null,
  words varchar(1000) not null,
  due_at timestamp,
  account_id varchar(32) not null,
  team_id varchar(32) not null,
  made_at timestamp not null,
  done_at timestamp,
  constraint lead_task_person foreign key (person_id) references person (id) on delete cascade
);
create index lead_task_due on lead_task (done_at, due_at);
create index lead_task_of on lead_task (person_id, done_at);

create table segment (
  id varchar(32) primary key,
  name varchar(200) not null,
  any_of boolean not null,
  conditions varchar(20000) not null,
  made_at timestamp not null,
  constraint segment_name unique (name)
);

-- Scorecards as they are drafted; what visitors are scored with is in the releases.
create table scorecard (
  id varchar(32) primary key,
  name varchar(200) not null,
  bot_id varchar(32) not null,
  document varchar(100000) not null,
  changed_at timestamp not null,
  deleted_at timestamp
);

-- What visitors were scored, why, and by what was known then.
create table score (
  conversation_id varchar(32) not null,
  card_id varchar(32) not null,
  points int not null,
  band varchar(32) not null,
  band_name varchar(200) not null,
  reasons varchar(20000) not null,
  known varchar(100000) not null,
  at timestamp not null,
  primary key (conversation_id, card_id),
  constraint score_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);
create index score_card on score (card_id, at);

-- Who was a lead by name and email is one, once for each email.
insert into person (id, name, name_key, email, phone, company, made_at, last_at, lead_at, state, owner_id, band, card_id, worth,
    bot_id, conversation_id, conversations, channel, page, campaign, tags, stopped_why, version)
  select l.id, l.name, lower(l.name), lower(l.email), l.phone, '', l.first_at, l.last_at, l.first_at, 'new', '', '', '', 0,
      l.bot_id, l.conversation_id,
      (select sum(o.conversations) from lead o where lower(o.email) = lower(l.email)),
      '', '', '', '', '', 0
    from lead l
    where not exists (select 1 from lead n where lower(n.email) = lower(l.email)
      and (n.last_at > l.last_at or n.last_at = l.last_at and n.id > l.id));
insert into person_conversation (conversation_id, person_id, bot_id, at)
  select l.conversation_id, max(p.id), max(l.bot_id), max(l.last_at) from lead l join person p on p.email = lower(l.email)
    group by l.conversation_id;
insert into person_event (id, person_id, kind, words, account_id, conversation_id, at)
  select p.id, p.id, 'made', 'became a lead', '', p.conversation_id, p.made_at from person p;
insert into person_said (id, person_id, field, content, conversation_id, account_id, at)
  select concat('n', p.id), p.id, 'name', p.name, p.conversation_id, '', p.last_at from person p where p.name <> '';
insert into person_said (id, person_id, field, content, conversation_id, account_id, at)
  select concat('e', p.id), p.id, 'email', p.email, p.conversation_id, '', p.last_at from person p;
insert into person_said (id, person_id, field, content, conversation_id, account_id, at)
  select concat('p', p.id), p.id, 'phone', p.phone, p.conversation_id, '', p.last_at from person p where p.phone <> '';
drop table lead;
