package store

import (
	"context"
	"errors"
	"time"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/food"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/sheet"
)

// What a household keeps under a name: marinades, coats, sauces, mixes. A
// dish that takes one has a copy of it, so that it may be changed without
// changing what was cooked.

// Marinade is one that the household keeps.
type Marinade struct {
	prep.OwnMarinade
	Version int `json:"version,omitempty"`
}

// OwnCoat is one that the household keeps.
type OwnCoat struct {
	ID      string           `json:"id"`
	Name    string           `json:"name"`
	Layers  []food.CoatLayer `json:"layers"`
	Version int              `json:"version,omitempty"`
}

// OwnSauce is one that the household keeps.
type OwnSauce struct {
	pan.Own
	Version int `json:"version,omitempty"`
}

// Mix is one that the household keeps in a jar.
type Mix struct {
	prep.OwnMix
	Version int `json:"version,omitempty"`
}

// Supper is one that the household plans: its dishes by reference, as they
// are.
type Supper struct {
	ID      string     `json:"id"`
	Name    string     `json:"name"`
	Evening SupperPlan `json:"evening"`
	Version int        `json:"version,omitempty"`
}

// SupperPlan is what is said of a supper.
type SupperPlan struct {
	ServeAt time.Time    `json:"serveAt"`
	People  int          `json:"people"`
	Hands   int          `json:"hands"`
	Away    []sheet.Away `json:"away,omitempty"`
	Hobs    int          `json:"hobs"`
	// WarmC is that of an oven that is kept warm, 0 where there is none.
	WarmC    float64        `json:"warmC"`
	Earliest *time.Time     `json:"earliest,omitempty"`
	Dishes   []DishOfSupper `json:"dishes"`
	// Scaled makes dishes for as many as come, and Tables are those that come at another
	// time.
	Scaled bool            `json:"scaled,omitempty"`
	Tables []TableOfSupper `json:"tables,omitempty"`
	Sides  []sheet.Side    `json:"sides,omitempty"`
	Order  []string        `json:"order,omitempty"`
	Pins   []sheet.Pin     `json:"pins,omitempty"`
	// MadeFor is for how many amounts that are not scaled were, where as many do not come.
	MadeFor int `json:"-"`
}

// Come is how many come to all tables.
func (e SupperPlan) Come() int {
	n := e.People
	for _, t := range e.Tables {
		n += t.People
	}
	return n
}

// TableOfSupper is a table at another time than the others.
type TableOfSupper struct {
	At     time.Time `json:"at"`
	People int       `json:"people"`
	For    string    `json:"for,omitempty"` // the children, a late guest
}

// DishOfSupper is a dish of a supper.
type DishOfSupper struct {
	PlanID string `json:"planId"`
	// AnyFryer lets the sheet choose; else it is the dish's own.
	AnyFryer bool  `json:"anyFryer,omitempty"`
	Flash    *bool `json:"flash,omitempty"`
	// Prepared says that what comes before the basket was done.
	Prepared bool `json:"-"`
}

// ownRow is a row of any of the tables, D the document in it.
type ownRow[D any] struct {
	ID      string  `db:"id"`
	Name    string  `db:"name"`
	Holds   JSON[D] `db:"holds"`
	Version int     `db:"version"`
}

// own is a table of things T that a household keeps, D the document of one.
type own[T, D any] struct {
	table, column string
	open          func(ownRow[D]) T
	row           func(T) ownRow[D]
}

var (
	ownMarinades = own[Marinade, prep.Marinade]{"marinades", "marinade",
		func(r ownRow[prep.Marinade]) Marinade {
			return Marinade{prep.OwnMarinade{ID: r.ID, Name: r.Name, Marinade: r.Holds.V}, r.Version}
		},
		func(m Marinade) ownRow[prep.Marinade] {
			return ownRow[prep.Marinade]{m.ID, m.Name, JSON[prep.Marinade]{m.Marinade}, m.Version}
		}}
	ownCoats = own[OwnCoat, []food.CoatLayer]{"coats", "layers",
		func(r ownRow[[]food.CoatLayer]) OwnCoat { return OwnCoat{r.ID, r.Name, r.Holds.V, r.Version} },
		func(c OwnCoat) ownRow[[]food.CoatLayer] {
			return ownRow[[]food.CoatLayer]{c.ID, c.Name, JSON[[]food.CoatLayer]{c.Layers}, c.Version}
		}}
	ownSauces = own[OwnSauce, pan.Sauce]{"sauces", "sauce",
		func(r ownRow[pan.Sauce]) OwnSauce {
			return OwnSauce{pan.Own{ID: r.ID, Name: r.Name, Sauce: r.Holds.V}, r.Version}
		},
		func(s OwnSauce) ownRow[pan.Sauce] {
			return ownRow[pan.Sauce]{s.ID, s.Name, JSON[pan.Sauce]{s.Sauce}, s.Version}
		}}
	ownMixes = own[Mix, prep.Mix]{"mixes", "mix",
		func(r ownRow[prep.Mix]) Mix { return Mix{prep.OwnMix{ID: r.ID, Mix: r.Holds.V}, r.Version} },
		func(m Mix) ownRow[prep.Mix] {
			return ownRow[prep.Mix]{m.ID, m.Mix.Name, JSON[prep.Mix]{m.Mix}, m.Version}
		}}
)

