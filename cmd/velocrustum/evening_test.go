package main

import (
	"encoding/json"
	"errors"
	"strings"
	"testing"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/sheet"
)

const supper = `{"serveAt": "2026-12-05T19:30:00+01:00", "earliest": "2026-12-05T15:00:00Z", "hands": 1, "hobs": 2, "oven": {"warmC": 95},
 "fryers": [{"id": "square", "fryer": {"kind": "drawer", "powerW": 1500, "basket": {"shape": "rectangle", "widthMm": 230, "depthMm": 230}}}],
 "dishes": [{"id": "wings", "fryerId": "square", "perBasket": 12, "sauceId": "glaze", "how": "toss",
   "request": {"load": {"cut": "chicken-wing-flat", "pieces": 24, "pieceMassG": 43, "surface": "wiped"}, "coat": {"id": "starch-dust", "oilG": 6},
     "program": {"preheatMin": 4, "stages": [{"airC": 200, "minutes": 18}], "turns": [{"atMin": 10, "kind": "flip"}]}}}],
 "sauces": [{"id": "glaze", "handsMin": 3, "simmerMin": 15, "holdsMin": 20}],
 "sides": [{"id": "slaw", "steps": [{"says": "Shred", "place": "board", "minutes": 10, "hands": 1}], "holdsMin": 60}]}`

func TestSheetFromInput(t *testing.T) {
	out, _, err := run(t, supper, "sheet", "-")
	if err != nil {
		t.Fatal(err)
	}
	var got sheet.Sheet
	if err := json.Unmarshal([]byte(out), &got); err != nil {
		t.Fatal(err)
	}
	table := time.Date(2026, 12, 5, 18, 30, 0, 0, time.UTC)
	if !got.OnTime || !got.ServeAt.Equal(table) || len(got.Plate) != 2 || got.Plate[0].Dish != "wings" || len(got.Chance) < 2 {
		t.Errorf("on the table %s, on time %v, %d on the plate", got.ServeAt, got.OnTime, len(got.Plate))
	}
	again, _, err := run(t, supper, "sheet", "-")
	if err != nil || again != out {
		t.Errorf("the same supper has another sheet (%v)", err)
	}
	// No room for all of it: the earliest that can, and what stands in the way.
	late, _, err := run(t, strings.Replace(supper, "15:00:00Z", "18:10:00Z", 1), "sheet", "-")
	if err != nil {
		t.Fatal(err)
	}
	if err := json.Unmarshal([]byte(late), &got); err != nil || got.OnTime || got.Why == "" || !got.ServeAt.After(table) {
		t.Errorf("begun twenty minutes before: on time %v at %s, because %q (%v)", got.OnTime, got.ServeAt, got.Why, err)
	}
	for spoilt, says := range map[string]string{
		strings.Replace(supper, `"hands": 1, "hobs"`, `"hands": 12, "hobs"`, 1): "hands: 12",
		strings.Replace(supper, "chicken-wing-flat", "dodo", 1):                 "dishes[0].request.load.cut",
		strings.Replace(supper, "2026-12-05T19:30:00+01:00", "supper time", 1):  "2026-12-05T19:30:00Z",
		strings.Replace(supper, `"hobs": 2`, `"rings": 2`, 1):                   "rings: unknown field",
		supper + "{}": "(end of request)",
	} {
		out, wrong, err := run(t, spoilt, "sheet", "-")
		if !errors.Is(err, errInput) || !strings.Contains(wrong, says) || out != "" {
			t.Errorf("want %q, got %q (%v)", says, wrong, err)
		}
	}
}

func TestReplayFromInput(t *testing.T) {
	doc := `{"request": ` + wings + `, "events": [{"atMin": 8, "kind": "probe", "c": 48, "piece": "thickest"}, {"atMin": 12, "kind": "look", "shade": "straw"}, {"atMin": 12, "kind": "turned"}]}`
	out, _, err := run(t, doc, "replay", "-")
	if err != nil {
		t.Fatal(err)
	}
	var got struct {
		Forecasts []belief.Foreseen `json:"forecasts"`
	}
	if err := json.Unmarshal([]byte(out), &got); err != nil || len(got.Forecasts) != 4 {
		t.Fatalf("%d forecasts (%v)", len(got.Forecasts), err)
	}
	for i, f := range got.Forecasts {
		if f.SafeByMin == nil || f.SafeAtMin == nil || *f.SafeAtMin > *f.SafeByMin || f.CoreC < 0 || f.Says == "" {
			t.Errorf("forecast %d: %+v", i, f)
		}
	}
	for spoilt, says := range map[string]string{
		strings.Replace(doc, `"c": 48`, `"c": 480`, 1):        "events[0].c",
		strings.Replace(doc, `"straw"`, `"beige"`, 1):         "events[1].shade",
		strings.Replace(doc, "chicken-wing-flat", "roc", 1):   "request.load.cut",
		strings.Replace(doc, `"atMin": 8`, `"atMin": "8"`, 1): "atMin",
	} {
		_, wrong, err := run(t, spoilt, "replay", "-")
		if !errors.Is(err, errInput) || !strings.Contains(wrong, says) {
			t.Errorf("want %q, got %q (%v)", says, wrong, err)
		}
	}
}
