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
		if t.Kind == LookIn || t.Kind == BrushOn || t.Kind == TakeOut {
			continue
		}
		m := at(a.Timeline, t.AtMin)
		// Crispness is monotone in dried thickness, so ask it back.
		need := crust.Crispness(s.coating.Sets * unders[s.under].holds / s.coating.Half)
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

// held says where hot food waits too cold.
func (w *warner) held() {
	if w.plant() {
		return
	}
	since := 0.0
	for i, st := range w.program.Stages {
		since += st.Minutes
		if st.Hold == "" {
			continue
		}
		if c, least := at(w.a.Timeline, since).CoreC, w.hotHold(); c < least {
			w.add("cools", fmt.Sprintf("program.stages[%d].hold", i), "Waiting so, it cools to %s: hot food is held at %s or over, and no longer than %.0f hours.",
				w.units.Degrees(c), w.units.Degrees(least), hotHours)
			return
		}
	}
}

// apart says how raw poultry lies beside what is not.
func (w *warner) apart() {
	for _, o := range w.others {
		if a, b := w.class() == safety.Poultry, o.class() == safety.Poultry; a != b {
			w.add("apart", "groups", "Raw poultry lies beside other food: leave a gap between them, and take out what is done with clean tongs.")
			return
		}
	}
}

// smokesOver is the air, °C, over which dripped fat smokes.
const smokesOver = 190.0

