-- Which version a game says in its folder that it is; null where it was not read.
alter table game add column version_read text;
