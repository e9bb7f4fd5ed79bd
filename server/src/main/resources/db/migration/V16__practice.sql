-- Some notes of a part, played once at a tempo (quarters a minute), in practice. Rows are only added; one that
-- was written down by mistake is marked as taken back. mark names the press of the key, so that one that is
-- sent twice is written down once.
create table practice_run (
  id bigint generated always as identity primary key,
  student_id bigint not null references student (id) on delete cascade,
  piece_id bigint not null references piece (id) on delete cascade,
  at timestamp with time zone not null,
  first_note varchar(100) not null,
  last_note varchar(100) not null,
  quarters integer not null,
  clean boolean not null,
  mark varchar(40) not null,
  taken_back boolean default false not null,
  unique (student_id, mark)
);
create index practice_run_of on practice_run (student_id, piece_id, id);
