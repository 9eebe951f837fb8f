package program

import (
	"context"
	"fmt"
	"math"

	"velocrustum/core/thermal"
)

// A Recipe is how the food was to be cooked before: in oil, in an oven, or by
// a preset printed on a fryer.
type Recipe struct {
	Kind    string  `json:"kind"` // oil, oven, preset
	TempC   float64 `json:"tempC"`
	Minutes float64 `json:"minutes"`
}

// Kinds of recipe.
const (
	FromOil    = "oil"
	FromOven   = "oven"
	FromPreset = "preset"
)

// Conversion is a recipe brought to this fryer.
type Conversion struct {
	// Source is what the recipe itself does to the food.
	Source Source `json:"source"`
	// Proposal is the program with the same inside and the best crust; nil
	// for a preset that fits.
	Proposal *Proposal `json:"proposal"`
	// Says explains the difference, or judges a preset.
	Says string `json:"says"`
	// Fit of a preset: "short", "fits" or "long"; empty otherwise.
	Fit string `json:"fit,omitempty"`
}

// Source is the outcome of the recipe as written.
type Source struct {
	CoreC    float64 `json:"coreC"` // of the coldest flesh at its end
	Safe     bool    `json:"safe"`
	Crust    float64 `json:"crust"`
	JuicePct float64 `json:"juicePct"`
}

// A medium is what surrounds the food in a recipe: film coefficients of both
// faces in W/m²·K, their convective parts, and the steam in it, Pa.
type medium struct {
	h, convect [2]float64
	vapour     float64
}

// In oil the film of bubbling fat gives 300 to 600 W/m²·K (Hubbard and
// Farkas, J. Food Eng. 42, 1999); nothing evaporates but by boiling, since
// the fat keeps the air away. A still oven gives 15 to 25 with radiation, the
// face on the tray somewhat less.
var media = map[string]medium{
	FromOil:  {h: [2]float64{450, 450}, vapour: thermal.StandardPressure},
	FromOven: {h: [2]float64{21, 17}, convect: [2]float64{11, 7}, vapour: 2500},
}

// inOil fills the pores of any coat, g per 100 cm².
const inOil = 20.0

// wellDone is the coldest flesh, °C, beyond which the inside only dries.
const wellDone = 97.0

// Convert brings a recipe to this fryer: the program under which the coldest
// flesh ends as it does in the recipe, safe by the rule in any case, with the
// best crust. The request's own stages and turns do not matter. The error is
// refuse.Fields or the context's.
func Convert(ctx context.Context, q Request, from Recipe) (Conversion, error) {
	var c checker
	c.Among("recipe.kind", from.Kind, []string{FromOil, FromOven, FromPreset}...)
	if r, ok := Limits["recipe."+from.Kind+".tempC"]; ok {
		c.Within("recipe.tempC", from.TempC, r.Min, r.Max, r.Unit)
	}
	c.In(Limits, "recipe.minutes", from.Minutes)
	if len(c.Fields) > 0 {
		return Conversion{}, c.Fields
	}
	if from.Kind == FromPreset {
		q.Program.Stages = []Stage{{AirC: from.TempC, Minutes: from.Minutes}}
		if from.Minutes >= 4 {
			q.Program.Turns = []Turn{{AtMin: math.Round(from.Minutes / 2), Kind: Flip}}
		} else {
			q.Program.Turns = nil
		}
		return preset(ctx, q, from)
	}
	q.Program.Stages, q.Program.Turns = []Stage{{AirC: 190, Minutes: 20}}, nil
	s, err := resolve(q)
	if err != nil {
		return Conversion{}, err
	}
	there := s
	m := media[from.Kind]
	there.film = (m.h[0] + m.h[1]) / 2
	if from.Kind == FromOil {
		there.coating.Oil = inOil
	}
	r, err := newRun(&there, nominal, standard)
	if err != nil {
		return Conversion{}, err
	}
	src, err := r.immerse(from)
	if err != nil {
		return Conversion{}, err
	}
	out := Conversion{Source: src}
	g := goal{weights: wantWeights[Balanced], late: lateSafe, core: min(wellDone, max(src.CoreC, s.rule.CoreC+0.5)), atOne: src.CoreC < wellDone}
	best := Proposal{Score: math.Inf(1)}
	proposals := make([]Proposal, len(Ways))
	if err := parallel(len(Ways), func(i int) (err error) {
		proposals[i], err = s.propose(ctx, Ways[i], g)
		return err
	}); err != nil {
		return Conversion{}, err
	}
	for _, p := range proposals {
		if p.Score < best.Score {
			best = p
		}
	}
	out.Proposal = &best
	best.Reason = s.mechanism(&best)
	out.Says = s.compare(from, src, &best, g.core)
	return out, nil
}

