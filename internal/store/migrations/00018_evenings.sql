-- +goose Up
-- A supper led through: its sheet as it was begun, and what was said of it
-- beside what is said of its baskets, which are cooks.
ALTER TABLE sessions ADD COLUMN name TEXT NOT NULL DEFAULT '';
ALTER TABLE sessions ADD COLUMN supper_id TEXT;
ALTER TABLE sessions ADD COLUMN sheet TEXT; -- JSON; none of one dish cooked alone
ALTER TABLE sessions ADD COLUMN hands INTEGER NOT NULL DEFAULT 1;
ALTER TABLE sessions ADD COLUMN finished_at TEXT;
ALTER TABLE cooks ADD COLUMN dish_id TEXT NOT NULL DEFAULT ''; -- of its sheet
ALTER TABLE cook_events ADD COLUMN probe TEXT NOT NULL DEFAULT '';
CREATE TABLE session_events (
  session_id TEXT NOT NULL REFERENCES sessions (id),
  id         TEXT NOT NULL,
  seq        INTEGER NOT NULL,
  kind       TEXT NOT NULL,
  task       TEXT NOT NULL,
  at         TEXT NOT NULL,
  revoked_at TEXT,
  PRIMARY KEY (session_id, id)
) STRICT;
-- What was said, in one order for every device; a number is never given twice.
CREATE TABLE live_log (
  seq        INTEGER PRIMARY KEY AUTOINCREMENT,
  session_id TEXT NOT NULL,
  cook_id    TEXT NOT NULL,
  what       TEXT NOT NULL, -- begun, said, revoked, read, over, again
  event      TEXT NOT NULL, -- JSON
  at         TEXT NOT NULL
) STRICT;
-- What thermometers have sent.
CREATE TABLE readings (
  probe_id TEXT NOT NULL,
  at       TEXT NOT NULL,
  c        REAL NOT NULL,
  PRIMARY KEY (probe_id, at)
) STRICT, WITHOUT ROWID;

-- +goose Down
SELECT 'suppers that were led are in the copy kept before the change';
