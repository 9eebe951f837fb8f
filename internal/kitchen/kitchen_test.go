package kitchen

import (
	"encoding/json"
	"log/slog"
	"math"
	"math/rand/v2"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"sync"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/run"
)

var (
	begun   = time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC)
	request = load.Request{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 5, PieceMassG: 112, Surface: "wiped"}, Coat: &load.Covering{ID: "oil-rub", OilG: 5},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 185, Minutes: 26}}, Turns: []load.Turn{{AtMin: 13, Kind: load.Flip}}}}
)

// server is one that has drumsticks in, and notes what it is sent.
type server struct {
	now  time.Time
	away bool
	in   bool
	got  []reading
	// measuring is what is said of a measured run; nil where there is none.
	measuring map[string]any
}

func (s *server) ServeHTTP(w http.ResponseWriter, r *http.Request) {
	if s.away {
		http.Error(w, "away", http.StatusBadGateway)
		return
	}
	var out any
	switch r.URL.Path {
	case "/api/v1/cooks/live":
		live := map[string]any{"now": s.now}
		if s.in {
			live["evening"] = map[string]any{"baskets": []any{map[string]any{"cookId": "legs", "loadedAt": begun, "probe": map[string]any{"id": "tip"}}}}
		}
		if s.measuring != nil {
			live["measuring"] = []any{s.measuring}
		}
		out = live
	case "/api/v1/fryers":
		out = []any{map[string]any{"id": "one", "kind": "drawer"}}
	case "/api/v1/cooks/legs":
		out = map[string]any{"plan": map[string]any{"lots": request.InLots().Lots}, "fryer": load.Fryer{}.Whole(), "actual": request.Program}
	case "/api/v1/probes/tip/readings":
		var in struct{ Readings []reading }
		if json.NewDecoder(r.Body).Decode(&in) == nil {
			s.got = append(s.got, in.Readings...)
		}
		out = map[string]any{"added": len(in.Readings)}
	default:
		http.NotFound(w, r)
		return
	}
	_ = json.NewEncoder(w).Encode(out)
}

func TestItReadsAHiddenTruthAndSendsLikeARealOne(t *testing.T) {
	s := &server{now: begun, in: true}
	h := httptest.NewServer(s)
	defer h.Close()
	lies := New(Options{Server: h.URL, Probe: "tip", Seed: 7, Speed: 1, Log: slog.New(slog.DiscardHandler)})
	said := 0
	for s.now.Before(begun.Add(26 * time.Minute)) {
		s.away = s.now.After(begun.Add(10*time.Minute)) && s.now.Before(begun.Add(12*time.Minute))
		if _, _, err := lies.once(t.Context()); err != nil && !s.away {
			t.Fatal(err)
		}
		said++
		s.now = s.now.Add(every)
	}
	seen := map[time.Time]int{}
	late := 0
	for i, r := range s.got {
		if seen[r.At]++; i > 0 && r.At.Before(s.got[i-1].At) {
			late++
		}
	}
	twice := 0
	for _, n := range seen {
		if n > 1 {
			twice++
		}
	}
	if missing := said - len(seen); late == 0 || twice == 0 || missing < 24 || missing > 24+said/8 {
		t.Errorf("of %d readings %d are missing, %d come late and %d twice", said, missing, late, twice)
	}
	truth, err := lies.truth.Cook(t.Context(), request, 0)
	if err != nil {
		t.Fatal(err)
	}
	for _, r := range s.got {
		if r.At.Sub(begun) < 2*time.Minute {
			continue // it comes from the room
		}
		core := run.FirstFrom(truth, r.At.Sub(begun).Minutes()-0.5).CoreC
		if tip := lies.truth.At(truth, r.At.Sub(begun).Minutes()); r.C < core-5 || r.C > tip+3 {
			t.Errorf("at %s it reads %.1f, the coldest spot has %.1f", r.At.Format("15:04:05"), r.C, core)
		}
	}
	// Out of the food it comes back to the room, and not at once.
	s.in = false
	var out []float64
	for range 30 {
		s.got = nil
		if _, _, err := lies.once(t.Context()); err != nil {
			t.Fatal(err)
		}
		out = append(out, lies.shown)
		s.now = s.now.Add(20 * time.Second)
	}
	if out[0] < 50 || out[1] < 40 || math.Abs(out[len(out)-1]-room) > 1 {
		t.Errorf("on the counter it reads %.0f", out)
	}
}

