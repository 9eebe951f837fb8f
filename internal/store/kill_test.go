package store

import (
	"bufio"
	"context"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"testing"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
)

// The file that a process of its own writes to, in its environment.
const killedFile = "VELOCRUSTUM_TEST_KILLED"

// TestMain is that process, if it is told a file.
func TestMain(m *testing.M) {
	path := os.Getenv(killedFile)
	if path == "" {
		os.Exit(m.Run())
	}
	fmt.Fprintln(os.Stderr, writeUntilKilled(context.Background(), path))
	os.Exit(1)
}

// writeUntilKilled says of each event that it was promised is kept.
func writeUntilKilled(ctx context.Context, path string) error {
	claimed, err := Claim(path)
	if err != nil {
		return err
	}
	defer claimed.Release()
	s, err := Open(ctx, path, time.Now)
	if err != nil {
		return err
	}
	cooks, err := s.Summaries(ctx)
	if err != nil {
		return err
	}
	c, err := s.Cook(ctx, cooks[0].ID)
	if err != nil {
		return err
	}
	for n := 0; ; n++ {
		id := fmt.Sprintf("%d-%d", os.Getpid(), n)
		if err := s.Say(ctx, c, cook.Event{ID: id, Kind: cook.Look, At: time.Now()}); err != nil {
			return err
		}
		fmt.Println("kept", id)
	}
}

// A process is killed while it writes, over and over: what it had promised is
// there, the file is whole, and the next process can claim it at once.
func TestKilledInTheMidstNothingPromisedIsLost(t *testing.T) {
	path := filepath.Join(t.TempDir(), "kitchen.db")
	s, err := Open(t.Context(), path, time.Now)
	if err != nil {
		t.Fatal(err)
	}
	f, err := s.AddFryer(t.Context(), OwnFryer{Name: "drawer", Fryer: load.Fryer{Basket: &fryer.Basket{Shape: "round", DiameterMm: 190}}})
	if err != nil {
		t.Fatal(err)
	}
	c := Cook{Name: "wings", StartedAt: Time{time.Now()}}
	c.Fryer.V = f
	c.Plan.V.Program.V.Stages = []load.Stage{{AirC: 190, Minutes: 20}}
	if c, err = s.AddCook(t.Context(), c); err != nil {
		t.Fatal(err)
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	var promised []string
	for round := range 6 {
		child := exec.CommandContext(t.Context(), os.Args[0])
		child.Env = append(os.Environ(), killedFile+"="+path)
		out, err := child.StdoutPipe()
		if err != nil {
			t.Fatal(err)
		}
		if err := child.Start(); err != nil {
			t.Fatal(err)
		}
		lines := bufio.NewScanner(out)
		for n := 0; n < 20+7*round && lines.Scan(); n++ {
			var id string
			if _, err := fmt.Sscanf(lines.Text(), "kept %s", &id); err == nil {
				promised = append(promised, id)
			}
		}
		if err := child.Process.Kill(); err != nil {
			t.Fatal(err)
		}
		_ = child.Wait() // killed, by design
	}
	if s, err = Open(t.Context(), path, time.Now); err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	var whole string
	if err := s.db.GetContext(t.Context(), &whole, `PRAGMA integrity_check`); err != nil || whole != "ok" {
		t.Errorf("the file is %q, %v", whole, err)
	}
	got, err := s.Cook(t.Context(), c.ID)
	if err != nil {
		t.Fatal(err)
	}
	there := map[string]bool{}
	for _, e := range got.Events {
		there[e.ID] = true
	}
	for _, id := range promised {
		if !there[id] {
			t.Errorf("event %s was promised and is lost", id)
		}
	}
	if len(promised) < 100 {
		t.Errorf("only %d events were promised", len(promised))
	}
}
