package exchange

import (
	"encoding/json"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/piprate/json-gold/ld"

	"velocrustum/core/recipe"
)

// vocabulary stands in for schema.org's context, which is not fetched.
type vocabulary struct{}

func (vocabulary) LoadDocument(u string) (*ld.RemoteDocument, error) {
	return &ld.RemoteDocument{DocumentURL: u, Document: map[string]any{"@context": map[string]any{"@vocab": "https://schema.org/"}}}, nil
}

// What leaves is JSON-LD to a general reader of it, of terms that schema.org has
// for these types, with durations as ISO 8601 has them.
func TestARecipeIsJSONLDToOthers(t *testing.T) {
	raw, err := RecipeLD(written, json.RawMessage(`{"name":"Wings","n":1.50}`), time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC))
	if err != nil {
		t.Fatal(err)
	}
	var doc any
	if err := json.Unmarshal(raw, &doc); err != nil {
		t.Fatal(err)
	}
	options := ld.NewJsonLdOptions("")
	options.DocumentLoader, options.ProcessingMode = vocabulary{}, ld.JsonLd_1_1
	got, err := ld.NewJsonLdProcessor().Expand(doc, options)
	if err != nil {
		t.Fatal(err)
	}
	known := map[string][]string{
		"https://schema.org/Recipe":               {"name", "cookingMethod", "dateModified", "recipeYield", "recipeIngredient", "recipeInstructions", "prepTime", "cookTime", "totalTime", "nutrition"},
		"https://schema.org/HowToStep":            {"position", "text", "timeRequired"},
		"https://schema.org/HowToTip":             {"text"},
		"https://schema.org/NutritionInformation": {"servingSize", "calories", "fatContent", "carbohydrateContent", "proteinContent", "sodiumContent"},
	}
	iso := regexp.MustCompile(`^PT(\d+H)?(\d+M)?$`)
	seen := 0
	var walk func(v any)
	walk = func(v any) {
		switch v := v.(type) {
		case []any:
			for _, e := range v {
				walk(e)
			}
		case map[string]any:
			types, ok := v["@type"].([]any)
			if !ok {
				return
			}
			seen++
			terms := known[types[0].(string)]
			for key, sub := range v {
				ours, name := key == "urn:velocrustum:dish", strings.TrimPrefix(key, "https://schema.org/")
				if key == "@type" || ours {
					continue
				}
				if !slices.Contains(terms, name) {
					t.Errorf("%s has no %s", types[0], key)
				}
				if slices.Contains([]string{"prepTime", "cookTime", "totalTime", "timeRequired"}, name) {
					if d := sub.([]any)[0].(map[string]any)["@value"].(string); !iso.MatchString(d) {
						t.Errorf("%s is %q", name, d)
					}
				}
				walk(sub)
			}
		}
	}
	walk(got)
	if seen < 4 {
		t.Errorf("%d nodes: %v", seen, got)
	}
	own := got[0].(map[string]any)["urn:velocrustum:dish"].([]any)[0].(map[string]any)
	if own["@type"] != "@json" || own["@value"].(map[string]any)["name"] != "Wings" {
		t.Errorf("the dish is %v", own)
	}
}

// A heading among a page's ingredients names those that follow it.
func TestHeadingsAmongIngredients(t *testing.T) {
	got, _ := fromLD(map[string]any{"name": "Wings", "recipeIngredient": []any{"1 kg chicken wings", "For the sauce:", "60 g butter", "For the dredge", "80 g flour"}})
	want := []recipe.Said{{Text: "1 kg chicken wings"}, {Text: "60 g butter", Group: "For the sauce"}, {Text: "80 g flour", Group: "For the dredge"}}
	if !slices.Equal(got.Ingredients, want) {
		t.Errorf("%+v", got.Ingredients)
	}
}
