package advise

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"velocrustum/core/load"
	"velocrustum/core/run"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
)

// # Wants and ways

// Words returns what a want is called, and what it is more of.
func (w Want) Words() (name, says string) {
	switch w {
	case Crisper:
		return "Crisper", "A harder crust."
	case Juicier:
		return "Juicier", "More juice."
	case Sooner:
		return "Sooner", "Fewer minutes."
	case Paler:
		return "Paler", "Gold, not brown: better for starchy food."
	}
	return "Balanced", "A crust with most of the juice."
}

var wayNames = map[Way]string{
	Straight: "Straight heat", GentleHot: "Gentle, then hot", HotGentle: "Hot, then gentle", GentleRestHot: "Gentle, rest, hot",
	TurnOften: "Turn often", ShakeOften: "Shake", SingleLateTurn: "One late turn",
}

// Name returns what a cook calls it.
func (w Way) Name() string { return wayNames[w] }

func noWaySays(nearest string) string {
	return "No way of this dial is good for this load as it is. The nearest: " + units.Lower(nearest)
}

// sayReasons says of each way, from the numbers, what it does and what it costs
// beside straight heat, where so much crust is asked for.
func sayReasons(l *load.Load, ways []Proposal, crust float64) {
	var straight *Proposal
	for i := range ways {
		if ways[i].Way == Straight {
			straight = &ways[i]
		}
	}
	for i := range ways {
		p := &ways[i]
		says := []string{mechanism(l, p)}
		if short := shortcoming(l, p, crust); short != "" {
			says = append(says, short)
		}
		if p.Way != Straight {
			says = append(says, besideStraight(p, straight))
		}
		p.Reason = strings.Join(says, " ")
	}
}

