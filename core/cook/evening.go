package cook

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/run"
	"velocrustum/core/sheet"
)

// # A supper led through
//
// What is still to come is laid anew from what was said: first as early as it
// goes, which says how late the table is; then with all that would stand and
// age put off by as much. Nothing is placed before now.

// An Evening is a supper as planned and as told.
type Evening struct {
	Sheet   sheet.Sheet
	Hands   int
	Baskets []*LedBasket
	Said    []Said
	// Names are what fryers and other places are called.
	Names map[string]string
}

// A LedBasket is one of an evening, led by itself.
type LedBasket struct {
	Live
	Dish    string
	Number  int
	Of      int
	Name    string
	FryerID string
	Known
	Foreseen bool // by what was seen of it, not beforehand
}

// Key names a basket in an evening.
func (b *LedBasket) Key() string { return fmt.Sprintf("%s/%d", b.Dish, b.Number) }

// States of what there is to do.
const (
	Coming = "coming"
	Due    = "due"   // asks for hands now
	Going  = "going" // by itself
	Ended  = "done"
)

// Doing is one thing of an evening, as it is now foreseen.
type Doing struct {
	ID     sheet.TaskID `json:"id"`
	Dish   string       `json:"dish,omitempty"`
	Basket int          `json:"basket,omitempty"`
	Kind   string       `json:"kind"`
	Place  string       `json:"place"`
	Where  string       `json:"where"` // the place, in words
	// Name is whose it is: a basket, a sauce, a side; of what is none of
	// these, what is done.
	Name   string    `json:"name"`
	Title  string    `json:"title"`
	Detail string    `json:"detail"`
	Start  time.Time `json:"start"`
	End    time.Time `json:"end"`
	// Planned is when the sheet had it, Until what its clock counts to.
	Planned time.Time `json:"planned"`
	Until   time.Time `json:"until"`
	State   string    `json:"state"`
	Hands   int       `json:"hands"`
	// Of is the basket of which Action is said; empty where the task is done.
	Of     string `json:"of,omitempty"`
	Action string `json:"action,omitempty"`
	Label  string `json:"label,omitempty"`
	// MaySkip says that it may be left out.
	MaySkip bool `json:"maySkip,omitempty"`
	// LeftOut says that it was not made, though it is done with.
	LeftOut bool `json:"leftOut,omitempty"`
	// Asks is what has to be asked before it is said to be done, Caution what
	// of the food that it is about is not shown safe.
	Asks    *Asks  `json:"asks,omitempty"`
	Caution string `json:"caution,omitempty"`

	after    []sheet.TaskID
	length   float64 // minutes
	least    float64 // of a wait
	moment   bool    // counted down to, not through
	run      *LedBasket
	fixed    bool // begins when it does, whatever hands do
	shiftBy  bool // would stand and age
	finished bool
	waits    time.Time // for what comes before it, at the soonest
	waitsFor string    // that, in words, where it is not done yet
}

// Course is an evening as it is now foreseen.
type Course struct {
	ServeAt time.Time `json:"serveAt"`
	LateMin float64   `json:"lateMin"`
	Says    string    `json:"says"`
	Now     []Doing   `json:"now"`
	Next    []Doing   `json:"next"`
	Tasks   []Doing   `json:"tasks"`
	Over    bool      `json:"over"`
}

// doneAt is when a task was said to be done; zero if it was not.
func (e *Evening) doneAt(task sheet.TaskID) time.Time {
	for _, s := range e.Said {
		if (s.Kind == Done || s.Kind == Skip) && s.Task == task {
			return s.At
		}
	}
	return time.Time{}
}

// Over says whether the evening is: on the table with nothing in a fryer, or
// given up.
func (e *Evening) Over() bool {
	for _, s := range e.Said {
		if s.Kind == GiveUp {
			return true
		}
	}
	if slices.ContainsFunc(e.Sheet.Tasks, func(t sheet.Task) bool { return t.Kind == sheet.Table && e.doneAt(t.ID).IsZero() }) {
		return false
	}
	return !slices.ContainsFunc(e.Baskets, (*LedBasket).frying)
}

// frying says whether food is in a fryer.
func (b *LedBasket) frying() bool {
	_, in := b.loadedAt()
	_, out := b.OutAt()
	return in && !out && !b.over()
}

