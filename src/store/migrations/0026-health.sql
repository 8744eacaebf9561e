-- The last trial of a profile in which the game read it as it was.
create table trial (
  profile_id text primary key references profile on delete cascade,
  at timestamptz not null default now(),
  running boolean not null,
  fingerprint text not null,
  -- Its lines, of a long one the last.
  log jsonb not null
);

-- What the checks find of a profile, and since when.
create table finding_seen (
  profile_id text not null references profile on delete cascade,
  finding text not null,
  since timestamptz not null default now(),
  primary key (profile_id, finding)
);

-- How many findings there were at the end of a day, by level.
create table finding_count (
  profile_id text not null references profile on delete cascade,
  day date not null,
  blockers integer not null,
  problems integer not null,
  hints integer not null,
  primary key (profile_id, day)
);
