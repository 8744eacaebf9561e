-- Every version of a rulebook that was brought in; what a profile goes by stands in profile_book.
create table rulebook (
  game_id text not null references game on delete cascade,
  id text not null,
  version text not null,
  book jsonb not null,
  primary key (game_id, id, version)
);

create table profile_book (
  profile_id text not null references profile on delete cascade,
  position integer not null,
  id text not null,
  version text not null,
  off text[] not null,
  primary key (profile_id, id)
);
