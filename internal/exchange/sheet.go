// Package exchange writes what leaves the household in open formats: one
// writer for each.
package exchange

import (
	"fmt"
	"strings"
	"time"

	ics "github.com/arran4/golang-ical"

	"velocrustum/core/sheet"
)

// Calendar is a run sheet as iCalendar (RFC 5545): an event with an alarm for
// each thing that hands do, and one for the table. Moments are in UTC, so that
// every calendar shows them by its own clock and daylight saving.
func Calendar(id, name string, s sheet.Sheet, now time.Time) string {
	c := ics.NewCalendarFor("Velocrustum")
	c.SetProductId("-//Velocrustum//Run sheet//EN")
	c.SetMethod(ics.MethodPublish)
	c.SetName(name)
	add := func(uid, says string, from, to time.Time, ahead time.Duration, more string) {
		e := c.AddEvent(fmt.Sprintf("%s/%s@velocrustum", id, uid))
		e.SetDtStampTime(now.UTC())
		e.SetStartAt(from.UTC())
		e.SetEndAt(to.UTC())
		e.SetSummary(says)
		if more != "" {
			e.SetDescription(more)
		}
		a := e.AddAlarm()
		a.SetAction(ics.ActionDisplay)
		a.SetTrigger(fmt.Sprintf("-PT%dM", int(ahead.Minutes())))
		a.SetDescription(says)
	}
	for _, t := range s.Tasks {
		switch {
		case t.Kind == sheet.Table:
			add("table", name+" on the table", t.Start, t.End, 0, strings.Join(s.Cautions, " "))
		case t.Hands > 0:
			ahead := time.Minute
			if t.Kind == sheet.Bench || t.Kind == sheet.Own {
				ahead = 5 * time.Minute
			}
			add(string(t.ID), t.Says, t.Start, t.End, ahead, "")
		}
	}
	return c.Serialize(ics.WithNewLineWindows)
}

// escaped is text that is no markup.
var escaped = strings.NewReplacer(`\`, `\\`, "*", `\*`, "_", `\_`, "#", `\#`, "[", `\[`, "]", `\]`, "<", `\<`, "|", `\|`, "`", "\\`")

// Markdown is a run sheet as a list by the clock, split by hands where there
// are several, with what is bought and set out.
func Markdown(name string, s sheet.Sheet, zone *time.Location) string {
	var b strings.Builder
	clock := func(t time.Time) string { return t.In(zone).Format("15:04") }
	fmt.Fprintf(&b, "# %s\n\nOn the table %s, begun at %s.\n", escaped.Replace(name), s.ServeAt.In(zone).Format("Monday 2 January 2006, 15:04"), clock(s.StartAt))
	if !s.OnTime {
		fmt.Fprintf(&b, "\n**%s**\n", escaped.Replace(s.Why))
	}
	most := 1
	for _, t := range s.Tasks {
		most = max(most, t.Who)
	}
	for who := 1; who <= most; who++ {
		b.WriteString("\n## By the clock\n\n")
		if most > 1 {
			fmt.Fprintf(&b, "For the %s pair of hands.\n\n", []string{"first", "second", "third", "fourth", "fifth"}[min(who, 5)-1])
		}
		for _, t := range s.Tasks {
			if t.Who == who {
				fmt.Fprintf(&b, "- [ ] **%s** %s\n", clock(t.Start), escaped.Replace(t.Says))
			}
		}
	}
	b.WriteString("\n## On the plate\n\n")
	for _, p := range s.Plate {
		fmt.Fprintf(&b, "- %s\n", escaped.Replace(p.Says))
	}
	b.WriteString("\n## Shopping\n\n")
	for _, n := range s.Shopping {
		fmt.Fprintf(&b, "- [ ] %s: %s (%s)\n", escaped.Replace(n.Name), n.Says, escaped.Replace(n.For))
	}
	b.WriteString("\n## On the counter\n\n")
	for _, c := range s.Counter {
		fmt.Fprintf(&b, "- **%s** %s\n", clock(c.At), escaped.Replace(c.Says))
	}
	b.WriteString("\n## Mind\n\n")
	for _, c := range s.Cautions {
		fmt.Fprintf(&b, "- %s\n", escaped.Replace(c))
	}
	return b.String()
}
