package program

import (
	"context"
	"fmt"
	"math"
	"slices"
	"sync"

	"velocrustum/core/units"
)

// foresee says what comes of all that was seen by a minute.
func (b *Belief) foresee(all []Evidence, minute float64) (Foreseen, weighed) {
	var both weighed
	var side sync.WaitGroup
	side.Go(func() { both = b.weigh(all, true) })
	f, seen := b.inside(all, minute)
	side.Wait()
	crisp := func(w weighed) *float64 {
		if !b.known[1] {
			return nil
		}
		return within(w.quantiles(func(z *[dims]float64) float64 { return math.Exp(b.crisp.at(z)) }, 0.5)[0], b.end)
	}
	f.CrispAtMin = crisp(both)
	until := f.SafeByMin
	for _, e := range all {
		if e.Kind != SeenSoft {
			continue
		}
		// Soft under the tongs wins over any estimate of the crust.
		if at := e.AtMin + softMore; (f.CrispAtMin == nil || *f.CrispAtMin < at) && at < b.end {
			f.CrispAtMin = ptr(at)
		}
		// How much longer it takes is by the crust as it was seen, whatever a
		// thermometer says of the fryer: a colder inside never shortens it.
		if c := crisp(seen); e.AtMin > minute-lately && until != nil && c != nil {
			until = ptr(max(*until, *c, math.Min(e.AtMin+softMore, b.end)))
		}
	}
	if b.known[2] {
		f.OverAtMin = within(both.quantiles(func(z *[dims]float64) float64 { return math.Exp(b.over.at(z)) }, 0.5)[0], b.end)
	}
	b.finish(&f, until, all)
	return f, both
}

// within is a minute, or nil where it lies past the end of what is looked at.
func within(v, end float64) *float64 {
	if v >= end {
		return nil
	}
	return ptr(v)
}

// inside is what comes of all that was seen for the inside, and the loads that
// are believed in by what was seen beside a thermometer.
func (b *Belief) inside(all []Evidence, minute float64) (f Foreseen, seen weighed) {
	f.AtMin = minute
	likely, cautious, seen := b.paced(all)
	f.CoreC, f.CoreSdC = b.pace.inside(&likely, minute)
	safe, by := b.pace.quantile(&likely, 0.5), b.pace.quantile(&cautious, 0.95)+modelMin
	for _, e := range all {
		if e.reads() && e.C < b.s.rule.CoreC {
			safe, by = math.Max(safe, e.AtMin), math.Max(by, e.AtMin+0.5)
			if e.AtMin > minute-record/60 {
				// What was just read is shown as it was read.
				f.CoreC = math.Min(f.CoreC, e.C)
			}
		}
	}
	f.SafeAtMin, f.SafeByMin = within(safe, MaxMinutes), within(math.Max(safe, by), MaxMinutes)
	return f, seen
}

// finish says how much longer it takes, until it ends, on which setting, and
// what else helps.
func (b *Belief) finish(f *Foreseen, ends *float64, all []Evidence) {
	if f.SafeByMin == nil {
		f.Says = "Not safe within the time that is looked at: probe again, and set it hotter or longer."
		return
	}
	until := *ends
	f.MoreMin = ptr(math.Max(0, math.Ceil(until-f.AtMin)))
	st := b.s.program.StageAt(f.AtMin)
	f.DialC = st.AirC
	soft := *f.MoreMin > 0 && until > *f.SafeByMin
	switch {
	case *f.MoreMin == 0:
		f.Says = fmt.Sprintf("95 loads in 100 like this are safe by now: the thermometer decides, %s in the coldest spot.", b.s.units.Degrees(b.s.rule.CoreC))
	case f.OverAtMin != nil && *f.OverAtMin < until-0.5 && st.AirC > b.s.dial.MinC:
		f.DialC = math.Max(b.s.dial.MinC, st.AirC-20)
		f.Says = fmt.Sprintf("%.0f min more, on %s instead of %s: the outside runs ahead of the inside.", *f.MoreMin, b.s.units.Degrees(f.DialC), b.s.units.Degrees(st.AirC))
	case soft && st.AirC < b.s.dial.MaxC && (f.OverAtMin == nil || *f.OverAtMin > until+2):
		f.DialC = math.Min(b.s.dial.MaxC, st.AirC+10)
		f.Says = fmt.Sprintf("%.0f min more, on %s instead of %s: the inside is there before the crust.", *f.MoreMin, b.s.units.Degrees(f.DialC), b.s.units.Degrees(st.AirC))
	default:
		f.Says = fmt.Sprintf("%.0f min more, on %s as it is.", *f.MoreMin, b.s.units.Degrees(st.AirC))
	}
	if f.Mist = b.mist(all, f.AtMin); f.Mist {
		f.Says += " Mist what is pale or floury with oil now: bare flour stays white."
	}
}

// paced is what is believed of the pace by all that was seen, likely and with
// caution. A thermometer weighs it; what was seen beside one only makes it
// later. Seen are the loads that are believed in by that alone.
func (b *Belief) paced(all []Evidence) (likely, cautious [paces]float64, seen weighed) {
	readings := b.pace.hears(all)
	var shown []Evidence
	looked := false
	for _, e := range all {
		switch e.Kind {
		case SeenDisplay:
			shown = append(shown, e)
		case SeenLook, SeenCut, SeenSoft:
			shown, looked = append(shown, e), true
		}
	}
	of := func(loads weighed) (likely, cautious [paces]float64) {
		prior := b.pace.prior(loads, func(z *[dims]float64) float64 { return math.Exp(b.safe.at(z)) })
		if len(readings) == 0 {
			return prior, prior
		}
		prior = b.pace.wider(prior)
		return b.pace.weigh(prior, readings, false), b.pace.weigh(prior, b.pace.doubted(prior, readings), true)
	}
	seen = b.calm
	if len(shown) > 0 {
		seen = b.weigh(shown, false)
	}
	if likely, cautious = of(seen); looked {
		seen = b.weigh(shown, true)
		_, its := of(seen)
		delay(&cautious, &its)
	}
	return likely, cautious, seen
}

