-- Where a group stands, and its school year in the school's own words.
alter table band add column stage varchar(20) default 'firstYears' not null;
alter table band add column school_year varchar(40) default '' not null;

-- One row is one person on one instrument; rows of one person name the same first row.
alter table student add column person bigint;
update student set person = id;

-- A student who has left is kept until the teacher erases the row.
alter table student add column left_on date;
