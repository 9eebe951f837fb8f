package program

import (
	"context"
	"fmt"
	"math"
	"runtime"
	"slices"
	"strings"
	"sync"

	"velocrustum/core/crust"
	"velocrustum/core/thermal"
	"velocrustum/core/units"
)

// A Way is a school of running a program.
type Way string

const (
	Straight       Way = "straight"
	GentleHot      Way = "gentle-hot"
	HotGentle      Way = "hot-gentle"
	GentleRestHot  Way = "gentle-rest-hot"
	TurnOften      Way = "turn-often"
	ShakeOften     Way = "shake"
	SingleLateTurn Way = "late-turn"
)

// Ways lists the schools in the order of the picker.
var Ways = []Way{Straight, GentleHot, HotGentle, GentleRestHot, TurnOften, ShakeOften, SingleLateTurn}

var wayNames = map[Way]string{
	Straight: "Straight heat", GentleHot: "Gentle, then hot", HotGentle: "Hot, then gentle", GentleRestHot: "Gentle, rest, hot",
	TurnOften: "Turn often", ShakeOften: "Shake", SingleLateTurn: "One late turn",
}

// Name returns what a cook calls it.
func (w Way) Name() string { return wayNames[w] }

// A Want is what the cook would have more of.
type Want string

const (
	Balanced Want = "balanced"
	Crisper  Want = "crisper"
	Juicier  Want = "juicier"
	Sooner   Want = "sooner"
	Paler    Want = "paler"
)

// Wants lists them.
var Wants = []Want{Balanced, Crisper, Juicier, Sooner, Paler}

// A Proposal is the best program of one way for a load.
type Proposal struct {
	Way     Way     `json:"way"`
	Name    string  `json:"name"`
	Program Program `json:"program"`
	Minutes float64 `json:"minutes"`
	// Safe by which minute in 95 loads of 100; nil if not within the search.
	SafeByMin *float64 `json:"safeByMin"`
	// Crust of the softer face, and juice, at the end.
	Crust    float64  `json:"crust"`
	JuicePct float64  `json:"juicePct"`
	Turns    int      `json:"turns"`
	EnergyWh float64  `json:"energyWh"`
	Ready    bool     `json:"ready"` // safe in 95 of 100, as crisp as asked, not overdone
	Reason   string   `json:"reason"`
	Timeline []Moment `json:"timeline"`
	// Score ranks the ways of one load; less is better. Its unit is a
	// percent of juice.
	Score float64 `json:"score"`
	over  string  // what it is too much of, if anything
}

// A Recommendation is all ways for a load, the best first.
type Recommendation struct {
	Want Want       `json:"want"`
	Ways []Proposal `json:"ways"`
}

// weights turn an outcome into one figure, in percents of juice.
type weights struct {
	juice, minute, turn float64
	short               float64 // each point of crust that is missing
	above               float64 // added to the crust asked for, which is never under 40
	brown               crust.Stage
}

// Weights of the wants: what a cook gives up for what, by judgement. Most
// juice first, then the shortest; a point of missing crust costs more than a
// percent of juice, and a minute a sixth of one.
var wantWeights = map[Want]weights{
	Balanced: {juice: 1, minute: 0.15, turn: 0.3, short: 1.2, brown: 2.6},
	Crisper:  {juice: 0.4, minute: 0.1, turn: 0.2, short: 1.5, above: 15, brown: 2.9},
	Juicier:  {juice: 1.5, minute: 0.1, turn: 0.3, short: 2, above: -10, brown: 2.4},
	Sooner:   {juice: 0.5, minute: 1.2, turn: 0.4, short: 1.5, brown: 2.8},
	Paler:    {juice: 1, minute: 0.15, turn: 0.3, short: 1.2, brown: 1.2},
}

const (
	// bitterness is the cost of a browning stage past what is wanted: soon
	// more than all the juice.
	bitterness = 60.0
	dryness    = 4.0 // of a percent of juice under what the cut should keep
	parched    = 15.0
	pallor     = 8.0 // of a stage short of straw on the paler face
	unsafe     = 1000.0
	longest    = 75.0
	// margin is how much crispness more than asked the nominal load needs
	// for half the loads, with their thickest pieces, to have it.
	margin = 4.0
	// worthless is the crispness below which none is worth any juice: lean
	// bare meat gets no crust, and is not dried for a trace of one.
	worthless = 30.0
	restFor   = 4.0
	turnEvery = 5.0
	// A school with two temperatures has two worth the name.
	leastStage, leastStep = 3.0, 20.0
)

