package belief

import (
	"context"
	"errors"
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/run"
)

// SiteDims are what one cook says something of: the fryer's figures in the order of
// load.Learnt, then the hand that cut the pieces, a logarithm of their thickness, and how
// much more readily it browns at the back of the basket than at its front, another.
const SiteDims = load.LearntFigures + 2

// The last of them.
const ByHand, ByBack = load.LearntFigures, load.LearntFigures + 1

// BackSd is how far the back of a basket differs from its front, as the standard
// deviation of a logarithm: own judgement.
const BackSd = 0.25

// endsTried is by how much more readily it browns at the back than at the front, a
// logarithm, in the runs that tell what a look at an end says.
const endsTried = 0.5

// A Site is what a cook that ended says of its fryer and of the hand that cut its
// pieces, with whatever else may have been so taken into account, and whatever was
// known before left out: the precision of what it says, and that times its mean. Of
// one lot.
type Site struct {
	Cut string `json:"cut"`
	// HandSd is how far a hand differs from what is said of this cut.
	HandSd float64                     `json:"handSd"`
	Info   [SiteDims][SiteDims]float64 `json:"info"`
	Pull   [SiteDims]float64           `json:"pull"`
}

// An Outcome is how a lot came out: one of cook.CrustRatings and cook.InsideRatings,
// each empty where nobody said.
type Outcome struct{ Crust, Inside string }

// By what stage at the end a crust is called pale, and burnt, by one who likes what most
// like, and how far people differ in that. Own judgement, after the five looks.
const CalledPale, CalledBurnt, CalledSd = 0.75, 2.5, 0.45

const (
	siteRuns   = 60
	siteRounds = 4
	// How far what is called soft is under what is crisp, in logarithms of its minute.
	softSd = 0.15
)

// SitesOf is what a cook says, lot by lot, by what was seen in it and how it came
// out; a lot of which nothing was seen has none. What its fryer was known to be by
// other cooks is left out. The error is refuse.Fields, or the context's.
func SitesOf(ctx context.Context, q load.Request, seen []Evidence, out []Outcome) ([]Site, error) {
	changesOver := false
	if q.Fryer != nil {
		f := *q.Fryer
		changesOver = f.Learnt.Quicker() != "" // as the cook was told to
		f.Learnt = nil
		q.Fryer = &f
	}
	l, err := load.Of(q)
	if err != nil {
		return nil, err
	}
	if err := CheckEvidence(seen, len(l.Lots)); err != nil {
		return nil, err
	}
	last, turned := 0.0, 0
	for _, e := range seen {
		last = math.Max(last, e.AtMin)
		if e.Kind == SeenTurn {
			if turned < len(l.Program.Turns) {
				l = l.UnderProgram(l.Program.Turning(turned, math.Min(e.AtMin, l.Minutes()-0.5)))
			}
			turned++
		}
	}
	l = l.CarriedOn(math.Max(0, math.Min(last, load.MaxMinutes)-l.Minutes()))
	if slices.ContainsFunc(seen, func(e Evidence) bool { return e.Where != "" }) {
		l.Machine.Ends, l.Machine.ChangesOver = endsTried, changesOver
	}
	b := &Belief{load: l}
	for _, lot := range l.Lots {
		one := &lotBelief{load: l, lot: lot, carried: l, end: l.Minutes() + l.TailMin}
		one.widen()
		b.lots = append(b.lots, one)
	}
	wanted, some := make([][]observation, len(b.lots)), false
	for k, lot := range b.lots {
		wanted[k] = lot.observed(ofLot(seen, k), k == 0, outcomeOf(out, k))
		some = some || len(wanted[k]) > 0
	}
	if !some {
		return nil, nil
	}
	points := ensemble.Sampled(siteRuns)
	design, err := ensemble.NewDesign(points)
	if err != nil {
		return nil, err
	}
	runs := make([][]sampled, len(points))
	if err := run.Each(len(points), func(i int) (err error) {
		runs[i], err = sample(ctx, l, b.at(&points[i]))
		return err
	}); err != nil {
		return nil, err
	}
	var sites []Site
	for k, lot := range b.lots {
		if len(wanted[k]) == 0 {
			continue
		}
		own := make([]sampled, len(runs))
		for i := range runs {
			own[i] = runs[i][k]
		}
		lot.lay(design, own)
		if s, ok := lot.site(wanted[k]); ok {
			sites = append(sites, s)
		}
	}
	return sites, nil
}

