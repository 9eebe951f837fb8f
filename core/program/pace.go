package program

import (
	"cmp"
	"math"
	"slices"
)

// # The pace
//
// What the inside has to say about safe is one figure: the load's pace, the
// minute at which its coldest spot is safe. A thermometer weighs paces, and
// nothing else of a load does, so that caution can be proved: where a
// likelihood falls off the faster the farther a reading lies from what a pace
// would have then (log-concave in the difference), the belief after a colder
// reading is later at every share (Karlin and Rubin, Ann. Math. Stat. 27,
// 1956). Whatever is done to a reading beforehand keeps that as long as a
// warmer one never comes out colder. Where the tip lay and what the
// thermometer shows too much is not learnt from the readings: one that is too
// warm would then explain another away.
//
// What loads have at a minute, by their pace, is a line through runs: over all
// that differs, and apart for those that differ by thickness alone and by the
// fan alone, since a thick piece is warmer at three fifths of its time than
// one under a weak fan. Paces beyond the runs are the nearest one's line,
// stretched in time (Fourier's number).

const (
	paces     = 320 // of the grid
	fastest   = 0.5 // of the quickest run's pace
	slowestBy = 6.0 // times the slowest run's
	knots     = 24
	smooth    = 0.06 // of log pace, over which runs are averaged

	// slowTail is the share of loads that no window foresees, thicker than was
	// said or under a clogged fan, and slowScale how far they go: the scale of
	// log pace. A thickness by ruler halves both. Own judgement.
	slowTail, slowScale = 0.10, 0.22

	// A reading is of a spot up to so many mm off the coldest, towards heat, by
	// the piece's own profile; as much as tipLeast and no more than tipMost, °C.
	tipMm, tipLeast, tipMost = 5.0, 3.0, 12.0
	// What is warmer still pulls earlier by as much a kelvin as one that is
	// warmPulls of its noise too warm; what is colder binds, to coldBinds of
	// all that is not known.
	warmPulls, coldBinds = 3.0, 6.0
	// released is how far under what a later reading allows an earlier one
	// still counts, °C: a low one binds until another is higher.
	released = 5.0
)

// pacing is what the inside of a load has by its pace.
type pacing struct {
	logs     [paces]float64 // log minutes
	families []family
	left     []float64 // by look: what is left over, °C
	bent     []float64 // by look: of the profile at the coldest spot, °C per mm²
	step     float64   // minutes between looks
	measured bool      // the thickness, by ruler
}

// A family is why loads differ in pace: by all that does, by their thickness,
// by the fan.
type family struct {
	share float64
	core  [][paces]float64 // by look: coldest spot of a load of that pace, never rising with it
}

// A pacedRun is a run with its pace.
type pacedRun struct {
	safe float64   // minutes
	core []float64 // by look
	bend []float64 // °C per mm²; of runs over all that differs
}

// newPacing lays lines through runs over all that differs, and through those
// that differ by thickness and by the fan alone.
func newPacing(all, thick, fan []pacedRun, step, end float64, measured bool) *pacing {
	p := &pacing{step: step, measured: measured}
	low, high := math.Inf(1), 0.0
	for _, runs := range [][]pacedRun{all, thick, fan} {
		for _, r := range runs {
			low, high = math.Min(low, r.safe), math.Max(high, r.safe)
		}
	}
	from, to := math.Log(fastest*low), math.Log(slowestBy*high)
	for k := range p.logs {
		p.logs[k] = from + (to-from)*float64(k)/(paces-1)
	}
	looks := int(end/step) + 1
	p.families = []family{{0.5, p.lines(p.smoothed(all, looks), looks)}}
	for _, runs := range [][]pacedRun{thick, fan} {
		if len(runs) > 1 {
			p.families = append(p.families, family{0.25, p.lines(runs, looks)})
		}
	}
	p.left, p.bent = make([]float64, looks), make([]float64, looks)
	for t := range looks {
		square, bent := 0.0, 0.0
		for _, r := range all {
			d := r.at(t) - p.lineAt(t, math.Log(r.safe))
			square += d * d / float64(len(all))
			bent += r.bend[min(t, len(r.bend)-1)] / float64(len(all))
		}
		p.left[t], p.bent[t] = math.Sqrt(square), bent
	}
	return p
}

func (r pacedRun) at(look int) float64 { return r.core[min(look, len(r.core)-1)] }

// smoothed are the runs as a line of few, by local straight lines.
func (p *pacing) smoothed(runs []pacedRun, looks int) []pacedRun {
	low, high := math.Inf(1), 0.0
	for _, r := range runs {
		low, high = math.Min(low, r.safe), math.Max(high, r.safe)
	}
	out := make([]pacedRun, knots)
	for j := range out {
		log := math.Log(low) + math.Log(high/low)*float64(j)/(knots-1)
		out[j] = pacedRun{safe: math.Exp(log), core: make([]float64, looks)}
		for t := range looks {
			var n, x, y, xx, xy float64
			for _, r := range runs {
				d := math.Log(r.safe) - log
				w := math.Exp(-d * d / (2 * smooth * smooth))
				v := r.at(t)
				n, x, y, xx, xy = n+w, x+w*d, y+w*v, xx+w*d*d, xy+w*d*v
			}
			det := n*xx - x*x
			if out[j].core[t] = y / n; det > 1e-9*n*n {
				out[j].core[t] = (xx*y - x*xy) / det
			}
		}
	}
	return out
}

