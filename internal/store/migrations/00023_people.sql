-- +goose Up
-- What a supper that is led was laid from, and how many are said to come.
ALTER TABLE sessions ADD COLUMN laid_from TEXT;
ALTER TABLE session_events ADD COLUMN people INTEGER NOT NULL DEFAULT 0;

-- +goose Down
ALTER TABLE session_events DROP COLUMN people;
ALTER TABLE sessions DROP COLUMN laid_from;