// searching is the resolution of a search: fewer shells and longer steps
// than an answer, and close to it (TestSearchIsCloseToTheAnswer).
var searching = resolution{shells: thermal.Resolution{Surface: 0.2e-3, Growth: 0.45}, steps: 0.75}

// choice is a point of the search: two temperatures, when the second
// begins, and how long all lasts.
type choice struct {
	first, second float64 // °C
	split, end    float64 // minutes
}

// build lays a program out. Times are whole minutes.
func (w Way) build(c choice, preheat, hotFrom float64) Program {
	p := Program{PreheatMin: preheat, HotFromC: hotFrom}
	end := math.Max(2, math.Round(c.end))
	least := math.Min(leastStage, math.Floor(end/2))
	split := math.Min(math.Max(least, math.Round(c.split)), end-least)
	turn := func(at float64, kind string) {
		p.Turns = append(p.Turns, Turn{AtMin: math.Min(math.Max(1, math.Round(at)), end-0.5), Kind: kind})
	}
	switch w {
	case GentleHot:
		p.Stages = []Stage{{AirC: c.first, Minutes: split}, {AirC: c.second, Minutes: end - split}}
		turn(split, Flip)
	case HotGentle:
		p.Stages = []Stage{{AirC: c.first, Minutes: split}, {AirC: c.second, Minutes: end - split}}
		turn(end/2, Flip)
	case GentleRestHot:
		p.Stages = []Stage{{AirC: c.first, Minutes: split}, {AirC: c.second, Minutes: restFor, Rest: true}, {AirC: c.second, Minutes: math.Max(least, end-split-restFor)}}
		end = p.minutes()
		turn(split+restFor, Flip)
	default:
		p.Stages = []Stage{{AirC: c.first, Minutes: end}}
		switch w {
		case TurnOften:
			for at := turnEvery; at < end-1.5; at += turnEvery {
				turn(at, Flip)
			}
		case ShakeOften:
			for k := 1.0; k < 3; k++ {
				turn(end*k/3, Shake)
			}
		case SingleLateTurn:
			turn(end*0.65, Flip)
		default:
			turn(end/2, Flip)
		}
	}
	return p
}

// twoStages says whether the way has a second temperature.
func (w Way) twoStages() bool { return w == GentleHot || w == HotGentle || w == GentleRestHot }

// goal is what a search looks for.
type goal struct {
	weights
	late float64 // how much later than the nominal load 95 in 100 are safe
	// core asks for the minute at which the coldest flesh comes to it, °C,
	// and no other, or, where more only dries it, that minute or a later one;
	// NaN leaves the minute free.
	core  float64
	atOne bool
}

// trial is one program's best minute and what it costs.
type trial struct {
	end, score float64
	crust      float64
	juice      float64
	brown      [2]float64 // of the paler and the darker face
}

// try runs a program on and finds the best minute to end it.
func (s *setup) try(ctx context.Context, p Program, g goal, res resolution) (trial, error) {
	t := *s
	t.program = p
	t.minutes = p.minutes()
	t.tail = math.Max(0, longest-t.minutes)
	r, err := newRun(&t, nominal, res)
	if err != nil {
		return trial{}, err
	}
	before := 0.0 // the program but its last stage: it cannot end there
	for _, st := range p.Stages[:len(p.Stages)-1] {
		before += st.Minutes
	}
	best := trial{score: math.Inf(1), end: longest}
	started := false
	limit, _ := s.limit()
	want := s.wanted(g)
	r.carry(res, func(minute float64) bool {
		if ctx.Err() != nil {
			return false
		}
		if minute != math.Trunc(minute) || minute < before+1 {
			return true
		}
		slow := r.slowest()
		safe := !math.IsNaN(slow.safeAt) && g.late*slow.safeAt <= minute
		if !math.IsNaN(g.core) {
			if slow.lastC < g.core && minute < longest {
				return true
			}
			if g.atOne && safe {
				best = r.cost(minute, g)
				return false
			}
		}
		if !safe {
			return minute < longest
		}
		now := r.cost(minute, g)
		if now.score < best.score {
			best, started = now, true
		}
		// Juice goes before the crust comes: only once it is there, or never
		// will be, does a minute that is worse mean that all later ones are.
		done := now.crust >= want || now.brown[1] > float64(limit) || now.juice < r.cut.Juice-parched
		return minute < longest && !(started && done && minute >= best.end+3)
	})
	return best, ctx.Err()
}