// basketOf is the basket that a task of the sheet belongs to, where it is said
// of the basket itself; nil otherwise.
func (e *Evening) basketOf(t sheet.Task) *LedBasket {
	switch t.Kind {
	case sheet.Load, sheet.Run, sheet.Turn, sheet.TakeIt, sheet.Heat, sheet.Rests, sheet.Hold:
	default:
		return nil
	}
	for _, b := range e.Baskets {
		if b.Dish == t.Dish && b.Number == t.Basket {
			return b
		}
	}
	return nil
}

// By lays the evening anew at now.
func (e *Evening) By(now time.Time) Course {
	first := e.placed(now, 0, false)
	tasks := first
	// What would stand and age is put off by as much as the rest is late, not by
	// what is itself due: a clock that has begun runs on.
	if table := find(first, sheet.TableTask); table != nil && !table.finished {
		if late := e.behind(now); late > 0 {
			tasks = e.placed(now, late, false)
			if t := find(tasks, sheet.TableTask); t.End.Sub(table.End) > 30*time.Second {
				// Putting off cost time that was not there: rather early than later.
				tasks = first
			} else {
				e.fellDue(tasks, now)
			}
		}
	}
	out := Course{ServeAt: e.Sheet.ServeAt, Tasks: tasks, Over: e.Over(), Now: []Doing{}, Next: []Doing{}}
	if t := find(tasks, sheet.TableTask); t != nil {
		out.ServeAt = t.End
	}
	if t := behindMost(tasks); t != nil {
		out.LateMin = math.Round(math.Max(0, t.late()))
	}
	for i := range tasks {
		t := &tasks[i]
		if t.Until = t.Start; !t.moment && t.State == Due {
			t.Until = t.Start.Add(minutes(t.length)) // it counts from when it fell due
		}
		e.cautions(t, now)
	}
	out.Says = e.says(&out, first, now)
	if out.Over {
		return out
	}
	e.asks(&out, now)
	return out
}

// late is by how much later than planned a table is, minutes.
func (d *Doing) late() float64 { return d.End.Sub(d.Planned).Minutes() - d.length }

// behindMost is the table that is latest of those that are not laid, else of all.
func behindMost(tasks []Doing) (worst *Doing) {
	for i := range tasks {
		d := &tasks[i]
		if d.Kind == sheet.Table && (worst == nil || worst.finished && !d.finished || worst.finished == d.finished && d.late() > worst.late()) {
			worst = d
		}
	}
	return worst
}

// behind is how late the rest is, minutes, where what is due is taken to end
// when it would have; 0 for what is not worth putting anything off.
func (e *Evening) behind(now time.Time) float64 {
	t := find(e.placed(now, 0, true), sheet.TableTask)
	if t == nil {
		return 0
	}
	if late := t.End.Sub(e.Sheet.ServeAt).Minutes(); late >= 0.5 {
		return late
	}
	return 0
}

// dueStep is how finely it is found when something fell due, and dueBack how
// far back that is looked for.
const dueStep, dueBack = 15 * time.Second, 30 * time.Minute

// fellDue has what was put off, and is due, count from when it first fell due,
// however late the rest has become since.
func (e *Evening) fellDue(tasks []Doing, now time.Time) {
	for i := range tasks {
		d := &tasks[i]
		if d.State != Due || !d.shiftBy {
			continue
		}
		least := later(d.waits, d.Planned)
		for k := int(now.Sub(d.Planned) / dueStep); k >= 0; k-- {
			t := d.Planned.Add(time.Duration(k) * dueStep)
			if t.Before(least) || now.Sub(t) > dueBack {
				break
			}
			if d.Planned.Add(minutes(e.by(t).behind(t))).After(t) {
				break
			}
			if t.Before(d.Start) {
				d.Start = t
			}
		}
	}
}

// by is the evening as it had been told by a moment.
func (e *Evening) by(t time.Time) *Evening {
	out := *e
	out.Said = slices.DeleteFunc(slices.Clone(e.Said), func(s Said) bool { return s.At.After(t) })
	out.Baskets = make([]*LedBasket, len(e.Baskets))
	for i, b := range e.Baskets {
		one := *b
		one.Live.Events = slices.DeleteFunc(slices.Clone(b.Live.Events), func(o Event) bool { return o.At.After(t) })
		out.Baskets[i] = &one
	}
	return &out
}

