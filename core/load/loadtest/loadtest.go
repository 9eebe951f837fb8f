// Package loadtest has loads that tests are held to.
package loadtest

import (
	_ "embed" // for the reference cooks
	"encoding/csv"
	"fmt"
	"math/rand/v2"
	"os"
	"strconv"
	"strings"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
)

// DozenWings are twelve flats in starch, gentle, then hot.
func DozenWings() load.Request {
	return load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 12, PieceMassG: 42}, Coat: &load.Covering{ID: "starch-dust", OilG: 4},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 165, Minutes: 12}, {AirC: 200, Minutes: 14}}, Turns: []load.Turn{{AtMin: 12, Kind: load.Flip}}}}
}

// Typical is four pieces of a cut as most are, in a coat, for an hour.
func Typical(cut food.Cut, coat string, airC float64) load.Request {
	return load.Request{
		Load: load.Pieces{Cut: cut.ID, Pieces: 4, PieceMassG: cut.Typical}, Coat: &load.Covering{ID: coat, OilG: 4},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: airC, Minutes: 60}}, Turns: []load.Turn{{AtMin: 10, Kind: load.Flip}}},
	}
}

// Any is a load of any cut in any coat, for forty minutes.
func Any(r *rand.Rand) load.Request {
	cuts := food.Cuts()
	cut := cuts[r.IntN(len(cuts))]
	coats := food.CoatIDs()
	q := load.Request{
		Load: load.Pieces{Cut: cut.ID, Pieces: 1 + r.IntN(max(1, min(6, int(2000/cut.Typical)))), PieceMassG: cut.Typical * (0.8 + 0.4*r.Float64()),
			StartC: new(2 + 8*r.Float64()), Surface: "wiped"},
		Coat:    &load.Covering{ID: coats[r.IntN(len(coats))], OilG: 3 * r.Float64()},
		Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 165 + 30*r.Float64(), Minutes: 40}}},
	}
	q.Program.Turns = []load.Turn{{AtMin: 8, Kind: load.Flip}}
	return q
}

// A ReferenceCook is a row of reference-cooks.csv: what kitchens find of a load.
type ReferenceCook struct {
	ID       string
	Quantity string // safe_at_min, crisp_at_min, mass_loss_pct_at_M, brown_at_M
	Request  load.Request
	Low      float64
	High     float64
}

//go:embed reference-cooks.csv
var referenceCooks string

// What is frozen, or was cooked before, with how far.
//
//go:embed reference-ready.csv
var referenceReady string

// ReferenceCooks are all rows.
func ReferenceCooks(t testing.TB) (cooks []ReferenceCook) {
	t.Helper()
	var rows [][]string
	for _, table := range []string{referenceCooks, referenceReady} {
		more, err := csv.NewReader(strings.NewReader(table)).ReadAll()
		if err != nil {
			t.Fatal(err)
		}
		rows = append(rows, more[1:]...)
	}
	num := func(s string) float64 {
		v, err := strconv.ParseFloat(s, 64)
		if err != nil {
			t.Fatal(err)
		}
		return v
	}
	for _, row := range rows {
		q := load.Request{Load: load.Pieces{Cut: row[1], Pieces: int(num(row[2])), PieceMassG: num(row[3]), Surface: row[6]}}
		thick, start := num(row[4]), num(row[5])
		q.Load.ThicknessMm, q.Load.StartC = &thick, &start
		if len(row) > 16 { // frozen, or cooked before
			q.Load.State, q.Load.Inside = row[16], row[17]
		}
		q.Coat = &load.Covering{ID: row[7], OilG: num(row[8])}
		q.Program.PreheatMin = num(row[9])
		for _, s := range strings.FieldsFunc(row[10], func(r rune) bool { return r == ' ' || r == ';' }) {
			air, minutes, _ := strings.Cut(s, ":")
			q.Program.Stages = append(q.Program.Stages, load.Stage{AirC: num(air), Minutes: num(minutes)})
		}
		for turn := range strings.SplitSeq(row[11], ";") {
			if at, kind, ok := strings.Cut(strings.TrimSpace(turn), " "); ok {
				q.Program.Turns = append(q.Program.Turns, load.Turn{AtMin: num(at), Kind: kind})
			}
		}
		var w, d float64
		if _, err := fmt.Sscanf(row[12], "rectangle %fx%f", &w, &d); err != nil {
			t.Fatal(row[12], err)
		}
		q.Fryer = &load.Fryer{Basket: &fryer.Basket{Shape: "rectangle", WidthMm: w, DepthMm: d}}
		if _, twin, ok := strings.Cut(row[12], " of two drawers "); ok {
			watts := num(strings.TrimSuffix(twin, " W"))
			q.Fryer.Drawers, q.Fryer.PowerW = 2, &watts
		}
		cooks = append(cooks, ReferenceCook{row[0], row[13], q, num(row[14]), num(row[15])})
	}
	return cooks
}

