-- An entry that moves takes a position between its new neighbours; the others keep theirs.
alter table profile_entry alter column position type double precision;
create index profile_entry_by_position on profile_entry (profile_id, list, position);
