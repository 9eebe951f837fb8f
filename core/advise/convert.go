package advise

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
)

// A FormerWay is how the food was to be cooked before: in oil, in an oven, or by
// a preset printed on a fryer.
type FormerWay struct {
	Kind    string  `json:"kind"` // oil, oven, preset
	TempC   float64 `json:"tempC"`
	Minutes float64 `json:"minutes"`
}

// Kinds of former way.
const (
	FromOil    = "oil"
	FromOven   = "oven"
	FromPreset = "preset"
)

// FirstFormerWays are what a recipe of each kind most often says.
var FirstFormerWays = []FormerWay{{FromOil, 175, 9}, {FromOven, 200, 40}, {FromPreset, 200, 20}}

// Conversion is a recipe brought to this fryer.
type Conversion struct {
	// Source is what the recipe itself does to the food.
	Source Source `json:"source"`
	// Proposal is the program with the same inside and the best crust; nil
	// for a preset that fits.
	Proposal *Proposal `json:"proposal"`
	// Says explains the difference, or judges a preset.
	Says string `json:"says"`
	// Fit of a preset; empty otherwise.
	Fit Fit `json:"fit,omitempty"`
	// Program is the one that is to be started: the proposal's, or the preset's that fits.
	Program load.Program `json:"-"`
}

// Source is the outcome of the recipe as written.
type Source struct {
	CoreC    float64 `json:"coreC"` // of the coldest flesh at its end
	Safe     bool    `json:"safe"`
	Crust    float64 `json:"crust"`
	JuicePct float64 `json:"juicePct"`
}

// inOil fills the pores of any coat, g per 100 cm².
const inOil = 20.0

// wellDoneC is the coldest flesh, °C, beyond which the inside only dries.
const wellDoneC = 97.0

// Convert brings a recipe to this fryer: the program under which the coldest
// flesh ends as it does in the recipe, safe by the rule in any case, with the
// best crust. The request's own stages and turns do not matter. The error is
// refuse.Fields or the context's.
func Convert(ctx context.Context, q load.Request, from FormerWay) (Conversion, error) {
	var c refuse.Check
	c.Among("recipe.kind", from.Kind, FromOil, FromOven, FromPreset)
	if r, ok := load.Limits["recipe."+from.Kind+".tempC"]; ok {
		c.Within("recipe.tempC", from.TempC, r.Min, r.Max, r.Unit)
	}
	c.In(load.Limits, "recipe.minutes", from.Minutes)
	if err := c.Err(); err != nil {
		return Conversion{}, err
	}
	if from.Kind == FromPreset {
		p := load.Program{PreheatMin: q.Program.PreheatMin, HotFromC: q.Program.HotFromC, Stages: []load.Stage{{AirC: from.TempC, Minutes: from.Minutes}}}
		if from.Minutes >= 4 {
			p.Turns = []load.Turn{{AtMin: math.Round(from.Minutes / 2), Kind: load.Flip}}
		}
		return judge(ctx, q, p, fmt.Sprintf("The preset of %.0f min at %s", from.Minutes, q.Units.Degrees(from.TempC)))
	}
	l, err := load.Of(anyProgram(q))
	if err != nil {
		return Conversion{}, err
	}
	out := Conversion{}
	if out.Source, err = immersed(l, from); err != nil {
		return Conversion{}, err
	}
	g := goalOf(Balanced)
	g.coreC, g.atOne = min(wellDoneC, max(out.Source.CoreC, ruleC(l)+0.5)), out.Source.CoreC < wellDoneC
	all, err := proposals(ctx, l, g, func() {})
	if err != nil {
		return Conversion{}, err
	}
	slices.SortStableFunc(all, func(a, b Proposal) int { return cmp.Compare(a.Score, b.Score) })
	nearest, err := prove(ctx, l, all)
	if err != nil {
		return Conversion{}, err
	}
	best := &all[0]
	best.Reason = mechanism(l, best)
	out.Proposal, out.Program, out.Says = best, best.Program, conversionSays(l, from, out.Source, best, g.coreC)
	if nearest != nil && !best.Ready {
		out.Says += " " + noWaySays(nearest.Says)
	}
	return out, nil
}

