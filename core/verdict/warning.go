package verdict

import (
	"fmt"
	"math"

	"velocrustum/core/crust"
	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/run"
	"velocrustum/core/safety"
)

// A Code names what may go wrong.
type Code string

// What may go wrong.
const (
	UnderRule   Code = "under-rule"    // not safe, or not soft, by the end
	RuleInDoubt Code = "rule-in-doubt" // not in 95 loads of 100
	Soft        Code = "soft"
	Overdone    Code = "overdone"
	Crowded     Code = "crowded"
	Layered     Code = "layered"
	Smoke       Code = "smoke"
	Lifts       Code = "lifts" // a dry coat, off the food
	DryCoat     Code = "dry-coat"
	WetPatch    Code = "wet-patch"
	WetSurface  Code = "wet-surface"
	Sugar       Code = "sugar"
	LinerUnder  Code = "liner"
	Apart       Code = "apart" // raw poultry beside other food
	Cools       Code = "cools"
	TooThick    Code = "too-thick"
	Tears       Code = "tears"
	ThawFirst   Code = "thaw-first" // what should not be cooked from frozen
	Ice         Code = "ice"        // a reading beside it misleads
	Reheat      Code = "reheat"
	Clumped     Code = "clumped"
	Melts       Code = "melts"  // before its coat has set
	Splits      Code = "splits" // a skin, by heat at once
)

// Warning says what may go wrong, why, and which field would mend it.
type Warning struct {
	Code    Code     `json:"code"`
	Message string   `json:"message"`
	Field   string   `json:"field,omitempty"`
	AtMin   *float64 `json:"atMin,omitempty"`
	// Lot is which lot it is of, and LotName its name; "" where there is one.
	Lot     int    `json:"lot,omitempty"`
	LotName string `json:"lotName,omitempty"`
	// Chamber is the drawer that it is of; "" where there is one.
	Chamber string `json:"chamber,omitempty"`
	// Change is what would mend it, where something would; core/advise finds it.
	Change *Change `json:"change,omitempty"`

	// Turn is which turn tears, and HoldsFromMin from when it would not.
	Turn         int      `json:"-"`
	HoldsFromMin *float64 `json:"-"`
}

// OfOne says whether it is mended at the lot that it is of, not at the load.
func (w Warning) OfOne() bool {
	switch w.Code {
	case Lifts, DryCoat, WetPatch, WetSurface, TooThick:
		return true
	}
	return false
}

// saysAs says whether two warnings say the same.
func (w Warning) saysAs(o Warning) bool { return w.Code == o.Code && w.Message == o.Message }

// A Change is what a warning proposes: what to press, what it changes, and
// what comes of it. It has been simulated, and ends better.
type Change struct {
	Label string `json:"label"`
	// Gives is what the load ends at with it; empty where that is not the
	// point of it.
	Gives string `json:"gives,omitempty"`
	// Lot is whose surface, thickness or oil it is.
	Lot int `json:"lot,omitempty"`
	// One of these is set.
	Program     *load.Program `json:"program,omitempty"`
	Surface     string        `json:"surface,omitempty"`
	ThicknessMm *float64      `json:"thicknessMm,omitempty"`
	OilG        *float64      `json:"oilG,omitempty"` // on the whole load, of a dish on all of it
	PerBasket   int           `json:"perBasket,omitempty"`
}

// warnings judges an answer, the gravest first.
func (j *judging) warnings() (all []Warning) {
	for _, found := range []*Warning{
		j.underRule(), j.soft(), j.overdone(), j.tooFull(), j.smokes(), j.wantsOil(), j.wetPatch(), j.wetSurface(), j.burningSugar(),
		j.onLiner(), j.apart(), j.cools(), j.tooThick(), j.thawFirst(), j.ice(), j.clumped(), j.reheat(), j.melts(), j.splits(),
	} {
		if found != nil {
			all = append(all, *found)
		}
	}
	return all
}

// What is not to be cooked from frozen: over so many mm, whole and minced.
const frozenThickMm, frozenMincedMm = 60.0, 25.0

func (j *judging) thawFirst() *Warning {
	if !j.lot.Frozen() || j.lot.Was.Inside || j.lot.Plant() {
		return nil
	}
	most, what := frozenThickMm, ""
	switch j.lot.Class() {
	case safety.Stuffed:
		most, what = 0, "what is stuffed"
	case safety.Minced, safety.MincedPoultry:
		most, what = frozenMincedMm, "mince so thick"
	default:
		what = "a piece so thick"
	}
	if j.lot.ThicknessMm <= most {
		return nil
	}
	return &Warning{Code: ThawFirst, Field: "load.startC", Message: thawFirstSays(what, math.Ceil(j.lot.Piece.ThawHours(j.load.Machine.Fridge())))}
}

func (j *judging) ice() *Warning {
	if !j.lot.Frozen() || j.lot.Was.Inside || j.lot.Plant() {
		return nil
	}
	return &Warning{Code: Ice, Field: "load.startC", AtMin: new(0.0), Message: iceSays}
}

