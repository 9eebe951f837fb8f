package learn

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"velocrustum/core/belief"
	"velocrustum/core/ensemble"
	"velocrustum/core/load"
)

const (
	// strangers are the share of households whose fryer is not what was said but
	// anything within strange, as standard deviations.
	strangers = 0.25
	// oddly is the share of evenings that are odd, and oddBy how much wider such a
	// one's figures are, in its own standard deviations.
	oddly, oddBy = 0.06, 4.0
	// oddRun is that share of runs that were measured empty: there are no pieces in them.
	oddRun = 0.005
	// A cook counts for fades less with each that came after it, and for half after
	// halfLife days.
	fades, halfLife = 0.01, 500.0
	// Between two cooks a fryer changes at once with the probability changes, by as
	// much as changed, standard deviations. It takes two cooks to show that, and no
	// more than lately are looked at.
	changes      = 0.01
	leastChanged = 2
	lately       = 10
	sweeps       = 4
	// recent cooks are weighed anew under each thing that may have been.
	recent = 60
)

var (
	strange = [load.LearntFigures]float64{load.LearntAirflow: 0.16, load.LearntDial: 5.5, load.LearntHeatUp: 0.15, load.LearntBrowning: 0.16}
	changed = [load.LearntFigures]float64{load.LearntAirflow: 0.15, load.LearntDial: 4, load.LearntHeatUp: 0.10, load.LearntBrowning: 0.12}
)

// Revision is of the figures by which sites are made: where it is another, they are made
// again.
const Revision = "3"

// Where the back of a basket stands in the whole, and from where on the hands.
const back, hands = load.LearntFigures, load.LearntFigures + 1

// seenBack is how much less is not known of the back once somebody looked there.
const seenBack = 0.97

// A Cook is one that ended, by what it says. One that says nothing may stand for a change
// that no cook came after.
type Cook struct {
	Sites []belief.Site
	Days  float64 // ago
	// Changed says that somebody changed something of the fryer before it, and LeftOut
	// that it is not to be learnt from.
	Changed, LeftOut bool
	// Measured says that it was a run of the empty fryer.
	Measured bool
}

// Known is what cooks have shown.
type Known struct {
	load.Learnt
	// Usual is how likely each cook was as usual, by its place; 1 for one that says
	// nothing.
	Usual []float64
	// Lasting is the covariance of the fryer's own figures, without what is of one
	// evening; Learnt's has both.
	Lasting [load.LearntFigures][load.LearntFigures]float64
	// Since is the first cook after the fryer likelier than not changed; 0 where it
	// did not.
	Since int
}

// Odd says whether a cook is taken for an odd one.
func (k *Known) Odd(cook int) bool { return k.Usual[cook] < 0.5 }

// item is one site on its way into the product.
type item struct {
	cook  int
	dims  [n]int // in the whole
	info  square
	pull  vector
	lines square // whitened: what is seen is lines·θ with a deviation of 1
	is    vector
	old   float64 // what it counts for by its age
	odd   float64 // how often one like it is odd
}

// whiten makes a site lines of deviation 1, by its eigenvectors.
func (it *item) whiten() {
	info := mat.NewSymDense(n, nil)
	for i := range n {
		for j := i; j < n; j++ {
			info.SetSym(i, j, it.info[i][j])
		}
	}
	var e mat.EigenSym
	if !e.Factorize(info, true) {
		it.info, it.pull = square{}, vector{}
		return
	}
	var v mat.Dense
	e.VectorsTo(&v)
	values := e.Values(nil)
	it.info, it.is = square{}, vector{}
	for r, value := range values {
		if value <= 1e-9*values[n-1] {
			continue // clamped
		}
		for k := range n {
			it.lines[r][k] = math.Sqrt(value) * v.At(k, r)
			it.is[r] += v.At(k, r) * it.pull[k] / math.Sqrt(value)
		}
		for i := range n {
			for j := range n {
				it.info[i][j] += value * v.At(i, r) * v.At(j, r)
			}
		}
	}
	var pull vector
	for r := range n {
		for k := range n {
			pull[k] += it.lines[r][k] * it.is[r]
		}
	}
	it.pull = pull
}

