package store

import (
	"context"
	"errors"
	"slices"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/cook"
	"velocrustum/core/load"
	"velocrustum/core/safety"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
)

// Cook is one live or finished run of a plan, with copies of the plan and
// the fryer as they were.
type Cook struct {
	ID         string               `db:"id"`
	SessionID  string               `db:"session_id"` // with the other baskets of the dish
	PlanID     *string              `db:"plan_id"`
	Name       string               `db:"name"`
	Plan       JSON[Plan]           `db:"plan"`
	Fryer      JSON[OwnFryer]       `db:"fryer"`
	Guidance   safety.Guidance      `db:"guidance"`
	GuidanceC  float64              `db:"guidance_c"`
	Planned    JSON[verdict.Answer] `db:"planned"`
	Forecast   JSON[verdict.Answer] `db:"forecast"`
	StartedAt  Time                 `db:"started_at"`
	FinishedAt *Time                `db:"finished_at"`
	Crust      *string              `db:"crust"`
	Inside     *string              `db:"inside"`
	Note       *string              `db:"note"`
	ChangeNext *string              `db:"change_next"`
	Ratings    JSON[[]cook.Rating]  `db:"ratings"` // by lot, where there are several
	Basket     int                  `db:"basket"`  // which basketful of the dish
	Baskets    int                  `db:"baskets"`
	// OutcomeVersion counts how often crust, inside and notes were written.
	OutcomeVersion int    `db:"outcome_version"`
	DishID         string `db:"dish_id"` // of the supper's sheet; empty of a dish cooked alone
	// LeftOut says that nothing is to be learnt from it.
	LeftOut bool `db:"left_out"`
	// Likes are what was liked here then.
	Likes  JSON[load.Likes] `db:"likes"`
	Events []cook.Event     `db:"-"`
}

// Request is what the cook's planned program is simulated by. Its copy of the
// plan has the load and the coat as they went into the basket.
func (c Cook) Request(say units.Household) load.Request {
	p := c.Plan.V
	q := p.Request()
	q.Fryer, q.Guidance, q.Likes, q.Units = &c.Fryer.V.Fryer, string(c.Guidance), c.Likes.V, say
	if c.Guidance == safety.Stricter {
		q.GuidanceC = c.GuidanceC
	}
	return q
}

// Summary is a cook as the logbook lists it.
type Summary struct {
	ID         string            `db:"id"`
	Name       string            `db:"name"`
	SessionID  string            `db:"session_id"`
	Evening    string            `db:"evening"` // the supper's name, if it was one's
	Basket     int               `db:"basket"`
	Baskets    int               `db:"baskets"`
	StartedAt  Time              `db:"started_at"`
	LoadedAt   *Time             `db:"loaded_at"`
	FinishedAt *Time             `db:"finished_at"`
	Crust      *string           `db:"crust"`
	Inside     *string           `db:"inside"`
	Note       *string           `db:"note"`
	PlannedMin float64           `db:"planned_min"`
	Lab        JSON[[][]float64] `db:"lab"` // forecast colour of both faces at the end
	// What was cooked and where; Crust of 100 and Juice in percent as they were forecast for
	// the end, with what was seen in it.
	PlanID    string   `db:"plan_id"`
	FryerID   string   `db:"fryer_id"`
	Fryer     string   `db:"fryer_name"`
	EndCrust  *float64 `db:"end_crust"`
	JuiceKept *float64 `db:"end_juice"`
}

const cookColumns = `id, session_id, plan_id, name, plan, fryer, guidance, guidance_c, planned, forecast, started_at, finished_at, crust, inside, note, change_next, ratings, basket, baskets, outcome_version, dish_id, left_out, likes`

