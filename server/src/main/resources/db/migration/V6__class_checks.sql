-- A playing check of a whole group: what is asked, who was absent; what was heard stands in heard.
create table class_check (
  id bigint generated always as identity primary key,
  band_id bigint not null references band (id) on delete cascade,
  made timestamp with time zone not null,
  finished boolean default false not null
);

-- kind: SOUND, SCALE, FINGERING or BARS; what: the notes or bars as text.
create table class_item (
  check_id bigint not null references class_check (id) on delete cascade,
  place integer not null,
  kind varchar(10) not null,
  what varchar(200) not null,
  piece_id bigint references piece (id) on delete cascade,
  primary key (check_id, place)
);

create table class_absent (
  check_id bigint not null references class_check (id) on delete cascade,
  student_id bigint not null references student (id) on delete cascade,
  primary key (check_id, student_id)
);

-- One press of a grade's key may stand for several notes; mark names the press, so that one that is
-- sent twice is written down once.
alter table heard add column check_id bigint references class_check (id) on delete set null;
alter table heard add column place integer;
alter table heard add column mark varchar(40);
create index heard_by_check on heard (check_id, student_id, place);