// lines are what a load of each pace has at each look: between runs on a
// straight line of log pace, beyond them stretched in time.
func (p *pacing) lines(runs []pacedRun, looks int) [][paces]float64 {
	slices.SortFunc(runs, func(a, b pacedRun) int { return cmp.Compare(a.safe, b.safe) })
	out := make([][paces]float64, looks)
	j := 0
	for k, l := range p.logs {
		for j < len(runs)-1 && math.Log(runs[j].safe) <= l {
			j++
		}
		b := runs[j]
		switch {
		case j == 0 || l >= math.Log(b.safe):
			for t := range looks {
				x := float64(t) * b.safe / math.Exp(l)
				i := min(int(x), looks-1)
				f := math.Min(1, x-float64(i))
				out[t][k] = b.at(i)*(1-f) + b.at(i+1)*f
			}
		default:
			a := runs[j-1]
			f := (l - math.Log(a.safe)) / math.Log(b.safe/a.safe)
			for t := range looks {
				out[t][k] = a.at(t)*(1-f) + b.at(t)*f
			}
		}
		if k > 0 {
			for t := range looks {
				out[t][k] = math.Min(out[t][k], out[t][k-1])
			}
		}
	}
	return out
}

// along is the line of one pace at a minute.
func (p *pacing) along(core [][paces]float64, k int, minute float64) float64 {
	i, f := p.look(minute)
	return core[i][k]*(1-f) + core[i+1][k]*f
}

// look is between which looks a minute lies.
func (p *pacing) look(minute float64) (i int, f float64) {
	t := math.Max(0, math.Min(minute/p.step, float64(len(p.left)-1)))
	i = int(math.Min(t, float64(len(p.left)-2)))
	return i, t - float64(i)
}

// lineAt is what a load of a pace, its logarithm, has at a look, whatever it
// is that makes its pace.
func (p *pacing) lineAt(t int, log float64) float64 {
	x := (log - p.logs[0]) / (p.logs[1] - p.logs[0])
	k := int(math.Max(0, math.Min(x, paces-2)))
	f := math.Max(0, math.Min(1, x-float64(k)))
	core := &p.families[0].core[t]
	return core[k]*(1-f) + core[k+1]*f
}

// prior is how likely each pace is by weighed loads.
func (p *pacing) prior(w weighed, safe func(z *[dims]float64) float64) (out [paces]float64) {
	d := p.logs[1] - p.logs[0]
	for i := range w.z {
		x := math.Max(0, math.Min((math.Log(safe(&w.z[i]))-p.logs[0])/d, paces-1.001))
		k := int(x)
		out[k] += w.weight[i] * (1 - x + float64(k))
		out[k+1] += w.weight[i] * (x - float64(k))
	}
	return out
}

// wider is a prior with what no window foresees, for a thermometer to find.
func (p *pacing) wider(prior [paces]float64) [paces]float64 {
	share, scale := slowTail, slowScale
	if p.measured {
		share, scale = share/2, scale/2
	}
	middle := math.Log(p.quantile(&prior, 0.5))
	sum := 0.0
	var tail [paces]float64
	for k, l := range p.logs {
		if l > middle {
			tail[k] = math.Exp(-(l - middle) / scale)
		} else {
			tail[k] = math.Exp(-(middle - l) / (scale / 3))
		}
		sum += tail[k]
	}
	for k := range prior {
		prior[k] = (1-share)*prior[k] + share*tail[k]/sum
	}
	return prior
}

// A told is a thermometer's reading as it counts.
type told struct {
	minute, c float64
	weight    float64 // one for a reading by hand
	noise     float64 // the thermometer's own, °C
	pulls     float64 // see warmPulls
}

// hears turns readings into what counts, in the order of their minutes: those
// that are left in are thinned, and one that a later one contradicts binds no
// lower than that allows.
func (p *pacing) hears(all []Evidence) (out []told) {
	for _, e := range all {
		if e.Kind == SeenProbe {
			out = append(out, told{e.AtMin, e.C, 1, noiseC, warmPulls})
			if e.Piece == "any" {
				// Any piece is thinner than the thickest, and warmer.
				out[len(out)-1].pulls /= anyPiece
			}
		}
	}
	for _, in := range insertions(all) {
		for _, e := range in {
			out = append(out, told{math.Max(0, e.AtMin-leftLagMin), e.C, math.Min(1, leftCounts/float64(len(in))), leftNoiseC, warmPulls})
		}
	}
	slices.SortStableFunc(out, func(a, b told) int { return cmp.Compare(a.minute, b.minute) })
	for i := range out {
		a, floor := &out[i], math.Inf(-1)
		for _, b := range out[i+1:] {
			if b.minute > a.minute {
				floor = math.Max(floor, p.would(b.minute, b.c-tipC, a.minute)-released)
			}
		}
		a.c = math.Max(a.c, floor)
	}
	return out
}

