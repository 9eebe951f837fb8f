package store

import (
	"context"
	"fmt"

	"velocrustum/core/belief"
	"velocrustum/core/learn"
	"velocrustum/core/load"
)

// A Teaching is a cook that ended, by what it says of its fryer.
type Teaching struct {
	CookID string `db:"id"`
	// Run is which of the fryer's measured runs it is, from 1; 0 of a cook.
	Run int `db:"-"`
	// Potato says of a run that its thermometer was in half a potato.
	Potato    bool   `db:"-"`
	FryerID   string `db:"fryer_id"` // of a drawer, that of its fryer and the drawer
	Drawer    string `db:"drawer"`
	StartedAt Time   `db:"started_at"`
	LeftOut   bool   `db:"left_out"`
	// MadeOf says of what it would be made by now, and Had of what it was; empty where it
	// never was.
	MadeOf string               `db:"made_of"`
	Had    string               `db:"had"`
	Sites  *JSON[[]belief.Site] `db:"sites"`
	Score  *JSON[Score]         `db:"score"`
}

// Stale says whether it is to be made again.
func (t *Teaching) Stale() bool { return t.MadeOf != t.Had }

// A Score is how right what was foretold of a cook was.
type Score struct {
	Readings []Foretold `json:"readings,omitempty"`
	// Held is whether it was safe by the minute that 95 in 100 were to be, nil where no
	// reading tells.
	Held *bool `json:"held,omitempty"`
	// Rated are its lots that were rated.
	Rated []learn.Rated `json:"rated,omitempty"`
}

// Foretold is a reading, and what it was to be beforehand, with the band that nine in ten
// keep to.
type Foretold struct {
	Minute float64 `json:"minute"`
	ReadC  float64 `json:"readC"`
	C      float64 `json:"c"`
	LowC   float64 `json:"lowC"`
	HighC  float64 `json:"highC"`
}

// Teachings returns all cooks that ended, the oldest first, by the engine of a revision.
func (s *Store) Teachings(ctx context.Context, revision string) (out []Teaching, err error) {
	err = s.db.SelectContext(ctx, &out, `SELECT cooks.id, COALESCE(fryer ->> '$.holds.id', '') AS fryer_id, COALESCE(fryer ->> '$.holds.drawer', '') AS drawer,
		started_at, left_out, COALESCE(sites.made_of, '') AS had, sites.sites, sites.score,
		? || ' ' || outcome_version || ' ' || (SELECT thermometer_c FROM settings) || ' ' || (SELECT COUNT(*) || ' ' || COALESCE(MAX(seq), 0) FROM cook_events WHERE cook_id = cooks.id AND revoked_at IS NULL) AS made_of
		FROM cooks LEFT JOIN sites ON cook_id = cooks.id WHERE finished_at IS NOT NULL AND deleted_at IS NULL ORDER BY started_at, cooks.id`, revision)
	return out, err
}

// KeepTeaching keeps what a cook says. Nobody is told: it follows from what is kept.
func (s *Store) KeepTeaching(ctx context.Context, t Teaching) error {
	if err := s.stillThere(); err != nil {
		return err
	}
	_, err := s.db.ExecContext(ctx, `INSERT INTO sites (cook_id, made_of, sites, score) VALUES (?, ?, ?, ?)
		ON CONFLICT (cook_id) DO UPDATE SET made_of = excluded.made_of, sites = excluded.sites, score = excluded.score`, t.CookID, t.MadeOf, t.Sites, t.Score)
	return err
}

// KeepLearnt keeps what cooks show of a fryer, by its drawers, "" for both together; its
// version stays, since nobody changed it.
func (s *Store) KeepLearnt(ctx context.Context, fryerID string, by map[string]*load.Learnt) error {
	if len(by) == 0 {
		_, err := s.db.ExecContext(ctx, `UPDATE fryers SET learnt = NULL WHERE id = ? AND learnt IS NOT NULL`, fryerID)
		return err
	}
	doc, err := JSON[map[string]*load.Learnt]{by}.Value()
	if err != nil {
		return fmt.Errorf("keeping what was learnt: %w", err)
	}
	_, err = s.db.ExecContext(ctx, `UPDATE fryers SET learnt = ? WHERE id = ? AND learnt IS NOT ?`, doc, fryerID, doc)
	return err
}

// KeepLiked keeps what ratings show of what is liked.
func (s *Store) KeepLiked(ctx context.Context, l learn.Liked) error {
	doc := JSON[learn.Liked]{l}
	_, err := s.db.ExecContext(ctx, `UPDATE settings SET liked = ? WHERE liked IS NOT ?`, doc, doc)
	return err
}

// LeaveOut says whether a cook is to be learnt from.
func (s *Store) LeaveOut(ctx context.Context, cookID string, out bool) error {
	return touched(s.exec(ctx, `UPDATE cooks SET left_out = ? WHERE id = ? AND finished_at IS NOT NULL AND deleted_at IS NULL`, out, cookID))
}

// CookName is what a cook is called.
func (s *Store) CookName(ctx context.Context, id string) (name string, err error) {
	err = s.db.GetContext(ctx, &name, `SELECT name FROM cooks WHERE id = ?`, id)
	return name, found(err)
}
