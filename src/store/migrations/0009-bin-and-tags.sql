-- What a user calls a mod of their own accord, beside what its author does.
create table mod_tag (
  game_id text not null references game on delete cascade,
  mod text not null,
  tag text not null,
  primary key (game_id, mod, tag)
);
-- Mods that were dropped from the shelf; their files lie in a folder of their own beside it until they are deleted.
create table mod_bin (
  id text primary key,
  game_id text not null references game on delete cascade,
  path text not null,
  lies_at text not null,
  name text not null,
  version text not null,
  size bigint not null,
  dropped_at timestamptz not null default now()
);
