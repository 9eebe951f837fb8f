-- +goose Up
-- Two devices may change one of these, too.
ALTER TABLE pantry ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE marinades ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

-- +goose Down
ALTER TABLE pantry DROP COLUMN version;
ALTER TABLE marinades DROP COLUMN version;
