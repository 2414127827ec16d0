-- Knowledge that is written before it is said, and that holds for a time.
alter table entry add column published boolean default true not null;
alter table entry add column valid_from date;
alter table entry add column valid_until date;
alter table article add column published boolean default true not null;
alter table article add column valid_from date;
alter table article add column valid_until date;

-- A gap is open until it is answered or dismissed; a dismissed question that is asked again stays away.
alter table gap add column dismissed boolean default false not null;

-- Pictures of articles belong to no bot.
alter table media alter column bot_id drop not null;

-- How sure a bot must be, in hundredths, where it differs from the usual.
create table bot_sureness (
  bot_id varchar(32) primary key,
  answer_from int not null,
  suggest_from int not null,
  constraint bot_sureness_bot foreign key (bot_id) references bot (id) on delete cascade
);
