package cook

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"velocrustum/core/belief"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/sheet"
	"velocrustum/core/units"
)

// lotSays says of which lot something is.
func lotSays(name, says string) string {
	return fmt.Sprintf("%s: %s", units.Capital(name), units.Lower(says))
}

// basketSays says of which basket something is.
func basketSays(name, says string) string { return fmt.Sprintf("%s: %s", name, units.Lower(says)) }

// after says what follows a thing that is due at a minute.
func (l Live) after(rest []due, at, end float64) string {
	for _, d := range rest {
		if !d.done() {
			when := "Right after"
			if m := math.Round(2*(d.at-at)) / 2; m > 0 {
				when = units.Minutes(m) + " later"
			}
			return fmt.Sprintf("%s: %s.", when, units.Lower(l.words(d)))
		}
	}
	if m := math.Round(2*(end-at)) / 2; m > 0 {
		return fmt.Sprintf("Then %s more.", units.Minutes(m))
	}
	return "Then it comes out."
}

// handling says with what a piece is turned: raw tools stay away after the
// first turn, tongs tear a crumb, a wrap is rolled.
func (l Live) handling(turn string, first bool) (out string) {
	tool := "clean tongs"
	tender, seam := l.Tender, l.Seam
	for _, lot := range l.Lots {
		tender, seam = tender || lot.Tender, seam || lot.Seam
	}
	if tender && turn == load.Flip {
		tool, out = "a clean spatula", " Slide a spatula under each: tongs pull the coat off."
	}
	if seam && turn == load.Flip {
		out += " Roll them gently, the seam down again."
	}
	if first && !l.judging(nil).Tried() {
		out += fmt.Sprintf(" Use %s from here: what touched it raw stays away.", tool)
	}
	return out
}

// heat is a stage's dial with what heats.
func (l Live) heat(st load.Stage) string {
	st.FryerID, st.Fryer = "", nil
	return st.Says(l.Degrees.Words(st.AirC))
}

// into is what the fryer of a stage is called.
func (l Live) into(st load.Stage) string {
	if st.Elsewhere() || l.Fryer == "" {
		return st.Other()
	}
	return l.Fryer
}

// sets says what is set on the fryer.
func (l Live) sets(d due) string {
	says := "set " + l.heat(d.is)
	if d.was.Grill && !d.is.Grill {
		says = "turn the grill off, " + says
	}
	if d.was.Heating().Still && !d.is.Heating().Still {
		says += ", fan on"
	}
	return says
}

// hotByThen says which other fryer is to be hot when the load goes over.
func (l Live) hotByThen(rest []due) string {
	for _, d := range rest {
		if d.move == over && !d.done() {
			return fmt.Sprintf(" Turn on %s ten minutes before the load goes over, at %s.", l.into(d.is), l.heat(d.is))
		}
	}
	return ""
}

// words says what is to be done.
func (l Live) words(d due) string {
	all := l.these(d.lots)
	set := ""
	if d.dialC > 0 {
		set = l.sets(d)
	}
	switch {
	case d.move == over:
		return fmt.Sprintf("%s over into %s at %s", units.Capital(all), l.into(d.is), l.heat(d.is))
	case d.move == toRest:
		if in := d.is.WaitsIn(); in != load.HoldRack {
			return fmt.Sprintf("Take %s out to wait %s, %s", all, d.is.Waiting(l.Degrees), set)
		}
		return "Take the basket out to rest, " + set
	case d.move == backIn:
		return "Basket back in"
	case d.turn == load.LookIn:
		look := "Look at one and probe it"
		if l.judging(nil).Tried() {
			look = "Look at one and try it"
		}
		if set != "" {
			look += ", " + set
		}
		return look
	case d.turn == load.PutIn:
		out := fmt.Sprintf("Put %s in beside the others", l.counted(d.lots))
		if set != "" {
			out += ", " + set
		}
		return out
	case d.turn == load.TakeOut:
		out := fmt.Sprintf("Take %s out, leave the others; probe one of them first", all)
		if l.judging(d.lots).Tried() {
			out = fmt.Sprintf("Take %s out, leave the others; try one of them first", all)
		}
		if set != "" {
			out += ", " + set
		}
		return out
	case d.turn == load.BrushOn:
		side := "what is up of " + all
		if d.brush.Both {
			side = all + " on both sides"
		}
		brush := fmt.Sprintf("Brush %s with %s of %s", side, l.Say.Grams(d.brush.G), l.names(d.brush))
		if set != "" {
			brush += ", " + set
		}
		return brush
	case d.turn == "":
		return units.Capital(set)
	case d.turn == load.Shake && set != "":
		return "Shake the basket, " + set
	case d.turn == load.Shake:
		return "Shake the basket"
	case set != "":
		return "Turn " + all + ", " + set
	}
	if face := l.face(1, d.lots); face != "" {
		return "Turn " + all + ", " + face + " up"
	}
	return "Turn " + all
}

