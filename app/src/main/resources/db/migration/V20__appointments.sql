-- Appointments: who they are with, of what kinds, and who comes when.
create table resource (
  id varchar(32) primary key,
  kind varchar(10) not null,
  name varchar(200) not null,
  zone varchar(60) not null,
  week clob not null,
  feed int default 1 not null,
  updated_at timestamp not null,
  deleted_at timestamp
);

-- Days that are other than their weekday; no spans for a day off.
create table resource_day (
  resource_id varchar(32) not null,
  on_day date not null,
  spans varchar(500) not null,
  primary key (resource_id, on_day),
  constraint resource_day_resource foreign key (resource_id) references resource (id) on delete cascade
);

-- Calendars elsewhere that say when somebody is busy, and what they said last.
create table busy_feed (
  id varchar(32) primary key,
  resource_id varchar(32) not null,
  address varchar(1000) not null,
  tried_at timestamp,
  read_at timestamp,
  why varchar(300) not null,
  constraint busy_feed_resource foreign key (resource_id) references resource (id) on delete cascade
);

create table busy_time (
  feed_id varchar(32) not null,
  place int not null,
  from_at timestamp not null,
  until_at timestamp not null,
  primary key (feed_id, place),
  constraint busy_time_feed foreign key (feed_id) references busy_feed (id) on delete cascade
);

create table appointment_kind (
  id varchar(32) primary key,
  name varchar(200) not null,
  document clob not null,
  updated_at timestamp not null,
  deleted_at timestamp
);

-- A time at which somebody is taken, by one party or by several that share it. More than there are places never come.
create table session (
  id varchar(32) primary key,
  kind_id varchar(32) not null,
  starts_at timestamp not null,
  ends_at timestamp not null,
  busy_from timestamp not null,
  busy_until timestamp not null,
  places int not null,
  taken int not null,
  made_at timestamp not null,
  constraint session_kind foreign key (kind_id) references appointment_kind (id),
  constraint session_not_full check (taken between 0 and places)
);

create index session_starts on session (kind_id, starts_at);

-- Every five minutes of a person or room, buffers included, belong to one session: nobody is taken twice, whoever writes.
create table session_slice (
  resource_id varchar(32) not null,
  slice int not null,
  session_id varchar(32) not null,
  primary key (resource_id, slice),
  constraint session_slice_resource foreign key (resource_id) references resource (id),
  constraint session_slice_session foreign key (session_id) references session (id) on delete cascade
);

create table session_resource (
  session_id varchar(32) not null,
  resource_id varchar(32) not null,
  primary key (session_id, resource_id),
  constraint session_resource_session foreign key (session_id) references session (id) on delete cascade,
  constraint session_resource_resource foreign key (resource_id) references resource (id)
);

-- Who comes. The session goes when the last booking of it is cancelled; the booking stays.
create table booking (
  id varchar(32) primary key,
  reference varchar(10) not null,
  kind_id varchar(32) not null,
  session_id varchar(32),
  resources varchar(1000) not null,
  starts_at timestamp not null,
  ends_at timestamp not null,
  state varchar(20) not null,
  held_until timestamp,
  party int not null,
  name varchar(200) not null,
  email varchar(254) not null,
  phone varchar(60) not null,
  about varchar(1000) not null,
  zone varchar(60) not null,
  conversation_id varchar(32),
  request_key varchar(100),
  reminded_at timestamp,
  changes int not null,
  made_at timestamp not null,
  updated_at timestamp not null,
  constraint booking_reference unique (reference),
  constraint booking_request unique (request_key),
  constraint booking_kind foreign key (kind_id) references appointment_kind (id),
  constraint booking_session foreign key (session_id) references session (id) on delete set null,
  constraint booking_conversation foreign key (conversation_id) references conversation (id) on delete set null
);

create index booking_starts on booking (starts_at);
create index booking_held on booking (state, held_until);

create table booking_past (
  booking_id varchar(32) not null,
  place int not null,
  noted_at timestamp not null,
  what varchar(300) not null,
  account_id varchar(32),
  primary key (booking_id, place),
  constraint booking_past_booking foreign key (booking_id) references booking (id) on delete cascade
);

-- Who is told when a time falls free, in the order in which they asked. The booking is what is held for them.
create table waiting (
  id varchar(32) primary key,
  kind_id varchar(32) not null,
  party int not null,
  name varchar(200) not null,
  email varchar(254) not null,
  zone varchar(60) not null,
  conversation_id varchar(32),
  booking_id varchar(32),
  made_at timestamp not null,
  constraint waiting_kind foreign key (kind_id) references appointment_kind (id),
  constraint waiting_conversation foreign key (conversation_id) references conversation (id) on delete cascade,
  constraint waiting_booking foreign key (booking_id) references booking (id) on delete cascade
);

create index waiting_order on waiting (kind_id, made_at);

alter table notice add column calendar clob;