// usual is how likely a site is one of a usual evening, by what is otherwise known, and
// the logarithm of how well that foretold it.
func (it *item) usual(mean *vector, cov *square) (usual, foretold float64) {
	off := it.is
	for r := range n {
		for k := range n {
			off[r] -= it.lines[r][k] * mean[k]
		}
	}
	var half, s, wide square // half way to the lines' own covariance
	for r := range n {
		if it.lines[r] == (vector{}) { // says nothing there
			continue
		}
		for i, l := range it.lines[r] {
			for j := range n {
				half[r][j] += l * cov[i][j]
			}
		}
		for c := range r + 1 {
			for j := range n {
				s[r][c] += half[r][j] * it.lines[c][j]
			}
			s[c][r] = s[r][c]
		}
	}
	wide = s
	for r := range n {
		s[r][r]++
		wide[r][r] += oddBy * oddBy
		if it.lines[r] == (vector{}) { // says nothing there
			s[r][r], wide[r][r] = 1, 1
		}
	}
	a, b := math.Log(1-it.odd)+s.density(&off), math.Log(it.odd)+wide.density(&off)
	most := math.Max(a, b)
	foretold = most + math.Log(math.Exp(a-most)+math.Exp(b-most))
	return math.Exp(a - foretold), foretold
}

// marginal is what is known of an item's figures.
func (it *item) marginal(cov *mat.SymDense, mean *mat.VecDense) (m vector, v square) {
	for i, a := range it.dims {
		m[i] = mean.AtVec(a)
		for j, b := range it.dims {
			v[i][j] = cov.At(a, b)
		}
	}
	return m, v
}

// without is what is known of an item's figures without what it says itself.
func (it *item) without(m vector, v square, by float64) (vector, square, bool) {
	info, ok := v.inverse()
	if !ok {
		return m, v, false
	}
	pull := info.times(&m)
	for i := range n {
		pull[i] -= by * it.pull[i]
		for j := range n {
			info[i][j] -= by * it.info[i][j]
		}
	}
	if v, ok = info.inverse(); !ok {
		return m, v, false
	}
	return v.times(&pull), v, true
}

// From is what cooks, the oldest first, show of a fryer of which the given was said.
// ok is false where they show nothing.
func From(m *load.Machine, all []Cook) (out Known, ok bool) {
	out.Usual = make([]float64, len(all))
	for i := range out.Usual {
		out.Usual[i] = 1
	}
	cooks, place := telling(all)
	items, cuts := itemsOf(cooks)
	if len(items) == 0 {
		return out, false
	}
	said, lasting, evening := ensemble.FryerPrior(m)
	var may []*hypothesis
	for _, wide := range []bool{false, true} {
		prior := &whole{mat.NewSymDense(hands+len(cuts), nil), mat.NewVecDense(hands+len(cuts), nil)}
		prior.info.SetSym(back, back, 1/(belief.BackSd*belief.BackSd))
		log := math.Log(1 - strangers)
		if wide {
			log = math.Log(strangers)
		}
		for k, v := range lasting {
			if wide {
				v = math.Max(v, strange[k]*strange[k])
			}
			prior.info.SetSym(k, k, 1/v)
			prior.pull.SetVec(k, said[k]/v)
		}
		for k, c := range cuts {
			prior.info.SetSym(hands+k, hands+k, 1/(c.sd*c.sd))
		}
		may = append(may, hypotheses(prior, items, cooks, wide, log)...)
	}
	out.mix(may, cuts, evening)
	out.Cooks = taughtBy(items)
	for i, it := range items {
		usual := 0.0
		for _, h := range may {
			usual += h.share * h.usual[i]
		}
		out.Usual[place[it.cook]] = math.Min(out.Usual[place[it.cook]], usual)
	}
	if out.Since > 0 {
		out.Since = place[out.Since]
	}
	return out, true
}

// telling are the cooks that say something, with what was changed before them, and their
// places among all. The last may stand for a change that none came after.
func telling(all []Cook) (cooks []Cook, place []int) {
	was := false
	for i, c := range all {
		was = was || c.Changed
		if c.LeftOut || len(c.Sites) == 0 {
			continue
		}
		c.Changed, was = was, false
		cooks, place = append(cooks, c), append(place, i)
	}
	if was {
		cooks, place = append(cooks, Cook{Changed: true}), append(place, len(all)-1)
	}
	return cooks, place
}

