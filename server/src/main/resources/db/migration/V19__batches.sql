-- Something that was done for many at once: what a group plays already (PLAYS), a list of students (ROSTER), simpler
-- parts for a whole group (SIMPLER). What it wrote is listed, so that it can be taken back in one go.
create table batch (
  id bigint generated always as identity primary key,
  kind varchar(10) not null,
  band_id bigint references band (id) on delete cascade,
  piece_id bigint references piece (id) on delete cascade,
  done_at timestamp with time zone not null,
  taken_back_at timestamp with time zone
);
-- PLAYS: an entry. ROSTER: a student who was added; one who joined a group; a group that was set up.
-- SIMPLER: a student who got a simpler part of the piece.
create table batch_item (
  batch_id bigint not null references batch (id) on delete cascade,
  heard_id bigint references heard (id) on delete cascade,
  student_id bigint references student (id) on delete cascade,
  band_id bigint references band (id) on delete cascade
);
create index batch_item_of on batch_item (batch_id);