// OrLate is a minute, or 60 where it is never.
func OrLate(minute *float64) float64 {
	if minute == nil {
		return 60
	}
	return *minute
}

// AnyPlan draws a plan as a cook might make it: too long or too short, too
// hot or too gentle, too full, too dry.
func AnyPlan(r *rand.Rand) load.Request {
	cuts := food.Cuts()
	cut := cuts[r.IntN(len(cuts))]
	coats := food.CoatIDs()
	q := load.Request{
		Load:    load.Pieces{Cut: cut.ID, Pieces: 1 + r.IntN(12), PieceMassG: cut.Typical * (0.7 + 0.6*r.Float64())},
		Coat:    &load.Covering{ID: coats[r.IntN(len(coats))], OilG: 8 * r.Float64(), SugarPct: 4 * max(0, r.Float64()-0.6)},
		Program: load.Program{PreheatMin: float64(r.IntN(5)), Stages: []load.Stage{{AirC: 140 + 5*float64(r.IntN(13)), Minutes: float64(5 + r.IntN(30))}}},
	}
	if r.IntN(2) == 0 {
		q.Program.Stages = append(q.Program.Stages, load.Stage{AirC: 170 + 5*float64(r.IntN(7)), Minutes: float64(2 + r.IntN(12))})
	}
	if end := q.Program.Minutes(); r.IntN(4) > 0 {
		q.Program.Turns = []load.Turn{{AtMin: float64(1 + r.IntN(int(end)-1)), Kind: []string{load.Flip, load.Shake}[r.IntN(2)]}}
	}
	for load.Check(q) != nil {
		q.Load.Pieces--
	}
	return q
}

// brushed is wings with a sweet glaze brushed on at a minute.
// BrushedWings are wings that are brushed with so much at a minute, and end so
// hot, °C.
func BrushedWings(at, g, lastC float64) load.Request {
	q := load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 11, PieceMassG: 43, Surface: "racked"}, Coat: &load.Covering{ID: "starch-dust", OilG: 5},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 14}, {AirC: lastC, Minutes: 7}}, Turns: []load.Turn{{AtMin: 10, Kind: load.Flip}}}}
	if g > 0 {
		q.Program.Turns = append(q.Program.Turns, load.Turn{AtMin: at, Kind: load.BrushOn, Brush: &load.Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 1}, {Ingredient: "mustard", Share: 1}}, G: g}})
	}
	return q
}

// Usual are loads that most kitchens know.
var Usual = []load.Request{
	{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 5, PieceMassG: 112, Surface: "wiped"}, Coat: &load.Covering{ID: "oil-rub", OilG: 5}, Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 185, Minutes: 26}}, Turns: []load.Turn{{AtMin: 13, Kind: load.Flip}}}},
	{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 10, PieceMassG: 43, Surface: "wiped"}, Coat: &load.Covering{ID: "starch-dust", OilG: 4}, Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 195, Minutes: 20}}, Turns: []load.Turn{{AtMin: 10, Kind: load.Flip}}}},
	{Load: load.Pieces{Cut: "pork-loin-cutlet", Pieces: 3, PieceMassG: 150, Surface: "wiped"}, Coat: &load.Covering{ID: "oil-rub", OilG: 4}, Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 14}}, Turns: []load.Turn{{AtMin: 7, Kind: load.Flip}}}},
}

// Waited is a dish that is fried, waits, and is flashed for three minutes.
func Waited(cut string, pieces int, massG float64, coat string, fried, wait float64, hold string) load.Request {
	return load.Request{
		Load: load.Pieces{Cut: cut, Pieces: pieces, PieceMassG: massG, Surface: "racked"}, Coat: &load.Covering{ID: coat, OilG: 6},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 200, Minutes: fried}, {AirC: 200, Minutes: wait, Hold: hold}, {AirC: 200, Minutes: 3}}, Turns: []load.Turn{{AtMin: fried / 2, Kind: load.Flip}}},
	}
}

// Cases is how many of n drawn or listed cases are tried: three in ten, two at least, so
// that all tests together take minutes; all of them with VELOCRUSTUM_THOROUGH=1, as make
// thorough has it.
func Cases(n int) int {
	if Thorough() {
		return n
	}
	return min(n, max(2, 3*n/10))
}

// Thorough says whether all cases are wanted.
func Thorough() bool { return os.Getenv("VELOCRUSTUM_THOROUGH") != "" }
