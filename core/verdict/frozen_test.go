package verdict

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
)

// From the freezer nothing is ever sooner safe than thawed, colder is later, and a
// glaze is later and no sooner crisp; nothing is earlier than its ice allows: the
// coldest spot is not over 0 °C while its own ice lasts.
func TestFrozenIsNeverSooner(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(27, 1))
	tried := 0
	for range 60 {
		q := loadtest.Any(r)
		if q.Load.Cut == "" || len(q.Groups) > 0 {
			continue
		}
		safe := func(startC, glaze float64) float64 {
			p := q
			p.Load.StartC, p.Load.GlazePct = &startC, glaze
			p.TailMin = 30
			l, err := load.Of(p)
			if err != nil {
				return math.NaN()
			}
			if at := quick(t, p).SafeAtMin; at != nil {
				return *at
			}
			return l.Minutes() + p.TailMin // later than was looked
		}
		at := []float64{safe(3, 0), safe(-6, 0), safe(-18, 0), safe(-21, 0), safe(-21, 8)}
		if slices.ContainsFunc(at, math.IsNaN) {
			continue
		}
		tried++
		// A film of ice conducts and then wets: within the drawing's half minute.
		for k := 1; k < 4; k++ {
			if at[k] < at[k-1]-0.02 {
				t.Errorf("%s in %s: safe at %.2f", q.Load.Cut, q.Coat.ID, at)
			}
		}
		if at[4] < at[3]-0.3 {
			t.Errorf("%s in %s, glazed: safe at %.2f", q.Load.Cut, q.Coat.ID, at)
		}
	}
	if tried < 20 {
		t.Errorf("only %d tried", tried)
	}
}

// What is said of it: a reading beside ice misleads; what should not be cooked from
// frozen is advised against with how long it thaws; what was cooked is heated once.
func TestWhatIsSaidOfIce(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		cut, state string
		startC     float64
		mm         float64
		want, not  []Code
	}{
		{"chicken-wing-flat", "", -18, 0, []Code{Ice}, []Code{ThawFirst, Reheat}},
		{"chicken-wing-stuffed", "", -18, 0, []Code{Ice, ThawFirst}, nil},
		{"meatball", "", -18, 36, []Code{Ice, ThawFirst}, nil},
		{"potato-wedge", "", -18, 0, nil, []Code{Ice, ThawFirst}},
		{"nugget", "cooked", -18, 0, []Code{Reheat}, []Code{Ice, ThawFirst}},
		{"chicken-drumstick", "cooked", 5, 0, []Code{Reheat}, []Code{Ice}},
		{"chicken-drumstick", "", 5, 0, nil, []Code{Ice, ThawFirst, Reheat}},
	} {
		cut, err := food.FindCut(c.cut)
		if err != nil {
			t.Fatal(err)
		}
		q := loadtest.Typical(cut, "bare", 190)
		q.Load.StartC, q.Load.State = &c.startC, c.state
		if c.mm > 0 {
			q.Load.ThicknessMm = &c.mm
			q.Load.PieceMassG = 30
		}
		a := quick(t, q)
		has := func(code Code) bool {
			return slices.ContainsFunc(a.Warnings, func(w Warning) bool { return w.Code == code && w.Message != "" })
		}
		for _, code := range c.want {
			if !has(code) {
				t.Errorf("%s %s at %g: nothing is said of %s", c.cut, c.state, c.startC, code)
			}
		}
		for _, code := range c.not {
			if has(code) {
				t.Errorf("%s %s at %g: it is said of %s", c.cut, c.state, c.startC, code)
			}
		}
	}
}

// What is frozen together is later the more there are, until the turn that parts
// them; without a turn later still, and it is said when to part them.
func TestALumpIsPartedAtATurn(t *testing.T) {
	t.Parallel()
	at := func(clump int, turns ...load.Turn) (float64, []Warning) {
		cut, _ := food.FindCut("chicken-wing-flat")
		q := loadtest.Typical(cut, "bare", 200)
		q.Load.Pieces, q.Load.StartC, q.Load.Clump, q.TailMin = 8, new(-18.0), clump, 40
		q.Program.Turns = turns
		a := quick(t, q)
		return loadtest.OrLate(a.SafeAtMin), a.Warnings
	}
	shake := load.Turn{AtMin: 6, Kind: load.Shake}
	loose, said := at(1, shake)
	if slices.ContainsFunc(said, func(w Warning) bool { return w.Code == Clumped }) {
		t.Error("loose pieces are to be parted")
	}
	four, said := at(4, shake)
	late, _ := at(4, load.Turn{AtMin: 12, Kind: load.Shake})
	never, unsaid := at(4)
	if !(loose < four && four < late && late < never) {
		t.Errorf("safe at %.1f loose, %.1f parted at 6, %.1f at 12, %.1f never", loose, four, late, never)
	}
	part := slices.IndexFunc(said, func(w Warning) bool { return w.Code == Clumped && w.AtMin != nil && *w.AtMin == 6 })
	if part < 0 || !slices.ContainsFunc(unsaid, func(w Warning) bool { return w.Code == Clumped && w.Field == "program.turns" }) {
		t.Errorf("%+v and %+v", said, unsaid)
	}
}