// clumped says when what is frozen together is to be parted: it lies as it is until
// the first turn.
func (j *judging) clumped() *Warning {
	if j.lot.Clump < 2 {
		return nil
	}
	for _, t := range j.load.Program.Turns {
		if t.For(j.lot.Number) && (t.Kind == load.Flip || t.Kind == load.Shake) {
			return &Warning{Code: Clumped, Field: "load.clump", AtMin: &t.AtMin, Message: partSays(j.lot.Clump, t.AtMin)}
		}
	}
	return &Warning{Code: Clumped, Field: "program.turns", Message: clumpedSays(j.lot.Clump)}
}

// gentleC is a heat that no skin splits in, and splitsC one that may split it, °C.
const gentleC, splitsC = 160.0, 185.0

func (j *judging) melts() *Warning {
	if !j.lot.Cut.Molten || j.lot.Frozen() {
		return nil
	}
	return &Warning{Code: Melts, Field: "load.startC", Message: meltsSays}
}

func (j *judging) splits() *Warning {
	if j.lot.Cut.OutC == 0 || j.lot.RunsOut() != load.Burst || j.load.Program.Stages[0].AirC < splitsC {
		return nil
	}
	return &Warning{Code: Splits, Field: stageAirC(0), Message: j.splitsSays()}
}

func (j *judging) reheat() *Warning {
	if j.lot.State != food.Cooked {
		return nil
	}
	return &Warning{Code: Reheat, Field: "load.state", Message: reheatSays}
}

// Fields that would mend what is warned of.
func (j *judging) lastStageMinutes() string {
	return fmt.Sprintf("program.stages[%d].minutes", len(j.load.Program.Stages)-1)
}

func stageAirC(stage int) string { return fmt.Sprintf("program.stages[%d].airC", stage) }

// underRule says what is not safe, or not soft, by the program's end.
func (j *judging) underRule() *Warning {
	a, end := j.answer, j.load.Minutes()
	safeBy := a.SafeAtMin
	if a.Chance != nil {
		safeBy = a.Chance.SafeByMin
	}
	switch {
	case a.SafeAtMin == nil || *a.SafeAtMin > end:
		return &Warning{Code: UnderRule, Field: j.lastStageMinutes(), Message: j.underRuleSays(a.End.CoreC)}
	case safeBy == nil || Past(*safeBy, end):
		return &Warning{Code: RuleInDoubt, Field: j.lastStageMinutes(), Message: j.inDoubtSays()}
	}
	return nil
}

func (j *judging) soft() *Warning {
	if at := j.answer.CrispAtMin; at != nil && !Past(*at, j.load.Minutes()) {
		return nil
	}
	return &Warning{Code: Soft, Field: j.lastStageMinutes(), Message: j.softSays(j.answer.End.Crust)}
}

func (j *judging) overdone() *Warning {
	to := j.answer.Window.ToMin
	if to == nil || NotAfter(*to) >= j.load.Minutes() {
		return nil
	}
	return &Warning{Code: Overdone, Field: j.lastStageMinutes(), AtMin: to, Message: overdoneSays(NotAfter(*to), j.answer.Window.Bound)}
}

func (j *judging) tooFull() *Warning {
	switch load.CrowdingAt(j.lot.Coverage) {
	case load.Layered:
		return &Warning{Code: Layered, Field: "load.pieces", Message: layeredSays(j.lot.Coverage)}
	case load.Crowded:
		return &Warning{Code: Crowded, Field: "load.pieces", Message: crowdedSays(j.lot.Coverage)}
	}
	return nil
}

// hottest returns the hottest stage and when it begins.
func (j *judging) hottest() (stage int, since float64) {
	start := 0.0
	for i, st := range j.load.Program.Stages {
		if st.AirC > j.load.Program.Stages[stage].AirC {
			stage, since = i, start
		}
		start += st.Minutes
	}
	return stage, since
}

func (j *judging) smokes() *Warning {
	hot, since := j.hottest()
	if !j.lot.Fatty() || j.load.Program.Stages[hot].AirC <= load.SmokesOverC {
		return nil
	}
	return &Warning{Code: Smoke, Field: stageAirC(hot), AtMin: &since, Message: j.smokesSays(load.SmokesOverC)}
}

// firstWhen is the first minute of the run at which something holds, nil for
// never.
func (j *judging) firstWhen(holds func(run.Moment) bool) *float64 {
	for _, m := range j.answer.Timeline {
		if holds(m) {
			return &m.Minute
		}
	}
	return nil
}

// gelsC is the surface temperature, °C, at which damp starch has swollen and
// sticks (wheat and potato 60 to 68; BeMiller and Whistler, Starch, 3rd ed.).
const gelsC = 68

