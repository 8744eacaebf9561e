-- Every start of a game is kept with its profile, not the last one alone, also while it goes on.
alter table trial rename column at to began;
alter table trial
  drop constraint trial_pkey,
  add column id text,
  add column way text not null default '',
  -- By which its process is known again, as long as it runs.
  add column process jsonb,
  -- Null as long as it runs.
  add column ended timestamptz,
  -- What it ended with; null where nobody saw it.
  add column code integer,
  -- What whoever played says of it.
  add column verdict text check (verdict in ('well', 'faulty', 'unsure')),
  add column note text not null default '';
update trial set id = gen_random_uuid()::text, ended = began, code = case when running then 0 else 1 end;
alter table trial
  alter column id set not null,
  -- Null where the game read another order than the profile's.
  alter column fingerprint drop not null,
  drop column running,
  add primary key (id);
create index trial_of_profile on trial (profile_id, began);

-- What the owner of a game has read and confirmed to be run, by its digest.
create table confirmed_way (
  game_id text not null references game on delete cascade,
  way text not null,
  confirmed timestamptz not null default now(),
  primary key (game_id, way)
);

-- Ways to start a game that its owner has named, on this machine.
create table own_way (
  game_id text not null references game on delete cascade,
  id text not null,
  way jsonb not null,
  primary key (game_id, id)
);

alter table profile
  -- The way by which it was started last.
  add column way text,
  -- The trial with which it ran well last, and when and with which state it had done so before: whoever played may say that it did not.
  add column ran_trial text,
  add column ran_before_at timestamptz,
  add column ran_before_state jsonb;