// lotsOf are those that a thing is for: those named, or all.
func (l Live) lotsOf(lots []int) []LotIn {
	if len(lots) == 0 {
		return l.Lots
	}
	var out []LotIn
	for _, k := range lots {
		if k < len(l.Lots) {
			out = append(out, l.Lots[k])
		}
	}
	return out
}

// these are the pieces that a thing is for: all, or the lots by their names.
func (l Live) these(lots []int) string {
	of := l.lotsOf(lots)
	if len(of) == len(l.Lots) {
		return l.all()
	}
	var names []string
	for _, lot := range of {
		names = append(names, "the "+lot.Name)
	}
	return units.List(names)
}

// counted are the lots that a thing is for, with how many pieces each has.
func (l Live) counted(lots []int) string {
	var names []string
	for _, lot := range l.lotsOf(lots) {
		names = append(names, fmt.Sprintf("%s %s", units.Count(lot.Pieces), lot.Name))
	}
	return units.List(names)
}

// judging is how lots are told to be done: by the strictest of them.
func (l Live) judging(lots []int) Judging {
	if len(l.Lots) == 0 {
		return l.Judged
	}
	out := ByMelt
	for _, lot := range l.lotsOf(lots) {
		out = min(out, lot.Judged) // the strictest comes first
	}
	return out
}

// face is what lots have up, by which started up, where that matters and is the
// same for all.
func (l Live) face(which int, lots []int) string {
	of := l.lotsOf(lots)
	if len(of) == 0 {
		of = []LotIn{{Faces: l.Faces, Judged: l.Judged}}
	}
	for _, lot := range of {
		if lot.Judged.Tried() || lot.Faces != of[0].Faces {
			return ""
		}
	}
	return units.Lower(of[0].Faces[which])
}

// atFirst are the lots that go in with the first, and atLast those that come
// out with the last; nil for all.
func (l Live) atFirst() []int { return l.without(load.PutIn) }
func (l Live) atLast() []int  { return l.without(load.TakeOut) }

func (l Live) without(kind string) (out []int) {
	if len(l.Lots) == 0 {
		return nil
	}
	for k := range l.Lots {
		if !slices.ContainsFunc(l.Program.Turns, func(t load.Turn) bool { return t.Kind == kind && t.For(k) }) {
			out = append(out, k)
		}
	}
	return out
}

// goesIn is what goes in with the first: of several lots each with its count.
func (l Live) goesIn() string {
	if len(l.Lots) == 0 {
		return l.all()
	}
	return l.counted(l.atFirst())
}

// each says how many go into each of two drawers that share them.
func (l Live) each() string {
	half := l.Pieces / 2
	switch {
	case l.Drawers < 2 || l.Pieces < 2:
		return ""
	case len(l.Lots) > 0:
		return ", half of each in each drawer"
	case l.Pieces%2 > 0:
		return fmt.Sprintf(", %s in one drawer and %s in the other", units.Count(half+1), units.Count(half))
	}
	return fmt.Sprintf(", %s in each drawer", units.Count(half))
}

// comesOut is what comes out with the last.
func (l Live) comesOut() string { return l.these(l.atLast()) }

