package program

import (
	"context"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
)

// A Change is what a warning proposes: what to press, what it changes, and
// what comes of it. It has been simulated, and ends better.
type Change struct {
	Label string `json:"label"`
	// Gives is what the load ends at with it; empty where that is not the
	// point of it.
	Gives string `json:"gives,omitempty"`
	// One of these is set.
	Program     *Program `json:"program,omitempty"`
	Surface     string   `json:"surface,omitempty"`
	ThicknessMm *float64 `json:"thicknessMm,omitempty"`
	OilG        *float64 `json:"oilG,omitempty"` // on the whole load, of a dish on all of it
	PerBasket   int      `json:"perBasket,omitempty"`
}

// timely are the warnings that time and heat can mend.
var timely = []string{"under-rule", "rule-in-doubt", "soft", "overdone", "sugar", "smoke"}

// mend gives the warnings of an answer their changes. One program is sought
// for all that time and heat can mend, so that no two buttons pull apart. A
// change is on the fryer's own dial, clears what it is offered for, and leaves
// no load worse off that was ready; where there is none, the warning says so.
// It ends after so many changes.
func (s *setup) mend(ctx context.Context, a *Answer, most int) error {
	found := 0
	var better *setup
	var after Answer
	if slices.ContainsFunc(a.Warnings, func(w Warning) bool { return slices.Contains(timely, w.Code) }) {
		var err error
		if better, after, err = s.bettered(ctx); err != nil {
			return err
		}
	}
	for i := range a.Warnings {
		w := &a.Warnings[i]
		if found == most {
			return nil
		}
		if slices.Contains(timely, w.Code) {
			if better != nil && clears(w.Code, a, &after) {
				found++
				w.Change = &Change{Label: s.heatLabel(better), Gives: gives(&after), Program: &better.program}
			} else if why := s.noHelp(w.Code); why != "" {
				w.Message += " " + why
			}
			continue
		}
		with, change := s.other(w)
		if change == nil {
			continue
		}
		b, err := with.judged(ctx)
		if err == nil && change.Program != nil && b.Verdict.Standing == TooShort {
			// A later turn may want a later end.
			with = with.with(with.program.Lasting(notBefore(*b.Verdict.from)))
			change.Program = &with.program
			change.Label += fmt.Sprintf(" and let it run %.0f min", with.minutes())
			b, err = with.judged(ctx)
		}
		if err != nil {
			return err
		}
		if clears(w.Code, a, &b) {
			found++
			w.Change = change
		}
	}
	return nil
}

// clears says whether the answer after a change is without a warning, and
// ready if the one before was.
func clears(code string, before, after *Answer) bool {
	for _, w := range after.Warnings {
		if w.Code == code || code == "rule-in-doubt" && w.Code == "under-rule" || code == "layered" && w.Code == "crowded" {
			return false
		}
	}
	return after.Verdict.Ready || !before.Verdict.Ready
}

// judged answers for a program with its window and warnings, without changes.
func (s *setup) judged(ctx context.Context) (Answer, error) {
	if s.alone {
		return s.judgedBy(nil)
	}
	c, err := chance(ctx, s)
	if err != nil {
		return Answer{}, err
	}
	return s.judgedBy(c)
}

// judgedBy runs and judges a load whose chances are known, nil for none.
func (s *setup) judgedBy(c []*Chance) (Answer, error) {
	all, err := s.answers(standard)
	if err != nil {
		return Answer{}, err
	}
	kinds := append([]*setup{s}, s.others...)
	for k, kind := range kinds {
		a := &all[k]
		if c != nil {
			a.Chance = c[k]
		}
		a.Warnings = append(a.Warnings, kind.warnings(a)...)
		a.Verdict = kind.verdict(a)
	}
	out := all[0]
	if len(kinds) > 1 {
		out.Groups = make([]GroupAnswer, len(kinds))
		for k, kind := range kinds {
			out.Groups[k] = kind.groupAnswer(all[k])
		}
		out.Verdict = s.together(out.Groups)
	}
	return out, nil
}

