package belief

import (
	"math"
	"slices"
	"sync"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
)

// Foreseen is what is foreseen at a minute, by all that was seen until then.
type Foreseen struct {
	AtMin   float64 `json:"atMin"`
	CoreC   float64 `json:"coreC"`
	CoreSdC float64 `json:"coreSdC"`
	// SafeAtMin is the median, SafeByMin the minute by which 95 in 100 are;
	// nil where not within what is looked at.
	SafeAtMin  *float64 `json:"safeAtMin"`
	SafeByMin  *float64 `json:"safeByMin"`
	CrispAtMin *float64 `json:"crispAtMin"`
	OverAtMin  *float64 `json:"overAtMin"`
	// MoreMin is how much longer it takes from now, "not done yet".
	MoreMin *float64 `json:"moreMin"`
	// DialC is the setting for that, and Mist whether oil helps now.
	DialC float64 `json:"dialC"`
	Mist  bool    `json:"mist"`
	Says  string  `json:"says"`
	// Lots is what is foreseen of each lot, where there are several.
	Lots []Foreseen `json:"lots,omitempty"`
}

// Ahead is a cook as it is believed in: the inside with the band that 90 in 100
// loads keep to, and the run of the load in the middle of them.
type Ahead struct {
	Band     []verdict.Band `json:"band"`
	Timeline []run.Moment   `json:"timeline"`
	// Says is what was seen changed of the crust; empty where nothing was.
	Says string `json:"says"`
	// Lots is that of each lot, where there are several.
	Lots []Ahead `json:"lots,omitempty"`
}

const (
	// softMore is how much longer at least what is soft takes, minutes.
	softMore = 2.0
	// lately is how long what was seen of a crust is news, minutes.
	lately = 3.0
	// lagging is by how many stages a face is paler than it was to be.
	lagging = 0.5
	// coolerBy and hotterBy are how far the dial is turned, °C, where the
	// outside runs ahead, and where the inside does.
	coolerByC, hotterByC = 20.0, 10.0
)

// Foresee is what is foreseen by all that was seen, at the minute of the last
// of it, and the cook as it is then believed in. With nothing seen it is what
// is believed beforehand. The error is refuse.Fields, or that of run.Start.
func (b *Belief) Foresee(seen []Evidence) (Foreseen, Ahead, error) {
	if err := CheckEvidence(seen, len(b.lots)); err != nil {
		return Foreseen{}, Ahead{}, err
	}
	last := 0.0
	for _, e := range seen {
		last = math.Max(last, e.AtMin)
	}
	f, believed := b.foresee(seen, last)
	var out Ahead
	for k, lot := range b.lots {
		a, err := lot.ahead(ofLot(seen, k), &believed[k])
		if err != nil {
			return f, out, err
		}
		if len(b.lots) == 1 {
			return f, a, nil
		}
		out.Lots = append(out.Lots, a)
	}
	// One line and one band at the top: those of the lot that is last.
	of := out.Lots[b.last(f.Lots)]
	out.Band, out.Timeline, out.Says = of.Band, of.Timeline, of.Says
	return f, out, nil
}

// last is the lot that is last to be safe, of those that are still in.
func (b *Belief) last(lots []Foreseen) (k int) {
	for i := range lots {
		if b.out(k, lots[k].AtMin) || !b.out(i, lots[i].AtMin) && afterwards(lots[i].SafeByMin, lots[k].SafeByMin) {
			k = i
		}
	}
	return k
}

// out says whether a lot is out by a minute.
func (b *Belief) out(lot int, minute float64) bool { return minute >= b.lots[lot].lot.Out }

// afterwards says whether a comes after b, where nil is never.
func afterwards(a, b *float64) bool { return b != nil && (a == nil || *a > *b) }

// foresee says what comes of all that was seen by a minute, over all lots and
// of each, and returns what is then believed of each.
func (b *Belief) foresee(all []Evidence, minute float64) (Foreseen, []believed) {
	lots, of := make([]Foreseen, len(b.lots)), make([]believed, len(b.lots))
	var side sync.WaitGroup
	for k, lot := range b.lots {
		side.Go(func() { lots[k], of[k] = lot.foresee(ofLot(all, k), minute) })
	}
	side.Wait()
	if len(lots) == 1 {
		return lots[0], of
	}
	b.lag(lots, all)
	return b.overAll(lots), of
}

// lag makes a lot that no thermometer was in as much later as the one that lags
// most behind what was believed beforehand: what holds it back may be the fryer.
func (b *Belief) lag(lots []Foreseen, all []Evidence) {
	late := 1.0
	read := make([]bool, len(lots))
	for k, lot := range b.lots {
		read[k] = slices.ContainsFunc(ofLot(all, k), Evidence.isReading)
		if before, _ := lot.foresee(nil, 0); read[k] && before.SafeByMin != nil {
			if lots[k].SafeByMin == nil {
				late = math.Inf(1)
			} else {
				late = math.Max(late, *lots[k].SafeByMin / *before.SafeByMin)
			}
		}
	}
	if late == 1 {
		return
	}
	for k := range lots {
		f := &lots[k]
		if read[k] || f.SafeByMin == nil || b.out(k, f.AtMin) {
			continue
		}
		f.SafeByMin = before(*f.SafeByMin*late, load.MaxMinutes)
		f.SafeAtMin = before(*f.SafeAtMin*late, load.MaxMinutes)
		b.lots[k].advise(f, f.SafeByMin, ofLot(all, k))
	}
}

