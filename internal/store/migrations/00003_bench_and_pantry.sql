-- +goose Up
ALTER TABLE plans ADD COLUMN bench TEXT NOT NULL DEFAULT '{}'; -- JSON: the choices before the basket

CREATE TABLE pantry (
  id         TEXT PRIMARY KEY,
  ingredient TEXT NOT NULL -- JSON: the household's own figures
);

-- +goose Down
DROP TABLE pantry;
ALTER TABLE plans DROP COLUMN bench;