// names says what is brushed on.
func (l Live) names(b *load.Brush) string {
	var out []string
	for _, p := range b.Parts {
		name := p.Ingredient
		if i, err := larder.Shelf(p.Ingredient); err == nil {
			name = i.Name
		}
		if own, ok := l.Larder[p.Ingredient]; ok {
			name = own.Name
		}
		out = append(out, name)
	}
	return strings.Join(out, " and ")
}

// side says which side is up, where it matters.
func (l Live) side() string {
	if face := l.face(0, l.atFirst()); face != "" {
		return ", " + face + " up"
	}
	return ""
}

// gaps says how several pieces lie.
func (l Live) gaps() string {
	if l.Pieces == 1 && len(l.Lots) == 0 {
		return ""
	}
	return "One layer with gaps. "
}

// all are all pieces.
func (l Live) all() string {
	if len(l.Lots) > 0 {
		return "all"
	}
	if l.Pieces == 1 {
		return "the " + l.Piece
	}
	if l.Pieces == 2 {
		return "both"
	}
	return "all " + units.Count(l.Pieces)
}

// told are what was said, in words.
var told = map[string]string{HeatOn: "it heats", Loaded: "food is in", Dialled: "dial set", Out: "it is out", Rested: "it has rested", Stop: "given up",
	Skip: "left out", Raw: "raw inside", Soft: "soft", Floury: "floury patches", TakenOut: "thermometer taken out"}

// turns are the kinds of turn, done; a flip is "turned".
var turns = map[string]string{load.Shake: "shaken", load.LookIn: "looked at", load.BrushOn: "brushed", load.TakeOut: "out", load.PutIn: "in"}

// Words are one thing said, in words.
func (l Live) Words(e Event) string {
	switch e.Kind {
	case Turned:
		return l.turnWords(e)
	case Skip:
		return l.skipWords(e)
	}
	says := l.sightWords(e)
	if slices.Contains(OfALot, e.Kind) && e.Lot < len(l.Lots) {
		return says + " (the " + l.Lots[e.Lot].Name + ")"
	}
	return says
}

// turnWords are a turn that was made, in words: of which lots, where not of all.
func (l Live) turnWords(e Event) string {
	word := cmp.Or(turns[l.TurnOf(e.ID)], "turned")
	i := slices.IndexFunc(l.course().dues, func(d due) bool { return d.id == e.ID && e.ID != "" })
	if i < 0 || len(l.Lots) == 0 || len(l.lotsOf(l.course().dues[i].lots)) == len(l.Lots) {
		return word
	}
	return l.these(l.course().dues[i].lots) + " " + word
}

// swapping has front and back change over where it browns quicker at one of them; a shake
// does that by itself.
func (l Live) swapping(turn string) string {
	if l.Quicker == "" || turn != load.Flip || l.Pieces < 2 {
		return ""
	}
	return fmt.Sprintf(" Change front and back over: it browns quicker at the %s here.", l.Quicker)
}

// skipWords name what was left out.
func (l Live) skipWords(e Event) string {
	for _, d := range l.course().dues {
		if d.id == e.ID && d.skipped {
			return fmt.Sprintf("left out: %s, due at minute %.0f", units.Lower(l.words(due{at: d.at, turn: d.turn, brush: d.brush, lots: d.lots, dialC: d.dialC, was: d.was, is: d.is, join: d.join})), d.at)
		}
	}
	return told[Skip]
}

// sightWords are what was done once or seen, in words.
func (l Live) sightWords(e Event) string {
	switch e.Kind {
	case More:
		return fmt.Sprintf("%g min more", e.Value)
	case Set:
		return "set to " + l.Degrees.Words(e.Value)
	case Probe:
		return "read " + l.Degrees.Words(e.Value)
	case Look:
		n := min(max(0, int(e.Value+0.5)), len(belief.Shades)-1)
		if e.Where != "" {
			return fmt.Sprintf("looks %s at the %s", belief.Shades[n].Name, e.Where)
		}
		return "looks " + belief.Shades[n].Name
	case LeftIn:
		if strings.HasPrefix(e.Probe, FileProbe) {
			return "a thermometer’s file laid over it"
		}
		return "thermometer " + e.Probe + " left in"
	}
	return told[e.Kind]
}

// # Labels of what is tapped

