-- +goose Up
-- A guest's phone follows the cook, and nothing else.
ALTER TABLE devices ADD COLUMN guest INTEGER NOT NULL DEFAULT 0;

-- +goose Down
ALTER TABLE devices DROP COLUMN guest;
