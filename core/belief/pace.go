package belief

import (
	"cmp"
	"math"
	"slices"

	"velocrustum/core/ensemble"
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
	// the piece's own profile; as much as tipLeastC and no more than tipMostC.
	tipMm, tipLeastC, tipMostC = 5.0, 3.0, 12.0
	// What is warmer still pulls earlier by as much a kelvin as one that is
	// warmPulls of its noise too warm; what is colder binds, to coldBinds of
	// all that is not known.
	warmPulls, coldBinds = 3.0, 6.0
	// releasedC is how far under what a later reading allows an earlier one
	// still counts: a low one binds until another is higher.
	releasedC = 5.0
)

// shares is how likely each pace of the grid is; they add up to one.
type shares [paces]float64

// A paceModel is what the inside of a load has by its pace.
type paceModel struct {
	logs      [paces]float64 // log minutes
	causes    []cause
	leftoverC []float64 // by look: how far runs lie off their line
	bend      []float64 // by look: of the profile at the coldest spot, °C per mm²
	step      float64   // minutes between looks
	measured  bool      // the thickness, by ruler
}

// A cause is why loads differ in pace: by all that does, by their thickness, by
// the fan.
type cause struct {
	share float64
	coldC [][paces]float64 // by look: coldest spot of a load of that pace, never rising with it
}

// A pacedRun is a run with its pace.
type pacedRun struct {
	safe  float64   // minutes
	coldC []float64 // by look
	bend  []float64 // °C per mm²; of runs over all that differs
}

func (r pacedRun) at(look int) float64 { return r.coldC[min(look, len(r.coldC)-1)] }

// newPaceModel lays lines through runs over all that differs, and through those
// that differ by thickness and by the fan alone, up to a minute.
func newPaceModel(all, thick, fan []pacedRun, step, end float64, measured bool) *paceModel {
	m := &paceModel{step: step, measured: measured}
	low, high := math.Inf(1), 0.0
	for _, runs := range [][]pacedRun{all, thick, fan} {
		for _, r := range runs {
			low, high = math.Min(low, r.safe), math.Max(high, r.safe)
		}
	}
	from, to := math.Log(fastest*low), math.Log(slowestBy*high)
	for k := range m.logs {
		m.logs[k] = from + (to-from)*float64(k)/(paces-1)
	}
	looks := int(end/step) + 1
	m.causes = []cause{{0.5, m.lines(smoothed(all, looks), looks)}}
	for _, runs := range [][]pacedRun{thick, fan} {
		if len(runs) > 1 {
			m.causes = append(m.causes, cause{0.25, m.lines(runs, looks)})
		}
	}
	m.leftoverC, m.bend = make([]float64, looks), make([]float64, looks)
	for t := range looks {
		square, bend := 0.0, 0.0
		for _, r := range all {
			d := r.at(t) - m.expectedC(t, math.Log(r.safe))
			square += d * d / float64(len(all))
			bend += r.bend[min(t, len(r.bend)-1)] / float64(len(all))
		}
		m.leftoverC[t], m.bend[t] = math.Sqrt(square), bend
	}
	return m
}

// smoothed are the runs as a line of few, by local straight lines.
func smoothed(runs []pacedRun, looks int) []pacedRun {
	low, high := math.Inf(1), 0.0
	for _, r := range runs {
		low, high = math.Min(low, r.safe), math.Max(high, r.safe)
	}
	out := make([]pacedRun, knots)
	for j := range out {
		log := math.Log(low) + math.Log(high/low)*float64(j)/(knots-1)
		out[j] = pacedRun{safe: math.Exp(log), coldC: make([]float64, looks)}
		for t := range looks {
			var n, x, y, xx, xy float64
			for _, r := range runs {
				d := math.Log(r.safe) - log
				w := math.Exp(-d * d / (2 * smooth * smooth))
				v := r.at(t)
				n, x, y, xx, xy = n+w, x+w*d, y+w*v, xx+w*d*d, xy+w*d*v
			}
			det := n*xx - x*x
			if out[j].coldC[t] = y / n; det > 1e-9*n*n {
				out[j].coldC[t] = (xx*y - x*xy) / det
			}
		}
	}
	return out
}

