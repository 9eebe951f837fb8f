package recipe

import (
	"regexp"
	"slices"
	"strings"

	"velocrustum/core/larder"
)

// chunky is what is eaten by the piece in a sauce.
var chunky = regexp.MustCompile(`(?i)\b(?:chunks?|wedges?|pieces?|squares?|slic(?:ed|es)|strips?|rings?)\b`)

var (
	atTheEnd   = regexp.MustCompile(`(?i)\b(?:to serve|for serving|to finish|for finishing|for the end|to garnish|for garnish(?:ing)?|for sprinkling|to sprinkle|at the end|on top)\b`)
	toCoat     = regexp.MustCompile(`(?i)\b(?:for|to) (?:dust|dredg|coat|crumb|bread)(?:e|ing)?\b`)
	toMarinate = regexp.MustCompile(`(?i)\b(?:for|to) (?:the )?(?:marinade|marinat(?:e|ing)|brin(?:e|ing))\b`)
	toSauce    = regexp.MustCompile(`(?i)\bfor (?:the )?(?:sauce|glaz(?:e|ing)|dip|dipping)\b`)
	soaks      = regexp.MustCompile(`\bmarinat|\bmarinade\b|\bovernight\b|\brub\b|\bfridge\b`)
	heats      = regexp.MustCompile(`\b(?:fry|bake|roast|cook|basket|oven)\b.*\d`)
	mixed      = regexp.MustCompile(`\bmix(?:ture)?\b`)
)

// ofMix says where a dry mix goes: on when it is done, if a step says so after the heat,
// else as a rub.
func (r *reader) ofMix() string {
	heat := false
	for _, s := range r.steps {
		if heat && mixed.MatchString(s) {
			return AsFinish
		}
		heat = heat || strings.Contains(s, " fry ") || strings.Contains(s, " bake ") || strings.Contains(s, " roast ") || strings.Contains(s, " cook ")
	}
	return AsMarinade
}

// place says what an ingredient is for: by what the cook says, the heading it
// stands under, the step that names it, or what it is.
func (r *reader) place(l Line, i larder.Ingredient, f Fix) string {
	if f.As != "" && f.As != AsFood {
		return f.As
	}
	for _, h := range []struct {
		words []string
		as    string
	}{{[]string{"sauce", "glaze", "dip", "dipping", "dressing"}, AsSauce}, {[]string{"marinade", "brine", "rub", "seasoning"}, AsMarinade}, {[]string{"coat", "coating", "dredge", "breading", "batter", "crumb", "crust"}, AsCoat}, {[]string{"serve", "serving", "garnish", "finish", "topping", "end"}, AsFinish}} {
		if slices.ContainsFunc(h.words, func(w string) bool { return says(plain(l.Group), w) }) {
			return h.as
		}
	}
	// The line itself may say it.
	for _, w := range []struct {
		words *regexp.Regexp
		as    string
	}{{atTheEnd, AsFinish}, {toCoat, AsCoat}, {toMarinate, AsMarinade}, {toSauce, AsSauce}} {
		if m := w.words.FindString(l.Text); m != "" && (i.ID != "oil" || w.as == AsFinish) {
			r.take(m)
			return w.as
		}
	}
	if i.ID == "oil" {
		return AsOil
	}
	// A dry mix goes on where a step puts it; under no such step it is not known where.
	if says(plain(l.Group), "mix") {
		return r.ofMix()
	}
	if i.Form == larder.Pieces {
		if r.inSauce() {
			return AsSauce
		}
		return AsFinish
	}
	coats := i.Role == larder.Starchy || i.Role == larder.Egg || i.Role == larder.Raising || i.Form == larder.Crumb
	heat := r.firstHeat()
	for k, s := range r.steps {
		if !namesIngredient(s, i, l.by) {
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
		case k > heat && heat >= 0 && i.Role != larder.Salty: // it is put together when the food is done
			if i.Role == larder.Spice && !r.milkyIn(s) {
				return AsFinish
			}
			return AsSauce
		case has("rub", "season", "coat", "toss"):
			return AsMarinade
		}
	}
	switch {
	case coats:
		return AsCoat
	case readySauces[i.ID] && !slices.ContainsFunc(r.steps, func(s string) bool { return soaks.MatchString(s) }):
		return AsSauce
	case i.Role == larder.Acidic && r.out.Heat == nil && !slices.ContainsFunc(r.steps, func(s string) bool { return soaks.MatchString(s) }):
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

// firstHeat is the first step that heats the food, -1 for none.
func (r *reader) firstHeat() int {
	return slices.IndexFunc(r.steps, func(s string) bool { return heats.MatchString(s) })
}

// milkyIn says whether a step names yoghurt, cream, mayonnaise: what herbs and spices
// are stirred into.
func (r *reader) milkyIn(s string) bool {
	return slices.ContainsFunc([]string{"yoghurt", "yogurt", "cream", "mayonnaise", "mayo", "butter", "oil"}, func(w string) bool { return says(s, w) })
}

// readySauces come out of a bottle, and go on as they are.
var readySauces = map[string]bool{"barbecue": true, "sweet-chilli": true, "ketchup": true, "mayonnaise": true, "teriyaki-style": true, "hoisin-style": true}

// namesIngredient says whether a step names an ingredient, by what its line called it or by
// any other name.
func namesIngredient(s string, i larder.Ingredient, by string) bool {
	if by == "" {
		return false
	}
	if says(s, strings.Fields(strings.TrimSuffix(by, " sauce"))...) {
		return true
	}
	for words, id := range called {
		if id == i.ID && strings.HasSuffix(by, words) && says(s, strings.Fields(words)...) {
			return true
		}
	}
	return false
}
