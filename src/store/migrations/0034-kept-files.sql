-- Contents of files that a game itself changes, of profiles that keep their own, and of all others together (profile_id null).
create table kept_file (
  game_id text not null references game on delete cascade,
  path text not null,
  profile_id text references profile on delete cascade,
  -- One that keeps its own no more has it still, should it want it again.
  keeps boolean not null,
  -- Null: no file was there.
  contents bytea,
  -- When that was last changed, in milliseconds.
  changed double precision,
  taken_at timestamptz not null default now(),
  unique nulls not distinct (game_id, path, profile_id)
);

-- Whose lie there now. A profile that is gone for good is named on, so that its contents are not taken for those of all others.
create table kept_file_there (
  game_id text not null references game on delete cascade,
  path text not null,
  profile_id text,
  -- What was about to be put there when the server ended, and whose.
  pending jsonb,
  -- Folders that were made for it.
  made jsonb not null default '[]',
  primary key (game_id, path)
);
