-- +goose Up
-- How each cook ended by the forecast that what was seen has corrected, for the logbook over time.
ALTER TABLE cooks ADD COLUMN end_crust REAL;
ALTER TABLE cooks ADD COLUMN end_juice REAL;
UPDATE cooks SET end_crust = forecast ->> '$.holds.end.crust', end_juice = forecast ->> '$.holds.end.juiceKeptPct';

-- +goose Down
ALTER TABLE cooks DROP COLUMN end_juice;
ALTER TABLE cooks DROP COLUMN end_crust;
