package kitchen

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"math"
	"math/rand/v2"
	"net/http"
	"strings"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/run"
)

// Options of a stand-in.
type Options struct {
	Server string // its address
	Probe  string // its id
	Seed   uint64
	// Speed is how many times as fast the kitchen runs; 0 is as fast as the
	// server's clock says.
	Speed float64
	// Battery is how long it lasts, of the kitchen's time; 0 is for ever.
	Battery    time.Duration
	Passphrase string
	Log        *slog.Logger
}

const (
	every    = 5 * time.Second  // between readings, of the kitchen's time
	idle     = 30 * time.Second // while it lies on the counter
	room     = 21.5
	patience = 3 * time.Second // until it asks again a server that does not answer
	soonest  = 50 * time.Millisecond
	// What happens to a reading on its way, share of them.
	lost, held, doubled = 0.04, 0.12, 0.08
)

type reading struct {
	At time.Time `json:"at"`
	C  float64   `json:"c"`
}

// Thermometer is one that stays in the food, over a hidden truth.
type Thermometer struct {
	o     Options
	r     *rand.Rand
	truth Truth
	cook  string // whose food it is in
	done  string // what was done to it when line was worked out
	line  []run.Moment
	kept  []reading // held back, sent late
	shown float64   // by its tip, °C, and at when
	at    time.Time
}

// New is a thermometer in a kitchen of its own.
func New(o Options) *Thermometer {
	r := rand.New(rand.NewPCG(o.Seed, 1))
	return &Thermometer{o: o, r: r, truth: Hide(r), shown: room}
}

// Run reads until the context is over. A server that does not answer is asked
// again; what could not be sent is sent later.
func (t *Thermometer) Run(ctx context.Context) error {
	var began time.Time
	for {
		wait, now, err := t.once(ctx)
		if ctx.Err() != nil {
			return nil
		}
		if err != nil {
			t.o.Log.Debug("the thermometer finds no answer", "error", err)
			wait = patience
		} else if began.IsZero() {
			began = now
		}
		if t.o.Battery > 0 && !began.IsZero() && now.Sub(began) > t.o.Battery {
			t.o.Log.Info("its battery is empty", "thermometer", t.o.Probe)
			return nil
		}
		select {
		case <-ctx.Done():
			return nil
		case <-time.After(wait):
		}
	}
}

// going is what the server says is cooked.
type going struct {
	Now     time.Time `json:"now"`
	Pace    float64   `json:"pace"`
	Cook    *cooked   `json:"cook"`
	Evening *struct {
		Baskets []struct {
			cooked
			CookID string `json:"cookId"`
		} `json:"baskets"`
	} `json:"evening"`
	Measuring []hung `json:"measuring"`
}

// hung is the thermometer of a measured run, in an empty basket or in half a potato.
type hung struct {
	FryerID string    `json:"fryerId"`
	Probe   string    `json:"probe"`
	At      time.Time `json:"at"`
	DialC   float64   `json:"dialC"`
	Drawer  string    `json:"drawer"`
	Potato  *struct {
		ThicknessMm float64 `json:"thicknessMm"`
		MassG       float64 `json:"massG"`
	} `json:"potato"`
}

// cooked is one basket that is cooked.
type cooked struct {
	ID       string     `json:"id"`
	LoadedAt *time.Time `json:"loadedAt"`
	Probe    *struct {
		ID  string `json:"id"`
		Lot int    `json:"lot"`
	} `json:"probe"`
}

// in is the food that a thermometer is in; nil where it is in none.
func (g going) in(probe string) *cooked {
	var all []cooked
	if g.Cook != nil {
		all = append(all, *g.Cook)
	}
	if g.Evening != nil {
		for _, b := range g.Evening.Baskets {
			b.ID = b.CookID
			all = append(all, b.cooked)
		}
	}
	for _, f := range all {
		if f.Probe != nil && f.Probe.ID == probe && f.LoadedAt != nil {
			return &f
		}
	}
	return nil
}

// once looks where it is, reads and sends, and returns how long until the next.
func (t *Thermometer) once(ctx context.Context) (wait time.Duration, now time.Time, err error) {
	var g going
	if err := t.ask(ctx, http.MethodGet, "/cooks/live", nil, &g); err != nil {
		return 0, now, err
	}
	pace := t.o.Speed
	if pace == 0 {
		pace = max(1, g.Pace)
	}
	next := func(d time.Duration) time.Duration { return max(soonest, time.Duration(float64(d)/pace)) }
	f := g.in(t.o.Probe)
	if f == nil {
		for _, m := range g.Measuring {
			if m.Probe == t.o.Probe {
				c, err := t.measured(ctx, m, g.Now)
				if err != nil {
					return 0, g.Now, err
				}
				return next(every), g.Now, t.send(ctx, reading{g.Now, t.read(g.Now, c, m.Potato != nil)})
			}
		}
		t.cook = ""
		return next(idle), g.Now, t.send(ctx, reading{g.Now, t.read(g.Now, room, false)})
	}
	if err := t.follow(ctx, f.ID, f.Probe.Lot); err != nil {
		return 0, g.Now, err
	}
	return next(every), g.Now, t.send(ctx, reading{g.Now, t.read(g.Now, t.truth.At(t.line, g.Now.Sub(*f.LoadedAt).Minutes()), true)})
}

