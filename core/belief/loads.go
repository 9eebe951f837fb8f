package belief

import (
	"math"
	"slices"
	"sort"
	"sync"

	"velocrustum/core/ensemble"
)

const (
	drawnLoads = 2000
	// strange is the share of households whose figures are not the window's
	// but anything within the wide ones.
	strange = 0.25
	// oddEvening is that share of the evenings of a fryer that cooks have shown.
	oddEvening = 0.08
	// A reading: its tip 0 to 4 °C warmer than the coldest spot, noise of 1 °C,
	// one in twenty a slip, anywhere within 80 K; one of any piece pulls a third
	// of one of the thickest, and is of a spot that is warmer.
	tipC, noiseC, slips, slipC = 4.0, 1.0, 0.05, 80.0
	anyPiece, anyPieceC        = 3.0, 6.0
	// A look: its stage, and a bias of the kitchen's light over the cook.
	lookSd, lightSd = 0.35, 0.3
	// Raw at the bone or clear says little: how often raw is said where it is
	// rawUnderC under the rule, and where it is not.
	rawTrue, rawFalse, rawUnderC = 0.9, 0.15, 5.0
	// Soft under the tongs, where it is not crisp yet, and where it is.
	softTrue, softFalse = 0.9, 0.15
	// A fryer's display, where it shows the air.
	displayC = 5.0
	// A probe that is left in: noise and lag of its own, as many of its
	// readings as are weighed, and for how many they count.
	leftNoiseC, leftLagMin = 0.3, 10.0 / 60
	leftMost, leftCounts   = 10, 4.0
	// modelC and modelMin are what the quadratic itself is amiss by.
	modelC, modelMin = 0.7, 0.35
)

// TipC is by how much a tip may lie where it is warmer than the coldest spot, °C.
const TipC = tipC

// rootTwoPi is what a normal density is divided by.
const rootTwoPi = 2.50662827463100050241576528481104525 // √(2π)

// normalCDF is the share of a standard normal that is not over x.
func normalCDF(x float64) float64 { return math.Erfc(-x/math.Sqrt2) / 2 }

// densityOrSlip is how likely a figure d off is, by its standard deviation or as
// a slip.
func densityOrSlip(d, sd float64) float64 {
	d /= sd
	return (1-slips)*math.Exp(-d*d/2)/sd/rootTwoPi + slips/slipC
}

// logSum is log(e^a + e^b).
func logSum(a, b float64) float64 {
	m := math.Max(a, b)
	return m + math.Log(math.Exp(a-m)+math.Exp(b-m))
}

// logPrior is how likely a load is before anything was seen.
func (b *lotBelief) logPrior(z *ensemble.Point) float64 {
	household, stranger, odd := 0.0, 0.0, strange
	for k, x := range z {
		mean, sd := 0.0, b.priorSd[k]
		if k == ensemble.BySize {
			mean, sd = b.size.mean, b.size.sd
		}
		d := (x - mean) / sd
		if b.learnt == nil || !ofFryer(k) {
			household += -d*d/2 - math.Log(sd)
		}
		if k == ensemble.BySize {
			// Pieces that were said differ by no more in a strange kitchen, but
			// for what was not measured.
			sd = math.Max(sd, 0.8)
			d = x / sd
		} else {
			sd, d = 1, x
		}
		stranger += -d*d/2 - math.Log(sd)
	}
	if b.learnt != nil {
		household, odd = household+b.learnt.log(z), oddEvening
	}
	return logSum(math.Log(1-odd)+household, math.Log(odd)+stranger)
}

// readingOf is how likely a reading is of a coldest spot so hot, °C.
func readingOf(c, coldC float64) float64 {
	sd := math.Hypot(noiseC, modelC)
	good := (normalCDF((c-coldC)/sd) - normalCDF((c-coldC-tipC)/sd)) / tipC
	return (1-slips)*good + slips/slipC
}

// A sight is one thing that was seen, with the figure of loads that it is of.
type sight struct {
	Evidence
	of ensemble.Quadratic
}

