-- Once means once, also for two that send the same thing at the same moment: a press of a key is written
-- down once for a student, an entry is taken back once. What older data hold twice stays as it is.
create table press (
  student_id bigint not null references student (id) on delete cascade,
  mark varchar(40) not null,
  primary key (student_id, mark)
);
insert into press (student_id, mark)
  select distinct student_id, mark from heard where mark is not null;

create table taken_back (
  heard_id bigint primary key references heard (id) on delete cascade
);
insert into taken_back (heard_id)
  select distinct undoes from heard where undoes is not null;
