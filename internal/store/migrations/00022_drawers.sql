-- +goose Up
-- In which of two drawers a dish runs, and which dish runs in the other.
ALTER TABLE plans ADD COLUMN drawer TEXT CHECK (drawer IN ('left', 'right'));
ALTER TABLE plans ADD COLUMN beside_id TEXT;
ALTER TABLE plans ADD COLUMN ready TEXT CHECK (ready IN ('together', 'start', 'left-first', 'right-first'));

-- +goose Down
ALTER TABLE plans DROP COLUMN ready;
ALTER TABLE plans DROP COLUMN beside_id;
ALTER TABLE plans DROP COLUMN drawer;
