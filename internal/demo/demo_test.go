package demo

import (
	"path/filepath"
	"testing"
	"time"

	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

func TestEveryDishWorks(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	for _, d := range dishes {
		f := drawer
		if d.round {
			f = borrowed
		}
		a, err := verdict.Simulate(t.Context(), load.Request{Load: d.load, Coat: &d.coat, Fryer: &f.Fryer, Program: d.program, Groups: d.beside, TailMin: 5}, verdict.Options{})
		if err != nil {
			t.Errorf("%s: %v", d.name, err)
			continue
		}
		t.Logf("%-34s %+v cover %.2f crust %.0f", d.name, a.Verdict.Says+a.Verdict.First, a.Coverage, a.End.Crust)
		for _, w := range a.Warnings {
			t.Logf("    %s", w.Message)
		}
		if a.Chance.SafeByMin == nil {
			t.Errorf("%s is not surely safe", d.name)
		}
	}
}

func TestFillIsDoneOnce(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	now := time.Date(2026, 11, 20, 9, 0, 0, 0, time.UTC)
	s, err := store.Open(t.Context(), filepath.Join(t.TempDir(), "demo.db"), func() time.Time { return now })
	if err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	for range 2 {
		if err := Fill(t.Context(), s, now); err != nil {
			t.Fatal(err)
		}
	}
	plans, err := s.Plans(t.Context())
	if err != nil || len(plans) != len(dishes)+len(ready) {
		t.Errorf("%d plans, %v", len(plans), err)
	}
	cooks, err := s.Summaries(t.Context())
	if err != nil || len(cooks) != len(pastCooks) {
		t.Fatalf("%d cooks, %v", len(cooks), err)
	}
	for _, c := range cooks {
		if c.FinishedAt == nil || c.FinishedAt.After(now) || *c.Note == "" || len(c.Lab.V) != 2 || c.PlannedMin == 0 || c.LoadedAt == nil {
			t.Errorf("%s is not a finished cook", c.Name)
		}
	}
}

// A show sauce clings as it is wanted, and nothing is wrong with it.
func TestEverySauceWorks(t *testing.T) {
	kinds := map[string]int{}
	for _, o := range sauces {
		if err := o.Check(larder.Shelf); err != nil {
			t.Errorf("%s: %v", o.Name, err)
			continue
		}
		s := pan.Serving{Name: o.Name, Sauce: o.Sauce}
		m, err := pan.Make(s, pan.SaucedFood{Surface: 15, Servings: 4}, larder.Shelf)
		if err != nil {
			t.Fatal(err)
		}
		kinds[o.Sauce.School]++
		t.Logf("%-32s %3.0f g, clings %4.1f, %4.1f min, waits %2.0f, %.1f g salt and %.0f g sugar in 100", o.Name, m.MadeG, m.ClingsG, m.ReadyMin, m.WaitMin, m.Per100.SaltG, m.Per100.SugarG)
		for _, c := range m.Tell(s, larder.Shelf, units.Household{}).Cautions {
			t.Logf("    %s", c)
		}
		if m.Never || m.Splits || m.Caramel || m.Per100.SaltG < 0.3 || m.Per100.SaltG > 7 || (m.ClingsG < m.Band[0] || m.ClingsG > m.Band[1]) {
			t.Errorf("%s: %.1f g cling, salt %.1f, never %v, splits %v, caramel %v", o.Name, m.ClingsG, m.Per100.SaltG, m.Never, m.Splits, m.Caramel)
		}
	}
	if len(sauces) < 12 || len(kinds) != len(pan.Schools) {
		t.Errorf("%d sauces of %v", len(sauces), kinds)
	}
	for _, m := range mixes {
		if err := m.Check(prep.NewPantry(nil)); err != nil {
			t.Errorf("%s: %v", m.Name, err)
		}
	}
}
