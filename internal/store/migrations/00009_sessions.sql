-- +goose Up
-- A session is one dish cooked in one or more baskets, or one supper; every
-- cook belongs to one.
CREATE TABLE sessions (
  id         TEXT PRIMARY KEY,
  started_at TEXT NOT NULL
);
INSERT INTO sessions SELECT id, started_at FROM cooks;
ALTER TABLE cooks ADD COLUMN session_id TEXT REFERENCES sessions (id);
UPDATE cooks SET session_id = id;
CREATE INDEX cooks_of_session ON cooks (session_id, basket);

-- +goose Down
SELECT 'cooks without sessions are in the copy kept before the change';
