package program

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"sort"
	"sync"

	"velocrustum/core/refuse"
)

// # What is seen corrects what was forecast
//
// A forecast is a set of sampled loads. Live, each carries a weight, and
// evidence weighs them: it never edits a temperature. Fryers differ by more
// than the window's spread, so that the runs are laid wider here, and the
// window's own figures are the prior over them; where the weights collapse on
// a few loads, the set is drawn anew around the best (importance sampling,
// Robert and Casella, Monte Carlo Statistical Methods, 2004, ch. 3).
//
// They answer for crust, colour and the run that is drawn. What a thermometer
// says of the inside weighs the pace alone (pace.go), so that caution is
// one-sided for certain: a colder reading never makes it safe earlier, what is
// seen and the colour of juices never make it safe, and nothing does before a
// reading that is itself under the rule.

const (
	// anyPiece is how much less a reading of any piece pulls than one of the
	// thickest.
	anyPiece    = 3.0
	beliefRuns  = 96
	beliefLoads = 2000
	// What a fryer that nobody has measured may be, nineteen in twenty.
	wideAirflow, wideDialC, widePiece, wideStartC = 0.32, 11.0, 0.13, 4.0
	// strange is the share of households whose figures are not the window's
	// but anything within the wide ones.
	strange = 0.25
	// A reading: its tip 0 to 4 °C warmer than the coldest spot, noise of 1 °C,
	// one in twenty a slip, anywhere within 80 K.
	tipC, noiseC, slips, slipC = 4.0, 1.0, 0.05, 80.0
	// A look: its stage, and a bias of the kitchen's light over the cook.
	lookSd, lightSd = 0.35, 0.3
	// Raw at the bone or clear says little.
	rawTrue, rawFalse = 0.9, 0.15
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

// A Belief is a load with what may be true of it and its fryer. It may be asked
// again and again as more is seen.
type Belief struct {
	s          *setup
	on         setup         // with the time that is looked at
	wide       spread        // of the runs
	prior      [dims]float64 // standard deviation of the window's, in units of the wide one
	size       [2]float64    // mean and deviation of the thickest piece's
	step       float64       // minutes between looks
	core, pale []quadratic   // by look: coldest spot of the thickest; stage of the face that is up
	air        []quadratic   // and the air around it
	pace       *pacing       // what a thermometer has to say
	calm       weighed       // the loads with nothing seen
	safe       quadratic     // log minutes
	crisp      quadratic
	over       quadratic
	known      [3]bool // of safe, crisp, over
	end        float64
}

// believe lays the runs of a cook.
func believe(ctx context.Context, s *setup) (*Belief, error) {
	b := &Belief{s: s, step: record / 60}
	narrow := s.widest()
	wide := narrow
	wide.piece, wide.mean = math.Max(narrow.piece, widePiece), narrow.mean
	wide.airflow, wide.dialC, wide.startC = math.Max(narrow.airflow, wideAirflow), math.Max(narrow.dialC, wideDialC), math.Max(narrow.startC, wideStartC)
	b.prior = [dims]float64{byAirflow: narrow.airflow / wide.airflow, byDial: narrow.dialC / wide.dialC, byStart: narrow.startC / wide.startC,
		byHeatUp: 1, byWicks: 1, byBrowning: 1}
	var sizes []float64
	for _, l := range narrow.loads(500, s.all) {
		sizes = append(sizes, l.thick[bySize]*narrow.size()/wide.size())
	}
	b.size[0], b.size[1] = meanOf(sizes)
	points := wide.runs(beliefRuns)
	on := *s
	on.tail = math.Min(math.Max(15, 0.7*s.minutes()), MaxMinutes-s.minutes())
	b.end = on.minutes() + on.tail
	b.on, b.wide = on, wide
	looks := int(b.end/b.step) + 1
	cores, stages, airs, bents := make([][]float64, len(points)), make([][]float64, len(points)), make([][]float64, len(points)), make([][]float64, len(points))
	outs := make([]outcome, len(points))
	if err := parallel(len(points), func(i int) error {
		r, err := newRun(&on, wide.at(&points[i]), searching)
		if err != nil {
			return err
		}
		r.carry(func(float64) bool {
			c := r.slowest()
			cores[i], stages[i] = append(cores[i], c.body.Coldest()), append(stages[i], float64(c.brown[c.up].Stage))
			airs[i], bents[i] = append(airs[i], r.fryer.AirC()), append(bents[i], c.bend(s.piece.Thickness))
			return ctx.Err() == nil
		})
		outs[i].read(r)
		return ctx.Err()
	}); err != nil {
		return nil, err
	}
	surf, err := newSurface(points)
	if err != nil {
		return nil, err
	}
	y := make([]float64, len(points))
	for t := range looks {
		for _, f := range []struct {
			of   [][]float64
			into *[]quadratic
		}{{cores, &b.core}, {stages, &b.pale}, {airs, &b.air}} {
			for i := range points {
				y[i] = f.of[i][min(t, len(f.of[i])-1)]
			}
			*f.into = append(*f.into, surf.coefficients(y))
		}
	}
	for k, f := range []struct {
		of   func(outcome) float64
		into *quadratic
	}{{func(o outcome) float64 { return o.safe }, &b.safe}, {func(o outcome) float64 { return o.crisp }, &b.crisp}, {func(o outcome) float64 { return o.over }, &b.over}} {
		for i := range outs {
			y[i] = math.Log(f.of(outs[i]))
		}
		*f.into, _, b.known[k] = surf.fit(y, math.Log(b.end))
	}
	if !b.known[0] {
		return nil, refuse.One("program.stages", fmt.Sprintf("%.0f minutes", s.minutes()), "a program by which it is safe inside, or nearly so")
	}
	all := make([]pacedRun, len(points))
	for i := range points {
		all[i] = pacedRun{outs[i].safe, cores[i], bents[i]}
		if math.IsNaN(all[i].safe) {
			all[i].safe = math.Max(b.end, math.Exp(b.safe.at(&points[i])))
		}
	}
	thick, fan, err := b.apart(ctx)
	if err != nil {
		return nil, err
	}
	b.pace = newPacing(all, thick, fan, b.step, b.end, s.measured)
	b.calm = b.weigh(nil, false)
	return b, nil
}

// What loads are run that differ by their thickness alone, and by the fan.
var (
	thicknesses = [...]float64{0.85, 1, 1.15, 1.3, 1.5, 1.75}
	fans        = [...]float64{0.4, 0.55, 0.75, 1, 1.35}
)

// apart runs loads that differ by their thickness alone, and by the fan alone.
func (b *Belief) apart(ctx context.Context) (thick, fan []pacedRun, err error) {
	on := b.on
	on.tail = math.Max(0, math.Min(3*b.end, MaxMinutes)-on.minutes())
	out := make([]pacedRun, len(thicknesses)+len(fans))
	err = parallel(len(out), func(i int) error {
		v := nominal
		if i < len(thicknesses) {
			v.sizes = thicknesses[i : i+1]
		} else {
			v.airflow = fans[i-len(thicknesses)]
		}
		r, err := newRun(&on, v, searching)
		if err != nil {
			return err
		}
		r.carry(func(minute float64) bool {
			out[i].core = append(out[i].core, r.slowest().body.Coldest())
			return ctx.Err() == nil && !(minute > 1.5*r.slowest().safeAt)
		})
		out[i].safe = r.slowest().safeAt
		return ctx.Err()
	})
	there := func(runs []pacedRun) []pacedRun {
		return slices.DeleteFunc(runs, func(r pacedRun) bool { return math.IsNaN(r.safe) })
	}
	return there(out[:len(thicknesses):len(thicknesses)]), there(out[len(thicknesses):]), err
}

// bend is how fast it gets warmer away from the coldest spot of a piece so
// thick, m, towards its hotter face, °C per mm².
func (c *class) bend(thickness float64) float64 {
	whole := thickness / 2
	away := math.Min(0.004, whole*2/3)
	hot, cold := c.body.Coldest(), c.body.Coldest()
	for face := range 2 {
		line := c.body.Profile(face)
		for i := 1; i < len(line); i++ {
			if line[i][0] >= whole-away {
				f := (whole - away - line[i-1][0]) / (line[i][0] - line[i-1][0])
				hot = math.Max(hot, line[i-1][1]*(1-f)+line[i][1]*f)
				break
			}
		}
	}
	return (hot - cold) / (away * away * 1e6)
}

func meanOf(v []float64) (mean, sd float64) {
	for _, x := range v {
		mean += x / float64(len(v))
	}
	for _, x := range v {
		sd += (x - mean) * (x - mean) / float64(len(v))
	}
	return mean, math.Sqrt(sd)
}

// logPrior is how likely a load is before anything was seen.
func (b *Belief) logPrior(z *[dims]float64) float64 {
	own, any := 0.0, 0.0
	for k, x := range z {
		mean, sd := 0.0, b.prior[k]
		if k == bySize {
			mean, sd = b.size[0], b.size[1]
		}
		d := (x - mean) / sd
		own += -d*d/2 - math.Log(sd)
		if k == bySize {
			// Pieces that were said differ by no more in a strange kitchen, but
			// for what was not measured.
			sd = math.Max(sd, 0.8)
			d = x / sd
		} else {
			sd, d = 1, x
		}
		any += -d*d/2 - math.Log(sd)
	}
	return logSum(math.Log(1-strange)+own, math.Log(strange)+any)
}

func logSum(a, b float64) float64 {
	m := math.Max(a, b)
	return m + math.Log(math.Exp(a-m)+math.Exp(b-m))
}

// at is a figure of a load at a minute, between the looks.
func (b *Belief) at(of []quadratic, z *[dims]float64, minute float64) float64 {
	t := math.Max(0, math.Min(minute/b.step, float64(len(of)-1)))
	i := int(math.Min(t, float64(len(of)-2)))
	f := t - float64(i)
	return of[i].at(z)*(1-f) + of[i+1].at(z)*f
}

// rootTwoPi is what a normal density is divided by.
var rootTwoPi = math.Sqrt(2 * math.Pi)

// cdf is the standard normal's.
func cdf(x float64) float64 { return math.Erfc(-x/math.Sqrt2) / 2 }

// reads is how likely a reading is of a spot that is so hot.
func reads(c, core float64) float64 {
	sd := math.Hypot(noiseC, modelC)
	good := (cdf((c-core)/sd) - cdf((c-core-tipC)/sd)) / tipC
	return (1-slips)*good + slips/slipC
}

// probed is how likely the probe readings are of a load, and seen what else
// was seen, as logarithms.
func (b *Belief) probed(z *[dims]float64, all []Evidence, left [][]Evidence) (sum float64) {
	for _, e := range all {
		if e.Kind == SeenDisplay {
			d := (e.C - b.at(b.air, z, e.AtMin)) / displayC
			sum += math.Log((1-slips)*math.Exp(-d*d/2)/displayC/rootTwoPi + slips/slipC)
		}
		if e.Kind != SeenProbe {
			continue
		}
		p := reads(e.C, b.at(b.core, z, e.AtMin))
		if e.Piece == "any" {
			// Any piece is thinner than the thickest, and hotter.
			p = (p + 2*reads(e.C, b.at(b.core, z, e.AtMin)+6)) / 3
		}
		sum += math.Log(p)
	}
	for _, in := range left {
		sum += b.left(z, in)
	}
	return sum
}

// insertions are the readings of each probe that was left in, thinned.
func insertions(all []Evidence) (out [][]Evidence) {
	var names []string
	for _, e := range all {
		if e.Kind != SeenLeftIn {
			continue
		}
		i := slices.Index(names, e.Insertion)
		if i < 0 {
			i, names, out = len(names), append(names, e.Insertion), append(out, nil)
		}
		out[i] = append(out[i], e)
	}
	for i, in := range out {
		slices.SortFunc(in, func(a, b Evidence) int { return cmp.Compare(a.AtMin, b.AtMin) })
		thin := in[:0:0]
		for k := range min(len(in), leftMost) {
			thin = append(thin, in[(k+1)*len(in)/min(len(in), leftMost)-1])
		}
		out[i] = thin
	}
	return out
}

// left is how likely the readings of one insertion are: one placement for all
// of them, and no more weight than a few have, since what is amiss with one is
// amiss with the next.
func (b *Belief) left(z *[dims]float64, in []Evidence) float64 {
	sd := math.Hypot(leftNoiseC, modelC)
	whole := 0.0
	var cores [leftMost]float64
	for i, e := range in {
		cores[i] = b.at(b.core, z, e.AtMin-leftLagMin)
	}
	const places = 5
	for k := range places {
		tip := tipC * (float64(k) + 0.5) / places
		log := 0.0
		for i, e := range in {
			d := (e.C - cores[i] - tip) / sd
			log += math.Log((1-slips)*math.Exp(-d*d/2)/sd/rootTwoPi + slips/slipC)
		}
		whole += math.Exp(log*math.Min(1, leftCounts/float64(len(in)))) / places
	}
	return math.Log(whole + 1e-300)
}

func (b *Belief) seen(z *[dims]float64, all []Evidence) (sum float64) {
	n, first, second := 0.0, 0.0, 0.0
	for _, e := range all {
		switch e.Kind {
		case SeenLook:
			d := stageOf(e.Shade) - b.at(b.pale, z, e.AtMin)
			n, first, second = n+1, first+d, second+d*d
		case SeenCut:
			raw := b.at(b.core, z, e.AtMin) < b.s.rule.CoreC-5
			switch {
			case e.Raw && raw:
				sum += math.Log(rawTrue)
			case e.Raw:
				sum += math.Log(rawFalse)
			}
		case SeenSoft:
			if !b.known[1] {
				continue
			}
			if math.Exp(b.crisp.at(z)) > e.AtMin {
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

// aDraw is a point of a standard normal, and one of the unit line.
type aDraw struct {
	z     [dims]float64
	share float64
}

// draws are the loads that are weighed, before they are moved to where the
// weight lies.
var draws = sync.OnceValue(func() []aDraw {
	out := make([]aDraw, beliefLoads)
	for i, u := range even(beliefLoads, dims+1) {
		for k := range out[i].z {
			out[i].z[k] = normal(u[k])
		}
		out[i].share = u[dims]
	}
	return out
})

// weighed are loads with weights that add up to one.
type weighed struct {
	z      [][dims]float64
	weight []float64
}

// weigh draws the loads that are believed in after what was seen; with looks,
// or by the probe alone.
func (b *Belief) weigh(all []Evidence, looks bool) weighed {
	left := insertions(all)
	like := func(z *[dims]float64) float64 {
		v := b.probed(z, all, left)
		if looks {
			v += b.seen(z, all)
		}
		return v
	}
	var centre, wide [dims]float64
	for k := range wide {
		wide[k] = 1
	}
	wide[bySize] = math.Max(1, b.size[1])
	out := weighed{make([][dims]float64, 0, beliefLoads), make([]float64, 0, beliefLoads)}
	logs := make([]float64, 0, beliefLoads)
	for round := range 4 {
		out.z, out.weight, logs = out.z[:0], out.weight[:0], logs[:0]
		for _, u := range draws() {
			z := u.z
			near := round > 0 && u.share < 0.8
			if near {
				for k := range z {
					z[k] = centre[k] + wide[k]*z[k]
				}
			}
			// What it was drawn from.
			drawn, any := 0.0, 0.0
			for k, x := range z {
				d := (x - centre[k]) / wide[k]
				drawn += -d*d/2 - math.Log(wide[k])
				any += -x * x / 2
			}
			from := any
			if round > 0 {
				from = logSum(math.Log(0.8)+drawn, math.Log(0.2)+any)
			}
			out.z = append(out.z, z)
			logs = append(logs, b.logPrior(&z)+like(&z)-from)
		}
		most := slices.Max(logs)
		sum := 0.0
		for _, l := range logs {
			w := math.Exp(l - most)
			out.weight, sum = append(out.weight, w), sum+w
		}
		square := 0.0
		for i := range out.weight {
			out.weight[i] /= sum
			square += out.weight[i] * out.weight[i]
		}
		if 1/square > 400 {
			break
		}
		for k := range centre {
			mean, sd := 0.0, 0.0
			for i, w := range out.weight {
				mean += w * out.z[i][k]
			}
			for i, w := range out.weight {
				sd += w * (out.z[i][k] - mean) * (out.z[i][k] - mean)
			}
			centre[k], wide[k] = mean, math.Max(0.12, 1.3*math.Sqrt(sd))
		}
	}
	return out
}

// quantiles of a figure over weighed loads.
func (w weighed) quantiles(of func(z *[dims]float64) float64, shares ...float64) []float64 {
	type one struct{ v, w float64 }
	list := make([]one, len(w.z))
	for i := range w.z {
		list[i] = one{of(&w.z[i]), w.weight[i]}
	}
	sort.Slice(list, func(a, b int) bool { return list[a].v < list[b].v })
	out := make([]float64, len(shares))
	for k, share := range shares {
		sum := 0.0
		for _, o := range list {
			out[k] = o.v
			if sum += o.w; sum >= share {
				break
			}
		}
	}
	return out
}
