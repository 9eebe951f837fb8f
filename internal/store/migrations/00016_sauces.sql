-- +goose Up
-- Sauces and dry mixes that the household keeps.
CREATE TABLE sauces (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  sauce TEXT NOT NULL CHECK (json_valid(sauce)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE TABLE mixes (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  mix TEXT NOT NULL CHECK (json_valid(mix)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

-- +goose Down
DROP TABLE mixes;
DROP TABLE sauces;
