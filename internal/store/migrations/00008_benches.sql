-- +goose Up
-- Version 3: a plan holds what was bought and what is done to it on the bench.
-- What the bench does to load and coat was written into them; it follows from
-- the bench now.
UPDATE plans SET
  load = CASE WHEN coalesce(bench ->> '$.holds.drying.school', '') <> '' THEN json_remove(load, '$.holds.surfaceWaterG') ELSE load END,
  coat = CASE WHEN bench -> '$.holds.salting' IS NOT NULL OR bench -> '$.holds.marinade' IS NOT NULL THEN json_remove(coat, '$.holds.saltPct') ELSE coat END;
UPDATE plans SET load = json_remove(load, '$.holds.spreadPct') WHERE coalesce(bench ->> '$.holds.cutting.spreadPct', 0) > 0;
UPDATE plans SET coat = json_remove(coat, '$.holds.sugarPct') WHERE coalesce(json_array_length(bench, '$.holds.marinade.items'), 0) > 0;
UPDATE plans SET bench = json_remove(bench, '$.holds.coating.coat', '$.holds.cutting.as', '$.holds.cutting.pieces');
UPDATE plans SET load = json_set(load, '$.version', 3), coat = json_set(coat, '$.version', 3),
  program = json_set(program, '$.version', 3), bench = json_set(bench, '$.version', 3);
UPDATE fryers SET basket = json_set(basket, '$.version', 3), inferred = json_set(inferred, '$.version', 3);
UPDATE pantry SET ingredient = json_set(ingredient, '$.version', 3);
UPDATE marinades SET marinade = json_set(marinade, '$.version', 3);
-- A rule says what it makes of the inside: plants get soft, all else safe.
UPDATE cooks SET
  planned = json_set(planned, '$.holds.rule.inside', CASE WHEN planned ->> '$.holds.rule.words' LIKE 'soft%' THEN 'soft' ELSE 'safe' END),
  forecast = json_set(forecast, '$.holds.rule.inside', CASE WHEN forecast ->> '$.holds.rule.words' LIKE 'soft%' THEN 'soft' ELSE 'safe' END);
UPDATE cooks SET plan = json_set(plan, '$.version', 3), fryer = json_set(fryer, '$.version', 3),
  planned = json_set(planned, '$.version', 3), forecast = json_set(forecast, '$.version', 3), lab = json_set(lab, '$.version', 3);

-- +goose Down
SELECT 'documents of version 2 are in the copy kept before the change';
