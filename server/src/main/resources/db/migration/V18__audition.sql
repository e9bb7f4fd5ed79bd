-- An audition with what it asks, as the table that was brought (formats/csv AuditionCsv), and what each thing that
-- is judged weighs (NAME=WEIGHT, with spaces between).
create table audition (
  id bigint generated always as identity primary key,
  name varchar(120) not null,
  held_on date not null,
  requirements varchar(200000) not null,
  weights varchar(200) default '' not null,
  removed boolean default false not null
);
create table audition_candidate (
  audition_id bigint not null references audition (id) on delete cascade,
  student_id bigint not null references student (id) on delete cascade,
  primary key (audition_id, student_id)
);
-- A mock audition of one candidate. What is heard is drawn by its number.
create table mock_audition (
  id bigint generated always as identity primary key,
  audition_id bigint not null references audition (id) on delete cascade,
  student_id bigint not null references student (id) on delete cascade,
  at timestamp with time zone not null,
  seed bigint not null
);
-- What one judge gives, points as NAME=POINTS; written anew with each point, and no more once it is handed in. Only
-- the device on which it was begun sees it.
create table mock_sheet (
  mock_id bigint not null references mock_audition (id) on delete cascade,
  judge varchar(60) not null,
  device varchar(40) not null,
  points varchar(200) default '' not null,
  remark varchar(1000) default '' not null,
  handed_in boolean default false not null,
  primary key (mock_id, judge)
);
