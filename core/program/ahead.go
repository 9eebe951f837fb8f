package program

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"sync"

	"velocrustum/core/units"
)

// foresee says what comes of all that was seen by a minute.
func (b *Belief) foresee(all []Evidence, minute float64) (Foreseen, weighed) {
	f := Foreseen{AtMin: minute}
	var probe, both weighed
	var side sync.WaitGroup
	side.Go(func() { probe = b.weigh(all, false) })
	looked := slices.ContainsFunc(all, func(e Evidence) bool { return e.Kind == SeenLook || e.Kind == SeenCut || e.Kind == SeenSoft })
	if looked {
		both = b.weigh(all, true)
	}
	if side.Wait(); !looked {
		both = probe
	}
	mean, sd := 0.0, 0.0
	cores := make([]float64, len(probe.z))
	for i := range probe.z {
		cores[i] = b.at(b.core, &probe.z[i], minute)
		mean += probe.weight[i] * cores[i]
	}
	for i, c := range cores {
		sd += probe.weight[i] * (c - mean) * (c - mean)
	}
	f.CoreC, f.CoreSdC = mean, math.Hypot(math.Sqrt(sd), modelC)
	when := func(q *quadratic) func(*[dims]float64) float64 {
		return func(z *[dims]float64) float64 { return math.Exp(q.at(z)) }
	}
	safe := probe.quantiles(when(&b.safe), 0.5, 0.95)
	// What is seen may only say later.
	if late := both.quantiles(when(&b.safe), 0.95); late[0] > safe[1] {
		safe[1] = late[0]
	}
	safe[1] += modelMin
	for _, e := range all {
		if e.reads() && e.C < b.s.rule.CoreC {
			safe[0], safe[1] = math.Max(safe[0], e.AtMin), math.Max(safe[1], e.AtMin+0.5)
		}
	}
	// Two readings that both lie far under what is believed are no slips: the
	// lower is taken as it is, and heats from there.
	if low := b.twiceLow(probe, all); low != nil {
		at := low.AtMin + b.heating(probe, low.C)
		safe[0], safe[1] = math.Max(safe[0], at), math.Max(safe[1], at+modelMin)
		f.CoreC = math.Min(f.CoreC, low.C)
	}
	within := func(v float64) *float64 {
		if v >= b.end {
			return nil
		}
		return ptr(v)
	}
	f.SafeAtMin, f.SafeByMin = within(safe[0]), within(safe[1])
	if b.known[1] {
		f.CrispAtMin = within(both.quantiles(when(&b.crisp), 0.5)[0])
	}
	for _, e := range all {
		// Soft under the tongs wins over any estimate of the crust.
		if e.Kind == SeenSoft && (f.CrispAtMin == nil || *f.CrispAtMin < e.AtMin+softMore) && e.AtMin+softMore < b.end {
			f.CrispAtMin = ptr(e.AtMin + softMore)
		}
	}
	if b.known[2] {
		f.OverAtMin = within(both.quantiles(when(&b.over), 0.5)[0])
	}
	b.finish(&f, all)
	return f, both
}

// finish says how much longer, on which setting, and what else helps.
func (b *Belief) finish(f *Foreseen, all []Evidence) {
	if f.SafeByMin == nil {
		f.Says = "Not safe within the time that is looked at: probe again, and set it hotter or longer."
		return
	}
	soft := slices.ContainsFunc(all, func(e Evidence) bool { return e.Kind == SeenSoft && e.AtMin > f.AtMin-lately })
	until := *f.SafeByMin
	if soft && f.CrispAtMin != nil {
		until = math.Max(until, *f.CrispAtMin)
	}
	f.MoreMin = ptr(math.Max(0, math.Ceil(until-f.AtMin)))
	st := b.s.program.StageAt(f.AtMin)
	f.DialC = st.AirC
	soft = soft && *f.MoreMin > 0 && until > *f.SafeByMin
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

// farUnder is from when on a reading lies far under what is believed, in
// standard deviations of it.
const farUnder = 3.0

// twiceLow is the lower of the last two readings by hand, where both lie far
// under what is believed by them; nil otherwise.
func (b *Belief) twiceLow(w weighed, all []Evidence) *Evidence {
	var last []Evidence
	for _, e := range all {
		if e.Kind == SeenProbe {
			last = append(last, e)
		}
	}
	if len(last) < 2 {
		return nil
	}
	slices.SortStableFunc(last, func(a, b Evidence) int { return cmp.Compare(a.AtMin, b.AtMin) })
	last = last[len(last)-2:]
	for _, e := range last {
		mean, square := 0.0, 0.0
		for i := range w.z {
			c := b.at(b.core, &w.z[i], e.AtMin)
			mean, square = mean+w.weight[i]*c, square+w.weight[i]*c*c
		}
		if e.C > mean-farUnder*math.Hypot(math.Sqrt(math.Max(0, square-mean*mean)), math.Hypot(noiseC, modelC)) {
			return nil
		}
	}
	if last[0].C < last[1].C && last[1].AtMin-last[0].AtMin < 1 {
		return &last[0]
	}
	return &last[1]
}

// heating is how long the load in the middle of weighed ones takes from a
// temperature to that of the rule, minutes.
func (b *Belief) heating(w weighed, c float64) float64 {
	z := w.middle()
	from, to := -1.0, b.end
	for m := 0.0; m <= b.end; m += b.step {
		core := b.at(b.core, &z, m)
		if from < 0 && core >= c {
			from = m
		}
		if core >= b.s.rule.CoreC {
			to = m
			break
		}
	}
	return math.Max(0, to-math.Max(0, from))
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

// band is the inside of weighed loads, each minute until the program has
// ended, and as long after it as it is looked at.
func (b *Belief) band(w weighed) []Band {
	var out []Band
	for m := 0.0; m <= b.end; m++ {
		q := &b.core[min(int(m/b.step), len(b.core)-1)]
		mean, square := 0.0, 0.0
		for i := range w.z {
			if w.weight[i] < 1e-7 {
				continue
			}
			c := q.at(&w.z[i])
			mean, square = mean+w.weight[i]*c, square+w.weight[i]*c*c
		}
		sd := math.Hypot(modelC, math.Sqrt(math.Max(0, square-mean*mean)))
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
	out := Ahead{Band: b.band(both)}
	var err error
	if out.Timeline, err = b.middle(both); err != nil {
		return out, err
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
