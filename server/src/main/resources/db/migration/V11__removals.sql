-- What is removed can be put back later from a list: it says when. A null is what is here.
alter table piece add column removed_at timestamp with time zone;
alter table band add column removed_at timestamp with time zone;
alter table assignment add column removed_at timestamp with time zone;
alter table own_fingering add column removed_at timestamp with time zone;
