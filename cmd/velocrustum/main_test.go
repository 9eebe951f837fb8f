package main

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"io"
	"net/http"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
	"time"

	"velocrustum/core/verdict"
)

const wings = `{
  "load": {"cut": "chicken-wing-flat", "pieces": 12, "pieceMassG": 42, "thicknessMm": 23, "startC": 5, "surface": "wiped"},
  "coat": {"id": "starch-dust", "oilG": 4},
  "fryer": {"kind": "drawer", "powerW": 1500, "basket": {"shape": "rectangle", "widthMm": 230, "depthMm": 230}, "airflow": 1.0, "dialOffsetC": 0, "roomC": 21},
  "program": {"preheatMin": 4, "stages": [{"airC": 165, "minutes": 12}, {"airC": 200, "minutes": 12}], "turns": [{"atMin": 12, "kind": "flip"}]},
  "guidance": "us"
}`

func run(t *testing.T, in string, args ...string) (out, errOut string, err error) {
	t.Helper()
	var o, e bytes.Buffer
	c := root()
	c.SetArgs(args)
	c.SetIn(strings.NewReader(in))
	c.SetOut(&o)
	c.SetErr(&e)
	err = c.ExecuteContext(t.Context())
	return o.String(), e.String(), err
}

func TestSimulateFromFileAndInput(t *testing.T) {
	file := filepath.Join(t.TempDir(), "request.json")
	if err := os.WriteFile(file, []byte(wings), 0o600); err != nil {
		t.Fatal(err)
	}
	a, _, err := run(t, "", "simulate", file)
	if err != nil {
		t.Fatal(err)
	}
	b, _, err := run(t, wings, "simulate", "-")
	if err != nil {
		t.Fatal(err)
	}
	if a != b {
		t.Error("a file and standard input answer differently")
	}
	var answer verdict.Answer
	if err := json.Unmarshal([]byte(a), &answer); err != nil {
		t.Fatal(err)
	}
	if len(answer.Timeline) < 25 || answer.Timeline[0].Minute != 0 || answer.Chance == nil {
		t.Errorf("%d moments, chance %v", len(answer.Timeline), answer.Chance)
	}
	for _, name := range []string{"safeAtMin", "crispAtMin", "window", "chance", "coverage", "layers", "end", "timeline", "warnings"} {
		if !strings.Contains(a, `"`+name+`"`) {
			t.Errorf("no %q in the answer", name)
		}
	}
}

func TestSimulateRefusesInWords(t *testing.T) {
	for _, c := range []struct{ from, to, field, allowed string }{
		{`"chicken-wing-flat"`, `"chicken-wing-left"`, "load.cut", "chicken-drumette"},
		{`"pieces": 12`, `"pieces": 0`, "load.pieces", "1 to 2000"},
		{`"pieceMassG": 42`, `"pieceMassG": -42`, "load.pieceMassG", "wing flats"},
		{`"pieceMassG": 42`, `"pieceMassG": "heavy"`, "load.pieceMassG", "a number"},
		{`"startC": 5`, `"startC": -28`, "load.startC", "-21 to 60"},
		{`"airC": 165`, `"airC": 2000`, "program.stages[0].airC", "60 to 240"},
		{`"minutes": 12}]`, `"minutes": 500}]`, "program.stages[1].minutes", "0.5 to 120"},
		{`"atMin": 12`, `"atMin": 77`, "program.turns[0].atMin", "within the program"},
		{`"flip"`, `"toss"`, "program.turns[0].kind", "flip, shake"},
		{`"guidance": "us"`, `"guidance": "mine"`, "guidance", "us, uk, stricter"},
		{`"guidance": "us"`, `"guidance": "us", "sauce": "hot"`, "sauce", "like bench.sauces"},
		{`"surface": "wiped"`, `"surface": "muddy"`, "load.surface", "wet, wiped, racked"},
		{`"shape": "rectangle"`, `"shape": "star"`, "fryer.basket.shape", "rectangle, round"},
		{`"thicknessMm": 23`, `"thicknessMm": 400`, "load.thicknessMm", "mm for 42 g"},
		{`"starch-dust"`, `"sawdust"`, "coat.id", "three-bowl-crumb"},
	} {
		body := strings.Replace(wings, c.from, c.to, 1)
		if body == wings {
			t.Fatalf("%s is not in the request", c.from)
		}
		out, said, err := run(t, body, "simulate", "-")
		if !errors.Is(err, errInput) || out != "" {
			t.Errorf("%s: answered %q, %v", c.to, out, err)
		}
		if !strings.Contains(said, c.field) || !strings.Contains(said, c.allowed) {
			t.Errorf("%s: said %q, want %s and %s", c.to, said, c.field, c.allowed)
		}
	}
	for _, body := range []string{"", "[]", "{", wings + "{}", `{"load":null}`, `"wings"`} {
		if _, said, err := run(t, body, "simulate", "-"); !errors.Is(err, errInput) || said == "" {
			t.Errorf("%.20q: %v, %q", body, err, said)
		}
	}
	if _, _, err := run(t, "", "simulate", "/nowhere/request.json"); !errors.Is(err, errInput) {
		t.Errorf("a file that is not there: %v", err)
	}
}

