-- What is taken off the shelf or dissolved can be put back.
alter table piece add column removed boolean default false not null;
alter table band add column removed boolean default false not null;
