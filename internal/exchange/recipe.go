package exchange

import (
	"encoding/json"
	"fmt"
	"math"
	"strings"
	"time"

	"velocrustum/core/recipe"
)

// term is what the dish itself stands under in a recipe that leaves, so that it
// comes in again as it was: JSON of the contract's PlanInput.
const term = "velocrustum:dish"

// duration is a time as ISO 8601 has it.
func duration(minutes float64) string {
	m := int(math.Round(minutes))
	switch {
	case m >= 60 && m%60 == 0:
		return fmt.Sprintf("PT%dH", m/60)
	case m >= 60:
		return fmt.Sprintf("PT%dH%dM", m/60, m%60)
	}
	return fmt.Sprintf("PT%dM", m)
}

// RecipeLD writes a dish as a schema.org Recipe in JSON-LD, with the dish
// itself as a JSON literal of its own term.
func RecipeLD(r recipe.Recipe, own json.RawMessage, made time.Time) ([]byte, error) {
	var steps []any
	for k, s := range r.Steps {
		step := map[string]any{"@type": "HowToStep", "position": k + 1, "text": s.Says}
		if s.Minutes >= 0.5 {
			step["timeRequired"] = duration(s.Minutes)
		}
		steps = append(steps, step)
	}
	for _, c := range r.Cautions {
		steps = append(steps, map[string]any{"@type": "HowToTip", "text": c})
	}
	gram := func(v float64) string { return fmt.Sprintf("%.0f g", v) }
	return json.MarshalIndent(map[string]any{
		"@context":           []any{"https://schema.org", map[string]any{"velocrustum": "urn:velocrustum:", term: map[string]any{"@id": "urn:velocrustum:dish", "@type": "@json"}}},
		"@type":              "Recipe",
		"name":               r.Name,
		"cookingMethod":      "Air frying",
		"dateModified":       made.UTC().Format(time.DateOnly),
		"recipeYield":        fmt.Sprintf("%d servings", r.Servings),
		"recipeIngredient":   r.Ingredients,
		"recipeInstructions": steps,
		"prepTime":           duration(r.PrepMin),
		"cookTime":           duration(r.CookMin),
		"totalTime":          duration(r.PrepMin + r.CookMin),
		"nutrition": map[string]any{"@type": "NutritionInformation", "servingSize": gram(r.Plate.MassG), "calories": fmt.Sprintf("%.0f kcal", r.Plate.Kcal), "fatContent": gram(r.Plate.FatG),
			"carbohydrateContent": gram(r.Plate.CarbG), "proteinContent": gram(r.Plate.ProteinG), "sodiumContent": fmt.Sprintf("%.0f mg", r.Plate.SaltG*393)},
		term: own,
	}, "", "  ")
}

// fence begins the block in which the dish itself stands in a Markdown recipe.
const fence = "```velocrustum"

// RecipeMarkdown writes a dish as a recipe to be read, with the dish itself
// behind it.
func RecipeMarkdown(r recipe.Recipe, own json.RawMessage) string {
	var b strings.Builder
	fmt.Fprintf(&b, "# %s\n\n%d servings, about %.0f min of preparing and waiting, %.0f min in the fryer.\n\n## Ingredients\n\n", escaped.Replace(r.Name), r.Servings, math.Round(r.PrepMin), math.Round(r.CookMin))
	for _, i := range r.Ingredients {
		fmt.Fprintf(&b, "- %s\n", escaped.Replace(i))
	}
	b.WriteString("\n## Steps\n\n")
	for k, s := range r.Steps {
		fmt.Fprintf(&b, "%d. %s\n", k+1, escaped.Replace(s.Says))
	}
	b.WriteString("\n## Take care\n\n")
	for _, c := range r.Cautions {
		fmt.Fprintf(&b, "- %s\n", escaped.Replace(c))
	}
	fmt.Fprintf(&b, "\nA serving: %.0f g, %.0f kcal, %.0f g fat, %.0f g carbohydrate, %.0f g protein, %.1f g salt.\n\n%s\n%s\n```\n", r.Plate.MassG, r.Plate.Kcal, r.Plate.FatG, r.Plate.CarbG, r.Plate.ProteinG, r.Plate.SaltG, fence, own)
	return b.String()
}
