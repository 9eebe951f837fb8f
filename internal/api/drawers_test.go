package api_test

import (
	"math"
	"strings"
	"testing"

	"velocrustum/internal/api"
)

const leftAndRight = `{"fryer": {"drawers": 2, "powerW": 2400}, "chambers": [
 {"lots": [{"load": {"cut": "chicken-thigh-bone-in", "pieces": 4, "pieceMassG": 150}, "coat": {"id": "bare"}, "bench": {"drying": {}, "coating": {}, "salting": {"school": "dry", "hours": 4, "targetPct": 1}}}],
  "program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": 36}], "turns": [{"atMin": 18, "kind": "flip"}]}},
 {"lots": [{"load": {"cut": "chicken-drumstick", "pieces": 3, "pieceMassG": 105}, "coat": {"id": "oil-rub", "oilG": 3}}, {"load": {"cut": "prawn", "pieces": 4, "pieceMassG": 18}, "coat": {"id": "starch-dust", "oilG": 1}, "inMin": 18}],
  "program": {"preheatMin": 3, "stages": [{"airC": 185, "minutes": 27}]}, "startMin": 9}]}`

// Two drawers are answered each by itself and both together, by the contract;
// where one dish is meant they are refused in words, and not read as none.
func TestTwoDrawersRunApart(t *testing.T) {
	k := newKitchen(t, "")
	a := get[api.Answered](k, 200, "POST", "/api/v1/simulations", leftAndRight)
	if len(a.Chambers) != 2 || len(a.Chambers[1].Lots) != 2 || a.Chambers[1].StartMin != 9 || len(a.Laid) != 3 || a.Laid[0].Coat.SaltPct <= 0 {
		t.Fatalf("%d drawers: %+v", len(a.Chambers), a.Verdict)
	}
	left, right := a.Chambers[0], a.Chambers[1]
	if a.Verdict.Says == "" || left.Chance == nil || right.Lots[1].InMin != 18 || math.Abs(*a.SafeAtMin-max(*left.SafeAtMin, *right.SafeAtMin+9)) > 1e-9 {
		t.Errorf("%+v", a.Verdict)
	}
	if n := len(a.Plug); n < 60 || a.Plug[0].Minute > -3 {
		t.Errorf("the plug has %d moments, from %+v", n, a.Plug[0])
	}
	for path, body := range map[string]string{
		"/bench": leftAndRight, "/pan": leftAndRight, "/recommendations": leftAndRight, "/baskets": leftAndRight,
	} {
		if p := get[api.Problem](k, 422, "POST", "/api/v1"+path, body); (*p.Errors)[0].Field != "chambers" {
			t.Errorf("%s: %+v", path, *p.Errors)
		}
	}
	for spoilt, field := range map[string]string{
		strings.Replace(leftAndRight, `"drawers": 2`, `"drawers": 1`, 1):                                                   "fryer.drawers",
		strings.Replace(leftAndRight, `"pieces": 3`, `"pieces": 0`, 1):                                                     "chambers[1].lots[0].load.pieces",
		strings.Replace(leftAndRight, `"startMin": 9`, `"startMin": 999`, 1):                                               "chambers[1].startMin",
		strings.Replace(leftAndRight, `"chambers"`, `"program": {"stages": [{"airC": 190, "minutes": 9}]}, "chambers"`, 1): "chambers",
		strings.Replace(leftAndRight, `"hours": 4`, `"hours": 9000`, 1):                                                    "chambers[0].lots[0].bench.salting.hours",
	} {
		w := k.send("POST", "/api/v1/simulations", spoilt)
		if w.Code == 200 || !strings.Contains(w.Body.String(), strings.NewReplacer("[0]", "", "[1]", "").Replace(field)) && !strings.Contains(w.Body.String(), field) {
			t.Errorf("%s: %d %s", field, w.Code, w.Body)
		}
	}
}
