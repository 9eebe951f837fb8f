package cook

import (
	"strings"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/sheet"
)

// skippable is two turns and a dial on the way, in since noon.
func skippable(events ...Event) Live {
	in := time.Date(2026, 11, 30, 12, 0, 0, 0, time.UTC)
	l := Live{Program: load.Program{Stages: []load.Stage{{AirC: 170, Minutes: 12}, {AirC: 200, Minutes: 10}}, Turns: []load.Turn{{AtMin: 6, Kind: load.Shake}, {AtMin: 16, Kind: load.Shake}}},
		Pieces: 10, Piece: "chip", Plural: "chips", Judged: ByBite, Started: in}
	l.Events = append([]Event{{ID: "in", Kind: Loaded, At: in}}, events...)
	return l
}

func after(m float64) time.Time {
	return time.Date(2026, 11, 30, 12, 0, 0, 0, time.UTC).Add(minutes(m))
}

// What is left out is not done, holds nothing up, and is said.
func TestATurnIsLeftOut(t *testing.T) {
	l := skippable()
	events, err := l.Add(Event{ID: "no", Kind: Skip, At: after(7)})
	if err != nil {
		t.Fatal(err)
	}
	l.Events = events
	if s := l.Step(after(8)); !strings.Contains(s.Title, "200") || s.Phase != Running {
		t.Errorf("after a shake that is left out: %+v", s)
	}
	if p := l.Actual(); len(p.Turns) != 1 || p.Turns[0].AtMin != 16 {
		t.Errorf("turns as they happened: %+v", p.Turns)
	}
	if says := l.Words(l.Events[1]); !strings.Contains(says, "left out") || !strings.Contains(says, "minute 6") {
		t.Error(says)
	}
	// A dial that is not set: it goes on as it was.
	l.Events = append(l.Events, Event{ID: "cool", Kind: Skip, At: after(13)})
	for _, st := range l.Actual().Stages {
		if st.AirC != 170 {
			t.Errorf("stages as they happened: %+v", l.Actual().Stages)
		}
	}
	l.Events = append(l.Events, Event{ID: "two", Kind: Skip, At: after(17)})
	if _, err := l.Add(Event{ID: "three", Kind: Skip, At: after(18)}); err == nil {
		t.Error("what is not due is left out")
	}
}

// What falls due is asked for though something before it was passed over; a turn that is
// made then is that one.
func TestWhatIsDueIsAskedFor(t *testing.T) {
	l := skippable()
	if s := l.Step(after(12.1)); !strings.Contains(s.Title, "200") || s.Phase != Dialling {
		t.Errorf("six minutes after a shake that nobody made: %+v", s)
	}
	l.Events = append(l.Events, Event{ID: "set", Kind: Dialled, At: after(12.2)}, Event{ID: "shaken", Kind: Turned, At: after(16.1)})
	p := l.Actual()
	if len(p.Turns) != 1 || p.Turns[0].AtMin < 16 {
		t.Errorf("turns as they happened: %+v", p.Turns)
	}
	if s := l.Step(after(16.5)); s.Action != Out {
		t.Errorf("then %+v", s)
	}
	// Made late, before the next is due, it is made late.
	late := skippable(Event{ID: "shaken", Kind: Turned, At: after(9)})
	if p := late.Actual(); len(p.Turns) != 2 || p.Turns[0].AtMin != 9 {
		t.Errorf("made late: %+v", p.Turns)
	}
}

// A task of a supper may be left out, the table and what goes in or comes out not.
func TestATaskIsLeftOut(t *testing.T) {
	e := night(t, 1)
	e.tap(t, Doing{ID: "slaw/1", Action: Skip}, e.Sheet.StartAt.Add(time.Minute))
	c := e.By(e.Sheet.StartAt.Add(2 * time.Minute))
	if d := find(c.Tasks, "slaw/1"); d == nil || d.State != Ended {
		t.Errorf("left out, it is %+v", d)
	}
	for _, id := range []sheet.TaskID{sheet.TableTask} {
		if _, err := e.Add(Said{ID: "x", Kind: Skip, Task: id, At: e.Sheet.StartAt}); err == nil {
			t.Errorf("%s is left out", id)
		}
	}
}

