-- A simpler part that a student plays instead of the written one: which notes are moved, and how far
-- on the page; a note without a move is left out. It holds for that part of the piece.
create table simpler_part (
  student_id bigint not null references student (id) on delete cascade,
  piece_id bigint not null references piece (id) on delete cascade,
  part_id varchar(100) not null,
  primary key (student_id, piece_id)
);

create table simpler_note (
  student_id bigint not null,
  piece_id bigint not null,
  note_id varchar(100) not null,
  letters integer,
  semitones integer,
  primary key (student_id, piece_id, note_id),
  foreign key (student_id, piece_id) references simpler_part (student_id, piece_id) on delete cascade
);
