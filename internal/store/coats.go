package store

import (
	"context"
	"errors"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/food"
)

// Coat is one that the household keeps.
type Coat struct {
	ID      string           `json:"id"`
	Name    string           `json:"name"`
	Layers  []food.CoatLayer `json:"layers"`
	Version int              `json:"version,omitempty"`
}

type coatRow struct {
	ID      string                 `db:"id"`
	Name    string                 `db:"name"`
	Layers  JSON[[]food.CoatLayer] `db:"layers"`
	Version int                    `db:"version"`
}

func (r coatRow) coat() Coat { return Coat{r.ID, r.Name, r.Layers.V, r.Version} }

// Coats returns the household's own, by name.
func (s *Store) Coats(ctx context.Context) ([]Coat, error) {
	var rows []coatRow
	err := s.db.SelectContext(ctx, &rows, `SELECT id, name, layers, version FROM coats ORDER BY name COLLATE NOCASE, id`)
	out := make([]Coat, len(rows))
	for i, r := range rows {
		out[i] = r.coat()
	}
	return out, err
}

// PutCoat keeps one; with a version, only over that one, which is 0 for
// a new one. Without an id it is given one.
func (s *Store) PutCoat(ctx context.Context, c Coat, version *int) (Coat, error) {
	if c.ID == "" {
		c.ID = newID()
	}
	err := s.write(ctx, func(tx *sqlx.Tx) error {
		have, err := coatsVersion.of(ctx, tx, c.ID, version)
		if errors.Is(err, ErrChanged) {
			var kept coatRow
			if err := tx.GetContext(ctx, &kept, `SELECT id, name, layers, version FROM coats WHERE id = ?`, c.ID); err != nil {
				return err
			}
			if c.Version = kept.Version; same(c, kept.coat()) {
				return nil
			}
		}
		if err != nil && !(version == nil && errors.Is(err, ErrNotFound)) {
			return err
		}
		c.Version = have + 1
		_, err = tx.ExecContext(ctx, `INSERT INTO coats (id, name, layers, version) VALUES (?, ?, ?, ?)
			ON CONFLICT (id) DO UPDATE SET name = excluded.name, layers = excluded.layers, version = excluded.version`,
			c.ID, c.Name, JSON[[]food.CoatLayer]{c.Layers}, c.Version)
		return err
	})
	return c, err
}

// DropCoat forgets one.
func (s *Store) DropCoat(ctx context.Context, id string) error {
	return touched(s.db.ExecContext(ctx, `DELETE FROM coats WHERE id = ?`, id))
}
