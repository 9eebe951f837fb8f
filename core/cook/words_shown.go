package cook

import (
	"fmt"
	"math"
	"strings"

	"velocrustum/core/units"
)

// # What food is shown to be

const (
	notInItsTime  = "By estimate it is not surely safe within its time."
	notInThisTime = "By estimate it is not surely safe within this time. Probe it before anyone eats."
	notYetSafe    = "By estimate it is not yet surely safe inside, and nothing was read. Probe it before anyone eats."
)

// untilRead says what has to be read before it is eaten, or while it is in.
func untilRead(rule string, isOut bool) string {
	if isOut {
		return fmt.Sprintf("Nobody eats of it before a thermometer reads %s in the thickest.", rule)
	}
	return fmt.Sprintf("Leave it in until a thermometer reads %s in the thickest.", rule)
}

func readUnder(c, rule string) string {
	return fmt.Sprintf("The thermometer read %s, under the %s of the rule.", c, rule)
}

func hasToHold(c string, min float64) string {
	return fmt.Sprintf("The thermometer read %s: it has to hold that for %s.", c, units.Minutes(math.Ceil(min)))
}

func outUnsure(minute float64) string {
	return fmt.Sprintf("It was out at minute %.0f, and by estimate that is not surely safe.", math.Floor(minute))
}

func outBeforeSafe(minute, safeBy float64) string {
	return fmt.Sprintf("It was out at minute %.0f, and is surely safe only by %.0f.", math.Floor(minute), math.Ceil(safeBy))
}

func safeOnlyBy(minute float64) string {
	return fmt.Sprintf("It is surely safe only by minute %.0f.", math.Ceil(minute))
}

func notShownSays(baskets []string) string {
	return fmt.Sprintf("Not shown safe: %s.", strings.Join(baskets, ", "))
}

// # What is asked before a thing counts

const (
	asksOut        = "Take it out all the same?"
	asksProbeAgain = "Leave it in and probe again, or take it out all the same?"
	asksRest       = "Its rest belongs to the rule, and is not over. Go on all the same?"
	asksTable      = "Put it on the table all the same?"
)

func asksProgram(endMin float64) string {
	return fmt.Sprintf("Its program is %s long. %s", units.Minutes(endMin), asksOut)
}

func asksEarly(minute float64) string {
	return fmt.Sprintf("It is due at minute %.0f. Is it done already?", minute)
}

func asksBefore(task string) string {
	return fmt.Sprintf("Before it comes: %s. Is this done already?", task)
}

func asksUntil(clock string) string {
	return fmt.Sprintf("What comes before it takes until %s. Is this done already?", clock)
}

// # How a supper stands

// standing is how a supper stands now.
type standing struct {
	over     bool
	notShown []string // baskets that are out and not shown safe
	lateMin  float64
	tables   []tableAt
	heldUpBy string // what is behind by most, "" where nothing is
	canWait  []canWait
}

// tableAt is whose table it is, "" for all or the others, and when it is laid.
type tableAt struct{ whom, at string }

// tablesSay says when the tables are laid.
func tablesSay(all []tableAt) string {
	var named, times []string
	for _, t := range all {
		if t.whom == "" {
			times = append(times, t.at)
		} else {
			named = append(named, t.whom+" at "+t.at)
		}
	}
	switch {
	case len(named) == 0:
		return "on the table at " + units.List(times)
	case len(times) > 0:
		named = append(named, "the others at "+units.List(times))
	}
	return "on the table for " + units.List(named)
}

// canWait is a task that is put off to a time of day.
type canWait struct{ name, until string }

func (s standing) says() string {
	var out []string
	if len(s.notShown) > 0 {
		out = append(out, notShownSays(s.notShown))
	}
	switch {
	case s.over:
		out = append(out, "This supper is over.")
	case s.lateMin < lateFrom:
		out = append(out, fmt.Sprintf("On time: %s.", tablesSay(s.tables)))
	default:
		out = append(out, fmt.Sprintf("%.0f min late: %s.", s.lateMin, tablesSay(s.tables)))
	}
	if s.heldUpBy != "" {
		out = append(out, fmt.Sprintf("Held up by %s.", s.heldUpBy))
	}
	var waits []string
	for _, w := range s.canWait {
		waits = append(waits, fmt.Sprintf("%s can wait until %s", w.name, w.until))
	}
	if len(waits) > 0 {
		out = append(out, strings.Join(waits, ", ")+".")
	}
	return strings.Join(out, " ")
}

// costsSays says by how much more minutes for a basket move the table.
func costsSays(more, byMin float64, table string) string {
	if byMin >= 0.5 {
		return fmt.Sprintf("%.0f min more here move the table by %.0f min, to %s.", more, byMin, table)
	}
	return fmt.Sprintf("%.0f min more here cost the rest nothing: the table stays at %s.", more, table)
}

// stoodSays says what standing in a fryer that has stopped did to a crust.
func stoodSays(over, was, is float64) string {
	return fmt.Sprintf("Its timer has stopped the fryer: it stands in its own steam for %.0f min, crust %.0f instead of %.0f.", over, is, was)
}

// wentOnSays says what a fryer that went on did to colour and juice.
func wentOnSays(over float64, was, is string, juiceWas, juiceIs float64) string {
	if was == is {
		return fmt.Sprintf("The fryer went on for %.0f min: still %s, %.0f %% of its juice left instead of %.0f.", over, is, juiceIs, juiceWas)
	}
	return fmt.Sprintf("The fryer went on for %.0f min: %s instead of %s, %.0f %% of its juice left instead of %.0f.", over, is, was, juiceIs, juiceWas)
}

// # Next time

const safeOnlyThen = "it is surely safe only then"

func inForInstead(actual, planned float64) string {
	return fmt.Sprintf("it was in for %s instead of %s", units.Minutes(actual), units.Minutes(planned))
}

func crustCameOut(crust string) string { return "its crust came out " + crust }

// accidentSays is of a cook that ran so many minutes past its plan, or less than it.
func accidentSays(past float64) string {
	if past < 0 {
		return fmt.Sprintf("It came out %.0f min before its plan. That was something else: it says nothing of the dish, which stays.", -past)
	}
	return fmt.Sprintf("It came out %.0f min after its plan. That was something else: it says nothing of the dish, which stays.", past)
}

// nextTimeSays says by how many minutes a program is changed, and why.
func nextTimeSays(by float64, why string) string {
	if by < 0 {
		return fmt.Sprintf("%.0f min less next time: %s.", -by, why)
	}
	return fmt.Sprintf("%.0f min more next time: %s.", by, why)
}