// doubted are readings that are no warmer than was believed by those before
// them: what is warmer is likelier the tip, or the thermometer, than the food.
// docs/model.md has what that buys, and what it costs.
func (p *pacing) doubted(prior [paces]float64, readings []told) []told {
	out := slices.Clone(readings)
	var w [paces]float64
	weighed := -1
	for i := range out {
		a := &out[i]
		before := slices.IndexFunc(out, func(b told) bool { return b.minute >= a.minute })
		if before != weighed {
			w, weighed = p.weigh(prior, out[:before], true), before
		}
		mean, _ := p.inside(&w, a.minute)
		a.c = math.Min(a.c, mean+tipC/2)
	}
	return out
}

// would is what a load that has c at a minute had at an earlier one.
func (p *pacing) would(minute, c, earlier float64) float64 {
	core := p.families[0].core
	i, f := p.look(minute)
	for k := range p.logs {
		if core[i][k]*(1-f)+core[i+1][k]*f <= c {
			return p.along(core, k, earlier)
		}
	}
	return p.along(core, paces-1, earlier)
}

// weigh is how likely each pace is after what a thermometer said. It adds up
// to one, and is later at every share the colder any of it is. With caution
// the tip may lie where the piece's own profile is that much warmer; without,
// where it mostly does.
func (p *pacing) weigh(prior [paces]float64, all []told, caution bool) (out [paces]float64) {
	if len(all) == 0 {
		return prior
	}
	shares := 0.0
	for _, why := range p.families {
		shares += why.share
	}
	for _, why := range p.families {
		var logs [paces]float64
		for k := range logs {
			logs[k] = math.Log(prior[k] + 1e-300)
		}
		for _, e := range all {
			i, f := p.look(e.minute)
			left := p.left[i]*(1-f) + p.left[i+1]*f
			sd := math.Sqrt(e.noise*e.noise + modelC*modelC + left*left)
			noise, top, pulls := math.Hypot(e.noise, modelC), tipC, math.Min(e.pulls, 1)
			if caution {
				noise, pulls = e.noise, e.pulls
				top = math.Min(tipMost, math.Max(tipLeast, p.bent[i]*tipMm*tipMm))
			}
			for k := range logs {
				logs[k] -= e.weight * amiss(e.c-why.core[i][k]*(1-f)-why.core[i+1][k]*f, top, sd, noise, pulls)
			}
		}
		most, sum := slices.Max(logs[:]), 0.0
		for k := range logs {
			logs[k] = math.Exp(logs[k] - most)
			sum += logs[k]
		}
		for k := range out {
			out[k] += why.share / shares * logs[k] / sum
		}
	}
	return out
}

// amiss is by how much a reading d °C over the coldest spot speaks against it,
// a convex figure: nothing up to top, then by its noise and from pulls of that
// on a straight line; under it by all that is not known, sd.
func amiss(d, top, sd, noise, pulls float64) float64 {
	switch {
	case d > top+pulls*noise:
		return pulls * ((d-top)/noise - pulls/2)
	case d > top:
		return (d - top) * (d - top) / (2 * noise * noise)
	case d < -coldBinds*sd:
		return coldBinds * (-d/sd - coldBinds/2)
	case d < 0:
		return d * d / (2 * sd * sd)
	}
	return 0
}

// quantile is the pace, minutes, that a share of the belief is not over: each
// pace of the grid stands for those that are nearest to it.
func (p *pacing) quantile(w *[paces]float64, share float64) float64 {
	step, sum := p.logs[1]-p.logs[0], 0.0
	for k := range w {
		if sum+w[k] >= share && w[k] > 0 {
			return math.Exp(p.logs[k] + step*((share-sum)/w[k]-0.5))
		}
		sum += w[k]
	}
	return math.Exp(p.logs[paces-1])
}

// inside is the mean and the spread of the coldest spot at a minute.
func (p *pacing) inside(w *[paces]float64, minute float64) (mean, sd float64) {
	i, f := p.look(minute)
	square, core := 0.0, p.families[0].core
	for k, share := range w {
		c := core[i][k]*(1-f) + core[i+1][k]*f
		mean, square = mean+share*c, square+share*c*c
	}
	return mean, math.Sqrt(math.Max(0, square-mean*mean) + p.left[i]*p.left[i]*(1-f) + p.left[i+1]*p.left[i+1]*f + modelC*modelC)
}

// delay makes a belief as late at every share as another is.
func delay(w, other *[paces]float64) {
	mine, its, gone := 0.0, 0.0, 0.0
	for k := range w {
		mine, its = mine+w[k], its+other[k]
		now := math.Min(mine, its)
		w[k], gone = now-gone, now
	}
}
