package program

import (
	"fmt"
	"math"
	"strings"

	"velocrustum/core/units"
)

// A Standing is what a program comes to.
type Standing string

// Standings, the worst first.
const (
	NeverSafe   Standing = "unsafe"   // not in 95 loads of 100, not even after it
	NeverCrisp  Standing = "soft"     // safe, and the crust does not get there
	NoGoodTime  Standing = "overdone" // overdone before it is safe and crisp
	TooShort    Standing = "short"    // it would be ready after the program ends
	ReadyWindow Standing = "ready"    // from, to
	ReadyOpen   Standing = "open"     // from, and for as long as was looked
	// Unknown is a quick answer's, of which the spread over loads is not known.
	Unknown Standing = "unknown"
)

// unknown is the verdict where the window was left out: the median says
// nothing of 95 loads in 100.
func unknown() Verdict {
	return Verdict{Standing: Unknown, Figure: "…", Says: "Working out how sure it is."}
}

// Verdict is the answer in a line: what the program comes to, when to take
// the food out, and what to do first. Headline, band, sentences, ways,
// baskets and the live cook all follow from it.
type Verdict struct {
	Standing Standing `json:"standing"`
	// FromMin and ToMin are the whole minutes to aim for: from when 95 loads
	// in 100 are safe and half are crisp, until one in ten is overdone. Both
	// nil where there is no such time.
	FromMin *float64 `json:"fromMin"`
	ToMin   *float64 `json:"toMin"`
	// Ready says whether there is a window within the program.
	Ready bool `json:"ready"`
	// Figure and Unit are what is read from two metres.
	Figure string `json:"figure"`
	Unit   string `json:"unit"`
	Says   string `json:"says"`
	First  string `json:"first"`
	// SafeBy and CrispAt word when the inside is safe and the crust there.
	SafeBy  string `json:"safeBy"`
	CrispAt string `json:"crispAt"`
	// from and to are the same before rounding, whenever they come; safe is
	// when the inside is.
	from, to, safe *float64
}

// Whole minutes, once and for all: what must not be too early is rounded up,
// what must not be too late down; a moment past the minute is the minute.
const moment = 0.05

func notBefore(m float64) float64 { return math.Max(1, math.Ceil(m-moment)) }
func notAfter(m float64) float64  { return math.Floor(m + moment) }

// tooSoon says what happens before a load is ready, by what ends its window.
var tooSoon = map[string]string{
	"dry":    "It dries out before it is crisp.",
	"bitter": "Its sugar turns bitter before it is safe and crisp.",
	"burnt":  "It burns before it is safe and crisp.",
	"brown":  "It goes past gold before it is safe and crisp.",
}

// verdict reads an answer. Without chances it goes by the nominal load.
func (s *setup) verdict(a *Answer) Verdict {
	safe, to, first := a.SafeAtMin, a.Window.ToMin, a.SafeAtMin
	from := a.Window.FromMin
	if c := a.Chance; c != nil {
		safe, to, first = c.SafeByMin, c.BestUntilMin, c.LookFirstMin
		from = nil
		if half := c.HalfReadyMin; safe != nil && half != nil {
			m := math.Max(*safe, *half)
			from = &m
		}
	}
	end := s.minutes()
	v := Verdict{SafeBy: "not in time", CrispAt: "not in time", from: from, to: to, safe: safe}
	if safe != nil && *safe <= end+moment {
		v.SafeBy = fmt.Sprintf("by %.0f min", notBefore(*safe))
	}
	if m := a.CrispAtMin; m != nil && *m <= end+moment {
		v.CrispAt = fmt.Sprintf("%.0f min", notBefore(*m))
	}
	inside := s.inside() + " inside"
	switch {
	case safe == nil || *safe > end+moment && (from == nil || to != nil && *to < *from):
		v.Standing = NeverSafe
		v.Figure = "Not " + inside[:4]
		v.Says = s.unsafeSays(a, safe, inside)
	case from == nil:
		v.Standing, v.Figure = NeverCrisp, "Not crisp"
		v.Says = fmt.Sprintf("%s by minute %.0f, but the crust does not get there.", units.Capital(inside), notBefore(*safe))
	case to != nil && notAfter(*to) < notBefore(*from):
		v.Standing, v.Figure = NoGoodTime, "No good minute"
		if v.Says = tooSoon[a.Window.Bound]; v.Says == "" {
			v.Says = "Some pieces are overdone before all are ready."
		}
		if s.plant() {
			v.Says = strings.Replace(v.Says, "safe", "soft", 1)
		}
	case *from > end+moment:
		v.Standing, v.Figure = TooShort, "Too short"
		what := "crisp"
		if *safe > end+moment {
			what = "surely " + inside
		}
		v.Says = fmt.Sprintf("It ends at minute %.0f and is %s only from minute %.0f on.", end, what, notBefore(*from))
	default:
		f := notBefore(*from)
		v.FromMin, v.Ready = &f, true
		v.Figure, v.Unit = fmt.Sprintf("%.0f", f), "min"
		v.Says = "Crisp and safe together."
		if s.plant() {
			v.Says = "Crisp, and soft inside."
		}
		if to == nil {
			v.Standing, v.Unit = ReadyOpen, "min, and a while after"
			break
		}
		v.Standing = ReadyWindow
		if t := notAfter(*to); t > f {
			v.ToMin = &t
			v.Figure = fmt.Sprintf("%.0f to %.0f", f, t)
		} else {
			v.ToMin = &f
		}
	}
	v.First = s.firstSays(first, v.FromMin)
	return v
}

