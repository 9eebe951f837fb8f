package demo

import (
	"path/filepath"
	"testing"
	"time"

	"velocrustum/core/program"
	"velocrustum/internal/store"
)

func TestEveryDishWorks(t *testing.T) {
	for _, d := range dishes {
		f := drawer
		if d.round {
			f = borrowed
		}
		a, err := program.Simulate(t.Context(), program.Request{Load: d.load, Coat: &d.coat, Fryer: &f.Fryer, Program: d.program, Groups: d.beside, TailMin: 5}, program.Options{})
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
	if err != nil || len(plans) != len(dishes) {
		t.Errorf("%d plans, %v", len(plans), err)
	}
	cooks, err := s.Summaries(t.Context())
	if err != nil || len(cooks) != len(week) {
		t.Fatalf("%d cooks, %v", len(cooks), err)
	}
	for _, c := range cooks {
		if c.FinishedAt == nil || c.FinishedAt.After(now) || *c.Note == "" || len(c.Lab.V) != 2 || c.PlannedMin == 0 || c.LoadedAt == nil {
			t.Errorf("%s is not a finished cook", c.Name)
		}
	}
}
