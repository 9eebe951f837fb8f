-- +goose Up
-- An event has the id that the device gave it, so that one said twice counts
-- once and any one can be taken back; none is ever written again.
CREATE TABLE events (
  cook_id    TEXT NOT NULL REFERENCES cooks (id),
  id         TEXT NOT NULL,
  seq        INTEGER NOT NULL,
  kind       TEXT NOT NULL,
  at         TEXT NOT NULL,
  value      REAL NOT NULL,
  revoked_at TEXT,
  PRIMARY KEY (cook_id, id),
  UNIQUE (cook_id, seq)
);
INSERT INTO events SELECT cook_id, 'first-' || seq, seq, kind, at, value, NULL FROM cook_events;
DROP TABLE cook_events;
ALTER TABLE events RENAME TO cook_events;

-- Several cooks can be live; the server decides.
DROP INDEX one_live;

-- What the logbook's list shows, without the forecasts.
ALTER TABLE cooks ADD COLUMN planned_min REAL NOT NULL DEFAULT 0;
ALTER TABLE cooks ADD COLUMN lab TEXT NOT NULL DEFAULT '{"version":2,"holds":null}'; -- JSON: both faces at the end
UPDATE cooks SET
  planned_min = coalesce((SELECT sum(s.value ->> '$.minutes') FROM json_each(plan, '$.holds.program.stages') s), 0),
  lab = json_object('version', 2, 'holds', json_array(
    forecast -> '$.holds.timeline[#-1].faces[0].lab', forecast -> '$.holds.timeline[#-1].faces[1].lab'));

-- +goose Down
SELECT 'events without ids are in the copy kept before the change';
