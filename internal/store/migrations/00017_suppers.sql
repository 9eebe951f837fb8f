-- +goose Up
-- Suppers: several dishes for one table, by reference.
CREATE TABLE suppers (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  supper TEXT NOT NULL CHECK (json_valid(supper)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

-- +goose Down
DROP TABLE suppers;
