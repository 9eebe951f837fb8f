package cook

import (
	"strings"
	"testing"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/safety"
	"velocrustum/core/sheet"
)

// What is asked before it comes out too soon: a reading under the rule wins.
func TestOutTooSoonIsAskedOnce(t *testing.T) {
	us, _ := safety.For(safety.US, safety.Poultry, 0)
	uk, _ := safety.For(safety.UK, safety.Poultry, 0)
	by := func(m float64) Known { return Known{Rule: us, SafeBy: ptr(m)} }
	left := func(m, at, c float64) Known {
		return Known{Rule: us, SafeBy: ptr(m), Left: &Read{start.Add(minutes(at)), c}}
	}
	l := plan()
	say(t, &l, 4, Loaded, 0)
	if a := l.AsksBeforeOut(by(18)); a == nil || a.Until == nil || !a.Until.Equal(start.Add(minutes(22))) || !strings.Contains(a.Says, "estimate") {
		t.Errorf("%+v", a)
	}
	say(t, &l, 20, Probe, 70)
	if a := l.AsksBeforeOut(by(5)); a == nil || a.Until != nil || !strings.Contains(a.Says, "70 °C") {
		t.Errorf("after a reading under the rule: %+v", a)
	}
	if a := l.AsksBeforeOut(Known{Rule: uk, SafeBy: ptr(5.0)}); a == nil || a.Until == nil || !a.Until.Equal(start.Add(minutes(22))) {
		t.Errorf("70 °C has to hold for two minutes under the UK's rule: %+v", a)
	}
	say(t, &l, 22, Probe, 78)
	if a := l.AsksBeforeOut(by(30)); a != nil {
		t.Errorf("after a reading over it: %+v", a)
	}
	if a := l.AsksBeforeOut(left(5, 23, 69)); a == nil || a.Until != nil || !strings.Contains(a.Says, "69 °C") {
		t.Errorf("a tip that stays reads 69 °C after that: %+v", a)
	}
	if a := l.AsksBeforeOut(left(5, 21, 69)); a != nil {
		t.Errorf("it read 69 °C before the reading over the rule: %+v", a)
	}
	alone := plan()
	say(t, &alone, 4, Loaded, 0)
	if a := alone.AsksBeforeOut(left(30, 20, 80)); a == nil || a.Until == nil {
		t.Errorf("a tip that stays reads 80 °C, and it is surely safe only at 30: %+v", a)
	}
	long, short := belief.Foreseen{AtMin: 18, MoreMin: ptr(8.0)}, belief.Foreseen{AtMin: 10, MoreMin: ptr(3.0)}
	if more, says := l.Beyond(&long); more != 4 || !strings.Contains(says, "4 min more than") {
		t.Errorf("eight more at 18 of 22 min: %g, %q", more, says)
	}
	if more, says := l.Beyond(&short); more != UsualMore || !strings.Contains(says, "as long as") {
		t.Errorf("three more at 10 of 22 min: %g, %q", more, says)
	}
	wedges := plan()
	wedges.Judged = ByBite
	say(t, &wedges, 4, Loaded, 0)
	if a := wedges.AsksBeforeOut(Known{}); a == nil || a.Until == nil || !strings.Contains(a.Says, "program") {
		t.Errorf("wedges are taken out long before they are done: %+v", a)
	} else if left := a.Until.Sub(start).Minutes(); left > 24.1 || left < 20 {
		t.Errorf("wedges of 22 minutes are asked about until minute %.1f", left-4)
	}
}

// Food is shown safe by a reading, or by the minute of 95 in 100: not by being
// out, and not after a reading under the rule.
func TestWhatIsShownSafe(t *testing.T) {
	us, _ := safety.For(safety.US, safety.Poultry, 0)
	k := Known{Rule: us, SafeBy: ptr(13.0)}
	at := func(m float64) time.Time { return start.Add(minutes(m)) }
	l := plan()
	if l.Shown(k, at(3)) != nil {
		t.Error("shown something before it was in")
	}
	say(t, &l, 4, Loaded, 0)
	if s := l.Shown(k, at(10)); s.Safe {
		t.Errorf("in for six minutes: %+v", s)
	}
	if s := l.Shown(k, at(17.5)); !s.Safe || s.By != ByForecast {
		t.Errorf("in for 13.5 minutes: %+v", s)
	}
	say(t, &l, 6, Out, 0)
	raw := l.Shown(k, at(60))
	if raw.Safe || !strings.Contains(raw.Says, "minute 2") || !strings.Contains(raw.Says, "Nobody eats") {
		t.Errorf("out after two minutes, an hour later: %+v", raw)
	}
	// It can still be probed, and that decides either way.
	say(t, &l, 9, Probe, 40)
	if s := l.Shown(k, at(20)); s.Safe || !strings.Contains(s.Says, "40 °C") {
		t.Errorf("read 40 °C after it was out: %+v", s)
	}
	say(t, &l, 10, Probe, 80)
	if s := l.Shown(k, at(11)); !s.Safe || s.By != ByReading {
		t.Errorf("read 80 °C after it was out: %+v", s)
	}
	if _, err := l.Add(Event{Kind: Probe, At: at(90), Value: 80}); err == nil {
		t.Error("probed when it has long been eaten")
	}
	if s := l.Shown(Known{Rule: us}, at(11)); !s.Safe {
		t.Errorf("a reading decides, whatever is foreseen: %+v", s)
	}
	l.Judged = ByBite
	if l.Shown(k, at(11)) != nil {
		t.Error("a rule for wedges")
	}
}

