-- +goose Up
ALTER TABLE fryers ADD COLUMN heat_up_min REAL; -- minutes from cold to 200 °C, where its owner has timed it

-- +goose Down
ALTER TABLE fryers DROP COLUMN heat_up_min;