// wantsOil says what a coat without enough of it does.
func (j *judging) wantsOil() *Warning {
	k := &j.lot.Coating
	has := k.Oil + k.OwnFat()
	switch {
	case k.Light && has < k.NeedsOil && j.load.Spec.Airflow >= 0.9:
		set := j.firstWhen(func(m run.Moment) bool { return math.Min(m.UpperC, m.LowerC) >= gelsC })
		return &Warning{Code: Lifts, Field: "coat.oilG", AtMin: new(0.0), Message: liftsSays(set)}
	case k.NeedsOil > 0 && has < 0.6*k.NeedsOil:
		return &Warning{Code: DryCoat, Field: "coat.oilG", Message: dryCoatSays}
	}
	return nil
}

func (j *judging) wetPatch() *Warning {
	if j.lot.Surface != food.Wet || len(j.lot.Coating.Stuck) == 0 || j.lot.Coating.Sets != 0 {
		return nil
	}
	dry := j.firstWhen(func(m run.Moment) bool { return m.Softer() >= 20 })
	return &Warning{Code: WetPatch, Field: "load.surface", AtMin: new(0.0), Message: wetPatchSays(dry)}
}

// wetSurface says what water on it costs where nothing is to stick to it.
func (j *judging) wetSurface() *Warning {
	if j.lot.Surface != food.Wet || len(j.lot.Coating.Stuck) > 0 {
		return nil
	}
	return &Warning{Code: WetSurface, Field: "load.surface", Message: wetSurfaceSays}
}

// burningSugar says when added sugar comes close to burning.
func (j *judging) burningSugar() *Warning {
	if j.lot.SugarPct < 1 || j.answer.Window.Bound == load.Bitter {
		return nil
	}
	limit, _ := j.lot.TooBrown()
	hot, _ := j.hottest()
	at := j.firstWhen(func(m run.Moment) bool { return m.Browner() > float64(limit)-0.7 && m.Minute < j.load.Minutes() })
	if at == nil {
		return nil
	}
	return &Warning{Code: Sugar, Field: stageAirC(hot), AtMin: at, Message: sugarSays(*at)}
}

// onLiner says what lies under the food costs, and how it is used.
func (j *judging) onLiner() *Warning {
	switch u := j.lot.Liner(); {
	case u.Paper:
		return &Warning{Code: LinerUnder, Field: "load.under", Message: paperSays(1 - u.Steam)}
	case j.lot.Under == load.Foil:
		return &Warning{Code: LinerUnder, Field: "load.under", Message: foilSays}
	}
	return nil
}

// apart says how raw poultry lies beside what is not.
func (j *judging) apart() *Warning {
	for _, o := range j.load.Lots {
		if (j.lot.Class() == safety.Poultry) != (o.Class() == safety.Poultry) {
			return &Warning{Code: Apart, Field: "lots", Message: apartSays}
		}
	}
	return nil
}

// cools says where hot food waits too cold.
func (j *judging) cools() *Warning {
	if j.lot.Plant() {
		return nil
	}
	since := 0.0
	for i, st := range j.load.Program.Stages {
		since += st.Minutes
		if st.Hold == "" {
			continue
		}
		if c := run.Nearest(j.answer.Timeline, since).CoreC; c < j.lot.HotHoldC() {
			return &Warning{Code: Cools, Field: fmt.Sprintf("program.stages[%d].hold", i), Message: j.coolsSays(c)}
		}
	}
	return nil
}

// tooThick says when a thinner piece would be through sooner: it does not
// last longer, but crisps before it dries where its inside takes the time.
func (j *judging) tooThick() *Warning {
	a := j.answer
	dry := a.Window.ToMin
	if a.CrispAtMin == nil || a.Window.Bound != load.Dry || dry == nil || *dry >= *a.CrispAtMin || a.SafeAtMin == nil || *a.SafeAtMin <= 0.6**dry {
		return nil
	}
	return &Warning{Code: TooThick, Field: "load.thicknessMm", Message: j.tooThickSays(*a.CrispAtMin, *dry)}
}

// torn are the turns that tear a coat which has not set.
func (j *judging) torn() (all []Warning) {
	coating := &j.lot.Coating
	if coating.Sets == 0 {
		return nil
	}
	// Crispness is monotone in dried thickness, so ask it back.
	need := crust.Crispness(coating.Sets * j.lot.Liner().Holds / coating.Half)
	for i, t := range j.load.Program.Turns {
		moves := t.Kind == load.Flip || t.Kind == load.Shake
		if !moves || !t.For(j.lot.Number) || t.AtMin < j.lot.In || t.AtMin >= j.lot.Out {
			continue
		}
		has := run.Nearest(j.answer.Timeline, t.AtMin).Crisper()
		if has >= need {
			continue
		}
		w := Warning{Code: Tears, Field: fmt.Sprintf("program.turns[%d].atMin", i), AtMin: new(t.AtMin), Turn: i, Message: tearsSays(t.AtMin, has, need)}
		if m := j.firstWhen(func(m run.Moment) bool {
			return m.Crisper() >= need && m.Minute > t.AtMin && m.Minute < j.load.Minutes()
		}); m != nil {
			w.HoldsFromMin = new(math.Ceil(*m))
		}
		all = append(all, w)
	}
	return all
}
