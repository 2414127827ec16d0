-- Tables that may be asked. Columns are kept with the table, rows one by one, their cells by the columns' keys.
create table knowledge_table (
  id varchar(32) primary key,
  collection_id varchar(32) not null,
  ref varchar(100) not null,
  name varchar(200) not null,
  also clob not null,
  columns clob not null,
  published boolean not null,
  updated_at timestamp not null,
  constraint knowledge_table_ref unique (collection_id, ref),
  constraint knowledge_table_collection foreign key (collection_id) references collection (id) on delete cascade
);

create table knowledge_row (
  table_id varchar(32) not null,
  id varchar(32) not null,
  ordinal int not null,
  cells clob not null,
  primary key (table_id, id),
  constraint knowledge_row_table foreign key (table_id) references knowledge_table (id) on delete cascade
);
