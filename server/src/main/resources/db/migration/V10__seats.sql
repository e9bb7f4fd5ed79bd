-- An initial may be longer where two children share a first name, an initial and an instrument.
alter table student alter column initial set data type varchar(6);

-- Seat or section in the school's own words; orders lists, checks and prints.
alter table student add column seat varchar(20) default '' not null;