// Summaries returns the logbook, the latest first.
func (s *Store) Summaries(ctx context.Context) ([]Summary, error) {
	out := []Summary{}
	err := s.db.SelectContext(ctx, &out, `SELECT cooks.id, cooks.name, session_id, CASE WHEN sheet IS NULL THEN '' ELSE sessions.name END AS evening, basket, baskets,
		cooks.started_at, cooks.finished_at, crust, inside, note, planned_min, lab, end_crust, end_juice, COALESCE(plan_id, '') AS plan_id,
		COALESCE(fryer ->> '$.holds.id', '') AS fryer_id, COALESCE(fryer ->> '$.holds.name', '') AS fryer_name,
		(SELECT at FROM cook_events WHERE cook_id = cooks.id AND kind = ? AND revoked_at IS NULL ORDER BY seq LIMIT 1) AS loaded_at
		FROM cooks JOIN sessions ON sessions.id = session_id
		WHERE deleted_at IS NULL AND NOT (cooks.finished_at IS NULL AND sheet IS NOT NULL) ORDER BY cooks.started_at DESC, cooks.id DESC`, cook.Loaded)
	return out, err
}

// Cook returns one with its events.
func (s *Store) Cook(ctx context.Context, id string) (Cook, error) {
	return s.oneCook(ctx, `id = ?`, id)
}

// LiveCooks returns the dishes cooked outside a supper that are going on, each in
// a place of its own, the first begun first.
func (s *Store) LiveCooks(ctx context.Context) (out []Cook, err error) {
	err = s.db.SelectContext(ctx, &out, `SELECT `+cookColumns+` FROM cooks WHERE deleted_at IS NULL AND finished_at IS NULL
		AND session_id IN (SELECT id FROM sessions WHERE sheet IS NULL) ORDER BY started_at, id`)
	for i := range out {
		if err == nil {
			out[i].Events, err = s.events(ctx, out[i].ID)
		}
	}
	return out, err
}

func (s *Store) oneCook(ctx context.Context, where string, args ...any) (c Cook, err error) {
	err = s.db.GetContext(ctx, &c, `SELECT `+cookColumns+` FROM cooks WHERE deleted_at IS NULL AND `+where, args...)
	if err != nil {
		return c, found(err)
	}
	c.Events, err = s.events(ctx, c.ID)
	return c, err
}

func (s *Store) events(ctx context.Context, id string) ([]cook.Event, error) {
	var rows []struct {
		ID    string  `db:"id"`
		Kind  string  `db:"kind"`
		At    Time    `db:"at"`
		Value float64 `db:"value"`
		Probe string  `db:"probe"`
		Lot   int     `db:"lot"`
		Place string  `db:"place"`
	}
	if err := s.db.SelectContext(ctx, &rows, `SELECT id, kind, at, value, probe, lot, place FROM cook_events WHERE cook_id = ? AND revoked_at IS NULL ORDER BY seq`, id); err != nil {
		return nil, err
	}
	out := make([]cook.Event, len(rows))
	for i, r := range rows {
		out[i] = cook.Event{ID: r.ID, Kind: r.Kind, At: r.At.Time, Value: r.Value, Probe: r.Probe, Lot: r.Lot, Where: r.Place}
	}
	return out, nil
}

// InSession returns which baskets of a plan were cooked in a session, given up
// ones left out, or ErrNotFound if there is no such session of it.
func (s *Store) InSession(ctx context.Context, sessionID, planID string) ([]int, error) {
	var rows []struct {
		Basket  int  `db:"basket"`
		Stopped bool `db:"stopped"`
	}
	err := s.db.SelectContext(ctx, &rows, `SELECT basket, EXISTS (SELECT 1 FROM cook_events WHERE cook_id = cooks.id AND kind = ? AND revoked_at IS NULL) AS stopped
		FROM cooks WHERE session_id = ? AND plan_id = ? AND deleted_at IS NULL ORDER BY basket`, cook.Stop, sessionID, planID)
	if err != nil {
		return nil, err
	}
	if len(rows) == 0 {
		return nil, ErrNotFound
	}
	var out []int
	for _, r := range rows {
		if !r.Stopped {
			out = append(out, r.Basket)
		}
	}
	return out, nil
}

