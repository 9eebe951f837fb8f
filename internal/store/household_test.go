package store

import (
	"bytes"
	"errors"
	"os"
	"path/filepath"
	"testing"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/sheet"
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
	_, err = s.PutCoat(ctx, OwnCoat{Name: "Rye", Layers: []food.CoatLayer{{Parts: []food.Mixed{{Ingredient: "egg", Share: 1}}}}}, nil)
	must(err)
	_, err = s.PutSauce(ctx, OwnSauce{Own: pan.Own{Name: "Glaze"}}, nil)
	must(err)
	_, err = s.PutMix(ctx, Mix{OwnMix: prep.OwnMix{Mix: prep.Mix{Name: "Salt of the house"}}}, nil)
	must(err)
	_, err = s.PutSupper(ctx, Supper{Name: "Friday", Evening: SupperPlan{ServeAt: friday, Dishes: []DishOfSupper{{PlanID: p.ID}}, Order: []string{p.ID + "/1"}}}, nil)
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
	must(s.SayOf(ctx, e.ID, cook.Said{ID: "laid", Kind: cook.Done, Task: sheet.TaskOfBasket(p.ID, 1, "load"), At: friday}))
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
