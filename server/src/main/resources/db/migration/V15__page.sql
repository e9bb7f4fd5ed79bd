-- On which page of its book an exercise stands, as it is printed there; empty where nobody said it.
alter table piece add column page varchar(20) default '' not null;
