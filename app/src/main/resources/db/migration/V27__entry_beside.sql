-- What stands beside an entry's answer, as JSON: picture or film, words that lead on, what may be picked next.
alter table entry add column beside varchar(20000) default '{}' not null;
