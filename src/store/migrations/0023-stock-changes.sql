-- Whoever listens is told, once a transaction is over, of which game something has changed that lies on the disk or stands beside it.
create function tell_of_stock() returns trigger language plpgsql as $$
begin
  perform pg_notify('stock', game_id) from (select distinct game_id from changed) as games;
  return null;
end $$;

create function tell_of_game() returns trigger language plpgsql as $$
begin
  perform pg_notify('stock', new.id);
  return null;
end $$;

do $$
declare name text;
begin
  foreach name in array array['shelf_mod', 'contents', 'kept_mod', 'mod_tag', 'mod_identity', 'own_work', 'rulebook'] loop
    execute format('create trigger stock_added after insert on %I
      referencing new table as changed for each statement execute function tell_of_stock()', name);
    execute format('create trigger stock_changed after update on %I
      referencing new table as changed for each statement execute function tell_of_stock()', name);
    execute format('create trigger stock_gone after delete on %I
      referencing old table as changed for each statement execute function tell_of_stock()', name);
  end loop;
end $$;

create trigger stock_changed after insert or update of definition, game_folder, order_folder, shelf_folders on game
  for each row execute function tell_of_game();
