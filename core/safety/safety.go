// Package safety decides when the coldest meat is safe. The rules are the
// consumer guidance of two countries; a cook may choose a stricter one, never
// a laxer. The rule decides; log reductions are shown beside it only.
package safety

import (
	"fmt"
	"math"
)

// A Class groups foods that share a rule.
type Class string

const (
	Poultry       Class = "poultry"
	Stuffed       Class = "stuffed"
	MincedPoultry Class = "minced-poultry"
	Minced        Class = "minced"
	WholeMeat     Class = "whole-meat"
	Fish          Class = "fish"
	Plant         Class = "plant"
)

// A Guidance is the set of rules in force.
type Guidance string

const (
	US       Guidance = "us"
	UK       Guidance = "uk"
	Stricter Guidance = "stricter"
)

// Words returns what a guidance is called, and how it is said in passing.
func (g Guidance) Words() (name, says string) {
	switch g {
	case UK:
		return "UK guidance: held for two minutes, or equivalent", "UK guidance"
	case Stricter:
		return "My own, stricter", "your own rule"
	}
	return "US consumer guidance", "US guidance"
}

// Guidances lists the known ones.
var Guidances = []Guidance{US, UK, Stricter}

// A Rule says what the coldest meat must reach.
type Rule struct {
	CoreC   float64 `json:"coreC"`   // °C
	HoldMin float64 `json:"holdMin"` // minutes at CoreC, or an equivalent; 0 is at once
	RestMin float64 `json:"restMin"` // minutes to rest afterwards
	Words   string  `json:"words"`
	Source  string  `json:"source"`
	// moment asks for CoreC once, held for the UK's two minutes at 70 °C or an
	// equivalent; of a rule with both the later counts.
	moment, held bool
}

const (
	usSource = "USDA FSIS, Safe Minimum Internal Temperature Chart; FDA, Safe Food Handling"
	ukSource = "UK Food Standards Agency, Cooking safely in your business: 70 °C for 2 minutes or equivalent"
)

// usMinimum is in °C, from whole °F.
var usMinimum = map[Class]float64{
	Poultry: 73.9, Stuffed: 73.9, MincedPoultry: 73.9, Minced: 71.1, WholeMeat: 62.8, Fish: 62.8,
}

// PlantCoreC is what counts as cooked through for plants, which no guidance
// covers: pectin softens quickly from about 92 °C (Andersson et al., Crit.
// Rev. Food Sci. 34, 1994).
const PlantCoreC = 92

// For returns the rule for a class. ownC is the cook's own temperature for
// Stricter and is refused when the stricter of the two guidances asks more.
func For(g Guidance, c Class, ownC float64) (Rule, error) {
	if c == Plant {
		return Rule{CoreC: PlantCoreC, Words: "soft right through; no safety minimum applies", Source: "softening of pectin, Andersson et al. 1994", moment: true}, nil
	}
	least, ok := usMinimum[c]
	if !ok {
		return Rule{}, fmt.Errorf("no rule for food of class %q", c)
	}
	rest := 0.0
	if c == WholeMeat {
		rest = 3
	}
	switch g {
	case US:
		return Rule{CoreC: least, RestMin: rest, Words: "US consumer guidance", Source: usSource, moment: true}, nil
	case UK:
		return Rule{CoreC: HeldC, HoldMin: HeldMin, Words: "UK guidance, or an equivalent time", Source: ukSource, held: true}, nil
	case Stricter:
		if !(ownC >= StricterFloor && ownC <= StricterTop) {
			return Rule{}, fmt.Errorf("%g °C; allowed are %g to %g °C, never under the guidance", ownC, StricterFloor, StricterTop)
		}
		// A moment at 75 °C is less than the UK's half minute: both count.
		return Rule{CoreC: ownC, RestMin: rest, Words: "your own, stricter than the guidance, and held as the UK's asks", Source: usSource + "; " + ukSource, moment: true, held: true}, nil
	}
	return Rule{}, fmt.Errorf("no guidance is called %q; known are us, uk, stricter", g)
}

// ReheatC is what food that was cooked is heated to again, °C, whatever it is: 165
// °F; HotC is what counts as hot right through for plants, which no guidance
// covers.
const ReheatC, HotC = 73.9, 70.0

// ForReheating is For of food that was cooked before: once, to one heat for every
// class.
func ForReheating(g Guidance, c Class, ownC float64) (Rule, error) {
	if c == Plant {
		return Rule{CoreC: HotC, Words: "hot right through; no safety minimum applies", Source: "own judgement", moment: true}, nil
	}
	r, err := For(g, c, ownC)
	if err != nil {
		return r, err
	}
	if r.RestMin = 0; g == US {
		r.CoreC, r.Words, r.Source = ReheatC, "US consumer guidance for leftovers", "USDA FSIS, Leftovers and Food Safety: 165 °F"
	}
	return r, nil
}

// What the UK asks to be held, °C and minutes, or an equivalent.
const HeldC, HeldMin = 70.0, 2.0

// A cook's own rule, °C, lies between these: the floor satisfies both
// guidances for every food that has a rule.
const (
	StricterFloor = 75.0
	StricterTop   = 95.0
)

// equivalents are the UK's times, minutes at °C.
var equivalents = []struct{ c, min float64 }{{60, 45}, {65, 10}, {70, 2}, {75, 0.5}, {80, 0.1}}

