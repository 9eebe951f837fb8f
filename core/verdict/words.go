package verdict

import (
	"fmt"
	"math"
	"strings"

	"velocrustum/core/crust"
	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/run"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// # What is said of a verdict

// unknown is the verdict where the window was left out: the median says
// nothing of 95 loads in 100.
func unknown() Verdict {
	return Verdict{Standing: Unknown, Figure: "…", Says: "Working out how sure it is."}
}

// tooSoon says what happens before a load is ready, by what ends its window: before
// it is what inside, and what outside.
var tooSoon = map[load.Overdone]string{
	load.Dry:     "It dries out before it is %[2]s.",
	load.Bitter:  "Its sugar turns bitter before it is %s and %s.",
	load.Burnt:   "It burns before it is %s and %s.",
	load.Browned: "It goes past gold before it is %s and %s.",
	load.RanOut:  "It runs out before it is %s and %s.",
	load.Burst:   "Its skin bursts before it is %s and %s: begin gently.",
}

// OverdoneWords say what food is too much of.
var OverdoneWords = map[load.Overdone]string{
	load.Burnt: "too dark and bitter", load.Bitter: "bitter, since its sugar burns", load.Browned: "past gold, which starchy food should not be", load.Dry: "dry inside",
	load.RanOut: "running out", load.Burst: "about to burst",
}

// word says a verdict of one lot.
func (f *figures) word(v *Verdict) {
	v.SafeBy, v.CrispAt = "not in time", "not in time"
	if f.inTime(f.safe) {
		v.SafeBy = fmt.Sprintf("by %.0f min", NotBefore(*f.safe))
	}
	if v.crispInTime {
		v.CrispAt = fmt.Sprintf("%.0f min", NotBefore(*f.crisp))
	}
	inside, not := f.inside+" inside", "Not "+f.inside
	switch v.Standing {
	case NeverSafe:
		v.Figure, v.Says = not, f.unsafeSays(inside)
	case NeverCrisp:
		v.Figure = "Not " + f.outside
		v.Says = fmt.Sprintf("%s by minute %.0f, but the crust does not get there.", units.Capital(inside), NotBefore(*f.safe))
	case NoGoodTime:
		v.Figure, v.Says = "No good minute", "Some pieces are overdone before all are ready."
		if says, known := tooSoon[f.bound]; known {
			v.Says = fmt.Sprintf(says, f.inside, f.outside)
		}
	case TooShort:
		what := f.outside
		if !f.inTime(f.safe) {
			what = "surely " + inside
		}
		v.Figure = "Too short"
		v.Says = fmt.Sprintf("It ends at minute %.0f and is %s only from minute %.0f on.", f.end, what, NotBefore(*f.ready))
	default:
		v.Figure, v.Unit = span(*v.FromMin, v.ToMin), "min"
		if v.ToMin == nil {
			v.Unit = "min, and a while after"
		}
		v.Says = units.Capital(f.outside) + " and safe together."
		if f.plant {
			v.Says = units.Capital(f.outside) + ", and " + inside + "."
		}
		v.Says += carriedOnSays(f.end, v.ToMin)
	}
	v.First = f.firstSays(v.FromMin)
}

// carriedOnSays says of a window that goes on past its program that it has to be carried
// on for that; empty for one that does not.
func carriedOnSays(end float64, to *float64) string {
	if to == nil || *to <= math.Ceil(end-moment) {
		return ""
	}
	return fmt.Sprintf(" The program ends at %.0f: carried on, it stays good until %.0f.", end, *to)
}

// span words minutes from, to.
func span(from float64, to *float64) string {
	if to == nil || *to <= from {
		return fmt.Sprintf("%.0f", from)
	}
	return fmt.Sprintf("%.0f to %.0f", from, *to)
}

// unsafeSays words a program that 95 loads in 100 do not get through safe.
func (f *figures) unsafeSays(inside string) string {
	says := fmt.Sprintf("Not %s within this program", inside)
	if f.safeByEnd != nil {
		n, are := int(math.Min(9, math.Floor(10**f.safeByEnd))), "loads in ten are"
		if n == 1 {
			are = "load in ten is"
		}
		says = fmt.Sprintf("By its end about %s %s %s, not 95 in 100", units.Count(n), are, inside)
	}
	if f.safe != nil {
		return fmt.Sprintf("%s; that takes until minute %.0f.", says, NotBefore(*f.safe))
	}
	return says + "."
}

// firstSays says what to do first: probe, where there is anything to probe,
// and look.
func (f *figures) firstSays(from *float64) string {
	if f.first == nil || *f.first > f.end {
		return ""
	}
	soon := math.Max(1, math.Floor(*f.first))
	what := "Probe one at"
	switch {
	case f.plant:
		what = "Try one at"
	case f.spots != nil:
		what = fmt.Sprintf("Probe %s at", units.List(f.spots))
	}
	if from != nil && *from > soon {
		return fmt.Sprintf("%s %.0f, look at %.0f.", what, soon, *from)
	}
	return fmt.Sprintf("%s %.0f.", what, soon)
}

// eachSays says of each lot in a basket what comes of it.
func eachSays(lots []LotAnswer) string {
	says := make([]string, len(lots))
	for k := range lots {
		if v := lots[k].Verdict; v.Ready {
			says[k] = fmt.Sprintf("The %s: %s %s.", lots[k].Name, v.Figure, v.Unit)
		} else {
			says[k] = fmt.Sprintf("The %s: %s", lots[k].Name, units.Lower(v.Says))
		}
	}
	return strings.Join(says, " ")
}

// lastSays says who is last, and who may come out before.
func lastSays(lots []LotAnswer) string {
	last := 0
	var sooner []string
	for k := range lots {
		if *lots[k].Verdict.FromMin > *lots[last].Verdict.FromMin {
			last = k
		}
		if m := lots[k].MayComeOutMin; m != nil {
			sooner = append(sooner, fmt.Sprintf("the %s may come out at %.0f", lots[k].Name, *m))
		}
	}
	if len(sooner) == 0 {
		return ""
	}
	are := "are"
	if lots[last].Pieces == 1 {
		are = "is"
	}
	return fmt.Sprintf(" The %s %s last; %s.", lots[last].Name, are, units.List(sooner))
}

// wordTogether says a verdict over several lots that are each ready; apart,
// some are taken out in their own time.
func wordTogether(v *Verdict, lots []LotAnswer, apart bool, end float64) {
	switch {
	case !v.Ready:
		v.Figure = "Not at one time"
		v.Says = eachSays(lots) + " Take out what is ready first, and leave the others."
		return
	case apart:
		v.Says = "Each in its time. " + eachSays(lots)
	default:
		v.Says = "All crisp and safe." + lastSays(lots) + carriedOnSays(end, v.ToMin)
	}
	v.Figure, v.Unit = spanOf(*v.FromMin, v.ToMin)
}

// spanOf is a window as it is read from two metres, with its unit.
func spanOf(from float64, to *float64) (figure, unit string) {
	if to == nil {
		return span(from, to), "min, and a while after"
	}
	return span(from, to), "min"
}

// # Two drawers

// apartFigure is read where both drawers are ready, at no minute together.
const apartFigure = "Each in its time"

// bothSays says of each drawer what comes of it, by its own minutes where it
// goes in later.
func bothSays(each []ChamberAnswer) string {
	var says []string
	for _, c := range each {
		says = append(says, inDrawer(c, c.Verdict.Says))
	}
	return strings.Join(says, " ")
}

// bothFirst says what to do first in each drawer.
func bothFirst(each []ChamberAnswer) string {
	var says []string
	for _, c := range each {
		if c.Verdict.First != "" {
			says = append(says, inDrawer(c, c.Verdict.First))
		}
	}
	return strings.Join(says, " ")
}

func inDrawer(c ChamberAnswer, says string) string {
	if c.StartMin > 0 {
		return fmt.Sprintf("%s, in at %g: %s", units.Capital(c.Name), c.StartMin, units.Lower(says))
	}
	return fmt.Sprintf("%s: %s", units.Capital(c.Name), units.Lower(says))
}

const (
	iceSays    = "It goes in frozen and raw: flesh that has thawed beside ice reads far too warm. Probe two of the thickest, each in two places; what the label says comes first."
	reheatSays = "It was cooked before: heat it once, within four days in the fridge, and leave what stood in the room for two hours."
)

func partSays(clump int, atMin float64) string {
	return fmt.Sprintf("About %s are frozen together: part them at the turn, minute %.0f. Until then they cook as one thick piece.", units.Count(clump), atMin)
}

func clumpedSays(clump int) string {
	return fmt.Sprintf("About %s are frozen together, and no turn parts them: they cook as one thick piece. Add a shake or a turn.", units.Count(clump))
}

func thawFirstSays(what string, hours float64) string {
	return fmt.Sprintf("Do not cook %s from frozen: its outside is done long before its middle. Thaw it in the fridge first, about %.0f hours.", what, hours)
}

// shortW is how near to all of the plug both together are where they would
// have more, of the whole.
const shortW = 0.97

// plugSays is what the two drawers cost each other.
func plugSays(plug []PlugMoment, plugW float64) string {
	short := 0.0 // minutes
	for i := 1; i < len(plug); i++ {
		if w := plug[i].W; w[0]+w[1] > shortW*plugW && min(w[0], w[1]) > 0.2*plugW {
			short += plug[i].Minute - plug[i-1].Minute
		}
	}
	if short < 1 {
		return "The plug has enough for both."
	}
	return fmt.Sprintf("For %s both want more than the plug gives: each heats with %.0f W then, and slower.", units.Minutes(math.Round(short)), math.Round(plugW/20)*10)
}

// # What is said of the load

// crowdingWords say how pieces lie.
var crowdingWords = map[load.Crowding]string{
	load.Airy: "plenty of air between", load.Close: "close, but air still moves", load.Crowded: "crowded: sides stay softer", load.Layered: "more than one layer",
}

func crustWords(crispness float64, lacquer string) string {
	if lacquer != "" {
		return "a " + lacquer + " lacquer"
	}
	return crust.Words(crispness)
}

// fromCooksSays is from how many cooks a fryer is known, and what that brings.
func fromCooksSays(cooks int, narrowerMin float64) string {
	says := "From one cook on it"
	if cooks > 1 {
		says = fmt.Sprintf("From %s cooks on it", units.Count(cooks))
	}
	switch {
	case narrowerMin >= 1.5:
		return fmt.Sprintf("%s: surer by %.0f min.", says, narrowerMin)
	case narrowerMin >= 0.5:
		return says + ": surer by a minute."
	}
	return says + "."
}

// doubtSays is what to do about a figure, and what that brings.
func doubtSays(n ensemble.Narrowing, say units.Household) string {
	what := map[string]string{
		"load.thicknessMm": "Measure the thickest",
		"fryer.heatUpMin":  "Time the fryer to " + say.Degrees(200),
		"load.spreadPct":   "Choose pieces of one thickness",
	}[n.Field]
	if n.Minutes == 1 {
		return what + ", and the time is surer by a minute."
	}
	return fmt.Sprintf("%s, and the time is surer by %.0f min.", what, n.Minutes)
}

// # What warnings say

// flesh is what the coldest spot of a lot is made of.
func flesh(lot *load.Lot) string {
	switch lot.Class() {
	case safety.Plant:
		return "middle"
	case safety.Fish:
		return "fish"
	}
	return "meat"
}

func (j *judging) underRuleSays(coreC float64) string {
	u, rule := j.load.Units, j.lot.Rule
	ends := u.Degrees(math.Floor(coreC))
	switch {
	case j.lot.Plant():
		return fmt.Sprintf("The middle is at %s when the program ends, and %s from about %s.", ends, j.lot.Inside(), u.Degrees(rule.CoreC))
	case coreC >= rule.CoreC:
		// Hot enough, but not for long enough.
		return fmt.Sprintf("The coldest %s is at %s when the program ends, but has not yet held %s for the %s of the rule, or an equivalent. It is not safe to eat yet.",
			flesh(j.lot), ends, u.Degrees(safety.HeldC), units.Minutes(safety.HeldMin))
	}
	return fmt.Sprintf("The coldest %s is at %s when the program ends, under the %s of the rule. It is not safe to eat yet.",
		flesh(j.lot), ends, u.Degrees(math.Ceil(rule.CoreC)))
}

func (j *judging) inDoubtSays() string {
	if j.lot.Plant() {
		return fmt.Sprintf("Most loads are %s inside by the end, but fewer than 95 in 100: pieces and fryers differ.", j.lot.Inside())
	}
	return "Most loads are safe by the end, but fewer than 95 in 100: pieces, fridges and fryers differ. Give it longer, or probe the thickest one."
}

func (j *judging) softSays(crisp float64) string {
	if faces := j.answer.Timeline[len(j.answer.Timeline)-1].Faces; faces[0].Lacquer == run.LacquerWet || faces[1].Lacquer == run.LacquerWet {
		return "What was brushed on is still wet when the program ends: brush it on sooner, or thinner."
	}
	return fmt.Sprintf("The crust ends at %.0f, and %.0f is asked for: it is %s.", math.Floor(crisp), j.lot.CrustWanted, crustWords(crisp, ""))
}

func overdoneSays(from float64, bound load.Overdone) string {
	return fmt.Sprintf("From minute %.0f on it is %s.", from, OverdoneWords[bound])
}

func layeredSays(coverage float64) string {
	return fmt.Sprintf("Pieces lie in about %.1f layers. What lies below cooks later and softer; shake or turn often, or fry two baskets.", coverage)
}

func crowdedSays(coverage float64) string {
	return fmt.Sprintf("Pieces cover %.0f %% of the basket, so air has little way between them: steam stays and sides turn out softer.", 100*coverage)
}

func (j *judging) smokesSays(overC float64) string {
	return fmt.Sprintf("Fat that drips smokes in air over about %s. Put a little water under the basket, or stay under it.", j.load.Units.Degrees(overC))
}

// until words the minute at which something ends; nil is never.
func until(minute *float64) string {
	if minute == nil {
		return "all along"
	}
	return fmt.Sprintf("until minute %.0f", math.Max(1, math.Ceil(*minute)))
}

func liftsSays(set *float64) string {
	return fmt.Sprintf("A light, dry coat can lift off in the moving air %s, before the heat has set it. Press it on, and mist it.", until(set))
}

const meltsSays = "Freeze it for an hour first: the coat then sets before what is inside runs."

func (j *judging) splitsSays() string {
	return fmt.Sprintf("Heat at once splits the skin: begin at about %s, and let it brown at the end.", j.load.Units.Degrees(gentleC))
}

const dryCoatSays = "Dry patches of this coat stay pale and floury without oil."

func wetPatchSays(dry *float64) string {
	return fmt.Sprintf("Dust on a wet surface turns to paste: it stays wet %s, so patches stay pale and soft. Wipe first.", until(dry))
}

const wetSurfaceSays = "It goes in wet: that water has to boil off before anything browns. Wipe it dry."

func sugarSays(from float64) string {
	return fmt.Sprintf("The sugar in it is close to burning from minute %.0f: a cooler last stage, or basting in the last minutes only, keeps it sweet.", from)
}

func paperSays(kept float64) string {
	return fmt.Sprintf("The paper keeps about %.0f\u00a0%% of the air from the lower side: turn it once more. Lay it in with the food on it, smaller than the basket: loose in a heating fryer it flies against the element.", 100*kept)
}

const foilSays = "Foil lets no air through: the lower side steams and stays soft until it is turned. Keep its edges down, and sour marinades off it."

const apartSays = "Raw poultry lies beside other food: leave a gap between them, and take out what is done with clean tongs."

func (j *judging) coolsSays(coreC float64) string {
	u := j.load.Units
	return fmt.Sprintf("Waiting so, it cools to %s: hot food is held at %s or over, and no longer than %.0f hours.",
		u.Degrees(coreC), u.Degrees(j.lot.HotHoldC()), load.HotHoldHours)
}

func (j *judging) tooThickSays(crisp, dry float64) string {
	return fmt.Sprintf("It is %s thick: by the time the crust is there, at minute %.0f, the inside is dry, from minute %.0f on. Butterflied or cut flatter, it is through sooner.",
		j.load.Units.Millimetres(j.lot.ThicknessMm), crisp, dry)
}

func tearsSays(atMin, has, need float64) string {
	return fmt.Sprintf("At minute %.0f the coat has not set: %.0f of the %.0f on the crust scale it needs to hold. Turned now, it tears.", atMin, math.Floor(has), math.Ceil(need))
}