// cost weighs the load as it is at a minute.
func (r *run) cost(minute float64, g goal) trial {
	t := trial{end: minute, crust: math.Inf(1), juice: math.Inf(1), brown: [2]float64{math.Inf(1), 0}}
	for i := range r.classes {
		c := &r.classes[i]
		t.crust = min(t.crust, r.crustOf(c))
		t.juice = min(t.juice, r.juice(c))
		for _, b := range c.brown {
			t.brown[0] = min(t.brown[0], float64(b.Stage))
			t.brown[1] = max(t.brown[1], float64(b.Stage))
		}
	}
	t.score = r.weigh(g, t, len(r.program.Turns))
	return t
}

// weigh turns an outcome into one figure, in percents of juice.
func (s *setup) weigh(g goal, t trial, turns int) float64 {
	limit, _ := s.limit()
	return g.juice*(100-t.juice) + g.minute*t.end + g.turn*float64(turns) +
		g.short*max(0, s.wanted(g)-max(worthless, t.crust)) +
		bitterness*max(0, t.brown[1]-float64(min(g.brown, limit-0.3))) +
		dryness*max(0, s.cut.Juice-t.juice) + pallor*max(0, float64(crust.Straw)-t.brown[0])
}

// wanted returns the crispness that a search goes for.
func (s *setup) wanted(g goal) float64 { return min(95, max(40, s.crust+g.above)) + margin }

// settled finds the length that fits the program it lays the turns of.
func (s *setup) settled(ctx context.Context, w Way, c choice, g goal, res resolution) (choice, trial, error) {
	best := trial{score: math.Inf(1)}
	at := c
	for range 3 {
		t, err := s.try(ctx, w.build(c, s.program.PreheatMin, s.program.HotFromC), g, res)
		if err != nil {
			return c, t, err
		}
		if t.score < best.score {
			best, at = t, c
			at.end = t.end
		}
		if math.Abs(t.end-c.end) <= 1 {
			break
		}
		c.end = t.end
	}
	return at, best, nil
}

// search finds the best choice of a way by descent along each coordinate, on
// the dial's own steps.
func (s *setup) search(ctx context.Context, w Way, g goal) (choice, trial, error) {
	snap := func(t float64) float64 {
		d := s.dial
		return min(d.MaxC, max(d.MinC, d.MinC+math.Round((t-d.MinC)/d.StepC)*d.StepC))
	}
	length := 18.0
	seeds := []choice{{first: snap(190), end: length}, {first: snap(175), end: length}}
	switch w {
	case GentleHot:
		seeds = []choice{{snap(165), snap(200), 12, 22}, {snap(150), snap(200), 8, 16}}
	case HotGentle:
		seeds = []choice{{snap(200), snap(165), 8, 20}}
	case GentleRestHot:
		seeds = []choice{{snap(160), snap(200), 10, 22}}
	}
	var at choice
	best := trial{score: math.Inf(1)}
	consider := func(c choice) (bool, error) {
		c, t, err := s.settled(ctx, w, c, g, searching)
		if err != nil || t.score >= best.score-0.05 {
			return false, err
		}
		at, best = c, t
		return true, nil
	}
	for _, c := range seeds {
		if _, err := consider(c); err != nil {
			return at, best, err
		}
	}
	step := max(10, s.dial.StepC)
	minute := 3.0
	for {
		moved := false
		moves := []choice{{first: step}, {first: -step}}
		if w.twoStages() {
			moves = append(moves, choice{second: step}, choice{second: -step}, choice{split: minute}, choice{split: -minute})
		}
		for _, m := range moves {
			c := at
			c.first, c.second = snap(at.first+m.first), snap(at.second+m.second)
			c.split += m.split
			if w == GentleHot || w == GentleRestHot {
				if c.first > c.second-leastStep {
					continue
				}
			} else if w == HotGentle && c.first < c.second+leastStep {
				continue
			}
			if c == at || c.split < 1 && w.twoStages() {
				continue
			}
			ok, err := consider(c)
			if err != nil {
				return at, best, err
			}
			moved = moved || ok
		}
		if moved {
			continue
		}
		if step <= s.dial.StepC && minute <= 1 {
			return at, best, nil
		}
		step, minute = max(s.dial.StepC, step/2), max(1, minute-1)
	}
}

// sureBy returns the minute by which 95 in 100 sampled loads are safe, or
// nil: the thickest piece of each alone decides, and a load that is safe
// need not be followed on.
func (s *setup) sureBy(ctx context.Context) (*float64, error) {
	all := draws(Samples, s.pieces*s.drawers, s.spread/100)
	safe := make([]float64, len(all))
	err := parallel(len(all), func(i int) error {
		v := all[i]
		v.sizes = v.sizes[:1]
		r, err := newRun(s, v, searching)
		if err != nil {
			return err
		}
		r.carry(searching, func(float64) bool { return ctx.Err() == nil && math.IsNaN(r.slowest().safeAt) })
		if safe[i] = r.slowest().safeAt; math.IsNaN(safe[i]) {
			safe[i] = math.Inf(1)
		}
		return ctx.Err()
	})
	if err != nil {
		return nil, err
	}
	slices.Sort(safe)
	return quantile(safe, 0.95), nil
}