func TestDemoServesKeepsAndBacksUp(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	dir := t.TempDir()
	db := filepath.Join(dir, "demo.db")
	serveOnce := func(do func(url string)) {
		t.Helper()
		ctx, stop := context.WithCancel(t.Context())
		r, w := io.Pipe()
		c := root()
		c.SetArgs([]string{"demo", "--db", db, "--addr", "127.0.0.1:0"})
		c.SetOut(w)
		done := make(chan error, 1)
		go func() { done <- c.ExecuteContext(ctx) }()
		line := make([]byte, 200)
		n, err := r.Read(line)
		if err != nil {
			t.Fatal(err)
		}
		url := regexp.MustCompile(`http://\S+`).FindString(string(line[:n]))
		do(url)
		stop()
		select {
		case err := <-done:
			if err != nil {
				t.Error(err)
			}
		case <-time.After(10 * time.Second):
			t.Fatal("the server did not stop")
		}
	}
	plans := func(url string) int {
		t.Helper()
		r, err := http.Get(url + "/api/v1/plans")
		if err != nil {
			t.Fatal(err)
		}
		defer r.Body.Close()
		var list []struct{ ID string }
		if err := json.NewDecoder(r.Body).Decode(&list); err != nil {
			t.Fatal(err)
		}
		for _, p := range list {
			if p.ID == "" {
				t.Error("a plan has no id")
			}
		}
		return len(list)
	}
	first := 0
	serveOnce(func(url string) {
		first = plans(url)
		all, err := http.Get(url + "/api/v1/plans")
		if err != nil {
			t.Fatal(err)
		}
		var list []struct {
			ID string `json:"id"`
		}
		if err := json.NewDecoder(all.Body).Decode(&list); err != nil {
			t.Fatal(err)
		}
		_ = all.Body.Close()
		q, _ := http.NewRequest(http.MethodDelete, url+"/api/v1/plans/"+list[0].ID, nil)
		if r, err := http.DefaultClient.Do(q); err != nil || r.StatusCode != http.StatusNoContent {
			t.Fatalf("deleting: %v", err)
		}
		copied := filepath.Join(dir, "copy.db")
		if _, _, err := run(t, "", "backup", "--db", db, copied); err != nil {
			t.Errorf("backup while serving: %v", err)
		}
		if info, err := os.Stat(copied); err != nil || info.Size() < 10000 {
			t.Errorf("the copy: %v", err)
		}
	})
	if first < 6 {
		t.Errorf("the demo has %d dishes", first)
	}
	serveOnce(func(url string) {
		if n := plans(url); n != first-1 {
			t.Errorf("%d plans after a restart, want %d: the demo must keep the cook's changes", n, first-1)
		}
	})
}

func TestNotOpenToTheNetworkWithoutAPassphrase(t *testing.T) {
	t.Setenv("VELOCRUSTUM_PASSPHRASE", "")
	for _, addr := range []string{"0.0.0.0:0", ":0", "192.0.2.1:80", "nonsense"} {
		if _, _, err := run(t, "", "serve", "--db", filepath.Join(t.TempDir(), "x.db"), "--addr", addr); err == nil {
			t.Errorf("served on %s", addr)
		}
	}
	if _, _, err := run(t, "", "backup", "--db", filepath.Join(t.TempDir(), "none.db"), "copy.db"); err == nil {
		t.Error("backed up a database that is not there")
	}
}

// Two drawers through the command: each answered, and both; asked of as one dish
// they are refused.
func TestSimulateTwoDrawers(t *testing.T) {
	lot := `{"lots": [{"load": {"cut": "chicken-wing-flat", "pieces": 8, "pieceMassG": 42}}], "program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": 24}]}`
	both := `{"fryer": {"drawers": 2, "powerW": 2400}, "chambers": [` + lot + `}, ` + lot + `, "startMin": 4}]}`
	out, _, err := run(t, both, "simulate", "-")
	if err != nil {
		t.Fatal(err)
	}
	var a verdict.Answer
	if err := json.Unmarshal([]byte(out), &a); err != nil {
		t.Fatal(err)
	}
	if len(a.Chambers) != 2 || a.Chambers[1].StartMin != 4 || len(a.Chambers[0].Lots) != 1 || len(a.Plug) == 0 || a.Chambers[0].Chance == nil {
		t.Errorf("%+v", a.Verdict)
	}
	if _, told, err := run(t, both, "recommend", "-"); err == nil || !strings.Contains(told, "one dish here") {
		t.Errorf("recommend says %q, %v", told, err)
	}
}
