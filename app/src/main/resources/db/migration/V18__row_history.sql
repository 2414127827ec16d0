-- What rows of tables were before each change, with whoever changed them; goes with the row's table.
create table data_row_past (
  table_id varchar(32) not null,
  row_id varchar(32) not null,
  version bigint not null,
  cells clob not null,
  changed_by varchar(200) not null,
  changed_at timestamp not null,
  primary key (table_id, row_id, version),
  constraint data_row_past_row foreign key (table_id, row_id) references data_row (table_id, id) on delete cascade
);
