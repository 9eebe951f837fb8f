package cook

import (
	"math"
	"slices"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/safety"
)

// # What is shown safe
//
// Food is shown safe by a reading that clears the rule, or, with none, by the
// minute by which 95 loads in 100 are; never by the program's end, a colour, or
// a tap. What is not says so at each later step, on the plate and in the
// logbook, until a reading clears it.

// Known is what is known of a basket's inside beside what was said of it.
type Known struct {
	Rule safety.Rule
	// SafeBy is the minute by which it is surely safe, by the forecast and all
	// that was seen; nil where that is not foreseen.
	SafeBy *float64
	// Left is what a thermometer that stays in read last; nil without one.
	Left *Read
	// Likely is the inside by a minute, °C, by the forecast before anything was
	// seen; nil where there is none.
	Likely func(minute float64) float64
	// Lots is what is known of each lot, where there are several.
	Lots []Known
}

// By what food is shown safe.
const (
	ByReading  = "reading"
	ByForecast = "forecast"
)

// Shown is whether food is shown safe, by what, and what is missing where not.
type Shown struct {
	Safe bool   `json:"safe"`
	By   string `json:"by,omitempty"`
	Says string `json:"says,omitempty"`
}

// Shown returns what food that is in, or was, is shown to be at now; nil for a
// plant, which no rule covers, and before it is in.
func (l Live) Shown(k Known, now time.Time) *Shown {
	if len(l.Lots) > 0 && len(k.Lots) == len(l.Lots) {
		return l.shownOfAll(k, now)
	}
	loaded, in := l.loadedAt()
	if !in || l.judging(nil).Tried() {
		return nil
	}
	rule := l.Degrees.AtLeast(k.Rule.CoreC)
	out, isOut := l.OutAt()
	until := untilRead(rule, isOut)
	if !isOut {
		if early := now.Sub(loaded).Minutes() < l.EndMin()-wellBefore; early {
			until = "" // there is nothing to say yet
		}
	}
	if c, at, ok := l.lastRead(k); ok {
		held, clears := k.Rule.ClearedAfter(c)
		switch {
		case !clears && until == "":
			return &Shown{}
		case !clears:
			return &Shown{Says: readUnder(l.Degrees.AtMost(c), rule) + " " + until}
		case now.Before(at.Add(minutes(held))):
			return &Shown{Says: hasToHold(l.Degrees.AtMost(c), held)}
		}
		return &Shown{Safe: true, By: ByReading}
	}
	if !isOut {
		out = now
	}
	minute := out.Sub(loaded).Minutes()
	switch {
	case k.SafeBy == nil && isOut:
		return &Shown{Says: outUnsure(minute) + " " + until}
	case k.SafeBy == nil && until == "":
		return &Shown{}
	case k.SafeBy == nil:
		return &Shown{Says: notInItsTime + " " + until}
	case minute < *k.SafeBy-0.05 && isOut:
		return &Shown{Says: outBeforeSafe(minute, *k.SafeBy) + " " + until}
	case minute < *k.SafeBy-0.05 && until == "":
		return &Shown{}
	case minute < *k.SafeBy-0.05:
		return &Shown{Says: safeOnlyBy(*k.SafeBy)}
	}
	return &Shown{Safe: true, By: ByForecast}
}

// shownOfAll is what all lots are shown to be: safe only if each is.
func (l Live) shownOfAll(k Known, now time.Time) *Shown {
	var out *Shown
	for j, lot := range l.Lots {
		s := l.ofLot(j).Shown(k.Lots[j], now)
		switch {
		case s == nil:
			continue // a plant, or not in yet
		case !s.Safe && (out == nil || out.Safe || out.Says == ""):
			if s.Says != "" {
				s.Says = lotSays(lot.Name, s.Says)
			}
			out = s
		case out == nil, out.Safe && s.By == ByForecast:
			out = s
		}
	}
	return out
}

// ShownOf is what one of several lots is shown to be; nil for what is not in,
// and for a plant.
func (l Live) ShownOf(lot int, k Known, now time.Time) *Shown {
	if lot >= len(l.Lots) || lot >= len(k.Lots) {
		return nil
	}
	return l.ofLot(lot).Shown(k.Lots[lot], now)
}

// LotOutAt is when a lot came out: before the others, or with all of it.
func (l Live) LotOutAt(lot int) (time.Time, bool) {
	if lot >= len(l.Lots) {
		return l.OutAt()
	}
	return l.ofLot(lot).OutAt()
}

// LotGoesInMin is the minute at which a lot is still to go in; nil once it is in.
func (l Live) LotGoesInMin(lot int) *float64 {
	for _, d := range l.course().dues {
		if d.turn == load.PutIn && !d.done() && slices.Contains(d.lots, lot) {
			return &d.at
		}
	}
	return nil
}

// ofLot is the cook of one lot alone: with what was read in it, and out when it
// was.
func (l Live) ofLot(j int) Live {
	lot := l.Lots[j]
	one := l
	one.Lots, one.Judged, one.Pieces = nil, lot.Judged, lot.Pieces
	one.Piece, one.Plural, one.Faces, one.Seam, one.Tender, one.RestMin = lot.Name, lot.Name, lot.Faces, lot.Seam, lot.Tender, lot.RestMin
	one.Events = nil
	for _, e := range l.Events {
		if (e.Kind == Probe || e.Kind == LeftIn) && e.Lot != j {
			continue
		}
		one.Events = append(one.Events, e)
	}
	for _, d := range l.course().dues {
		if d.turn == load.TakeOut && d.done() && slices.Contains(d.lots, j) {
			one.Events = append(one.Events, Event{Kind: Out, At: d.said})
		}
	}
	slices.SortStableFunc(one.Events, func(a, b Event) int { return a.At.Compare(b.At) })
	return one
}

