package exchange

import (
	"encoding/json"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/advise"
	"velocrustum/core/larder"
	"velocrustum/core/prep"
	"velocrustum/core/recipe"
	"velocrustum/core/units"
)

var written = recipe.Recipe{Name: "Wings *for* six", Servings: 6, Ingredients: []string{"24 wing flats of about 43 g each", "30 g honey (1 tbsp)"},
	Steps: []recipe.Instruction{{Says: "Wipe them.", Minutes: 3}, {Says: "Air fry: 18 min at 200 °C."}}, PrepMin: 63, CookMin: 22, Cautions: []string{"Check with a thermometer."}}

func TestARecipeLeavesAndComesInAgain(t *testing.T) {
	own := json.RawMessage(`{"name":"Wings *for* six","load":{"cut":"chicken-wing-flat"}}`)
	ld, err := RecipeLD(written, own, time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC))
	if err != nil {
		t.Fatal(err)
	}
	var v map[string]any
	if err := json.Unmarshal(ld, &v); err != nil || v["@type"] != "Recipe" || v["prepTime"] != "PT1H3M" || v["cookTime"] != "PT22M" || v["totalTime"] != "PT1H25M" || len(v["recipeIngredient"].([]any)) != 2 {
		t.Errorf("%v, %v", v, err)
	}
	for name, raw := range map[string][]byte{"JSON-LD": ld, "Markdown": []byte(RecipeMarkdown(written, own)),
		"a page": []byte("<!doctype html><html><head><script type=\"application/ld+json\">\n" + string(ld) + "\n</script></head><body>Much else</body></html>")} {
		got, again, err := ReadRecipe(raw)
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		var a, b any
		_, _ = json.Unmarshal(own, &a), json.Unmarshal(again, &b)
		if x, _ := json.Marshal(a); string(x) != func() string { y, _ := json.Marshal(b); return string(y) }() {
			t.Errorf("%s: the dish is %s", name, again)
		}
		if got.Name != written.Name || got.Servings != 6 || len(got.Ingredients) != 2 || got.Ingredients[1].Text != written.Ingredients[1] || got.Steps[1] != written.Steps[1].Says {
			t.Errorf("%s: %+v", name, got)
		}
	}
}

func TestRecipesFromElsewhereAreRead(t *testing.T) {
	for name, raw := range map[string]string{
		"a graph": `{"@context":"https://schema.org","@graph":[{"@type":"WebPage"},{"@type":["Recipe","Thing"],"name":"Fish &amp; dip","recipeYield":["4","4 servings"],
			"recipeIngredient":["4 cod fillets, 150 g each","1 egg"],"recipeInstructions":[{"@type":"HowToSection","name":"Fry","itemListElement":[{"@type":"HowToStep","text":"<p>Dip in egg.</p>"},{"@type":"HowToStep","name":"Fry at 180&deg;C for 6 min."}]}]}]}`,
		"text": "Fish & dip\nServes 4\n\nIngredients\n- 4 cod fillets, 150 g each\n- 1 egg\n\nMethod\n1. Dip in egg.\n2. Fry at 180°C for 6 min.\n",
		"bare": "Fish & dip\nServes 4\n4 cod fillets, 150 g each\n1 egg\nDip in egg, all of it.\nFry at 180°C for 6 min.",
	} {
		got, own, err := ReadRecipe([]byte(raw))
		if err != nil || own != nil {
			t.Errorf("%s: %v, %s", name, err, own)
			continue
		}
		if got.Name != "Fish & dip" || got.Servings != 4 || len(got.Ingredients) != 2 || got.Ingredients[0].Text != "4 cod fillets, 150 g each" || len(got.Steps) != 2 || !strings.HasPrefix(got.Steps[1], "Fry at 180°C") || !strings.HasPrefix(got.Steps[0], "Dip in egg") {
			t.Errorf("%s: %+v", name, got)
		}
	}
	grouped, _, err := ReadRecipe([]byte("# Wings\n## Ingredients\n1 kg wings\nFor the glaze:\n* 3 tbsp honey\n## Steps\nFry them well and long.\n## Notes\nMy aunt says hello.\n"))
	if err != nil || len(grouped.Ingredients) != 2 || grouped.Ingredients[1].Group != "For the glaze" || len(grouped.Steps) != 1 {
		t.Errorf("grouped: %+v, %v", grouped, err)
	}
}

