-- Of every file of a mod the first 16 bytes of its hash; read with the next reading of the shelf.
alter table mod_files add column hashes text[];
update shelf_mod set stamp = '';

-- What is known of contents that a profile, a restore point, a list that is followed or the history pins, once they are not on the
-- shelf any more.
create table kept_mod (
  game_id text not null references game on delete cascade,
  id text not null,
  content text not null,
  mod jsonb not null,
  files text[] not null,
  hashes text[],
  records jsonb not null,
  primary key (game_id, id, content)
);

-- Mods that are their user's own work: profiles follow their contents.
create table own_work (
  game_id text not null references game on delete cascade,
  mod text not null,
  primary key (game_id, mod)
);

-- What a user said of an entry of the shelf whose name alone says what it is: of which mod it is a version, and how it is called.
create table mod_identity (
  game_id text not null references game on delete cascade,
  path text not null,
  id text not null,
  name text not null,
  primary key (game_id, path)
);
