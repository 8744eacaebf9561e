-- What is about to be done with a mod of the bin, noted before its files are moved: `in`to it, `out` of it, or `gone` for good.
alter table mod_bin add column moving text check (moving in ('in', 'out', 'gone'));
