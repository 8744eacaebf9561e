-- What the window that made an edit calls it: one whose answer was lost on the way is sent again, and is not stored twice.
alter table journal add column edit_id uuid;
create unique index journal_edit on journal (profile_id, edit_id);
