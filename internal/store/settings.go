package store

import (
	"context"

	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// Settings are the household's.
type Settings struct {
	Temperature units.Temperature `db:"temperature"`
	Mass        units.Scale       `db:"mass"`
	Spoons      units.Spoons      `db:"spoons"`
	Guidance    safety.Guidance   `db:"guidance"`
	GuidanceC   float64           `db:"guidance_c"`
	Chime       bool              `db:"chime"`
	Shortcuts   bool              `db:"shortcuts"`
}

// Units are those that the household reads in.
func (s Settings) Units() units.Household {
	return units.Household{Temperature: s.Temperature, Mass: s.Mass, Spoons: s.Spoons}
}

// Settings returns them.
func (s *Store) Settings(ctx context.Context) (out Settings, err error) {
	err = s.db.GetContext(ctx, &out, `SELECT temperature, mass, spoons, guidance, guidance_c, chime, shortcuts FROM settings`)
	return out, err
}

// PutSettings replaces them.
func (s *Store) PutSettings(ctx context.Context, v Settings) error {
	_, err := s.db.NamedExecContext(ctx, `UPDATE settings SET temperature = :temperature, mass = :mass, spoons = :spoons,
		guidance = :guidance, guidance_c = :guidance_c, chime = :chime, shortcuts = :shortcuts`, v)
	return err
}
