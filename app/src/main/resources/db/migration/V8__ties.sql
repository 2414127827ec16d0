-- What an entry belongs to and leads to.
alter table entry add column team varchar(200) default '' not null;
alter table entry add column article varchar(100) default '' not null;
alter table entry add column flow varchar(200) default '' not null;