// immerse carries one piece, free on all sides, through a recipe in oil or an
// oven. It comes dry from the heat, so its crust is that at the end.
func (r *run) immerse(from Recipe) (Source, error) {
	m := media[from.Kind]
	c := &r.classes[0]
	air := thermal.Air{T: from.TempC, Vapour: m.vapour, H: m.h, Convect: m.convect}
	const dt = 1.0
	for t := 0.0; t < from.Minutes*60-1e-6; t += dt {
		c.body.Step(dt, air)
		if c.edge != nil {
			c.edge.Step(dt, air)
		}
		core := c.body.Coldest()
		if math.IsNaN(c.safeAt) {
			c.safeAt = c.watch.Add((t+dt)/60, core)
		}
		c.lastC = core
	}
	return Source{CoreC: c.lastC, Safe: !math.IsNaN(c.safeAt), Crust: r.crustOf(c), JuicePct: r.juice(c)}, nil
}

// compare explains the difference between a recipe and its program.
func (s *setup) compare(from Recipe, src Source, p *Proposal, core float64) string {
	where := map[string]string{FromOil: "oil", FromOven: "the oven"}[from.Kind]
	says := fmt.Sprintf("%.0f min in %s at %s bring the coldest spot to %s. ", from.Minutes, where, s.units.Degrees(from.TempC), s.units.Degrees(src.CoreC))
	if !src.Safe {
		says = fmt.Sprintf("%.0f min in %s at %s leave the coldest spot at %s, under the %s of the rule: the program goes on to there. ", from.Minutes, where, s.units.Degrees(from.TempC), s.units.Degrees(math.Floor(src.CoreC)), s.units.Degrees(math.Ceil(s.rule.CoreC)))
	} else if src.CoreC > core+0.5 {
		says += fmt.Sprintf("Past %s it only dries, so the crust decides from there on. ", s.units.Degrees(core))
	}
	says += fmt.Sprintf("This fryer takes %.0f min", p.Minutes)
	if d := p.Minutes - from.Minutes; d >= 1 {
		why := "its air carries far less heat than fat"
		if from.Kind == FromOven {
			why = "a full basket takes longer than one piece on a tray"
		}
		says += fmt.Sprintf(", %.0f more: %s", d, why)
	} else if d <= -1 {
		says += fmt.Sprintf(", %.0f less: its air moves hard over the food", -d)
	}
	says += fmt.Sprintf(". Crust %.0f beside %.0f, juice %.0f %% beside %.0f.", p.Crust, src.Crust, p.JuicePct, src.JuicePct)
	if from.Kind == FromOil && p.Crust < src.Crust-8 {
		says += " What oil does to a crust, air does not quite."
	}
	return says
}

// preset judges a time and temperature printed on a fryer.
func preset(ctx context.Context, q Request, from Recipe) (Conversion, error) {
	q.TailMin = math.Min(60, math.Max(15, from.Minutes))
	a, err := Simulate(ctx, q, Options{})
	if err != nil {
		return Conversion{}, err
	}
	s, err := resolve(q)
	if err != nil {
		return Conversion{}, err
	}
	out := Conversion{Source: Source{CoreC: a.End.CoreC, Crust: a.End.Crust, JuicePct: a.End.JuiceKeptPct}}
	sure, from1, to := a.Chance.SafeByMin, a.Verdict.from, a.Verdict.to
	out.Source.Safe = sure != nil && *sure <= from.Minutes
	lead := fmt.Sprintf("The preset of %.0f min at %s ", from.Minutes, s.units.Degrees(from.TempC))
	switch {
	case !out.Source.Safe && sure == nil:
		out.Fit, out.Says = "short", lead+"does not get this load safe, however long it is left."
	case !out.Source.Safe:
		out.Fit, out.Says = "short", lead+fmt.Sprintf("is too short: 95 loads in 100 like this are safe by minute %.0f, and the coldest spot ends at %s.", math.Ceil(*sure), s.units.Degrees(math.Floor(a.End.CoreC)))
	case to != nil && *to < from.Minutes:
		out.Fit, out.Says = "long", lead+fmt.Sprintf("is too long: from minute %.0f it is %s. Safe is by minute %.0f.", *to, overWords[a.Window.Bound], math.Ceil(*sure))
	case from1 != nil && *from1 > from.Minutes+1:
		out.Fit, out.Says = "short", lead+fmt.Sprintf("is safe, but too short for the crust: that comes at minute %.0f.", math.Ceil(*from1))
	case from1 != nil && from.Minutes > *from1+4 && a.End.JuiceKeptPct < s.cut.Juice+8:
		out.Fit, out.Says = "long", lead+fmt.Sprintf("is longer than this load needs: it is crisp and safe from minute %.0f, and loses juice after.", math.Ceil(*from1))
	default:
		out.Fit, out.Says = "fits", lead+fmt.Sprintf("fits this load: safe by minute %.0f, crust %.0f, juice %.0f %%.", math.Ceil(*sure), a.End.Crust, a.End.JuiceKeptPct)
		return out, nil
	}
	rec, err := Recommend(ctx, q, Balanced, nil)
	if err != nil {
		return Conversion{}, err
	}
	out.Proposal = &rec.Ways[0]
	return out, nil
}

// overWords says what a bound means.
var overWords = map[string]string{"burnt": "too dark and bitter", "bitter": "bitter, since its sugar burns", "brown": "past gold, which starchy food should not be", "dry": "dry inside"}
