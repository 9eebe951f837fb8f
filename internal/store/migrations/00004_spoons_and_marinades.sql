-- +goose Up
ALTER TABLE settings ADD COLUMN spoons TEXT NOT NULL DEFAULT 'metric';
UPDATE settings SET spoons = 'us' WHERE mass = 'oz';

CREATE TABLE marinades (
  id       TEXT PRIMARY KEY,
  name     TEXT NOT NULL,
  marinade TEXT NOT NULL -- JSON: ingredients in g for a weight of meat, hours
);

-- +goose Down
DROP TABLE marinades;
ALTER TABLE settings DROP COLUMN spoons;
