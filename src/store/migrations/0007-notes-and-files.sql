-- What somebody wrote about an item of a profile.
create table profile_note (
  profile_id text not null references profile on delete cascade,
  position integer not null,
  list text not null,
  item text not null,
  text text not null,
  author text not null,
  at text not null,
  primary key (profile_id, list, item)
);

-- Paths of the files that each mod of a shelf brings.
create table mod_files (
  game_id text not null,
  path text not null,
  files text[] not null,
  primary key (game_id, path),
  foreign key (game_id, path) references shelf_mod on delete cascade
);

-- Mods read before files were kept are read again the next time.
update shelf_mod set stamp = '';
