-- What a teacher adds to an instrument's table, hides of it, or says of it in own words.
create table own_fingering (
  id bigint generated always as identity primary key,
  instrument varchar(40) not null,
  written varchar(6) not null,
  midi integer not null,
  fingering varchar(100) not null,
  role varchar(10) not null,
  label varchar(120) not null,
  note varchar(300) not null default '',
  unique (instrument, midi, fingering)
);

-- kind: HIDDEN, STANDARD or WORDS; a row is taken out to make it as it was.
create table fingering_choice (
  instrument varchar(40) not null,
  midi integer not null,
  fingering varchar(100) not null,
  kind varchar(10) not null,
  words varchar(120) not null default '',
  primary key (instrument, midi, fingering, kind)
);
