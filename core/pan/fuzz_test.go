package pan

import (
	"encoding/json"
	"errors"
	"math"
	"testing"

	"velocrustum/core/larder"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// Any sauce that is let through is made: no figure is lost, nothing is more
// than what went in, and its words are whole. What is not is refused by name.
func FuzzSauce(f *testing.F) {
	for _, seed := range []string{
		`{"sauce": {"school": "reduce", "items": [{"ingredient": "honey", "g": 90}, {"ingredient": "water", "g": 60}]}}`,
		`{"how": "beside", "sauce": {"school": "mix", "items": [{"ingredient": "mayonnaise", "g": 60}]}}`,
		`{"share": 0.3, "dipG": 20, "sauce": {"school": "thicken", "starch": "wheat-flour", "simmerMin": 40, "items": [{"ingredient": "stock", "g": 0.5}]}}`,
		`{"sauce": {"school": "melt", "clingsG": 4, "items": [{"ingredient": "butter", "g": 5000}, {"ingredient": "sweet-pepper", "g": 1}]}}`,
		`{"beforeMin": 3, "sauce": {"school": "loosen", "first": ["jam"], "items": [{"ingredient": "jam", "g": 1}]}}`,
		`{"sauce": {"items": []}}`, `{"sauce": {"school": "boil"}}`, `{`,
	} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		var s Serving
		if json.Unmarshal([]byte(text), &s) != nil {
			return
		}
		m, err := Make(s, SaucedFood{Surface: 12, Servings: 3}, larder.Shelf)
		var fields refuse.Fields
		if err != nil {
			if !errors.As(err, &fields) || len(fields) == 0 {
				t.Fatalf("%s: %v", text, err)
			}
			return
		}
		for name, v := range map[string]float64{"made": m.MadeG, "on the food": m.OnFoodG, "eaten": m.EatenG, "left": m.LeftG, "clings": m.ClingsG, "ready": m.ReadyMin, "waits": m.WaitMin,
			"spoon": m.SpoonG, "starch": m.StarchG, "water": m.WaterG, "salt": m.Eaten.SaltG, "sugar": m.SugarPct, "kept": m.KeptMin, "late": m.LateMin, "energy": m.Eaten.Kcal()} {
			if math.IsNaN(v) || math.IsInf(v, 0) || v < -1e-6 {
				t.Errorf("%s: %s is %g", text, name, v)
			}
		}
		in := m.StarchG + m.SlurryG + m.WaterG
		for _, it := range m.Items {
			in += it.G
		}
		if m.MadeG > in*(1+1e-9)+1e-6 || m.EatenG > m.MadeG*(1+1e-6)+1e-6 {
			t.Errorf("%s: %.3f g made of %.3f, %.3f eaten", text, m.MadeG, in, m.EatenG)
		}
		for i := 1; i < len(m.Line); i++ {
			if m.Line[i].Minute < m.Line[i-1].Minute {
				t.Errorf("%s: minute %g after %g", text, m.Line[i].Minute, m.Line[i-1].Minute)
			}
		}
		if told := m.Tell(s, larder.Shelf, units.Household{}); told.Makes == "" || m.MadeG > 0 && (told.Reads == "" || told.Waits == "" || len(told.Steps) == 0) {
			t.Errorf("%s: %+v", text, told)
		}
	})
}