// mechanism says what a program does to this load.
func mechanism(l *load.Load, p *Proposal) string {
	st := p.Program.Stages
	first, last := st[0], p.Program.Last()
	dial := func(st load.Stage) string { return st.Says(l.Units.Degrees(st.AirC)) }
	joint := l.Units.Degrees(run.Nearest(p.Timeline, first.Minutes).CoreC)
	switch p.Way {
	case GentleHot:
		return fmt.Sprintf("%.0f min at %s bring the middle to %s while the outside dries; %s then crisps it.", first.Minutes, dial(first), joint, dial(last))
	case HotGentle:
		return fmt.Sprintf("%s sets the outside first; from minute %.0f, %s lets the middle catch up from %s.", dial(first), first.Minutes, dial(last), joint)
	case GentleRestHot:
		return fmt.Sprintf("Out to rest at minute %.0f, it steams off and evens out; back in, %s crisps a dry surface.", first.Minutes, dial(last))
	case TurnOften:
		if p.Turns == 0 {
			return "It is done before there is anything to turn."
		}
		end := p.Timeline[len(p.Timeline)-1]
		return fmt.Sprintf("Turned every %.0f min, %s, both faces get the hard air by parts: they end at %.0f and %.0f of crust. Each opening costs heat.", turnEvery, times(p.Turns), end.Faces[0].Crust, end.Faces[1].Crust)
	case ShakeOften:
		return fmt.Sprintf("Shaken %s, every piece lands anew, so all places even out.", times(p.Turns))
	case SingleLateTurn:
		at := p.Program.Turns[0].AtMin
		if slices.ContainsFunc(l.Lots, func(lot *load.Lot) bool { return lot.Coating.Sets > 0 }) {
			return fmt.Sprintf("Left alone to minute %.0f, the coat has set before it is moved.", at)
		}
		return fmt.Sprintf("The first face is done at minute %.0f; turned then, the other catches up in the hard air.", at)
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

// shortcoming says what a way does not get to; empty where it gets to all.
func shortcoming(l *load.Load, p *Proposal, crust float64) string {
	switch {
	case p.SafeByMin == nil || *p.SafeByMin > p.Minutes+0.5:
		inside := load.SafeInside
		if allPlants(l) {
			inside = l.Lots[0].Inside()
		}
		return fmt.Sprintf("It does not get this load %s in time.", inside)
	case p.overdone != load.NotOverdone:
		return endsOverdone[p.overdone]
	case p.Crust < crust-2:
		return fmt.Sprintf("The crust ends at %.0f of the %.0f asked for.", p.Crust, crust)
	}
	return ""
}

var endsOverdone = map[load.Overdone]string{
	load.Dry: "It ends drier than this cut should be.", load.Burnt: "It ends too dark.", load.Bitter: "Its sugar burns.", load.Browned: "It ends past gold.",
	load.RanOut: "It runs out.", load.Burst: "Its skin bursts.",
}

// besideStraight compares a way with straight heat in whole figures.
func besideStraight(p, straight *Proposal) string {
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

// # Changes

// programLabel says what is pressed to get another program.
func programLabel(from, to *load.Load) string {
	a, b := from.Program.Last(), to.Program.Last()
	switch {
	case a.AirC == b.AirC:
		return fmt.Sprintf("Let it run %.0f min", to.Minutes())
	case to.Minutes() == from.Minutes():
		return "Set " + from.Units.Degrees(b.AirC)
	}
	return fmt.Sprintf("Set %s and let it run %.0f min", from.Units.Degrees(b.AirC), to.Minutes())
}

// turnLabel says when to turn, and how long it is to run then where that is
// longer; 0 where it is not.
func turnLabel(atMin, minutes float64) string {
	if minutes > 0 {
		return fmt.Sprintf("Turn at minute %.0f and let it run %.0f min", atMin, minutes)
	}
	return fmt.Sprintf("Turn at minute %.0f", atMin)
}

func fewerLabel(pieces, drawers int) string {
	if drawers > 1 {
		return fmt.Sprintf("%d in both drawers, the rest after them", pieces)
	}
	return fmt.Sprintf("%d in this basket, the rest in the next", pieces)
}

func oilLabel(l *load.Load, g float64) string { return "Oil it with " + l.Units.Grams(g) }

func thinLabel(l *load.Load, mm float64) string {
	return fmt.Sprintf("Make them %s thick", l.Units.Millimetres(mm))
}

const wipeLabel = "Wipe them dry"

// gives words what a load ends at.
func gives(a *verdict.Answer) string {
	return fmt.Sprintf("crust %.0f, juice %.0f %%", math.Floor(a.End.Crust), math.Floor(a.End.JuiceKeptPct))
}

// noHelp says why a warning has no change.
var noHelp = map[verdict.Code]string{
	verdict.UnderRule:   "No time or heat of this program gets there: fewer or thinner pieces would.",
	verdict.RuleInDoubt: "No time or heat of this program gets there: fewer or thinner pieces would.",
	verdict.Soft:        "Neither more time nor this dial gets it crisp before it is overdone: another coat, more oil or fewer pieces would.",
	verdict.Overdone:    "Neither less time nor another heat clears it: another coat, or a crust less hard, would.",
	verdict.Sugar:       "Brush the sweet part on in the last minutes instead.",
}

// # Brushes

// brushSays says how a brush at a minute of a load's program stands on the lots
// that it is for, by their names where it is for some.
func brushSays(b verdict.Brushed, at float64, l *load.Load, lots []int) string {
	says := standsSays(b, at, l)
	if len(lots) == len(l.Lots) {
		return says
	}
	var names []string
	for _, k := range lots {
		names = append(names, "the "+l.Lots[k].Name)
	}
	return units.Capital(strings.Join(names, " and ")) + ": " + says
}

func standsSays(b verdict.Brushed, at float64, l *load.Load) string {
	t := l.Units.Temperature
	lastC := l.Program.Last().AirC
	switch {
	case b.HottestC < lastC:
		return fmt.Sprintf("Brushed at minute %.0f its sugar turns bitter at %s by the end; it stands %s.", at, t.Words(lastC), t.Words(b.HottestC))
	case b.LatestMin == nil:
		return "It does not dry to a glaze before the end, whenever it goes on: brush thinner, or give it longer."
	case b.BestMin == nil:
		return fmt.Sprintf("Its sugar turns bitter by the end, even when it goes on at minute %.0f, the latest at which it still dries: brush less sugar, or end cooler.", *b.LatestMin)
	case at > *b.LatestMin:
		return fmt.Sprintf("Brushed at minute %.0f it is still wet at the end; minute %.0f is the latest, %.0f the best.", at, *b.LatestMin, *b.BestMin)
	}
	return fmt.Sprintf("Minute %.0f is the latest at which it still dries to a glaze; the best is %.0f. It stands up to %s.", *b.LatestMin, *b.BestMin, t.Words(b.HottestC))
}

// # Conversions

// conversionSays explains the difference between a recipe and its program, whose
// inside goes to coreC.
func conversionSays(l *load.Load, from FormerWay, src Source, p *Proposal, coreC float64) string {
	where := map[string]string{FromOil: "oil", FromOven: "the oven"}[from.Kind]
	u := l.Units
	var says []string
	switch {
	case !src.Safe:
		says = append(says, fmt.Sprintf("%.0f min in %s at %s leave the coldest spot at %s, under the %s of the rule: the program goes on to there.",
			from.Minutes, where, u.Degrees(from.TempC), u.Degrees(math.Floor(src.CoreC)), u.Degrees(math.Ceil(ruleC(l)))))
	default:
		says = append(says, fmt.Sprintf("%.0f min in %s at %s bring the coldest spot to %s.", from.Minutes, where, u.Degrees(from.TempC), u.Degrees(src.CoreC)))
		if src.CoreC > coreC+0.5 {
			says = append(says, fmt.Sprintf("Past %s it only dries, so the crust decides from there on.", u.Degrees(coreC)))
		}
	}
	switch d := p.Minutes - from.Minutes; {
	case d >= 1 && from.Kind == FromOven:
		says = append(says, fmt.Sprintf("This fryer takes %.0f min, %.0f more: a full basket takes longer than one piece on a tray.", p.Minutes, d))
	case d >= 1:
		says = append(says, fmt.Sprintf("This fryer takes %.0f min, %.0f more: its air carries far less heat than fat.", p.Minutes, d))
	case d <= -1:
		says = append(says, fmt.Sprintf("This fryer takes %.0f min, %.0f less: its air moves hard over the food.", p.Minutes, -d))
	default:
		says = append(says, fmt.Sprintf("This fryer takes %.0f min.", p.Minutes))
	}
	says = append(says, fmt.Sprintf("Crust %.0f beside %.0f, juice %.0f %% beside %.0f.", p.Crust, src.Crust, p.JuicePct, src.JuicePct))
	if from.Kind == FromOil && p.Crust < src.Crust-8 {
		says = append(says, "What oil does to a crust, air does not quite.")
	}
	return strings.Join(says, " ")
}

// programSays names the program of a recipe.
func programSays(p load.Program, u units.Household) string {
	var stages []string
	for _, s := range p.Stages {
		stages = append(stages, fmt.Sprintf("%s for %s", u.Degrees(s.AirC), units.Minutes(s.Minutes)))
	}
	if len(stages) > 1 {
		return "The recipe’s " + strings.Join(stages, ", then ") + ","
	}
	return "The recipe’s " + stages[0]
}

// presetSays judges a preset, or a recipe's program, by what comes of it.
func presetSays(l *load.Load, preset string, a *verdict.Answer, flaw presetFlaw) string {
	if flaw == neverSafe {
		return preset + " does not get this load safe, however long it is left."
	}
	safe := math.Ceil(*a.Chance.SafeByMin)
	switch flaw {
	case notSafe:
		return fmt.Sprintf("%s is too short: 95 loads in 100 like this are safe by minute %.0f, and the coldest spot ends at %s.", preset, safe, l.Units.Degrees(math.Floor(a.End.CoreC)))
	case tooDone:
		return fmt.Sprintf("%s is too long: from minute %.0f it is %s. Safe is by minute %.0f.", preset, *a.Verdict.GoodUntilMin, verdict.OverdoneWords[a.Window.Bound], safe)
	case notCrisp:
		return fmt.Sprintf("%s is safe, but too short for the crust: that comes at minute %.0f.", preset, math.Ceil(*a.Verdict.ReadyAtMin))
	case neverCrisp, neverGood:
		return fmt.Sprintf("%s is safe by minute %.0f, and yet: %s", preset, safe, units.Lower(a.Verdict.Says))
	case losesJuice:
		return fmt.Sprintf("%s is longer than this load needs: it is crisp and safe from minute %.0f, and loses juice after.", preset, math.Ceil(*a.Verdict.ReadyAtMin))
	}
	return fmt.Sprintf("%s fits this load: safe by minute %.0f, crust %.0f, juice %.0f %%.", preset, safe, a.End.Crust, a.End.JuiceKeptPct)
}

// allPlants says whether no lot has a rule.
func allPlants(l *load.Load) bool {
	return !slices.ContainsFunc(l.Lots, func(lot *load.Lot) bool { return !lot.Plant() })
}
