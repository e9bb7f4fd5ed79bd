-- Which part of the section a student plays: 2 is the second clarinet. 0 where nobody has said so; nothing is guessed
-- for students who were here before.
alter table student add column part integer default 0 not null;
