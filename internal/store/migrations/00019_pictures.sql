-- +goose Up
-- Pictures of what was cooked; the pictures themselves lie beside the database.
CREATE TABLE pictures (
  id         TEXT PRIMARY KEY,
  cook_id    TEXT NOT NULL REFERENCES cooks (id),
  alt        TEXT NOT NULL,
  width      INTEGER NOT NULL,
  height     INTEGER NOT NULL,
  added_at   TEXT NOT NULL,
  deleted_at TEXT
) STRICT;
CREATE INDEX pictures_of_cook ON pictures (cook_id, added_at, id);

-- +goose Down
DROP TABLE pictures;