// sights are what was seen, and the readings of each insertion, with their figures.
func (b *lotBelief) sights(all []Evidence) (out []sight, leftIn [][]sight) {
	for _, e := range all {
		s := sight{Evidence: e}
		switch e.Kind {
		case SeenDisplay:
			s.of = between(b.airC, e.AtMin)
		case SeenProbe, SeenCut:
			s.of = between(b.coldC, e.AtMin)
		case SeenLook:
			s.of = between(b.upAt(e.Where), e.AtMin)
		}
		out = append(out, s)
	}
	for _, in := range insertions(all) {
		one := make([]sight, len(in))
		for i, e := range in {
			one[i] = sight{e, between(b.coldC, e.AtMin-leftLagMin)}
		}
		leftIn = append(leftIn, one)
	}
	return out, leftIn
}

// logOfInstruments is how likely what thermometers and a display showed is of a
// load, as a logarithm.
func (b *lotBelief) logOfInstruments(z *ensemble.Row, all []sight, leftIn [][]sight) (sum float64) {
	for i := range all {
		s := &all[i]
		switch s.Kind {
		case SeenDisplay:
			sum += math.Log(densityOrSlip(s.C-s.of.Of(z), displayC))
		case SeenProbe:
			cold := s.of.Of(z)
			p := readingOf(s.C, cold)
			if s.Piece == "any" {
				p = (p + 2*readingOf(s.C, cold+anyPieceC)) / 3
			}
			sum += math.Log(p)
		}
	}
	for _, in := range leftIn {
		sum += logOfInsertion(z, in)
	}
	return sum
}

// logOfInsertion is how likely the readings of one insertion are: one placement
// for all of them, and no more weight than a few have, since what is amiss with
// one is amiss with the next.
func logOfInsertion(z *ensemble.Row, in []sight) float64 {
	sd := math.Hypot(leftNoiseC, modelC)
	whole := 0.0
	var cold [leftMost]float64
	for i := range in {
		cold[i] = in[i].of.Of(z)
	}
	const places = 5
	for k := range places {
		tip := tipC * (float64(k) + 0.5) / places
		log := 0.0
		for i := range in {
			log += math.Log(densityOrSlip(in[i].C-cold[i]-tip, sd))
		}
		whole += math.Exp(log*math.Min(1, leftCounts/float64(len(in)))) / places
	}
	return math.Log(whole + 1e-300)
}

// logOfLooks is how likely what was seen of colour, cut and crust is of a load,
// as a logarithm.
func (b *lotBelief) logOfLooks(z *ensemble.Row, all []sight) (sum float64) {
	n, first, second := 0.0, 0.0, 0.0
	for i := range all {
		s := &all[i]
		switch s.Kind {
		case SeenLook:
			d := stageOf(s.Shade) - s.of.Of(z)
			n, first, second = n+1, first+d, second+d*d
		case SeenCut:
			raw := s.of.Of(z) < b.lot.Rule.CoreC-rawUnderC
			switch {
			case s.Raw && raw:
				sum += math.Log(rawTrue)
			case s.Raw:
				sum += math.Log(rawFalse)
			}
		case SeenSoft:
			if !b.crisp.holds {
				continue
			}
			if math.Exp(b.crisp.log.Of(z)) > s.AtMin {
				sum += math.Log(softTrue)
			} else {
				sum += math.Log(softFalse)
			}
		}
	}
	// One light over all looks of a cook.
	v, w := lookSd*lookSd, lightSd*lightSd
	return sum - second/2/v + first*first*w/(2*v*(v+n*w))
}

// A draw is a point of a standard normal, and one of the unit line.
type draw struct {
	z    ensemble.Point
	unit float64
}

// draws are the loads that are weighed, before they are moved to where the
// weight lies.
var draws = sync.OnceValue(func() []draw {
	out := make([]draw, drawnLoads)
	for i, u := range ensemble.Even(drawnLoads, ensemble.Dims+1) {
		for k := range out[i].z {
			out[i].z[k] = ensemble.Normal(u[k])
		}
		out[i].unit = u[ensemble.Dims]
	}
	return out
})

