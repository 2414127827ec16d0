-- How long one attempt may take is settled when an errand is sent.
alter table errand add column seconds int default 60 not null;