func TestWhatIsNoRecipe(t *testing.T) {
	for name, raw := range map[string]string{"nothing": " ", "a page without one": "<html><body><p>1 egg</p></body></html>", "JSON that breaks off": `{"@type":"Recipe"`, "another thing": `{"@type":"Book"}`,
		"an empty one": `{"@type":"Recipe","name":"x"}`, "no text": "\x00\x01", "too much": strings.Repeat("a", MostRecipe+1), "a word": "hello"} {
		if got, _, err := ReadRecipe([]byte(raw)); err == nil {
			t.Errorf("%s is read as %+v", name, got)
		}
	}
}

func FuzzReadRecipe(f *testing.F) {
	for _, s := range []string{`{"@type":"Recipe","recipeIngredient":["1 egg"]}`, "<html><script type=application/ld+json>[]</script>", "Ingredients\n1 egg\n```velocrustum\n{}\n```", "# a\n- b c\n1. d e f g h"} {
		f.Add([]byte(s))
	}
	f.Fuzz(func(t *testing.T, raw []byte) {
		got, own, err := ReadRecipe(raw)
		if err == nil && (len(got.Ingredients) > mostLines || len(got.Steps) > mostLines*deepest || own != nil && !json.Valid(own)) {
			t.Errorf("%q: %d, %d, %s", raw, len(got.Ingredients), len(got.Steps), own)
		}
		for _, i := range got.Ingredients {
			if strings.ContainsAny(i.Text, "\n\r\x00") {
				t.Errorf("%q: a line holds %q", raw, i.Text)
			}
		}
	})
}