// parallel calls f for 0 to n−1 on all cores and returns an error of theirs.
func parallel(n int, f func(i int) error) error {
	errs := make([]error, n)
	next := make(chan int)
	var wg sync.WaitGroup
	for range min(runtime.GOMAXPROCS(0), n) {
		wg.Go(func() {
			for i := range next {
				errs[i] = f(i)
			}
		})
	}
	for i := range n {
		next <- i
	}
	close(next)
	wg.Wait()
	for _, err := range errs {
		if err != nil {
			return err
		}
	}
	return nil
}

// lateSafe is how much later than its nominal piece a load of many is safe
// in 95 of 100: the search's first guess, checked by sampling after it.
const lateSafe = 1.2

// propose finds a way's best program and measures it.
func (s *setup) propose(ctx context.Context, w Way, g goal) (Proposal, error) {
	c, _, err := s.search(ctx, w, g)
	if err != nil {
		return Proposal{}, err
	}
	// The search saw it coarsely; its length is settled in full.
	if c, _, err = s.settled(ctx, w, c, g, standard); err != nil {
		return Proposal{}, err
	}
	var a Answer
	var t setup
	var sure *float64
	for range 3 {
		t = *s
		t.program = w.build(c, s.program.PreheatMin, s.program.HotFromC)
		t.minutes = t.program.minutes()
		t.tail = 15
		if sure, err = t.sureBy(ctx); err != nil {
			return Proposal{}, err
		}
		if sure == nil || *sure <= t.minutes {
			break
		}
		c.end = math.Ceil(*sure)
	}
	t.tail = 0
	if a, err = t.answer(standard); err != nil {
		return Proposal{}, err
	}
	last := a.Timeline[len(a.Timeline)-1].Faces
	got := trial{end: t.minutes, crust: a.End.Crust, juice: a.End.JuiceKeptPct,
		brown: [2]float64{min(last[0].Brown, last[1].Brown), max(last[0].Brown, last[1].Brown)}}
	p := Proposal{Way: w, Name: w.Name(), Program: t.program, Minutes: t.minutes, SafeByMin: sure, Turns: len(t.program.Turns),
		Crust: got.crust, JuicePct: got.juice, EnergyWh: a.End.EnergyWh, Timeline: a.Timeline, Score: s.weigh(g, got, len(t.program.Turns))}
	if a.Window.ToMin != nil && *a.Window.ToMin < t.minutes {
		p.over = a.Window.Bound
	}
	late := sure == nil || *sure > t.minutes+0.5
	p.Ready = !late && p.Crust >= s.wanted(g)-margin-2 && p.over == ""
	if late {
		p.Score += unsafe
	}
	return p, nil
}

// toRecommend resolves a request whose stages do not matter.
func toRecommend(q Request, want Want) (setup, Want, error) {
	if want == "" {
		want = Balanced
	}
	var c checker
	if c.among("want", string(want), names(Wants)); len(c.errs) > 0 {
		return setup{}, want, c.errs
	}
	q.Program.Stages, q.Program.Turns = []Stage{{AirC: 190, Minutes: 20}}, nil
	s, err := resolve(q)
	return s, want, err
}

// CheckRecommend returns what is wrong with a request for ways as
// FieldErrors, or nil.
func CheckRecommend(q Request, want Want) error {
	_, _, err := toRecommend(q, want)
	return err
}

// Recommend searches each way for this load and ranks them. progress, if not
// nil, is told how many ways are done, from any goroutine. The request's own
// stages and turns do not matter; its preheating does. The error is
// FieldErrors or the context's.
func Recommend(ctx context.Context, q Request, want Want, progress func(done, of int)) (Recommendation, error) {
	s, want, err := toRecommend(q, want)
	if err != nil {
		return Recommendation{}, err
	}
	g := goal{weights: wantWeights[want], late: lateSafe, core: math.NaN()}
	out := Recommendation{Want: want, Ways: make([]Proposal, len(Ways))}
	var mu sync.Mutex
	done := 0
	err = parallel(len(Ways), func(i int) error {
		p, err := s.propose(ctx, Ways[i], g)
		if err != nil {
			return err
		}
		out.Ways[i] = p
		mu.Lock()
		defer mu.Unlock()
		if done++; progress != nil {
			progress(done, len(Ways))
		}
		return nil
	})
	if err != nil {
		return Recommendation{}, err
	}
	s.reasons(out.Ways, s.wanted(g)-margin)
	slices.SortStableFunc(out.Ways, func(a, b Proposal) int {
		switch {
		case a.Score < b.Score:
			return -1
		case a.Score > b.Score:
			return 1
		}
		return 0
	})
	return out, nil
}

