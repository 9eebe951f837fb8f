package advise

import (
	"cmp"
	"context"
	"math"
	"slices"
	"sync"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
)

// A Proposal is the best program of one way for a load.
type Proposal struct {
	Way     Way          `json:"way"`
	Name    string       `json:"name"`
	Program load.Program `json:"program"`
	// Lots are when each goes in and comes out, where that is not with all.
	Lots    []InOut `json:"lots,omitempty"`
	Minutes float64 `json:"minutes"`
	// Safe by which minute in 95 loads of 100; nil if not within the search.
	SafeByMin *float64 `json:"safeByMin"`
	// Crust of the softer face, and juice, at the end.
	Crust    float64      `json:"crust"`
	JuicePct float64      `json:"juicePct"`
	Turns    int          `json:"turns"`
	EnergyWh float64      `json:"energyWh"`
	Ready    bool         `json:"ready"` // safe in 95 of 100, as crisp as asked, not overdone
	Reason   string       `json:"reason"`
	Timeline []run.Moment `json:"timeline"`
	// Score ranks the ways of one load; less is better. Its unit is a
	// percent of juice.
	Score float64 `json:"score"`

	overdone load.Overdone
}

// InOut is when a lot goes in and comes out, minutes; nil for with the last.
type InOut struct {
	InMin  float64  `json:"inMin"`
	OutMin *float64 `json:"outMin,omitempty"`
}

// A Recommendation is all ways for a load, the best first.
type Recommendation struct {
	Want Want       `json:"want"`
	Ways []Proposal `json:"ways"`
	// Says is why none of them is to be recommended; empty if the first is.
	Says string `json:"says,omitempty"`
}

// CheckRecommend returns what is wrong with a request for ways as
// refuse.Fields, or nil.
func CheckRecommend(q load.Request, want Want) error {
	_, _, err := toRecommend(q, want)
	return err
}

// toRecommend makes whole a request whose stages do not matter.
func toRecommend(q load.Request, want Want) (*load.Load, Want, error) {
	if want == "" {
		want = Balanced
	}
	if !slices.Contains(Wants, want) {
		var c refuse.Check
		known := make([]string, len(Wants))
		for i, w := range Wants {
			known[i] = string(w)
		}
		c.Among("want", string(want), known...)
		return nil, want, c.Err()
	}
	l, err := load.Of(anyProgram(q))
	if err != nil {
		return nil, want, err
	}
	return stays(l, q.InLots()), want, nil
}

// stays is a load with each lot as long in it as a request says, where that
// can be said of a program of its length.
func stays(l *load.Load, q load.Request) *load.Load {
	was := q.Program.Minutes()
	if was <= 0 {
		return l
	}
	told := l.UnderProgram(q.Program)
	told.Lots = slices.Clone(l.Lots)
	for i := range told.Lots {
		lot := *l.Lots[i]
		if in := q.Lots[i].InMin; in > 0 && in < was {
			lot.In = in
		}
		if out := q.Lots[i].OutMin; out != nil && *out > lot.In && *out < was {
			lot.Out = *out
		}
		told.Lots[i] = &lot
	}
	return told.Moved(l.Program)
}

// anyProgram is a request with some program, where its own does not matter but
// for how hot the fryer is at first.
func anyProgram(q load.Request) load.Request {
	q = q.InLots()
	q.Program.Stages, q.Program.Turns = []load.Stage{{AirC: 190, Minutes: 20}}, nil
	for i := range q.Lots {
		q.Lots[i].InMin, q.Lots[i].OutMin = 0, nil // of another program
	}
	return q
}

// Recommend searches each way for this load and ranks them. progress, if not
// nil, is told how many ways are done, from any goroutine. The request's own
// stages and turns do not matter; its preheating does. The error is
// refuse.Fields or the context's.
func Recommend(ctx context.Context, q load.Request, want Want, progress func(done, of int)) (Recommendation, error) {
	l, want, err := toRecommend(q, want)
	if err != nil {
		return Recommendation{}, err
	}
	var mu sync.Mutex
	done := 0
	out := Recommendation{Want: want}
	if out.Ways, err = proposals(ctx, l, goalOf(want), func() {
		mu.Lock()
		defer mu.Unlock()
		if done++; progress != nil {
			progress(done, len(Ways))
		}
	}); err != nil {
		return Recommendation{}, err
	}
	slices.SortStableFunc(out.Ways, func(a, b Proposal) int { return cmp.Compare(a.Score, b.Score) })
	nearest, err := prove(ctx, l, out.Ways)
	if err != nil {
		return Recommendation{}, err
	}
	if nearest != nil {
		out.Says = noWaySays(nearest.Says)
	}
	sayReasons(l, out.Ways, goalOf(want).crustForAll(l)-margin)
	return out, nil
}

// proposals are the best programs of all ways, in their order.
func proposals(ctx context.Context, l *load.Load, g goal, done func()) ([]Proposal, error) {
	out := make([]Proposal, len(Ways))
	return out, run.Each(len(Ways), func(i int) (err error) {
		if out[i], err = propose(ctx, l, Ways[i], g); err == nil {
			done()
		}
		return err
	})
}

