-- Rules of all profiles of a game, beside those of one profile.
create table game_rule (
  game_id text not null references game on delete cascade,
  position integer not null,
  id text not null,
  rule jsonb not null,
  note text not null,
  made text not null,
  off boolean not null default false,
  primary key (game_id, id)
);

alter table profile_rule add column off boolean not null default false;

-- An item that arrived by itself and that nobody has placed yet.
alter table profile_entry add column fresh boolean not null default false;

-- Whether the broader of two plugins that change the same records should load earlier.
alter table profile add column broader_first boolean not null default true;

-- Names of the records that each plugin of a shelf's mod changes.
create table plugin_records (
  game_id text not null,
  path text not null,
  plugin text not null,
  records text[] not null,
  primary key (game_id, path, plugin),
  foreign key (game_id, path) references shelf_mod on delete cascade
);

-- Mods read before records were kept are read again the next time.
update shelf_mod set stamp = '' where plugins <> '[]'::jsonb;
