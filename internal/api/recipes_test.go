package api_test

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/load/loadtest"
	"velocrustum/core/sheet"
	"velocrustum/internal/api"
)

// What leaves comes in again as the same dish: over the demo's and over random
// changes of them, as JSON-LD and as Markdown.
func TestADishLeavesAndComesInAsItIs(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	r := rand.New(rand.NewPCG(3, 1))
	for _, p := range get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "") {
		in := map[string]any{}
		b, _ := json.Marshal(p)
		_ = json.Unmarshal(b, &in)
		for _, key := range []string{"id", "version", "changedAt"} {
			delete(in, key)
		}
		in["name"] = fmt.Sprintf("%s *%d* <b>", p.Name, r.IntN(100))
		stage := in["program"].(map[string]any)["stages"].([]any)[0].(map[string]any)
		stage["minutes"] = stage["minutes"].(float64) + float64(r.IntN(6))/2
		body, _ := json.Marshal(in)
		kept := get[api.Plan](k, 200, "PUT", "/api/v1/plans/"+p.Id, string(body))
		want, _ := json.Marshal(kept)
		for _, as := range []string{"jsonld", "markdown"} {
			w := k.Send("GET", "/api/v1/plans/"+p.Id+"/recipe?as="+as, "")
			if w.Code != 200 {
				t.Fatalf("%s as %s: %d %s", p.Name, as, w.Code, w.Body)
			}
			got := readRecipe(k, w.Body.String(), "")
			if got.Own == nil || got.Dish == nil {
				t.Errorf("%s as %s is not known again: %v", p.Name, as, got.Missing)
				continue
			}
			put, _ := json.Marshal(got.Dish)
			again := get[api.Plan](k, 200, "PUT", "/api/v1/plans/"+p.Id, string(put))
			again.Version, again.ChangedAt = kept.Version, kept.ChangedAt
			if have, _ := json.Marshal(again); string(have) != string(want) {
				t.Errorf("%s as %s:\n%s\nwas\n%s", p.Name, as, have, want)
			}
			if len(got.Lines) < 3 {
				t.Errorf("%s as %s has %d lines", p.Name, as, len(got.Lines))
			}
		}
	}
}

// anyDish is a dish of anything the catalog has.
func anyDish(r *rand.Rand, c api.Catalog, fryer string, n int) map[string]any {
	pick := func(of ...string) string { return of[r.IntN(len(of))] }
	cut := c.Cuts[n%len(c.Cuts)]
	load := map[string]any{"cut": cut.Id, "pieces": 1 + r.IntN(6), "pieceMassG": math.Round(cut.TypicalG * (0.8 + 0.4*r.Float64())), "surface": pick("wet", "wiped", "racked")}
	program := map[string]any{"preheatMin": r.IntN(5), "stages": []any{map[string]any{"airC": 160 + 5*r.IntN(6), "minutes": 6 + r.IntN(20)}, map[string]any{"airC": 180 + 5*r.IntN(5), "minutes": 2 + r.IntN(8)}},
		"turns": []any{map[string]any{"atMin": 3 + r.IntN(3), "kind": pick("flip", "shake", "check")}}}
	bench := map[string]any{"servings": 1 + r.IntN(6), "drying": map[string]any{"school": pick("wet", "wipe")}, "coating": map[string]any{}}
	switch r.IntN(3) {
	case 0:
		bench["salting"] = map[string]any{"school": "dry", "salt": "salt-sea", "targetPct": 0.5 + r.Float64(), "hours": 0.5 * float64(1+r.IntN(4))}
	case 1:
		bench["marinade"] = map[string]any{"hours": 1 + r.IntN(4), "forG": 500, "items": []any{map[string]any{"ingredient": pick("yoghurt", "soy-light", "harissa"), "g": 20 + r.IntN(80)}, map[string]any{"ingredient": "garlic", "g": 5.5}}}
	}
	if r.IntN(2) == 0 {
		bench["sauces"] = []any{map[string]any{"name": "Ünlike <any> *other* \"sauce\"", "how": pick("toss", "brush", "up", "beside"), "sauce": map[string]any{"school": "reduce", "widthCm": 20, "clingsG": 6,
			"items": []any{map[string]any{"ingredient": "honey", "g": 40 + r.IntN(40)}, map[string]any{"ingredient": "water", "g": 50}}}}}
	}
	if r.IntN(2) == 0 {
		bench["finish"] = []any{map[string]any{"ingredient": pick("sesame", "salt-flake", "herbs"), "g": 1 + r.IntN(5)}}
	}
	in := map[string]any{"name": fmt.Sprintf("Dish %d: \\`*_#[x](y) & </script>", n), "fryerId": fryer, "load": load, "coat": map[string]any{"id": pick("bare", "oil-rub", "starch-dust"), "oilG": r.IntN(9)}, "program": program, "bench": bench}
	if n%2 == 1 {
		anyLots(r, c, in)
	}
	if r.IntN(2) == 0 {
		in["tableTime"] = fmt.Sprintf("%02d:%02d", r.IntN(24), r.IntN(60))
	}
	return in
}

