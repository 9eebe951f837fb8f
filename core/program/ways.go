package program

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"sync"

	"velocrustum/core/crust"
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

// Words returns what a want is called, and what it is more of.
func (w Want) Words() (name, says string) {
	switch w {
	case Crisper:
		return "Crisper", "a harder crust"
	case Juicier:
		return "Juicier", "more juice"
	case Sooner:
		return "Sooner", "fewer minutes"
	case Paler:
		return "Paler", "gold, not brown: better for starchy food"
	}
	return "Balanced", "a crust with most of the juice"
}

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
	// Says is why none of them is to be recommended; empty if the first is.
	Says string `json:"says,omitempty"`
}

// weights turn an outcome into one figure, in percents of juice.
type weights struct {
	juice, minute, turn float64
	short               float64     // each point of crust that is missing
	above               float64     // added to the crust asked for, which is never under 40
	brown               crust.Stage // on the darker face, at most
	pale                crust.Stage // on the paler face, at least
}

// nearGold is what most cooks call golden.
const nearGold crust.Stage = 0.9

// Weights of the wants: what a cook gives up for what, by judgement. Most
// juice first, then the shortest; a point of missing crust costs more than a
// percent of juice, and a minute a sixth of one.
var wantWeights = map[Want]weights{
	Balanced: {juice: 1, minute: 0.15, turn: 0.3, short: 1.2, brown: 2.6, pale: nearGold},
	Crisper:  {juice: 0.4, minute: 0.1, turn: 0.2, short: 1.5, above: 15, brown: 2.9, pale: crust.Gold},
	Juicier:  {juice: 1.5, minute: 0.1, turn: 0.3, short: 2, above: -10, brown: 2.4, pale: crust.Straw},
	Sooner:   {juice: 0.5, minute: 1.2, turn: 0.4, short: 1.5, brown: 2.8, pale: crust.Straw},
	Paler:    {juice: 1, minute: 0.15, turn: 0.3, short: 1.2, brown: 1.2, pale: crust.Straw},
}

const (
	// bitterness is the cost of a browning stage past what is wanted: soon
	// more than all the juice.
	bitterness = 60.0
	dryness    = 4.0 // of a percent of juice under what the cut should keep
	parched    = 15.0
	pallor     = 8.0 // of a stage short of what is wanted on the paler face
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
		t.tail = 15
		if sure, err = t.sureBy(ctx); err != nil {
			return Proposal{}, err
		}
		if sure == nil || *sure <= t.minutes() {
			break
		}
		c.end = notBefore(*sure)
	}
	t.tail = 0
	if a, err = t.answer(standard); err != nil {
		return Proposal{}, err
	}
	last := a.Timeline[len(a.Timeline)-1].Faces
	got := trial{end: t.minutes(), crust: a.End.Crust, juice: a.End.JuiceKeptPct,
		brown: [2]float64{min(last[0].Brown, last[1].Brown), max(last[0].Brown, last[1].Brown)}}
	p := Proposal{Way: w, Name: w.Name(), SafeByMin: sure, Score: s.weigh(g, got, len(t.program.Turns))}
	p.is(&t, &a)
	if a.Window.ToMin != nil && *a.Window.ToMin < t.minutes() {
		p.over = a.Window.Bound
	}
	late := sure == nil || *sure > t.minutes()+moment
	p.Ready = !late && p.Crust >= s.wanted(g)-margin-2 && p.over == ""
	if late {
		p.Score += unsafe
	}
	return p, nil
}

// is fills in what a program comes to, in the whole figures that are shown.
func (p *Proposal) is(t *setup, a *Answer) {
	p.Program, p.Minutes, p.Turns = t.program, t.minutes(), len(t.program.Turns)
	p.Crust, p.JuicePct, p.EnergyWh, p.Timeline = math.Floor(a.End.Crust), math.Floor(a.End.JuiceKeptPct), a.End.EnergyWh, a.Timeline
}

// prove runs the ways from the best on as a cook would, until one is ready
// and warned of nothing that time, heat and turns could avoid: that one goes
// to the front. What falls through is not ready any more. Returns why, if
// none is left.
func (s *setup) prove(ctx context.Context, ways []Proposal) (says string, err error) {
	for i := range ways {
		p := &ways[i]
		if !p.Ready {
			continue
		}
		t := s.with(p.Program)
		t.tail = 0
		a, err := t.judged(ctx)
		// Longer, its turns move, and with them what was foretold: twice is
		// enough, or it is not ready.
		for k := 0; k < 2 && err == nil && a.Verdict.Standing == TooShort; k++ {
			t = t.with(t.program.Lasting(notBefore(*a.Verdict.from)))
			a, err = t.judged(ctx)
		}
		if err != nil {
			return "", err
		}
		if says == "" {
			says = a.Verdict.Says
		}
		p.SafeByMin = a.Chance.SafeByMin
		p.is(t, &a)
		if a.Verdict.Ready && !slices.ContainsFunc(a.Warnings, func(w Warning) bool { return w.Code == "tears" || slices.Contains(timely, w.Code) }) {
			best := *p
			copy(ways[1:i+1], ways[:i])
			ways[0] = best
			return "", nil
		}
		p.Ready = false
	}
	if says == "" && len(ways) > 0 {
		a, err := s.with(ways[0].Program).judged(ctx)
		if err != nil {
			return "", err
		}
		says = a.Verdict.Says
	}
	return "No way of this dial is good for this load as it is. The nearest: " + says, nil
}

// toRecommend resolves a request whose stages do not matter.
func toRecommend(q Request, want Want) (setup, Want, error) {
	if want == "" {
		want = Balanced
	}
	var c checker
	if c.Among("want", string(want), names(Wants)...); len(c.Fields) > 0 {
		return setup{}, want, c.Fields
	}
	q.Program.Stages, q.Program.Turns = []Stage{{AirC: 190, Minutes: 20}}, nil
	s, err := resolve(q)
	return s, want, err
}

// CheckRecommend returns what is wrong with a request for ways as
// refuse.Fields, or nil.
func CheckRecommend(q Request, want Want) error {
	_, _, err := toRecommend(q, want)
	return err
}

// Recommend searches each way for this load and ranks them. progress, if not
// nil, is told how many ways are done, from any goroutine. The request's own
// stages and turns do not matter; its preheating does. The error is
// refuse.Fields or the context's.
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
	slices.SortStableFunc(out.Ways, func(a, b Proposal) int { return cmp.Compare(a.Score, b.Score) })
	if out.Says, err = s.prove(ctx, out.Ways); err != nil {
		return Recommendation{}, err
	}
	s.reasons(out.Ways, s.wanted(g)-margin)
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
			p.Reason += fmt.Sprintf(" It does not get this load %s in time.", s.inside())
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
	dial := func(st Stage) string { return s.units.Degrees(st.AirC) }
	switch p.Way {
	case GentleHot:
		return fmt.Sprintf("%.0f min at %s bring the middle to %s while the outside dries; %s then crisps it.", first.Minutes, dial(first), s.units.Degrees(joint.CoreC), dial(last))
	case HotGentle:
		return fmt.Sprintf("%s sets the outside first; from minute %.0f, %s lets the middle catch up from %s.", dial(first), first.Minutes, dial(last), s.units.Degrees(joint.CoreC))
	case GentleRestHot:
		return fmt.Sprintf("Out to rest at minute %.0f, it steams off and evens out; back in, %s crisps a dry surface.", first.Minutes, dial(last))
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
	return fmt.Sprintf("%s all along, turned once: nothing to watch.", dial(first))
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
