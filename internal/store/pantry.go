package store

import (
	"context"

	"velocrustum/core/prep"
)

// Pantry returns the ingredients whose figures the household has set itself.
func (s *Store) Pantry(ctx context.Context) ([]prep.Ingredient, error) {
	var rows []JSON[prep.Ingredient]
	if err := s.db.SelectContext(ctx, &rows, `SELECT ingredient FROM pantry ORDER BY id`); err != nil {
		return nil, err
	}
	out := make([]prep.Ingredient, len(rows))
	for i, r := range rows {
		out[i] = r.V
	}
	return out, nil
}

// PutIngredient keeps the household's own figures of one.
func (s *Store) PutIngredient(ctx context.Context, i prep.Ingredient) error {
	_, err := s.db.ExecContext(ctx, `INSERT INTO pantry (id, ingredient) VALUES (?, ?)
		ON CONFLICT (id) DO UPDATE SET ingredient = excluded.ingredient`, i.ID, JSON[prep.Ingredient]{i})
	return err
}

// DropIngredient forgets the household's own figures of one.
func (s *Store) DropIngredient(ctx context.Context, id string) error {
	return touched(s.db.ExecContext(ctx, `DELETE FROM pantry WHERE id = ?`, id))
}
