-- On which days of the week a student practises, for how long, and when somebody hears it. since is the day
-- from which a plan is wanted: what was not practised before it was not missed.
create table practice_days (
  student_id bigint primary key references student (id) on delete cascade,
  minutes integer not null,
  practice varchar(30) not null,
  lessons varchar(30) default '' not null,
  since date not null
);
-- Days without practice, the first and the last; without a student they are everyone's.
create table day_off (
  id bigint generated always as identity primary key,
  student_id bigint references student (id) on delete cascade,
  first_day date not null,
  last_day date not null,
  name varchar(60) default '' not null
);