// immersed is what a recipe in oil or an oven does to one piece, free on all
// sides. It comes dry from the heat, so its crust is that at the end.
func immersed(l *load.Load, from FormerWay) (Source, error) {
	medium := run.StillOven
	if from.Kind == FromOil {
		medium = run.HotOil
		for _, lot := range l.Lots {
			l = l.InOil(*lot, inOil)
		}
	}
	r, err := run.Start(l.ShapedFor(medium.MeanFilm()), run.Nominal, run.Fine)
	if err != nil {
		return Source{}, err
	}
	// Of several lots, the coldest and the softest.
	s := Source{CoreC: math.Inf(1), Safe: true, Crust: math.Inf(1), JuicePct: math.Inf(1)}
	for _, piece := range r.Lots {
		piece.Immerse(medium, from.TempC, from.Minutes)
		c, safe, soft, juice := piece.Immersed()
		s = Source{CoreC: min(s.CoreC, c), Safe: s.Safe && safe, Crust: min(s.Crust, soft), JuicePct: min(s.JuicePct, juice)}
	}
	return s, nil
}

// juiceOf is the juice under which the most tender lot is dry, percent.
func juiceOf(l *load.Load) (pct float64) {
	for _, lot := range l.Lots {
		pct = max(pct, lot.Cut.Juice)
	}
	return pct
}

// ruleC is the most that the rule of a lot asks for, °C.
func ruleC(l *load.Load) (c float64) {
	for _, lot := range l.Lots {
		c = max(c, lot.Rule.CoreC)
	}
	return c
}

// A Fit is how a preset's minutes are beside those that a load needs.
type Fit string

// Fits.
const (
	Short Fit = "short"
	Fits  Fit = "fits"
	Long  Fit = "long"
)

// Why a preset does not fit, or does.
type presetFlaw int

const (
	fitting presetFlaw = iota
	neverSafe
	notSafe
	tooDone
	notCrisp
	losesJuice
	neverCrisp
	neverGood
)

// Judge judges the program that a recipe for an air fryer has. The error is refuse.Fields
// or the context's.
func Judge(ctx context.Context, q load.Request, p load.Program) (Conversion, error) {
	return judge(ctx, q, p, programSays(p, q.Units))
}

// judge judges a program that goes by some words.
func judge(ctx context.Context, q load.Request, p load.Program, called string) (Conversion, error) {
	q.Program = p
	minutes := p.Minutes()
	q.TailMin = math.Min(60, math.Max(15, minutes))
	l, err := load.Of(q)
	if err != nil {
		return Conversion{}, err
	}
	a, err := verdict.Of(ctx, l, true)
	if err != nil {
		return Conversion{}, err
	}
	out := Conversion{Source: Source{CoreC: a.End.CoreC, Crust: a.End.Crust, JuicePct: a.End.JuiceKeptPct}}
	sure, ready, to := a.Chance.SafeByMin, a.Verdict.ReadyAtMin, a.Verdict.GoodUntilMin
	out.Source.Safe = sure != nil && *sure <= minutes
	var flaw presetFlaw
	switch {
	case sure == nil:
		out.Fit, flaw = Short, neverSafe
	case !out.Source.Safe:
		out.Fit, flaw = Short, notSafe
	case to != nil && *to < minutes:
		out.Fit, flaw = Long, tooDone
	case ready != nil && *ready > minutes+1:
		out.Fit, flaw = Short, notCrisp
	case ready != nil && minutes > *ready+4 && a.End.JuiceKeptPct < juiceOf(l)+8:
		out.Fit, flaw = Long, losesJuice
	case !a.Verdict.Ready:
		out.Fit, flaw = Short, neverCrisp
		if a.Warns(verdict.Overdone) {
			out.Fit, flaw = Long, neverGood
		}
	default:
		out.Fit, out.Program = Fits, p
	}
	out.Says = presetSays(l, called, &a, flaw)
	if out.Fit == Fits {
		return out, nil
	}
	rec, err := Recommend(ctx, q, Balanced, nil)
	if err != nil {
		return Conversion{}, err
	}
	out.Proposal, out.Program = &rec.Ways[0], rec.Ways[0].Program
	return out, nil
}