func outcomeOf(all []Outcome, lot int) Outcome {
	if lot < len(all) {
		return all[lot]
	}
	return Outcome{}
}

// An observation is a figure of a load that was seen, and what seeing it is amiss by.
type observation struct {
	of  func(z *ensemble.Point) float64
	is  float64
	sd  float64
	may bool // be a slip
	// with is what it is amiss by together with others: a place in a state, 0 for
	// nothing.
	with int
	// ends are the figure where the back is over the front by endsTried, and where it is as
	// much under it; nil where it is of no end.
	ends [2]func(z *ensemble.Point) float64
	// between says that all that is known is that the figure is not under low and not
	// over high.
	between   bool
	low, high float64
}

// A state is all that makes what is seen in one cook: what a Site is of, then what is
// of this evening alone.
const (
	ofEvening  = SiteDims                       // the fryer's figures on this evening, beside its own
	ofPieces   = ofEvening + load.LearntFigures // thickness beside what the hand makes it
	ofFridge   = ofPieces + 1                   // in units of the spread
	ofSurface  = ofFridge + 1                   // the same
	ofLight    = ofSurface + 1                  // stages
	ofInserted = ofLight + 1                    // °C, of the first insertion; the next follow
)

// observed turns what was seen of a lot into figures. Clear juices say nothing.
func (b *lotBelief) observed(seen []Evidence, first bool, came Outcome) (out []observation) {
	cold := func(minute float64) func(z *ensemble.Point) float64 {
		return func(z *ensemble.Point) float64 { return b.at(b.coldC, z, minute) }
	}
	brown := func(minute float64, where string) func(z *ensemble.Point) float64 {
		return func(z *ensemble.Point) float64 { return b.at(b.upAt(where), z, minute) }
	}
	for _, e := range seen {
		switch e.Kind {
		case SeenProbe:
			// The tip lies anywhere between the coldest spot and tipC warmer.
			o := observation{of: cold(e.AtMin), is: e.C - tipC/2, sd: math.Sqrt(noiseC*noiseC + modelC*modelC + tipVariance), may: true}
			if e.Piece == "any" { // one of three is the thickest
				o.is -= 2 * anyPieceC / 3
				o.sd = math.Hypot(o.sd, anyPieceC*math.Sqrt2/3)
			}
			out = append(out, o)
		case SeenLook:
			o := observation{of: brown(e.AtMin, ""), is: stageOf(e.Shade), sd: lookSd, with: ofLight}
			switch e.Where { // what the back is where it is quicker, the front is where it is slower
			case load.AtBack:
				o.ends[0], o.ends[1] = brown(e.AtMin, load.AtBack), brown(e.AtMin, load.AtFront)
			case load.AtFront:
				o.ends[0], o.ends[1] = brown(e.AtMin, load.AtFront), brown(e.AtMin, load.AtBack)
			}
			out = append(out, o)
		case SeenDisplay:
			if first {
				out = append(out, observation{of: func(z *ensemble.Point) float64 { return b.at(b.airC, z, e.AtMin) }, is: e.C, sd: displayC, may: true})
			}
		case SeenCut:
			if e.Raw {
				out = append(out, observation{of: cold(e.AtMin), sd: rawUnderC, between: true, low: math.Inf(-1), high: b.lot.Rule.CoreC})
			}
		case SeenSoft:
			out = append(out, observation{of: b.crisp.logMinute, sd: softSd, between: true, low: math.Log(math.Max(1, e.AtMin)), high: math.Inf(1)})
		}
	}
	for k, in := range insertions(seen) {
		each := math.Sqrt((leftNoiseC*leftNoiseC + modelC*modelC) * math.Max(1, float64(len(in))/leftCounts))
		for _, e := range in {
			out = append(out, observation{of: cold(e.AtMin - leftLagMin), is: e.C - tipC/2, sd: each, may: true, with: ofInserted + k})
		}
	}
	end := math.Min(b.end, b.lot.Out)
	if came.Crust != "" {
		pale, burnt := CalledPale+b.lot.BrowningMore, CalledBurnt+b.lot.BrowningMore
		o := observation{of: brown(end, ""), sd: CalledSd, between: true, low: pale, high: burnt}
		switch came.Crust {
		case "pale":
			o.low, o.high = math.Inf(-1), pale
		case "burnt":
			o.low, o.high = burnt, math.Inf(1)
		}
		out = append(out, o)
	}
	if came.Inside == "raw" {
		out = append(out, observation{of: cold(end), sd: rawUnderC, between: true, low: math.Inf(-1), high: b.lot.Rule.CoreC})
	}
	return out
}

