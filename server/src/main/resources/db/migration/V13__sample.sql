-- What came with the sample school, so that it can be taken away as a whole.
create table sample (
  kind varchar(16) not null,
  id bigint not null,
  primary key (kind, id)
);
