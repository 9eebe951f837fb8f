-- +goose Up
-- Coats that the household has put together itself.
CREATE TABLE coats (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  layers TEXT NOT NULL CHECK (json_valid(layers)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

-- +goose Down
DROP TABLE coats;
