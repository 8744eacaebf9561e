-- What lies loose in the folders of the game itself, by the folder's path below the game's: the contents that were found there, of which
-- a file has a hash of zeros where it was not read.
create table loose_files (
  game_id text not null references game on delete cascade,
  folder text not null,
  content text not null,
  primary key (game_id, folder)
);