// anyLots makes a dish one of two to four lots: its own pieces, and others with
// benches of their own, some of which go in later or come out sooner.
func anyLots(r *rand.Rand, c api.Catalog, in map[string]any) {
	bench := in["bench"].(map[string]any)
	own, all := map[string]any{}, map[string]any{"drying": map[string]any{}, "coating": map[string]any{}}
	for field, v := range bench {
		if field == "servings" || field == "sauces" && r.IntN(2) == 0 {
			all[field] = v
		} else {
			own[field] = v
		}
	}
	lots := []any{map[string]any{"load": in["load"], "coat": in["coat"], "bench": own}}
	for k := range 1 + r.IntN(3) {
		cut := c.Cuts[r.IntN(len(c.Cuts))]
		if r.IntN(3) == 0 { // another of the same
			cut = c.Cuts[slices.IndexFunc(c.Cuts, func(o api.CutInfo) bool { return o.Id == in["load"].(map[string]any)["cut"] })]
		}
		lot := map[string]any{"load": map[string]any{"cut": cut.Id, "pieces": 1 + r.IntN(2), "pieceMassG": cut.TypicalG}, "coat": map[string]any{"id": "starch-dust", "oilG": 1.5}}
		if r.IntN(2) == 0 {
			lot["name"] = fmt.Sprintf("Lot <%d> & *others*", k+1)
		}
		if r.IntN(3) == 0 {
			lot["inMin"] = 1 + r.IntN(3)
		}
		if r.IntN(3) == 0 {
			lot["outMin"] = 5 + r.IntN(2)
		}
		if r.IntN(2) == 0 {
			lot["bench"] = map[string]any{"drying": map[string]any{"school": "wipe"}, "coating": map[string]any{}, "finish": []any{map[string]any{"ingredient": "herbs", "g": 2}}}
		}
		lots = append(lots, lot)
	}
	program := in["program"].(map[string]any)
	program["turns"] = append(program["turns"].([]any), map[string]any{"atMin": 4, "kind": "flip", "lots": []any{len(lots) - 1}})
	delete(in, "load")
	delete(in, "coat")
	in["lots"], in["bench"] = lots, all
}

