-- +goose Up
-- A fryer is one document, as the engine takes it.
ALTER TABLE fryers ADD COLUMN machine TEXT NOT NULL DEFAULT '{}';
UPDATE fryers SET machine = json_object('version', 3, 'holds', json_object(
  'kind', kind, 'powerW', power_w, 'basket', basket -> '$.holds', 'airflow', airflow, 'dialOffsetC', dial_offset_c,
  'inferred', json(iif(json_type(inferred, '$.holds') = 'array', inferred -> '$.holds', '[]')), 'trays', max(1, trays), 'drawers', max(1, drawers), 'rack', json(iif(rack, 'true', 'false')),
  'dial', json_object('minC', dial_min_c, 'maxC', dial_max_c, 'stepC', dial_step_c)));
UPDATE fryers SET machine = json_set(machine, '$.holds.heatUpMin', heat_up_min) WHERE heat_up_min IS NOT NULL;
ALTER TABLE fryers DROP COLUMN kind;
ALTER TABLE fryers DROP COLUMN basket;
ALTER TABLE fryers DROP COLUMN power_w;
ALTER TABLE fryers DROP COLUMN airflow;
ALTER TABLE fryers DROP COLUMN dial_offset_c;
ALTER TABLE fryers DROP COLUMN dial_min_c;
ALTER TABLE fryers DROP COLUMN dial_max_c;
ALTER TABLE fryers DROP COLUMN dial_step_c;
ALTER TABLE fryers DROP COLUMN heat_up_min;
ALTER TABLE fryers DROP COLUMN trays;
ALTER TABLE fryers DROP COLUMN drawers;
ALTER TABLE fryers DROP COLUMN rack;
ALTER TABLE fryers DROP COLUMN inferred;
UPDATE cooks SET fryer = json_remove(json_set(fryer,
  '$.holds.dial', json_object('minC', fryer -> '$.holds.dialMinC', 'maxC', fryer -> '$.holds.dialMaxC', 'stepC', fryer -> '$.holds.dialStepC')),
  '$.holds.dialMinC', '$.holds.dialMaxC', '$.holds.dialStepC');
UPDATE cooks SET fryer = json_set(fryer, '$.holds.inferred', json('[]')) WHERE coalesce(json_type(fryer, '$.holds.inferred'), '') <> 'array';
UPDATE cooks SET fryer = json_remove(fryer, '$.holds.heatUpMin') WHERE fryer ->> '$.holds.heatUpMin' IS NULL;

-- +goose Down
SELECT 'fryers in columns of their own are in the copy kept before the change';