// overAll is what is foreseen of all lots that are still in: as cold as the
// coldest, safe and crisp with the last, overdone with the first.
func (b *Belief) overAll(lots []Foreseen) Foreseen {
	last := b.last(lots)
	out := lots[last]
	for k := range lots {
		f := &lots[k]
		if k == last || b.out(k, f.AtMin) {
			continue
		}
		if f.CoreC < out.CoreC {
			out.CoreC, out.CoreSdC = f.CoreC, f.CoreSdC
		}
		if afterwards(f.SafeAtMin, out.SafeAtMin) {
			out.SafeAtMin = f.SafeAtMin
		}
		if afterwards(f.CrispAtMin, out.CrispAtMin) {
			out.CrispAtMin = f.CrispAtMin
		}
		if afterwards(out.OverAtMin, f.OverAtMin) {
			out.OverAtMin = f.OverAtMin
		}
		if afterwards(f.MoreMin, out.MoreMin) {
			out.MoreMin, out.DialC, out.Says = f.MoreMin, f.DialC, f.Says
		}
		out.Mist = out.Mist || f.Mist
	}
	out.Says = b.ofLotSays(b.last(lots), out.Says)
	out.Lots = lots
	return out
}

// believed is what is believed of a lot by all that was seen of it: the loads, and its
// pace, likely and with caution. byEye are the loads by what was seen beside a
// thermometer alone.
type believed struct {
	loads, byEye     weightedLoads
	likely, cautious shares
}

// foresee says what comes of all that was seen of a lot by a minute, and returns
// what is then believed.
func (b *lotBelief) foresee(all []Evidence, minute float64) (Foreseen, believed) {
	w := b.believed(all)
	f := b.foreseeInside(all, &w, minute)
	f.CrispAtMin = b.median(&w.loads, &b.crisp)
	until := f.SafeByMin
	for _, e := range all {
		if e.Kind != SeenSoft {
			continue
		}
		// Soft under the tongs wins over any estimate of the crust.
		if at := e.AtMin + softMore; (f.CrispAtMin == nil || *f.CrispAtMin < at) && at < b.end {
			f.CrispAtMin = &at
		}
		// How much longer it takes is by the crust as it was seen, whatever a
		// thermometer says of the fryer: a colder inside never shortens it.
		if c := b.median(&w.byEye, &b.crisp); e.AtMin > minute-lately && until != nil && c != nil {
			until = new(max(*until, *c, math.Min(e.AtMin+softMore, b.end)))
		}
	}
	f.OverAtMin = b.median(&w.loads, &b.over)
	b.advise(&f, until, all)
	return f, w
}

// median is when half of the loads come to an event, nil where that is not
// known, or lies past the end of what is looked at.
func (b *lotBelief) median(loads *weightedLoads, e *event) *float64 {
	if !e.holds {
		return nil
	}
	return before(loads.median(e.minute), b.end)
}

// before is a minute, or nil where it lies past the end of what is looked at.
func before(minute, end float64) *float64 {
	if minute >= end {
		return nil
	}
	return &minute
}

// foreseeInside is what comes of all that was seen for the inside.
func (b *lotBelief) foreseeInside(all []Evidence, w *believed, minute float64) (f Foreseen) {
	f.AtMin = minute
	f.CoreC, f.CoreSdC = b.pace.coldAt(&w.likely, minute)
	safe, by := b.pace.quantile(&w.likely, 0.5), b.pace.quantile(&w.cautious, 0.95)+modelMin
	for _, e := range all {
		if e.isReading() && e.C < b.lot.Rule.CoreC {
			safe, by = math.Max(safe, e.AtMin), math.Max(by, e.AtMin+0.5)
			if e.AtMin > minute-run.LookMin {
				// What was just read is shown as it was read.
				f.CoreC = math.Min(f.CoreC, e.C)
			}
		}
	}
	f.SafeAtMin, f.SafeByMin = before(safe, load.MaxMinutes), before(math.Max(safe, by), load.MaxMinutes)
	return f
}

