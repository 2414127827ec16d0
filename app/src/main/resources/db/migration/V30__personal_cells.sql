-- Which columns of a table name a person, where somebody has said so either way.
create table personal_column (
  table_id varchar(32) not null,
  column_key varchar(40) not null,
  personal boolean not null,
  primary key (table_id, column_key),
  constraint personal_column_table foreign key (table_id) references data_table (id) on delete cascade
);

-- Which cells a conversation wrote, and a hash of what, so that they can be emptied when it is erased.
create table written_cell (
  conversation_id varchar(32) not null,
  table_id varchar(32) not null,
  row_id varchar(64) not null,
  column_key varchar(40) not null,
  print varchar(64) not null,
  primary key (conversation_id, table_id, row_id, column_key),
  constraint written_cell_table foreign key (table_id) references data_table (id) on delete cascade
);
