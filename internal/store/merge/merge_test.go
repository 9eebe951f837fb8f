package merge

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"reflect"
	"testing"
	"time"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/sheet"
	"velocrustum/internal/store"
)

var (
	noon   = time.Date(2026, 11, 20, 12, 0, 0, 0, time.UTC)
	friday = time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC)
)

// A home is a household, and its file.
type home struct {
	*store.Store
	db   *sqlx.DB
	path string
}

func empty(t *testing.T) *home {
	t.Helper()
	return opened(t, filepath.Join(t.TempDir(), "kitchen.db"))
}

func stocked(t *testing.T) (*home, store.OwnFryer, store.Plan) {
	t.Helper()
	s := empty(t)
	f, err := s.AddFryer(t.Context(), store.OwnFryer{Name: "drawer", Fryer: load.Fryer{Kind: "drawer", Basket: &fryer.Basket{Shape: "round", DiameterMm: 190}}})
	if err != nil {
		t.Fatal(err)
	}
	p := store.Plan{Name: "wedges", FryerID: f.ID}
	p.Lots.V = []prep.DishLot{{LotRequest: load.LotRequest{Load: load.Pieces{Cut: "potato-wedge", Pieces: 12, PieceMassG: 30}}}}
	p.Program.V.Stages = []load.Stage{{AirC: 200, Minutes: 20}}
	if p, err = s.AddPlan(t.Context(), p); err != nil {
		t.Fatal(err)
	}
	return s, f, p
}

// firstBuild is the household of the first build, brought to this one.
func firstBuild(t *testing.T) *home {
	t.Helper()
	dump, err := os.ReadFile("../testdata/household.v1.sql")
	if err != nil {
		t.Fatal(err)
	}
	path := filepath.Join(t.TempDir(), "old.db")
	db, err := sqlx.Open("sqlite", path)
	if err == nil {
		_, err = db.Exec(string(dump))
	}
	if err = errors.Join(err, db.Close()); err != nil {
		t.Fatal(err)
	}
	return opened(t, path)
}

func same(a, b any) bool {
	x, errX := json.Marshal(a)
	y, errY := json.Marshal(b)
	return errX == nil && errY == nil && bytes.Equal(x, y)
}

func ptr[T any](v T) *T { return &v }

// aHousehold has one of each kind.
func aHousehold(t *testing.T) *home {
	t.Helper()
	s, f, p := stocked(t)
	ctx := t.Context()
	must := func(err error) {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
	}
	_, err := s.PutIngredient(ctx, prep.Ingredient{ID: "paprika", Name: "Paprika", Density: 0.5}, nil)
	must(err)
	_, err = s.PutMarinade(ctx, store.Marinade{OwnMarinade: prep.OwnMarinade{Name: "Harissa"}}, nil)
	must(err)
	_, err = s.PutCoat(ctx, store.OwnCoat{Name: "Rye", Layers: []food.CoatLayer{{Parts: []food.Mixed{{Ingredient: "egg", Share: 1}}}}}, nil)
	must(err)
	_, err = s.PutSauce(ctx, store.OwnSauce{Own: pan.Own{Name: "Glaze"}}, nil)
	must(err)
	_, err = s.PutMix(ctx, store.Mix{OwnMix: prep.OwnMix{Mix: prep.Mix{Name: "Salt of the house"}}}, nil)
	must(err)
	_, err = s.PutSupper(ctx, store.Supper{Name: "Friday", Evening: store.SupperPlan{ServeAt: friday, Dishes: []store.DishOfSupper{{PlanID: p.ID}}, Order: []string{p.ID + "/1"}}}, nil)
	must(err)
	c := store.Cook{Name: p.Name, PlanID: &p.ID, StartedAt: store.Time{Time: noon}, FinishedAt: &store.Time{Time: noon.Add(time.Hour)}, Note: ptr("good"),
		Events: []cook.Event{{ID: "in", Kind: cook.Loaded, At: noon}, {ID: "turned", Kind: cook.Turned, At: noon.Add(time.Minute)}, {ID: "out", Kind: cook.Out, At: noon.Add(time.Hour)}}}
	c.Plan.V, c.Fryer.V = p, f
	c, err = s.AddCook(ctx, c)
	must(err)
	must(s.LayCurve(ctx, c, []store.Reading{{At: noon, C: 4}, {At: noon.Add(time.Minute), C: 9.5}}, cook.Event{Kind: cook.LeftIn, At: noon, Probe: store.FileOf(c.ID)}))
	_, err = s.AddPicture(ctx, store.Picture{CookID: c.ID, Alt: "wedges", Width: 4, Height: 3}, []byte("full"), []byte("small"))
	must(err)
	e := store.EveningLed{Name: "Card night", Hands: 2, StartedAt: store.Time{Time: friday}, Cooks: []store.Cook{{Name: "Wings", DishID: p.ID, StartedAt: store.Time{Time: friday}}, {Name: "Never in", DishID: p.ID, Basket: 2, Baskets: 2, StartedAt: store.Time{Time: friday}}}}
	e, err = s.BeginEvening(ctx, e)
	must(err)
	must(s.SayOf(ctx, e.ID, cook.Said{ID: "laid", Kind: cook.Done, Task: sheet.TaskOfBasket(p.ID, 1, "load"), At: friday}))
	must(s.Say(ctx, e.Cooks[0], cook.Event{ID: "in", Kind: cook.Loaded, At: friday}))
	e, err = s.EveningLed(ctx, e.ID)
	must(err)
	must(s.Settle(ctx, e, ptr(friday.Add(time.Hour))))
	_, err = s.AddReadings(ctx, "on the table", []store.Reading{{At: friday, C: 20}, {At: friday.Add(time.Second), C: 21}}, "")
	must(err)
	return s
}

