package exchange

import (
	"strings"
	"testing"
	"time"

	ics "github.com/arran4/golang-ical"

	"velocrustum/core/sheet"
)

var night = time.Date(2026, 10, 24, 19, 30, 0, 0, time.UTC)

func task(id sheet.TaskID, kind, says string, before, long float64, hands, who int) sheet.Task {
	start := night.Add(time.Duration(-before * float64(time.Minute)))
	return sheet.Task{ID: id, Kind: kind, Says: says, Place: "board", Start: start, End: start.Add(time.Duration(long * float64(time.Minute))), Hands: hands, Who: who}
}

var evening = sheet.Sheet{ServeAt: night, StartAt: night.Add(-time.Hour), OnTime: true,
	Tasks: []sheet.Task{
		task("legs/dry", sheet.Bench, "Wipe 5 drumsticks; *all* of them, [dry]", 60, 2, 1, 1),
		task("legs/run", sheet.Run, "Drumsticks: 185 °C for 26 min", 40, 26, 0, 0),
		task("slaw/1", sheet.Own, "Slaw: shred", 30, 8, 1, 2),
		task("table", sheet.Table, "Plates to the table", 2, 2, 1, 1),
	},
	Plate:    []sheet.ServedBasket{{Says: "Drumsticks: 64, crisp."}},
	Shopping: []sheet.Need{{Name: "corn starch", Says: "45 g, ⅓ cup", For: "Wings"}},
	Counter:  []sheet.Setting{{At: night.Add(-time.Hour), Says: "A tray, and kitchen paper."}},
	Cautions: []string{"Check with a thermometer."}}

// What leaves as a calendar is read back by a library as it was, across the
// night on which the clocks change.
func TestACalendarComesBack(t *testing.T) {
	text := Calendar("card-night", "Card night, at ours", evening, night.Add(-24*time.Hour))
	if !strings.HasPrefix(text, "BEGIN:VCALENDAR\r\n") || !strings.HasSuffix(text, "END:VCALENDAR\r\n") {
		t.Errorf("lines end otherwise than by RFC 5545: %q", text[:40])
	}
	c, err := ics.ParseCalendar(strings.NewReader(text))
	if err != nil {
		t.Fatal(err)
	}
	if len(c.Events()) != 3 {
		t.Fatalf("%d events of three things for hands", len(c.Events()))
	}
	for i, want := range []struct {
		says  string
		start time.Time
	}{{"Wipe 5 drumsticks; *all* of them, [dry]", evening.Tasks[0].Start}, {"Slaw: shred", evening.Tasks[2].Start}, {"Card night, at ours on the table", evening.Tasks[3].Start}} {
		e := c.Events()[i]
		start, err := e.GetStartAt()
		if err != nil || !start.Equal(want.start) || start.Location() != time.UTC {
			t.Errorf("%s begins at %v, not %v (%v)", want.says, start, want.start, err)
		}
		if got := e.GetProperty(ics.ComponentPropertySummary).Value; ics.FromText(got) != want.says && got != want.says {
			t.Errorf("it says %q, not %q", got, want.says)
		}
		if len(e.Alarms()) != 1 {
			t.Errorf("%s has %d alarms", want.says, len(e.Alarms()))
		}
	}
	if again := Calendar("card-night", "Card night, at ours", evening, night.Add(-24*time.Hour)); again != text {
		t.Error("the same evening has another calendar")
	}
}

// The list is split by hands, in the kitchen's own time, and what was typed
// is no markup in it.
func TestAListByTheClock(t *testing.T) {
	zone := time.FixedZone("kitchen", 2*3600)
	text := Markdown("Card *night*", evening, zone)
	for _, want := range []string{`# Card \*night\*`, "Saturday 24 October 2026, 21:30", "For the first pair of hands.", "For the second pair of hands.",
		`- [ ] **20:30** Wipe 5 drumsticks; \*all\* of them, \[dry\]`, "- [ ] **21:00** Slaw: shred", "## On the plate", "- [ ] corn starch: 45 g, ⅓ cup (Wings)", "- **20:30** A tray", "- Check with a thermometer."} {
		if !strings.Contains(text, want) {
			t.Errorf("%q is not in\n%s", want, text)
		}
	}
	if strings.Contains(text, "185 °C for 26 min") {
		t.Error("what needs no hands is in the list")
	}
	if strings.Index(text, "first pair") > strings.Index(text, "second pair") {
		t.Error("the second pair of hands comes first")
	}
	late := evening
	late.OnTime, late.Why = false, "Marinating takes two hours"
	if !strings.Contains(Markdown("x", late, zone), "**Marinating takes two hours**") {
		t.Error("what stands in the way is not said")
	}
}
