-- +goose Up
CREATE TABLE settings (
  id          INTEGER PRIMARY KEY CHECK (id = 1),
  temperature TEXT NOT NULL,
  mass        TEXT NOT NULL,
  guidance    TEXT NOT NULL,
  guidance_c  REAL NOT NULL,
  chime       INTEGER NOT NULL,
  shortcuts   INTEGER NOT NULL
);
INSERT INTO settings VALUES (1, 'C', 'g', 'us', 75, 1, 1);

CREATE TABLE fryers (
  id            TEXT PRIMARY KEY,
  name          TEXT NOT NULL,
  kind          TEXT NOT NULL,
  basket        TEXT NOT NULL, -- JSON: shape and inside measures, mm
  power_w       REAL NOT NULL,
  airflow       REAL NOT NULL,
  dial_offset_c REAL NOT NULL,
  dial_min_c    REAL NOT NULL,
  dial_max_c    REAL NOT NULL,
  dial_step_c   REAL NOT NULL,
  version       INTEGER NOT NULL,
  deleted_at    TEXT
);

CREATE TABLE plans (
  id         TEXT PRIMARY KEY,
  name       TEXT NOT NULL,
  fryer_id   TEXT NOT NULL REFERENCES fryers (id),
  load       TEXT NOT NULL, -- JSON, as in the contract
  coat       TEXT NOT NULL, -- JSON
  program    TEXT NOT NULL, -- JSON
  table_time TEXT,
  version    INTEGER NOT NULL,
  changed_at TEXT NOT NULL,
  deleted_at TEXT
);

CREATE TABLE cooks (
  id          TEXT PRIMARY KEY,
  plan_id     TEXT REFERENCES plans (id),
  name        TEXT NOT NULL,
  plan        TEXT NOT NULL, -- JSON: the plan as it was at the start
  fryer       TEXT NOT NULL, -- JSON: the fryer as it was
  guidance    TEXT NOT NULL,
  guidance_c  REAL NOT NULL,
  planned     TEXT NOT NULL, -- JSON: the forecast of the plan
  forecast    TEXT NOT NULL, -- JSON: the forecast of what has happened since
  started_at  TEXT NOT NULL,
  finished_at TEXT,
  crust       TEXT,
  inside      TEXT,
  note        TEXT,
  change_next TEXT,
  deleted_at  TEXT
);

-- At most one cook is live at a time.
CREATE UNIQUE INDEX one_live ON cooks ((1)) WHERE finished_at IS NULL AND deleted_at IS NULL;

CREATE TABLE cook_events (
  cook_id TEXT NOT NULL REFERENCES cooks (id),
  seq     INTEGER NOT NULL,
  kind    TEXT NOT NULL,
  at      TEXT NOT NULL,
  value   REAL NOT NULL,
  PRIMARY KEY (cook_id, seq)
);

-- +goose Down
DROP TABLE cook_events;
DROP TABLE cooks;
DROP TABLE plans;
DROP TABLE fryers;
DROP TABLE settings;
