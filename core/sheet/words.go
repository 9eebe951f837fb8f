package sheet

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"velocrustum/core/baskets"
	"velocrustum/core/crust"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/units"
)

// What a task says.
const (
	tableSays   = "Plates to the table"
	keepHotSays = "Keep the fryer hot, empty"
)

// tableFor is what is carried to a table of its own.
func tableFor(whom string) string {
	if whom == "" {
		return tableSays
	}
	return tableSays + ": " + whom
}

// TableFor is whose a table is by the words of its task; "" where that is not said.
func TableFor(says string) string {
	_, whom, _ := strings.Cut(says, tableSays+": ")
	return whom
}

func flashSays(dish string) string {
	return fmt.Sprintf("Flash %s, all that has waited together, %.0f min", dish, baskets.FlashMin)
}

func backInSays(dish string) string { return "Back into the hot fryer: " + dish }

func flashedOutSays(dish string) string { return dish + " out" }

func (k *Kitchen) heatSays(first load.Stage) string {
	return "Heat the empty fryer to " + first.Says(k.Units.Degrees(first.AirC))
}

func (k *Kitchen) loadSays(basket string, pieces int, first load.Stage) string {
	return fmt.Sprintf("%s in, %d at %s", basket, pieces, first.Says(k.Units.Degrees(first.AirC)))
}

func (k *Kitchen) runSays(basket string, p load.Program) string {
	var stages []string
	for _, st := range p.Stages {
		word := st.Says(k.Units.Degrees(st.AirC))
		if st.Rest {
			word = "rest"
		}
		stages = append(stages, fmt.Sprintf("%s for %g min", word, round(st.Minutes)))
	}
	return fmt.Sprintf("%s: %s", basket, strings.Join(stages, ", then "))
}

func turnSays(kind, basket string) string {
	return fmt.Sprintf(map[string]string{load.Flip: "Turn %s", load.Shake: "Shake %s", load.LookIn: "Look at %s", load.BrushOn: "Brush %s", load.TakeOut: "Some out of %s"}[kind], basket)
}

// takeOutSays says what is done as a basket comes out, by the strictest of its cuts.
func takeOutSays(basket string, lots []*prep.Worked) string {
	first := "try one"
	for _, w := range lots {
		switch cut := w.Lot.Cut; {
		case len(cut.Spots) > 0:
			return basket + " out; probe " + units.List(cut.SpotNames())
		case !cut.Plant():
			first = "probe the thickest"
		}
	}
	return basket + " out; " + first
}

func grainOnSays(grain string, g float64, h units.Household) string {
	return fmt.Sprintf("%s on: %s, dry, into boiling water", units.Capital(grain), h.Grams(g))
}

func grainBoilsSays(grain string, minutes float64) string {
	return fmt.Sprintf("%s boils, %s", units.Capital(grain), units.Minutes(minutes))
}

func grainRestsSays(grain string) string {
	return units.Capital(grain) + " drains and stands under a lid"
}

func restsSays(basket string) string { return basket + " rests: that belongs to the rule" }

func stirredSays(sauce string) string { return sauce + ": stir it together" }

func offHeatSays(sauce string) string { return sauce + ": ready; off the heat, lid on" }

func (k *Kitchen) ovenOnSays(s *Supper) string {
	return fmt.Sprintf("Oven on at %s, a rack and a tray in it", k.Units.Degrees(s.Oven.WarmC))
}

func intoPanSays(sauce string) string { return sauce + ": into the pan" }

func simmersSays(sauce string) string { return sauce + " simmers" }

func ownStepSays(side, step string) string { return fmt.Sprintf("%s: %s", side, step) }

// placeName is what a lane is called, of so many: a drawer by its side first.
func placeName(f NamedFryer, of int) string {
	switch {
	case f.Fryer == nil || f.Fryer.Drawer == "":
		return f.Name
	case of == 2:
		return units.Capital(f.Fryer.Drawer) + " drawer"
	}
	return fmt.Sprintf("%s, %s", units.Capital(f.Fryer.Drawer), strings.TrimSuffix(f.Name, ", "+f.Fryer.Drawer))
}

// DrawerName is what one drawer of a fryer is called.
func DrawerName(fryer, drawer string) string { return fmt.Sprintf("%s, %s", fryer, drawer) }

func benchWaitSays(dish string, t prep.BenchTask) string {
	if t.Of != "" {
		return fmt.Sprintf("%s, %s %s", dish, t.Of, t.Wait.Says)
	}
	return fmt.Sprintf("%s %s", dish, t.Wait.Says)
}