// bettered looks for the program nearest to this one that is best by the
// balanced weights: its last stage longer or shorter, then also hotter or
// cooler on the dial. Returns what it comes to; nil if it is this one.
func (s *setup) bettered(ctx context.Context) (*setup, Answer, error) {
	g := goal{weights: wantWeights[Balanced], late: lateSafe, core: math.NaN()}
	d := s.dial
	top := d.MaxC
	if s.fatty() {
		top = min(top, onDial(d, smokesOver))
	}
	last := len(s.program.Stages) - 1
	base := s.program
	base.Stages = slices.Clone(base.Stages)
	for i := range base.Stages {
		base.Stages[i].AirC = min(base.Stages[i].AirC, top)
	}
	here := base.Stages[last].AirC
	limit, _ := s.limit()
	var best *setup
	var got trial
	cost := math.Inf(1)
	// All differ in the last stage alone: what comes before it is run once.
	till, err := newRun(s.with(base), nominal, searching)
	if err != nil {
		return nil, Answer{}, err
	}
	till.advance(base.Minutes()-base.Stages[last].Minutes-0.5, nil)
	consider := func(p Program) error {
		t, err := till.clone().under(s.with(p)).best(ctx, g)
		if err != nil {
			return err
		}
		// What is nearer to the cook's own wins where little is gained.
		if c := t.score + 0.08*math.Abs(p.Stages[last].AirC-here); c < cost-0.3 {
			best, got, cost = s.with(p.Lasting(t.end)), t, c
		}
		return nil
	}
	if err := consider(base); err != nil {
		return nil, Answer{}, err
	}
	if best == nil || got.crust < s.crust || got.brown[1] > float64(min(g.brown, limit)) || got.juice < s.cut.Juice {
		step := math.Max(5, d.StepC)
		for k := 1.0; k <= 6; k++ {
			for _, air := range [...]float64{onDial(d, here-k*step), onDial(d, here+k*step)} {
				if air == here || air > top {
					continue
				}
				p := base
				p.Stages = slices.Clone(base.Stages)
				p.Stages[last].AirC = air
				if err := consider(p); err != nil {
					return nil, Answer{}, err
				}
			}
		}
	}
	if best == nil {
		return nil, Answer{}, nil
	}
	// Its length is settled by 95 loads in 100.
	var a Answer
	for range 3 {
		var err error
		if a, err = best.judged(ctx); err != nil {
			return nil, a, err
		}
		v := a.Verdict
		from := v.from
		if from == nil {
			from = v.safe // never crisp, but it can be safe
		}
		to := best.minutes()
		switch {
		case from != nil && *from > best.minutes()+moment:
			to = notBefore(*from)
		case v.ToMin != nil && *v.ToMin < best.minutes() && warns(&a, "overdone"):
			to = *v.ToMin
		}
		if to == best.minutes() || to > MaxMinutes {
			break
		}
		best = best.with(best.program.Lasting(to))
	}
	if sameProgram(best.program, s.program) {
		return nil, a, nil
	}
	return best, a, nil
}

func warns(a *Answer, code string) bool {
	return slices.ContainsFunc(a.Warnings, func(w Warning) bool { return w.Code == code })
}

// onDial is the nearest temperature that the dial has.
func onDial(d Dial, c float64) float64 {
	return min(d.MaxC, max(d.MinC, d.MinC+math.Round((c-d.MinC)/d.StepC)*d.StepC))
}

func sameProgram(a, b Program) bool {
	return slices.Equal(a.Stages, b.Stages) && slices.Equal(a.Turns, b.Turns)
}

// heatLabel says what is pressed to get another program.
func (s *setup) heatLabel(to *setup) string {
	last := len(s.program.Stages) - 1
	a, b := s.program.Stages[last], to.program.Stages[last]
	run := fmt.Sprintf("et it run %.0f min", to.minutes())
	if a.AirC == b.AirC {
		return "L" + run
	}
	if to.minutes() == s.minutes() {
		return "Set " + s.units.Degrees(b.AirC)
	}
	return fmt.Sprintf("Set %s and l%s", s.units.Degrees(b.AirC), run)
}

// gives words what a load ends at.
func gives(a *Answer) string {
	return fmt.Sprintf("crust %.0f, juice %.0f %%", math.Floor(a.End.Crust), math.Floor(a.End.JuiceKeptPct))
}

// noHelp says why a warning has no button.
func (s *setup) noHelp(code string) string {
	switch code {
	case "under-rule", "rule-in-doubt":
		return "No time or heat of this program gets there: fewer or thinner pieces would."
	case "soft":
		return "Neither more time nor this dial gets it crisp before it is overdone: another coat, more oil or fewer pieces would."
	case "overdone":
		return "Neither less time nor another heat clears it: another coat, or a crust less hard, would."
	case "sugar":
		return "Brush the sweet part on in the last minutes instead."
	}
	return ""
}

// other is the change of a warning that is not of time and heat, and the load
// with it; nil if there is nothing to try.
func (s *setup) other(w *Warning) (*setup, *Change) {
	out := *s
	switch w.Code {
	case "tears":
		if w.later == nil {
			return nil, nil
		}
		p := s.program
		p.Turns = slices.Clone(p.Turns)
		p.Turns[w.turn].AtMin = *w.later
		slices.SortStableFunc(p.Turns, func(a, b Turn) int { return int(math.Copysign(1, a.AtMin-b.AtMin)) })
		out.program = p
		return &out, &Change{Label: fmt.Sprintf("Turn at minute %.0f", *w.later), Program: &p}
	case "crowded", "layered":
		n := s.comfortable()
		if n >= s.all {
			return nil, nil
		}
		out.share(n)
		return &out, &Change{Label: fmt.Sprintf("%d in this basket, the rest in the next", n), PerBasket: n}
	case "lifts", "dry-coat":
		whole := s.surface100(s.all)
		g := math.Ceil(s.coating.NeedsOil * whole)
		out.oil(g / whole)
		return &out, &Change{Label: "Oil it with " + s.units.Grams(g), OilG: &g}
	case "wet-patch", "rinse":
		out.surface, out.water = food.Wiped, food.Wiped.Water()+out.coating.LooseWater/10
		return &out, &Change{Label: "Wipe them dry", Surface: string(food.Wiped)}
	case "too-thick":
		least, _ := s.cut.Thicknesses(s.massG)
		mm := math.Max(least, math.Round(s.thick*0.7))
		out.lie(s.cut.Piece(s.massG, mm))
		out.measured = true
		if mm >= s.thick || out.coverage > math.Max(s.coverage, fryer.FreeCoverage+crowdedBy) {
			return nil, nil
		}
		return &out, &Change{Label: fmt.Sprintf("Make them %s thick", s.units.Millimetres(mm)), ThicknessMm: &mm}
	}
	return nil, nil
}