// handles are the kinds of task that go on with food that is out.
var handles = map[string]bool{sheet.Rests: true, sheet.Hold: true, sheet.Flash: true, sheet.Dress: true, sheet.Finish: true, sheet.Table: true}

// notShown are the baskets of a dish, or of all, that are out and not shown
// safe, and what is missing.
func (e *Evening) notShown(dish string, number int, now time.Time) (names []string, says string) {
	for _, b := range e.Baskets {
		if dish != "" && b.Dish != dish || number != 0 && b.Number != number {
			continue
		}
		if _, out := b.OutAt(); !out {
			continue
		}
		if s := b.Shown(b.Known, now); s != nil && !s.Safe {
			if names = append(names, b.Name); says == "" {
				says = s.Says
			}
		}
	}
	return names, says
}

// cautions puts in what has to be asked before a thing is said to be done, and
// what is not shown safe of the food that it is about.
func (e *Evening) cautions(d *Doing, now time.Time) {
	if d.State == Ended {
		return
	}
	if handles[d.Kind] {
		if names, says := e.notShown(d.Dish, d.Basket, now); len(names) > 0 {
			d.Caution = notShownSays(names) + " " + says
		}
	}
	switch {
	case d.Action == Out && d.run != nil:
		d.Asks = d.run.AsksBeforeOut(d.run.Known)
	case d.Kind == sheet.Table && d.Caution != "":
		d.Asks = &Asks{Says: d.Caution + " " + asksTable}
	case d.Action == Rested:
		until := d.End
		d.Asks = &Asks{Until: &until, Says: asksRest}
	case d.Action == Turned || d.Action == Dialled:
		d.Asks = d.run.early(d.Start)
	case d.Action == Done && d.waitsFor != "":
		d.Asks = &Asks{Says: asksBefore(d.waitsFor)}
	case d.Action == Done && d.waits.After(now.Add(minutes(wellBefore))):
		until := d.waits.Add(-minutes(wellBefore))
		d.Asks = &Asks{Until: &until, Says: asksUntil(e.clock(d.waits))}
	}
	if d.Asks != nil && d.Asks.Until != nil && !d.Asks.Until.After(now) {
		d.Asks = nil
	}
}

func (e *Evening) clock(t time.Time) string {
	return t.In(e.Sheet.ServeAt.Location()).Format("15:04")
}

func find(tasks []Doing, id sheet.TaskID) *Doing {
	if i := slices.IndexFunc(tasks, func(d Doing) bool { return d.ID == id }); i >= 0 {
		return &tasks[i]
	}
	return nil
}

// urgency of what is due: what burns first.
var urgency = map[string]int{sheet.TakeIt: 0, sheet.Turn: 1, sheet.Load: 2, sheet.Heat: 3, sheet.Table: 4, sheet.Dress: 4, sheet.Finish: 4, sheet.Pan: 5, sheet.Own: 6, sheet.Bench: 6, sheet.Rests: 9}

// nexts is how many things are shown beside what is asked now.
const nexts = 3

// asks picks what is asked for now, one thing for each pair of hands, the most
// urgent first, and what comes next.
func (e *Evening) asks(c *Course, now time.Time) {
	var open []Doing
	for _, d := range c.Tasks {
		if d.Action != "" && d.State != Ended {
			open = append(open, d)
		}
	}
	slices.SortStableFunc(open, func(a, b Doing) int {
		x, y := a.State == Due, b.State == Due
		switch {
		case x != y && x:
			return -1
		case x != y:
			return 1
		case x && y:
			// What was passed over for minutes waits behind what is due.
			left, right := now.Sub(a.Start).Minutes() >= forgotten && a.Kind == sheet.Turn, now.Sub(b.Start).Minutes() >= forgotten && b.Kind == sheet.Turn
			if left != right {
				return map[bool]int{true: 1, false: -1}[left]
			}
			return cmp.Or(urgency[a.Kind]-urgency[b.Kind], a.Start.Compare(b.Start))
		}
		return a.Start.Compare(b.Start)
	})
	hands := 0
	for _, d := range open {
		switch {
		case len(c.Now) == 0, d.State == Due && len(c.Next) == 0 && hands+max(1, d.Hands) <= e.Hands:
			c.Now, hands = append(c.Now, d), hands+max(1, d.Hands)
		case len(c.Next) < nexts:
			c.Next = append(c.Next, d)
		}
	}
}

