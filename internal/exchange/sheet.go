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

// Calendar is a run sheet as iCalendar (RFC 5545): an event for each line of its clock,
// with an alarm where somebody has to come, and one for the table at its minute. Moments
// are in UTC, so that every calendar shows them by its own clock and daylight saving.
// sequence is how often the supper was changed, so that a calendar that has it already
// takes the later one.
func Calendar(id, name string, s sheet.Sheet, now time.Time, sequence int) string {
	c := ics.NewCalendarFor("Velocrustum")
	c.SetProductId("-//Velocrustum//Run sheet//EN")
	c.SetMethod(ics.MethodPublish)
	c.SetName(name)
	for _, l := range s.Clock {
		says, more, from, to := l.Says, "", l.At, l.Until
		if l.Task == sheet.TableTask {
			// On the table at the minute: the plates are carried before it.
			says, more, from, to = name+" on the table", strings.Join(s.Cautions, " "), l.Until, l.Until.Add(tableEvent)
		}
		e := c.AddEvent(fmt.Sprintf("%s/%s@velocrustum", id, l.Task))
		e.SetDtStampTime(now.UTC())
		e.SetSequence(sequence)
		e.SetStartAt(from.UTC())
		e.SetEndAt(to.UTC())
		e.SetSummary(says)
		if more != "" {
			e.SetDescription(more)
		}
		if l.Alarm < 0 {
			continue
		}
		a := e.AddAlarm()
		a.SetAction(ics.ActionDisplay)
		a.SetTrigger(fmt.Sprintf("-PT%dM", l.Alarm))
		a.SetDescription(says)
	}
	return c.Serialize(ics.WithNewLineWindows)
}

// tableEvent is how long a supper stands in a calendar.
const tableEvent = 30 * time.Minute

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
	for _, l := range s.Clock {
		most = max(most, l.Who)
	}
	var before time.Time
	line := func(l sheet.Line) {
		if says := sheet.ClocksChanged(before, l.At, zone); says != "" && !before.IsZero() {
			fmt.Fprintf(&b, "- *%s*\n", says)
		}
		before = l.At
		if l.Who == 0 {
			fmt.Fprintf(&b, "- **%s** %s, until %s\n", clock(l.At), escaped.Replace(l.Says), clock(l.Until))
			return
		}
		fmt.Fprintf(&b, "- [ ] **%s** %s\n", clock(l.At), escaped.Replace(l.Says))
	}
	for who := 1; who <= most; who++ {
		before = time.Time{}
		switch {
		case most == 1:
			b.WriteString("\n## By the clock\n\n")
		default:
			fmt.Fprintf(&b, "\n## By the clock: the %s pair of hands\n\n", []string{"first", "second", "third", "fourth", "fifth"}[min(who, 5)-1])
		}
		for _, l := range s.Clock {
			// What goes by itself the first has an eye on.
			if l.Who == who || l.Who == 0 && who == 1 {
				line(l)
			}
		}
	}
	for _, says := range s.Over {
		fmt.Fprintf(&b, "\n**%s**\n", escaped.Replace(says))
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
