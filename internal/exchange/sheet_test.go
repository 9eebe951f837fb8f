package exchange

import (
	"strings"
	"testing"
	"time"

	ics "github.com/arran4/golang-ical"

	"velocrustum/core/sheet"
)

var night = time.Date(2026, 10, 24, 19, 30, 0, 0, time.UTC)

func line(id sheet.TaskID, says string, before, long float64, who, alarm int) sheet.Line {
	at := night.Add(time.Duration(-before * float64(time.Minute)))
	return sheet.Line{Task: id, Says: says, At: at, Until: at.Add(time.Duration(long * float64(time.Minute))), Who: who, Alarm: alarm}
}

var evening = sheet.Sheet{ServeAt: night, StartAt: night.Add(-time.Hour), OnTime: true,
	Clock: []sheet.Line{
		line("legs/dry", "Wipe 5 drumsticks; *all* of them, [dry]", 60, 2, 1, 5),
		line("oven/on", "Oven on at 95 °C", 50, 0, 1, 1),
		line("slaw/1", "Slaw: shred", 30, 8, 2, 5),
		line("legs/hold", "Drumsticks wait on a rack", 14, 10, 0, -1),
		line("table", "Plates to the table", 2, 2, 1, 0),
	},
	Plate:    []sheet.ServedBasket{{Says: "Drumsticks: 64, crisp."}},
	Shopping: []sheet.Need{{Name: "corn starch", Says: "45 g, ⅓ cup", For: "Wings"}},
	Counter:  []sheet.Setting{{At: night.Add(-time.Hour), Says: "A tray, and kitchen paper."}},
	Cautions: []string{"Check with a thermometer."}}

// What leaves as a calendar is read back by a library as it was, across the
// night on which the clocks change.
func TestACalendarComesBack(t *testing.T) {
	text := Calendar("card-night", "Card night, at ours", evening, night.Add(-24*time.Hour), 3)
	if !strings.HasPrefix(text, "BEGIN:VCALENDAR\r\n") || !strings.HasSuffix(text, "END:VCALENDAR\r\n") {
		t.Errorf("lines end otherwise than by RFC 5545: %q", text[:40])
	}
	c, err := ics.ParseCalendar(strings.NewReader(text))
	if err != nil {
		t.Fatal(err)
	}
	if len(c.Events()) != 5 {
		t.Fatalf("%d events of five lines", len(c.Events()))
	}
	for i, want := range []struct {
		says   string
		start  time.Time
		alarms int
	}{{"Wipe 5 drumsticks; *all* of them, [dry]", evening.Clock[0].At, 1}, {"Oven on at 95 °C", evening.Clock[1].At, 1}, {"Slaw: shred", evening.Clock[2].At, 1}, {"Drumsticks wait on a rack", evening.Clock[3].At, 0}, {"Card night, at ours on the table", night, 1}} {
		e := c.Events()[i]
		start, err := e.GetStartAt()
		if err != nil || !start.Equal(want.start) || start.Location() != time.UTC {
			t.Errorf("%s begins at %v, not %v (%v)", want.says, start, want.start, err)
		}
		if got := e.GetProperty(ics.ComponentPropertySummary).Value; ics.FromText(got) != want.says && got != want.says {
			t.Errorf("it says %q, not %q", got, want.says)
		}
		if len(e.Alarms()) != want.alarms || e.GetProperty(ics.ComponentPropertySequence).Value != "3" {
			t.Errorf("%s has %d alarms", want.says, len(e.Alarms()))
		}
	}
	if again := Calendar("card-night", "Card night, at ours", evening, night.Add(-24*time.Hour), 3); again != text {
		t.Error("the same evening has another calendar")
	}
}

// The list is split by hands, in the kitchen's own time, and what was typed
// is no markup in it.
func TestAListByTheClock(t *testing.T) {
	zone := time.FixedZone("kitchen", 2*3600)
	text := Markdown("Card *night*", evening, zone)
	for _, want := range []string{`# Card \*night\*`, "Saturday 24 October 2026, 21:30", "## By the clock: the first pair of hands", "## By the clock: the second pair of hands", "- **21:16** Drumsticks wait on a rack, until 21:26",
		`- [ ] **20:30** Wipe 5 drumsticks; \*all\* of them, \[dry\]`, "- [ ] **21:00** Slaw: shred", "## On the plate", "- [ ] corn starch: 45 g, ⅓ cup (Wings)", "- **20:30** A tray", "- Check with a thermometer."} {
		if !strings.Contains(text, want) {
			t.Errorf("%q is not in\n%s", want, text)
		}
	}
	if strings.Index(text, "first pair") > strings.Index(text, "second pair") {
		t.Error("the second pair of hands comes first")
	}
	// On the night that the clocks go back it is marked where they do.
	vienna, err := time.LoadLocation("Europe/Vienna")
	if err != nil {
		t.Fatal(err)
	}
	back := sheet.Sheet{ServeAt: time.Date(2026, 10, 25, 1, 30, 0, 0, time.UTC), OnTime: true, Clock: []sheet.Line{
		{At: time.Date(2026, 10, 25, 0, 58, 0, 0, time.UTC), Says: "Shred", Who: 1}, {At: time.Date(2026, 10, 25, 1, 6, 0, 0, time.UTC), Says: "Dress", Who: 1}}}
	if got := Markdown("x", back, vienna); !strings.Contains(got, "**02:58** Shred\n- *The clocks go back an hour here.*\n- [ ] **02:06** Dress") {
		t.Error(got)
	}
	late := evening
	late.OnTime, late.Why = false, "Marinating takes two hours"
	if !strings.Contains(Markdown("x", late, zone), "**Marinating takes two hours**") {
		t.Error("what stands in the way is not said")
	}
}
