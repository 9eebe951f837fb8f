package recipe

import (
	"fmt"
	"regexp"
	"slices"
	"strings"

	"velocrustum/core/units"
)

// # What a step says beside

var (
	inBatches = regexp.MustCompile(`(?i)\b(?:in|two|three|several|\d+)\s+(?:\d+\s+|two\s+|three\s+|several\s+)?batch(?:es)?\b|\bsingle layer\b|\bone layer\b`)
	sprays    = regexp.MustCompile(`(?i)\b(?:spray|mist|spritz)(?:ed|ing|es)?\b`)
	lined     = regexp.MustCompile(`(?i)\b(?:foil|parchment|baking paper|liner)\b`)
	rested    = regexp.MustCompile(`(?i)\b(?:rest(?:ed|ing|s)?|stand(?:ing|s)?|cool(?:ed|ing|s)?)\b`)
	asTold    = regexp.MustCompile(`(?i)\b(?:low(?:er)?|reduce|increase|raise|turn (?:up|down)|higher|hotter)\b`)
	ofSauce   = regexp.MustCompile(`(?i)\b(?:sauces?|glazes?|syrup|dips?|saucepan|simmer(?:ed|ing)?|reduce[ds]?|thickens?)\b`)
	// dipped is what goes into something, which is no dip of its own.
	dipped = regexp.MustCompile(`(?i)\bdip(?:s|ped)?\b(?:\s+\w+){0,5}\s+(?:in|into)\b`)
	// cooksSauce is what is done to a sauce.
	cooksSauce = regexp.MustCompile(`(?i)\d|\b(?:simmer|reduc|thicken|boil|whisk|stir|melt|warm|heat|mix|blend|pour|drizzle|toss|brush)`)
	airFries   = regexp.MustCompile(`(?i)\b(?:air[- ]?fr|basket|oven|bake|roast)`)
	deepOil    = regexp.MustCompile(`(?i)\b[\d½¼¾/ .-]+(?:cm|inch(?:es)?|in|")\s+(?:deep\s+)?(?:of\s+)?(?:\w+\s+)?oil\b`)
	thaws      = regexp.MustCompile(`(?i)\b(?:thaw|defrost|frozen|freezer?)\w*\b`)
)

// also reads what a clause says beside waits, heats and turns, and is told of where it
// goes.
func (r *reader) also(text, s string, add func(string)) {
	if m := inBatches.FindString(text); m != "" {
		r.take(m)
		add("How many lie in a basket is worked out for the fryer.")
	}
	if sprays.MatchString(text) && !strings.Contains(s, " sauce ") {
		r.take(sprays.FindAllString(text, -1)...)
		r.sprayed = true
		add("A spray of oil is taken.")
	}
	if m := lined.FindString(text); m != "" {
		r.take(m)
		add("What lies under the food is said on the plan.")
	}
	if rested.MatchString(text) {
		r.take("rest rested resting stand standing cool cooled")
		if v, _, ok := longIn(text); ok && !goesOn.MatchString(rested.ReplaceAllString(text, "")) {
			r.takeFigures(text, 0, 1)
			add("Rests " + units.Minutes(v) + " when it is out: in no program, do it as it says.")
		}
	}
	text = dipped.ReplaceAllString(r.unsauced(text), " ")
	if atTheEnd.MatchString(text) && !cooksSauce.MatchString(text) && len(strings.Fields(text)) < 9 {
		add("Beside it at the table: kept as a note.")
	} else if ofSauce.MatchString(text) && !airFries.MatchString(text) {
		r.takeFigures(text, 0, 3)
		r.take(ofSauce.FindAllString(text, -1)...)
		r.take("simmer boil reduce low lower higher")
		add("The sauce: the pan works out its own minutes.")
	}
	if m := deepOil.FindString(text); m != "" {
		r.take(m)
	}
	if m := asTold.FindString(text); m != "" {
		if all, _, _ := heatsSaid(text); len(all) > 0 {
			r.take(m)
		}
	}
	if r.startC != 0 || r.was != "" || r.pieces == 0 || thaws.MatchString(text) {
		r.take(thaws.FindAllString(text, -1)...) // told with the food
	}
	if again.MatchString(text) {
		r.take(again.FindString(text))
	}
}

// takeFigures uses up the heats and times of a clause, as many as were taken.
func (r *reader) takeFigures(text string, heats, times int) {
	if heats > 0 {
		for _, form := range []*regexp.Regexp{heat, degrees, bareHeat, gasMark} {
			r.take(form.FindAllString(text, -1)...)
		}
	}
	for _, form := range []*regexp.Regexp{hoursAnd, span} {
		r.take(form.FindAllString(text, times)...)
	}
	if times > 0 {
		r.figures = true
	}
}

