-- Files of settings into which lines were written: as they were before (base null: there was none), and what stands in them since.
create table settings_file (
  game_id text not null references game (id),
  path text not null,
  file text not null,
  format text not null,
  base bytea,
  -- When that was last changed, in milliseconds; and folders that were made for it.
  base_changed double precision,
  made jsonb not null default '[]',
  lines jsonb not null default '[]',
  sha256 text,
  -- What was about to be written when the server ended.
  pending jsonb,
  primary key (game_id, path)
);