// pace returns how much of the UK rule a minute is worth, in the mean of a
// span over which the core goes from one temperature to another in a straight
// line: the mean of an exponential between them, of what lies at 60 °C or
// over.
func pace(from, to float64) float64 {
	lo, hi := math.Min(from, to), math.Max(from, to)
	least := equivalents[0].c
	if hi <= least {
		if hi < least || lo < least {
			return 0
		}
	}
	share := 1.0
	if lo < least {
		share, lo = (hi-least)/(hi-lo), least
	}
	a, b := 1/required(lo), 1/required(hi)
	if b-a < 1e-9*b {
		return share * a
	}
	return share * (b - a) / math.Log(b/a)
}

// required returns the minutes that satisfy the UK rule at t °C: between the
// published points on a straight line in the logarithm, none under 60 °C.
func required(t float64) float64 {
	e := equivalents
	if t < e[0].c {
		return math.Inf(1)
	}
	for i := 1; i < len(e); i++ {
		if t <= e[i].c || i == len(e)-1 {
			t = math.Min(t, e[i].c)
			f := (t - e[i-1].c) / (e[i].c - e[i-1].c)
			return e[i-1].min * math.Pow(e[i].min/e[i-1].min, f)
		}
	}
	return math.Inf(1)
}

// asPrinted is how far the rules' °C stand above the whole °F that they were
// printed from, at most: a thermometer that shows 165 °F has met 73.9 °C.
const asPrinted = 0.025

// ClearedAfter is how many minutes after a thermometer showed c °C in the
// coldest spot the rule is met by that reading alone, if it does not cool; ok is
// false where that temperature never meets it.
func (r Rule) ClearedAfter(c float64) (minutes float64, ok bool) {
	if c < r.CoreC-asPrinted {
		return 0, false
	}
	if r.held {
		return required(c), true
	}
	return 0, true
}

// A Watch follows the coldest meat until the rule is met.
type Watch struct {
	rule     Rule
	progress float64 // of what has to be held, 1 is met
	last     float64
	minute   float64
	// When the moment came, and when enough was held; NaN before.
	moment, held float64
}

// NewWatch starts at minute 0 with the coldest meat at startC °C.
func NewWatch(r Rule, startC float64) Watch {
	return Watch{rule: r, last: startC, moment: math.NaN(), held: math.NaN()}
}

// Add takes the coldest meat's temperature at a minute, later than the last,
// and returns the minute at which the rule was met, or NaN while it is not.
func (w *Watch) Add(minute, coreC float64) float64 {
	from, start := w.last, w.minute
	w.last, w.minute = coreC, minute
	if math.IsNaN(w.moment) && coreC >= w.rule.CoreC {
		w.moment = minute
		if f := (w.rule.CoreC - from) / (coreC - from); f > 0 && f < 1 {
			w.moment = start + f*(minute-start)
		}
	}
	if math.IsNaN(w.held) && w.rule.held {
		before := w.progress
		if w.progress += (minute - start) * pace(from, coreC); w.progress >= 1 {
			w.held = start + (minute-start)*(1-before)/(w.progress-before)
		}
	}
	switch {
	case !w.rule.held:
		return w.moment
	case !w.rule.moment:
		return w.held
	}
	return math.Max(w.moment, w.held) // NaN while either is
}

// A Pathogen has its thermal death figures: D at a reference temperature, the
// z that shifts it, and by how much fat that surrounds it lengthens D.
type Pathogen struct {
	Name   string
	DMin   float64 // minutes for one tenth to survive at RefC
	RefC   float64
	Z      float64
	PerFat float64 // share of D a percent of fat over the first
	Source string
}

// The poultry tables run from 1 to 12 % of fat, over which the time for seven
// reductions grows by 1.23 to 1.29 (44.2 to 54.4 s at 68.3 °C, 63.3 to 81.4 min
// at 57.8 °C); the slower end is taken.
const (
	fatFrom, fatTo = 1.0, 12.0 // percent
	fatProtects    = 0.29 / (fatTo - fatFrom)
)

// PathogenFor returns what matters most for the class in flesh with so much
// fat, percent; ok is false where none is shown.
func PathogenFor(c Class, fatPct float64) (p Pathogen, ok bool) {
	switch c {
	case Poultry, MincedPoultry, Stuffed:
		p = Pathogen{"Salmonella", 0.386, 65.6, 5.6, fatProtects, "worked back from the times for a 7-log reduction in chicken with 1 to 12 % of fat, USDA FSIS Appendix A"}
	case Minced, WholeMeat:
		p = Pathogen{"Salmonella", 0.615, 62.8, 5.8, 0, "worked back from the times for a 6.5-log reduction in meat, USDA FSIS Appendix A"}
	case Fish:
		p = Pathogen{"Listeria", 0.33, 70, 7.5, 0, "Gaze et al., Food Microbiology 6, 1989: six reductions in 2 min at 70 °C"}
	default:
		return Pathogen{}, false
	}
	p.DMin *= 1 + p.PerFat*(math.Max(fatFrom, math.Min(fatPct, fatTo))-fatFrom)
	return p, true
}

// Reduction returns the decimal reductions in a span of minutes at t °C,
// none counted under 55.
func (p Pathogen) Reduction(t, minutes float64) float64 {
	if t < 55 || p.DMin == 0 {
		return 0
	}
	return minutes / (p.DMin * math.Pow(10, (p.RefC-t)/p.Z))
}
