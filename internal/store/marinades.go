package store

import (
	"context"
	"errors"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/prep"
)

// Marinade is one that the household keeps.
type Marinade struct {
	prep.OwnMarinade
	Version int `json:"version,omitempty"`
}

type marinadeRow struct {
	ID       string              `db:"id"`
	Name     string              `db:"name"`
	Marinade JSON[prep.Marinade] `db:"marinade"`
	Version  int                 `db:"version"`
}

func (r marinadeRow) marinade() Marinade {
	return Marinade{prep.OwnMarinade{ID: r.ID, Name: r.Name, Marinade: r.Marinade.V}, r.Version}
}

// Marinades returns the household's own, by name.
func (s *Store) Marinades(ctx context.Context) ([]Marinade, error) {
	var rows []marinadeRow
	err := s.db.SelectContext(ctx, &rows, `SELECT id, name, marinade, version FROM marinades ORDER BY name COLLATE NOCASE, id`)
	out := make([]Marinade, len(rows))
	for i, r := range rows {
		out[i] = r.marinade()
	}
	return out, err
}

// PutMarinade keeps one; with a version, only over that one, which is 0 for
// a new one. Without an id it is given one.
func (s *Store) PutMarinade(ctx context.Context, m Marinade, version *int) (Marinade, error) {
	if m.ID == "" {
		m.ID = newID()
	}
	err := s.write(ctx, func(tx *sqlx.Tx) error {
		have, err := marinadesVersion.of(ctx, tx, m.ID, version)
		if errors.Is(err, ErrChanged) {
			var kept marinadeRow
			if err := tx.GetContext(ctx, &kept, `SELECT id, name, marinade, version FROM marinades WHERE id = ?`, m.ID); err != nil {
				return err
			}
			if m.Version = kept.Version; same(m, kept.marinade()) {
				return nil
			}
		}
		if err != nil && !(version == nil && errors.Is(err, ErrNotFound)) {
			return err
		}
		m.Version = have + 1
		_, err = tx.ExecContext(ctx, `INSERT INTO marinades (id, name, marinade, version) VALUES (?, ?, ?, ?)
			ON CONFLICT (id) DO UPDATE SET name = excluded.name, marinade = excluded.marinade, version = excluded.version`,
			m.ID, m.Name, JSON[prep.Marinade]{m.Marinade}, m.Version)
		return err
	})
	return m, err
}

// DropMarinade forgets one.
func (s *Store) DropMarinade(ctx context.Context, id string) error {
	return touched(s.db.ExecContext(ctx, `DELETE FROM marinades WHERE id = ?`, id))
}