// taughtBy is how many cooks say something.
func taughtBy(items []item) int {
	seen := map[int]bool{}
	for _, it := range items {
		seen[it.cook] = true
	}
	return len(seen)
}

type cutHand struct {
	id string
	sd float64
}

func itemsOf(cooks []Cook) (items []item, cuts []cutHand) {
	for i, c := range cooks {
		for _, s := range c.Sites {
			k := slices.IndexFunc(cuts, func(c cutHand) bool { return c.id == s.Cut })
			if k < 0 {
				k, cuts = len(cuts), append(cuts, cutHand{s.Cut, s.HandSd})
			}
			it := item{cook: i, odd: oddly, info: s.Info, pull: s.Pull, old: math.Pow(1-fades, float64(len(cooks)-1-i)) * math.Pow(0.5, c.Days/halfLife)}
			for d := range load.LearntFigures {
				it.dims[d] = d
			}
			if c.Measured {
				it.odd = oddRun
			}
			it.dims[belief.ByBack], it.dims[belief.ByHand] = back, hands+k
			it.whiten()
			items = append(items, it)
		}
	}
	return items, cuts
}

// A hypothesis is one thing that may have been: the household is strange or is not,
// and the fryer changed before a cook or did not.
type hypothesis struct {
	wide  bool
	since int // cook
	log   float64
	share float64
	usual []float64 // by item
	cov   *mat.SymDense
	mean  *mat.VecDense
}

// hypotheses are all that may have been with one prior.
func hypotheses(prior *whole, items []item, cooks []Cook, wide bool, log float64) (out []*hypothesis) {
	usual := make([]float64, len(items))
	for i := range usual {
		usual[i] = 1
	}
	last, from := len(cooks)-1, max(0, len(items)-recent)
	steady := &hypothesis{wide: wide, log: log, usual: usual}
	steady.weigh(prior, items, cooks, 0)
	out = append(out, steady)
	// What is long ago is the same for all.
	before := prior.clone()
	for i := range from {
		steady.take(before, items, cooks, i)
	}
	steady.foretell(before, items, cooks, from)
	may := 0.0
	for since := max(1, last-lately+1); since <= last-leastChanged+1; since++ {
		h := &hypothesis{wide: wide, since: since, log: log + math.Log(changes), usual: slices.Clone(steady.usual)}
		h.weigh(before, items, cooks, from)
		h.foretell(before, items, cooks, from)
		out, may = append(out, h), may+changes
	}
	steady.log += math.Log(1 - may)
	return out
}

// turns says whether the fryer changed before an item, and after the one before it.
func (h *hypothesis) turns(items []item, cooks []Cook, i int) bool {
	if i == 0 {
		return false
	}
	before, cook := items[i-1].cook, items[i].cook
	return h.since > before && h.since <= cook || wasChanged(cooks[before+1:cook+1])
}

// wasChanged says whether somebody changed something before one of the cooks.
func wasChanged(cooks []Cook) bool {
	return slices.ContainsFunc(cooks, func(c Cook) bool { return c.Changed })
}

// take puts an item to what is known.
func (h *hypothesis) take(w *whole, items []item, cooks []Cook, i int) {
	if h.turns(items, cooks, i) {
		w.open(changed)
	}
	w.add(&items[i], h.usual[i]*items[i].old)
}

