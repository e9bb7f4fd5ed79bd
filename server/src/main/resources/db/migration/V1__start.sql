-- Groups, students, pieces, what was chosen and what was heard. Standard SQL where H2 allows.
create table band (
  id bigint generated always as identity primary key,
  name varchar(80) not null,
  place integer not null default 0,
  unique (name)
);

create table student (
  id bigint generated always as identity primary key,
  given_name varchar(40) not null,
  initial varchar(2) not null default '',
  instrument varchar(40) not null,
  options varchar(500) not null default '',
  avoid varchar(500) not null default '',
  style varchar(500) not null default ''
);

create table band_student (
  band_id bigint not null references band (id) on delete cascade,
  student_id bigint not null references student (id) on delete cascade,
  primary key (band_id, student_id)
);

create table piece (
  id bigint generated always as identity primary key,
  title varchar(200) not null,
  book varchar(120) not null default '',
  number varchar(20) not null default '',
  file_name varchar(255) not null,
  content blob not null,
  pages varchar(20) not null,
  added timestamp with time zone not null
);

create table assignment (
  id bigint generated always as identity primary key,
  band_id bigint not null references band (id) on delete cascade,
  piece_id bigint not null references piece (id) on delete cascade,
  due date not null,
  sentence varchar(300) not null default '',
  unique (band_id, piece_id)
);

create table reading (
  student_id bigint not null references student (id) on delete cascade,
  piece_id bigint not null references piece (id) on delete cascade,
  part_id varchar(100) not null,
  voice integer not null default 1,
  primary key (student_id, piece_id)
);

create table fingering_lock (
  student_id bigint not null references student (id) on delete cascade,
  piece_id bigint not null references piece (id) on delete cascade,
  note_id varchar(100) not null,
  fingering varchar(100) not null,
  primary key (student_id, piece_id, note_id)
);

-- A table instead of a check constraint: see docs/decisions/006.
create table grade (name varchar(10) primary key);
insert into grade (name) values ('SECURE'), ('SHAKY'), ('NOT_YET');

-- Evidence: rows are only ever added. An entry that takes another back names it.
create table heard (
  id bigint generated always as identity primary key,
  student_id bigint not null references student (id) on delete cascade,
  at timestamp with time zone not null,
  heard_by varchar(60) not null,
  written varchar(6) not null,
  fingering varchar(100) not null,
  grade varchar(10) not null references grade (name),
  piece_id bigint references piece (id) on delete set null,
  bars varchar(40) not null default '',
  remark varchar(300) not null default '',
  undoes bigint references heard (id) on delete cascade
);
create index heard_by_student on heard (student_id, id);

create table house_style (
  instrument varchar(40) not null,
  name varchar(40) not null,
  school varchar(40) not null,
  primary key (instrument, name)
);
