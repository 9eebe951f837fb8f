-- +goose Up
-- A basket may hold several kinds.
ALTER TABLE plans ADD COLUMN groups TEXT NOT NULL DEFAULT '{"version":3,"holds":null}' CHECK (json_valid(groups));

-- +goose Down
ALTER TABLE plans DROP COLUMN groups;