// Recipes of ten habits, from their file to the dish.
func TestRecipesOfManyHabits(t *testing.T) {
	for _, c := range []struct {
		file          string
		servings      int
		cut           string
		pieces        int
		g             float64
		coat          string
		marinade      string
		hours         float64
		sauce         string
		heat          advise.FormerWay
		notUnderstood int
		// line has to be said of one of its lines, and thick is in mm.
		line   string
		thick  float64
		sauces int
	}{
		{file: "two-sauces.txt", cut: "chicken-wing-flat", pieces: 22, g: 41, coat: "starch-dust", marinade: "salt-fine", sauces: 2, sauce: "hot-sauce", heat: advise.FormerWay{Kind: "preset", TempC: 193, Minutes: 29}, line: "193 °C, 24 min, in an air fryer. Turned on the way. 204 °C, 5 min."},
		{file: "rings-in-one-go.txt", cut: "onion-ring", pieces: 18, g: 14, coat: "three-bowl-crumb", marinade: "salt-fine", heat: advise.FormerWay{Kind: "oil", TempC: 191, Minutes: 2.5}, notUnderstood: 1},
		{file: "schnitzel.txt", cut: "pork-loin-cutlet", pieces: 4, g: 120, thick: 5, coat: "three-bowl-crumb", heat: advise.FormerWay{Kind: "oil", TempC: 170, Minutes: 5}, notUnderstood: 1, line: "the middle of 2 to 3, once for each side"},
		{file: "page-for-the-eye.html", cut: "chicken-drumstick", pieces: 8, g: 115, coat: "bare", marinade: "sugar-brown", hours: 2, heat: advise.FormerWay{Kind: "oven", TempC: 218, Minutes: 42.5}, line: "74 °C inside: not taken"},
		{file: "fish-and-chips.txt", servings: 2, cut: "fish-fillet-white", pieces: 2, g: 180, coat: "flour-dust", heat: advise.FormerWay{Kind: "oil", TempC: 180, Minutes: 6}, notUnderstood: 3, line: "A wet batter drips through a basket"},
		{file: "belly.txt", servings: 3, cut: "pork-belly-slice", pieces: 19, g: 42, thick: 20, coat: "bare", marinade: "rice-wine", hours: 1, sauces: 1, sauce: "rice-vinegar", heat: advise.FormerWay{Kind: "preset", TempC: 180, Minutes: 23}, notUnderstood: 1},
		{file: "tenders.txt", servings: 4, cut: "chicken-tenderloin", pieces: 14, g: 49, coat: "flour-starch", marinade: "buttermilk", hours: 1, heat: advise.FormerWay{Kind: "oil", TempC: 177, Minutes: 5.5}},
		{file: "squid.md", servings: 2, cut: "squid-ring", pieces: 33, g: 12, coat: "starch-dust", marinade: "salt-flake-light", hours: 0.25, heat: advise.FormerWay{Kind: "oil", TempC: 180, Minutes: 2}},
		{file: "fish.txt", cut: "fish-fillet-white", pieces: 4, g: 140, coat: "three-bowl-crumb", heat: advise.FormerWay{Kind: "oven", TempC: 220, Minutes: 17.5}, notUnderstood: 2},
		{file: "pork.txt", cut: "pork-loin-cutlet", pieces: 2, g: 180, thick: 20, coat: "three-bowl-crumb", sauce: "ketchup", heat: advise.FormerWay{Kind: "oil", TempC: 170, Minutes: 6.5}, notUnderstood: 1},
		{file: "drumsticks.txt", cut: "chicken-drumstick", pieces: 10, g: 120, coat: "leavened-rub", marinade: "salt-fine", sauce: "honey", heat: advise.FormerWay{Kind: "preset", TempC: 193, Minutes: 22}},
	} {
		raw, err := os.ReadFile(filepath.Join("testdata", c.file))
		if err != nil {
			t.Fatal(err)
		}
		text, _, err := ReadRecipe(raw)
		if err != nil {
			t.Errorf("%s: %v", c.file, err)
			continue
		}
		got := recipe.Understand(text, nil, prep.NewPantry(nil), units.Household{Spoons: units.USSpoons})
		if got.Load == nil || got.Load.Cut != c.cut || got.Load.Pieces != c.pieces || got.Load.PieceMassG != c.g || got.Servings != c.servings {
			t.Errorf("%s: %+v for %d", c.file, got.Load, got.Servings)
			continue
		}
		if got.Coat.ID != c.coat || got.Heat == nil || *got.Heat != c.heat {
			t.Errorf("%s: coat %s, heat %+v", c.file, got.Coat.ID, got.Heat)
		}
		in := func(items []larder.Item, id string) bool {
			return slices.ContainsFunc(items, func(i larder.Item) bool { return i.Ingredient == id })
		}
		if m := got.Bench.Marinade; c.marinade != "" && (m == nil || !in(m.Items, c.marinade) || c.hours > 0 && m.Hours != c.hours) {
			t.Errorf("%s: marinade %+v", c.file, m)
		}
		if mm := got.Load.ThicknessMm; (mm != nil) != (c.thick > 0) || mm != nil && *mm != c.thick {
			t.Errorf("%s: its thickness is %v", c.file, mm)
		}
		if c.line != "" && !slices.ContainsFunc(got.Lines, func(l recipe.Line) bool { return strings.Contains(l.Says, c.line) }) {
			t.Errorf("%s does not say %q: %+v", c.file, c.line, got.Lines)
		}
		if s := got.Bench.Sauces; c.sauce != "" && (len(s) != max(1, c.sauces) || !in(s[0].Sauce.Items, c.sauce)) {
			t.Errorf("%s: sauces %+v", c.file, s)
		}
		open := 0
		for _, l := range got.Lines {
			if !l.Understood && !l.Step {
				open++
			}
		}
		if open != c.notUnderstood {
			t.Errorf("%s: %d lines of ingredients are not understood: %+v", c.file, open, got.Lines)
		}
	}
}

// What is longer than any recipe is refused at once, whatever it is made of.
func TestAWallOfTextIsRefused(t *testing.T) {
	for name, raw := range map[string]string{
		"lines": strings.Repeat("200 g of flour\n", 70_000),
		"page":  "<!doctype html><html>" + strings.Repeat("<p>Mix 200 g of flour</p>", 70_000),
	} {
		_, _, err := ReadRecipe([]byte(raw))
		if err == nil || !strings.Contains(err.Error(), "70000 lines") && !strings.Contains(err.Error(), "lines") {
			t.Errorf("%s: %v", name, err)
		}
	}
}