// lines are what a load of each pace has at each look: between runs on a
// straight line of log pace, beyond them stretched in time.
func (m *paceModel) lines(runs []pacedRun, looks int) [][paces]float64 {
	slices.SortFunc(runs, func(a, b pacedRun) int { return cmp.Compare(a.safe, b.safe) })
	out := make([][paces]float64, looks)
	j := 0
	for k, l := range m.logs {
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

// looksAround is between which looks a minute lies, and how far past the first.
func (m *paceModel) looksAround(minute float64) (look int, past float64) {
	t := math.Max(0, math.Min(minute/m.step, float64(len(m.leftoverC)-1)))
	look = int(math.Min(t, float64(len(m.leftoverC)-2)))
	return look, t - float64(look)
}

// expectedC is what a load of a pace, its logarithm, has at a look, whatever it
// is that makes its pace.
func (m *paceModel) expectedC(look int, log float64) float64 {
	x := (log - m.logs[0]) / (m.logs[1] - m.logs[0])
	k := int(math.Max(0, math.Min(x, paces-2)))
	f := math.Max(0, math.Min(1, x-float64(k)))
	line := &m.causes[0].coldC[look]
	return line[k]*(1-f) + line[k+1]*f
}

// prior is how likely each pace is by weighted loads, whose minutes to safe are
// given.
func (m *paceModel) prior(w weightedLoads, safe func(z *ensemble.Point) float64) (out shares) {
	d := m.logs[1] - m.logs[0]
	for i := range w.z {
		x := math.Max(0, math.Min((math.Log(safe(&w.z[i]))-m.logs[0])/d, paces-1.001))
		k := int(x)
		out[k] += w.weight[i] * (1 - x + float64(k))
		out[k+1] += w.weight[i] * (x - float64(k))
	}
	return out
}

// withTail is a prior with what no window foresees, for a thermometer to find.
func (m *paceModel) withTail(prior shares) shares {
	share, scale := slowTail, slowScale
	if m.measured {
		share, scale = share/2, scale/2
	}
	middle := math.Log(m.quantile(&prior, 0.5))
	sum := 0.0
	var tail shares
	for k, l := range m.logs {
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

// A reading is a thermometer's, as it counts.
type reading struct {
	minute, c float64
	weight    float64 // one for a reading by hand
	noiseC    float64 // the thermometer's own
	pulls     float64 // see warmPulls
}

// readings turns what was seen into what counts, in the order of their minutes:
// those that are left in are thinned, and one that a later one contradicts binds
// no lower than that allows.
func (m *paceModel) readings(all []Evidence) (out []reading) {
	for _, e := range all {
		if e.Kind == SeenProbe {
			out = append(out, reading{e.AtMin, e.C, 1, noiseC, warmPulls})
			if e.Piece == "any" {
				// Any piece is thinner than the thickest, and warmer.
				out[len(out)-1].pulls /= anyPiece
			}
		}
	}
	for _, in := range insertions(all) {
		for _, e := range in {
			out = append(out, reading{math.Max(0, e.AtMin-leftLagMin), e.C, math.Min(1, leftCounts/float64(len(in))), leftNoiseC, warmPulls})
		}
	}
	slices.SortStableFunc(out, func(a, b reading) int { return cmp.Compare(a.minute, b.minute) })
	for i := range out {
		a, floor := &out[i], math.Inf(-1)
		for _, b := range out[i+1:] {
			if b.minute > a.minute {
				floor = math.Max(floor, m.earlierC(b.minute, b.c-tipC, a.minute)-releasedC)
			}
		}
		a.c = math.Max(a.c, floor)
	}
	return out
}

// capped are readings that are no warmer than was believed by those before
// them: what is warmer is likelier the tip, or the thermometer, than the food.
// docs/model.md has what that buys, and what it costs.
func (m *paceModel) capped(prior shares, all []reading) []reading {
	out := slices.Clone(all)
	var w shares
	weighed := -1
	for i := range out {
		a := &out[i]
		before := slices.IndexFunc(out, func(b reading) bool { return b.minute >= a.minute })
		if before != weighed {
			w, weighed = m.weigh(prior, out[:before], true), before
		}
		mean, _ := m.coldAt(&w, a.minute)
		a.c = math.Min(a.c, mean+tipC/2)
	}
	return out
}

// earlierC is what a load that has c at a minute had at an earlier one.
func (m *paceModel) earlierC(minute, c, earlier float64) float64 {
	line := m.causes[0].coldC
	i, f := m.looksAround(minute)
	k := 0
	for k < paces-1 && line[i][k]*(1-f)+line[i+1][k]*f > c {
		k++
	}
	i, f = m.looksAround(earlier)
	return line[i][k]*(1-f) + line[i+1][k]*f
}

// weigh is how likely each pace is after what a thermometer said, later at every
// share the colder any of it is. With caution the tip may lie where the piece's
// own profile is that much warmer; without, where it mostly does.
func (m *paceModel) weigh(prior shares, all []reading, caution bool) (out shares) {
	if len(all) == 0 {
		return prior
	}
	causes := 0.0
	for _, why := range m.causes {
		causes += why.share
	}
	for _, why := range m.causes {
		its, sum := why.weigh(m, prior, all, caution)
		for k := range out {
			out[k] += why.share / causes * its[k] / sum
		}
	}
	return out
}

// weigh is the same where this alone makes the pace, times sum.
func (why *cause) weigh(m *paceModel, prior shares, all []reading, caution bool) (out shares, sum float64) {
	for k := range out {
		out[k] = math.Log(prior[k] + 1e-300)
	}
	for _, e := range all {
		i, f := m.looksAround(e.minute)
		left := m.leftoverC[i]*(1-f) + m.leftoverC[i+1]*f
		sd := math.Sqrt(e.noiseC*e.noiseC + modelC*modelC + left*left)
		noise, top, pulls := math.Hypot(e.noiseC, modelC), tipC, math.Min(e.pulls, 1)
		if caution {
			noise, pulls = e.noiseC, e.pulls
			top = math.Min(tipMostC, math.Max(tipLeastC, m.bend[i]*tipMm*tipMm))
		}
		for k := range out {
			out[k] -= e.weight * against(e.c-why.coldC[i][k]*(1-f)-why.coldC[i+1][k]*f, top, sd, noise, pulls)
		}
	}
	most := slices.Max(out[:])
	for k := range out {
		out[k] = math.Exp(out[k] - most)
		sum += out[k]
	}
	return out, sum
}

// against is by how much a reading d °C over the coldest spot speaks against it,
// a convex figure: nothing up to top, then by its noise and from pulls of that
// on a straight line; under it by all that is not known, sd.
func against(d, top, sd, noise, pulls float64) float64 {
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
func (m *paceModel) quantile(w *shares, share float64) float64 {
	step, sum := m.logs[1]-m.logs[0], 0.0
	for k := range w {
		if sum+w[k] >= share && w[k] > 0 {
			return math.Exp(m.logs[k] + step*((share-sum)/w[k]-0.5))
		}
		sum += w[k]
	}
	return math.Exp(m.logs[paces-1])
}

// coldAt is the mean and the spread of the coldest spot at a minute, °C.
func (m *paceModel) coldAt(w *shares, minute float64) (mean, sd float64) {
	i, f := m.looksAround(minute)
	square, line := 0.0, m.causes[0].coldC
	for k, share := range w {
		c := line[i][k]*(1-f) + line[i+1][k]*f
		mean, square = mean+share*c, square+share*c*c
	}
	return mean, math.Sqrt(math.Max(0, square-mean*mean) + m.leftoverC[i]*m.leftoverC[i]*(1-f) + m.leftoverC[i+1]*m.leftoverC[i+1]*f + modelC*modelC)
}

// noSoonerThan makes a belief as late at every share as another is.
func (w *shares) noSoonerThan(other *shares) {
	mine, its, gone := 0.0, 0.0, 0.0
	for k := range w {
		mine, its = mine+w[k], its+other[k]
		now := math.Min(mine, its)
		w[k], gone = now-gone, now
	}
}
