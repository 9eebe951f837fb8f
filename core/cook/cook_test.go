package cook

import (
	"math"
	"strings"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/units"
)

var start = time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC)

func plan() Live {
	return Live{
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 165, Minutes: 12}, {AirC: 200, Minutes: 10}},
			Turns: []load.Turn{{AtMin: 12, Kind: load.Flip}, {AtMin: 18, Kind: load.Shake}}},
		Pieces: 11, Piece: "wing flat", Plural: "wing flats", Faces: [2]string{"Skin side", "Underside"},
		Started: start, Degrees: units.Celsius,
	}
}

// say adds an event at a minute after the start and fails if it is refused.
func say(t *testing.T, l *Live, minute float64, kind string, value float64) {
	t.Helper()
	events, err := l.Add(Event{Kind: kind, At: start.Add(minutes(minute)), Value: value})
	if err != nil {
		t.Fatalf("minute %g, %s: %v", minute, kind, err)
	}
	l.Events = events
}

func TestLedThroughAProgram(t *testing.T) {
	l := plan()
	steps := []struct {
		minute      float64
		kind        string
		value       float64
		phase, next string
		title       string
		left        float64 // minutes to the next thing, at the minute after the event
	}{
		{0, "", 0, Heating, "load", "Heat the empty basket to 165 °C", 4},
		{4.5, "", 0, Loading, "", "Put all eleven in, skin side up", 0},
		{5, Loaded, 0, Running, "turn", "Turn all eleven, set 200 °C", 12},
		{17, "", 0, Turning, "turn", "Turn all eleven, set 200 °C", 0},
		{17.5, Turned, 0, Running, "turn", "Shake the basket", 5.5},
		{23, Turned, 0, Running, "out", "Take all eleven out", 4},
		{27, "", 0, TakingOut, "out", "Take all eleven out", 0},
		{27.5, More, 2, Running, "out", "Take all eleven out", 1.5},
		{29.5, Out, 0, Finished, "", "Out of the basket", 0},
	}
	for _, c := range steps {
		if c.kind != "" {
			say(t, &l, c.minute, c.kind, c.value)
		}
		now := start.Add(minutes(c.minute))
		s := l.Step(now)
		if s.Phase != c.phase || s.Title != c.title || s.Next != c.next {
			t.Errorf("minute %g: %q %q next %q; want %q %q next %q", c.minute, s.Phase, s.Title, s.Next, c.phase, c.title, c.next)
		}
		if left := s.Until.Sub(now).Minutes(); c.left > 0 && math.Abs(left-c.left) > 0.01 {
			t.Errorf("minute %g: %g minutes left, want %g", c.minute, left, c.left)
		}
	}
	p := l.Actual()
	if len(p.Stages) != 2 || math.Abs(p.Stages[0].Minutes-12.5) > 0.02 || math.Abs(p.Stages[1].Minutes-12) > 0.02 {
		t.Errorf("as it happened: stages %v, want 12.5 and 12 minutes", p.Stages)
	}
	if len(p.Turns) != 2 || math.Abs(p.Turns[0].AtMin-12.5) > 0.02 || p.Turns[1].Kind != load.Shake {
		t.Errorf("as it happened: turns %v", p.Turns)
	}
	if math.Abs(p.PreheatMin-5) > 0.01 {
		t.Errorf("preheated %g minutes, want 5", p.PreheatMin)
	}
}

func TestWhatCannotBeSaid(t *testing.T) {
	l := plan()
	refused := func(kind string, value float64) {
		t.Helper()
		if _, err := l.Add(Event{Kind: kind, Value: value, At: start.Add(time.Hour)}); err == nil {
			t.Errorf("%s %g was taken", kind, value)
		}
	}
	refused(Turned, 0)
	refused(Out, 0)
	refused("fried", 0)
	say(t, &l, 4, Loaded, 0)
	refused(Loaded, 0)
	refused(Probe, 500)
	refused(More, -2)
	refused(More, math.NaN())
	refused(Stop, 0)
	say(t, &l, 10, Out, 0)
	refused(Turned, 0)
}

func TestDoubleTapCountsOnce(t *testing.T) {
	l := plan()
	say(t, &l, 4, Loaded, 0)
	say(t, &l, 16, Turned, 0)
	n := len(l.Events)
	say(t, &l, 16+2.0/60, Turned, 0)
	if len(l.Events) != n {
		t.Error("a second tap two seconds later was counted")
	}
}

