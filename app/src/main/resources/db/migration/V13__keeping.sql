-- How long conversations are kept after their last word, in days; no row or 0: until each is erased.
create table keeping (
  id int primary key,
  days int not null
);
