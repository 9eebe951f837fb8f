-- +goose Up
-- The air of the fridge, °C, where somebody measured it. What a dish has out of the fridge follows it:
-- so far that was written as the 5 °C of any fridge.
ALTER TABLE settings ADD COLUMN fridge_c REAL;
UPDATE plans SET lots = json_remove(lots, '$.holds[0].load.startC') WHERE json_extract(lots, '$.holds[0].load.startC') = 5;
UPDATE plans SET lots = json_remove(lots, '$.holds[1].load.startC') WHERE json_extract(lots, '$.holds[1].load.startC') = 5;
UPDATE plans SET lots = json_remove(lots, '$.holds[2].load.startC') WHERE json_extract(lots, '$.holds[2].load.startC') = 5;
UPDATE plans SET lots = json_remove(lots, '$.holds[3].load.startC') WHERE json_extract(lots, '$.holds[3].load.startC') = 5;
UPDATE plans SET lots = json_remove(lots, '$.holds[4].load.startC') WHERE json_extract(lots, '$.holds[4].load.startC') = 5;
UPDATE plans SET lots = json_remove(lots, '$.holds[5].load.startC') WHERE json_extract(lots, '$.holds[5].load.startC') = 5;

-- +goose Down
ALTER TABLE settings DROP COLUMN fridge_c;
