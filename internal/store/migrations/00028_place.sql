-- +goose Up
-- Where in the basket a look was: front or back; empty of all of it.
ALTER TABLE cook_events ADD COLUMN place TEXT NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE cook_events DROP COLUMN place;