// reasons says of each way, from the numbers, what it does and what it costs
// beside straight heat.
func (s *setup) reasons(ways []Proposal, crust float64) {
	straight := ways[slices.IndexFunc(ways, func(p Proposal) bool { return p.Way == Straight })]
	for i := range ways {
		p := &ways[i]
		p.Reason = s.mechanism(p)
		switch {
		case p.SafeByMin == nil || *p.SafeByMin > p.Minutes+0.5:
			p.Reason += " It does not get this load safe in time."
		case p.over != "":
			p.Reason += " " + map[string]string{"dry": "It ends drier than this cut should be.", "burnt": "It ends too dark.", "bitter": "Its sugar burns.", "brown": "It ends past gold."}[p.over]
		case p.Crust < crust-2:
			p.Reason += fmt.Sprintf(" The crust ends at %.0f of the %.0f asked for.", p.Crust, crust)
		}
		if p.Way != Straight {
			p.Reason += " " + beside(p, &straight)
		}
	}
}

// mechanism says what a program does to this load.
func (s *setup) mechanism(p *Proposal) string {
	st := p.Program.Stages
	first, last := st[0], st[len(st)-1]
	joint := at(p.Timeline, first.Minutes)
	switch p.Way {
	case GentleHot:
		return fmt.Sprintf("%.0f min at %.0f °C bring the middle to %.0f °C while the outside dries; %.0f °C then crisps it.", first.Minutes, first.AirC, joint.CoreC, last.AirC)
	case HotGentle:
		return fmt.Sprintf("%.0f °C sets the outside first; from minute %.0f, %.0f °C lets the middle catch up from %.0f °C.", first.AirC, first.Minutes, last.AirC, joint.CoreC)
	case GentleRestHot:
		return fmt.Sprintf("Out to rest at minute %.0f, it steams off and evens out; back in, %.0f °C crisps a dry surface.", first.Minutes, last.AirC)
	case TurnOften:
		return fmt.Sprintf("Turned every %.0f min, %s, both faces get the hard air by parts: they end at %.0f and %.0f of crust. Each opening costs heat.", turnEvery, times(p.Turns), p.last().Faces[0].Crust, p.last().Faces[1].Crust)
	case ShakeOften:
		return fmt.Sprintf("Shaken %s, every piece lands anew, so all places even out.", times(p.Turns))
	case SingleLateTurn:
		if at := p.Program.Turns[0].AtMin; s.coating.Sets > 0 {
			return fmt.Sprintf("Left alone to minute %.0f, the coat has set before it is moved.", at)
		} else {
			return fmt.Sprintf("The first face is done at minute %.0f; turned then, the other catches up in the hard air.", at)
		}
	}
	return fmt.Sprintf("%.0f °C all along, turned once: nothing to watch.", first.AirC)
}

func times(n int) string {
	switch n {
	case 1:
		return "once"
	case 2:
		return "twice"
	}
	return units.Count(n) + " times"
}

func (p *Proposal) last() Moment { return p.Timeline[len(p.Timeline)-1] }

// beside compares a way with straight heat in whole figures.
func beside(p, straight *Proposal) string {
	more := func(d float64, one, several string) string {
		word, unit := "more", several
		if d < 0 {
			word = "less"
		}
		if math.Abs(d) == 1 {
			unit = one
		}
		return fmt.Sprintf("%.0f %s %s", math.Abs(d), unit, word)
	}
	var parts []string
	if d := math.Round(p.JuicePct - straight.JuicePct); d != 0 {
		parts = append(parts, more(d, "point of juice", "points of juice"))
	}
	if d := math.Round(p.Crust - straight.Crust); math.Abs(d) >= 2 {
		parts = append(parts, more(d, "point of crust", "points of crust"))
	}
	if d := math.Round(p.Minutes - straight.Minutes); d != 0 {
		parts = append(parts, more(d, "minute", "minutes"))
	}
	if len(parts) == 0 {
		return "Much the same as straight heat."
	}
	list := parts[0]
	if n := len(parts); n > 1 {
		list = strings.Join(parts[:n-1], ", ") + " and " + parts[n-1]
	}
	return "Beside straight heat: " + list + "."
}
