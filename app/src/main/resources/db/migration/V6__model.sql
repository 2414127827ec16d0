-- The connection to a language model; at most one row.
create table language_model (
  id int primary key,
  enabled boolean not null,
  address varchar(1000) not null,
  name varchar(200) not null,
  sealed_key clob not null,
  millis int not null,
  constraint language_model_one check (id = 1)
);