// logMinute is when it happens to a load, a logarithm; NaN where that is not known.
func (e *event) logMinute(z *ensemble.Point) float64 {
	if !e.holds {
		return math.NaN()
	}
	return e.log.At(z)
}

// tipVariance is of a tip that lies anywhere up to tipC off.
const tipVariance = tipC * tipC / 12

// priorOf is the precision of each figure of a state before anything was seen. What a
// site is of starts as wide as fryers and hands may be, only to find where the planes
// are laid.
func (b *lotBelief) priorOf(states int) []float64 {
	sd := make([]float64, states)
	_, _, evening := ensemble.FryerPrior(&b.load.Machine)
	for k := range load.LearntFigures {
		sd[k], sd[ofEvening+k] = b.unit(k), math.Sqrt(evening[k])
	}
	hand := ensemble.HandSd(b.lot)
	sd[ByHand], sd[ByBack] = hand, BackSd
	all := b.size.sd * b.wide.Size() / 2
	sd[ofPieces] = math.Sqrt(math.Max(all*all-hand*hand, all*all/4))
	sd[ofFridge], sd[ofSurface], sd[ofLight] = b.priorSd[ensemble.ByStart], b.priorSd[ensemble.ByWicks], lightSd
	for k := ofInserted; k < states; k++ {
		sd[k] = math.Sqrt(tipVariance)
	}
	for k := range sd {
		sd[k] = 1 / (sd[k] * sd[k])
	}
	return sd
}

// unit is what a deviation of one of a fryer's figures stands for.
func (b *lotBelief) unit(k int) float64 {
	return [...]float64{load.LearntAirflow: b.wide.Airflow, load.LearntDial: b.wide.DialC, load.LearntHeatUp: b.wide.HeatUp, load.LearntBrowning: b.wide.Browns}[k] / 2
}

// pointOf is the load that a state makes.
func (b *lotBelief) pointOf(x []float64) (z ensemble.Point) {
	for k, dim := range ensemble.FryerDims {
		z[dim] = (x[k] + x[ofEvening+k]) / b.unit(k)
	}
	z[ensemble.BySize] = b.size.mean + (x[ByHand]+x[ofPieces])/(b.wide.Size()/2)
	z[ensemble.ByStart], z[ensemble.ByWicks] = x[ofFridge], x[ofSurface]
	for k := range z {
		z[k] = math.Max(-3, math.Min(3, z[k]))
	}
	return z
}

// valueOf is an observed figure in a state, but for noise.
func (b *lotBelief) valueOf(o *observation, x []float64) float64 {
	z := b.pointOf(x)
	v := o.of(&z)
	if o.ends[0] != nil { // through both and the middle
		over, under := o.ends[0](&z), o.ends[1](&z)
		t := math.Max(-2, math.Min(2, x[ByBack]/endsTried))
		v += t*(over-under)/2 + t*t*((over+under)/2-v)
	}
	if o.with > 0 {
		v += x[o.with]
	}
	return v
}

