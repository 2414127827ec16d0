-- Services outside, how one gets in there, what calls came to, and hosts of the own network that may be called.
create table connection (
  id varchar(32) primary key,
  name varchar(200) not null,
  address varchar(1000) not null,
  kind varchar(20) not null,
  who varchar(200) not null,
  token_address varchar(1000) not null,
  scope varchar(200) not null,
  sealed_secret clob not null,
  updated_at timestamp not null
);

-- The draft changes with every save; only what is published is called, and earlier publications are kept.
create table service (
  id varchar(32) primary key,
  connection_id varchar(32) not null,
  name varchar(200) not null,
  draft clob not null,
  version int not null,
  updated_at timestamp not null,
  deleted_at timestamp,
  constraint service_connection foreign key (connection_id) references connection (id)
);

create table service_version (
  service_id varchar(32) not null,
  version int not null,
  document clob not null,
  account_id varchar(32),
  published_at timestamp not null,
  primary key (service_id, version),
  constraint service_version_service foreign key (service_id) references service (id) on delete cascade
);

-- What calls came to, without anything that visitors said.
create table service_call (
  id varchar(32) primary key,
  service_id varchar(32) not null,
  conversation_id varchar(32) not null,
  called_at timestamp not null,
  millis int not null,
  status int not null,
  result varchar(100) not null,
  why varchar(300) not null,
  constraint service_call_service foreign key (service_id) references service (id) on delete cascade,
  constraint service_call_conversation foreign key (conversation_id) references conversation (id) on delete cascade
);

create index service_call_latest on service_call (service_id, called_at);

create table allowed_host (
  host varchar(200) primary key,
  account_id varchar(32),
  allowed_at timestamp not null
);
