-- Instants are UTC. Ids are short random texts made by the application. Documents are JSON.

create table account (
  id varchar(32) primary key,
  name varchar(200) not null,
  email varchar(320) not null,
  password_hash varchar(200) not null,
  role varchar(20) not null,
  created_at timestamp not null,
  constraint account_email unique (email)
);

create table team (
  id varchar(32) primary key,
  name varchar(200) not null,
  constraint team_name unique (name)
);

create table team_member (
  team_id varchar(32) not null,
  account_id varchar(32) not null,
  primary key (team_id, account_id),
  constraint team_member_team foreign key (team_id) references team (id) on delete cascade,
  constraint team_member_account foreign key (account_id) references account (id) on delete cascade
);

create table api_token (
  id varchar(32) primary key,
  account_id varchar(32) not null,
  name varchar(200) not null,
  token_hash varchar(64) not null,
  created_at timestamp not null,
  constraint api_token_hash unique (token_hash),
  constraint api_token_account foreign key (account_id) references account (id) on delete cascade
);

create table bot (
  id varchar(32) primary key,
  slug varchar(64) not null,
  name varchar(200) not null,
  description varchar(2000) not null,
  region varchar(2) not null,
  main_flow varchar(64) not null,
  created_at timestamp not null,
  constraint bot_slug unique (slug)
);

-- The draft of a flow: its edits from the first on, and which of them is the present one.
create table flow (
  bot_id varchar(32) not null,
  flow_key varchar(64) not null,
  ordinal int not null,
  edit int not null,
  primary key (bot_id, flow_key),
  constraint flow_bot foreign key (bot_id) references bot (id) on delete cascade
);

create table flow_edit (
  bot_id varchar(32) not null,
  flow_key varchar(64) not null,
  edit int not null,
  document clob not null,
  words varchar(1000) not null,
  merge_key varchar(300),
  account_id varchar(32),
  at timestamp not null,
  primary key (bot_id, flow_key, edit),
  constraint flow_edit_flow foreign key (bot_id, flow_key) references flow (bot_id, flow_key) on delete cascade
);

create table release (
  id varchar(32) primary key,
  bot_id varchar(32) not null,
  number int not null,
  document clob not null,
  note varchar(2000) not null,
  account_id varchar(32),
  at timestamp not null,
  constraint release_number unique (bot_id, number),
  constraint release_bot foreign key (bot_id) references bot (id) on delete cascade
);

create table collection (
  id varchar(32) primary key,
  name varchar(200) not null,
  created_at timestamp not null
);

create table bot_collection (
  bot_id varchar(32) not null,
  collection_id varchar(32) not null,
  primary key (bot_id, collection_id),
  constraint bot_collection_bot foreign key (bot_id) references bot (id) on delete cascade,
  constraint bot_collection_collection foreign key (collection_id) references collection (id) on delete cascade
);

create table entry (
  id varchar(32) primary key,
  collection_id varchar(32) not null,
  ref varchar(100) not null,
  title varchar(1000) not null,
  category varchar(200) not null,
  phrasings clob not null,
  answers clob not null,
  updated_at timestamp not null,
  constraint entry_ref unique (collection_id, ref),
  constraint entry_collection foreign key (collection_id) references collection (id) on delete cascade
);

create table article (
  id varchar(32) primary key,
  collection_id varchar(32) not null,
  ref varchar(100) not null,
  title varchar(1000) not null,
  category varchar(200) not null,
  markdown clob not null,
  updated_at timestamp not null,
  constraint article_ref unique (collection_id, ref),
  constraint article_collection foreign key (collection_id) references collection (id) on delete cascade
);

create table synonym_group (
  collection_id varchar(32) not null,
  ordinal int not null,
  words clob not null,
  primary key (collection_id, ordinal),
  constraint synonym_group_collection foreign key (collection_id) references collection (id) on delete cascade
);

-- Vectors of sentences already embedded, so that an index opens quickly.
create table embedding (
  text_hash varchar(64) primary key,
  vector blob not null
);

-- What every turn writes is text of bounded length rather than large objects, which databases keep apart and slowly.
create table conversation (
  id varchar(32) primary key,
  bot_id varchar(32) not null,
  release_id varchar(32) not null,
  token_hash varchar(64) not null,
  visitor varchar(100) not null,
  speaker varchar(20) not null,
  team varchar(32) not null,
  agent_id varchar(32),
  events int not null,
  seq bigint not null,
  state varchar(1000000) not null,
  started_at timestamp not null,
  last_at timestamp not null,
  waiting_since timestamp,
  constraint conversation_bot foreign key (bot_id) references bot (id) on delete cascade,
  constraint conversation_release foreign key (release_id) references release (id)
);
create index conversation_speaker on conversation (speaker, waiting_since);
create index conversation_started on conversation (bot_id, started_at);

-- What happened, with what the turn read from outside and what it effected; the source of all else about a conversation.
create table conversation_event (
  conversation_id varchar(32) not null,
  ordinal int not null,
  client_message_id varchar(100),
  first_seq bigint not null,
  last_seq bigint not null,
  event varchar(1000000) not null,
  reads varchar(1000000) not null,
  effects varchar(1000000) not null,
  awaiting varchar(1000000),
  at timestamp not null,
  primary key (conversation_id, ordinal),
  constraint conversation_event_client unique (conversation_id, client_message_id),
  constraint conversation_event_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);

create table message (
  conversation_id varchar(32) not null,
  seq bigint not null,
  sender varchar(10) not null,
  author varchar(200) not null,
  text varchar(1000000) not null,
  options varchar(1000000),
  at timestamp not null,
  primary key (conversation_id, seq),
  constraint message_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);

create table lead (
  id varchar(32) primary key,
  email varchar(320) not null,
  name varchar(400) not null,
  phone varchar(40) not null,
  bot_id varchar(32) not null,
  conversation_id varchar(32) not null,
  first_at timestamp not null,
  last_at timestamp not null,
  conversations int not null,
  constraint lead_email unique (bot_id, email),
  constraint lead_bot foreign key (bot_id) references bot (id) on delete cascade
);

create table gap (
  id varchar(32) primary key,
  bot_id varchar(32) not null,
  conversation_id varchar(32) not null,
  question varchar(4000) not null,
  normal varchar(4000) not null,
  at timestamp not null,
  constraint gap_bot foreign key (bot_id) references bot (id) on delete cascade
);
create index gap_at on gap (bot_id, at);
