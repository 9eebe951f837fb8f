package cook

import (
	"fmt"
	"maps"
	"math/rand/v2"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/safety"
	"velocrustum/core/sheet"
)

// aSupper is one of many: dishes, fryers, hands, a sauce and a side or not.
func aSupper(t *testing.T, r *rand.Rand) *Evening {
	t.Helper()
	s := sheet.Supper{ServeAt: table, Hands: 1 + r.IntN(2), Hobs: new(2), Fryers: []sheet.NamedFryer{{ID: "square"}}}
	if r.IntN(2) == 0 {
		s.Fryers = append(s.Fryers, sheet.NamedFryer{ID: "round", Fryer: &load.Fryer{PowerW: ptr(1300.0)}})
	}
	dishes := []sheet.SupperDish{
		{ID: "wings", PerBasket: 12, Request: request("chicken-wing-flat", 24, 43, 200, 18)},
		{ID: "cutlets", Request: request("pork-loin-cutlet", 2, 150, 190, 12)},
		{ID: "drumsticks", Request: request("chicken-drumstick", 5, 110, 190, 27)},
		{ID: "wedges", Request: request("potato-wedge", 14, 30, 200, 24)},
	}
	r.Shuffle(len(dishes), func(i, j int) { dishes[i], dishes[j] = dishes[j], dishes[i] })
	s.Dishes = dishes[:1+r.IntN(2)]
	if r.IntN(2) == 0 {
		s.Dishes[0].SauceID = "glaze"
		s.Sauces = []sheet.SupperSauce{{ID: "glaze", HandsMin: 3, SimmerMin: 12, HoldsMin: 20}}
	}
	if r.IntN(2) == 0 {
		s.Sides = []sheet.Side{{ID: "slaw", HoldsMin: 60, Steps: []sheet.SideStep{{Says: "shred", Minutes: 8, Hands: 1}, {Says: "soften", Minutes: 10}}}}
	}
	k := &sheet.Kitchen{Pantry: prep.NewPantry(nil)}
	got, led, err := k.PlanBaskets(t.Context(), s)
	if err != nil {
		t.Fatal(err)
	}
	e := &Evening{Sheet: got, Hands: s.Hands, Names: map[string]string{}}
	rule, _ := safety.For(safety.US, safety.Poultry, 0)
	for _, l := range led {
		b := &LedBasket{Dish: l.Dish, Number: l.Basket, Of: l.Of, Name: fmt.Sprintf("%s %d", l.Dish, l.Basket), FryerID: l.FryerID, Known: Known{Rule: rule, SafeBy: ptr(0.8 * l.Request.Program.Minutes())},
			Live: Live{Program: l.Request.Program, Pieces: l.Request.Load.Pieces, Piece: "piece", Plural: "pieces", Faces: [2]string{"Skin side", "Underside"}, Judged: ByProbe, Waits: true, Started: got.StartAt}}
		if l.Dish == "wedges" {
			b.Judged = ByBite
		}
		if l.Dish == "cutlets" {
			b.RestMin = 3
		}
		e.Baskets = append(e.Baskets, b)
	}
	return e
}

// Whoever does as is asked gets to the table: a minute late at everything,
// clumsy, or forgetful; and a clock that has begun runs on.
func TestEveryFollowerGetsToTheTable(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	r := rand.New(rand.NewPCG(29, 11))
	for n := range 20 {
		kind := []string{"slow", "clumsy", "forgetful"}[n%3]
		e := aSupper(t, r)
		wait := map[sheet.TaskID]time.Duration{} // how long after its clock a thing is said
		due := map[sheet.TaskID]time.Time{}      // when it fell due
		told, over := true, false
		for now := e.Sheet.StartAt; now.Before(table.Add(6 * time.Hour)); now = now.Add(20 * time.Second) {
			c := e.By(now)
			if over = c.Over; over {
				break
			}
			was := maps.Clone(due)
			clear(due)
			for _, d := range c.Now {
				if d.State != Due {
					continue
				}
				was, stood := was[d.ID]
				if !told && stood && d.Start.Sub(was).Abs() > dueStep {
					t.Fatalf("%s, supper %d, %s: %s fell due at %s, and now at %s", kind, n, now.Format("15:04:05"), d.ID, was.Format("15:04:05"), d.Start.Format("15:04:05"))
				}
				due[d.ID] = d.Start
			}
			told = false
			for _, d := range c.Now {
				if _, known := wait[d.ID]; !known {
					wait[d.ID] = time.Minute
					if kind == "forgetful" && r.IntN(6) == 0 {
						wait[d.ID] = time.Duration(6+r.IntN(9)) * time.Minute
					}
				}
				if d.State != Due || now.Before(d.Until.Add(wait[d.ID])) {
					continue
				}
				e.tap(t, d, now)
				told = true
				if kind == "clumsy" && r.IntN(4) == 0 {
					e.tap(t, d, now.Add(time.Second)) // a second time
				}
				break
			}
			// A clumsy finger also presses what is only coming: what asks is let be.
			if kind == "clumsy" && r.IntN(10) == 0 && len(c.Next) > 0 {
				if d := c.Next[r.IntN(len(c.Next))]; d.Asks == nil && d.Of == "" && d.ID != "table" {
					e.tap(t, d, now.Add(2*time.Second))
					told = true
				}
			}
		}
		if !over {
			t.Errorf("%s, supper %d never got to the table: %+v", kind, n, e.By(table.Add(6*time.Hour)).Now)
		}
		for _, b := range e.Baskets {
			if _, out := b.OutAt(); !out {
				t.Errorf("%s, supper %d: at the table without %s", kind, n, b.Name)
			}
		}
	}
}
