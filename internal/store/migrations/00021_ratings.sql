-- +goose Up
-- How each lot of a cook came out, where there are several.
ALTER TABLE cooks ADD COLUMN ratings TEXT NOT NULL DEFAULT '{"version":4,"holds":[]}' CHECK (json_valid(ratings));

-- +goose Down
ALTER TABLE cooks DROP COLUMN ratings;
