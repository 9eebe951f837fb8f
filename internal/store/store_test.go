package store

import (
	"context"
	"errors"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/fryer"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/prep"
)

var noon = time.Date(2026, 11, 20, 12, 0, 0, 123456000, time.UTC)

// nothingKept is a database of which nothing is kept yet, made once.
var nothingKept = sync.OnceValues(func() ([]byte, error) {
	dir, err := os.MkdirTemp("", "velocrustum-")
	if err != nil {
		return nil, err
	}
	defer os.RemoveAll(dir)
	path := filepath.Join(dir, "kitchen.db")
	s, err := Open(context.Background(), path, func() time.Time { return noon })
	if err != nil {
		return nil, err
	}
	if err := s.Close(); err != nil {
		return nil, err
	}
	return os.ReadFile(path)
})

func open(t *testing.T) (*Store, string) {
	t.Helper()
	path := filepath.Join(t.TempDir(), "a folder", "kitchen.db")
	empty, err := nothingKept()
	if err == nil {
		err = os.Mkdir(filepath.Dir(path), 0o700)
	}
	if err == nil {
		err = os.WriteFile(path, empty, 0o600)
	}
	if err != nil {
		t.Fatal(err)
	}
	s, err := Open(t.Context(), path, func() time.Time { return noon })
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	return s, path
}

func stocked(t *testing.T) (*Store, OwnFryer, Plan) {
	t.Helper()
	s, _ := open(t)
	f, err := s.AddFryer(t.Context(), OwnFryer{Name: "drawer", Fryer: load.Fryer{Kind: "drawer", Basket: &fryer.Basket{Shape: "round", DiameterMm: 190}}})
	if err != nil {
		t.Fatal(err)
	}
	p := Plan{Name: "wedges", FryerID: f.ID}
	p.Lots.V = []prep.DishLot{{LotRequest: load.LotRequest{Load: load.Pieces{Cut: "potato-wedge", Pieces: 12, PieceMassG: 30}}}}
	p.Program.V.Stages = []load.Stage{{AirC: 200, Minutes: 20}}
	if p, err = s.AddPlan(t.Context(), p); err != nil {
		t.Fatal(err)
	}
	return s, f, p
}

