package pan

import (
	"fmt"
	"testing"

	"velocrustum/core/larder"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/units"
)

// Sauces of every way and every heat come out as they were read.
func TestSaucesAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	f.Add(t, "levels", Levels)
	f.Add(t, "ways", Ways)
	f.Add(t, "grains", Grains)
	f.Add(t, "starches", Starches())
	f.Add(t, "limits", []any{Limits, ServingLimits})
	sauces := []Sauce{
		{School: Reduce, Items: of(t, "honey", 60.0, "soy-light", 30.0, "water", 60.0), Heat: "simmer"},
		{School: Thicken, First: []string{"onion"}, Items: of(t, "onion", 60.0, "sugar", 40.0, "soy-light", 40.0, "rice-vinegar", 30.0, "water", 100.0, "oil", 8.0), Heat: "hard", Starch: "potato-starch"},
		{School: Melt, Items: of(t, "butter", 50.0, "hot-sauce", 80.0), Heat: "low"},
		{School: Loosen, Items: of(t, "jam", 100.0, "honey", 30.0), ClingsG: 8},
	}
	for i, s := range sauces {
		for _, how := range WayIDs() {
			for n, food := range []SaucedFood{twenty, {Surface: 9, Servings: 4}} {
				name := fmt.Sprint(how, " ", i, " ", n)
				serving := Serving{Name: "Glaze", Sauce: s, How: how}
				m, err := Make(serving, food, larder.Shelf)
				f.Addf(name, "%v", err)
				f.Add(t, name, m)
				if err == nil {
					f.Add(t, name+" told", m.Tell(serving, larder.Shelf, units.Household{}))
				}
			}
		}
	}
	for g := range 24 {
		f.Add(t, fmt.Sprint("level ", g), []any{LevelOf(float64(g)), Reads(float64(g))})
	}
	f.Same(t, "sauces.txt")
}
