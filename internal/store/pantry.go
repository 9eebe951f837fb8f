package store

import (
	"context"
	"errors"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/prep"
)

// Pantry returns the ingredients whose figures the household has set itself.
func (s *Store) Pantry(ctx context.Context) ([]prep.Ingredient, error) {
	own, _, err := s.OwnPantry(ctx)
	return own, err
}

// OwnPantry returns them with the version of each, by its id.
func (s *Store) OwnPantry(ctx context.Context) (own []prep.Ingredient, versions map[string]int, err error) {
	var rows []struct {
		Ingredient JSON[prep.Ingredient] `db:"ingredient"`
		Version    int                   `db:"version"`
	}
	if err := s.db.SelectContext(ctx, &rows, `SELECT ingredient, version FROM pantry ORDER BY id`); err != nil {
		return nil, nil, err
	}
	own, versions = make([]prep.Ingredient, len(rows)), map[string]int{}
	for i, r := range rows {
		own[i] = r.Ingredient.V
		versions[own[i].ID] = r.Version
	}
	return own, versions, nil
}

// PutIngredient keeps the household's own figures of one, and returns their
// version; with a version, only over that one, which is 0 for the first.
func (s *Store) PutIngredient(ctx context.Context, i prep.Ingredient, version *int) (have int, err error) {
	err = s.write(ctx, func(tx *sqlx.Tx) error {
		var err error
		have, err = pantryVersion.of(ctx, tx, i.ID, version)
		if errors.Is(err, ErrChanged) {
			var kept JSON[prep.Ingredient]
			if err := tx.GetContext(ctx, &kept, `SELECT ingredient FROM pantry WHERE id = ?`, i.ID); err != nil {
				return err
			}
			if same(kept.V, i) {
				return nil
			}
		}
		if err != nil && !(version == nil && errors.Is(err, ErrNotFound)) {
			return err
		}
		have++
		_, err = tx.ExecContext(ctx, `INSERT INTO pantry (id, ingredient, version) VALUES (?, ?, ?)
			ON CONFLICT (id) DO UPDATE SET ingredient = excluded.ingredient, version = excluded.version`, i.ID, JSON[prep.Ingredient]{i}, have)
		return err
	})
	return have, err
}

// DropIngredient forgets the household's own figures of one.
func (s *Store) DropIngredient(ctx context.Context, id string) error {
	return touched(s.exec(ctx, `DELETE FROM pantry WHERE id = ?`, id))
}