// asksBeforeLots is what has to be asked before some lots come out.
func (l Live) asksBeforeLots(lots []int, k Known) *Asks {
	if len(k.Lots) != len(l.Lots) {
		return nil
	}
	for _, j := range lots {
		if out := l.ofLot(j).AsksBeforeOut(k.Lots[j]); out != nil {
			out.Says = lotSays(l.Lots[j].Name, out.Says)
			return out
		}
	}
	return nil
}

// lastRead is the reading that decides, if one does: the last by hand in the
// thickest, or a later one of a thermometer that stays in, which decides only
// where it is under the rule, since its tip may be off the coldest spot. One
// that clears what can hardly be so warm yet counts once a second says the same.
func (l Live) lastRead(k Known) (c float64, at time.Time, ok bool) {
	cleared := false
	for _, e := range l.Events {
		if e.Kind != Probe {
			continue
		}
		_, clears := k.Rule.ClearedAfter(e.Value)
		if !clears || cleared || !l.farTooWarm(e, k) {
			c, at, ok = e.Value, e.At, true
		}
		cleared = clears
	}
	if k.Left != nil && (!ok || k.Left.At.After(at)) {
		if _, clears := k.Rule.ClearedAfter(k.Left.C); !clears {
			return k.Left.C, k.Left.At, true
		}
	}
	return c, at, ok
}

func (l Live) farTooWarm(e Event, k Known) bool {
	loaded, in := l.loadedAt()
	if k.Likely == nil || !in {
		return false
	}
	if out, is := l.OutAt(); is && !e.At.Before(out) {
		return false // it may have cooked on elsewhere
	}
	return e.Value > PlausibleC(k.Likely(e.At.Sub(loaded).Minutes()))[1]
}

// Asks is what is asked once before something is done that is not yet safe, or
// long before it is due; then it is done as told.
type Asks struct {
	// Until is when that is over; nil where only another reading ends it.
	Until *time.Time `json:"until,omitempty"`
	Says  string     `json:"says"`
}

// wellBefore is how long before something is due a tap is asked about, minutes,
// or as a share of the time that it takes.
const wellBefore, wellBeforeShare = 2.0, 0.15

// AsksBeforeOut returns what has to be asked before food comes out, nil where
// nothing has: where it is not shown safe, and where it is taken out long before
// its program ends that nothing but the clock judges.
func (l Live) AsksBeforeOut(k Known) *Asks {
	loaded, ok := l.loadedAt()
	if !ok || l.over() {
		return nil
	}
	if _, out := l.OutAt(); out {
		return nil
	}
	if len(l.Lots) > 0 && len(k.Lots) == len(l.Lots) {
		return l.asksBeforeLots(l.atLast(), k)
	}
	if l.judging(nil).Tried() {
		until := loaded.Add(minutes(l.EndMin() - math.Max(wellBefore, wellBeforeShare*l.EndMin())))
		return &Asks{Until: &until, Says: asksProgram(l.EndMin())}
	}
	if c, at, ok := l.lastRead(k); ok {
		held, clears := k.Rule.ClearedAfter(c)
		if !clears {
			return &Asks{Says: readUnder(l.Degrees.AtMost(c), l.Degrees.AtLeast(k.Rule.CoreC)) + " " + asksProbeAgain}
		}
		if held > 0 {
			until := at.Add(minutes(held))
			return &Asks{Until: &until, Says: hasToHold(l.Degrees.AtMost(c), held) + " " + asksOut}
		}
		return nil // the thermometer decides
	}
	if k.SafeBy == nil {
		return &Asks{Says: notInThisTime + " " + asksOut}
	}
	until := loaded.Add(minutes(*k.SafeBy))
	return &Asks{Until: &until, Says: notYetSafe + " " + asksOut}
}

// AsksOf returns what has to be asked before a step is said to be done; nil
// where nothing has.
func (l Live) AsksOf(s Step, k Known, now time.Time) *Asks {
	var out *Asks
	switch s.Action {
	case Out:
		out = l.AsksBeforeOut(k)
	case Rested:
		out = &Asks{Until: &s.Until, Says: asksRest}
	case Turned, Dialled:
		out = l.early(s.Until)
		for _, d := range l.course().dues {
			if d.done() {
				continue
			}
			if d.turn == load.TakeOut {
				if asks := l.asksBeforeLots(d.lots, k); asks != nil {
					out = asks
				}
			}
			break
		}
	}
	if out != nil && out.Until != nil && !out.Until.After(now) {
		return nil
	}
	return out
}

// early is what is asked of a thing that is due at a moment and said to be done
// long before.
func (l Live) early(due time.Time) *Asks {
	loaded, in := l.loadedAt()
	if !in {
		return nil
	}
	until := due.Add(-minutes(math.Max(wellBefore, wellBeforeShare*l.EndMin())))
	return &Asks{Until: &until, Says: asksEarly(due.Sub(loaded).Minutes())}
}

// farOff is how far from what is believed inside a reading is asked about before
// it counts, °C: one far too warm is likelier the tip, or a slip of the finger.
const farOff = 25.0

// PlausibleC is between which readings, °C, nothing is asked of one that is
// noted where the inside is believed to have coreC.
func PlausibleC(coreC float64) [2]float64 {
	return [2]float64{math.Floor(coreC - farOff), math.Ceil(coreC + farOff)}
}
