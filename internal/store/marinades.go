package store

import (
	"context"

	"velocrustum/core/prep"
)

// Marinades returns the household's own, by name.
func (s *Store) Marinades(ctx context.Context) ([]prep.OwnMarinade, error) {
	var rows []struct {
		ID       string              `db:"id"`
		Name     string              `db:"name"`
		Marinade JSON[prep.Marinade] `db:"marinade"`
	}
	if err := s.db.SelectContext(ctx, &rows, `SELECT id, name, marinade FROM marinades ORDER BY name COLLATE NOCASE, id`); err != nil {
		return nil, err
	}
	out := make([]prep.OwnMarinade, len(rows))
	for i, r := range rows {
		out[i] = prep.OwnMarinade{ID: r.ID, Name: r.Name, Marinade: r.Marinade.V}
	}
	return out, nil
}

// AddMarinade keeps a new one, with an id of its own.
func (s *Store) AddMarinade(ctx context.Context, r prep.OwnMarinade) (prep.OwnMarinade, error) {
	r.ID = newID()
	return r, s.PutMarinade(ctx, r)
}

// PutMarinade keeps one.
func (s *Store) PutMarinade(ctx context.Context, r prep.OwnMarinade) error {
	_, err := s.db.ExecContext(ctx, `INSERT INTO marinades (id, name, marinade) VALUES (?, ?, ?)
		ON CONFLICT (id) DO UPDATE SET name = excluded.name, marinade = excluded.marinade`, r.ID, r.Name, JSON[prep.Marinade]{r.Marinade})
	return err
}

// DropMarinade forgets one.
func (s *Store) DropMarinade(ctx context.Context, id string) error {
	return touched(s.db.ExecContext(ctx, `DELETE FROM marinades WHERE id = ?`, id))
}
