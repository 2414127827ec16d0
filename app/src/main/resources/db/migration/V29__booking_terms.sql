-- How many places a booking takes stays as it was when it was made, whatever becomes of its kind.
alter table booking add column takes int default 1 not null;
update booking set takes = party
  where session_id is not null and session_id in (select id from session where places > 1);

-- What a request with a key asked for, and who holds a time, both as hashes.
alter table booking add column request_print varchar(64);
alter table booking add column holder varchar(64);
create index booking_holder on booking (holder, state);