// forSays is what goes on one lot of a dish.
func forSays(what, lot string) string { return fmt.Sprintf("%s (%s)", what, lot) }

func finishSays(dish, with string) string { return fmt.Sprintf("Finish %s: %s", dish, with) }

func dressSays(how, dish, with string) string {
	return pan.WayOf(how).Task(dish, with)
}

// basketName is a dish, and which basket of it where it has several.
func basketName(d *readyDish, number int) string {
	if len(d.baskets) < 2 {
		return d.name
	}
	return fmt.Sprintf("%s, basket %d", d.name, number)
}

// rack is where what is out waits.
func (k *Kitchen) rack(s *Supper) string {
	if s.Oven == nil {
		return "on a rack in the room"
	}
	return "on a rack in the oven at " + k.Units.Degrees(s.Oven.WarmC)
}

func (k *Kitchen) holdSays(s *Supper, d *readyDish, number int) string {
	return basketName(d, number) + ", kept " + k.rack(s)
}

// plateSays names a basket on the plate, with its crust.
func plateSays(d *readyDish, b plated) string {
	return fmt.Sprintf("%s: %.0f, %s", units.Capital(basketName(d, b.basket)), math.Floor(b.crust), crust.Words(b.crust))
}

// waitedSays says what a basket went through since it was out, "" where it
// went straight to the table.
func (k *Kitchen) waitedSays(s *Supper, d *readyDish, b plated) string {
	var been []string
	if b.wait >= tableMin+1 {
		been = append(been, fmt.Sprintf("%.0f min %s", math.Round(b.wait), k.rack(s)))
	}
	if b.flashed {
		been = append(been, "flashed at the end")
	}
	if d.sauced {
		been = append(been, "sauced last")
	}
	if len(been) == 0 {
		return ""
	}
	return units.Capital(strings.Join(been, ", ")) + "."
}

// foodSays is what is fried, for the shopping.
func (k *Kitchen) foodSays(pieces int, pieceG, massG float64) string {
	return fmt.Sprintf("%d of about %s, %s in all", pieces, k.Units.Grams(pieceG), k.Units.Grams(massG))
}

// amountSays is how much of an ingredient is bought.
func (k *Kitchen) amountSays(i prep.Ingredient, g float64) string {
	if n := math.Round(2*g/i.Each) / 2; i.Each > 0 && n > 0 {
		return fmt.Sprintf("%s, %s, about %g of them", k.Units.Grams(g), k.Units.Spooned(g/i.Density), n)
	}
	return fmt.Sprintf("%s, %s", k.Units.Grams(g), k.Units.Spooned(g/i.Density))
}

// settingSays is what stands ready for a task, "" where nothing has to.
func (k *Kitchen) settingSays(d *readyDish, t Task) string {
	kind, lot := d.benchTask(t.ID)
	name := d.name
	if len(d.worked.Lots) > 1 {
		name = fmt.Sprintf("%s, %s", d.name, d.worked.Lots[lot].Lot.Called())
	}
	switch what := kind; {
	case what == "dry" || what == "salt":
		return fmt.Sprintf("For the raw %s: a tray, kitchen paper, the salt in a bowl, tongs that stay with what is raw.", name)
	case what == "marinade":
		return fmt.Sprintf("For the %s: a bowl with a lid, and room in the fridge below what is eaten raw.", name)
	case what == "coat":
		var bowls []string
		for _, b := range d.worked.Lots[lot].Coated.Bowls {
			bowls = append(bowls, fmt.Sprintf("%s of %s", k.Units.Grams(b.PutOutG), k.Pantry[b.Ingredient].Name))
		}
		with := d.worked.Lots[lot].Lot.Bowls
		if len(bowls) == 0 || with.Later {
			return "" // nothing, or it stands there already
		}
		if len(with.Names) == len(d.worked.Lots)-1 {
			name = d.name
		} else if len(with.Names) > 0 {
			name += " and " + strings.Join(with.Names, " and ")
		}
		return fmt.Sprintf("For the %s, in this order: %s; a rack to rest them on.", name, strings.Join(bowls, ", "))
	case t.Kind == Load:
		return fmt.Sprintf("For the cooked %s: clean tongs, the thermometer, a rack over a tray.", d.name)
	case t.Kind == Dress:
		return fmt.Sprintf("A wide bowl to toss the %s in, and the warm plates.", d.name)
	}
	return ""
}