// What is blamed is what the table waits for, not what is late beside it.
func TestBlameGoesWhereTheMinutesWent(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	e := night(t, 1)
	// The wings stay in for a quarter of an hour too long, and nobody has shredded.
	now := e.Sheet.StartAt
	for range 2000 {
		c := e.By(now)
		if c.Over {
			break
		}
		if wings := find(c.Tasks, "wings/2/out"); wings != nil && wings.State == Due && now.Sub(wings.Planned) > 15*time.Minute {
			if !strings.Contains(c.Says, "wings") || strings.Contains(strings.SplitN(c.Says, ".", 2)[0], "slaw") {
				t.Errorf("%q, while the wings are in", c.Says)
			}
			return
		}
		for _, d := range c.Now {
			if d.State == Due && d.ID != "wings/2/out" && d.ID != "slaw/1" && d.Kind != sheet.Rests {
				e.tap(t, d, now)
				break
			}
		}
		now = now.Add(20 * time.Second)
	}
	t.Error("the wings never fell due")
}

// Where it browns quicker at one end, front and back change over at a turn, and not at a
// shake; of one piece nothing changes over. A look says of which end it was.
func TestFrontAndBackChangeOver(t *testing.T) {
	l := plan()
	say(t, &l, 4, Loaded, 0)
	step := func(l Live) string { return l.Step(start.Add(minutes(5))).Detail }
	if s := step(l); strings.Contains(s, "front and back") {
		t.Errorf("nothing is known of it: %q", s)
	}
	l.Quicker = load.AtBack
	if s := step(l); !strings.Contains(s, "Change front and back over: it browns quicker at the back here.") {
		t.Errorf("quicker at the back: %q", s)
	}
	one := l
	one.Pieces = 1
	shaken := l
	shaken.Program.Turns = []load.Turn{{AtMin: l.Program.Turns[0].AtMin, Kind: load.Shake}}
	for name, l := range map[string]Live{"one piece": one, "a shake": shaken} {
		if s := step(l); strings.Contains(s, "front and back") {
			t.Errorf("%s: %q", name, s)
		}
	}
	e := Event{Kind: Look, At: start.Add(minutes(8)), Value: 2, Where: load.AtFront}
	if w := l.Words(e); w != "looks gold at the front" {
		t.Errorf("it %s", w)
	}
	for _, no := range []Event{{Kind: Look, At: e.At, Where: "middle"}, {Kind: Probe, At: e.At, Value: 40, Where: load.AtBack}} {
		if _, err := l.Add(no); err == nil || !strings.Contains(err.Error(), "front or back") {
			t.Errorf("%+v: %v", no, err)
		}
	}
	if _, err := l.Add(e); err != nil {
		t.Error(err)
	}
}

// What was turned of one lot alone is called by its name; of all of them, or where there is
// one, by itself.
func TestATurnOfOneLotIsCalledByIt(t *testing.T) {
	l := plan()
	l.Lots = []LotIn{{Name: "legs", Pieces: 4}, {Name: "wedges", Pieces: 8}}
	l.Program.Turns = []load.Turn{{AtMin: 8, Kind: load.Flip, Lots: []int{1}}, {AtMin: 12, Kind: load.Shake}}
	say(t, &l, 4, Loaded, 0)
	turned := func(l *Live, id string, minute float64) {
		t.Helper()
		all, err := l.Add(Event{ID: id, Kind: Turned, At: start.Add(minutes(minute))})
		if err != nil {
			t.Fatal(err)
		}
		l.Events = all
	}
	turned(&l, "a", 12)
	turned(&l, "b", 16)
	turned(&l, "more", 20) // of none that was due
	var said []string
	for _, e := range l.Events {
		if e.Kind == Turned {
			said = append(said, l.Words(e))
		}
	}
	if got := strings.Join(said, "; "); got != "the wedges turned; shaken; turned" {
		t.Errorf("said: %q", got)
	}
	one := plan()
	say(t, &one, 4, Loaded, 0)
	turned(&one, "c", 16)
	if w := one.Words(one.Events[len(one.Events)-1]); w != "turned" {
		t.Errorf("of one: %q", w)
	}
}

// Two drawers that share a dish are told how many go into each.
func TestHowManyGoIntoEachDrawer(t *testing.T) {
	for pieces, want := range map[int]string{1: "", 2: ", one in each drawer", 3: ", two in one drawer and one in the other", 8: ", four in each drawer"} {
		if got := (Live{Drawers: 2, Pieces: pieces}).each(); got != want {
			t.Errorf("%d pieces: %q", pieces, got)
		}
		if got := (Live{Drawers: 1, Pieces: pieces}).each(); got != "" {
			t.Errorf("%d pieces in one drawer: %q", pieces, got)
		}
	}
	if got := (Live{Drawers: 2, Pieces: 5, Lots: make([]LotIn, 2)}).each(); got != ", half of each in each drawer" {
		t.Errorf("of two lots: %q", got)
	}
}