const (
	itHeats, foodIsIn, itIsOut, rested = "It heats", "Food is in", "It is out", "It has rested"
)

// labels of what is tapped when a task of a supper is done.
var labels = map[string]string{sheet.Load: "It is in", sheet.TakeIt: itIsOut, sheet.Table: "On the table", sheet.Pan: "It is in the pan"}

// asks is what is said when it is done: the event and its words, what it is
// called and the phase in which it is due.
func (d due) asks() (action, label, next, phase string) {
	action, label, next, phase = Turned, "Turned", "turn", Turning
	switch d.turn {
	case load.Shake:
		label = "Shaken"
	case load.LookIn:
		label, next = "Looked", "check"
	case load.BrushOn:
		label, next = "Brushed", "brush"
	case load.TakeOut:
		label, next = "Out", "some out"
	case load.PutIn:
		label, next = "In", "some in"
	}
	switch {
	case d.move == toRest:
		return Dialled, "It is out to rest", "rest", Dialling
	case d.move == backIn:
		return Dialled, "It is back in", "rest", Dialling
	case d.move == over:
		return Dialled, "It is over there", "move", Dialling
	case d.turn == "":
		return Dialled, "Set", "dial", Dialling
	case d.dialC > 0:
		label += " and set"
	}
	return action, label, next, phase
}

// # Steps

// tell is what is done before the food comes out.
var tell = map[Judging]string{
	ByBoth:    "Probe breast and thigh first, away from the bone: the lower of the two counts. The thermometer decides, not the colour.",
	ByTheBone: "Probe the thickest one away from the bone first. The thermometer decides, not the colour.",
	ByProbe:   "Probe the thickest one in its middle first. The thermometer decides, not the colour.",
	ByBite:    "Try one first: it should be soft right through.",
	ByHeat:    "Try one first: it should be hot right through.",
	ByMelt:    "Pull one apart first: it should stretch, and not run.",
}

const longEnough = "The program is as long as that takes."

func moreThanProgram(m float64) string {
	return fmt.Sprintf("That is %.0f min more than the program has.", m)
}

const (
	outTitle, outDetail = "Out of the basket", "Note how it came out, while it is fresh."
	restDetail          = "The rest belongs to the rule: heat from outside goes on to the middle."
	noPaper             = "No loose paper in it while it heats."
)

func turnOnTitle(dial string) string { return "Turn the empty fryer on, at " + dial }

func turnOnEmpty(fryer, dial string) string {
	return fmt.Sprintf("%s: turn it on empty, at %s", fryer, dial)
}

func heatTitle(dial string) string { return "Heat the empty basket to " + dial }

func heatsFor(basket string) string { return fmt.Sprintf("It heats for %s. %s", basket, noPaper) }

// heatDetail says what goes in when it is hot.
func (l Live) heatDetail() string {
	return strings.TrimSpace(fmt.Sprintf("%s Then %s in%s%s. %s", noPaper, l.goesIn(), l.each(), l.side(), l.gaps()))
}

func (l Live) loadTitle() string { return fmt.Sprintf("Put %s in%s%s", l.goesIn(), l.each(), l.side()) }

func (l Live) loadDetail() string {
	return fmt.Sprintf("%sSet %s, shut it, and tap: the clock starts then.", l.gaps(), l.Program.Stages[0].Says(l.Degrees.Words(l.Program.Stages[0].AirC)))
}

func (l Live) takeOutTitle() string { return fmt.Sprintf("Take %s out", l.comesOut()) }

func (l Live) restTitle() string {
	return fmt.Sprintf("Let %s rest for %s", l.all(), units.Minutes(l.RestMin))
}

func letRest(basket, all string) string { return fmt.Sprintf("%s: let %s rest", basket, all) }

func moreThanPlanned(m float64) string {
	return fmt.Sprintf("%.0f min more than planned, by what you saw.", math.Ceil(m))
}

// stages are the heats of a basket's program.
func (b *LedBasket) stages() string {
	var out []string
	for _, st := range b.Program.Stages {
		if st.WaitsIn() == "" {
			out = append(out, st.Says(b.Degrees.Words(st.AirC)))
		}
	}
	return strings.Join(out, ", then ")
}
