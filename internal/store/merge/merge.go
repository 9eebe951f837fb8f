// Package merge puts one household into another.
//
// What is of the same id is compared whole (merge.go); what is new, or was
// chosen, is written row by row (rows.go). Which tables make up a thing, and in
// which order things come, stands once, in kinds.
package merge

import (
	"context"
	"errors"
	"fmt"
	"os"
	"strings"

	"github.com/jmoiron/sqlx"

	"velocrustum/internal/store"
)

// Choice is what becomes of something that both households have, but not alike.
type Choice string

const (
	// Keep leaves it as it is here.
	Keep Choice = "keep"
	// Take puts what comes in its place.
	Take Choice = "take"
	// Both keeps what comes beside it, under a name that says so.
	Both Choice = "both"
)

// Difference is one thing that both have, but not alike.
type Difference struct {
	Kind   string   `json:"kind"`
	ID     string   `json:"id"`
	Name   string   `json:"name"`
	Choice Choice   `json:"choice,omitempty"` // what was chosen; empty if nothing was
	May    []Choice `json:"may"`
}

// Tally counts what comes, of one kind.
type Tally struct {
	Kind      string `json:"kind"`
	New       int    `json:"new"`
	Same      int    `json:"same"`
	Different int    `json:"different"`
}

// Merging is what comes of a household that is put into another.
type Merging struct {
	Kinds       []Tally      `json:"kinds"`
	Differences []Difference `json:"differences"`
}

// Open says whether something is different of which nothing was chosen.
func (m Merging) Open() bool {
	for _, d := range m.Differences {
		if d.Choice == "" {
			return true
		}
	}
	return false
}

// ErrUndecided is for a merging with something different, of which nothing was
// chosen.
var ErrUndecided = errors.New("there are differences to decide on")

// part is a table whose rows belong to a thing: those where by is its id.
type part struct{ table, where, order string }

// kind is one kind of thing that a household holds.
type kind struct {
	name, table string
	title       string // what it is called, in SQL
	alive       string // what holds for one that has not been put aside
	named       string // the column that a second one is told apart by
	one         bool   // there cannot be two
	parts       []part
}

const ofSession = `cook_id IN (SELECT id FROM %[1]s.cooks WHERE session_id = ? AND ` + inLogbook + `)`

// inLogbook is so of a cook that is listed, or of one of a supper that never
// was in.
const inLogbook = `(deleted_at IS NULL OR deleted_at = finished_at)`

// Of each kind what others need comes before them.
var kinds = []kind{
	{name: "settings", table: "settings", title: `'the settings'`, alive: "TRUE", one: true},
	{name: "ingredients", table: "pantry", title: `ingredient ->> '$.holds.name'`, alive: "TRUE", one: true},
	{name: "marinades", table: "marinades", title: "name", alive: "TRUE", named: "name"},
	{name: "coats", table: "coats", title: "name", alive: "TRUE", named: "name"},
	{name: "sauces", table: "sauces", title: "name", alive: "TRUE", named: "name"},
	{name: "mixes", table: "mixes", title: "name", alive: "TRUE", named: "mix"},
	{name: "fryers", table: "fryers", title: "name", alive: "deleted_at IS NULL", named: "name"},
	{name: "dishes", table: "plans", title: "name", alive: "deleted_at IS NULL", named: "name"},
	{name: "suppers", table: "suppers", title: "name", alive: "TRUE", named: "name"},
	{name: "cooks", table: "sessions", alive: `EXISTS (SELECT 1 FROM %[1]s.cooks WHERE session_id = sessions.id AND deleted_at IS NULL)`,
		title: `CASE WHEN name <> '' THEN name ELSE (SELECT MIN(name) FROM %[1]s.cooks WHERE session_id = sessions.id) END || ', ' || substr(started_at, 1, 10)`,
		parts: []part{
			{"cooks", `session_id = ? AND ` + inLogbook, "id"},
			{"session_events", "session_id = ? AND revoked_at IS NULL", "seq"},
			{"cook_events", ofSession + " AND revoked_at IS NULL", "cook_id, seq"},
			{"pictures", ofSession + " AND deleted_at IS NULL", "cook_id, added_at, id"},
		}},
}

