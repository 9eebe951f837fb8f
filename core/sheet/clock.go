package sheet

import "time"

// A Line is one thing on the list by the clock: what hands do, and what goes by itself
// that somebody has to know of.
type Line struct {
	Task  TaskID    `json:"task"`
	At    time.Time `json:"at"`
	Until time.Time `json:"until"`
	Says  string    `json:"says"`
	Who   int       `json:"who,omitempty"` // which pair of hands; none where it goes by itself
	// Alarm is how long before it a calendar calls, minutes; below 0 it does not.
	Alarm int `json:"alarm"`
}

// byItself are the kinds that go by themselves and stand on the list all the same.
var byItself = map[string]bool{Heat: true, Hold: true, Rests: true, Flash: true, Waits: true}

// clockOf lists tasks by the clock.
func clockOf(tasks []Task) []Line {
	out := []Line{}
	for _, t := range tasks {
		if t.Hands == 0 && !byItself[t.Kind] || t.ID.KeepsHot() && t.End.Sub(t.Start) < 2*time.Minute {
			continue
		}
		l := Line{Task: t.ID, At: t.Start, Until: t.End, Says: t.Says, Who: t.Who, Alarm: -1}
		switch {
		case t.Kind == Heat && !t.ID.KeepsHot():
			l.Alarm = 1
		case t.Hands == 0:
		case t.Kind == Bench || t.Kind == Own:
			l.Alarm = 5
		case t.Kind == Table:
			l.Alarm = 0
		default:
			l.Alarm = 1
		}
		out = append(out, l)
	}
	return out
}

// ClocksChanged says that the clocks of a place were put back or on between two moments,
// "" where they were not.
func ClocksChanged(from, to time.Time, zone *time.Location) string {
	_, was := from.In(zone).Zone()
	switch _, is := to.In(zone).Zone(); {
	case is < was:
		return "The clocks go back an hour here."
	case is > was:
		return "The clocks go on an hour here."
	}
	return ""
}
