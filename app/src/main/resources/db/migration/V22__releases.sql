-- Which release of a bot is live is said, and not only which is the newest; and what was live when.
create table bot_live (
  bot_id varchar(32) primary key,
  release_id varchar(32) not null,
  constraint bot_live_bot foreign key (bot_id) references bot (id) on delete cascade,
  constraint bot_live_release foreign key (release_id) references release (id) on delete cascade
);

create table release_live (
  bot_id varchar(32) not null,
  place int not null,
  release_id varchar(32) not null,
  account_id varchar(32),
  since_at timestamp not null,
  planned boolean not null,
  primary key (bot_id, place),
  constraint release_live_bot foreign key (bot_id) references bot (id) on delete cascade,
  constraint release_live_release foreign key (release_id) references release (id) on delete cascade
);

-- One that goes live later.
create table release_plan (
  bot_id varchar(32) primary key,
  release_id varchar(32) not null,
  account_id varchar(32),
  due_at timestamp not null,
  constraint release_plan_bot foreign key (bot_id) references bot (id) on delete cascade,
  constraint release_plan_release foreign key (release_id) references release (id) on delete cascade
);

insert into bot_live (bot_id, release_id)
  select r.bot_id, r.id from release r
  where r.number = (select max(number) from release o where o.bot_id = r.bot_id);

insert into release_live (bot_id, place, release_id, account_id, since_at, planned)
  select bot_id, number, id, account_id, at, false from release;
