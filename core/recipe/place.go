package recipe

import (
	"regexp"
	"slices"
	"strings"

	"velocrustum/core/larder"
)

// chunky is what is eaten by the piece in a sauce.
var chunky = regexp.MustCompile(`(?i)\b(?:chunks?|wedges?|pieces?|squares?|slic(?:ed|es)|strips?|rings?)\b`)

// place says what an ingredient is for: by what the cook says, the heading it
// stands under, the step that names it, or what it is.
func (r *reader) place(l Line, i larder.Ingredient, f Fix) string {
	if f.As != "" && f.As != AsFood {
		return f.As
	}
	for _, h := range []struct {
		words []string
		as    string
	}{{[]string{"sauce", "glaze", "dip", "dipping", "dressing"}, AsSauce}, {[]string{"marinade", "brine", "rub", "seasoning"}, AsMarinade}, {[]string{"coat", "coating", "dredge", "breading", "batter", "crumb", "crust"}, AsCoat}, {[]string{"serve", "garnish", "finish", "topping"}, AsFinish}} {
		if slices.ContainsFunc(h.words, func(w string) bool { return says(plain(l.Group), w) }) {
			return h.as
		}
	}
	if i.ID == "oil" {
		return AsOil
	}
	if i.Form == larder.Pieces {
		if r.inSauce() {
			return AsSauce
		}
		return AsFinish
	}
	coats := i.Role == larder.Starchy || i.Role == larder.Egg || i.Role == larder.Raising
	for _, s := range r.steps {
		if l.by == "" || !says(s, strings.Fields(strings.TrimSuffix(l.by, " sauce"))...) {
			continue
		}
		has := func(words ...string) bool {
			return slices.ContainsFunc(words, func(w string) bool { return strings.Contains(s, " "+w) })
		}
		switch {
		case has("marinat", "marinade", "soak", "brine", "refrigerat", "fridge", "overnight"):
			return AsMarinade
		case (i.Role == larder.Liquid || i.Role == larder.Milky) && has("batter"):
			return AsCoat
		case i.Role == larder.Milky && has("dip", "dredg") && !has("overnight", "refrigerat"):
			return AsCoat
		case coats && has("coat", "dredg", "dust", "crumb", "dip", "toss", "mix", "whisk", "shak"):
			return AsCoat
		case has("sauce", "glaze", "simmer", "saucepan", "reduce", "melt"):
			return AsSauce
		case has("garnish", "sprinkle", "scatter", "serve", "to finish"):
			return AsFinish
		case has("rub", "season", "coat", "toss"):
			return AsMarinade
		}
	}
	switch {
	case coats:
		return AsCoat
	case i.Role == larder.Acidic && r.out.Heat == nil && !slices.ContainsFunc(r.steps, func(s string) bool { return strings.Contains(s, " marinat") || strings.Contains(s, " marinade") }):
		return AsFinish // a lemon that no step names is squeezed over it
	}
	return AsMarinade
}

// inSauce says whether a sauce is cooked at all.
func (r *reader) inSauce() bool {
	return slices.ContainsFunc(r.steps, func(s string) bool {
		return slices.ContainsFunc([]string{"sauce", "simmer", "wok", "stir fry", "saucepan", "skillet", "ladle"}, func(w string) bool { return strings.Contains(s, " "+w) })
	})
}
