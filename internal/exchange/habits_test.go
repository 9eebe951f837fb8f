package exchange

import (
	"fmt"
	"math"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/recipe"
	"velocrustum/core/units"
)

// asked is what has to be understood of a line: one of the places, the ingredient or cut,
// and its grams, hours, or heat.
type asked struct {
	text, says string
}

// habits reads a recipe with what has to be understood of each line behind a mark, and of
// the whole in its last line.
func habits(t *testing.T, file string) (text string, lines []asked, whole string) {
	t.Helper()
	raw, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	var b strings.Builder
	for line := range strings.SplitSeq(string(raw), "\n") {
		if says, is := strings.CutPrefix(line, "= "); is {
			whole = says
			continue
		}
		line, says, marked := strings.Cut(line, " » ")
		if marked {
			lines = append(lines, asked{line, says})
		}
		b.WriteString(line + "\n")
	}
	return b.String(), lines, whole
}

// wrong says why what was understood of a line is not what it says, "" where it is.
func wrong(l recipe.Line, says string) string {
	f := strings.Fields(says)
	as := strings.Split(f[0], "|")
	near := func(got float64, want string, share float64) bool {
		w, _ := strconv.ParseFloat(want, 64)
		return math.Abs(got-w) <= share*w+0.05
	}
	for _, a := range as {
		switch a {
		case "open":
			continue
		case "note":
			if l.Ingredient == "" && (l.As == recipe.AsNote || l.Step) && l.Heat == nil && l.Hours == 0 {
				return ""
			}
		case "side":
			if l.As == recipe.AsSide {
				return ""
			}
		case "hours":
			if near(l.Hours, f[len(f)-1], 0.05) {
				return ""
			}
		case "heat":
			if h := l.Heat; h != nil && (f[1] == "-" || h.Kind == f[1]) && near(h.TempC, f[2], 0.01) && (f[3] == "0" || near(h.Minutes, f[3], 0.01)) {
				return ""
			}
			if l.Heat == nil && f[3] == "0" {
				return "" // a preheat alone changes nothing
			}
		case recipe.AsFood:
			if l.As == a && near(l.G, f[2], 0.06) {
				return ""
			}
		default:
			if l.As == a && (len(f) < 2 || l.Ingredient == f[1] && near(l.G, f[2], 0.12)) {
				return ""
			}
		}
	}
	return fmt.Sprintf("%s %s %g g, heat %v, %g h", l.As, l.Ingredient, l.G, l.Heat, l.Hours)
}

// Two hundred lines of recipes of many habits: of what is taken for understood nothing is
// wrong, and most is understood.
func TestTwoHundredLines(t *testing.T) {
	files, err := filepath.Glob(filepath.Join("testdata", "habits", "*"))
	if err != nil || len(files) < 20 {
		t.Fatalf("%d recipes: %v", len(files), err)
	}
	total, open := 0, 0
	for _, file := range files {
		name := filepath.Base(file)
		raw, lines, whole := habits(t, file)
		text, _, err := ReadRecipe([]byte(raw))
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		got := recipe.Understand(text, nil, prep.NewPantry(nil), units.Household{Spoons: units.MetricSpoons})
		seen := map[int]bool{}
		for _, want := range lines {
			bare := strings.TrimSpace(strings.Trim(strings.TrimSpace(want.text), "|-*• "))
			found := -1
			for i := range got.Lines {
				if !seen[i] && strings.Contains(strings.ReplaceAll(bare, " | ", " "), got.Lines[i].Text) {
					found = i
					break
				}
			}
			if found < 0 {
				t.Errorf("%s: %q is no line of it", name, bare)
				continue
			}
			seen[found] = true
			l := got.Lines[found]
			total++
			if !l.Understood {
				open++
				if !strings.Contains(want.says, "open") {
					t.Logf("%s: open, though it says %q: %q: %s", name, want.says, l.Text, l.Says)
				}
				continue
			}
			if why := wrong(l, want.says); why != "" {
				t.Errorf("%s: %q is taken in silence for %s: %s", name, l.Text, why, l.Says)
			}
		}
		for _, claim := range strings.Split(whole, "; ") {
			if why := holds(got, claim); claim != "" && why != "" {
				t.Errorf("%s: %s, but %s", name, claim, why)
			}
		}
	}
	if share := float64(total-open) / float64(total); total < 200 || share < 0.85 {
		t.Errorf("%d of %d lines are understood, %.0f %%", total-open, total, 100*share)
	}
	t.Logf("%d of %d lines are understood", total-open, total)
}

// holds says what is the case where a claim of a recipe does not hold.
func holds(u recipe.Understood, claim string) string {
	f := strings.Fields(claim)
	if len(f) == 0 {
		return ""
	}
	number := func(s string) float64 {
		v, _ := strconv.ParseFloat(s, 64)
		return v
	}
	switch f[0] {
	case "heat":
		if h := u.Heat; h == nil || h.Kind != f[1] || math.Abs(h.TempC-number(f[2])) > 1 || math.Abs(h.Minutes-number(f[3])) > 0.1 {
			return fmt.Sprintf("%+v", h)
		}
	case "program":
		got := ""
		if u.Program != nil {
			for _, s := range u.Program.Stages {
				got += fmt.Sprintf(" %gx%g", s.AirC, s.Minutes)
			}
		}
		if strings.TrimSpace(got) != strings.Join(f[1:], " ") {
			return got
		}
	case "turns":
		got := ""
		if u.Program != nil {
			for _, s := range u.Program.Turns {
				got += fmt.Sprintf(" %g", s.AtMin)
			}
		}
		if strings.TrimSpace(got) != strings.Join(f[1:], " ") {
			return got
		}
	case "pre":
		if u.Program == nil || u.Program.PreheatMin != number(f[1]) {
			return fmt.Sprintf("%+v", u.Program)
		}
	case "hours":
		if m := u.Bench.Marinade; m == nil || math.Abs(m.Hours-number(f[1])) > 0.02 {
			return fmt.Sprintf("%+v", m)
		}
	case "servings":
		if u.Servings != int(number(f[1])) {
			return fmt.Sprint(u.Servings)
		}
	case "frozen":
		if u.Load == nil || u.Load.StartC == nil || *u.Load.StartC > -10 {
			return "it is not"
		}
	case "cooked":
		if u.Load == nil || u.Load.State != "cooked" {
			return "it is not"
		}
	case "none":
		if u.Program != nil && len(u.Program.Stages) > load.MaxStages {
			return "it has one"
		}
	}
	return ""
}
