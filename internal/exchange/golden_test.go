package exchange

import (
	"fmt"
	"math/rand/v2"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/recipe"
	"velocrustum/core/refuse/goldentest"
)

// Files of loggers, as many as there are ways to write one, are as they were read.
func TestLoggersFilesAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	east := time.FixedZone("east", 2*3600)
	heads := []string{"", "time;temp", "Date;Time;Probe 1", "elapsed (s);core °F", "min;c", "t;channel 1 (F)", "note;stamp;reading_f", "Datum;Temperatur °C", "day;minute;celsius", "a;b", "at;F"}
	times := []func(i int) string{
		func(i int) string { return fmt.Sprint(10 * i) },
		func(i int) string { return fmt.Sprintf("%.2f", float64(i)/3) },
		func(i int) string { return fmt.Sprintf("23:59:%02d", 50+i) },
		func(i int) string {
			return time.Date(2026, 3, 28, 23, 58+i, 30*(i%2), 0, time.UTC).Format("15:04:05")
		},
		func(i int) string { return time.Date(2026, 3, 28, 23, 58+i, 0, 0, time.UTC).Format("3:04 PM") },
		func(i int) string {
			return time.Date(2026, 3, 13, 18, 2*i, 0, 0, time.UTC).Format("02/01/2006 15:04:05")
		},
		func(i int) string {
			return time.Date(2026, 3, 4, 18, 2*i, 0, 0, time.UTC).Format("01/02/2006 3:04 PM")
		},
		func(i int) string { return time.Date(2026, 3, 4, 18, 2*i, 0, 0, time.UTC).Format(time.RFC3339) },
		func(i int) string { return fmt.Sprintf("PT%dM", i) },
		func(i int) string { return []string{"now", "then", ""}[i%3] },
	}
	r := rand.New(rand.NewPCG(12, 1))
	for i := range 160 {
		head, when := heads[r.IntN(len(heads))], times[r.IntN(len(times))]
		cells := max(2, strings.Count(head, ";")+1)
		var b strings.Builder
		if r.IntN(4) == 0 {
			b.WriteString("Logger of the house\n\n")
		}
		if head != "" {
			b.WriteString(head + "\n")
		}
		unit := []string{"", " °C", "F", " f"}[r.IntN(4)]
		for k := range 3 + r.IntN(4) {
			row := make([]string, cells)
			for c := range row {
				row[c] = fmt.Sprintf("%.1f%s", 4+7.5*float64(k), unit)
			}
			row[0] = when(k)
			if cells > 2 {
				row[0], row[1] = "2026-03-04", when(k)
			}
			switch r.IntN(12) {
			case 0:
				row[cells-1] = "---"
			case 1:
				row = row[:1]
			case 2:
				row[cells-1] = "612.5"
			}
			b.WriteString(strings.Join(row, ";") + "\n")
		}
		text := b.String()
		switch r.IntN(4) {
		case 0:
			text = strings.ReplaceAll(text, ";", ",")
		case 1:
			text = strings.ReplaceAll(text, ";", "\t")
		case 2:
			text = strings.ReplaceAll(text, ".", ",")
		}
		got, err := Logger([]byte(text), east)
		f.Addf(fmt.Sprint("file ", i), "%q", text)
		f.Addf(fmt.Sprint("is ", i), "%v %v, %d left out, dated %v %v, %d readings: %.5g", err, got.Says, got.Skipped, got.Dated, got.Begun, len(got.Reads), got.Reads)
	}
	for _, cell := range []string{"", " 7", "7,5", "1,234.5", "1,234,5", "-3 °C", "°C", "12 F", "1e3", "NaN", "7.5.1", "٣"} {
		v, unit, ok := number(cell)
		f.Addf("cell "+cell, "%g %q %v", v, unit, ok)
	}
	f.Same(t, "loggers.txt")
}

// Recipes of all forms, and as they are cut off or joined wrongly, are as they were read; so
// is what is written of one.
func TestRecipesAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	read := func(name, text string) {
		got, own, err := ReadRecipe([]byte(text))
		f.Addf(name, "%v, its own %d", err, len(own))
		f.Add(t, name, got)
	}
	var names []string
	for _, pattern := range []string{"testdata/*", "testdata/habits/*"} {
		more, err := filepath.Glob(pattern)
		if err != nil {
			t.Fatal(err)
		}
		names = append(names, more...)
	}
	r := rand.New(rand.NewPCG(13, 1))
	for _, name := range names {
		raw, err := os.ReadFile(name)
		if err != nil || slices.Contains([]string{"loggers.txt", "recipes.txt", "written.txt"}, filepath.Base(name)) {
			continue // a folder, or what these tests hold
		}
		text := string(raw)
		read(name, text)
		lines := strings.Split(text, "\n")
		for k := range 2 {
			cut := append([]string(nil), lines...)
			at := r.IntN(len(cut))
			switch k {
			case 0:
				cut = append(cut[:at], cut[min(len(cut), at+1+r.IntN(3)):]...)
			case 1:
				cut[at] = []string{"", "## Sauce", "Serves 3 to 4", "For the dip:", "1. 2 eggs", "Prep: 1 h 20 min", "* * *"}[r.IntN(7)]
			}
			read(fmt.Sprint(name, " ", k), strings.Join(cut, "\n"))
		}
	}
	for i, text := range []string{
		`{"@graph":[{"@type":"Thing"},{"@type":["Recipe"],"name":["A","B"],"recipeYield":6,"recipeIngredient":"1 egg\n2 tsp salt","recipeInstructions":"Beat.\nFry.","prepTime":"PT1H","cookTime":"P0DT20M","totalTime":"80"}]}`,
		`{"@type":"Recipe","name":"X","recipeYield":["4 to 6 people"],"recipeIngredient":["a","",null,3],"recipeInstructions":{"@type":"HowToSection","name":"S","itemListElement":[{"text":"One"},"Two",{"name":"Three"},{"itemListElement":["Four"]}]}}`,
		`<html><head><title>T</title></head><body><nav>no</nav><h1>Fish</h1><p>Serves 2</p><h2>Ingredients</h2><ul><li>2 fillets<li>1 egg</ul><h2>Method</h2><ol><li>Dip.</li><li>Fry at 190 °C for 8 min.</li></ol><footer>no</footer></body></html>`,
		`[{"@type":"Person"},{"@type":"Recipe","name":"Y","recipeIngredient":["1 egg"]}]`,
		`{"@type":"Person"}`,
		`{"@type":"Recipe"`,
		`   `,
		`{"@type":"Recipe","name":"Z"}`,
	} {
		read(fmt.Sprint("document ", i), text)
	}
	f.Same(t, "recipes.txt")
}

// What leaves is as it was read.
func TestWhatIsWrittenIsAsItWasRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	made := time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC)
	bare := recipe.Recipe{Name: "Bare", Ingredients: []string{"1 egg"}, Steps: []recipe.Instruction{{Says: "Beat it."}}}
	for _, r := range []recipe.Recipe{written, bare} {
		for _, own := range []string{"", `{"name":"Wings"}`} {
			ld, err := RecipeLD(r, []byte(own), made)
			f.Addf(r.Name, "%s %v", ld, err)
			f.Addf(r.Name, "%s", RecipeMarkdown(r, []byte(own)))
		}
	}
	f.Addf("calendar", "%s", Calendar("card-night", "Card night", evening, night.Add(-24*time.Hour), 3))
	for _, hours := range []int{-11, 0, 9} {
		f.Addf("sheet", "%s", Markdown("Card night", evening, time.FixedZone("there", hours*3600)))
	}
	f.Same(t, "written.txt")
}