// believed is what is believed by all that was seen. A thermometer weighs the pace; what
// was seen beside one only makes it later.
func (b *lotBelief) believed(all []Evidence) (w believed) {
	readings := b.pace.readings(all)
	var seen []Evidence
	looked := false
	for _, e := range all {
		switch e.Kind {
		case SeenDisplay:
			seen = append(seen, e)
		case SeenLook, SeenCut, SeenSoft:
			seen, looked = append(seen, e), true
		}
	}
	paceOf := func(loads weightedLoads) (likely, cautious shares) {
		prior := b.pace.prior(loads, b.safe.minute)
		if len(readings) == 0 {
			return prior, prior
		}
		prior = b.pace.withTail(prior)
		return b.pace.weigh(prior, readings, false), b.pace.weigh(prior, b.pace.capped(prior, readings), true)
	}
	w.loads = b.unseen
	var side sync.WaitGroup
	if len(all) > 0 {
		side.Go(func() { w.loads = b.weigh(all, true) })
	}
	byOthers := b.unseen // and by no look
	if len(seen) > 0 {
		byOthers = b.weigh(seen, false)
	}
	w.likely, w.cautious = paceOf(byOthers)
	if w.byEye = byOthers; looked {
		if len(readings) > 0 {
			w.byEye = b.weigh(seen, true)
		} else { // that is all that was seen
			side.Wait()
			w.byEye = w.loads
		}
		_, its := paceOf(w.byEye)
		w.cautious.noSoonerThan(&its)
	}
	side.Wait()
	return w
}

// What the dial does until it is done.
type dialAdvice int

const (
	asItIs dialAdvice = iota
	doneByNow
	cooler // the outside runs ahead of the inside
	hotter // the inside is there before the crust
	notWithinTime
)

// advise says how much longer it takes until a minute, on which setting, and
// what else helps.
func (b *lotBelief) advise(f *Foreseen, until *float64, all []Evidence) {
	if f.SafeByMin == nil {
		f.Says = b.foreseenSays(f, notWithinTime, 0)
		return
	}
	f.MoreMin = new(math.Max(0, math.Ceil(*until-f.AtMin)))
	dial, was := b.load.Dial, b.load.Program.StageAt(f.AtMin).AirC
	f.DialC = was
	soft := *f.MoreMin > 0 && *until > *f.SafeByMin
	what := asItIs
	switch {
	case *f.MoreMin == 0:
		what = doneByNow
	case f.OverAtMin != nil && *f.OverAtMin < *until-0.5 && was > dial.MinC:
		what, f.DialC = cooler, math.Max(dial.MinC, was-coolerByC)
	case soft && was < dial.MaxC && (f.OverAtMin == nil || *f.OverAtMin > *until+2):
		what, f.DialC = hotter, math.Min(dial.MaxC, was+hotterByC)
	}
	f.Mist = b.mist(all, f.AtMin)
	f.Says = b.foreseenSays(f, what, was)
}

// mist says whether oil helps: patches of dry flour, or a face that lags.
func (b *lotBelief) mist(all []Evidence, minute float64) bool {
	return slices.ContainsFunc(all, func(e Evidence) bool {
		switch {
		case e.AtMin < minute-lately:
			return false
		case e.Kind == SeenFloury:
			return true
		}
		return e.Kind == SeenLook && len(b.upBrown) > 0 && b.lot.Coating.Oiled() < 1 &&
			stageOf(e.Shade) < b.at(b.upAt(e.Where), &ensemble.Point{}, e.AtMin)-lagging
	})
}

// ahead is the cook as it is believed in.
func (b *lotBelief) ahead(all []Evidence, w *believed) (out Ahead, err error) {
	for m := 0.0; m <= b.end; m++ {
		mean, sd := b.pace.coldAt(&w.likely, m)
		out.Band = append(out.Band, verdict.Band{Minute: m, LowC: run.Hundredth(mean - 1.645*sd), HighC: run.Hundredth(mean + 1.645*sd)})
	}
	if out.Timeline, err = b.runOf(w.loads.middle()); err != nil {
		return out, err
	}
	for i, m := range out.Timeline {
		// One inside is believed in, in the line as in the band.
		mean, _ := b.pace.coldAt(&w.likely, m.Minute)
		out.Timeline[i].CoreC = run.Hundredth(mean)
	}
	if !slices.ContainsFunc(all, func(e Evidence) bool { return e.Kind == SeenLook || e.Kind == SeenSoft }) {
		return out, nil
	}
	forecast, err := b.runOf(ensemble.Point{ensemble.BySize: b.size.mean})
	if err != nil {
		return out, err
	}
	out.Says = browningSays(goldAt(forecast), goldAt(out.Timeline))
	return out, nil
}

// runOf is the run of one load.
func (b *lotBelief) runOf(z ensemble.Point) ([]run.Moment, error) {
	v := b.wide.At(&z)
	r, err := run.Start(b.carried, v, run.Coarse)
	if err != nil {
		return nil, err
	}
	var line []run.Moment
	r.Carry(func(minute float64) bool {
		line = append(line, r.Lots[b.lot.Number].Moment(minute).Rounded())
		return true
	})
	return line, nil
}

// goldAt is when the browner face is gold, minutes; nil where it is not.
func goldAt(line []run.Moment) *float64 {
	for _, m := range line {
		if m.Browner() >= 1 {
			return &m.Minute
		}
	}
	return nil
}
