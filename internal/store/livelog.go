package store

import (
	"context"
	"encoding/json"
	"time"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/cook"
)

// Entry is one line of what was said, in the order for all devices.
type Entry struct {
	Seq       int64           `db:"seq" json:"seq"`
	SessionID string          `db:"session_id" json:"session"`
	CookID    string          `db:"cook_id" json:"cook,omitempty"`
	What      string          `db:"what" json:"what"` // begun, said, revoked, read
	Event     json.RawMessage `db:"event" json:"event,omitempty"`
	At        Time            `db:"at" json:"at"`
}

// note adds a line to the log, in the transaction of what it tells of.
func (s *Store) note(ctx context.Context, tx *sqlx.Tx, session, cookID, what string, event any) error {
	text, err := json.Marshal(event)
	if err != nil {
		return err
	}
	_, err = tx.ExecContext(ctx, `INSERT INTO live_log (session_id, cook_id, what, event, at) VALUES (?, ?, ?, ?, ?)`, session, cookID, what, string(text), Time{s.now()})
	return err
}

// Since returns what was said after a line of the log, up to so many lines.
func (s *Store) Since(ctx context.Context, seq int64, most int) ([]Entry, error) {
	out := []Entry{}
	rows := []struct {
		Entry
		Text string `db:"text"`
	}{}
	err := s.db.SelectContext(ctx, &rows, `SELECT seq, session_id, cook_id, what, event AS text, at FROM live_log WHERE seq > ? ORDER BY seq LIMIT ?`, seq, most)
	for _, r := range rows {
		r.Entry.Event = json.RawMessage(r.Text)
		out = append(out, r.Entry)
	}
	return out, err
}

// LastSeq is the number of the log's last line.
func (s *Store) LastSeq(ctx context.Context) (seq int64, err error) {
	err = s.db.GetContext(ctx, &seq, `SELECT COALESCE((SELECT seq FROM sqlite_sequence WHERE name = 'live_log'), 0)`)
	return seq, err
}

// Reading is what a thermometer read at a moment, °C.
type Reading struct {
	At time.Time `json:"at"`
	C  float64   `json:"c"`
}

// AddReadings keeps what a thermometer sent; what came before counts once. It
// returns how many are new.
func (s *Store) AddReadings(ctx context.Context, probe string, all []Reading, session string) (n int, err error) {
	err = s.write(ctx, func(tx *sqlx.Tx) error {
		for _, r := range all {
			done, err := tx.ExecContext(ctx, `INSERT INTO readings (probe_id, at, c) VALUES (?, ?, ?) ON CONFLICT DO NOTHING`, probe, Time{r.At}, r.C)
			if err != nil {
				return err
			}
			k, err := done.RowsAffected()
			if err != nil {
				return err
			}
			n += int(k)
		}
		if n == 0 || session == "" {
			return nil
		}
		return s.note(ctx, tx, session, "", "read", map[string]any{"probe": probe, "readings": n})
	})
	return n, err
}

// Readings are what a thermometer read from a moment until another, in the
// order of their times.
func (s *Store) Readings(ctx context.Context, probe string, from, until time.Time) ([]Reading, error) {
	var rows []struct {
		At Time    `db:"at"`
		C  float64 `db:"c"`
	}
	err := s.db.SelectContext(ctx, &rows, `SELECT at, c FROM readings WHERE probe_id = ? AND at >= ? AND at <= ? ORDER BY at`, probe, Time{from}, Time{until})
	out := make([]Reading, len(rows))
	for i, r := range rows {
		out[i] = Reading{r.At.Time, r.C}
	}
	return out, err
}

// Probe is a thermometer that has sent something.
type Probe struct {
	ID string  `db:"probe_id" json:"id"`
	At Time    `db:"at" json:"at"` // of its last reading
	C  float64 `db:"c" json:"c"`
}

// Probes are the thermometers that have sent something since, the latest
// first.
func (s *Store) Probes(ctx context.Context, since time.Time) ([]Probe, error) {
	out := []Probe{}
	err := s.db.SelectContext(ctx, &out, `SELECT probe_id, at, c FROM (SELECT probe_id, at, c, ROW_NUMBER() OVER (PARTITION BY probe_id ORDER BY at DESC) AS n FROM readings WHERE at >= ? AND probe_id NOT LIKE '`+cook.FileProbe+`%') WHERE n = 1 ORDER BY at DESC, probe_id`, Time{since})
	return out, err
}

// Moved is when a thermometer was next put somewhere after a moment; nil if it
// was not.
func (s *Store) Moved(ctx context.Context, probe string, after time.Time) (*time.Time, error) {
	var at *Time
	err := s.db.GetContext(ctx, &at, `SELECT MIN(at) FROM cook_events WHERE probe = ? AND kind = 'left-in' AND revoked_at IS NULL AND at > ?`, probe, Time{after})
	if err != nil || at == nil {
		return nil, err
	}
	return &at.Time, nil
}

// FileOf is the name under which the readings of a thermometer's own file are
// kept for a cook.
func FileOf(cookID string) string { return cook.FileProbe + cookID }

// LayCurve keeps the readings of a thermometer's own file for a cook, in the
// place of those that were laid before.
func (s *Store) LayCurve(ctx context.Context, c Cook, read []Reading, e cook.Event) error {
	return s.write(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `DELETE FROM readings WHERE probe_id = ?`, e.Probe); err != nil {
			return err
		}
		if _, err := tx.ExecContext(ctx, `UPDATE cook_events SET revoked_at = ? WHERE cook_id = ? AND probe = ? AND revoked_at IS NULL`, Time{s.now()}, c.ID, e.Probe); err != nil {
			return err
		}
		if err := s.say(ctx, tx, c.ID, &e); err != nil {
			return err
		}
		for _, r := range read {
			if _, err := tx.ExecContext(ctx, `INSERT INTO readings (probe_id, at, c) VALUES (?, ?, ?) ON CONFLICT DO NOTHING`, e.Probe, Time{r.At}, r.C); err != nil {
				return err
			}
		}
		return s.note(ctx, tx, c.SessionID, c.ID, "said", e)
	})
}