// Whatever a dish is, it comes in again as it left.
func TestAnyDishLeavesAndComesInAsItIs(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	catalog := get[api.Catalog](k, 200, "GET", "/api/v1/catalog", "")
	fryers := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")
	r := rand.New(rand.NewPCG(11, 7))
	tried, several := 0, 0
	all := loadtest.Cases(5 * len(catalog.Cuts) / 4)
	for n := range all {
		body, err := json.Marshal(anyDish(r, catalog, fryers[0].ID, 11*n))
		if err != nil {
			t.Fatal(err)
		}
		id := fmt.Sprintf("/api/v1/plans/any-dish-%d", n)
		w := k.Send("PUT", id, string(body), "If-Match", `"0"`)
		if w.Code != 200 {
			continue // it cannot be: too thick, too full
		}
		var kept api.Plan
		if err := json.Unmarshal(w.Body.Bytes(), &kept); err != nil {
			t.Fatal(err)
		}
		w = k.Send("GET", id+"/recipe?as="+[]string{"jsonld", "markdown"}[n%2], "")
		if w.Code != 200 {
			t.Errorf("%s does not leave: %s", body, w.Body)
			continue
		}
		if tried++; len(kept.Lots) > 1 {
			several++
			lotsAreNamed(k, kept)
		}
		got := readRecipe(k, w.Body.String(), "")
		if got.Own == nil || got.Dish == nil {
			t.Errorf("%s is not known again: %v", body, got.Missing)
			continue
		}
		have, _ := json.Marshal(got.Dish)
		want, _ := json.Marshal(api.PlanInput{Name: kept.Name, FryerId: kept.FryerId, Lots: &kept.Lots, Bench: &kept.Bench, Program: kept.Program, TableTime: kept.TableTime, PerBasket: kept.PerBasket})
		if string(have) != string(want) {
			t.Errorf("it came in as\n%s\nand left as\n%s", have, want)
		}
	}
	if tried < all/2 || several < all/8 {
		t.Errorf("only %d of %d dishes could be, %d of several lots", tried, all, several)
	}
	t.Logf("%d dishes, %d of several lots", tried, several)
}

// lotsAreNamed holds that a sheet buys all lots of a dish, and says of each task
// of the bench which it is of.
func lotsAreNamed(k *kitchen, p api.Plan) {
	k.T.Helper()
	w := k.Send("POST", "/api/v1/sheets", fmt.Sprintf(`{"serveAt": "2026-11-30T19:30:00Z", "people": 2, "hands": 1, "hobs": 2, "warmC": 80, "dishes": [{"planId": %q}]}`, p.Id))
	if w.Code == 422 {
		return // some of it is not safe by its end
	}
	var planned api.Sheet
	if err := json.Unmarshal(w.Body.Bytes(), &planned); err != nil {
		k.T.Fatal(err)
	}
	raw, bought := 0.0, 0.0
	for _, lot := range p.Lots {
		raw += lot.Load.PieceMassG * float64(lot.Load.Pieces)
	}
	for _, need := range planned.Shopping {
		if need.Ingredient == "" {
			bought += need.G
		}
	}
	if math.Abs(raw-bought) > 0.01 {
		k.T.Errorf("%s: %g g go in, and %g g of food are bought", p.Name, raw, bought)
	}
	seen := map[string]string{}
	for _, task := range planned.Tasks {
		if task.Kind != sheet.Bench {
			continue
		}
		if other, ok := seen[task.Says]; ok {
			k.T.Errorf("%s: %s and %s both say %q", p.Name, other, task.ID, task.Says)
		}
		seen[task.Says] = string(task.ID)
	}
}

