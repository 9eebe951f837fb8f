package program

import (
	"fmt"
	"math"

	"velocrustum/core/crust"
	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// Warning says what may go wrong, why, and which field would mend it.
type Warning struct {
	Code    string   `json:"code"`
	Message string   `json:"message"`
	Field   string   `json:"field,omitempty"`
	AtMin   *float64 `json:"atMin,omitempty"`
	// Change is what would mend it, where something would.
	Change *Change `json:"change,omitempty"`
	// Of a turn that tears: which, and the minute from which it would not.
	turn  int
	later *float64
}

// breakages watches the nominal run for what a turn can break.
func (s *setup) breakages(r *run, a *Answer) {
	if s.coating.Sets == 0 {
		return
	}
	for i, t := range s.program.Turns {
		if t.Kind == LookIn {
			continue
		}
		m := at(a.Timeline, t.AtMin)
		// Crispness is monotone in dried thickness, so ask it back.
		need := crust.Crispness(s.coating.Sets / s.coating.Half)
		c := max(m.Faces[0].Crust, m.Faces[1].Crust)
		if c >= need {
			continue
		}
		when := t.AtMin
		w := Warning{Code: "tears", Field: fmt.Sprintf("program.turns[%d].atMin", i), AtMin: &when, turn: i,
			Message: fmt.Sprintf("At minute %.0f the coat has not set: %.0f of the %.0f on the crust scale it needs to hold. Turned now, it tears.", t.AtMin, math.Floor(c), math.Ceil(need))}
		for _, m := range a.Timeline {
			if max(m.Faces[0].Crust, m.Faces[1].Crust) >= need && m.Minute > t.AtMin && m.Minute < s.minutes() {
				later := math.Ceil(m.Minute)
				w.later = &later
				break
			}
		}
		a.Warnings = append(a.Warnings, w)
	}
}

// smokesOver is the air, °C, over which dripped fat smokes.
const smokesOver = 190.0

// inBasket lays the load out and says how full it is.
func (s *setup) inBasket() *InBasket {
	l, w := s.piece.Length*1000, s.piece.Width*1000
	b := &InBasket{Pieces: s.spec.Basket.Pack(l, w, s.pieces)}
	free := int((fryer.FreeCoverage + crowdedBy) / s.coverage * float64(s.pieces))
	b.Room = max(0, free-s.pieces)
	b.Most = s.most()
	b.Seam = s.coating.ID == food.Wrap || s.cut.Wrapped()
	switch c := s.coverage; {
	case c <= fryer.FreeCoverage:
		b.Words = "plenty of air between"
	case c <= fryer.FreeCoverage+crowdedBy:
		b.Words = "close, but air still moves"
	case c <= 1:
		b.Words = "crowded: sides stay softer"
	default:
		b.Words = "more than one layer"
	}
	return b
}

// crowdedBy is how far over free coverage a basket counts as crowded.
const crowdedBy = 0.17

// gels is the surface temperature, °C, at which damp starch has swollen and
// sticks (wheat and potato 60 to 68; BeMiller and Whistler, Starch, 3rd ed.).
const gels = 68

// at returns the moment nearest to a minute.
func at(timeline []Moment, minute float64) Moment {
	best := timeline[0]
	for _, m := range timeline {
		if math.Abs(m.Minute-minute) < math.Abs(best.Minute-minute) {
			best = m
		}
	}
	return best
}

// warnings judges an answer.
func (s *setup) warnings(a *Answer) (list []Warning) {
	add := func(code, field, format string, args ...any) *Warning {
		list = append(list, Warning{Code: code, Field: field, Message: fmt.Sprintf(format, args...)})
		return &list[len(list)-1]
	}
	safeBy := a.SafeAtMin
	if a.Chance != nil {
		safeBy = a.Chance.SafeByMin
	}
	last := len(s.program.Stages) - 1
	lengthen := fmt.Sprintf("program.stages[%d].minutes", last)
	switch {
	case a.SafeAtMin == nil || *a.SafeAtMin > s.minutes():
		switch at := a.End.CoreC; {
		case s.plant():
			add("under-rule", lengthen, "The middle is at %s when the program ends, and soft from about %s.", s.units.Degrees(math.Floor(at)), s.units.Degrees(s.rule.CoreC))
		case at >= s.rule.CoreC:
			// Hot enough, but not for long enough.
			add("under-rule", lengthen, "The coldest %s is at %s when the program ends, but has not yet held %s for the %s of the rule, or an equivalent. It is not safe to eat yet.",
				s.flesh(), s.units.Degrees(math.Floor(at)), s.units.Degrees(s.rule.CoreC), units.Minutes(s.rule.HoldMin))
		default:
			add("under-rule", lengthen, "The coldest %s is at %s when the program ends, under the %s of the rule. It is not safe to eat yet.",
				s.flesh(), s.units.Degrees(math.Floor(at)), s.units.Degrees(math.Ceil(s.rule.CoreC)))
		}
	case safeBy == nil || *safeBy > s.minutes()+moment:
		if s.plant() {
			add("rule-in-doubt", lengthen, "Most loads are soft inside by the end, but fewer than 95 in 100: pieces and fryers differ.")
		} else {
			add("rule-in-doubt", lengthen, "Most loads are safe by the end, but fewer than 95 in 100: pieces, fridges and fryers differ. Give it longer, or probe the thickest one.")
		}
	}
	if a.CrispAtMin == nil || *a.CrispAtMin > s.minutes()+moment {
		add("soft", lengthen, "The crust ends %s, at %.0f of the %.0f asked for.", a.End.CrustWords, math.Floor(a.End.Crust), s.crust)
	}
	if to := a.Window.ToMin; to != nil && notAfter(*to) < s.minutes() {
		add("overdone", lengthen, "From minute %.0f on it is %s.", notAfter(*to), overWords[a.Window.Bound]).AtMin = to
	}
	if s.coverage > fryer.FreeCoverage+crowdedBy {
		w := add("crowded", "load.pieces", "Pieces cover %.0f %% of the basket, so air has little way between them: steam stays and sides turn out softer.", 100*s.coverage)
		if s.coverage > 1 {
			w.Code = "layered"
			w.Message = fmt.Sprintf("Pieces lie in about %.1f layers. What lies below cooks later and softer; shake or turn often, or fry two baskets.", s.coverage)
		}
	}
	hottest, hot, since, start := 0.0, 0, 0.0, 0.0
	for i, st := range s.program.Stages {
		if st.AirC > hottest {
			hottest, hot, since = st.AirC, i, start
		}
		start += st.Minutes
	}
	if s.fatty() && hottest > smokesOver {
		add("smoke", fmt.Sprintf("program.stages[%d].airC", hot), "Fat that drips smokes in air over about %s. Put a little water under the basket, or stay under it.", s.units.Degrees(smokesOver)).AtMin = &since
	}
	// when returns the first minute at which something holds, in words.
	when := func(holds func(Moment) bool) string {
		for _, m := range a.Timeline {
			if holds(m) {
				return fmt.Sprintf("until minute %.0f", math.Max(1, math.Ceil(m.Minute)))
			}
		}
		return "all along"
	}
	soon := 0.0
	if s.coating.Light && s.coating.Oil < s.coating.NeedsOil && s.spec.Airflow >= 0.9 {
		w := add("lifts", "coat.oilG", "A light, dry coat can lift off in the moving air %s, before the heat has set it. Press it on, and mist it.",
			when(func(m Moment) bool { return math.Min(m.UpperC, m.LowerC) >= gels }))
		w.AtMin = &soon
	} else if s.coating.NeedsOil > 0 && s.coating.Oil < 0.6*s.coating.NeedsOil {
		add("dry-coat", "coat.oilG", "Dry patches of this coat stay pale and floury without oil.")
	}
	if s.surface == food.Wet && len(s.coating.Stuck) > 0 && s.coating.Sets == 0 {
		w := add("wet-patch", "load.surface", "Dust on a wet surface turns to paste: it stays wet %s, so patches stay pale and soft. Wipe first.",
			when(func(m Moment) bool { return math.Min(m.Faces[0].Crust, m.Faces[1].Crust) >= 20 }))
		w.AtMin = &soon
	}
	if s.class() == safety.Poultry && s.surface == food.Wet {
		add("rinse", "load.surface", "Rinsing raw poultry splashes germs around the sink. Public advice is not to; wipe it instead.")
	}
	if limit, _ := s.limit(); s.sugar >= 1 && a.Window.Bound != "bitter" {
		for _, m := range a.Timeline {
			if brown := max(m.Faces[0].Brown, m.Faces[1].Brown); brown > float64(limit)-0.7 && m.Minute < s.minutes() {
				w := add("sugar", fmt.Sprintf("program.stages[%d].airC", hot), "The sugar in it is close to burning from minute %.0f: a cooler last stage, or basting in the last minutes only, keeps it sweet.", m.Minute)
				at := m.Minute
				w.AtMin = &at
				break
			}
		}
	}
	if a.CrispAtMin != nil && a.Window.Bound == "dry" && a.Window.ToMin != nil && *a.Window.ToMin < *a.CrispAtMin {
		// A thinner piece does not last longer, but crisps before it dries
		// where its inside is what takes the time.
		if safe := a.SafeAtMin; safe != nil && *safe > 0.6**a.Window.ToMin {
			add("too-thick", "load.thicknessMm", "It is %s thick: by the time the crust is there, at minute %.0f, the inside is dry, from minute %.0f on. Butterflied or cut flatter, it is through sooner.",
				s.units.Millimetres(s.thick), *a.CrispAtMin, *a.Window.ToMin)
		}
	}
	return list
}