// A reading that can hardly be, such as the tip on metal, clears nothing alone.
func TestAReadingFarTooWarmNeedsASecond(t *testing.T) {
	us, _ := safety.For(safety.US, safety.Poultry, 0)
	k := Known{Rule: us, SafeBy: ptr(13.0), Likely: func(m float64) float64 { return 5 + 6*m }}
	at := func(m float64) time.Time { return start.Add(minutes(m)) }
	l := plan()
	say(t, &l, 4, Loaded, 0)
	say(t, &l, 6, Probe, 81)
	if s := l.Shown(k, at(6)); s.Safe {
		t.Errorf("81 °C after two minutes: %+v", s)
	}
	if l.AsksBeforeOut(k) == nil {
		t.Error("81 °C after two minutes and out is not asked about")
	}
	twice := l
	say(t, &twice, 6.5, Probe, 80)
	if s := twice.Shown(k, at(7)); !s.Safe || s.By != ByReading {
		t.Errorf("81 and 80 °C: %+v", s)
	}
	low := l
	say(t, &low, 6.5, Probe, 30)
	say(t, &low, 7, Probe, 81)
	if s := low.Shown(k, at(7)); s.Safe {
		t.Errorf("81, 30, 81 °C: %+v", s)
	}
	later := plan()
	say(t, &later, 4, Loaded, 0)
	say(t, &later, 15, Probe, 76)
	if s := later.Shown(k, at(15)); !s.Safe || s.By != ByReading {
		t.Errorf("76 °C at a minute when that is likely: %+v", s)
	}
}

// Raw food is not led to the table: every later step says so, the table is
// asked about, and there is none before every basket was in and out.
func TestRawFoodIsNotLedToTheTable(t *testing.T) {
	us, _ := safety.For(safety.US, safety.Poultry, 0)
	e := night(t, 1)
	for _, b := range e.Baskets {
		b.Known = Known{Rule: us, SafeBy: ptr(11.0)}
	}
	said := func(task sheet.TaskID, at time.Time) error {
		all, err := e.Add(Said{ID: string(task), Kind: Done, Task: task, At: at})
		if err == nil {
			e.Said = all
		}
		return err
	}
	now := e.Sheet.StartAt
	if err := said("table", now); err == nil || !strings.Contains(err.Error(), "in and is out") {
		t.Errorf("on the table with nothing ever in: %v", err)
	}
	for _, b := range e.Baskets {
		b.Live.Events = []Event{{ID: "i", Kind: Loaded, At: now}}
	}
	for _, d := range e.By(now.Add(2 * time.Minute)).Tasks {
		if d.Action == Out && (d.Asks == nil || d.Asks.Until == nil || d.Asks.Until.Before(now.Add(10*time.Minute))) {
			t.Errorf("%s after two minutes is not asked about: %+v", d.ID, d.Asks)
		}
	}
	for i, b := range e.Baskets {
		minute := 12.0
		if b.Key() == "wings/1" {
			minute = 2
		}
		e.Baskets[i].Live.Events = append(b.Live.Events, Event{ID: "o", Kind: Out, At: now.Add(minutes(minute))})
	}
	now = now.Add(15 * time.Minute)
	c := e.By(now)
	if !strings.HasPrefix(c.Says, "Not shown safe: wings 1.") {
		t.Errorf("it says %q", c.Says)
	}
	cautioned := 0
	for _, d := range c.Tasks {
		if d.State == Ended {
			continue
		}
		about := d.Kind == sheet.Table || handles[d.Kind] && d.Dish == "wings" && d.Basket != 2
		if about != (d.Caution != "") {
			t.Errorf("%s (%s): %q", d.ID, d.Kind, d.Caution)
		}
		if d.Caution != "" {
			cautioned++
		}
		if d.Kind == sheet.Table && (d.Asks == nil || !strings.Contains(d.Asks.Says, "all the same")) {
			t.Errorf("the table is not asked about: %+v", d.Asks)
		}
	}
	if cautioned < 2 {
		t.Errorf("%d steps say so", cautioned)
	}
	// A reading clears it, everywhere at once.
	for _, b := range e.Baskets {
		if b.Key() == "wings/1" {
			b.Live.Events = append(b.Live.Events, Event{ID: "p", Kind: Probe, At: now, Value: 79})
		}
	}
	if c := e.By(now); strings.Contains(c.Says, "Not shown safe") || find(c.Tasks, "table").Caution != "" {
		t.Errorf("read 79 °C it says %q", c.Says)
	}
	// What comes first is asked about.
	fresh := night(t, 1)
	c = fresh.By(fresh.Sheet.StartAt)
	if toss := find(c.Tasks, "wings/toss"); toss == nil || toss.Asks == nil || !strings.Contains(toss.Asks.Says, "Before it comes") {
		t.Errorf("tossed before anything was fried: %+v", toss)
	}
}
