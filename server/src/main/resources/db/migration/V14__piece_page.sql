-- The page of a book that a piece was typed from, kept where the teacher wants it: a picture or a PDF.
create table piece_page (
  piece_id bigint primary key references piece (id) on delete cascade,
  name varchar(255) not null,
  type varchar(60) not null,
  content blob not null
);
