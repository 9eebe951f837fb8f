package prep

import (
	"fmt"
	"math"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
)

// # Tasks of a bench

// What a lot does while it waits.
const (
	onTheRack       = "on the rack"
	inSalt          = "in salt"
	toThaw          = "to thaw"
	inTheBrine      = "in the brine"
	inTheMarinade   = "in the marinade"
	restInTheirCoat = "rest in their coat"
)

// counted is a lot with its number of pieces.
func (l Lot) counted() string {
	return fmt.Sprintf("%s %s", units.Count(l.Pieces), plural(l.Pieces, l.Cut.Name, l.Cut.Plural))
}

func cutSays(pieces string) string { return "Cut " + pieces }

func thawSays(pieces string) string { return "Put " + pieces + " in the fridge on a plate" }

func wipeSays(pieces string) string { return "Wipe " + pieces }

func wipeAndSaltSays(pieces, salt string) string {
	return fmt.Sprintf("Wipe %s, salt them with %s", pieces, salt)
}

func saltSays(pieces, salt string) string { return fmt.Sprintf("Salt %s with %s", pieces, salt) }

func brineSays(salt, water, pieces string) string {
	return fmt.Sprintf("%s of salt into %s, %s in", salt, water, pieces)
}

func marinadeSays(pieces string) string { return fmt.Sprintf("Mix the marinade, %s in", pieces) }

func oilSays(pieces, oil string) string { return fmt.Sprintf("Oil %s with %s", pieces, oil) }

func coatSays(pieces, coat string, oilG float64, h units.Household) string {
	if oilG > 0 {
		return fmt.Sprintf("Coat %s: %s, %s of oil", pieces, coat, h.Grams(oilG))
	}
	return fmt.Sprintf("Coat %s: %s", pieces, coat)
}

// # What a step does

const (
	notFelt    = "It changes nothing in the basket."
	hardlyFelt = "It changes little in the basket."
)

// says is an effect in words; what is too small to be told apart is left out.
func (e effect) says() string {
	var out []string
	for _, c := range []struct {
		name string
		change
	}{{"crisp", e.crisp}, {"safe", e.safe}} {
		if says := c.says(c.name); says != "" {
			out = append(out, says)
		}
	}
	if math.Abs(e.juicePct) >= 1 {
		out = append(out, signed(e.juicePct)+"\u00a0% juice")
	}
	if math.Abs(e.crust) >= 2 {
		out = append(out, fmt.Sprintf("crust %s of 100", signed(e.crust)))
	}
	switch {
	case e.brown >= 0.15:
		out = append(out, "browner")
	case e.brown <= -0.15:
		out = append(out, "paler")
	}
	if len(out) == 0 {
		return hardlyFelt
	}
	return fmt.Sprintf("With it: %s.", strings.Join(out, "; "))
}

// says is a change in words, "" where it is less than half a minute.
func (c change) says(name string) string {
	a, b := c.with, c.without
	switch {
	case a != nil && b == nil:
		return fmt.Sprintf("%s at %.0f min, and without it not at all", name, *a)
	case a == nil && b != nil:
		return fmt.Sprintf("no longer %s, which without it comes at %.0f min", name, *b)
	case a == nil || math.Abs(*a-*b) < 0.5:
		return ""
	}
	// Halves up to three minutes: the forecast knows no better.
	d := math.Round(2*math.Abs(*a-*b)) / 2
	if d >= 3 {
		d = math.Round(d)
	}
	if *a > *b {
		return fmt.Sprintf("%s %g min later", name, d)
	}
	return fmt.Sprintf("%s %g min sooner", name, d)
}

// signed writes a whole difference with its sign.
func signed(d float64) string { return strings.Replace(fmt.Sprintf("%+.0f", d), "-", "−", 1) }

// spreadSays says what uneven pieces cost in the window.
func spreadSays(uneven, even verdict.Chance) string {
	var out []string
	for _, f := range []struct {
		says string
		a, b *float64
	}{
		{"all are safe by %.0f min, cut evenly by %.0f", uneven.SafeByMin, even.SafeByMin},
		{"the first is past its best at %.0f min, cut evenly at %.0f", uneven.BestUntilMin, even.BestUntilMin},
	} {
		if f.a != nil && f.b != nil && math.Abs(*f.a-*f.b) >= 0.3 {
			out = append(out, fmt.Sprintf(f.says, math.Ceil(*f.a), math.Ceil(*f.b)))
		}
	}
	if len(out) == 0 {
		return "Cut more evenly, it would be ready no sooner."
	}
	return units.Capital(strings.Join(out, "; ")) + "."
}

// unused says what was chosen and waits for another coat.
func (w words) unused(u unused) (out []string) {
	c := w.Bench.Coating
	if u.flour {
		out = append(out, fmt.Sprintf("The %s that you chose is not in this coat; it waits for one with flour.", w.p[c.Flour].Name))
	}
	if u.crumbs {
		out = append(out, fmt.Sprintf("The %s that you chose are not in this coat; they wait for one with crumbs.", w.p[c.Crumbs].Name))
	}
	if u.starch {
		out = append(out, "The share of starch that you chose is for flour and starch, not for this coat.")
	}
	return out
}

// yours says that the kitchen's own fridge is too warm for that.
func (w words) yours() string {
	if w.Lot.fridge() <= food.WarmFridgeC {
		return ""
	}
	return fmt.Sprintf(" Yours stands at %s: turn it colder first.", w.Degrees(w.Lot.fridge()))
}

// chilled adds where it has to stand, if that is long.
func (w words) chilled(cautions []string, hours float64) []string {
	if hours <= 2 {
		return cautions
	}
	return append(cautions, fmt.Sprintf("Over two hours always in the fridge, at %s or under.", w.Degrees(food.FridgeC))+w.yours())
}