// The truths that are drawn differ as kitchens do, and each is a cook.
func TestTruthsDiffer(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	var at []float64
	for range 6 {
		line, err := Hide(r).Cook(t.Context(), request, 0)
		if err != nil {
			t.Fatal(err)
		}
		at = append(at, run.FirstFrom(line, 15).CoreC)
	}
	if spread := slices.Max(at) - slices.Min(at); spread < 5 || math.IsNaN(spread) {
		t.Errorf("after 15 min inside of six kitchens: %v", at)
	}
}

// Of a measured run it reads the air of the basket, or the middle of half a potato that
// begins as the room and lags behind far.
func TestItReadsAMeasuredRun(t *testing.T) {
	s := &server{now: begun}
	h := httptest.NewServer(s)
	defer h.Close()
	lies := New(Options{Server: h.URL, Probe: "tip", Seed: 9, Speed: 1, Log: slog.New(slog.DiscardHandler)})
	// A hand that cuts thick says nothing of what a ruler measured.
	lies.truth.Thick, lies.truth.FridgeC = 1.12, 2
	on := begun
	run := func(potato any) []float64 {
		on = on.Add(time.Hour)
		s.now, s.measuring = on, map[string]any{"fryerId": "one", "probe": "tip", "at": on, "dialC": 200, "potato": potato}
		var shown []float64
		for s.now.Before(on.Add(19 * time.Minute)) {
			if _, _, err := lies.once(t.Context()); err != nil {
				t.Fatal(err)
			}
			if s.now.Sub(on)%time.Minute < every {
				shown = append(shown, lies.shown)
			}
			s.now = s.now.Add(every)
		}
		return shown
	}
	if air := run(nil); air[8] < 150 || air[1] > 150 || lies.cook != "" {
		t.Errorf("in the empty basket it reads %.0f", air)
	}
	lies.shown = room
	thick := run(map[string]any{"thicknessMm": 40, "massG": 130})
	if math.Abs(thick[0]-room) > 2 || thick[18] < 50 || thick[18] > 85 || thick[6] > 35 {
		t.Errorf("in half a potato it reads %.0f", thick)
	}
	if thin := run(map[string]any{"thicknessMm": 32, "massG": 130}); thin[12] < thick[12]+3 {
		t.Errorf("in a thinner one it reads %.0f", thin)
	}
}

// It goes on asking a server that is away, and ends with its battery.
func TestItRunsUntilItsBatteryIsEmpty(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	s := &server{now: begun, in: true}
	var mu sync.Mutex
	asked := 0
	h := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		mu.Lock()
		defer mu.Unlock()
		if strings.HasSuffix(r.URL.Path, "/live") {
			asked++
			s.now = s.now.Add(20 * time.Second) // the kitchen's clock runs
		}
		if user, pass, ok := r.BasicAuth(); !ok || user == "" || pass != "wasabi-pea" {
			t.Error("it does not say the passphrase")
		}
		s.ServeHTTP(w, r)
	}))
	defer h.Close()
	ended := make(chan error, 1)
	go func() {
		ended <- New(Options{Server: h.URL, Probe: "tip", Seed: 3, Speed: 120, Battery: 5 * time.Minute, Passphrase: "wasabi-pea", Log: slog.New(slog.DiscardHandler)}).Run(t.Context())
	}()
	select {
	case err := <-ended:
		if err != nil {
			t.Error(err)
		}
	case <-time.After(60 * time.Second):
		t.Fatal("it goes on without a battery")
	}
	mu.Lock()
	defer mu.Unlock()
	if asked < 14 || asked > 20 || len(s.got) < 8 {
		t.Errorf("asked %d times in five minutes, sent %d readings", asked, len(s.got))
	}
}

// Its errors are its own: warm by the piece's gradient, which is wide at first and
// narrow at the end, off by a constant, and behind what rises.
func TestHowItErrs(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	truth := Hide(r)
	truth.Tip.Off = 0.4
	line, err := truth.Cook(t.Context(), request, 0)
	if err != nil {
		t.Fatal(err)
	}
	early, late := truth.At(line, 4)-run.FirstFrom(line, 4).CoreC, truth.At(line, 40)-run.FirstFrom(line, 40).CoreC
	if early < 6 || late > 0.8*early || late < 0 {
		t.Errorf("the tip is %.1f warmer at minute 4 and %.1f at 40", early, late)
	}
	shown := room
	for range 4 {
		shown = truth.Tip.Follows(shown, 5, true, 5*time.Second)
	}
	if shown < 5 || shown > 15 {
		t.Errorf("twenty seconds after it went into cold food it shows %.1f", shown)
	}
	slow := truth.Tip.Follows(80, room, false, 20*time.Second)
	if slow < 55 {
		t.Errorf("twenty seconds after it was pulled it shows %.1f", slow)
	}
}
