-- +goose Up
-- Version 2 of every document: {"version": 2, "holds": …}. The copies that a
-- cook keeps of its plan and fryer were rows as the program had them.
UPDATE fryers SET
  basket = json_object('version', 2, 'holds', json(basket)),
  inferred = json_object('version', 2, 'holds', json(inferred));
UPDATE plans SET
  load = json_object('version', 2, 'holds', json(load)),
  coat = json_object('version', 2, 'holds', json(coat)),
  program = json_object('version', 2, 'holds', json(program)),
  bench = json_object('version', 2, 'holds', json(bench));
UPDATE pantry SET ingredient = json_object('version', 2, 'holds', json(ingredient));
UPDATE marinades SET marinade = json_object('version', 2, 'holds', json(marinade));
UPDATE cooks SET
  plan = json_object('version', 2, 'holds', json_object(
    'id', plan -> '$.ID', 'name', plan -> '$.Name', 'fryerId', plan -> '$.FryerID',
    'load', plan -> '$.Load.V', 'coat', plan -> '$.Coat.V', 'program', plan -> '$.Program.V',
    'tableTime', plan -> '$.TableTime', 'perBasket', plan -> '$.PerBasket', 'secondFryerId', plan -> '$.SecondFryerID',
    'bench', coalesce(plan -> '$.Bench.V', json('{"drying":{},"coating":{}}')),
    'version', plan -> '$.Version', 'changedAt', plan -> '$.ChangedAt')),
  fryer = json_object('version', 2, 'holds', json_object(
    'id', fryer -> '$.ID', 'name', fryer -> '$.Name', 'kind', fryer -> '$.Kind', 'basket', fryer -> '$.Basket.V',
    'powerW', fryer -> '$.PowerW', 'airflow', fryer -> '$.Airflow', 'dialOffsetC', fryer -> '$.DialOffsetC',
    'dialMinC', fryer -> '$.DialMinC', 'dialMaxC', fryer -> '$.DialMaxC', 'dialStepC', fryer -> '$.DialStepC',
    'heatUpMin', fryer -> '$.HeatUpMin',
    'trays', coalesce(fryer -> '$.Trays', 1), 'drawers', coalesce(fryer -> '$.Drawers', 1),
    'rack', coalesce(fryer -> '$.Rack', json('false')), 'inferred', fryer -> '$.Inferred.V',
    'version', fryer -> '$.Version'));

-- A verdict has figures since; those of what was cooked before follow from
-- its window.
UPDATE cooks SET planned = json_object('version', 2, 'holds', CASE
    WHEN planned ->> '$.verdict.figure' IS NOT NULL THEN json(planned)
    WHEN planned ->> '$.verdict.ready' = 1 AND planned ->> '$.verdict.toMin' IS NULL
      THEN json_set(planned, '$.verdict.standing', 'open', '$.verdict.unit', 'min, and a while after',
        '$.verdict.figure', printf('%.0f', ceil(planned ->> '$.verdict.fromMin')))
    WHEN planned ->> '$.verdict.ready' = 1
      THEN json_set(planned, '$.verdict.standing', 'ready', '$.verdict.unit', 'min',
        '$.verdict.figure', printf('%.0f to %.0f', ceil(planned ->> '$.verdict.fromMin'), floor(planned ->> '$.verdict.toMin')))
    WHEN planned ->> '$.safeAtMin' IS NULL THEN json_set(planned, '$.verdict.standing', 'unsafe', '$.verdict.figure', 'Not safe')
    ELSE json_set(planned, '$.verdict.standing', 'soft', '$.verdict.figure', 'Not ready') END),
  forecast = json_object('version', 2, 'holds', CASE
    WHEN forecast ->> '$.verdict.figure' IS NOT NULL THEN json(forecast)
    WHEN forecast ->> '$.verdict.ready' = 1 AND forecast ->> '$.verdict.toMin' IS NULL
      THEN json_set(forecast, '$.verdict.standing', 'open', '$.verdict.unit', 'min, and a while after',
        '$.verdict.figure', printf('%.0f', ceil(forecast ->> '$.verdict.fromMin')))
    WHEN forecast ->> '$.verdict.ready' = 1
      THEN json_set(forecast, '$.verdict.standing', 'ready', '$.verdict.unit', 'min',
        '$.verdict.figure', printf('%.0f to %.0f', ceil(forecast ->> '$.verdict.fromMin'), floor(forecast ->> '$.verdict.toMin')))
    WHEN forecast ->> '$.safeAtMin' IS NULL THEN json_set(forecast, '$.verdict.standing', 'unsafe', '$.verdict.figure', 'Not safe')
    ELSE json_set(forecast, '$.verdict.standing', 'soft', '$.verdict.figure', 'Not ready') END);

-- +goose Down
SELECT 'documents of version 1 are in the copy kept before the change';