// timed is a text without the minutes at which it is turned.
func timed(text string) string {
	return turnEvery.ReplaceAllString(turnAfter.ReplaceAllString(text, " turned "), " ")
}

// leaves is a wait without its name.
var leaves = regexp.MustCompile(`(?i)\b(?:leave|let (?:it|them)? ?(?:sit|stand|stay)|set aside|sit)\b[^.;]*\d`)

// unsauced is a text in which "soy sauce" and its like are no sauce of their own.
func (r *reader) unsauced(text string) string {
	for words := range called {
		if name, is := strings.CutSuffix(words, " sauce"); is {
			text = regexp.MustCompile(`(?i)\b`+name+` sauce\b`).ReplaceAllString(text, name)
		}
	}
	return text
}

// onlyLeftOut says whether a step is of a food that was left out, and of no other.
func (r *reader) onlyLeftOut(s string) (name string, only bool) {
	head, _, _ := strings.Cut(r.cut.ID, "-")
	if slices.ContainsFunc(kindred[head], func(w string) bool { return says(s, w) }) || r.foodBy != "" && says(s, strings.Fields(r.foodBy)...) {
		return "", false
	}
	for _, left := range r.left {
		for _, w := range strings.Fields(left.by) {
			if says(s, w) {
				return left.plural, true
			}
		}
	}
	return "", false
}

// leftOut is a food that is not fried here, under its heading.
type leftOut struct{ by, plural, group string }

func leftOutSays(name string) string { return fmt.Sprintf("Of the %s, and left out with them.", name) }

// under is the food that is left out under a heading where nothing is fried; "" for none.
func (r *reader) under(group string) string {
	if group == "" || slices.ContainsFunc(r.out.Lines, func(l Line) bool { return l.Group == group && l.As == AsFood }) {
		return ""
	}
	for _, left := range r.left {
		if left.group == group {
			return left.plural
		}
	}
	return ""
}

// leaveWith leaves out what only goes on a food that is left out.
func (r *reader) leaveWith() {
	for n := range r.out.Lines {
		l := &r.out.Lines[n]
		i, err := r.p.Find(l.Ingredient)
		if l.Step || l.Ingredient == "" || err != nil || r.fix(n).As != "" {
			continue
		}
		name := r.under(l.Group)
		all := name != ""
		for _, s := range r.steps {
			if !namesIngredient(s, i, l.by) {
				continue
			}
			if name, all = r.onlyLeftOut(s); !all || says(s, "half") {
				all = false
				break
			}
		}
		if all {
			l.As, l.Ingredient, l.G, l.Understood, l.Says = AsNote, "", 0, true, leftOutSays(name)
		}
	}
}

// leftOver is what becomes of the rest of a meal.
var leftOver = regexp.MustCompile(`(?i)\b(?:left[- ]?overs?|keeps? (?:well|for)|(?:the )?next day)\b`)

// ofLeftovers says whether a clause is of what is left over, in a recipe of fresh food.
func (r *reader) ofLeftovers(clause string) bool { return !r.wasCooked && leftOver.MatchString(clause) }

// amountIn is an amount of something in the middle of a step.
var amountIn = regexp.MustCompile(`(?i)\b\d[\d./,]*\s*(?:[½¼¾⅓⅔]\s*)?(?:tbsps?|tablespoons?|tsps?|teaspoons?|cups?|ml|g|oz)\.?\s+(?:of\s+)?((?:[a-z]+[ -]?){1,3})|[½¼¾⅓⅔]\s*(?:tbsps?|tablespoons?|tsps?|teaspoons?|cups?)\.?\s+(?:of\s+)?((?:[a-z]+[ -]?){1,3})`)

// unlisted are amounts of ingredients that a step names and no line has.
func (r *reader) unlisted(text string) (out []string) {
	for _, m := range amountIn.FindAllStringSubmatch(text, -1) {
		i, by, known := ingredientIn(plain(m[1]+m[2]), r.p)
		if !known || i.ID == "water" || slices.ContainsFunc(r.out.Lines, func(l Line) bool { return !l.Step && l.Ingredient == i.ID }) {
			continue
		}
		// As far as the name goes.
		last := strings.Fields(by)[len(strings.Fields(by))-1]
		if at := strings.Index(strings.ToLower(m[0]), last); at >= 0 {
			m[0] = m[0][:at+len(last)]
		}
		out = append(out, strings.TrimSpace(m[0]))
	}
	return out
}