// propose finds a way's best program and measures it.
func propose(ctx context.Context, l *load.Load, w Way, g goal) (Proposal, error) {
	s := search{load: l, way: w, goal: g}
	if err := s.descend(ctx); err != nil {
		return Proposal{}, err
	}
	// The search saw it coarsely; its length is settled in full.
	at, _, err := s.settled(ctx, s.at, run.Fine)
	if err != nil {
		return Proposal{}, err
	}
	var sure *float64
	for range 3 {
		l = l.Moved(w.build(at, l.Program))
		if sure, err = ensemble.SafeBy(ctx, l.CarriedOn(15)); err != nil {
			return Proposal{}, err
		}
		if sure == nil || *sure <= l.Minutes() {
			break
		}
		at.end = verdict.NotBefore(*sure)
	}
	l = l.CarriedOn(0)
	all, err := verdict.Nominal(l)
	if err != nil {
		return Proposal{}, err
	}
	ends := make([]run.Worst, len(all))
	for k := range all {
		a := &all[k]
		last := a.Timeline[len(a.Timeline)-1]
		ends[k] = run.Worst{Crust: a.End.Crust, JuicePct: a.End.JuiceKeptPct, Palest: last.Paler(), Brownest: last.Browner()}
	}
	got := g.trialOf(l, ends, l.Minutes())
	p := Proposal{Way: w, Name: w.Name(), SafeByMin: sure, Score: got.score}
	a := verdict.OverAll(l, all)
	p.fill(l, &a)
	if a.Window.ToMin != nil && *a.Window.ToMin < l.Minutes() {
		p.overdone = a.Window.Bound
	}
	late := sure == nil || verdict.Past(*sure, l.Minutes())
	p.Ready = !late && p.crispEnough(l, ends, g) && p.overdone == load.NotOverdone
	if late {
		p.Score += unsafe
	}
	return p, nil
}

// crispEnough says whether each lot ends nearly as crisp as is gone for.
func (p *Proposal) crispEnough(l *load.Load, ends []run.Worst, g goal) bool {
	for k, w := range ends {
		if math.Floor(w.Crust) < g.crustFor(l.Lots[k])-margin-2 {
			return false
		}
	}
	return true
}

// fill takes in what a program comes to, in the whole figures that are shown.
func (p *Proposal) fill(l *load.Load, a *verdict.Answer) {
	p.Program, p.Minutes, p.Turns = l.Program, l.Minutes(), len(l.Program.Turns)
	p.Lots = nil
	if slices.ContainsFunc(l.Lots, func(lot *load.Lot) bool { return lot.In > 0 || l.End(lot) < l.Minutes() }) {
		p.Lots = make([]InOut, len(l.Lots))
		for i, lot := range l.Lots {
			p.Lots[i].InMin = lot.In
			if out := l.End(lot); out < l.Minutes() {
				p.Lots[i].OutMin = &out
			}
		}
	}
	p.Crust, p.JuicePct, p.EnergyWh, p.Timeline = math.Floor(a.End.Crust), math.Floor(a.End.JuiceKeptPct), a.End.EnergyWh, a.Timeline
}

// prove runs every way as a cook would: what it is called is the verdict of that very run.
// The first that is ready, and warned of nothing that time, heat and turns could avoid,
// goes to the front; those before it are carried on as far as they need. Returns the
// verdict of the nearest, if none is.
func prove(ctx context.Context, l *load.Load, ways []Proposal) (nearest *verdict.Verdict, err error) {
	answers := make([]verdict.Answer, len(ways))
	judged := func(i, times int) error {
		p := &ways[i]
		t, a, err := LongEnough(ctx, l.Moved(p.Program).CarriedOn(0), true, times)
		if err != nil {
			return err
		}
		p.SafeByMin, p.Ready, answers[i] = a.Chance.SafeByMin, a.Verdict.Ready, a
		p.fill(t, &a)
		return nil
	}
	// Longer, its turns move, and with them what was foretold: twice is enough, or it is
	// not ready. Several lots take several times as long, and only the best is carried on.
	times := 2
	if len(l.Lots) > 1 {
		times = 0
	}
	if err := run.Each(len(ways), func(i int) error { return judged(i, times) }); err != nil {
		return nil, err
	}
	for i := range ways {
		a := &answers[i]
		if times == 0 && a.Verdict.Standing == verdict.TooShort {
			if err := judged(i, 2); err != nil {
				return nil, err
			}
		}
		if ways[i].Ready && !a.Warns(verdict.Tears) && !a.Warns(timely...) {
			best := ways[i]
			copy(ways[1:i+1], ways[:i])
			ways[0] = best
			return nil, nil
		}
	}
	if len(ways) == 0 {
		return nil, nil
	}
	// Ready though warned of something comes before what is not ready.
	if i := slices.IndexFunc(ways, func(p Proposal) bool { return p.Ready }); i > 0 {
		best, its := ways[i], answers[i]
		copy(ways[1:i+1], ways[:i])
		copy(answers[1:i+1], answers[:i])
		ways[0], answers[0] = best, its
	}
	return &answers[0].Verdict, nil
}

// LongEnough judges a load, and carries its program on where it is ready
// only after its end, so many times.
func LongEnough(ctx context.Context, l *load.Load, sampled bool, times int) (*load.Load, verdict.Answer, error) {
	a, err := verdict.Of(ctx, l, sampled)
	for k := 0; k < times && err == nil && a.Verdict.Standing == verdict.TooShort; k++ {
		l = l.UnderProgram(l.Program.Lasting(verdict.NotBefore(*a.Verdict.ReadyAtMin)))
		a, err = verdict.Of(ctx, l, sampled)
	}
	return l, a, err
}
