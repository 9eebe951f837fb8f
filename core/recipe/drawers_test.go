package recipe

import (
	"strings"
	"testing"

	"velocrustum/core/prep"
	"velocrustum/core/units"
)

var twoDrawers = Text{Name: "Chicken and chips", Ingredients: lines("4 chicken thighs on the bone", "500 g potato wedges", "1 tbsp oil", "2 tsp paprika for the wedges"),
	Steps: []string{"Heat both drawers to 200C.",
		"Put the chicken in drawer 1 at 200C for 28 minutes and the wedges in drawer 2 at 180C for 20 minutes, shake after 10 minutes.",
		"Rest the chicken for 5 minutes."}}

// A recipe of two drawers is two dishes, each with its food, its oil and its
// time; each line says of which it is, and none is lost.
func TestARecipeOfTwoDrawersIsTwoDishes(t *testing.T) {
	u, other := UnderstandDrawers(twoDrawers, nil, prep.NewPantry(nil), units.Household{Spoons: units.USSpoons})
	if other == nil || u.Load == nil || other.Load == nil {
		t.Fatalf("%+v and %+v", u.Load, other)
	}
	if u.Load.Cut != "chicken-thigh-bone-in" || other.Load.Cut != "potato-wedge" || len(u.Beside) > 0 || other.Name != "Potato wedges" {
		t.Errorf("%s and %s, called %s", u.Load.Cut, other.Load.Cut, other.Name)
	}
	if u.Heat == nil || u.Heat.TempC != 200 || u.Heat.Minutes != 28 || other.Heat == nil || other.Heat.TempC != 180 || other.Heat.Minutes != 20 || !other.Turned {
		t.Errorf("%+v and %+v", u.Heat, other.Heat)
	}
	drawers := ""
	for _, l := range u.Lines {
		drawers += string(rune('0' + l.Drawer))
	}
	if drawers != "12120120" {
		t.Errorf("lines are of %s", drawers)
	}
	// Put right by its place in the whole.
	pieces := 7
	_, fixed := UnderstandDrawers(twoDrawers, []Fix{{Line: 1, Pieces: pieces}}, prep.NewPantry(nil), units.Household{Spoons: units.USSpoons})
	if fixed.Load.Pieces != pieces {
		t.Errorf("put right to %d, has %d", pieces, fixed.Load.Pieces)
	}
}

// What only speaks of baskets, or of one drawer, is one dish.
func TestOneDrawerIsOneDish(t *testing.T) {
	for _, says := range []string{
		"Cook the first basket at 200C for 20 minutes, then the second basket.",
		"Put it in drawer 1 at 200C for 20 minutes.",
		"Open the drawer and shake after 10 minutes.",
	} {
		if _, other := UnderstandDrawers(Text{Ingredients: lines("1 kg wings"), Steps: []string{says}}, nil, prep.NewPantry(nil), units.Household{Spoons: units.USSpoons}); other != nil {
			t.Errorf("%s: two dishes", says)
		}
	}
	for _, says := range []string{"Zone 1: the wings, 200C for 24 minutes. Zone 2: the wedges, 190C for 20 minutes.", "Put the wings in the left drawer, 200C, 24 minutes.\nPut the wedges in the right-hand drawer, 190C, 20 minutes."} {
		if _, other := UnderstandDrawers(Text{Ingredients: lines("1 kg wings", "400 g potato wedges"), Steps: strings.Split(says, "\n")}, nil, prep.NewPantry(nil), units.Household{Spoons: units.USSpoons}); other == nil || other.Load == nil {
			t.Errorf("%s: one dish", says)
		}
	}
}

func TestTheOtherDrawerIsWritten(t *testing.T) {
	var r Recipe
	r.Beside("Wedges", "right", 3)
	r.Beside("Wedges", "left", -1)
	if !strings.HasSuffix(r.Steps[0].Says, "it goes in 3 min later.") || !strings.HasSuffix(r.Steps[1].Says, "it goes in 1 min sooner.") {
		t.Errorf("%+v", r.Steps)
	}
}
