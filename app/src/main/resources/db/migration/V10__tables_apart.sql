-- Tables stand by themselves; collections choose from which of them they answer. Rows carry a version, and each cell is kept
-- a second time as it is searched and ordered (V11 fills that for rows there are).
create table data_table (
  id varchar(32) primary key,
  ref varchar(100) not null,
  name varchar(200) not null,
  also clob not null,
  columns clob not null,
  version bigint not null,
  updated_at timestamp not null,
  constraint data_table_ref unique (ref)
);

create table data_row (
  table_id varchar(32) not null,
  id varchar(32) not null,
  ordinal int not null,
  cells clob not null,
  version bigint not null,
  primary key (table_id, id),
  constraint data_row_table foreign key (table_id) references data_table (id) on delete cascade
);

create index data_row_ordinal on data_row (table_id, ordinal, id);

create table data_cell (
  table_id varchar(32) not null,
  row_id varchar(32) not null,
  column_key varchar(32) not null,
  low varchar(2000) not null,
  figure double precision,
  primary key (table_id, row_id, column_key),
  constraint data_cell_row foreign key (table_id, row_id) references data_row (table_id, id) on delete cascade
);

create index data_cell_figure on data_cell (table_id, column_key, figure);

create table collection_table (
  collection_id varchar(32) not null,
  table_id varchar(32) not null,
  primary key (collection_id, table_id),
  constraint collection_table_collection foreign key (collection_id) references collection (id) on delete cascade,
  constraint collection_table_table foreign key (table_id) references data_table (id) on delete cascade
);

insert into data_table (id, ref, name, also, columns, version, updated_at)
select id,
  case when ref in (select ref from knowledge_table group by ref having count(*) > 1) then id else ref end,
  name, also, columns, 1, updated_at
from knowledge_table;

insert into data_row (table_id, id, ordinal, cells, version)
select table_id, id, ordinal, cells, 1 from knowledge_row;

insert into collection_table (collection_id, table_id)
select collection_id, id from knowledge_table where published = true;

drop table knowledge_row;
drop table knowledge_table;