// twin is a household that was copied, and may go its own way.
func twin(t *testing.T, s *home) *home {
	t.Helper()
	path := filepath.Join(t.TempDir(), "copy.db")
	if err := s.Backup(t.Context(), path); err != nil {
		t.Fatal(err)
	}
	return opened(t, path)
}

func opened(t *testing.T, path string) *home {
	t.Helper()
	s, err := store.Open(t.Context(), path, func() time.Time { return noon })
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	db, err := sqlx.Open("sqlite", path)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = db.Close() })
	return &home{s, db, path}
}

func all(c Choice) func(Difference) Choice { return func(Difference) Choice { return c } }

func merge(t *testing.T, into, from *home, choose func(Difference) Choice) Merging {
	t.Helper()
	m, err := Into(t.Context(), into.Store, from.Store, choose, nil)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

// sums are how many of all kinds are new, the same, different.
func sums(m Merging) string {
	var n, s, d int
	for _, t := range m.Kinds {
		n, s, d = n+t.New, s+t.Same, d+t.Different
	}
	return fmt.Sprintf("%d new, %d same, %d different", n, s, d)
}

// Into an empty household all that is new comes, and is then the same, with its
// pictures and curves.
func TestAHouseholdGoesIntoAnEmptyOne(t *testing.T) {
	from := aHousehold(t)
	into := empty(t)
	path := into.path
	if m := merge(t, into, from, nil); sums(m) != "12 new, 1 same, 0 different" {
		t.Fatalf("%s: %+v", sums(m), m)
	}
	if plans, err := into.Plans(t.Context()); err != nil || len(plans) != 0 {
		t.Fatalf("to look at it put %d dishes in, %v", len(plans), err)
	}
	merge(t, into, from, all(Keep))
	if m := merge(t, into, from, nil); sums(m) != "0 new, 13 same, 0 different" {
		t.Errorf("afterwards %s: %+v", sums(m), m.Differences)
	}
	// It is whole after it is opened again: the curve, the picture, the supper.
	again := opened(t, path)
	ids, err := again.Sessions(t.Context())
	if err != nil || len(ids) != 2 {
		t.Fatalf("%q, %v", ids, err)
	}
	for _, id := range ids {
		want, _ := from.Session(t.Context(), id)
		got, err := again.Session(t.Context(), id)
		if err != nil || !same(want, got) {
			t.Errorf("%+v\nwas\n%+v, %v", got, want, err)
		}
		for _, c := range got.Cooks {
			for _, p := range got.Pictures[c.ID] {
				if b, err := again.PictureFile(t.Context(), p.ID, true); err != nil || string(b) != "small" {
					t.Errorf("its small picture is %q, %v", b, err)
				}
			}
			want, _ := from.Readings(t.Context(), store.FileOf(c.ID), noon, friday)
			if got, err := again.Readings(t.Context(), store.FileOf(c.ID), noon, friday); err != nil || !same(want, got) {
				t.Errorf("its curve is %v, %v", got, err)
			}
		}
	}
}

// changed makes of each kind something else.
func changed(t *testing.T, s *home) {
	t.Helper()
	for _, q := range []string{
		`UPDATE settings SET temperature = 'F'`, `UPDATE pantry SET ingredient = json_set(ingredient, '$.holds.density', 0.6)`,
		`UPDATE marinades SET marinade = json_set(marinade, '$.holds.hours', 7)`, `UPDATE coats SET name = 'Rye and oats'`,
		`UPDATE sauces SET sauce = json_set(sauce, '$.holds.widthCm', 28)`, `UPDATE mixes SET mix = json_set(mix, '$.holds.jarG', 70)`,
		`UPDATE fryers SET machine = json_set(machine, '$.holds.powerW', 1700)`, `UPDATE plans SET program = json_set(program, '$.holds.preheatMin', 5)`,
		`UPDATE suppers SET supper = json_set(supper, '$.holds.people', 6)`, `UPDATE cooks SET note = 'salty'`,
		`UPDATE readings SET c = c + 1`,
	} {
		if _, err := s.db.ExecContext(t.Context(), q); err != nil {
			t.Fatal(q, err)
		}
	}
}

func count(t *testing.T, s *home, query string, args ...any) (n int) {
	t.Helper()
	if err := s.db.GetContext(t.Context(), &n, query, args...); err != nil {
		t.Fatal(err)
	}
	return n
}

func TestWhatDiffersIsAskedForKeptOrTaken(t *testing.T) {
	base := aHousehold(t)
	other := twin(t, base)
	if m := merge(t, base, other, nil); sums(m) != "0 new, 13 same, 0 different" {
		t.Fatalf("a copy differs: %s %+v", sums(m), m.Differences)
	}
	changed(t, other)
	m := merge(t, base, other, nil)
	// Two cooks of two sessions; two readings that were sent differ and stay.
	if sums(m) != "0 new, 0 same, 13 different" || len(m.Differences) != 12-1 || !m.Open() {
		t.Fatalf("%s: %+v", sums(m), m.Differences)
	}
	for _, d := range m.Differences {
		if one := d.Kind == "settings" || d.Kind == "ingredients"; d.Name == "" || one != (len(d.May) == 2) {
			t.Errorf("%+v", d)
		}
	}
	// Nothing chosen of one: nothing is put in.
	if _, err := Into(t.Context(), base.Store, other.Store, func(d Difference) Choice {
		if d.Kind == "dishes" {
			return ""
		}
		return Take
	}, nil); !errors.Is(err, ErrUndecided) {
		t.Fatal(err)
	}
	if n := count(t, base, `SELECT COUNT(*) FROM cooks WHERE note = 'salty'`) + count(t, base, `SELECT COUNT(*) FROM settings WHERE temperature = 'F'`); n != 0 {
		t.Errorf("%d things were taken of what was not decided on", n)
	}
	merge(t, base, other, all(Keep))
	if m := merge(t, base, other, nil); len(m.Differences) != 11 {
		t.Errorf("kept, and %s", sums(m))
	}
	before := count(t, base, `SELECT version FROM plans`)
	merge(t, base, other, all(Take))
	if m := merge(t, base, other, nil); len(m.Differences) != 0 || sums(m) != "0 new, 11 same, 2 different" {
		t.Errorf("taken, and %s: %+v", sums(m), m.Differences)
	}
	if n := count(t, base, `SELECT version FROM plans`); n != before+1 {
		t.Errorf("another device does not see that the dish was changed: version %d after %d", n, before)
	}
}

// Kept both, each has what it had, and what comes hangs together by itself.
func TestBothAreKept(t *testing.T) {
	base := aHousehold(t)
	other := twin(t, base)
	changed(t, other)
	if err := other.LayCurve(t.Context(), cookOf(t, other), []store.Reading{{At: noon, C: 30}}, cook.Event{Kind: cook.LeftIn, At: noon, Probe: store.FileOf(cookOf(t, other).ID)}); err != nil {
		t.Fatal(err)
	}
	was := twin(t, base)
	merge(t, base, other, all(Both))
	// What was here is as it was.
	if m := merge(t, base, was, nil); len(m.Differences) != 0 {
		t.Errorf("%+v", m.Differences)
	}
	for table, n := range map[string]int{"pantry": 1, "marinades": 2, "coats": 2, "sauces": 2, "mixes": 2, "fryers": 2, "plans": 2, "suppers": 2, "sessions": 4, "cooks": 6, "pictures": 2} {
		if got := count(t, base, `SELECT COUNT(*) FROM `+table); got != n {
			t.Errorf("%d %s, want %d", got, table, n)
		}
	}
	for _, table := range []string{"marinades", "coats", "sauces", "fryers", "plans", "suppers"} {
		if n := count(t, base, `SELECT COUNT(*) FROM `+table+` WHERE name LIKE '% (brought)'`); n != 1 {
			t.Errorf("%d of %s say that they were brought", n, table)
		}
	}
	mixes, err := base.Mixes(t.Context())
	if err != nil || len(mixes) != 2 || mixes[1].Mix.Name != "Salt of the house (brought)" {
		t.Errorf("%+v, %v", mixes, err)
	}
	plans, err := base.Plans(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range plans {
		f, err := base.Fryer(t.Context(), p.FryerID)
		if err != nil || (f.Name == "drawer (brought)") != (p.Name == "wedges (brought)") {
			t.Errorf("%s goes into %s, %v", p.Name, f.Name, err)
		}
	}
	suppers, err := base.Suppers(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	for _, s := range suppers {
		p, err := base.Plan(t.Context(), s.Evening.Dishes[0].PlanID)
		if err != nil || (p.Name == "wedges (brought)") != (s.Name == "Friday (brought)") || s.Evening.Order[0] != p.ID+"/1" {
			t.Errorf("%s has %s, in the order %v, %v", s.Name, p.Name, s.Evening.Order, err)
		}
	}
	ids, err := base.Sessions(t.Context())
	if err != nil || len(ids) != 4 {
		t.Fatal(ids, err)
	}
	curves := map[string]int{}
	for _, id := range ids {
		o, err := base.Session(t.Context(), id)
		if err != nil {
			t.Fatal(err)
		}
		c := o.Cooks[0]
		read, err := base.Readings(t.Context(), store.FileOf(c.ID), noon.Add(-time.Hour), friday)
		if err != nil {
			t.Fatal(err)
		}
		curves[fmt.Sprintf("%v %s %v %d %d %d", o.Led, c.Name, c.DishID == "", len(read), len(o.Pictures[c.ID]), len(o.Said))]++
		if o.Led && (o.Said[0].Task != sheet.TaskOfBasket(c.DishID, 1, "load") || len(o.Cooks) != 2) {
			t.Errorf("the supper said %q of the dish %q, of %d baskets", o.Said[0].Task, c.DishID, len(o.Cooks))
		}
	}
	if want := (map[string]int{"false wedges true 2 1 0": 1, "false wedges (brought) true 1 1 0": 1, "true Wings false 0 0 1": 2}); fmt.Sprint(curves) != fmt.Sprint(want) {
		t.Errorf("%v, want %v", curves, want)
	}
}

func cookOf(t *testing.T, s *home) store.Cook {
	t.Helper()
	var id string
	if err := s.db.GetContext(t.Context(), &id, `SELECT id FROM cooks WHERE dish_id = ''`); err != nil {
		t.Fatal(err)
	}
	c, err := s.Cook(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	return c
}

// What was put aside here and comes again is back; what is going on is not
// merged into.
func TestMergingBesideWhatIsAsideOrLive(t *testing.T) {
	base := aHousehold(t)
	other := twin(t, base)
	ctx := t.Context()
	c := cookOf(t, base)
	// Something was said and taken back here, and takes up a number.
	for _, e := range []string{"slip", "late"} {
		if err := base.Say(ctx, c, cook.Event{ID: e, Kind: cook.More, At: noon, Value: 1}); err != nil {
			t.Fatal(err)
		}
	}
	if err := errors.Join(base.Revoke(ctx, c, "slip"), base.DeleteCook(ctx, c.ID), base.DeletePlan(ctx, *c.PlanID)); err != nil {
		t.Fatal(err)
	}
	if m := merge(t, base, other, nil); sums(m) != "2 new, 11 same, 0 different" {
		t.Fatalf("%s %+v", sums(m), m.Differences)
	}
	merge(t, base, other, all(Keep))
	if m := merge(t, base, other, nil); sums(m) != "0 new, 13 same, 0 different" {
		t.Errorf("%s %+v", sums(m), m.Differences)
	}
	if _, err := base.AddCook(ctx, store.Cook{Name: "Fish", StartedAt: store.Time{Time: friday}}); err != nil {
		t.Fatal(err)
	}
	if _, err := Into(ctx, base.Store, other.Store, all(Take), nil); !errors.Is(err, store.ErrLive) {
		t.Errorf("beside a live cook: %v", err)
	}
	if m := merge(t, base, other, nil); sums(m) != "0 new, 13 same, 0 different" {
		t.Errorf("looked at beside a live cook: %s", sums(m))
	}
	gone, stop := context.WithCancel(ctx)
	stop()
	if _, err := Into(gone, base.Store, other.Store, all(Take), nil); !errors.Is(err, context.Canceled) {
		t.Errorf("given up: %v", err)
	}
}

// A household of the first build is the same as its copy that went through the
// program's own forms.
func TestAnOldHouseholdIsTheSameAsItself(t *testing.T) {
	old := firstBuild(t)
	into := empty(t)
	merge(t, into, old, all(Take))
	fryers, err := old.Fryers(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	for _, f := range fryers {
		if _, err := into.PutFryer(t.Context(), f, nil); err != nil {
			t.Fatal(err)
		}
	}
	plans, err := old.Plans(t.Context())
	if err != nil || len(plans) == 0 {
		t.Fatal(len(plans), err)
	}
	for _, p := range plans {
		if _, err := into.PutPlan(t.Context(), p, nil); err != nil {
			t.Fatal(err)
		}
	}
	fresh := empty(t)
	ids, err := old.Sessions(t.Context())
	if err != nil || len(ids) == 0 {
		t.Fatal(ids, err)
	}
	for _, id := range ids {
		o, err := old.Session(t.Context(), id)
		if err == nil {
			err = fresh.KeepSession(t.Context(), o)
		}
		if err != nil {
			t.Fatal(err)
		}
	}
	for name, s := range map[string]*home{"kept again": into, "its cooks in an empty one": fresh} {
		if m := merge(t, old, s, nil); len(m.Differences) != 0 && name == "kept again" || count(t, s, `SELECT COUNT(*) FROM cooks`) == 0 {
			t.Errorf("%s: %+v", name, m.Differences)
		} else {
			for _, d := range m.Differences {
				if d.Kind == "cooks" {
					t.Errorf("%s: %+v", name, d)
				}
			}
		}
	}
}

func TestWhatSaysNothingIsLeftAway(t *testing.T) {
	for _, c := range []struct {
		is       any
		forecast bool
		said     any
	}{
		{"", false, nil}, {"x", true, "x"}, {[]any{}, false, nil}, {[]any{1.0, ""}, false, []any{1.0, nil}}, {map[string]any{"a": "", "b": 2.0}, false, map[string]any{"b": 2.0}}, {map[string]any{"a": ""}, true, nil},
		{false, false, false}, {0.0, false, 0.0}, {false, true, nil}, {0.0, true, nil}, {true, true, true}, {3.0, true, 3.0}, {nil, false, nil},
	} {
		if got := said(c.is, c.forecast); !reflect.DeepEqual(got, c.said) {
			t.Errorf("%v in a forecast %t: %v, want %v", c.is, c.forecast, got, c.said)
		}
	}
}