// site works out what observations say: each figure is taken for a plane around the
// likeliest state (an iterated extended Kalman update; Bell and Cathey, IEEE
// Transactions on Automatic Control 38, 1993), a reading weighs by how likely it is
// no slip by all others, and what is only known to lie between two figures by its
// moments (Minka 2001). ok is false where nothing can be said.
func (b *lotBelief) site(seen []observation) (s Site, ok bool) {
	states := ofInserted
	for _, o := range seen {
		states = max(states, o.with+1)
	}
	prior := b.priorOf(states)
	x := make([]float64, states)
	slopes := make([][]float64, len(seen))
	rest := make([]float64, len(seen)) // of a plane, where the state is 0
	// precision and is are what each observation counts for by now.
	precision, is := make([]float64, len(seen)), make([]float64, len(seen))
	for i, o := range seen {
		if is[i] = o.is; !o.between {
			precision[i] = 1 / (o.sd * o.sd)
		}
	}
	for range siteRounds {
		for i := range seen {
			if slopes[i], rest[i], ok = b.plane(&seen[i], x, prior); !ok {
				precision[i] = 0
			}
		}
		posterior, by, err := solved(prior, slopes, rest, is, precision)
		if err != nil {
			return s, false
		}
		x = by
		for i := range seen {
			o, g := &seen[i], mat.NewVecDense(states, slopes[i])
			if math.IsNaN(rest[i]) {
				continue
			}
			v, at := mat.Inner(g, posterior, g), rest[i]+mat.Dot(g, mat.NewVecDense(states, x))
			// By all others: its own part taken out again.
			left := 1/v - precision[i]
			if left <= 0 {
				continue
			}
			others := (at/v - precision[i]*is[i]) / left
			switch {
			case o.between:
				is[i], precision[i] = betweenCounts(others, 1/left, o)
			case o.may:
				d, all := is[i]-others, 1/left+o.sd*o.sd
				good := (1 - slips) * math.Exp(-d*d/(2*all)) / math.Sqrt(all) / rootTwoPi
				precision[i] = good / (good + slips/slipC) / (o.sd * o.sd)
			}
		}
	}
	return b.siteOf(prior, slopes, rest, is, precision)
}

// plane is an observed figure as a plane around a state. ok is false where it is not
// known there.
func (b *lotBelief) plane(o *observation, x, prior []float64) (slope []float64, rest float64, ok bool) {
	slope = make([]float64, len(x))
	rest = b.valueOf(o, x)
	for k := range x {
		h := 0.1 / math.Sqrt(prior[k])
		up, down := slices.Clone(x), slices.Clone(x)
		up[k] += h
		down[k] -= h
		slope[k] = (b.valueOf(o, up) - b.valueOf(o, down)) / (2 * h)
	}
	for k := range x {
		rest -= slope[k] * x[k]
	}
	return slope, rest, !math.IsNaN(rest)
}

// solved is what is believed of a state, its covariance and its mean, by planes and
// what they were seen to be.
func solved(prior []float64, slopes [][]float64, rest, is, precision []float64) (*mat.SymDense, []float64, error) {
	info, pull := gathered(prior, slopes, rest, is, precision)
	var c mat.Cholesky
	if !c.Factorize(info) {
		return nil, nil, ErrSaysNothing
	}
	var out mat.SymDense
	if err := c.InverseTo(&out); err != nil {
		return nil, nil, err
	}
	var x mat.VecDense
	x.MulVec(&out, pull)
	return &out, x.RawVector().Data, nil
}

// ErrSaysNothing is of what was seen and makes no belief.
var ErrSaysNothing = errors.New("what was seen makes no belief")