func TestTakenOutAtOnceStillMakesAProgram(t *testing.T) {
	l := plan()
	say(t, &l, 4, Loaded, 0)
	say(t, &l, 4.2, Out, 0)
	p := l.Actual()
	total := 0.0
	for _, s := range p.Stages {
		total += s.Minutes
	}
	if total < 0.5 || len(p.Turns) != 0 {
		t.Errorf("program %+v", p)
	}
}

func TestALateDialMovesTheJoin(t *testing.T) {
	l := plan()
	l.Program.Turns = nil
	say(t, &l, 4, Loaded, 0)
	if s := l.Step(start.Add(minutes(16.5))); s.Phase != Dialling || s.Title != "Set 200 °C" || s.Action != Dialled {
		t.Errorf("at the join: %+v", s)
	}
	say(t, &l, 18, Dialled, 0)
	p := l.Actual()
	if math.Abs(p.Stages[0].Minutes-14) > 0.02 || math.Abs(p.Stages[1].Minutes-8) > 0.02 {
		t.Errorf("set two minutes late: stages %v", p.Stages)
	}
}

// The grill is turned on and off by name, with its fan; what goes over into
// another fryer is said, and before it that the fryer has to be hot.
func TestLedFromTheGrillIntoTheBasket(t *testing.T) {
	l := plan()
	l.Program = load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 220, Minutes: 8, Grill: true, Fan: new(false)}, {AirC: 180, Minutes: 6},
		{AirC: 190, Minutes: 8, FryerID: "small", FryerName: "Small round"}}}
	if s := l.Step(start); !strings.Contains(s.Title, "220 °C under the grill, fan off") {
		t.Errorf("at first: %+v", s)
	}
	say(t, &l, 4, Loaded, 0)
	if s := l.Step(start.Add(minutes(6))); s.Title != "Turn the grill off, set 180 °C, fan on" || !strings.Contains(s.Detail, "Turn on Small round ten minutes before") {
		t.Errorf("under the grill: %+v", s)
	}
	say(t, &l, 12, Dialled, 0)
	s := l.Step(start.Add(minutes(15)))
	if s.Title != "All eleven over into Small round at 190 °C" || s.Label != "It is over there" {
		t.Errorf("before it goes over: %+v", s)
	}
	say(t, &l, 19, Dialled, 0)
	p := l.Actual()
	if !p.Stages[0].Grill || p.Stages[0].Fan == nil || p.Stages[2].FryerID != "small" || math.Abs(p.Stages[1].Minutes-7) > 0.02 {
		t.Errorf("as it happened: %+v", p.Stages)
	}
}

func TestOnePieceIsNotAllOfThem(t *testing.T) {
	l := plan()
	l.Pieces, l.Piece = 1, "whole fish"
	l.Program.Stages = l.Program.Stages[:1]
	l.Program.Turns = []load.Turn{{AtMin: 6, Kind: load.Flip}}
	say(t, &l, 4, Loaded, 0)
	if s := l.Step(start.Add(minutes(5))); s.Title != "Turn the whole fish, underside up" {
		t.Errorf("one fish: %q", s.Title)
	}
}

func TestFahrenheitCooksReadFahrenheit(t *testing.T) {
	l := plan()
	l.Degrees = units.Fahrenheit
	if s := l.Step(start); s.Title != "Heat the empty basket to 329 °F" {
		t.Errorf("%q", s.Title)
	}
}

func TestColdStartGoesStraightToLoading(t *testing.T) {
	l := plan()
	l.Program.PreheatMin = 0
	if s := l.Step(start); s.Phase != Loading {
		t.Errorf("phase %q", s.Phase)
	}
	say(t, &l, 3, Loaded, 0)
	if p := l.Actual(); p.PreheatMin != 0 {
		t.Errorf("a fryer that stood cold for three minutes counts as heated for %g", p.PreheatMin)
	}
}

func TestExtraTurnsAreFlipsInTheForecast(t *testing.T) {
	l := plan()
	say(t, &l, 4, Loaded, 0)
	for _, m := range []float64{8, 12, 16, 20} {
		say(t, &l, m, Turned, 0)
	}
	p := l.Actual()
	if len(p.Turns) != 4 || p.Turns[1].Kind != load.Shake || p.Turns[3].Kind != load.Flip {
		t.Errorf("turns %+v", p.Turns)
	}
	if err := load.Check(load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 11, PieceMassG: 43}, Program: p}); err != nil {
		t.Errorf("what happened cannot be simulated: %v", err)
	}
}

