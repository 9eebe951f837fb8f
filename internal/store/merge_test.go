package store

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"testing"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
)

// aHousehold has one of each kind.
func aHousehold(t *testing.T) *Store {
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
	_, err = s.PutMarinade(ctx, Marinade{OwnMarinade: prep.OwnMarinade{Name: "Harissa"}}, nil)
	must(err)
	_, err = s.PutCoat(ctx, Coat{Name: "Rye", Layers: []food.CoatLayer{{Parts: []food.Mixed{{Ingredient: "egg", Share: 1}}}}}, nil)
	must(err)
	_, err = s.PutSauce(ctx, Sauce{Own: pan.Own{Name: "Glaze"}}, nil)
	must(err)
	_, err = s.PutMix(ctx, Mix{OwnMix: prep.OwnMix{Mix: prep.Mix{Name: "Salt of the house"}}}, nil)
	must(err)
	_, err = s.PutSupper(ctx, Supper{Name: "Friday", Evening: Evening{ServeAt: friday, Dishes: []Course{{PlanID: p.ID}}, Order: []string{p.ID + "/1"}}}, nil)
	must(err)
	c := Cook{Name: p.Name, PlanID: &p.ID, StartedAt: Time{noon}, FinishedAt: &Time{noon.Add(time.Hour)}, Note: ptr("good"),
		Events: []cook.Event{{ID: "in", Kind: cook.Loaded, At: noon}, {ID: "turned", Kind: cook.Turned, At: noon.Add(time.Minute)}, {ID: "out", Kind: cook.Out, At: noon.Add(time.Hour)}}}
	c.Plan.V, c.Fryer.V = p, f
	c, err = s.AddCook(ctx, c)
	must(err)
	must(s.LayCurve(ctx, c, []Reading{{noon, 4}, {noon.Add(time.Minute), 9.5}}, cook.Event{Kind: cook.LeftIn, At: noon, Probe: FileOf(c.ID)}))
	_, err = s.AddPicture(ctx, Picture{CookID: c.ID, Alt: "wedges", Width: 4, Height: 3}, []byte("full"), []byte("small"))
	must(err)
	e := EveningLed{Name: "Card night", Hands: 2, StartedAt: Time{friday}, Cooks: []Cook{{Name: "Wings", DishID: p.ID, StartedAt: Time{friday}}, {Name: "Never in", DishID: p.ID, Basket: 2, Baskets: 2, StartedAt: Time{friday}}}}
	e, err = s.BeginEvening(ctx, e)
	must(err)
	must(s.SayOf(ctx, e.ID, cook.Said{ID: "laid", Kind: cook.Done, Task: p.ID + "/1/load", At: friday}))
	must(s.Say(ctx, e.Cooks[0], cook.Event{ID: "in", Kind: cook.Loaded, At: friday}))
	e, err = s.EveningLed(ctx, e.ID)
	must(err)
	must(s.Settle(ctx, e, ptr(friday.Add(time.Hour))))
	_, err = s.AddReadings(ctx, "on the table", []Reading{{friday, 20}, {friday.Add(time.Second), 21}}, "")
	must(err)
	return s
}

func ptr[T any](v T) *T { return &v }

// twin is a household that was copied, and may go its own way.
func twin(t *testing.T, s *Store) *Store {
	t.Helper()
	path := filepath.Join(t.TempDir(), "copy.db")
	if err := s.Backup(t.Context(), path); err != nil {
		t.Fatal(err)
	}
	return opened(t, path)
}

func opened(t *testing.T, path string) *Store {
	t.Helper()
	s, err := Open(t.Context(), path, func() time.Time { return noon })
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	return s
}

func all(c Choice) func(Difference) Choice { return func(Difference) Choice { return c } }

func merging(t *testing.T, into, from *Store, choose func(Difference) Choice) Merging {
	t.Helper()
	m, err := into.Merge(t.Context(), from, choose, nil)
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
	into, path := open(t)
	if m := merging(t, into, from, nil); sums(m) != "12 new, 1 same, 0 different" {
		t.Fatalf("%s: %+v", sums(m), m)
	}
	if plans, err := into.Plans(t.Context()); err != nil || len(plans) != 0 {
		t.Fatalf("to look at it put %d dishes in, %v", len(plans), err)
	}
	merging(t, into, from, all(Keep))
	if m := merging(t, into, from, nil); sums(m) != "0 new, 13 same, 0 different" {
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
			want, _ := from.Readings(t.Context(), FileOf(c.ID), noon, friday)
			if got, err := again.Readings(t.Context(), FileOf(c.ID), noon, friday); err != nil || !same(want, got) {
				t.Errorf("its curve is %v, %v", got, err)
			}
		}
	}
}

