-- The note each student is asked, in its octave: settled when a check begins, so that it does not move
-- while marks are written down. Of a scale the first note.
create table class_asked (
  check_id bigint not null references class_check (id) on delete cascade,
  place integer not null,
  student_id bigint not null references student (id) on delete cascade,
  written varchar(6) not null,
  primary key (check_id, place, student_id)
);

-- Notes that were typed together keep their direction; 0 for one by itself.
alter table class_item add column in_row integer default 0 not null;

-- Up to here the octave of a sound or a scale was written down without a meaning; from here on one that
-- is there was said by the teacher. Marks stay as they are (docs/decisions/013).
update class_item set what = regexp_replace(what, '[0-9]', '') where kind in ('SOUND', 'SCALE');
