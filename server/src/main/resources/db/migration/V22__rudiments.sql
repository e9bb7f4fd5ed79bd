-- What who plays drums has learned: a rudiment as it was heard, with the tempo of its quarters. Nothing that was heard
-- is changed; what is taken back stays and counts no more.
create table rudiment_heard (
  id bigint generated always as identity primary key,
  student_id bigint not null references student (id) on delete cascade,
  at timestamp with time zone not null,
  rudiment varchar(40) not null,
  tempo integer not null,
  grade varchar(10) not null,
  heard_by varchar(60) not null,
  mark varchar(40) not null,
  taken_back boolean default false not null,
  unique (student_id, mark)
);