// moreHandsSays names another pair of hands and says what it would do: so many
// minutes sooner at the table, or begun so much later.
func moreHandsSays(soonerMin, laterMin float64) (name, says string) {
	name = "One more pair of hands"
	switch {
	case soonerMin > 0.25:
		return name, fmt.Sprintf("On the table %.0f min sooner.", math.Round(soonerMin))
	case laterMin >= 1:
		return name, fmt.Sprintf("The work begins %.0f min later.", math.Floor(laterMin))
	}
	return name, "It would not be sooner: what takes long needs no hands."
}

// why says what stands in the way.
func (k *Kitchen) why(s *Supper, c *candidate) string {
	first := c.tasks[0]
	long := first
	// The chain from the first thing to the table: its longest link.
	at := first
	for range c.tasks {
		next := -1
		for i, t := range c.tasks {
			if slices.Contains(t.After, at.ID) && (next < 0 || t.from < c.tasks[next].from) {
				next = i
			}
		}
		if next < 0 {
			break
		}
		if at = c.tasks[next]; at.to-at.from > long.to-long.from {
			long = at
		}
	}
	return fmt.Sprintf("From %q it takes %s to the table, of which %q takes %s: begun at %s it is on the table at %s at the earliest.",
		first.Says, units.Minutes(math.Ceil(-first.from)), long.Says, units.Minutes(math.Ceil(long.to-long.from)), s.Earliest.In(s.ServeAt.Location()).Format("15:04"), c.serve.Format("15:04"))
}

// shorter says which waits have less than their best, and what that costs.
func (k *Kitchen) shorter(all []readyDish, c *candidate) []string {
	out := []string{}
	for _, t := range c.tasks {
		if t.Kind != Waits {
			continue
		}
		i := c.dishOf(t.Dish)
		id := t.ID.benchTask()
		for _, b := range slices.Concat(all[i].tasks...) {
			had := t.to - t.from
			if b.ID != id || had >= b.Wait.Best-1 {
				continue
			}
			costs := map[string]string{"dry": "the surface is wetter, and crisp later", "salt": "the middle stays plainer", "marinade": "it gets less deep", "coat": "the coat holds less: turn late, and gently"}[b.Kind]
			out = append(out, fmt.Sprintf("%s %s for %s of the best %s: %s.", all[i].name, b.Wait.Says, units.Minutes(math.Round(had)), units.Minutes(math.Round(b.Wait.Best)), costs))
		}
	}
	return out
}

// gapSays says what was not looked at, "" where nothing was left out that counts.
func gapSays(gap float64) string {
	if gap < 0.5 {
		return ""
	}
	return fmt.Sprintf("There are more orders than were weighed: none of them is better by more than %.0f of crust a dish, and most likely by far less.", math.Ceil(gap))
}

// overSays are what a wait past its most does, by what is done before it.
var overSays = map[string]string{"dry": "the outside turns leathery", "salt": "the outside cures like ham", "marinade": "the outside turns mushy", "coat": "the coat turns to paste, and comes off in patches", "thaw": "it lies thawed: cook it that day"}

// over says which limits are broken, and what that costs: of waits on the bench, of
// sauces and of sides.
func (k *Kitchen) over(s *Supper, all []readyDish, c *candidate) []string {
	out := []string{}
	for _, t := range c.tasks {
		if t.Kind != Waits || t.Most == 0 || t.to-t.from <= t.Most+1 {
			continue
		}
		i := c.dishOf(t.Dish)
		for _, b := range slices.Concat(all[i].tasks...) {
			if b.ID == t.ID.benchTask() {
				out = append(out, fmt.Sprintf("%s %s for %s, of at most %s: %s.", all[i].name, b.Wait.Says, units.Minutes(math.Round(t.to-t.from)), units.Minutes(t.Most), overSays[b.Kind]))
			}
		}
	}
	for _, b := range c.plates {
		if b.wait > 60*load.HotHoldHours+1 {
			out = append(out, fmt.Sprintf("%s waits %s, of at most %.0f hours that hot food is held: it is not safe to eat after that.", units.Capital(basketName(&all[b.dish], b.basket)), units.Minutes(math.Round(b.wait)), load.HotHoldHours))
		}
	}
	from, end := map[TaskID]float64{}, map[TaskID]float64{}
	for _, t := range c.tasks {
		from[t.ID], end[t.ID] = t.from, t.to
	}
	for _, a := range s.Sauces {
		used, on := -tableMin, false
		for i := range all {
			if _, with := all[i].dressedWith(a.ID); !with {
				continue
			}
			at := -tableMin
			if all[i].ServeAt != nil {
				at += all[i].ServeAt.Sub(s.ServeAt).Minutes()
			}
			if toss, tossed := from[taskOf(all[i].ID, "toss")]; tossed {
				at = toss
			}
			if !on || at < used {
				used, on = at, true
			}
		}
		ready, known := end[taskOf(a.ID, "off")]
		if !known {
			ready, known = end[taskOf(a.ID, "mix")]
		}
		if stood := used - ready; known && stood > a.HoldsMin+1 {
			out = append(out, fmt.Sprintf("%s stands %s, of at most %s: it gets too thick; a spoon of water loosens it.", a.called(), units.Minutes(math.Round(stood)), units.Minutes(a.HoldsMin)))
		}
	}
	for _, a := range s.Sides {
		ready, known := end[stepOf(a.ID, len(a.Steps))]
		if stood := -tableMin - ready; known && stood > a.HoldsMin+1 {
			out = append(out, fmt.Sprintf("%s stands %s, of at most %s.", cmp.Or(a.Name, a.ID), units.Minutes(math.Round(stood)), units.Minutes(a.HoldsMin)))
		}
	}
	return out
}