// changed makes of each kind something else.
func changed(t *testing.T, s *Store) {
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

func count(t *testing.T, s *Store, query string, args ...any) (n int) {
	t.Helper()
	if err := s.db.GetContext(t.Context(), &n, query, args...); err != nil {
		t.Fatal(err)
	}
	return n
}

func TestWhatDiffersIsAskedForKeptOrTaken(t *testing.T) {
	base := aHousehold(t)
	other := twin(t, base)
	if m := merging(t, base, other, nil); sums(m) != "0 new, 13 same, 0 different" {
		t.Fatalf("a copy differs: %s %+v", sums(m), m.Differences)
	}
	changed(t, other)
	m := merging(t, base, other, nil)
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
	if _, err := base.Merge(t.Context(), other, func(d Difference) Choice {
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
	merging(t, base, other, all(Keep))
	if m := merging(t, base, other, nil); len(m.Differences) != 11 {
		t.Errorf("kept, and %s", sums(m))
	}
	before := count(t, base, `SELECT version FROM plans`)
	merging(t, base, other, all(Take))
	if m := merging(t, base, other, nil); len(m.Differences) != 0 || sums(m) != "0 new, 11 same, 2 different" {
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
	if err := other.LayCurve(t.Context(), cookOf(t, other), []Reading{{noon, 30}}, cook.Event{Kind: cook.LeftIn, At: noon, Probe: FileOf(cookOf(t, other).ID)}); err != nil {
		t.Fatal(err)
	}
	was := twin(t, base)
	merging(t, base, other, all(Both))
	// What was here is as it was.
	if m := merging(t, base, was, nil); len(m.Differences) != 0 {
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
		read, err := base.Readings(t.Context(), FileOf(c.ID), noon.Add(-time.Hour), friday)
		if err != nil {
			t.Fatal(err)
		}
		curves[fmt.Sprintf("%v %s %v %d %d %d", o.Led, c.Name, c.DishID == "", len(read), len(o.Pictures[c.ID]), len(o.Said))]++
		if o.Led && (o.Said[0].Task != c.DishID+"/1/load" || len(o.Cooks) != 2) {
			t.Errorf("the supper said %q of the dish %q, of %d baskets", o.Said[0].Task, c.DishID, len(o.Cooks))
		}
	}
	if want := (map[string]int{"false wedges true 2 1 0": 1, "false wedges (brought) true 1 1 0": 1, "true Wings false 0 0 1": 2}); fmt.Sprint(curves) != fmt.Sprint(want) {
		t.Errorf("%v, want %v", curves, want)
	}
}

func cookOf(t *testing.T, s *Store) Cook {
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
	if m := merging(t, base, other, nil); sums(m) != "2 new, 11 same, 0 different" {
		t.Fatalf("%s %+v", sums(m), m.Differences)
	}
	merging(t, base, other, all(Keep))
	if m := merging(t, base, other, nil); sums(m) != "0 new, 13 same, 0 different" {
		t.Errorf("%s %+v", sums(m), m.Differences)
	}
	if _, err := base.AddCook(ctx, Cook{Name: "Fish", StartedAt: Time{friday}}); err != nil {
		t.Fatal(err)
	}
	if _, err := base.Merge(ctx, other, all(Take), nil); !errors.Is(err, ErrLive) {
		t.Errorf("beside a live cook: %v", err)
	}
	if m := merging(t, base, other, nil); sums(m) != "0 new, 13 same, 0 different" {
		t.Errorf("looked at beside a live cook: %s", sums(m))
	}
	gone, stop := context.WithCancel(ctx)
	stop()
	if _, err := base.Merge(gone, other, all(Take), nil); !errors.Is(err, context.Canceled) {
		t.Errorf("given up: %v", err)
	}
}

// A household of the first build is the same as its copy that went through the
// program's own forms.
func TestAnOldHouseholdIsTheSameAsItself(t *testing.T) {
	old := household(t)
	into, _ := open(t)
	merging(t, into, old, all(Take))
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
	fresh, _ := open(t)
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
	for name, s := range map[string]*Store{"kept again": into, "its cooks in an empty one": fresh} {
		if m := merging(t, old, s, nil); len(m.Differences) != 0 && name == "kept again" || count(t, s, `SELECT COUNT(*) FROM cooks`) == 0 {
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

// What is taken away is of one moment.
func TestASnapshotStandsStill(t *testing.T) {
	s := aHousehold(t)
	ctx := t.Context()
	still, discard, err := s.Snapshot(ctx)
	if err != nil {
		t.Fatal(err)
	}
	c := cookOf(t, s)
	if err := errors.Join(s.DeleteCook(ctx, c.ID), s.DeletePlan(ctx, *c.PlanID)); err != nil {
		t.Fatal(err)
	}
	ids, err := still.Sessions(ctx)
	if err != nil || len(ids) != 2 {
		t.Errorf("%q, %v", ids, err)
	}
	o, err := still.Session(ctx, c.SessionID)
	if err != nil || len(o.Cooks) != 1 || len(o.Pictures[c.ID]) != 1 {
		t.Errorf("%+v, %v", o, err)
	}
	if b, err := still.PictureFile(ctx, o.Pictures[c.ID][0].ID, false); err != nil || string(b) != "full" {
		t.Errorf("its picture: %q, %v", b, err)
	}
	discard()
	if left, err := filepath.Glob(s.path + broughtInfix + "*"); err != nil || len(left) != 0 {
		t.Errorf("left lying: %q, %v", left, err)
	}
	if b, err := s.PictureFile(ctx, o.Pictures[c.ID][0].ID, false); err != nil || len(b) == 0 {
		t.Errorf("thrown away with it: %v", err)
	}
}

func TestPicturesLieBesideTheDatabase(t *testing.T) {
	s := aHousehold(t)
	ctx := t.Context()
	c := cookOf(t, s)
	p, err := s.AddPicture(ctx, Picture{CookID: c.ID}, []byte("full two"), []byte("small two"))
	if err != nil {
		t.Fatal(err)
	}
	if got, err := s.SayAlt(ctx, p.ID, "on the plate"); err != nil || got.Alt != "on the plate" || got.CookID != c.ID {
		t.Errorf("%+v, %v", got, err)
	}
	list, err := s.PicturesOf(ctx, c.ID)
	if err != nil || len(list) != 2 || list[1].ID != p.ID {
		t.Fatalf("%+v, %v", list, err)
	}
	if first, err := s.FirstPictures(ctx); err != nil || first[c.ID].ID != list[0].ID {
		t.Errorf("%+v, %v", first, err)
	}
	if _, err := s.AddPicture(ctx, Picture{CookID: "none"}, []byte("x"), []byte("x")); !errors.Is(err, ErrNotFound) {
		t.Errorf("of a cook that is not here: %v", err)
	}
	// Taken out it can be brought back for a day; then it is gone.
	if err := s.DeletePicture(ctx, p.ID); err != nil {
		t.Fatal(err)
	}
	if got, err := s.RestorePicture(ctx, p.ID); err != nil || got.Alt != "on the plate" {
		t.Errorf("%+v, %v", got, err)
	}
	if err := s.DeletePicture(ctx, p.ID); err != nil {
		t.Fatal(err)
	}
	long := time.Now().Add(-48 * time.Hour)
	stray := filepath.Join(s.pictures, "stray.jpg")
	if err := errors.Join(os.WriteFile(stray, []byte("of none"), 0o600), os.Chtimes(stray, long, long)); err != nil {
		t.Fatal(err)
	}
	for _, suffix := range []string{fullPicture, smallPicture} {
		if err := os.Chtimes(filepath.Join(s.pictures, p.ID+suffix), long, long); err != nil {
			t.Fatal(err)
		}
	}
	s.now = func() time.Time { return noon.Add(25 * time.Hour) }
	if err := s.sweep(ctx); err != nil {
		t.Fatal(err)
	}
	if _, err := s.PictureFile(ctx, p.ID, false); !errors.Is(err, ErrNotFound) {
		t.Errorf("a day later: %v", err)
	}
	copied := twin(t, s)
	files, err := os.ReadDir(copied.pictures)
	if err != nil || len(files) != 2 {
		t.Fatalf("%d files in the copy, %v", len(files), err)
	}
	if b, err := copied.PictureFile(ctx, list[0].ID, false); err != nil || !bytes.Equal(b, []byte("full")) {
		t.Errorf("%q, %v", b, err)
	}
	for range MostPictures - 1 {
		if _, err := s.AddPicture(ctx, Picture{CookID: c.ID}, []byte("x"), []byte("x")); err != nil {
			t.Fatal(err)
		}
	}
	if _, err := s.AddPicture(ctx, Picture{CookID: c.ID}, []byte("x"), []byte("x")); !errors.Is(err, ErrFull) {
		t.Errorf("one too many: %v", err)
	}
	if files, err := os.ReadDir(s.pictures); err != nil || len(files) != 2*MostPictures {
		t.Errorf("%d files, %v", len(files), err)
	}
}
