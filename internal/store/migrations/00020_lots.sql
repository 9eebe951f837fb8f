-- +goose Up
-- Version 4 of every document: a dish is made of lots, each with its coat and
-- its bench; what comes after the basket is beside them. What lay beside a load
-- as groups are lots like it.
ALTER TABLE cook_events ADD COLUMN lot INTEGER NOT NULL DEFAULT 0;

ALTER TABLE plans ADD COLUMN lots TEXT NOT NULL DEFAULT '{"version":4,"holds":[]}' CHECK (json_valid(lots));
UPDATE plans SET lots = json_object('version', 4, 'holds', json((
  SELECT json_group_array(json(lot)) FROM (
    SELECT -1 AS place, json_object('load', load -> '$.holds', 'coat', coat -> '$.holds',
      'bench', json_remove(bench -> '$.holds', '$.servings', '$.sauces', '$.mixes', '$.prices')) AS lot
    UNION ALL SELECT key, value FROM json_each(groups, '$.holds') WHERE type = 'object'
    ORDER BY place))));
UPDATE plans SET program = json_set(program, '$.holds.turns', json((
  SELECT json_group_array(json(turn)) FROM (
    SELECT key, CASE WHEN value ->> 'kind' IN ('brush', 'out')
      THEN json_set(json_remove(value, '$.group'), '$.lots', json_array(coalesce(value ->> 'group', 0)))
      ELSE json_remove(value, '$.group') END AS turn
    FROM json_each(program, '$.holds.turns') ORDER BY key))))
WHERE json_type(groups, '$.holds') = 'array' AND json_array_length(groups, '$.holds') > 0 AND json_type(program, '$.holds.turns') = 'array';
UPDATE plans SET bench = json_set(json_remove(bench, '$.holds.cutting', '$.holds.salting', '$.holds.marinade', '$.holds.finish'),
  '$.holds.drying', json('{}'), '$.holds.coating', json('{}'), '$.version', 4), program = json_set(program, '$.version', 4);
ALTER TABLE plans DROP COLUMN load;
ALTER TABLE plans DROP COLUMN coat;
ALTER TABLE plans DROP COLUMN groups;

-- The copies that a cook keeps, of its plan and of what came of each kind.
UPDATE cooks SET plan = json_set(plan, '$.holds.program.turns', json((
  SELECT json_group_array(json(turn)) FROM (
    SELECT key, CASE WHEN value ->> 'kind' IN ('brush', 'out')
      THEN json_set(json_remove(value, '$.group'), '$.lots', json_array(coalesce(value ->> 'group', 0)))
      ELSE json_remove(value, '$.group') END AS turn
    FROM json_each(plan, '$.holds.program.turns') ORDER BY key))))
WHERE json_type(plan, '$.holds.groups') = 'array' AND json_type(plan, '$.holds.program.turns') = 'array';
UPDATE cooks SET plan = json_set(plan, '$.holds.lots', json((
  SELECT json_group_array(json(lot)) FROM (
    SELECT -1 AS place, json_object('load', plan -> '$.holds.load', 'coat', plan -> '$.holds.coat',
      'bench', json_remove(plan -> '$.holds.bench', '$.servings', '$.sauces', '$.mixes', '$.prices')) AS lot
    UNION ALL SELECT key, value FROM json_each(plan, '$.holds.groups') WHERE type = 'object'
    ORDER BY place))));
UPDATE cooks SET plan = json_set(json_remove(plan, '$.holds.load', '$.holds.coat', '$.holds.groups',
  '$.holds.bench.cutting', '$.holds.bench.salting', '$.holds.bench.marinade', '$.holds.bench.finish'),
  '$.holds.bench.drying', json('{}'), '$.holds.bench.coating', json('{}'));
UPDATE cooks SET planned = json_set(json_remove(planned, '$.holds.groups'), '$.holds.lots', planned -> '$.holds.groups')
WHERE json_type(planned, '$.holds.groups') = 'array';
UPDATE cooks SET forecast = json_set(json_remove(forecast, '$.holds.groups'), '$.holds.lots', forecast -> '$.holds.groups')
WHERE json_type(forecast, '$.holds.groups') = 'array';
UPDATE cooks SET plan = json_set(plan, '$.version', 4), fryer = json_set(fryer, '$.version', 4),
  planned = json_set(planned, '$.version', 4), forecast = json_set(forecast, '$.version', 4), lab = json_set(lab, '$.version', 4);
UPDATE sessions SET sheet = json_set(sheet, '$.version', 4) WHERE sheet IS NOT NULL;
UPDATE fryers SET machine = json_set(machine, '$.version', 4);
UPDATE pantry SET ingredient = json_set(ingredient, '$.version', 4);
UPDATE marinades SET marinade = json_set(marinade, '$.version', 4);
UPDATE coats SET layers = json_set(layers, '$.version', 4);
UPDATE sauces SET sauce = json_set(sauce, '$.version', 4);
UPDATE mixes SET mix = json_set(mix, '$.version', 4);
UPDATE suppers SET supper = json_set(supper, '$.version', 4);

-- +goose Down
SELECT 'dishes of one load are in the copy kept before the change';
