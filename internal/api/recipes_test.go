package api_test

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"velocrustum/internal/api"
)

func readRecipe(k *kitchen, text, more string) api.RecipeRead {
	k.t.Helper()
	fryers := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")
	quoted, err := json.Marshal(text)
	if err != nil {
		k.t.Fatal(err)
	}
	return get[api.RecipeRead](k, 200, "POST", "/api/v1/recipes", fmt.Sprintf(`{"text": %s, "fryerId": %q%s}`, quoted, fryers[0].ID, more))
}

// What leaves comes in again as the same dish: over the demo's and over random
// changes of them, as JSON-LD and as Markdown.
func TestADishLeavesAndComesInAsItIs(t *testing.T) {
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
			w := k.send("GET", "/api/v1/plans/"+p.Id+"/recipe?as="+as, "")
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

func TestARecipeFromElsewhereIsBroughtToTheFryer(t *testing.T) {
	k := newKitchen(t, "")
	text := "Buttermilk drumsticks\nServes 4\nIngredients\n8 chicken drumsticks (900 g)\n2 cups buttermilk\n1 tbsp salt\n1 cup flour\n2 tbsp moon dust\nMethod\n1. Marinate in buttermilk and salt for 4 hours.\n2. Dredge in flour.\n3. Deep fry at 340°F for 14 minutes.\n"
	got := readRecipe(k, text, "")
	if got.Dish == nil || got.Own != nil || got.Converted == nil || *got.Converted == "" || got.Dish.Load.Cut != "chicken-drumstick" || got.Dish.Load.Pieces != 8 || got.Dish.Bench.Marinade == nil || got.Dish.Bench.Marinade.Hours != 4 {
		t.Fatalf("%+v", got)
	}
	minutes := 0.0
	for _, st := range got.Dish.Program.Stages {
		minutes += st.Minutes
	}
	if minutes < 15 || minutes > 45 {
		t.Errorf("14 min in oil are %g min in the fryer", minutes)
	}
	if len(got.Unknown) != 1 || got.Unknown[0] != "moon dust" || got.Lines[4].Understood {
		t.Errorf("unknown %q, line %+v", got.Unknown, got.Lines[4])
	}
	if kept := readRecipe(k, text, `, "fixes": [{"line": 4, "ingredient": "spices", "as": "marinade", "g": 10}, {"line": 0, "pieces": 6}]`); len(kept.Unknown) != 0 || kept.Dish.Load.Pieces != 6 || !kept.Lines[4].Understood {
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
		if w := k.send("POST", "/api/v1/recipes", body); w.Code != 422 || !strings.Contains(strings.ToLower(w.Body.String()), want) {
			t.Errorf("%s: %d %s", body, w.Code, w.Body)
		}
	}
}
