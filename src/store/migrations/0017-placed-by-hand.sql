-- Whether an item was placed by hand since the last accepted proposal: of equally good items it rather stays.
alter table profile_entry add column placed boolean not null default false;
