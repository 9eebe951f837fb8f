-- +goose Up
-- Phones that were let in, each by a token of its own, of which only the
-- hash is kept; and the passphrase of the home network, made once.
CREATE TABLE devices (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  token_hash TEXT NOT NULL UNIQUE,
  paired_at TEXT NOT NULL,
  seen_at TEXT NOT NULL
) STRICT;
ALTER TABLE settings ADD COLUMN lan_passphrase TEXT NOT NULL DEFAULT '';

-- +goose Down
DROP TABLE devices;
ALTER TABLE settings DROP COLUMN lan_passphrase;