// lateFrom is what is told as late, minutes.
const lateFrom = 1.0

// says is what is late, what moves and what waits, in one sentence.
func (e *Evening) says(c *Course, first []Doing, now time.Time) string {
	out := standing{over: c.Over, lateMin: c.LateMin}
	for _, d := range c.Tasks {
		if d.Kind == sheet.Table && (!d.finished || d.ID == sheet.TableTask) {
			out.tables = append(out.tables, tableAt{sheet.TableFor(d.Title), e.clock(d.End)})
		}
	}
	out.notShown, _ = e.notShown("", 0, now)
	if c.Over || c.LateMin < lateFrom {
		return out.says()
	}
	// What is behind by most, of what is not done.
	var worst *Doing
	for i := range first {
		d := &first[i]
		if d.finished || d.State == Coming || d.Kind == sheet.Table || d.Action == "" && d.Kind != sheet.Run || d.End.Sub(d.Planned).Minutes()-d.length < lateFrom {
			continue
		}
		if worst == nil || d.Start.Before(worst.Start) {
			worst = d
		}
	}
	if held := holdsUp(first); held != nil {
		worst = held
	}
	if worst != nil && worst.End.Sub(worst.Planned).Minutes()-worst.length >= lateFrom {
		out.heldUpBy = worst.Name
	}
	for _, d := range c.Tasks {
		stands := d.Kind == sheet.Load || d.Kind == sheet.Pan || d.Kind == sheet.Own
		if len(out.canWait) < 2 && d.Action != "" && d.State == Coming && stands && d.Start.Sub(d.Planned).Minutes() >= lateFrom {
			out.canWait = append(out.canWait, canWait{d.Name, e.clock(d.Start)})
		}
	}
	return out.says()
}

// holdsUp is what the table waits for now: of all that comes before it the last to end,
// and before that, down to what is due or goes on.
func holdsUp(tasks []Doing) *Doing {
	at := behindMost(tasks)
	for range tasks {
		if at == nil || at.Kind != sheet.Table && (at.State == Due || at.State == Going) {
			return at
		}
		var last *Doing
		for _, id := range at.after {
			if d := find(tasks, id); d != nil && !d.finished && d.State != Ended && !d.elastic() && (last == nil || d.End.After(last.End)) {
				last = d
			}
		}
		at = last
	}
	return nil
}

// Costs says what more minutes for a basket would cost the rest.
func (e *Evening) Costs(b *LedBasket, more float64, now time.Time) string {
	// By the program alone, with and without them.
	table := func(events []Event) time.Time {
		other, plain := *e, *b
		plain.Foreseen, plain.Live.Events = false, events
		other.Baskets = slices.Clone(e.Baskets)
		other.Baskets[slices.Index(e.Baskets, b)] = &plain
		return other.By(now).ServeAt
	}
	before := table(b.Live.Events)
	after := table(append(slices.Clone(b.Live.Events), Event{Kind: More, At: now, Value: more}))
	return costsSays(more, after.Sub(before).Minutes(), e.clock(after))
}

// OverdueSays says what minutes past its end have done to what is still in a
// fryer, by its forecast.
func (l Live) OverdueSays(line []run.Moment, over float64) string {
	end, now := run.FirstFrom(line, l.EndMin()), run.FirstFrom(line, l.EndMin()+over)
	if l.StopsItself {
		return stoodSays(over, end.Softer(), now.Softer())
	}
	return wentOnSays(over, belief.ShadeOf(end.Browner()), belief.ShadeOf(now.Browner()), end.JuicePct, now.JuicePct)
}

// DialC is what the dial stands at, by what was said.
func (l Live) DialC(now time.Time) float64 {
	p := l.By(now)
	loaded, ok := l.loadedAt()
	if !ok {
		return p.Stages[0].AirC
	}
	return p.StageAt(now.Sub(loaded).Minutes()).AirC
}