// measured is what truly is where a measured run has it, °C.
func (t *Thermometer) measured(ctx context.Context, m hung, now time.Time) (float64, error) {
	var all []struct {
		ID string `json:"id"`
		load.Fryer
	}
	if err := t.ask(ctx, http.MethodGet, "/fryers", nil, &all); err != nil {
		return 0, err
	}
	for _, f := range all {
		if f.ID == m.FryerID {
			if m.Potato != nil {
				return t.middle(ctx, f.Fryer, m, now)
			}
			t.cook = ""
			return t.truth.Air(f.Fryer, m.Drawer, m.DialC, now.Sub(m.At).Minutes())
		}
	}
	return room, nil
}

// middle is what truly is in the middle of half a potato, °C.
func (t *Thermometer) middle(ctx context.Context, f load.Fryer, m hung, now time.Time) (float64, error) {
	if id := fmt.Sprint("potato ", m.FryerID, m.At); t.cook != id {
		if m.Drawer != "" {
			f = *f.In(m.Drawer)
		}
		// It is measured by ruler, and from the room: what the cook's other pieces and the
		// fridge are is no matter.
		thin, light, start := m.Potato.ThicknessMm/t.truth.Thick, m.Potato.MassG/math.Pow(t.truth.Thick, 3), room-t.truth.FridgeC
		line, err := t.truth.Cook(ctx, load.Request{Fryer: &f, Program: load.Program{Stages: []load.Stage{{AirC: m.DialC, Minutes: 30}}},
			Load: load.Pieces{Cut: "potato-half", Pieces: 1, PieceMassG: light, ThicknessMm: &thin, StartC: &start}}, 0)
		if err != nil {
			return 0, err
		}
		t.truth = t.truth.Placed(t.r)
		t.line, t.cook = line, id
	}
	return t.truth.At(t.line, max(0, now.Sub(m.At).Minutes())), nil
}

// read is what it says now, in something of c °C: it comes to that in its own time, in
// food within seconds, in air within a minute or two.
func (t *Thermometer) read(now time.Time, c float64, inFood bool) float64 {
	if !t.at.IsZero() && now.After(t.at) {
		t.shown = t.truth.Tip.Follows(t.shown, c, inFood, now.Sub(t.at))
	}
	t.at = now
	return t.truth.Tip.Says(t.r, t.shown)
}

// follow works out what truly happens to the lot that it is in, anew when
// something was done to that.
func (t *Thermometer) follow(ctx context.Context, id string, lot int) error {
	var c struct {
		Plan struct {
			Lots []load.LotRequest `json:"lots"`
		} `json:"plan"`
		Fryer  load.Fryer   `json:"fryer"`
		Actual load.Program `json:"actual"`
	}
	if err := t.ask(ctx, http.MethodGet, "/cooks/"+id, nil, &c); err != nil {
		return err
	}
	done := fmt.Sprint(c.Actual, lot)
	if t.cook == id && t.done == done {
		return nil
	}
	if t.cook != id {
		t.truth = t.truth.Placed(t.r)
	}
	line, err := t.truth.Cook(ctx, load.Request{Lots: c.Plan.Lots, Fryer: &c.Fryer, Program: c.Actual}, lot)
	if err != nil {
		return err
	}
	t.line, t.cook, t.done = line, id, done
	return nil
}

// send posts a reading as such things are sent: some are lost, some held back
// and sent late in any order, some sent twice.
func (t *Thermometer) send(ctx context.Context, one reading) error {
	chance := t.r.Float64()
	switch {
	case chance < lost:
		return nil
	case chance < lost+held:
		t.kept = append(t.kept, one)
		return nil
	}
	batch := append(t.kept, one)
	t.r.Shuffle(len(batch), func(i, k int) { batch[i], batch[k] = batch[k], batch[i] })
	if chance > 1-doubled {
		batch = append(batch, one)
	}
	if err := t.ask(ctx, http.MethodPost, "/probes/"+t.o.Probe+"/readings", map[string]any{"readings": batch}, nil); err != nil {
		if t.kept = batch; len(t.kept) > 500 {
			t.kept = t.kept[len(t.kept)-500:]
		}
		return err
	}
	t.kept = nil
	return nil
}

// ask asks the server for something.
func (t *Thermometer) ask(ctx context.Context, method, path string, body, into any) error {
	var in io.Reader
	if body != nil {
		b, err := json.Marshal(body)
		if err != nil {
			return err
		}
		in = bytes.NewReader(b)
	}
	r, err := http.NewRequestWithContext(ctx, method, strings.TrimSuffix(t.o.Server, "/")+"/api/v1"+path, in)
	if err != nil {
		return err
	}
	r.Header.Set("Content-Type", "application/json")
	if t.o.Passphrase != "" {
		r.SetBasicAuth("thermometer", t.o.Passphrase)
	}
	answer, err := client.Do(r)
	if err != nil {
		return err
	}
	defer answer.Body.Close()
	if answer.StatusCode/100 != 2 {
		text, _ := io.ReadAll(io.LimitReader(answer.Body, 400))
		return errors.New(answer.Status + ": " + string(text))
	}
	if into == nil {
		return nil
	}
	return json.NewDecoder(answer.Body).Decode(into)
}

var client = &http.Client{Timeout: 10 * time.Second}