// weigh finds which evenings were as usual, of the items from one on, and what is then
// known, by what is known before those.
func (h *hypothesis) weigh(before *whole, items []item, cooks []Cook, from int) {
	judged := from // an item before a change is not judged by what came after it
	for i := from; i < len(items); i++ {
		if h.turns(items, cooks, i) {
			judged = i
		}
	}
	for range sweeps {
		w := before.clone()
		for i := from; i < len(items); i++ {
			h.take(w, items, cooks, i)
		}
		if h.cov, h.mean = w.solved(); h.cov == nil {
			h.log = math.Inf(-1)
			return
		}
		for i := judged; i < len(items); i++ {
			it := &items[i]
			m, v := it.marginal(h.cov, h.mean)
			if m, v, ok := it.without(m, v, h.usual[i]*it.old); ok {
				usual, _ := it.usual(&m, &v)
				h.usual[i] = (h.usual[i] + usual) / 2
			}
		}
	}
	// What was changed since then makes what all say less sure, not what each says odd.
	if last := items[len(items)-1].cook; wasChanged(cooks[last+1:]) {
		now := &whole{mat.NewSymDense(h.mean.Len(), nil), mat.NewVecDense(h.mean.Len(), nil)}
		var c mat.Cholesky
		if c.Factorize(h.cov) && c.InverseTo(now.info) == nil {
			now.pull.MulVec(now.info, h.mean)
			now.open(changed)
			h.cov, h.mean = now.solved()
		}
	}
}

// foretell adds how likely the items from one on are, each by those before it.
func (h *hypothesis) foretell(before *whole, items []item, cooks []Cook, from int) {
	w := before.clone()
	for i := from; i < len(items); i++ {
		if h.turns(items, cooks, i) {
			w.open(changed)
		}
		if cov, mean := w.solved(); cov != nil {
			m, v := items[i].marginal(cov, mean)
			_, foretold := items[i].usual(&m, &v)
			h.log += foretold
		}
		w.add(&items[i], h.usual[i]*items[i].old)
	}
}

// mix is what is known where any of them may have been.
func (k *Known) mix(may []*hypothesis, cuts []cutHand, evening [load.LearntFigures]float64) {
	most, sum := math.Inf(-1), 0.0
	for _, h := range may {
		most = math.Max(most, h.log)
	}
	for _, h := range may {
		h.share = math.Exp(h.log - most)
		sum += h.share
	}
	stranger := 0.0
	for _, h := range may {
		if h.share /= sum; h.wide {
			stranger += h.share
		}
	}
	// The window does not have the share of strangers in it before any cook: they come
	// in as far as cooks speak for them.
	if stranger < 1 {
		now := math.Max(0, (stranger-strangers)/(1-strangers))
		for _, h := range may {
			if h.wide {
				h.share *= now / stranger
			} else {
				h.share *= (1 - now) / (1 - stranger)
			}
		}
	}
	dims := hands + len(cuts)
	mean, second := make([]float64, dims), mat.NewSymDense(dims, nil)
	changedBy := 0.0
	var likeliest *hypothesis
	for _, h := range may {
		if h.cov == nil || h.share == 0 {
			continue
		}
		for i := range dims {
			mean[i] += h.share * h.mean.AtVec(i)
			for j := i; j < dims; j++ {
				second.SetSym(i, j, second.At(i, j)+h.share*(h.cov.At(i, j)+h.mean.AtVec(i)*h.mean.AtVec(j)))
			}
		}
		if h.since > 0 {
			if changedBy += h.share; likeliest == nil || h.share > likeliest.share {
				likeliest = h
			}
		}
	}
	if changedBy > 0.5 {
		k.Since = likeliest.since
	}
	for i := range load.LearntFigures {
		k.Mean[i] = mean[i]
		for j := range load.LearntFigures {
			k.Lasting[i][j] = second.At(i, j) - mean[i]*mean[j]
			k.Covariance[i][j] = k.Lasting[i][j]
		}
		k.Covariance[i][i] += evening[i]
	}
	if sd := math.Sqrt(math.Max(0, second.At(back, back)-mean[back]*mean[back])); sd < seenBack*belief.BackSd {
		k.Back = &load.Hand{Mean: mean[back], Sd: sd}
	}
	k.Hands = map[string]load.Hand{}
	for i, c := range cuts {
		at := hands + i
		k.Hands[c.id] = load.Hand{Mean: mean[at], Sd: math.Sqrt(math.Max(0, second.At(at, at)-mean[at]*mean[at]))}
	}
}

// Said is what is known of a fryer before any cook.
func Said(m *load.Machine) (out Known) {
	said, lasting, evening := ensemble.FryerPrior(m)
	out.Mean = said
	for k := range lasting {
		out.Lasting[k][k], out.Covariance[k][k] = lasting[k], lasting[k]+evening[k]
	}
	return out
}