var ownSuppers = own[Supper, SupperPlan]{"suppers", "supper",
	func(r ownRow[SupperPlan]) Supper { return Supper{r.ID, r.Name, r.Holds.V, r.Version} },
	func(s Supper) ownRow[SupperPlan] {
		return ownRow[SupperPlan]{s.ID, s.Name, JSON[SupperPlan]{s.Evening}, s.Version}
	}}

func (o own[T, D]) columns() string { return `id, name, ` + o.column + ` AS holds, version` }

// all returns them by name.
func (o own[T, D]) all(ctx context.Context, s *Store) ([]T, error) {
	var rows []ownRow[D]
	err := s.db.SelectContext(ctx, &rows, `SELECT `+o.columns()+` FROM `+o.table+` ORDER BY name COLLATE NOCASE, id`)
	out := make([]T, len(rows))
	for i, r := range rows {
		out[i] = o.open(r)
	}
	return out, err
}

// put keeps one; with a version, only over that one, which is 0 for a new
// one. Without an id it is given one.
func (o own[T, D]) put(ctx context.Context, s *Store, t T, version *int) (T, error) {
	r := o.row(t)
	if r.ID == "" {
		r.ID = NewID()
	}
	err := s.write(ctx, func(tx *sqlx.Tx) error {
		have, err := versioned{o.table, "version", "TRUE"}.of(ctx, tx, r.ID, version)
		if errors.Is(err, ErrChanged) {
			var kept ownRow[D]
			if err := tx.GetContext(ctx, &kept, `SELECT `+o.columns()+` FROM `+o.table+` WHERE id = ?`, r.ID); err != nil {
				return err
			}
			if r.Version = kept.Version; same(r, kept) {
				return nil
			}
		}
		if err != nil && !(version == nil && errors.Is(err, ErrNotFound)) {
			return err
		}
		r.Version = have + 1
		_, err = tx.ExecContext(ctx, `INSERT INTO `+o.table+` (id, name, `+o.column+`, version) VALUES (?, ?, ?, ?)
			ON CONFLICT (id) DO UPDATE SET name = excluded.name, `+o.column+` = excluded.`+o.column+`, version = excluded.version`,
			r.ID, r.Name, r.Holds, r.Version)
		return err
	})
	return o.open(r), err
}

// one returns a single one.
func (o own[T, D]) one(ctx context.Context, s *Store, id string) (t T, err error) {
	var r ownRow[D]
	if err = found(s.db.GetContext(ctx, &r, `SELECT `+o.columns()+` FROM `+o.table+` WHERE id = ?`, id)); err != nil {
		return t, err
	}
	return o.open(r), nil
}

// drop forgets one.
func (o own[T, D]) drop(ctx context.Context, s *Store, id string) error {
	return touched(s.exec(ctx, `DELETE FROM `+o.table+` WHERE id = ?`, id))
}

// Marinades returns the household's own, by name.
func (s *Store) Marinades(ctx context.Context) ([]Marinade, error) { return ownMarinades.all(ctx, s) }

// PutMarinade keeps one, as every Put does: with a version only over that one.
func (s *Store) PutMarinade(ctx context.Context, m Marinade, version *int) (Marinade, error) {
	return ownMarinades.put(ctx, s, m, version)
}

// DropMarinade forgets one.
func (s *Store) DropMarinade(ctx context.Context, id string) error {
	return ownMarinades.drop(ctx, s, id)
}

// Coats returns the household's own, by name.
func (s *Store) Coats(ctx context.Context) ([]OwnCoat, error) { return ownCoats.all(ctx, s) }

// PutCoat keeps one.
func (s *Store) PutCoat(ctx context.Context, c OwnCoat, version *int) (OwnCoat, error) {
	return ownCoats.put(ctx, s, c, version)
}

// DropCoat forgets one.
func (s *Store) DropCoat(ctx context.Context, id string) error { return ownCoats.drop(ctx, s, id) }

// Sauces returns the household's own, by name.
func (s *Store) Sauces(ctx context.Context) ([]OwnSauce, error) { return ownSauces.all(ctx, s) }

// PutSauce keeps one.
func (s *Store) PutSauce(ctx context.Context, c OwnSauce, version *int) (OwnSauce, error) {
	return ownSauces.put(ctx, s, c, version)
}

// DropSauce forgets one.
func (s *Store) DropSauce(ctx context.Context, id string) error { return ownSauces.drop(ctx, s, id) }

// Mixes returns the household's own, by name.
func (s *Store) Mixes(ctx context.Context) ([]Mix, error) { return ownMixes.all(ctx, s) }

// PutMix keeps one.
func (s *Store) PutMix(ctx context.Context, c Mix, version *int) (Mix, error) {
	return ownMixes.put(ctx, s, c, version)
}

// DropMix forgets one.
func (s *Store) DropMix(ctx context.Context, id string) error { return ownMixes.drop(ctx, s, id) }

// Suppers returns the household's own, by name.
func (s *Store) Suppers(ctx context.Context) ([]Supper, error) { return ownSuppers.all(ctx, s) }

// Supper returns one.
func (s *Store) Supper(ctx context.Context, id string) (Supper, error) {
	return ownSuppers.one(ctx, s, id)
}

// PutSupper keeps one.
func (s *Store) PutSupper(ctx context.Context, c Supper, version *int) (Supper, error) {
	return ownSuppers.put(ctx, s, c, version)
}

// DropSupper forgets one.
func (s *Store) DropSupper(ctx context.Context, id string) error { return ownSuppers.drop(ctx, s, id) }