// costs is what another order does to a dish, of crust, and to the table.
type costs struct {
	laterMin, soonerMin float64
	loses, gains        string // the dishes, "" for none
	lost, gained        float64
}

// orderSays names an order of dishes and says what it would cost.
func orderSays(names []string, c costs) (name, says string) {
	name = units.Capital(names[0]) + " first"
	if len(names) > 2 {
		name = units.Capital(names[0]) + ", then " + strings.Join(names[1:], ", then ")
	}
	switch {
	case c.laterMin > 0.25:
		return name, fmt.Sprintf("It is %.0f min later at the table.", math.Ceil(c.laterMin))
	case c.loses != "" && c.gains != "":
		return name, fmt.Sprintf("The %s lose %.0f of crust, %s gain %.0f.", c.loses, math.Ceil(c.lost), c.gains, math.Floor(c.gained))
	case c.loses != "":
		return name, fmt.Sprintf("The %s lose %.0f of crust.", c.loses, math.Ceil(c.lost))
	case c.soonerMin > 0.5:
		return name, fmt.Sprintf("It is begun %.0f min sooner, no crisper.", math.Ceil(c.soonerMin))
	}
	return name, "It is about the same."
}

// busyWithin is the time over which hands are looked at, and busyFrom the
// part of it from which it is said.
const busyWithin, busyFrom = 10.0, 0.8

// tight names the moment with most to do.
func tight(c *candidate, at func(float64) time.Time) []Tight {
	most, when := 0.0, 0.0
	for _, t := range c.tasks {
		if t.Hands == 0 || t.from < -120 {
			continue
		}
		busy := 0.0
		for _, o := range c.tasks {
			if o.Hands > 0 {
				busy += float64(o.Hands) * math.Max(0, math.Min(o.to, t.from+busyWithin)-math.Max(o.from, t.from))
			}
		}
		if share := busy / busyWithin / float64(c.hands); share > most+1e-9 {
			most, when = share, t.from
		}
	}
	if most < busyFrom {
		return []Tight{}
	}
	var names []string
	for _, o := range c.tasks {
		if o.Hands > 0 && o.from >= when-tick && o.from < when+busyWithin {
			names = append(names, o.Says)
		}
	}
	return []Tight{{at(when), fmt.Sprintf("Much to do in ten minutes: %s.", strings.Join(names, "; "))}}
}

// shareSays is a share of evenings, in words that are true of it.
func shareSays(share float64) string {
	switch n := int(math.Floor(10*share + 0.5)); {
	case share >= 0.995:
		return "practically every evening"
	case share >= sure:
		return "nineteen of twenty evenings"
	case n >= 10:
		return "nine of ten evenings"
	case n > 0:
		return units.Count(n) + " of ten evenings"
	}
	return "hardly any evening"
}

// sure is a share of evenings that is as good as all.
const sure = 0.95

// chanceSays is the chance of being on time, in words: at the moment itself, and
// when it is as good as sure, or five minutes later.
func chanceSays(all []Chance, zone *time.Location) string {
	words := func(c Chance) string {
		return fmt.Sprintf("%s by %s", shareSays(c.Share), c.By.In(zone).Format("15:04"))
	}
	second := 1
	if i := slices.IndexFunc(all, func(c Chance) bool { return c.Share >= sure }); i > 0 {
		second = i
	}
	return fmt.Sprintf("On the table in %s, %s.", words(all[0]), words(all[second]))
}