// weightedLoads are loads with weights that add up to one.
type weightedLoads struct {
	z      []ensemble.Point
	weight []float64
}

// weigh draws the loads that are believed in after what was seen; with looks,
// or by instruments alone.
func (b *lotBelief) weigh(all []Evidence, looks bool) weightedLoads {
	seen, leftIn := b.sights(all)
	likelihood := func(z *ensemble.Point) float64 {
		row := ensemble.RowOf(z)
		v := b.logOfInstruments(&row, seen, leftIn)
		if looks {
			v += b.logOfLooks(&row, seen)
		}
		return v
	}
	var centre, wide ensemble.Point
	for k := range wide {
		wide[k] = 1
	}
	wide[ensemble.BySize] = math.Max(1, b.size.sd)
	// A share of the draws lies around the best so far, the rest all over.
	const near, far = 0.8, 0.2
	out := weightedLoads{make([]ensemble.Point, 0, drawnLoads), make([]float64, 0, drawnLoads)}
	logs := make([]float64, 0, drawnLoads)
	for round := range 4 {
		out.z, out.weight, logs = out.z[:0], out.weight[:0], logs[:0]
		for _, u := range draws() {
			z := u.z
			if round > 0 && u.unit < near {
				for k := range z {
					z[k] = centre[k] + wide[k]*z[k]
				}
			}
			// What it was drawn from.
			around, anywhere := 0.0, 0.0
			for k, x := range z {
				d := (x - centre[k]) / wide[k]
				around += -d*d/2 - math.Log(wide[k])
				anywhere += -x * x / 2
			}
			from := anywhere
			if round > 0 {
				from = logSum(math.Log(near)+around, math.Log(far)+anywhere)
			}
			out.z = append(out.z, z)
			logs = append(logs, b.logPrior(&z)+likelihood(&z)-from)
		}
		if out.normalise(logs) > 400 {
			break
		}
		centre, wide = out.spread()
	}
	return out
}

// normalise sets the weights from their logarithms, and returns of how many
// loads of equal weight they are worth.
func (w *weightedLoads) normalise(logs []float64) (worth float64) {
	most, sum := slices.Max(logs), 0.0
	for _, l := range logs {
		v := math.Exp(l - most)
		w.weight, sum = append(w.weight, v), sum+v
	}
	square := 0.0
	for i := range w.weight {
		w.weight[i] /= sum
		square += w.weight[i] * w.weight[i]
	}
	return 1 / square
}

// spread is where the weight lies, and how wide it is to be drawn there.
func (w *weightedLoads) spread() (centre, wide ensemble.Point) {
	for k := range centre {
		mean, sd := 0.0, 0.0
		for i, v := range w.weight {
			mean += v * w.z[i][k]
		}
		for i, v := range w.weight {
			sd += v * (w.z[i][k] - mean) * (w.z[i][k] - mean)
		}
		centre[k], wide[k] = mean, math.Max(0.12, 1.3*math.Sqrt(sd))
	}
	return centre, wide
}

// middle is the load in the middle of them.
func (w *weightedLoads) middle() (z ensemble.Point) {
	for i := range w.z {
		for k := range z {
			z[k] += w.weight[i] * w.z[i][k]
		}
	}
	return z
}

// median is that of a figure over them.
func (w *weightedLoads) median(figure func(z *ensemble.Point) float64) (v float64) {
	type weighed struct{ v, weight float64 }
	list := make([]weighed, len(w.z))
	for i := range w.z {
		list[i] = weighed{figure(&w.z[i]), w.weight[i]}
	}
	sort.Slice(list, func(a, b int) bool { return list[a].v < list[b].v })
	sum := 0.0
	for _, o := range list {
		v = o.v
		if sum += o.weight; sum >= 0.5 {
			break
		}
	}
	return v
}
