package work

import (
	"context"
	"errors"
	"sync/atomic"
	"testing"
	"time"

	"velocrustum/core/run"
)

// Work that gives way waits while a live cook is foretold, and goes on when it is, or when
// it has waited long enough; work at the fryer itself waits for nothing.
func TestWorkGivesWayToWhoWaitsAtAFryer(t *testing.T) {
	t.Parallel()
	w := NewPlaces(0)
	run.GiveWay(w.GivingWay(t.Context(), time.Hour)) // nobody is foretold
	done := w.Answering()
	run.GiveWay(t.Context())
	run.GiveWay(w.GivingWay(t.Context(), 10*time.Millisecond)) // not for ever
	gone, leave := context.WithCancel(t.Context())
	leave()
	run.GiveWay(w.GivingWay(gone, time.Hour))

	var foretold atomic.Bool
	after := make(chan bool)
	go func() {
		run.GiveWay(w.GivingWay(t.Context(), time.Hour))
		after <- foretold.Load()
	}()
	time.Sleep(4 * looks) // it has begun to wait
	foretold.Store(true)
	done()
	if !<-after {
		t.Error("it went on before the cook was foretold")
	}
}

// A search has a place, or is told soon that there is none; in it, it gives way.
func TestASearchHasAPlaceOrIsToldSo(t *testing.T) {
	t.Parallel()
	w := NewPlaces(time.Hour)
	var leave []func()
	for range places {
		ctx, done, err := w.Take(t.Context())
		if err != nil {
			t.Fatal(err)
		}
		if until, ok := ctx.Deadline(); !ok || time.Until(until) > time.Hour {
			t.Errorf("it is given up at %v", until)
		}
		leave = append(leave, done)
	}
	gone, give := context.WithCancel(t.Context())
	give()
	if _, _, err := w.Take(gone); !errors.Is(err, context.Canceled) {
		t.Errorf("who left gets %v", err)
	}
	leave[0]()
	ctx, done, err := w.Take(t.Context())
	if err != nil {
		t.Fatalf("with a place free: %v", err)
	}
	defer done()
	defer w.Answering()()
	before := time.Now()
	run.GiveWay(ctx)
	if waited := time.Since(before); waited < SearchWaits/2 {
		t.Errorf("it waited %s for a live cook", waited)
	}
}
