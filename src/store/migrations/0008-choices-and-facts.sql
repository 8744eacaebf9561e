-- What of a package a profile takes.
create table profile_choice (
  profile_id text not null references profile on delete cascade,
  mod text not null,
  options jsonb not null,
  components text[] not null,
  reasons jsonb,
  primary key (profile_id, mod)
);
-- Parts of the game itself that are off, what it is told at its start; a colour, and a note on the whole profile.
alter table profile add column base_off text[] not null default '{}';
alter table profile add column launch jsonb not null default '{}';
alter table profile add column hue integer;
alter table profile add column note text;
-- When a trial last ran well, and the state that it ran with.
alter table profile add column ran_at timestamptz;
alter table profile add column ran_state jsonb;
-- When a mod's file was last changed, and when it was first read.
alter table shelf_mod add column updated text;
alter table shelf_mod add column added timestamptz not null default now();
-- Options and components are read from manifests from now on.
update shelf_mod set stamp = '';
-- A definition that its user wrote or changed; those that ship are brought up to date by themselves.
alter table game add column own boolean not null default false;
-- What a user has set for a game: columns of the shelf, saved filters.
create table preference (
  game_id text not null references game on delete cascade,
  key text not null,
  value jsonb not null,
  primary key (game_id, key)
);
-- Where the order file is written, and the folders in which mods lie; the first is the one that paths are short in.
alter table game add column order_folder text;
update game set order_folder = game_folder;
alter table game alter column order_folder set not null;
alter table game add column shelf_folders text[] not null default '{}';
update game set shelf_folders = array[shelf_folder];
alter table game drop column shelf_folder;
