-- In which form a value is kept; code brings each into the present one when it is read.
alter table restore_point add column format integer not null default 1;
alter table followed_list add column format integer not null default 1;
alter table lineup_import add column format integer not null default 1;
alter table lineup_version add column format integer not null default 1;
alter table lineup_sheet add column format integer not null default 1;