// gathered adds up a prior around 0 and what was seen, as precision and that times its
// mean.
func gathered(prior []float64, slopes [][]float64, rest, is, precision []float64) (*mat.SymDense, *mat.VecDense) {
	n := len(prior)
	info, pull := mat.NewSymDense(n, nil), mat.NewVecDense(n, nil)
	for k, p := range prior {
		info.SetSym(k, k, p)
	}
	for i, w := range precision {
		if w == 0 {
			continue
		}
		g := mat.NewVecDense(n, slopes[i])
		info.SymRankOne(info, w, g)
		pull.AddScaledVec(pull, w*(is[i]-rest[i]), g)
	}
	return info, pull
}

// betweenCounts is what an observation counts for of which all that is known is
// between what it lies, where all else has it at a mean with a variance.
func betweenCounts(mean, variance float64, o *observation) (is, precision float64) {
	sd := math.Sqrt(variance + o.sd*o.sd)
	low, high := (o.low-mean)/sd, (o.high-mean)/sd
	mass := normalCDF(high) - normalCDF(low)
	if mass < 1e-9 {
		return mean, 0 // so unlikely that it is likelier a mistake
	}
	density := func(v float64) float64 {
		if math.IsInf(v, 0) {
			return 0
		}
		return math.Exp(-v*v/2) / rootTwoPi
	}
	times := func(v float64) float64 {
		if math.IsInf(v, 0) {
			return 0
		}
		return v * density(v)
	}
	move := (density(low) - density(high)) / mass
	shrink := move*move - (times(low)-times(high))/mass // of the variance, in shares of sd²
	left := variance * (1 - variance/(sd*sd)*shrink)
	if left >= variance {
		return mean, 0
	}
	precision = 1/left - 1/variance
	now := mean + variance/sd*move
	return (now/left - mean/variance) / precision, precision
}

// siteOf is what was seen of a lot, as a site.
func (b *lotBelief) siteOf(prior []float64, slopes [][]float64, rest, is, precision []float64) (s Site, ok bool) {
	said, _, _ := ensemble.FryerPrior(&b.load.Machine)
	s, ok = apartFrom(prior, slopes, rest, is, precision, said)
	s.Cut, s.HandSd = b.lot.Cut.ID, ensemble.HandSd(b.lot)
	return s, ok
}

// apartFrom leaves the evening's own out of what was seen (a Schur complement), and tells
// the fryer's figures as they are and not beside what was said of it.
func apartFrom(prior []float64, slopes [][]float64, rest, is, precision []float64, said [load.LearntFigures]float64) (s Site, ok bool) {
	alone := slices.Clone(prior)
	clear(alone[:SiteDims])
	info, pull := gathered(alone, slopes, rest, is, precision)
	n := len(prior) - SiteDims
	own := mat.NewSymDense(n, nil)
	across := mat.NewDense(SiteDims, n, nil)
	for i := range n {
		for j := i; j < n; j++ {
			own.SetSym(i, j, info.At(SiteDims+i, SiteDims+j))
		}
		for k := range SiteDims {
			across.Set(k, i, info.At(k, SiteDims+i))
		}
	}
	var c mat.Cholesky
	if !c.Factorize(own) {
		return s, false
	}
	var solve mat.Dense // own⁻¹ · acrossᵀ
	if err := c.SolveTo(&solve, across.T()); err != nil {
		return s, false
	}
	for k := range SiteDims {
		s.Pull[k] = pull.AtVec(k)
		for i := range n {
			s.Pull[k] -= solve.At(i, k) * pull.AtVec(SiteDims+i)
		}
		for j := range SiteDims {
			s.Info[k][j] = (info.At(k, j) + info.At(j, k)) / 2
			for i := range n {
				s.Info[k][j] -= across.At(k, i) * solve.At(i, j)
			}
		}
	}
	for k := range SiteDims {
		for j, v := range said {
			s.Pull[k] += s.Info[k][j] * v
		}
	}
	return s, true
}
