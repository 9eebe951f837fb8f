package baskets

import (
	"fmt"
	"math"
	"strings"

	"velocrustum/core/crust"
	"velocrustum/core/load"
	"velocrustum/core/units"
)

// # Batchings

func batchingName(id string, baskets, drawers int) string {
	switch id {
	case OneBasket:
		if drawers > 1 {
			return "All at once, in both drawers"
		}
		return "All in one basket"
	case TwoFryers:
		return "Two fryers, done together"
	}
	if drawers > 1 {
		return fmt.Sprintf("Both drawers, %s", map[bool]string{true: "twice", false: units.Count(baskets) + " times"}[baskets == 2])
	}
	return fmt.Sprintf("%s baskets, one after another", units.Capital(units.Count(baskets)))
}

// batchingsSay what each batching comes to, and which is worth it.
func batchingsSay(b Batchings, one *load.Load) string {
	lot, drawers := one.Lots[0], one.Drawers
	by := map[string]*Batching{}
	for i := range b.Batchings {
		by[b.Batchings[i].ID] = &b.Batchings[i]
	}
	all, several, both := by[OneBasket], by[SeveralBaskets], by[TwoFryers]
	var says []string
	switch {
	case all == nil && several != nil:
		says = append(says, fmt.Sprintf("They do not all go in at once. %s baskets take %.0f min.", units.Capital(units.Count(len(several.Baskets))), several.Minutes))
	case all != nil && several != nil:
		says = append(says, fmt.Sprintf("All at once, %s: %.0f min, and the softest piece ends at %.0f of crust. %s baskets: %.0f min with the change, and %.0f.",
			lying(all.Baskets[0].Answer.Coverage), all.Minutes, all.Crust, units.Capital(units.Count(len(several.Baskets))), several.Minutes, several.Crust))
		if worth := worthBaskets(b.Best, all, several, mostWanted(one)); worth != "" {
			says = append(says, worth)
		}
	default:
		says = append(says, map[bool]string{true: "All of them lie in the two drawers with air between.", false: "All of them lie in one basket with air between."}[drawers > 1])
	}
	if b.Best == "" {
		says = append(says, fmt.Sprintf("As it stands none of this gets every piece %s and %s: lengthen the program, or put fewer in.", lot.Inside(), lot.Outside()))
	}
	if both != nil {
		says = append(says, fmt.Sprintf("Shared with the other fryer, %d and %d are done together in %.0f min.", both.Baskets[0].Pieces, both.Baskets[1].Pieces, both.Minutes))
	}
	return strings.Join(says, " ")
}

// lying words how pieces lie in a basket.
func lying(coverage float64) string {
	switch {
	case coverage <= load.CloseCoverage:
		return "close"
	case math.Ceil(coverage) > 1:
		return fmt.Sprintf("in %.1f layers", coverage)
	}
	return "crowded"
}

// worthBaskets says whether more baskets than one are worth it, and what decided; empty
// where that was not chosen between.
func worthBaskets(best string, one, several *Batching, crustWanted float64) string {
	more, is := "The second basket", "is"
	if len(several.Baskets) > 2 {
		more, is = "More baskets", "are"
	}
	switch best {
	case OneBasket:
		if !several.Ready {
			return fmt.Sprintf("%s would not get every piece ready.", more)
		}
		return fmt.Sprintf("%s %s not worth the minutes here.", more, is)
	case SeveralBaskets:
		worth := fmt.Sprintf("%s %s worth it", more, is)
		crisper := crustCost(one.Crust, crustWanted) - crustCost(several.Crust, crustWanted)
		juicier := juiceCost(one.JuicePct) - juiceCost(several.JuicePct)
		switch {
		case !one.Ready:
			return worth + ": all at once, not every piece gets ready."
		case crisper >= juicier:
			return worth + " for the crust."
		}
		return fmt.Sprintf("%s for the juice: %.0f %% is kept, and %.0f %% all at once.", worth, several.JuicePct, one.JuicePct)
	}
	return ""
}

// # Waiting

// waitSays is what a wait costs, and whether a flash gives it back.
func waitSays(w *Wait, l *load.Load) string {
	warm, room, lidded := w.Kept[0], w.Kept[1], w.Kept[len(w.Kept)-1]
	t := l.Units.Temperature
	says := []string{fmt.Sprintf("It waits %.0f min. On a rack in the oven at %s its crust goes from %.0f to %.0f; on a rack in the room to %.0f, and the middle cools to %s; under a lid to %.0f, %s.",
		math.Ceil(w.Minutes), t.Words(load.WarmC), math.Floor(w.Crust), math.Floor(warm.Crust), math.Floor(room.Crust), t.Words(room.CoreC), math.Floor(lidded.Crust), crust.Words(lidded.Crust))}
	if w.FlashMin > 0 {
		says = append(says, fmt.Sprintf("%.0f min at %s, all together at the end, give it back to %.0f.", w.FlashMin, t.Words(flashAt(l)), math.Floor(warm.FlashCrust)))
	} else {
		says = append(says, "It need not go back into the fryer.")
	}
	if least, rule := hotHold(l); rule && room.CoreC < least {
		says = append(says, fmt.Sprintf("In the room it falls under %s, at which hot food is to be held; longer than %.0f h it is not held at all.", t.Words(least), load.HotHoldHours))
	}
	return strings.Join(says, " ")
}

// hotHold is the least that hot food is held at, °C, and whether any of it has
// a rule.
func hotHold(l *load.Load) (c float64, rule bool) {
	for _, lot := range l.Lots {
		if !lot.Plant() {
			c, rule = max(c, lot.HotHoldC()), true
		}
	}
	return c, rule
}

// # Sauces

var fateNames = map[string]string{
	DressNow:   "tossed at once",
	DressCool:  fmt.Sprintf("tossed after %.0f min on a rack", coolMin),
	DressTable: fmt.Sprintf("tossed at the table, %.0f min later", tableMin),
	DressUp:    "on one face, the other stays dry",
	DressNone:  "beside it, to dip",
	DressLadle: "ladled over, at the table",
	DressPour:  "poured over, at the table",
	DressUnder: "ladled under, the top dry",
}

// crisper is by how much of the crust another way has to be better to be named.
const crisper = 4

// adviceSays is what the way asked for leaves when it is eaten, and which way leaves more.
func adviceSays(called, asked, best string, kept map[string]float64) string {
	side := func(way string) string {
		switch way {
		case DressUp:
			return "the dry face"
		case DressPour, DressUnder:
			return "what stays dry"
		}
		return "the crust"
	}
	still := "is soft"
	if kept[asked] >= keptCrisp {
		still = "is still crisp"
	}
	says := fmt.Sprintf("%s, %s %s when it is eaten, %.0f min after it is out: %.0f of 100.", called, side(asked), still, eatenMin, math.Floor(kept[asked]))
	most := best
	for w, at := range kept {
		if at > kept[most] && w != DressNone {
			most = w
		}
	}
	if most != asked && math.Floor(kept[most])-math.Floor(kept[asked]) >= crisper {
		says += fmt.Sprintf(" Crispest is %s: %s has %.0f then.", fateNames[most], side(most), math.Floor(kept[most]))
	}
	return says
}
