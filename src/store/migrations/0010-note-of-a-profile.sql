-- When the note on a profile was last written.
alter table profile add column noted_at timestamptz;
update profile set noted_at = made_at where note is not null;
