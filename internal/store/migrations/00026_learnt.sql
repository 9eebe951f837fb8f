-- +goose Up
-- What each cook says of its fryer, made of what is kept of it by the engine of a revision, and
-- made again where either changes.
CREATE TABLE sites (
  cook_id TEXT PRIMARY KEY REFERENCES cooks(id) ON DELETE CASCADE,
  made_of TEXT NOT NULL,
  sites   TEXT NOT NULL,
  score   TEXT NOT NULL
);
-- What all of them show of a fryer, by drawer, and when somebody changed something of it.
ALTER TABLE fryers ADD COLUMN learnt TEXT;
ALTER TABLE fryers ADD COLUMN changed TEXT NOT NULL DEFAULT '{"version":4,"holds":[]}';
-- Runs of it empty, with a thermometer in its basket.
ALTER TABLE fryers ADD COLUMN measured TEXT NOT NULL DEFAULT '{"version":4,"holds":[]}';
-- The one that goes on, if one does.
ALTER TABLE fryers ADD COLUMN measuring TEXT;
-- An evening that is not to be learnt from.
ALTER TABLE cooks ADD COLUMN left_out INTEGER NOT NULL DEFAULT 0;
-- How high the kitchen stands, m, and by how much its thermometer reads too high, K.
ALTER TABLE settings ADD COLUMN above_sea_m REAL NOT NULL DEFAULT 0;
ALTER TABLE settings ADD COLUMN thermometer_c REAL NOT NULL DEFAULT 0;
-- How it is liked beside what most like, where that was said; what ratings show; and as it was at a cook.
ALTER TABLE settings ADD COLUMN crust_more REAL;
ALTER TABLE settings ADD COLUMN browning_more REAL;
ALTER TABLE settings ADD COLUMN liked TEXT NOT NULL DEFAULT '{"version":4,"holds":{}}';
ALTER TABLE cooks ADD COLUMN likes TEXT NOT NULL DEFAULT '{"version":4,"holds":{}}';

-- +goose Down
ALTER TABLE cooks DROP COLUMN likes;
ALTER TABLE settings DROP COLUMN liked;
ALTER TABLE settings DROP COLUMN browning_more;
ALTER TABLE settings DROP COLUMN crust_more;
ALTER TABLE settings DROP COLUMN thermometer_c;
ALTER TABLE settings DROP COLUMN above_sea_m;
ALTER TABLE cooks DROP COLUMN left_out;
ALTER TABLE fryers DROP COLUMN measuring;
ALTER TABLE fryers DROP COLUMN measured;
ALTER TABLE fryers DROP COLUMN changed;
ALTER TABLE fryers DROP COLUMN learnt;
DROP TABLE sites;