// middle is the load in the middle of weighed ones.
func (w weighed) middle() (z [dims]float64) {
	for i := range w.z {
		for k := range z {
			z[k] += w.weight[i] * w.z[i][k]
		}
	}
	return z
}

// softMore is how much longer at least what is soft takes, minutes.
const softMore = 2.0

// lately is how long what was seen of a crust is news, minutes.
const lately = 3.0

// mist says whether oil helps: patches of dry flour, or a face that lags.
func (b *Belief) mist(all []Evidence, minute float64) bool {
	return slices.ContainsFunc(all, func(e Evidence) bool {
		switch {
		case e.AtMin < minute-lately:
			return false
		case e.Kind == SeenFloury:
			return true
		}
		return e.Kind == SeenLook && len(b.pale) > 0 && b.s.coating.Oiled() < 1 && stageOf(e.Shade) < b.at(b.pale, &[dims]float64{}, e.AtMin)-lagging
	})
}

// lagging is by how many stages a face is paler than it was to be.
const lagging = 0.5

// Ahead is a cook as it is believed in: the inside with the band that 90 in 100
// loads keep to, and the run of the load in the middle of them.
type Ahead struct {
	Band     []Band   `json:"band"`
	Timeline []Moment `json:"timeline"`
	// Says is what was seen changed of the crust; empty where nothing was.
	Says string `json:"says"`
}

// band is the inside as it is believed in, each minute until the program has
// ended, and as long after it as it is looked at.
func (b *Belief) band(likely *[paces]float64) []Band {
	var out []Band
	for m := 0.0; m <= b.end; m++ {
		mean, sd := b.pace.inside(likely, m)
		out = append(out, Band{m, hundredth(mean - 1.645*sd), hundredth(mean + 1.645*sd)})
	}
	return out
}

// middle is the run of the load in the middle of weighed ones.
func (b *Belief) middle(w weighed) ([]Moment, error) {
	z := w.middle()
	r, err := newRun(&b.on, b.wide.at(&z), searching)
	if err != nil {
		return nil, err
	}
	var line []Moment
	r.carry(func(minute float64) bool {
		line = append(line, r.moment(minute).Rounded())
		return true
	})
	return line, nil
}

// goldAt is when the browner face is gold, minutes; nil where it is not.
func goldAt(line []Moment) *float64 {
	for _, m := range line {
		if math.Max(m.Faces[0].Brown, m.Faces[1].Brown) >= 1 {
			return &m.Minute
		}
	}
	return nil
}

// ahead is the cook as it is believed in.
func (b *Belief) ahead(all []Evidence, both weighed) (Ahead, error) {
	likely, _, _ := b.paced(all)
	out := Ahead{Band: b.band(&likely)}
	var err error
	if out.Timeline, err = b.middle(both); err != nil {
		return out, err
	}
	for i, m := range out.Timeline {
		// One inside is believed in, in the line as in the band.
		mean, _ := b.pace.inside(&likely, m.Minute)
		out.Timeline[i].CoreC = hundredth(mean)
	}
	if !slices.ContainsFunc(all, func(e Evidence) bool { return e.Kind == SeenLook || e.Kind == SeenSoft }) {
		return out, nil
	}
	before, err := b.middle(weighed{[][dims]float64{{bySize: b.size[0]}}, []float64{1}})
	if err != nil {
		return out, err
	}
	was, is := goldAt(before), goldAt(out.Timeline)
	switch {
	case was == nil && is == nil:
		out.Says = "By what you saw it stays paler than gold, as forecast."
	case is == nil:
		out.Says = "By what you saw it browns more slowly: not gold within this time."
	case was == nil:
		out.Says = fmt.Sprintf("By what you saw it browns faster: gold at %s.", units.Minutes(math.Round(*is)))
	case math.Abs(*is-*was) < 1:
		out.Says = "As forecast: what you saw changes little."
	case *is > *was:
		out.Says = fmt.Sprintf("By what you saw it browns more slowly: gold %s later, at %s.", units.Minutes(math.Round(*is-*was)), units.Minutes(math.Round(*is)))
	default:
		out.Says = fmt.Sprintf("By what you saw it browns faster: gold %s sooner, at %s.", units.Minutes(math.Round(*was-*is)), units.Minutes(math.Round(*is)))
	}
	return out, nil
}

// Believe lays the runs of a cook whose program is what has happened and what
// is still to come. The error is refuse.Fields, or the context's.
func Believe(ctx context.Context, q Request) (*Belief, error) {
	s, err := resolve(q)
	if err != nil {
		return nil, err
	}
	return believe(ctx, &s)
}

// Foresee is what is foreseen by all that was seen, at the minute of the last
// of it, and the cook as it is then believed in. With nothing seen it is what
// is believed beforehand. The error is refuse.Fields.
func (b *Belief) Foresee(seen []Evidence) (Foreseen, Ahead, error) {
	if err := CheckEvidence(seen); err != nil {
		return Foreseen{}, Ahead{}, err
	}
	last := 0.0
	for _, e := range seen {
		last = math.Max(last, e.AtMin)
	}
	f, both := b.foresee(seen, last)
	a, err := b.ahead(seen, both)
	return f, a, err
}
