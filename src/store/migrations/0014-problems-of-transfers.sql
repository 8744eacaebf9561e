-- Why what came was no sound mod stands by itself in the refusal, with its own code and data.
update transfer set problem = jsonb_build_object('code', problem -> 'code', 'data', jsonb_build_object(
  'name', problem -> 'data' -> 'name',
  'problem', jsonb_build_object('code', problem -> 'data' -> 'problem', 'data', (problem -> 'data') - 'name' - 'problem')
)) where problem ->> 'code' = 'mod-unsound';
