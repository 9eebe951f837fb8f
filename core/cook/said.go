package cook

import (
	"fmt"
	"slices"
	"time"

	"velocrustum/core/refuse"
	"velocrustum/core/sheet"
)

// FileProbe begins the name of what a thermometer's own file holds.
const FileProbe = "file-"

// MostPeople are the most that a supper is for.
const MostPeople = 40

// Kinds of what is said of an evening, beside what is said of a basket.
const (
	Done = "done" // a task
	// A task that is left out is said by Skip.
	Come   = "people" // as many come to the table as it says
	GiveUp = "giveup" // the evening is over
)

// SoonH is how far ahead a supper's table may be when it is begun, hours; of one
// that is further ahead it is meant for as soon as it can be.
const SoonH = 12.0

// Said is one thing said of an evening.
type Said struct {
	ID   string       `json:"id"`
	Kind string       `json:"kind"`
	Task sheet.TaskID `json:"task"`
	// People is how many come, where that is said.
	People int       `json:"people,omitempty"`
	At     time.Time `json:"at"`
}

// Add returns what was said with one thing more, or why it cannot be.
func (e *Evening) Add(s Said) ([]Said, error) {
	if slices.ContainsFunc(e.Said, func(o Said) bool {
		return o.ID == s.ID || s.Kind != Come && o.Task == s.Task && (o.Kind == s.Kind || s.Kind != GiveUp && o.Kind != GiveUp)
	}) {
		return e.Said, nil
	}
	if e.Over() {
		return nil, refuse.One("kind", s.Kind, "nothing more: this supper is over; undo to go on with it")
	}
	switch s.Kind {
	case GiveUp:
	case Come:
		if s.People < 1 || s.People > MostPeople {
			return nil, refuse.One("people", fmt.Sprint(s.People), fmt.Sprintf("1 to %d", MostPeople))
		}
	case Done, Skip:
		i := slices.IndexFunc(e.Sheet.Tasks, func(t sheet.Task) bool { return t.ID == s.Task })
		if i < 0 || e.Sheet.Tasks[i].Hands == 0 || e.basketOf(e.Sheet.Tasks[i]) != nil {
			return nil, refuse.One("task", string(s.Task), "one of this supper's that hands do, but for what is said of a basket itself")
		}
		if s.Kind == Skip && (e.Sheet.Tasks[i].Kind == sheet.Table || e.Sheet.Tasks[i].Kind == sheet.Load || e.Sheet.Tasks[i].Kind == sheet.TakeIt) {
			return nil, refuse.One("task", e.Sheet.Tasks[i].Says, "something that may be left out; what goes in comes out, and the table is laid")
		}
		if e.Sheet.Tasks[i].Kind == sheet.Table {
			for _, b := range e.Baskets {
				if e.Sheet.TableOf(b.Dish) != s.Task {
					continue
				}
				_, out := b.OutAt()
				switch {
				case out || !b.first(Stop).IsZero():
				case b.frying():
					return nil, refuse.One("task", "plates to the table", "after what is in the fryer is out: "+b.Name)
				default:
					return nil, refuse.One("task", "plates to the table", "after every basket was in and is out, or is given up: "+b.Name)
				}
			}
		}
	default:
		return nil, refuse.One("kind", s.Kind, "done, skip, people, giveup")
	}
	return append(slices.Clone(e.Said), s), nil
}

// Begun says whether a dish is past changing its amounts: something was done for it on
// the bench, or of one of its baskets something was said.
func (e *Evening) Begun(dish string) bool {
	if slices.ContainsFunc(e.Baskets, func(b *LedBasket) bool { return b.Dish == dish && len(b.Live.Events) > 0 }) {
		return true
	}
	return slices.ContainsFunc(e.Sheet.Tasks, func(t sheet.Task) bool {
		return t.Dish == dish && !e.doneAt(t.ID).IsZero()
	})
}

// Served is when a dish was said to be on its table, zero if it was not, and whether it
// went back in before.
func (e *Evening) Served(dish string) (at time.Time, flashed bool) {
	back := e.Sheet.Flashed(dish)
	flashed = back != "" && slices.ContainsFunc(e.Said, func(s Said) bool { return s.Kind == Done && s.Task == back })
	return e.doneAt(e.Sheet.TableOf(dish)), flashed
}