// inBasket lays the load out and says how full it is.
func (s *setup) inBasket() *InBasket {
	l, w := s.piece.Length*1000, s.piece.Width*1000
	b := &InBasket{Pieces: s.spec.Basket.Pack(l, w, s.pieces)}
	if s.strip[1] > 0 {
		part, x := s.spec.Basket.Strip(s.strip[0], s.strip[1])
		if part.Capacity(l, w) > 0 {
			b.Pieces = part.Pack(l, w, s.pieces)
			for i := range b.Pieces {
				b.Pieces[i].X += x
			}
		}
	}
	free := int((fryer.FreeCoverage + crowdedBy) / s.coverage * float64(s.pieces))
	b.Room = max(0, free-s.pieces)
	b.Most = s.most()
	for _, kind := range append([]*setup{s}, s.others...) {
		wrapped := kind.coating.ID == food.Wrap || kind.cut.Wrapped()
		b.Seam = b.Seam || wrapped
		b.Tender = b.Tender || kind.coating.Sets > 0 && !wrapped
	}
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

// warner gathers the warnings of an answer.
type warner struct {
	*setup
	a    *Answer
	list []Warning
}

func (w *warner) add(code, field, format string, args ...any) *Warning {
	w.list = append(w.list, Warning{Code: code, Field: field, Message: fmt.Sprintf(format, args...)})
	return &w.list[len(w.list)-1]
}

// warnings judges an answer, the gravest first.
func (s *setup) warnings(a *Answer) []Warning {
	w := warner{setup: s, a: a}
	w.inside()
	w.outside()
	w.basket()
	w.smoke()
	w.coat()
	w.surface()
	w.caramel()
	w.liner()
	w.apart()
	w.held()
	w.thickness()
	return w.list
}

// lastStage is the field that a longer program changes.
func (w *warner) lastStage() string {
	return fmt.Sprintf("program.stages[%d].minutes", len(w.program.Stages)-1)
}

// inside says what is not safe, or not soft, by the program's end.
func (w *warner) inside() {
	a, safeBy := w.a, w.a.SafeAtMin
	if a.Chance != nil {
		safeBy = a.Chance.SafeByMin
	}
	ends := w.units.Degrees(math.Floor(a.End.CoreC))
	switch {
	case a.SafeAtMin == nil || *a.SafeAtMin > w.minutes():
		switch {
		case w.plant():
			w.add("under-rule", w.lastStage(), "The middle is at %s when the program ends, and soft from about %s.", ends, w.units.Degrees(w.rule.CoreC))
		case a.End.CoreC >= w.rule.CoreC:
			// Hot enough, but not for long enough.
			w.add("under-rule", w.lastStage(), "The coldest %s is at %s when the program ends, but has not yet held %s for the %s of the rule, or an equivalent. It is not safe to eat yet.",
				w.flesh(), ends, w.units.Degrees(safety.HeldC), units.Minutes(safety.HeldMin))
		default:
			w.add("under-rule", w.lastStage(), "The coldest %s is at %s when the program ends, under the %s of the rule. It is not safe to eat yet.",
				w.flesh(), ends, w.units.Degrees(math.Ceil(w.rule.CoreC)))
		}
	case safeBy == nil || *safeBy > w.minutes()+moment:
		if w.plant() {
			w.add("rule-in-doubt", w.lastStage(), "Most loads are soft inside by the end, but fewer than 95 in 100: pieces and fryers differ.")
		} else {
			w.add("rule-in-doubt", w.lastStage(), "Most loads are safe by the end, but fewer than 95 in 100: pieces, fridges and fryers differ. Give it longer, or probe the thickest one.")
		}
	}
}

// outside says what the crust is not, and what is too much of it.
func (w *warner) outside() {
	a := w.a
	if a.CrispAtMin == nil || *a.CrispAtMin > w.minutes()+moment {
		w.add("soft", w.lastStage(), "The crust ends %s, at %.0f of the %.0f asked for.", a.End.CrustWords, math.Floor(a.End.Crust), w.crust)
	}
	if to := a.Window.ToMin; to != nil && notAfter(*to) < w.minutes() {
		w.add("overdone", w.lastStage(), "From minute %.0f on it is %s.", notAfter(*to), overWords[a.Window.Bound]).AtMin = to
	}
}

// basket says what is too full.
func (w *warner) basket() {
	switch {
	case w.coverage > 1:
		w.add("layered", "load.pieces", "Pieces lie in about %.1f layers. What lies below cooks later and softer; shake or turn often, or fry two baskets.", w.coverage)
	case w.coverage > fryer.FreeCoverage+crowdedBy:
		w.add("crowded", "load.pieces", "Pieces cover %.0f %% of the basket, so air has little way between them: steam stays and sides turn out softer.", 100*w.coverage)
	}
}

// hottest returns the hottest stage and when it begins.
func (w *warner) hottest() (stage int, since float64) {
	start := 0.0
	for i, st := range w.program.Stages {
		if st.AirC > w.program.Stages[stage].AirC {
			stage, since = i, start
		}
		start += st.Minutes
	}
	return stage, since
}

func (w *warner) smoke() {
	hot, since := w.hottest()
	if w.fatty() && w.program.Stages[hot].AirC > smokesOver {
		w.add("smoke", fmt.Sprintf("program.stages[%d].airC", hot), "Fat that drips smokes in air over about %s. Put a little water under the basket, or stay under it.", w.units.Degrees(smokesOver)).AtMin = &since
	}
}

// until words the first minute at which something holds.
func (w *warner) until(holds func(Moment) bool) string {
	for _, m := range w.a.Timeline {
		if holds(m) {
			return fmt.Sprintf("until minute %.0f", math.Max(1, math.Ceil(m.Minute)))
		}
	}
	return "all along"
}

// coat says what a coat wants of oil.
func (w *warner) coat() {
	k := &w.coating
	switch {
	case k.Light && k.Oil < k.NeedsOil && w.spec.Airflow >= 0.9:
		w.add("lifts", "coat.oilG", "A light, dry coat can lift off in the moving air %s, before the heat has set it. Press it on, and mist it.",
			w.until(func(m Moment) bool { return math.Min(m.UpperC, m.LowerC) >= gels })).AtMin = new(float64)
	case k.NeedsOil > 0 && k.Oil < 0.6*k.NeedsOil:
		w.add("dry-coat", "coat.oilG", "Dry patches of this coat stay pale and floury without oil.")
	}
}

// surface says what a wet one does.
func (w *warner) surface() {
	if w.lot.surface != food.Wet {
		return
	}
	if len(w.coating.Stuck) > 0 && w.coating.Sets == 0 {
		w.add("wet-patch", "load.surface", "Dust on a wet surface turns to paste: it stays wet %s, so patches stay pale and soft. Wipe first.",
			w.until(func(m Moment) bool { return math.Min(m.Faces[0].Crust, m.Faces[1].Crust) >= 20 })).AtMin = new(float64)
	}
	if w.class() == safety.Poultry {
		w.add("rinse", "load.surface", "Rinsing raw poultry splashes germs around the sink. Public advice is not to; wipe it instead.")
	}
}

// caramel says when added sugar comes close to burning.
func (w *warner) caramel() {
	if w.sugar < 1 || w.a.Window.Bound == "bitter" {
		return
	}
	limit, _ := w.limit()
	hot, _ := w.hottest()
	for _, m := range w.a.Timeline {
		if brown := max(m.Faces[0].Brown, m.Faces[1].Brown); brown > float64(limit)-0.7 && m.Minute < w.minutes() {
			at := m.Minute
			w.add("sugar", fmt.Sprintf("program.stages[%d].airC", hot), "The sugar in it is close to burning from minute %.0f: a cooler last stage, or basting in the last minutes only, keeps it sweet.", at).AtMin = &at
			return
		}
	}
}

// thickness says when a thinner piece would be through sooner: it does not
// last longer, but crisps before it dries where its inside takes the time.
func (w *warner) thickness() {
	a := w.a
	dry := a.Window.ToMin
	if a.CrispAtMin == nil || a.Window.Bound != "dry" || dry == nil || *dry >= *a.CrispAtMin || a.SafeAtMin == nil || *a.SafeAtMin <= 0.6**dry {
		return
	}
	w.add("too-thick", "load.thicknessMm", "It is %s thick: by the time the crust is there, at minute %.0f, the inside is dry, from minute %.0f on. Butterflied or cut flatter, it is through sooner.",
		w.units.Millimetres(w.thick), *a.CrispAtMin, *dry)
}