// unsafeSays words a program that 95 loads in 100 do not get through safe.
func (s *setup) unsafeSays(a *Answer, safe *float64, inside string) string {
	says := fmt.Sprintf("Not %s within this program", inside)
	if c := a.Chance; c != nil {
		for _, at := range c.By {
			if math.Abs(at.Minute-s.minutes()) < 0.3 && at.Safe >= 0.15 {
				says = fmt.Sprintf("By its end about %s loads in ten are %s, not 95 in 100", units.Count(int(math.Min(9, math.Floor(10*at.Safe)))), inside)
				break
			}
		}
	}
	if safe != nil {
		return fmt.Sprintf("%s; that takes until minute %.0f.", says, notBefore(*safe))
	}
	return says + "."
}

// firstSays says what to do first: probe, where there is anything to probe,
// and look.
func (s *setup) firstSays(first, from *float64) string {
	if first == nil || *first > s.minutes() {
		return ""
	}
	soon := math.Max(1, math.Floor(*first))
	what := "Probe one at"
	if s.plant() {
		what = "Try one at"
	}
	if from != nil && *from > soon {
		return fmt.Sprintf("%s %.0f, look at %.0f.", what, soon, *from)
	}
	return fmt.Sprintf("%s %.0f.", what, soon)
}

// severity is the order of standings, the worst first.
var severity = map[Standing]int{NeverSafe: 0, NeverCrisp: 1, NoGoodTime: 2, TooShort: 3, ReadyWindow: 4, ReadyOpen: 4}

// together is the verdict over all kinds in a basket: ready only if each is, at
// one time or taken out in its own, and named where they differ.
func (s *setup) together(kinds []GroupAnswer) Verdict {
	worst, late := kinds[0].Verdict, kinds[0].Verdict
	var from, safe float64
	to := math.Inf(1)
	var says []string
	apart := false
	for k := range kinds {
		v := kinds[k].Verdict
		if severity[v.Standing] < severity[worst.Standing] {
			worst = v
		}
		name := fmt.Sprintf("The %s", kinds[k].Name)
		if !v.Ready {
			says = append(says, fmt.Sprintf("%s: %s", name, units.Lower(v.Says)))
			continue
		}
		says = append(says, fmt.Sprintf("%s: %s %s.", name, v.Figure, v.Unit))
		if out := s.takenOut(k); out > 0 {
			apart = true
			if out < *v.FromMin-moment || v.ToMin != nil && out > *v.ToMin+1 {
				worst.Standing, worst.Ready = NoGoodTime, false
			}
			continue
		}
		if *v.FromMin > from {
			from, late = *v.FromMin, v
		}
		if v.ToMin != nil {
			to = math.Min(to, *v.ToMin)
		}
	}
	out := Verdict{SafeBy: kinds[0].Verdict.SafeBy, CrispAt: kinds[0].Verdict.CrispAt, First: late.First}
	for k := range kinds {
		v := kinds[k].Verdict
		if v.safe == nil || *v.safe > s.minutes()+moment {
			out.SafeBy = v.SafeBy
			safe = math.Inf(1)
		} else if *v.safe > safe {
			safe, out.SafeBy = *v.safe, v.SafeBy
		}
		if !strings.HasSuffix(v.CrispAt, "min") {
			out.CrispAt = v.CrispAt
		}
	}
	if severity[worst.Standing] < severity[ReadyWindow] {
		out.Standing, out.Figure, out.Says = worst.Standing, worst.Figure, strings.Join(says, " ")
		if worst.from == nil || worst.Ready {
			return out
		}
		out.from, out.to, out.safe = worst.from, worst.to, worst.safe
		return out
	}
	out.safe, out.from = &safe, &from
	if to < from {
		out.Standing, out.Figure = NoGoodTime, "Not at one time"
		out.Says = strings.Join(says, " ") + " Take out what is ready first, and leave the others."
		return out
	}
	out.Ready, out.FromMin = true, &from
	out.Standing, out.Figure, out.Unit = ReadyOpen, fmt.Sprintf("%.0f", from), "min, and a while after"
	if !math.IsInf(to, 1) {
		out.to, out.ToMin, out.Standing, out.Unit = &to, &to, ReadyWindow, "min"
		if to > from {
			out.Figure = fmt.Sprintf("%.0f to %.0f", from, to)
		}
	}
	out.Says = "All of them, crisp and safe together."
	if apart {
		out.Says = "Each in its time. " + strings.Join(says, " ")
	}
	return out
}

// takenOut is the minute at which a kind is taken out by itself, 0 for not.
func (s *setup) takenOut(kind int) float64 {
	for _, t := range s.program.Turns {
		if t.Kind == TakeOut && t.Group == kind {
			return t.AtMin
		}
	}
	return 0
}
