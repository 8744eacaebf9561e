-- What Seating wrote last where a game reads it. `pending` is what it is about to write, so that a file is known for its own
-- whichever of the two it turns out to be.
create table written_file (
  game_id text not null references game (id),
  path text not null,
  sha256 text not null,
  pending text,
  profile_id text references profile (id),
  edits integer not null,
  at timestamptz not null default now(),
  primary key (game_id, path)
);

-- What somebody else had written there, before Seating wrote over it.
create table file_copy (
  id text primary key,
  game_id text not null references game (id),
  path text not null,
  sha256 text not null,
  contents bytea not null,
  at timestamptz not null default now(),
  unique (game_id, path, sha256)
);