// apart are the columns in which things that are alike may differ.
var apart = map[string]bool{"version": true, "outcome_version": true, "changed_at": true, "deleted_at": true, "plan_id": true, "seq": true, "lan_passphrase": true, "laid_from": true, "learnt": true, "liked": true, "measuring": true}

// merging is one on its way.
type merging struct {
	store.Pair
	// ids that what comes gets instead of those it had, and pictures that were
	// written.
	ids      map[string]string
	pictures []string
	columns  map[string][]string
}

func over(p store.Pair) *merging {
	return &merging{Pair: p, ids: map[string]string{}, columns: map[string][]string{}}
}

// Into puts all that another household holds into one, or nothing. choose says
// what becomes of what both have, but not alike; where it says nothing of one,
// nothing is put in and the error is ErrUndecided. Without it nothing is put in,
// and what would come of it is returned.
func Into(ctx context.Context, into, from *store.Store, choose func(Difference) Choice, progress func(done, of int)) (out Merging, err error) {
	if choose == nil {
		return out, into.Compare(ctx, from, func(p store.Pair) (err error) {
			out, err = over(p).all(ctx, nil, progress)
			return err
		})
	}
	var m *merging
	err = into.Change(ctx, from, func(p store.Pair) (err error) {
		m = over(p)
		out, err = m.all(ctx, choose, progress)
		return err
	})
	if err != nil && m != nil {
		for _, path := range m.pictures {
			_ = os.Remove(path) // of nothing that was kept
		}
	}
	return out, err
}

// all goes through each kind and thing; with choose it puts them in.
func (m *merging) all(ctx context.Context, choose func(Difference) Choice, progress func(done, of int)) (out Merging, err error) {
	lists, total := make([][]string, len(kinds)), 0
	for i, k := range kinds {
		if err := sqlx.SelectContext(ctx, m.DB, &lists[i], `SELECT id FROM brought.`+k.table+` WHERE `+in(k.alive, "brought")+` ORDER BY id`); err != nil {
			return out, err
		}
		total += len(lists[i])
	}
	done := 0
	out.Differences = []Difference{}
	for i, k := range kinds {
		t := Tally{Kind: k.name}
		for _, id := range lists[i] {
			how, name, err := m.compare(ctx, k, id)
			if err != nil {
				return out, fmt.Errorf("comparing %s %s: %w", k.name, id, err)
			}
			choice := Take
			switch how {
			case isSame:
				t.Same++
				choice = Keep
			case isNew:
				t.New++
			case isDifferent:
				t.Different++
				d := Difference{Kind: k.name, ID: id, Name: name, May: []Choice{Keep, Take, Both}}
				if k.one {
					d.May = d.May[:2]
				}
				if choose != nil {
					d.Choice = choose(d)
				}
				if choice = d.Choice; choice == Both && k.one {
					choice, d.Choice = Keep, Keep
				}
				out.Differences = append(out.Differences, d)
			}
			if choose != nil && (choice == Take || choice == Both) {
				if err := m.put(ctx, k, id, choice); err != nil {
					return out, fmt.Errorf("putting %s %s in: %w", k.name, id, err)
				}
			}
			if done++; progress != nil {
				progress(done, total)
			}
		}
		out.Kinds = append(out.Kinds, t)
	}
	t, err := m.readings(ctx, choose != nil)
	if err != nil {
		return out, err
	}
	out.Kinds = append(out.Kinds, t)
	if choose != nil && out.Open() {
		return out, ErrUndecided
	}
	return out, nil
}

type likeness int

const (
	isNew likeness = iota
	isSame
	isDifferent
)

// in names the household that a condition is of.
func in(where, schema string) string {
	return strings.ReplaceAll(where, "%[1]s", schema)
}

// compare says whether a thing that comes is here, and alike.
func (m *merging) compare(ctx context.Context, k kind, id string) (how likeness, name string, err error) {
	mine, err := m.whole(ctx, k, "main", id)
	if err != nil || mine == nil {
		return isNew, "", err
	}
	theirs, err := m.whole(ctx, k, "brought", id)
	if err != nil {
		return isNew, "", err
	}
	if is, err := alike(mine, theirs); err != nil || is {
		return isSame, "", err
	}
	err = sqlx.GetContext(ctx, m.DB, &name, `SELECT `+in(k.title, "main")+` FROM main.`+k.table+` WHERE id = ?`, id)
	return isDifferent, name, err
}