// Said tells whether an event was ever said, also if it was taken back.
func (s *Store) Said(ctx context.Context, cookID, id string) (said bool, err error) {
	err = s.db.GetContext(ctx, &said, `SELECT EXISTS (SELECT 1 FROM cook_events WHERE cook_id = ? AND id = ?)`, cookID, id)
	return said, err
}

// AddCook starts one, in a session of its own if none is named; ErrLive if
// another is going on in the same place, or a supper.
func (s *Store) AddCook(ctx context.Context, c Cook) (Cook, error) {
	c.ID = NewID()
	c.Basket, c.Baskets = max(1, c.Basket), max(1, c.Baskets)
	err := s.write(ctx, func(tx *sqlx.Tx) error {
		if c.FinishedAt == nil {
			if err := s.room(ctx, tx, c); err != nil {
				return err
			}
		}
		if c.SessionID == "" {
			c.SessionID = NewID()
			if _, err := tx.ExecContext(ctx, `INSERT INTO sessions (id, started_at) VALUES (?, ?)`, c.SessionID, c.StartedAt); err != nil {
				return err
			}
		}
		if err := s.addCook(ctx, tx, c); err != nil || c.FinishedAt != nil {
			return err
		}
		return s.note(ctx, tx, c.SessionID, c.ID, "begun", nil)
	})
	return c, err
}

// addCook keeps a new one with what was said of it.
func (s *Store) addCook(ctx context.Context, tx *sqlx.Tx, c Cook) error {
	c.Basket, c.Baskets = max(1, c.Basket), max(1, c.Baskets)
	if _, err := tx.NamedExecContext(ctx, `INSERT INTO cooks (`+cookColumns+`) VALUES (:id, :session_id, :plan_id, :name, :plan, :fryer,
		:guidance, :guidance_c, :planned, :forecast, :started_at, :finished_at, :crust, :inside, :note, :change_next, :ratings, :basket, :baskets, :outcome_version, :dish_id, :left_out, :likes)`, c); err != nil {
		return err
	}
	for i := range c.Events {
		if err := s.say(ctx, tx, c.ID, &c.Events[i]); err != nil {
			return err
		}
	}
	return s.put(ctx, tx, c)
}

// say adds one event after those that are there, with an id if it has none.
func (s *Store) say(ctx context.Context, tx *sqlx.Tx, cookID string, e *cook.Event) error {
	if e.ID == "" {
		e.ID = NewID()
	}
	_, err := tx.ExecContext(ctx, `INSERT INTO cook_events (cook_id, id, seq, kind, at, value, probe, lot, place)
		SELECT ?, ?, COALESCE(MAX(seq) + 1, 0), ?, ?, ?, ?, ?, ? FROM cook_events WHERE cook_id = ?`, cookID, e.ID, e.Kind, Time{e.At}, e.Value, e.Probe, e.Lot, e.Where, cookID)
	return err
}

// over keeps whether a cook is over.
func (s *Store) over(ctx context.Context, tx *sqlx.Tx, c Cook) error {
	return touched(tx.ExecContext(ctx, `UPDATE cooks SET finished_at = ? WHERE id = ? AND deleted_at IS NULL`, c.FinishedAt, c.ID))
}

// Foretell keeps what is forecast of a cook.
func (s *Store) Foretell(ctx context.Context, c Cook) error {
	return s.write(ctx, func(tx *sqlx.Tx) error { return s.put(ctx, tx, c) })
}

