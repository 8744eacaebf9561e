-- What a profile decides beside its two orders: one row a decision, whatever it is about.
create table profile_decision (
  profile_id text not null references profile on delete cascade,
  facet text not null,
  key text not null,
  position integer not null,
  item jsonb not null,
  primary key (profile_id, facet, key)
);
-- The same of what all profiles of a game share.
create table game_decision (
  game_id text not null references game on delete cascade,
  facet text not null,
  key text not null,
  position integer not null,
  item jsonb not null,
  primary key (game_id, facet, key)
);

insert into profile_decision (profile_id, facet, key, position, item)
select profile_id, 'rules', id, position, jsonb_strip_nulls(jsonb_build_object(
  'id', id, 'rule', rule, 'note', note, 'made', made, 'off', nullif(off, false), 'list', list)) from profile_rule;
insert into game_decision (game_id, facet, key, position, item)
select game_id, 'rules', id, position, jsonb_strip_nulls(jsonb_build_object(
  'id', id, 'rule', rule, 'note', note, 'made', made, 'off', nullif(off, false), 'shared', true, 'list', list))
from game_rule;
insert into profile_decision (profile_id, facet, key, position, item)
select profile_id, 'books', id, position, jsonb_build_object('id', id, 'version', version, 'off', to_jsonb(off))
from profile_book;
insert into profile_decision (profile_id, facet, key, position, item)
select profile_id, 'notes', list || ' ' || item, position, jsonb_build_object(
  'list', list, 'item', item, 'text', text, 'author', author, 'at', at) from profile_note;
insert into profile_decision (profile_id, facet, key, position, item)
select profile_id, 'choices', mod, row_number() over (partition by profile_id order by mod), jsonb_strip_nulls(
  jsonb_build_object('mod', mod, 'options', options, 'components', to_jsonb(components), 'reasons', reasons))
from profile_choice;
insert into profile_decision (profile_id, facet, key, position, item)
select p.id, 'expansions', e.id, e.position, to_jsonb(e.id)
from profile p, unnest(p.expansions) with ordinality as e (id, position);
insert into profile_decision (profile_id, facet, key, position, item)
select p.id, 'baseOff', b.id, b.position, to_jsonb(b.id)
from profile p, unnest(p.base_off) with ordinality as b (id, position);
insert into profile_decision (profile_id, facet, key, position, item)
select p.id, 'launch', l.key, row_number() over (partition by p.id order by l.key), jsonb_build_array(l.key, l.value)
from profile p, jsonb_each(p.launch) as l (key, value);
insert into profile_decision (profile_id, facet, key, position, item)
select id, 'broaderFirst', 'off', 1, 'false'::jsonb from profile where not broader_first;

drop table profile_rule, game_rule, profile_book, profile_note, profile_choice;
alter table profile drop column expansions, drop column base_off, drop column launch, drop column broader_first;

-- In what form the steps of an edit are kept; those of the first form are brought up to date at the start.
alter table journal add column format integer not null default 1;

-- Every item stands in a section.
update profile_entry e set section = coalesce((select s.id from profile_section s
  where s.profile_id = e.profile_id and s.list = e.list order by s.position limit 1), '') where section is null;
alter table profile_entry alter column section set not null;
