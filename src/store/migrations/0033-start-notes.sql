-- Conditions for a start that were met, by what they say and who says it.
create table start_tick (
  profile_id text not null references profile on delete cascade,
  note text not null,
  at timestamptz not null default now(),
  primary key (profile_id, note)
);

-- What the game wrote into its own log while it ran.
alter table trial add column file_log jsonb not null default '[]';
