-- +goose Up
-- Two devices write on one outcome.
ALTER TABLE cooks ADD COLUMN outcome_version INTEGER NOT NULL DEFAULT 0;

-- +goose Down
ALTER TABLE cooks DROP COLUMN outcome_version;