func TestARecipeFromElsewhereIsBroughtToTheFryer(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	text := "Buttermilk drumsticks\nServes 4\nIngredients\n8 chicken drumsticks (900 g)\n2 cups buttermilk\n1 tbsp salt\n1 cup flour\n2 tbsp moon dust\nMethod\n1. Marinate in buttermilk and salt for 4 hours.\n2. Dredge in flour.\n3. Deep fry at 340°F for 14 minutes.\n"
	got := readRecipe(k, text, "")
	if got.Dish == nil || got.Own != nil || got.Converted == nil || *got.Converted == "" || got.Dish.Lots[0].Load.Cut != "chicken-drumstick" || got.Dish.Lots[0].Load.Pieces != 8 || got.Dish.Lots[0].Bench.Marinade == nil || got.Dish.Lots[0].Bench.Marinade.Hours != 4 {
		t.Fatalf("%+v", got)
	}
	minutes := 0.0
	for _, st := range got.Dish.Program.Stages {
		minutes += st.Minutes
	}
	if minutes < 15 || minutes > 45 {
		t.Errorf("14 min in oil are %g min in the fryer", minutes)
	}
	if len(got.Unknown) != 1 || got.Unknown[0].Ingredient.Name != "moon dust" || got.Unknown[0].Line != 4 || got.Lines[4].Understood {
		t.Errorf("unknown %+v, line %+v", got.Unknown, got.Lines[4])
	}
	if kept := readRecipe(k, text, `, "fixes": [{"line": 4, "ingredient": "spices", "as": "marinade", "g": 10}, {"line": 0, "pieces": 6}]`); len(kept.Unknown) != 0 || kept.Dish.Lots[0].Load.Pieces != 6 || !kept.Lines[4].Understood {
		t.Errorf("put right: %+v", kept)
	}
	// It can be kept as it was read.
	body, _ := json.Marshal(got.Dish)
	if p := get[api.Plan](k, 201, "POST", "/api/v1/plans", string(body)); p.Name != "Buttermilk drumsticks" {
		t.Errorf("kept as %q", p.Name)
	}
	if none := readRecipe(k, "Soup\nIngredients\n1 l stock\nMethod\nBoil it for a while.", ""); none.Dish != nil || len(none.Missing) == 0 {
		t.Errorf("a soup: %+v", none)
	}
	for body, want := range map[string]string{`{"text": "<html></html>", "fryerId": "x"}`: "recipe", `{"text": "1 egg and more\nFry it well, all of it.", "fryerId": "nobody"}`: "fryer"} {
		if w := k.Send("POST", "/api/v1/recipes", body); w.Code != 422 || !strings.Contains(strings.ToLower(w.Body.String()), want) {
			t.Errorf("%s: %d %s", body, w.Code, w.Body)
		}
	}
}

// What is too much for one basket goes in one after another, and that is said;
// what cannot be is said in a cook's words.
func TestARecipeForManyGoesInByBaskets(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	got := readRecipe(k, "Oven wings\nIngredients\n2.4 kg chicken wings\n2 tsp salt\nMethod\nBake at 200 °C for 45 minutes, turning once.\n", "")
	if got.Dish == nil || got.Dish.PerBasket == nil || *got.Dish.PerBasket >= got.Dish.Lots[0].Load.Pieces || got.Converted == nil || !strings.Contains(*got.Converted, fmt.Sprintf("%d go in at a time", *got.Dish.PerBasket)) {
		t.Fatalf("%+v, %v", got.Dish, got.Missing)
	}
	kept := get[api.Plan](k, 201, "POST", "/api/v1/plans", body(t, *got.Dish))
	if w := k.Send("GET", "/api/v1/plans/"+kept.Id+"/recipe?as=markdown", ""); w.Code != 200 || !strings.Contains(w.Body.String(), "Basket 2 of ") {
		t.Errorf("%d %s", w.Code, w.Body)
	}
	got = readRecipe(k, "Duck legs\nIngredients\n4 duck legs, 250 g each\nMethod\nRoast at 140 °C for 2 1/2 hours.\n", "")
	if got.Dish == nil || got.Converted == nil || !strings.Contains(*got.Converted, "150 is not possible") || !strings.Contains(*got.Converted, "the best that was found") {
		t.Errorf("beyond what is converted: %+v, %q", got.Dish, got.Missing)
	}
	got = readRecipe(k, "A feast\nIngredients\n90 kg chicken wings\nMethod\nBake at 200 °C for 45 minutes.\n", "")
	if got.Dish != nil || len(got.Missing) == 0 || !strings.HasPrefix(got.Missing[len(got.Missing)-1], "How many") {
		t.Errorf("%+v, %q", got.Dish, got.Missing)
	}
}
