-- What a teacher chose on the stand, step by step, so that it can be taken back later too.
create table choice_step (
  id bigint generated always as identity primary key,
  student_id bigint not null references student (id) on delete cascade,
  piece_id bigint not null references piece (id) on delete cascade,
  undone boolean not null default false
);
create index choice_step_by_part on choice_step (student_id, piece_id, id);

-- what: LOCK (about is a note), STYLE (about is a style of the student) or HOUSE (of the instrument);
-- an empty text is nothing kept.
create table choice_change (
  step_id bigint not null references choice_step (id) on delete cascade,
  what varchar(10) not null,
  student_id bigint not null references student (id) on delete cascade,
  about varchar(100) not null,
  was varchar(100) not null,
  becomes varchar(100) not null,
  primary key (step_id, what, student_id, about)
);
