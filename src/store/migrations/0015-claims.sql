-- What a list that came in says of itself, and how far it was understood; null of one that was kept before.
alter table lineup_import add column claim jsonb;
alter table followed add column claim jsonb;
