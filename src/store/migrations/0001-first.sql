create table game (
  id text primary key,
  definition jsonb not null,
  game_folder text not null,
  shelf_folder text not null,
  profile_id text,
  read_at timestamptz
);

-- One row: which game is worked on.
create table workspace (
  only_one boolean primary key default true check (only_one),
  game_id text references game
);

create table shelf_mod (
  game_id text not null references game on delete cascade,
  path text not null,
  kind text not null,
  size bigint not null,
  stamp text not null,
  id text not null,
  name text not null,
  version text not null,
  author text,
  summary text,
  tags text[] not null,
  files integer not null,
  content text,
  archive_sha256 text,
  manifest jsonb,
  plugins jsonb not null,
  problem jsonb,
  primary key (game_id, path)
);
create index shelf_mod_by_id on shelf_mod (game_id, id);

create table profile (
  id text primary key,
  game_id text not null references game on delete cascade,
  name text not null,
  purpose text not null,
  version integer not null,
  expansions text[] not null,
  made_at timestamptz not null default now(),
  deleted_at timestamptz
);
create unique index profile_by_name on profile (game_id, lower(name)) where deleted_at is null;

create table profile_section (
  profile_id text not null references profile on delete cascade,
  list text not null,
  position integer not null,
  id text not null,
  name text not null,
  rank text not null,
  guidance text not null,
  tags text[],
  primary key (profile_id, list, id)
);

create table profile_entry (
  profile_id text not null references profile on delete cascade,
  list text not null,
  position integer not null,
  id text not null,
  is_on boolean not null,
  section text,
  home text,
  content text,
  primary key (profile_id, list, id)
);

create table profile_rule (
  profile_id text not null references profile on delete cascade,
  position integer not null,
  id text not null,
  rule jsonb not null,
  note text not null,
  made text not null,
  primary key (profile_id, id)
);

-- Reversible edits, oldest first; those undone can be done again until another edit is made.
create table journal (
  profile_id text not null references profile on delete cascade,
  number integer not null,
  label jsonb not null,
  steps jsonb not null,
  inverse jsonb not null,
  undone boolean not null default false,
  at timestamptz not null default now(),
  primary key (profile_id, number)
);

create table restore_point (
  id text primary key,
  profile_id text not null references profile on delete cascade,
  name text not null,
  state jsonb not null,
  at timestamptz not null default now()
);

create table lineup_import (
  id text primary key,
  game_id text not null references game on delete cascade,
  file_name text not null,
  lineup jsonb not null,
  profile_id text references profile on delete set null,
  at timestamptz not null default now()
);
