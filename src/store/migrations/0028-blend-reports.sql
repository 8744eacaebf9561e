-- What was built of a profile's blends, the last ones: the newest has the highest number.
create table blend_report (
  profile_id text not null references profile on delete cascade,
  number integer not null,
  -- seating-blend-report/1
  report jsonb not null,
  primary key (profile_id, number)
);
