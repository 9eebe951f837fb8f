package cook

import (
	"strings"
	"testing"

	"velocrustum/core/run"
	"velocrustum/core/sheet"
)

// Everything that can be said has words, and what has a value says it.
func TestWhatWasSaidHasWords(t *testing.T) {
	l := plan()
	l.Waits = true
	say(t, &l, 0, HeatOn, 0)
	say(t, &l, 4, Loaded, 0)
	for _, c := range []struct {
		kind  string
		value float64
		want  string
	}{
		{Turned, 0, "turned"}, {Turned, 0, "shaken"}, {More, 3, "3 min more"}, {Set, 180, "set to 180 °C"}, {Probe, 61, "read 61 °C"}, {Look, 3, "looks copper"},
		{Raw, 0, "raw inside"}, {Soft, 0, "soft"}, {Floury, 0, "floury patches"}, {Dialled, 0, "dial set"}, {TakenOut, 0, "thermometer taken out"}, {Out, 0, "it is out"},
	} {
		before := len(l.Events)
		e := Event{ID: c.kind + c.want, Kind: c.kind, At: start.Add(minutes(10 + float64(before))), Value: c.value}
		events, err := l.Add(e)
		if err != nil {
			t.Fatalf("%s: %v", c.kind, err)
		}
		l.Events = events
		if got := l.Words(events[len(events)-1]); got != c.want {
			t.Errorf("%s %g is %q, want %q", c.kind, c.value, got, c.want)
		}
	}
	for _, e := range l.Events {
		if l.Words(e) == "" {
			t.Errorf("%s has no words", e.Kind)
		}
	}
	if w := l.Words(Event{Kind: LeftIn, Probe: "tip"}); !strings.Contains(w, "tip") {
		t.Errorf("left in: %q", w)
	}
	if w := l.Words(Event{Kind: LeftIn, Probe: FileProbe + "x"}); !strings.Contains(w, "file") {
		t.Errorf("a file: %q", w)
	}
}

// A basket of a supper is not heated for before that is said, once.
func TestABasketWaitsForItsTurn(t *testing.T) {
	l := plan()
	l.Waits = true
	if s := l.Step(start); s.Phase != Waiting || s.Action != HeatOn || !strings.Contains(s.Title, "165 °C") {
		t.Errorf("%+v", s)
	}
	say(t, &l, 7, HeatOn, 0)
	if s := l.Step(start.Add(minutes(8))); s.Phase != Heating || s.Until.Sub(start) != minutes(11) {
		t.Errorf("%+v", s)
	}
	if _, err := l.Add(Event{Kind: HeatOn, At: start.Add(minutes(9))}); err == nil {
		t.Error("turned on twice")
	}
	say(t, &l, 12, Loaded, 0)
	if p := l.Actual(); p.PreheatMin != 5 {
		t.Errorf("heated for %g min", p.PreheatMin)
	}
	alone := plan()
	if _, err := alone.Add(Event{Kind: HeatOn, At: start}); err == nil {
		t.Error("a dish cooked alone heats from the start")
	}
	if l.DialC(start.Add(minutes(13))) != 165 || l.DialC(start.Add(minutes(26))) != 200 {
		t.Errorf("the dial stands at %g, then %g", l.DialC(start.Add(minutes(13))), l.DialC(start.Add(minutes(26))))
	}
	line := []run.Moment{{Minute: 0}, {Minute: 22, JuicePct: 80, Faces: [2]run.Face{{Brown: 1, Crust: 60}, {Brown: 1, Crust: 70}}}, {Minute: 27, JuicePct: 72, Faces: [2]run.Face{{Brown: 2, Crust: 50}, {Brown: 1, Crust: 65}}}}
	if says := l.OverdueSays(line, 5); !strings.Contains(says, "copper instead of gold") || !strings.Contains(says, "72 %") {
		t.Errorf("five minutes over: %q", says)
	}
	l.StopsItself = true
	if says := l.OverdueSays(line, 5); !strings.Contains(says, "crust 50 instead of 60") {
		t.Errorf("five minutes in a stopped fryer: %q", says)
	}
}

// A dish is past changing once one thing was said of one of its baskets, or done for it.
func TestADishThatIsBegun(t *testing.T) {
	e := Evening{Sheet: sheet.Sheet{Tasks: []sheet.Task{{ID: "coat", Dish: "wings"}, {ID: "wipe", Dish: "fish"}}},
		Baskets: []*LedBasket{{Dish: "legs", Live: Live{Events: []Event{{Kind: HeatOn, At: start}}}}, {Dish: "wings"}, {Dish: "fish"}},
		Said:    []Said{{Task: "wipe", Kind: Done, At: start}}}
	for dish, want := range map[string]bool{"legs": true, "wings": false, "fish": true, "nobody's": false} {
		if e.Begun(dish) != want {
			t.Errorf("%s: begun %v", dish, !want)
		}
	}
}
