-- Mods stand in sections as plugins do; those of profiles that had none come into one.
insert into profile_section (profile_id, list, position, id, name, rank, guidance)
select id, 'mods', 1, 'mods', 'Mods', 'mods', '' from profile;
update profile_entry set section = 'mods' where list = 'mods';

-- In what is kept to go back to, only mods had no section.
update journal set
  steps = replace(replace(steps::text, '"section": null', '"section": "mods"'), '"sections": []',
    '"sections": [{"id": "mods", "name": "Mods", "rank": "mods", "guidance": ""}]')::jsonb,
  inverse = replace(replace(inverse::text, '"section": null', '"section": "mods"'), '"sections": []',
    '"sections": [{"id": "mods", "name": "Mods", "rank": "mods", "guidance": ""}]')::jsonb;
update restore_point set
  state = replace(replace(state::text, '"section": null', '"section": "mods"'), '"sections": []',
    '"sections": [{"id": "mods", "name": "Mods", "rank": "mods", "guidance": ""}]')::jsonb;

-- Of which order a rule speaks: 'mods', or null for that of the plugins.
alter table profile_rule add column list text;
alter table game_rule add column list text;

-- Where arrivals wait; a block at an end of its rank; whether nothing more goes in.
alter table profile_section add column unseated boolean not null default false;
alter table profile_section add column block text;
alter table profile_section add column closed boolean not null default false;
