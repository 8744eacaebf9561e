-- Which list a profile follows, and in which version, is a part of its edits: undo brings it back.
create table followed_list (
  id text primary key,
  profile_id text not null references profile (id) on delete cascade,
  lineup jsonb not null,
  -- What it says of itself, and how far it was understood; null of one that was kept before claims were.
  claim jsonb,
  at timestamptz not null default now()
);
create index on followed_list (profile_id);

insert into followed_list (id, profile_id, lineup, claim, at)
select 'first ' || profile_id, profile_id, lineup, claim, at from followed;

alter table profile add column followed_id text references followed_list (id) on delete set null;
update profile set followed_id = 'first ' || id where id in (select profile_id from followed);
drop table followed;

-- Of an edit that changes it: {"before", "after"}, ids or null.
alter table journal add column followed jsonb;
-- {"list"}, an id or null; null of a point that was made before this was kept.
alter table restore_point add column followed jsonb;
