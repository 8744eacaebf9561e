-- The colour that a section was given; null is that of its place in the list.
alter table profile_section add column hue integer;
