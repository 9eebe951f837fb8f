package store

import (
	"encoding/json"
	"errors"
	"testing"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/sheet"
)

var friday = time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC)

// led is a supper of two baskets, begun.
func led(t *testing.T) (*Store, EveningLed) {
	t.Helper()
	s, _ := open(t)
	e := EveningLed{Name: "Card night", Hands: 2, StartedAt: Time{friday}}
	e.Sheet.V = sheet.Sheet{ServeAt: friday.Add(time.Hour), Tasks: []sheet.Task{{ID: "wings/1/load", Kind: sheet.Load}}}
	for n := range 2 {
		e.Cooks = append(e.Cooks, Cook{Name: "Wings", DishID: "wings", Basket: n + 1, Baskets: 2, StartedAt: Time{friday}})
	}
	e, err := s.BeginEvening(t.Context(), e)
	if err != nil {
		t.Fatal(err)
	}
	return s, e
}

func TestASupperIsKeptWithItsBaskets(t *testing.T) {
	s, e := led(t)
	ctx := t.Context()
	got, err := s.LiveEvening(ctx)
	if err != nil || got.ID != e.ID || got.Hands != 2 || len(got.Cooks) != 2 || got.Cooks[1].Basket != 2 || got.Sheet.V.Tasks[0].ID != "wings/1/load" || !got.Sheet.V.ServeAt.Equal(friday.Add(time.Hour)) {
		t.Fatalf("%+v, %v", got, err)
	}
	// Nothing else begins beside it, and it is no dish cooked alone.
	if _, err := s.AddCook(ctx, Cook{Name: "Fish", StartedAt: Time{friday}}); !errors.Is(err, ErrLive) {
		t.Errorf("a cook beside it: %v", err)
	}
	if _, err := s.BeginEvening(ctx, EveningLed{Name: "Another", StartedAt: Time{friday}}); !errors.Is(err, ErrLive) {
		t.Errorf("a supper beside it: %v", err)
	}
	if all, err := s.LiveCooks(ctx); err != nil || len(all) > 0 {
		t.Errorf("a basket of it passes for a dish cooked alone: %v", err)
	}
	if list, err := s.Summaries(ctx); err != nil || len(list) != 0 {
		t.Errorf("in the logbook while it goes on: %+v, %v", list, err)
	}

	// One basket is cooked, one never was; then it is over, and goes on again.
	first := got.Cooks[0]
	for k, kind := range []string{cook.Loaded, cook.Out} {
		if kind == cook.Out {
			first.FinishedAt = &Time{friday.Add(20 * time.Minute)}
		}
		if err := s.Say(ctx, first, cook.Event{ID: "e-" + kind, Kind: kind, At: friday.Add(time.Duration(k+1) * 10 * time.Minute)}); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.SayOf(ctx, e.ID, cook.Said{Kind: cook.GiveUp, At: friday.Add(30 * time.Minute)}); err != nil {
		t.Fatal(err)
	}
	if got, err = s.EveningLed(ctx, e.ID); err != nil || len(got.Said) != 1 || got.Said[0].ID == "" {
		t.Fatalf("said: %+v, %v", got.Said, err)
	}
	over := friday.Add(30 * time.Minute)
	if err := s.Settle(ctx, got, &over); err != nil {
		t.Fatal(err)
	}
	list, err := s.Summaries(ctx)
	if err != nil || len(list) != 1 || list[0].Evening != "Card night" || list[0].SessionID != e.ID || list[0].Basket != 1 || list[0].FinishedAt == nil || !list[0].FinishedAt.Equal(friday.Add(20*time.Minute)) {
		t.Errorf("in the logbook: %+v, %v", list, err)
	}
	if _, err := s.LiveEvening(ctx); !errors.Is(err, ErrNotFound) {
		t.Errorf("over, it is live: %v", err)
	}
	if err := s.RevokeOf(ctx, e.ID, got.Said[0].ID); err != nil {
		t.Fatal(err)
	}
	if got, err = s.EveningLed(ctx, e.ID); err != nil || len(got.Said) != 0 || len(got.Cooks) != 2 {
		t.Fatalf("taken back: %+v, %v", got, err)
	}
	if said, err := s.SaidOf(ctx, e.ID, "never"); err != nil || said {
		t.Errorf("said: %v, %v", said, err)
	}
	if err := s.Settle(ctx, got, nil); err != nil {
		t.Fatal(err)
	}
	if got, err = s.LiveEvening(ctx); err != nil || got.Cooks[1].FinishedAt != nil || got.Cooks[0].FinishedAt == nil {
		t.Errorf("it goes on: %+v, %v", got, err)
	}
}

func TestTheLogNumbersWhatWasSaid(t *testing.T) {
	s, e := led(t)
	ctx := t.Context()
	begun, err := s.LastSeq(ctx)
	if err != nil || begun == 0 {
		t.Fatal(begun, err)
	}
	if err := s.SayOf(ctx, e.ID, cook.Said{ID: "done-one", Kind: cook.Done, Task: "slaw/1", At: friday}); err != nil {
		t.Fatal(err)
	}
	if err := s.RevokeOf(ctx, e.ID, "done-one"); err != nil {
		t.Fatal(err)
	}
	if err := s.RevokeOf(ctx, e.ID, "never-said"); !errors.Is(err, ErrNotFound) {
		t.Errorf("what was never said is taken back: %v", err)
	}
	got, err := s.Since(ctx, begun, 10)
	if err != nil || len(got) != 2 || got[0].What != "said" || got[1].What != "revoked" || got[1].Seq != got[0].Seq+1 || got[0].SessionID != e.ID {
		t.Fatalf("%+v, %v", got, err)
	}
	var said cook.Said
	if err := json.Unmarshal(got[0].Event, &said); err != nil || said.Task != "slaw/1" {
		t.Errorf("%s, %v", got[0].Event, err)
	}
	if rest, err := s.Since(ctx, got[1].Seq, 10); err != nil || len(rest) != 0 {
		t.Errorf("after the last: %+v, %v", rest, err)
	}
}

func TestReadingsCountOnce(t *testing.T) {
	s, e := led(t)
	ctx := t.Context()
	at := func(sec int) time.Time { return friday.Add(time.Duration(sec) * time.Second) }
	if n, err := s.AddReadings(ctx, "tip", []Reading{{at(20), 7}, {at(0), 5}, {at(10), 6}, {at(10), 6}}, e.ID); err != nil || n != 3 {
		t.Fatalf("%d new, %v", n, err)
	}
	before, err := s.LastSeq(ctx)
	if err != nil {
		t.Fatal(err)
	}
	if n, err := s.AddReadings(ctx, "tip", []Reading{{at(10), 6}}, e.ID); err != nil || n != 0 {
		t.Errorf("sent again %d are new, %v", n, err)
	}
	if after, err := s.LastSeq(ctx); err != nil || after != before {
		t.Error("what was sent again is told of")
	}
	if _, err := s.AddReadings(ctx, "other", []Reading{{at(5), 20}}, ""); err != nil {
		t.Fatal(err)
	}
	got, err := s.Readings(ctx, "tip", at(5), at(20))
	if err != nil || len(got) != 2 || got[0].C != 6 || !got[1].At.Equal(at(20)) {
		t.Errorf("%+v, %v", got, err)
	}
	probes, err := s.Probes(ctx, at(1))
	if err != nil || len(probes) != 2 || probes[0].ID != "tip" || probes[0].C != 7 || probes[1].ID != "other" {
		t.Errorf("%+v, %v", probes, err)
	}
	if err := s.Say(ctx, e.Cooks[0], cook.Event{ID: "put-in-there", Kind: cook.LeftIn, At: at(30), Probe: "tip"}); err != nil {
		t.Fatal(err)
	}
	if moved, err := s.Moved(ctx, "tip", at(0)); err != nil || moved == nil || !moved.Equal(at(30)) {
		t.Errorf("moved at %v, %v", moved, err)
	}
	if moved, err := s.Moved(ctx, "tip", at(30)); err != nil || moved != nil {
		t.Errorf("moved again at %v, %v", moved, err)
	}
}
