-- Which of its game's own profiles a profile is for; null where nobody has chosen.
alter table profile add column of_game text;
