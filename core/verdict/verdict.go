package verdict

import (
	"math"

	"velocrustum/core/load"
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

// severity is the order of standings, the worst first.
var severity = map[Standing]int{NeverSafe: 0, NeverCrisp: 1, NoGoodTime: 2, TooShort: 3, ReadyWindow: 4, ReadyOpen: 4}

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

	// When it is ready, until when it is good and when its inside is safe, to
	// the moment, and whenever that comes; nil for never.
	ReadyAtMin, GoodUntilMin, SafeAtMin *float64 `json:"-"`

	crispInTime bool
}

// moment is what still counts as the minute itself. Whole minutes, once and for
// all: what must not be too early is rounded up, what must not be too late down.
const moment = 0.05

// NotBefore is the whole minute for what must not be too early.
func NotBefore(m float64) float64 { return math.Max(1, math.Ceil(m-moment)) }

// NotAfter is the whole minute for what must not be too late.
func NotAfter(m float64) float64 { return math.Floor(m + moment) }

// Past says whether a minute is over another, by more than a moment.
func Past(m, end float64) bool { return m > end+moment }

// figures are what a verdict is of, minutes; nil for never.
type figures struct {
	end       float64 // of the program
	safe      *float64
	ready     *float64 // safe, and crisp in half of the loads
	goodUntil *float64
	first     *float64 // when there is first something to find
	crisp     *float64
	bound     load.Overdone
	plant     bool
	inside    string   // what it is inside when its rule is met
	outside   string   // … and outside
	spots     []string // where it is probed, nil for its thickest
	safeByEnd *float64 // share of loads, where it is worth saying
}

// worthSaying is the least share of loads that is safe by the end and said.
const worthSaying = 0.15

// figures are read off the answer. Without chances they are the nominal load's.
func (j *judging) figures() figures {
	a := j.answer
	f := figures{end: j.load.End(j.lot), safe: a.SafeAtMin, ready: a.Window.FromMin, goodUntil: a.Window.ToMin, first: a.SafeAtMin,
		crisp: a.CrispAtMin, bound: a.Window.Bound, plant: j.lot.Plant(), inside: j.lot.Inside(), outside: j.lot.Outside(), spots: j.lot.Cut.SpotNames()}
	c := a.Chance
	if c == nil {
		return f
	}
	f.safe, f.ready, f.goodUntil, f.first = c.SafeByMin, nil, c.BestUntilMin, c.LookFirstMin
	if half := c.HalfReadyMin; f.safe != nil && half != nil {
		f.ready = new(math.Max(*f.safe, *half))
	}
	for i := range c.By {
		if math.Abs(c.By[i].Minute-f.end) < 0.3 && c.By[i].Safe >= worthSaying {
			f.safeByEnd = &c.By[i].Safe
			break
		}
	}
	return f
}

// inTime says whether something happens within the program.
func (f *figures) inTime(minute *float64) bool { return minute != nil && !Past(*minute, f.end) }

// verdict reads an answer.
func (j *judging) verdict() Verdict {
	f := j.figures()
	v := Verdict{ReadyAtMin: f.ready, GoodUntilMin: f.goodUntil, SafeAtMin: f.safe, crispInTime: f.inTime(f.crisp)}
	switch {
	case f.safe == nil || !f.inTime(f.safe) && (f.ready == nil || f.goodUntil != nil && *f.goodUntil < *f.ready):
		v.Standing = NeverSafe
	case f.ready == nil:
		v.Standing = NeverCrisp
	case f.goodUntil != nil && NotAfter(*f.goodUntil) < NotBefore(*f.ready):
		v.Standing = NoGoodTime
	case !f.inTime(f.ready):
		v.Standing = TooShort
	default:
		v.Ready, v.FromMin, v.Standing = true, new(NotBefore(*f.ready)), ReadyOpen
		if f.goodUntil != nil {
			v.Standing, v.ToMin = ReadyWindow, new(math.Max(NotAfter(*f.goodUntil), *v.FromMin))
		}
	}
	f.word(&v)
	return v
}

// together is the verdict over all lots in a basket: ready only if each is, at
// one time or taken out in its own.
func together(l *load.Load, lots []LotAnswer) Verdict {
	worst, last := lots[0].Verdict, lots[0].Verdict
	var from, safe float64
	to := math.Inf(1)
	apart := false
	out := Verdict{SafeBy: lots[0].Verdict.SafeBy, CrispAt: lots[0].Verdict.CrispAt}
	for k := range lots {
		v := lots[k].Verdict
		switch {
		case v.SafeAtMin == nil || Past(*v.SafeAtMin, l.End(l.Lots[k])):
			safe, out.SafeBy = math.Inf(1), v.SafeBy
		case *v.SafeAtMin > safe:
			safe, out.SafeBy = *v.SafeAtMin, v.SafeBy
		}
		if !v.crispInTime {
			out.CrispAt = v.CrispAt
		}
		if severity[v.Standing] < severity[worst.Standing] {
			worst = v
		}
		if !v.Ready {
			continue
		}
		if at := l.Lots[k].Out; !math.IsInf(at, 1) {
			apart = true
			if at < *v.FromMin-moment || v.ToMin != nil && at > *v.ToMin+1 {
				worst.Standing, worst.Ready = NoGoodTime, false
			}
			continue
		}
		if *v.FromMin > from {
			from, last = *v.FromMin, v
		}
		if v.ToMin != nil {
			to = math.Min(to, *v.ToMin)
		}
	}
	out.First = last.First
	switch {
	case severity[worst.Standing] < severity[ReadyWindow]:
		out.Standing, out.Figure = worst.Standing, worst.Figure
		if worst.ReadyAtMin != nil && !worst.Ready {
			out.ReadyAtMin, out.GoodUntilMin, out.SafeAtMin = worst.ReadyAtMin, worst.GoodUntilMin, worst.SafeAtMin
		}
		out.Says = eachSays(lots)
		return out
	case to < from:
		out.Standing = NoGoodTime
	default:
		out.Ready, out.FromMin, out.Standing = true, &from, ReadyOpen
		if !math.IsInf(to, 1) {
			out.GoodUntilMin, out.ToMin, out.Standing = &to, &to, ReadyWindow
		}
	}
	out.SafeAtMin, out.ReadyAtMin = &safe, &from
	wordTogether(&out, lots, apart, l.Minutes())
	return out
}