func TestKeptAcrossReopening(t *testing.T) {
	s, path := open(t)
	f, err := s.AddFryer(t.Context(), OwnFryer{Name: "drawer", Fryer: load.Fryer{Kind: "drawer", Basket: &fryer.Basket{Shape: "round", DiameterMm: 190}}})
	if err != nil {
		t.Fatal(err)
	}
	if _, err := s.ChangeSettings(t.Context(), func(set Settings) (Settings, error) {
		set.Temperature, set.Guidance = "F", "uk"
		return set, nil
	}); err != nil {
		t.Fatal(err)
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	again, err := Open(t.Context(), path, time.Now)
	if err != nil {
		t.Fatal(err)
	}
	defer again.Close()
	got, err := again.Fryer(t.Context(), f.ID)
	if err != nil || got.Basket.DiameterMm != 190 {
		t.Errorf("fryer %+v, %v", got, err)
	}
	if now, err := again.Settings(t.Context()); err != nil || now.Temperature != "F" || now.Guidance != "uk" {
		t.Errorf("settings %+v, %v", now, err)
	}
}

func TestForeignThingsAreRefused(t *testing.T) {
	s, _, _ := stocked(t)
	if _, err := s.AddPlan(t.Context(), Plan{Name: "x", FryerID: "none"}); err == nil {
		t.Error("a plan for a fryer that is not there was kept")
	}
	if _, err := s.Plan(t.Context(), "none"); !errors.Is(err, ErrNotFound) {
		t.Errorf("a plan that is not there: %v", err)
	}
	if err := s.DeletePlan(t.Context(), "none"); !errors.Is(err, ErrNotFound) {
		t.Errorf("deleting it: %v", err)
	}
	if _, err := s.PutFryer(t.Context(), OwnFryer{ID: "none"}, nil); !errors.Is(err, ErrNotFound) {
		t.Errorf("changing a fryer that is not there: %v", err)
	}
}

func TestConcurrentChangesOneWins(t *testing.T) {
	s, _, p := stocked(t)
	var wg sync.WaitGroup
	var mu sync.Mutex
	won, lost := 0, 0
	for i := range 8 {
		wg.Go(func() {
			mine := p
			mine.Lots.V = []prep.DishLot{{LotRequest: load.LotRequest{Load: load.Pieces{Cut: "potato-wedge", Pieces: 20 + i, PieceMassG: 30}}}}
			_, err := s.PutPlan(context.WithoutCancel(t.Context()), mine, &p.Version)
			mu.Lock()
			defer mu.Unlock()
			switch {
			case err == nil:
				won++
			case errors.Is(err, ErrChanged):
				lost++
			default:
				t.Error(err)
			}
		})
	}
	wg.Wait()
	if won != 1 || lost != 7 {
		t.Errorf("%d won and %d lost, of eight", won, lost)
	}
	now, err := s.Plan(t.Context(), p.ID)
	if err != nil || now.Version != p.Version+1 || now.Pieces() < 20 {
		t.Errorf("plan %+v, %v", now, err)
	}
}

// One place has one live cook; another fryer, and the other of two drawers, is
// free, but not a drawer of a fryer of which both are used.
func TestOneLiveCookInAPlace(t *testing.T) {
	s, f, p := stocked(t)
	c := Cook{PlanID: &p.ID, Name: p.Name, Guidance: "us", StartedAt: Time{noon}}
	c.Plan.V, c.Fryer.V = p, f
	c.Events = []cook.Event{{Kind: cook.Loaded, At: noon.Add(time.Minute)}, {Kind: cook.Probe, At: noon.Add(5 * time.Minute), Value: 61.5}}
	c, err := s.AddCook(t.Context(), c)
	if err != nil {
		t.Fatal(err)
	}
	in := func(id, drawer string) error {
		second := Cook{Name: "second", Guidance: "us", StartedAt: Time{noon}}
		second.Plan.V, second.Fryer.V = p, f
		second.Fryer.V.ID, second.Fryer.V.Drawer = id, drawer
		_, err := s.AddCook(t.Context(), second)
		return err
	}
	if err := in(f.ID, ""); !errors.Is(err, ErrLive) {
		t.Errorf("a second live cook: %v", err)
	}
	if err := in(f.ID+"/right", "right"); !errors.Is(err, ErrLive) {
		t.Errorf("in a drawer of a fryer that is used: %v", err)
	}
	for _, drawer := range []string{"", "/right"} {
		if err := in("another"+drawer, strings.TrimPrefix(drawer, "/")); drawer == "" && err != nil || drawer != "" && !errors.Is(err, ErrLive) {
			t.Errorf("in another fryer%s: %v", drawer, err)
		}
	}
	if err := errors.Join(in("twin", "left"), in("twin/right", "right")); err != nil {
		t.Errorf("in two drawers: %v", err)
	}
	if all, err := s.LiveCooks(t.Context()); err != nil || len(all) != 4 {
		t.Errorf("live are %d, %v", len(all), err)
	}
	if _, err := s.db.Exec(`DELETE FROM cooks WHERE name = 'second'`); err != nil {
		t.Fatal(err)
	}
	if err := s.DeleteCook(t.Context(), c.ID); !errors.Is(err, ErrLive) {
		t.Errorf("deleting the live one: %v", err)
	}
	all, err := s.LiveCooks(t.Context())
	if err != nil || len(all) != 1 {
		t.Fatalf("live are %d, %v", len(all), err)
	}
	live := all[0]
	if len(live.Events) != 2 || live.Events[1] != c.Events[1] || live.Plan.V.Pieces() != 12 {
		t.Errorf("live %+v, %v", live, err)
	}
	live.FinishedAt = &Time{noon.Add(time.Hour)}
	for range 2 { // again it changes nothing
		if err := s.Revoke(t.Context(), live, live.Events[1].ID); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.Revoke(t.Context(), live, "no such event"); !errors.Is(err, ErrNotFound) {
		t.Errorf("taking back what was not said: %v", err)
	}
	if said, err := s.Said(t.Context(), live.ID, live.Events[1].ID); err != nil || !said {
		t.Errorf("what was taken back was never said: %v", err)
	}
	if all, err := s.LiveCooks(t.Context()); err != nil || len(all) > 0 {
		t.Errorf("still live: %d, %v", len(all), err)
	}
	if err := s.DeleteCook(t.Context(), c.ID); err != nil {
		t.Fatal(err)
	}
	if all, err := s.Summaries(t.Context()); err != nil || len(all) != 0 {
		t.Errorf("%d cooks after deleting, %v", len(all), err)
	}
	back, err := s.RestoreCook(t.Context(), c.ID)
	if err != nil || len(back.Events) != 1 || !back.FinishedAt.Equal(noon.Add(time.Hour)) {
		t.Errorf("restored %+v, %v", back, err)
	}
}

func TestFryersThatAreNeededStay(t *testing.T) {
	s, f, p := stocked(t)
	if err := s.DeleteFryer(t.Context(), f.ID); !errors.As(err, new(NeededError)) {
		t.Errorf("the fryer of a dish: %v", err)
	}
	spare, err := s.AddFryer(t.Context(), OwnFryer{Name: "spare", Fryer: load.Fryer{Kind: "oven", Trays: 3, Inferred: []string{"trays", "powerW"}}})
	if err != nil {
		t.Fatal(err)
	}
	p.SecondFryerID = &spare.ID
	if p, err = s.PutPlan(t.Context(), p, nil); err != nil {
		t.Fatal(err)
	}
	if err := s.DeleteFryer(t.Context(), spare.ID); !errors.As(err, new(NeededError)) {
		t.Errorf("a fryer that helps with a dish: %v", err)
	}
	if err := s.DeletePlan(t.Context(), p.ID); err != nil {
		t.Fatal(err)
	}
	if err := s.DeleteFryer(t.Context(), spare.ID); err != nil {
		t.Errorf("one that no dish needs: %v", err)
	}
	if err := s.DeleteFryer(t.Context(), f.ID); !errors.As(err, new(NeededError)) {
		t.Errorf("the last one: %v", err)
	}
	back, err := s.RestoreFryer(t.Context(), spare.ID)
	if err != nil || back.Trays != 3 || len(back.Inferred) != 2 {
		t.Errorf("back as %+v (%v)", back, err)
	}
	if _, err := s.RestoreFryer(t.Context(), "nobody's"); !errors.Is(err, ErrNotFound) {
		t.Errorf("restoring nothing: %v", err)
	}
}

func TestABatchedPlanIsKeptWhole(t *testing.T) {
	s, _, p := stocked(t)
	per := 7
	p.PerBasket = &per
	p.Program.V.Stages = []load.Stage{{AirC: 170, Minutes: 8}, {AirC: 200, Minutes: 4, Rest: true}, {AirC: 200, Minutes: 9}}
	p.Program.V.HotFromC = 190
	if _, err := s.PutPlan(t.Context(), p, nil); err != nil {
		t.Fatal(err)
	}
	got, err := s.Plan(t.Context(), p.ID)
	if err != nil {
		t.Fatal(err)
	}
	if got.PerBasket == nil || *got.PerBasket != 7 || !got.Program.V.Stages[1].Rest || got.Program.V.HotFromC != 190 {
		t.Errorf("kept as %+v", got)
	}
	got.PerBasket = nil
	if got, err = s.PutPlan(t.Context(), got, nil); err != nil || got.PerBasket != nil {
		t.Errorf("undone as %+v (%v)", got, err)
	}
}

func TestOwnFiguresOfAnIngredient(t *testing.T) {
	s, path := open(t)
	mine := prep.Ingredient{ID: "miso", Name: "our miso", Role: larder.Salty, Density: 1.1, Salt: 9, Price: 12.5, Allergens: []string{"soy"}}
	for _, salt := range []float64{9, 9.5} { // the later stands
		mine.Salt = salt
		if _, err := s.PutIngredient(t.Context(), mine, nil); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	again, err := Open(t.Context(), path, func() time.Time { return noon })
	if err != nil {
		t.Fatal(err)
	}
	defer again.Close()
	own, err := again.Pantry(t.Context())
	if err != nil || len(own) != 1 || own[0].Salt != 9.5 || own[0].Price != 12.5 || own[0].Allergens[0] != "soy" {
		t.Errorf("%+v (%v)", own, err)
	}
	if err := again.DropIngredient(t.Context(), "miso"); err != nil {
		t.Error(err)
	}
	if err := again.DropIngredient(t.Context(), "miso"); !errors.Is(err, ErrNotFound) {
		t.Errorf("forgetting what is not there: %v", err)
	}
}

func TestMarinadesOfTheHousehold(t *testing.T) {
	s, _ := open(t)
	for _, name := range []string{"turmeric yoghurt", "Boatyard harissa"} {
		if _, err := s.PutMarinade(t.Context(), Marinade{OwnMarinade: prep.OwnMarinade{Name: name, Marinade: prep.Marinade{Hours: 3, ForG: 400, Items: []prep.Item{{Ingredient: "oil", G: 20}}}}}, nil); err != nil {
			t.Fatal(err)
		}
	}
	all, err := s.Marinades(t.Context())
	if err != nil || len(all) != 2 || all[0].Name != "Boatyard harissa" || all[0].ID == all[1].ID || all[1].Marinade.Items[0].G != 20 {
		t.Fatalf("%+v (%v)", all, err)
	}
	all[0].Marinade.Hours = 5
	if _, err := s.PutMarinade(t.Context(), all[0], &all[0].Version); err != nil {
		t.Fatal(err)
	}
	if err := s.DropMarinade(t.Context(), all[1].ID); err != nil {
		t.Fatal(err)
	}
	if err := s.DropMarinade(t.Context(), all[1].ID); !errors.Is(err, ErrNotFound) {
		t.Errorf("forgetting what is not there: %v", err)
	}
	left, err := s.Marinades(t.Context())
	if err != nil || len(left) != 1 || left[0].Marinade.Hours != 5 {
		t.Errorf("%+v (%v)", left, err)
	}
}

// Two servers on one file: what both were told is there, in order.
func TestEventsOfTwoServersAreAllKept(t *testing.T) {
	s, f, p := stocked(t)
	c := Cook{PlanID: &p.ID, Name: p.Name, Guidance: "us", StartedAt: Time{noon}}
	c.Plan.V, c.Fryer.V = p, f
	c, err := s.AddCook(t.Context(), c)
	if err != nil {
		t.Fatal(err)
	}
	var path string
	if err := s.db.Get(&path, `SELECT file FROM pragma_database_list WHERE name = 'main'`); err != nil {
		t.Fatal(err)
	}
	other, err := Open(t.Context(), path, func() time.Time { return noon })
	if err != nil {
		t.Fatal(err)
	}
	defer other.Close()
	const each = 20
	var all sync.WaitGroup
	for _, server := range []*Store{s, other} {
		all.Go(func() {
			for i := range each {
				if err := server.Say(t.Context(), c, cook.Event{Kind: cook.Look, At: noon.Add(time.Duration(i) * time.Minute)}); err != nil {
					t.Error(err)
				}
			}
		})
	}
	all.Wait()
	got, err := s.Cook(t.Context(), c.ID)
	if err != nil || len(got.Events) != 2*each {
		t.Errorf("%d of %d events, %v", len(got.Events), 2*each, err)
	}
	// The same id a second time is refused by the file itself.
	if err := other.Say(t.Context(), c, got.Events[0]); err == nil {
		t.Error("one event was kept twice")
	}
}

// What is sent again, because its answer was lost, is no other's change; what
// another has changed is.
func TestSentAgain(t *testing.T) {
	s, f, p := stocked(t)
	ctx := t.Context()
	c, err := s.AddCook(ctx, Cook{PlanID: &p.ID, Name: p.Name, Guidance: "us", StartedAt: Time{noon}})
	if err != nil {
		t.Fatal(err)
	}
	item := []prep.Item{{Ingredient: "oil", G: 20}}
	for what, put := range map[string]func(name string, on int) (int, error){
		"a new dish": func(name string, on int) (int, error) {
			mine := p
			mine.ID, mine.Name = "device-a-1", name
			kept, err := s.PutPlan(ctx, mine, &on)
			return kept.Version, err
		},
		"a new fryer": func(name string, on int) (int, error) {
			mine := f
			mine.ID, mine.Name = "device-a-2", name
			kept, err := s.PutFryer(ctx, mine, &on)
			return kept.Version, err
		},
		"a marinade": func(name string, on int) (int, error) {
			kept, err := s.PutMarinade(ctx, Marinade{OwnMarinade: prep.OwnMarinade{ID: "device-a-3", Name: name, Marinade: prep.Marinade{Hours: 3, Items: item}}}, &on)
			return kept.Version, err
		},
		"an ingredient": func(name string, on int) (int, error) {
			return s.PutIngredient(ctx, prep.Ingredient{ID: "own-vinegar", Name: name, Density: 1}, &on)
		},
		"an outcome": func(name string, on int) (int, error) {
			mine := c
			mine.Note = &name
			return s.PutOutcome(ctx, mine, &on)
		},
	} {
		for _, step := range []struct {
			name    string
			on      int
			version int
			err     error
		}{
			{"first", 0, 1, nil},
			{"first", 0, 1, nil},
			{"another's", 0, 1, ErrChanged},
			{"second", 1, 2, nil},
			{"second", 1, 2, nil},
			{"first", 1, 2, ErrChanged},
		} {
			version, err := put(step.name, step.on)
			if !errors.Is(err, step.err) || err == nil && version != step.version {
				t.Errorf("%s %q on version %d: version %d, %v; want %d, %v", what, step.name, step.on, version, err, step.version, step.err)
			}
		}
	}
	if err := s.DeletePlan(ctx, "device-a-1"); err != nil {
		t.Fatal(err)
	}
	p.ID = "device-a-1"
	if _, err := s.PutPlan(ctx, p, new(int)); !errors.Is(err, ErrNotFound) {
		t.Errorf("a dish that was put aside comes back by itself: %v", err)
	}
}
