-- A piece is given to a group, to a section of it (an instrument) or to one student: some bars or all
-- (empty), a tempo in quarters a minute (0: as written), fingerings as they are planned at any time or
-- locked as they were when it was given. The old table allowed a piece once for a group only.
alter table assignment rename to assignment_before;
create table assignment (
  id bigint generated always as identity primary key,
  band_id bigint references band (id) on delete cascade,
  student_id bigint references student (id) on delete cascade,
  section varchar(40) default '' not null,
  piece_id bigint not null references piece (id) on delete cascade,
  due date not null,
  sentence varchar(300) default '' not null,
  bars varchar(40) default '' not null,
  tempo integer default 0 not null,
  locked boolean default false not null
);
insert into assignment (band_id, piece_id, due, sentence)
  select band_id, piece_id, due, sentence from assignment_before order by id;
drop table assignment_before;
create index assignment_by_band on assignment (band_id);
create index assignment_by_student on assignment (student_id);

-- What an assignment has locked, so that it can be let go again.
create table assignment_lock (
  assignment_id bigint not null references assignment (id) on delete cascade,
  student_id bigint not null references student (id) on delete cascade,
  note_id varchar(100) not null,
  fingering varchar(100) not null,
  primary key (assignment_id, student_id, note_id)
);

-- On which days a group meets, such as MON THU; empty where it is not said.
alter table band add column days varchar(30) default '' not null;