func TestLedThroughARestAndACheck(t *testing.T) {
	l := plan()
	l.Program = load.Program{Stages: []load.Stage{{AirC: 160, Minutes: 10}, {AirC: 200, Minutes: 4, Rest: true}, {AirC: 200, Minutes: 8}},
		Turns: []load.Turn{{AtMin: 6, Kind: load.LookIn}, {AtMin: 14, Kind: load.Flip}}}
	say(t, &l, 0, Loaded, 0)
	for _, c := range []struct {
		minute       float64
		title, label string
		kind         string
	}{
		{5, "Look at one and probe it", "Looked", Turned},
		{9, "Take the basket out to rest, set 200 °C", "It is out to rest", Dialled},
		{13.5, "Basket back in", "It is back in", Dialled},
	} {
		s := l.Step(start.Add(minutes(c.minute)))
		if s.Title != c.title || s.Label != c.label || s.Action != c.kind {
			t.Errorf("minute %g: %q, %q by %q; want %q, %q by %q", c.minute, s.Title, s.Label, s.Action, c.title, c.label, c.kind)
		}
		say(t, &l, c.minute+1, c.kind, 0)
	}
	// A quarter of an hour in, the rest has been as it was said.
	p := l.Actual()
	if len(p.Stages) != 3 || !p.Stages[1].Rest || math.Abs(p.Stages[1].Minutes-4.5) > 0.02 || p.Turns[0].Kind != load.LookIn {
		t.Errorf("as it happened: %+v", p)
	}
	say(t, &l, 15, Turned, 0)
	say(t, &l, 17, Out, 0)
	if p = l.Actual(); p.Stages[len(p.Stages)-1].Rest {
		t.Errorf("what is out for good rests: %+v", p)
	}
}

func TestTakenOutInTheRestIsAProgramWithoutOne(t *testing.T) {
	l := plan()
	l.Program = load.Program{Stages: []load.Stage{{AirC: 160, Minutes: 10}, {AirC: 200, Minutes: 4, Rest: true}, {AirC: 200, Minutes: 8}}}
	say(t, &l, 0, Loaded, 0)
	say(t, &l, 10, Dialled, 0)
	say(t, &l, 12, Out, 0)
	q := load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 8, PieceMassG: 42}, Program: l.Actual()}
	if err := load.Check(q); err != nil {
		t.Errorf("%+v: %v", q.Program, err)
	}
}

// Plants have no probe, no raw side and no tongs to change; what has no bone
// is not probed away from one.
func TestFoodIsJudgedAsItIs(t *testing.T) {
	start := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
	words := func(j Judging, pieces int) string {
		l := Live{Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 20}}, Turns: []load.Turn{{AtMin: 6, Kind: load.Flip}, {AtMin: 12, Kind: load.LookIn}}},
			Pieces: pieces, Piece: "potato wedge", Plural: "potato wedges", Faces: [2]string{"First side", "Second side"}, Judged: j, Started: start}
		all := ""
		say := func(kind string, at float64) {
			t.Helper()
			s := l.Step(start.Add(minutes(at)))
			all += s.Title + " " + s.Detail + "\n"
			var err error
			if l.Events, err = l.Add(Event{Kind: kind, At: start.Add(minutes(at))}); err != nil {
				t.Fatal(err)
			}
		}
		say(Loaded, 0)
		say(Turned, 6)
		say(Turned, 12)
		say(Out, 20)
		return all
	}
	if plant := words(ByBite, 14); strings.Contains(plant, "robe") || strings.Contains(plant, "tongs") || strings.Contains(plant, "side") || !strings.Contains(plant, "soft right through") {
		t.Errorf("wedges: %s", plant)
	}
	if fillet := words(ByProbe, 1); strings.Contains(fillet, "bone") || strings.Contains(fillet, "gaps") || !strings.Contains(fillet, "tongs") || !strings.Contains(fillet, "Probe") {
		t.Errorf("one fillet: %s", fillet)
	}
	l := plan()
	if l.Tender = true; strings.Contains(l.handling(load.Shake, true), "spatula") || !strings.Contains(l.handling(load.Flip, true), "a clean spatula") || strings.Contains(l.handling(load.Flip, false), "clean") || !strings.Contains(l.handling(load.Flip, false), "spatula") {
		t.Errorf("a crumb is turned so: %s", l.handling(load.Flip, true))
	}
	if l.Tender, l.Seam = false, true; !strings.Contains(l.handling(load.Flip, false), "seam down") || strings.Contains(l.handling(load.Flip, true), "spatula") {
		t.Errorf("a wrap is turned so: %s", l.handling(load.Flip, true))
	}
	if wings := words(ByTheBone, 11); !strings.Contains(wings, "away from the bone") || !strings.Contains(wings, "gaps") {
		t.Errorf("wings: %s", wings)
	}
}
