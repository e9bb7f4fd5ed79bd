-- Which school this is: another id where a backup was restored or an archive unpacked, so that what waits in a
-- browser for one school is never written into another.
create table school (
  id varchar(36) primary key
);
insert into school (id) values (cast(random_uuid() as varchar(36)));

-- The sheets of a mock audition are there from the start, one for each judge who is expected; device is empty until
-- that judge begins. One that was handed in stays: it may be left out of the result, which is shown.
alter table mock_sheet add column left_out boolean default false not null;