// put keeps what is forecast of a cook.
func (s *Store) put(ctx context.Context, tx *sqlx.Tx, c Cook) error {
	sum := struct {
		Cook
		PlannedMin float64           `db:"planned_min"`
		Lab        JSON[[][]float64] `db:"lab"`
		Crust      float64           `db:"end_crust"`
		Juice      float64           `db:"end_juice"`
	}{Cook: c, Crust: c.Forecast.V.End.Crust, Juice: c.Forecast.V.End.JuiceKeptPct}
	for _, st := range c.Plan.V.Program.V.Stages {
		sum.PlannedMin += st.Minutes
	}
	if line := c.Forecast.V.Timeline; len(line) > 0 {
		faces := line[len(line)-1].Faces
		sum.Lab.V = [][]float64{faces[0].Lab[:], faces[1].Lab[:]}
	}
	return touched(tx.NamedExecContext(ctx, `UPDATE cooks SET forecast = :forecast, planned_min = :planned_min, lab = :lab, end_crust = :end_crust, end_juice = :end_juice WHERE id = :id AND deleted_at IS NULL`, sum))
}

// PutOutcome keeps how a cook came out; with a version, only on that version.
// Returns the new one.
func (s *Store) PutOutcome(ctx context.Context, c Cook, version *int) (have int, err error) {
	err = s.write(ctx, func(tx *sqlx.Tx) error {
		var err error
		have, err = outcomesVersion.of(ctx, tx, c.ID, version)
		if errors.Is(err, ErrChanged) {
			var kept Cook
			if err := tx.GetContext(ctx, &kept, `SELECT crust, inside, note, change_next, ratings FROM cooks WHERE id = ?`, c.ID); err != nil {
				return err
			}
			if same([]*string{kept.Crust, kept.Inside, kept.Note, kept.ChangeNext}, []*string{c.Crust, c.Inside, c.Note, c.ChangeNext}) && slices.Equal(kept.Ratings.V, c.Ratings.V) {
				return nil
			}
		}
		if err != nil {
			return err
		}
		have++
		return touched(tx.ExecContext(ctx, `UPDATE cooks SET crust = ?, inside = ?, note = ?, change_next = ?, ratings = ?, outcome_version = ? WHERE id = ?`,
			c.Crust, c.Inside, c.Note, c.ChangeNext, c.Ratings, have, c.ID))
	})
	return have, err
}

// Say keeps one more event of a cook.
func (s *Store) Say(ctx context.Context, c Cook, e cook.Event) error {
	return s.write(ctx, func(tx *sqlx.Tx) error {
		if err := s.say(ctx, tx, c.ID, &e); err != nil {
			return err
		}
		if err := s.note(ctx, tx, c.SessionID, c.ID, "said", e); err != nil {
			return err
		}
		return s.over(ctx, tx, c)
	})
}

// Revoke takes one event of a cook back for good; ErrLive if that would make it live in a place where another is, or beside a supper.
func (s *Store) Revoke(ctx context.Context, c Cook, id string) error {
	return s.write(ctx, func(tx *sqlx.Tx) error {
		if c.FinishedAt == nil {
			if err := s.room(ctx, tx, c); err != nil {
				return err
			}
		}
		if err := touched(tx.ExecContext(ctx, `UPDATE cook_events SET revoked_at = COALESCE(revoked_at, ?) WHERE cook_id = ? AND id = ?`, Time{s.now()}, c.ID, id)); err != nil {
			return err
		}
		if err := s.note(ctx, tx, c.SessionID, c.ID, "revoked", map[string]string{"id": id}); err != nil {
			return err
		}
		return s.over(ctx, tx, c)
	})
}

// DeleteCook puts a finished one aside.
func (s *Store) DeleteCook(ctx context.Context, id string) error {
	c, err := s.Cook(ctx, id)
	if err != nil {
		return err
	}
	if c.FinishedAt == nil {
		return ErrLive
	}
	return touched(s.exec(ctx, `UPDATE cooks SET deleted_at = ? WHERE id = ?`, Time{s.now()}, id))
}

// RestoreCook brings one back.
func (s *Store) RestoreCook(ctx context.Context, id string) (Cook, error) {
	if err := touched(s.exec(ctx, `UPDATE cooks SET deleted_at = NULL WHERE id = ?`, id)); err != nil {
		return Cook{}, err
	}
	return s.Cook(ctx, id)
}
