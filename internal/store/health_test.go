package store

import (
	"context"
	"testing"
	"time"

	"github.com/jmoiron/sqlx"
)

// A household that can be read and takes no change is not healthy; what was found
// serves who asks again at once.
func TestHealthWantsAChangeTaken(t *testing.T) {
	s, path := open(t)
	raw, err := sqlx.Open("sqlite", path)
	if err != nil {
		t.Fatal(err)
	}
	defer raw.Close()
	other, err := raw.Connx(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	hold := func(say string) {
		t.Helper()
		if _, err := other.ExecContext(t.Context(), say); err != nil {
			t.Fatal(err)
		}
	}
	asked := func() error {
		ctx, cancel := context.WithTimeout(t.Context(), 100*time.Millisecond)
		defer cancel()
		return s.Healthy(ctx)
	}
	hold(`BEGIN IMMEDIATE`)
	if err := asked(); err == nil {
		t.Error("healthy, while it takes no change")
	}
	third, err := raw.Connx(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	if _, err = third.ExecContext(t.Context(), `BEGIN IMMEDIATE`); !IsBusy(err) {
		t.Errorf("held by another: %v", err)
	}
	if _, err = third.ExecContext(t.Context(), `BEGIN AT ONCE`); err == nil || IsBusy(err) {
		t.Errorf("of something else: %v", err)
	}
	hold(`ROLLBACK`)
	if err := s.Healthy(t.Context()); err != nil {
		t.Fatal(err)
	}
	hold(`BEGIN IMMEDIATE`)
	if err := asked(); err != nil {
		t.Errorf("asked again at once: %v", err)
	}
	hold(`ROLLBACK`)
}
