-- What was read of all contents that lie on the shelf or are kept. Of their files, by path, and of one path in the order of the
-- package's parts, a column holds one entry each, for half a million rows would take long to write and longer to read.
create table contents (
  game_id text not null references game on delete cascade,
  content text not null,
  -- One a line.
  paths text not null,
  -- One a line; null where an earlier version kept none.
  sizes text,
  -- The first 16 bytes of each SHA-256; null where an earlier version kept none.
  hashes bytea,
  -- One a line: the part of the package that brings it, empty where it always comes; null where all always come.
  parts text,
  -- Of each plugin the names of the records that it changes: [{"plugin", "records"}].
  records json not null,
  primary key (game_id, content)
);
-- To compress them takes longer than to write them.
alter table contents alter paths set storage external, alter sizes set storage external, alter hashes set storage external,
  alter records set storage external;

insert into contents (game_id, content, paths, hashes, records)
select game_id, content, array_to_string(files, E'\n'), decode(array_to_string(hashes, ''), 'hex'), records from (
  select m.game_id, m.content, f.files, f.hashes, coalesce(
    (select json_agg(json_build_object('plugin', r.plugin, 'records', r.records) order by r.plugin) from plugin_records r
     where r.game_id = m.game_id and r.path = m.path), '[]') as records
  from shelf_mod m join mod_files f on f.game_id = m.game_id and f.path = m.path where m.content is not null
  union all
  select game_id, content, files, hashes, coalesce(
    (select json_agg(json_build_object('plugin', key, 'records', value) order by key) from jsonb_each(records)), '[]')
  from kept_mod
) known
on conflict do nothing;

drop table mod_files, plugin_records;
alter table kept_mod drop column files, drop column hashes, drop column records;

-- Sizes and parts are read with the next reading of the shelf.
update shelf_mod set stamp = '';
