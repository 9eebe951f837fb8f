package store

import (
	"context"
	"fmt"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/food"
	"velocrustum/core/learn"
	"velocrustum/core/load"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// Settings are the household's.
type Settings struct {
	Temperature units.Temperature `db:"temperature" json:"temperature"`
	Mass        units.Scale       `db:"mass" json:"mass"`
	Spoons      units.Spoons      `db:"spoons" json:"spoons"`
	Guidance    safety.Guidance   `db:"guidance" json:"guidance"`
	GuidanceC   float64           `db:"guidance_c" json:"guidanceC"`
	Chime       bool              `db:"chime" json:"chime"`
	Shortcuts   bool              `db:"shortcuts" json:"shortcuts"`
	// AboveSeaM is how high the kitchen stands, m, and ThermometerC by how much its
	// thermometer reads too high, K.
	AboveSeaM    float64 `db:"above_sea_m" json:"aboveSeaM"`
	ThermometerC float64 `db:"thermometer_c" json:"thermometerC"`
	// FridgeC is the air of the fridge, °C; nil where nobody measured it.
	FridgeC *float64 `db:"fridge_c" json:"fridgeC"`
	// CrustMore and BrowningMore are what is liked beside what most like, as somebody
	// said it; nil where Liked, what ratings show, is to tell.
	CrustMore    *float64          `db:"crust_more" json:"crustMore"`
	BrowningMore *float64          `db:"browning_more" json:"browningMore"`
	Liked        JSON[learn.Liked] `db:"liked" json:"-"`
}

// Likes are what dishes are planned by where they do not say.
func (s Settings) Likes() load.Likes { return s.Liked.V.Likes(s.CrustMore, s.BrowningMore) }

// FridgeSays is what is wrong with the household's fridge; nil where nothing is, or nobody
// measured it.
func (s Settings) FridgeSays() *string {
	if s.FridgeC == nil || *s.FridgeC <= food.WarmFridgeC {
		return nil
	}
	return new(fmt.Sprintf("At %s raw meat, poultry and fish keep for hours and not for days: turn it colder, to %s or under.", s.Units().Degrees(*s.FridgeC), s.Units().Degrees(food.FridgeC)))
}

// Units are those that the household reads in.
func (s Settings) Units() units.Household {
	return units.Household{Temperature: s.Temperature, Mass: s.Mass, Spoons: s.Spoons}
}

const settingsQuery = `SELECT temperature, mass, spoons, guidance, guidance_c, chime, shortcuts, above_sea_m, thermometer_c, fridge_c, crust_more, browning_more, liked FROM settings`

// Settings returns them.
func (s *Store) Settings(ctx context.Context) (out Settings, err error) {
	err = s.db.GetContext(ctx, &out, settingsQuery)
	return out, err
}

// ChangeSettings changes them as they are by now, and returns them.
func (s *Store) ChangeSettings(ctx context.Context, change func(Settings) (Settings, error)) (out Settings, err error) {
	err = s.write(ctx, func(tx *sqlx.Tx) error {
		if err := tx.GetContext(ctx, &out, settingsQuery); err != nil {
			return err
		}
		var err error
		if out, err = change(out); err != nil {
			return err
		}
		_, err = tx.NamedExecContext(ctx, `UPDATE settings SET temperature = :temperature, mass = :mass, spoons = :spoons,
			guidance = :guidance, guidance_c = :guidance_c, chime = :chime, shortcuts = :shortcuts, above_sea_m = :above_sea_m, thermometer_c = :thermometer_c, fridge_c = :fridge_c,
			crust_more = :crust_more, browning_more = :browning_more`, out)
		return err
	})
	return out, err
}
