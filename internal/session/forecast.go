package session

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"sync"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/cook"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

// forecasts are those that were made last, by the cook's id. Of one cook one is
// made at a time, and answers all who asked meanwhile.
type forecasts struct {
	making locks

	mu       sync.Mutex
	made     map[string]forecast
	outlooks map[string]*Outlook
	worked   int // outlooks that were worked out
}

// forecast is a cook's, for what has happened.
type forecast struct {
	happened string
	answer   verdict.Answer
}

// An Outlook is what is foreseen of a cook by what was seen.
type Outlook struct {
	Foreseen belief.Foreseen
	Ahead    belief.Ahead
	// Evidence is what it was foreseen by, and Program for which.
	Evidence, program string
	belief            *belief.Belief // nil where the cook is out of what the runs reach
}

// mostKept is how many are kept: more are over long since.
const mostKept = 50

func (f *forecasts) outlook(id string) *Outlook {
	f.mu.Lock()
	defer f.mu.Unlock()
	return f.outlooks[id]
}

func (f *forecasts) keepOutlook(id string, o *Outlook) {
	f.mu.Lock()
	defer f.mu.Unlock()
	if len(f.outlooks) > mostKept {
		clear(f.outlooks)
	}
	f.outlooks[id] = o
	f.worked++
}

// Worked is how often what is foreseen of a cook was worked out, of all cooks.
func (s *Sessions) Worked() int {
	s.forecasts.mu.Lock()
	defer s.forecasts.mu.Unlock()
	return s.forecasts.worked
}

func (f *forecasts) madeFor(id string) (forecast, bool) {
	f.mu.Lock()
	defer f.mu.Unlock()
	made, ok := f.made[id]
	return made, ok
}

func (f *forecasts) keepMade(id string, made forecast) {
	f.mu.Lock()
	defer f.mu.Unlock()
	if len(f.made) > mostKept {
		clear(f.made)
	}
	f.made[id] = made
}

// Seen is what of a cook there is to weigh it by, by minutes since it went in.
func (s *Sessions) Seen(ctx context.Context, c store.Cook, l cook.Live) (out []belief.Evidence, err error) {
	loaded, ok := l.LoadedAt()
	if !ok {
		return nil, nil
	}
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	reads := func(c float64) float64 { // by a thermometer that is known to be off
		return math.Max(belief.ProbeLimit.Min, math.Min(belief.ProbeLimit.Max, c-set.ThermometerC))
	}
	at := func(t time.Time) float64 { return math.Max(0, math.Min(load.MaxMinutes, t.Sub(loaded).Minutes())) }
	kinds := map[string]string{cook.Raw: belief.SeenCut, cook.Soft: belief.SeenSoft, cook.Floury: belief.SeenFloury}
	for i, e := range c.Events {
		lot := e.Lot
		if lot >= max(1, len(l.Lots)) {
			lot = 0
		}
		if outAt, isOut := l.LotOutAt(lot); isOut && e.At.After(outAt) {
			continue // what is read of what is out says nothing of the fryer
		}
		switch e.Kind {
		case cook.Probe:
			out = append(out, belief.Evidence{AtMin: at(e.At), Kind: belief.SeenProbe, C: reads(e.Value), Piece: "thickest", Lot: lot})
		case cook.Look:
			out = append(out, belief.Evidence{AtMin: at(e.At), Kind: belief.SeenLook, Shade: shade(e.Value), Where: e.Where, Lot: lot})
		case cook.Raw, cook.Soft, cook.Floury:
			out = append(out, belief.Evidence{AtMin: at(e.At), Kind: kinds[e.Kind], Raw: e.Kind == cook.Raw, Lot: lot})
		case cook.LeftIn:
			read, err := s.leftInReadings(ctx, l, i)
			if err != nil {
				return nil, err
			}
			for _, r := range read {
				out = append(out, belief.Evidence{AtMin: at(r.At), Kind: belief.SeenLeftIn, C: reads(r.C), Insertion: e.ID, Lot: lot})
			}
		}
	}
	return out, nil
}

// shade is what a look is called, from pale to dark.
func shade(v float64) string {
	n := int(math.Max(0, math.Min(float64(len(belief.Shades)-1), math.Round(v))))
	return belief.Shades[n].Name
}

// request is what a cook is simulated by, as it has happened by now.
func (s *Sessions) request(ctx context.Context, c store.Cook, l cook.Live) (load.Request, error) {
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return load.Request{}, err
	}
	q := c.Request(set.Units())
	q.Program, q.Larder = l.By(s.Clock.Now()), l.Larder
	return q, nil
}

// outlookBy is what is foreseen of a cook in a fryer by what was seen of it;
// before anything was, what is believed beforehand. It is nil where the cook
// is out of what the runs reach: then the plain forecast stands. It is kept
// under an id.
func (s *Sessions) outlookBy(ctx context.Context, id string, c store.Cook, l cook.Live, seen []belief.Evidence) (*Outlook, error) {
	q, err := s.request(ctx, c, l)
	if err != nil {
		return nil, err
	}
	now, err := json.Marshal([]any{q, q.Units})
	if err != nil {
		return nil, err
	}
	by, err := json.Marshal(seen)
	if err != nil {
		return nil, err
	}
	defer s.Places.Answering()()
	defer s.forecasts.making.hold(id)()
	got := s.forecasts.outlook(id)
	switch {
	case got == nil || got.program != string(now):
		got = &Outlook{program: string(now)}
		var fields refuse.Fields
		if got.belief, err = belief.Believe(ctx, q); err != nil && !errors.As(err, &fields) {
			return nil, err
		}
	case got.Evidence == string(by):
		return got.reached(), nil
	default:
		got = &Outlook{program: got.program, belief: got.belief}
	}
	if got.belief != nil {
		if got.Foreseen, got.Ahead, err = got.belief.Foresee(seen); err != nil {
			return nil, err
		}
	}
	got.Evidence = string(by)
	s.forecasts.keepOutlook(id, got)
	return got.reached(), nil
}

// reached is the outlook where the runs reach the cook, nil otherwise.
func (o *Outlook) reached() *Outlook {
	if o.belief == nil {
		return nil
	}
	return o
}

// Outlook returns what is foreseen of a live cook by what was seen; nil where
// nothing was.
func (s *Sessions) Outlook(ctx context.Context, c store.Cook, l cook.Live) (*Outlook, error) {
	if _, out := l.OutAt(); out || c.FinishedAt != nil {
		return nil, nil
	}
	seen, err := s.Seen(ctx, c, l)
	if err != nil || len(seen) == 0 {
		return nil, err
	}
	return s.outlookBy(ctx, c.ID, c, l, seen)
}

// BeforeAndNow is a cook as it was believed in beforehand, and as it is by what
// was seen; nil where the runs do not reach it.
func (s *Sessions) BeforeAndNow(ctx context.Context, c store.Cook, l cook.Live, seen []belief.Evidence) (before, now *Outlook, err error) {
	if before, err = s.outlookBy(ctx, c.ID+" before", c, l, nil); err == nil {
		now, err = s.outlookBy(ctx, c.ID, c, l, seen)
	}
	return before, now, err
}

// Known is what is known of the inside of a cook: its rule, the minute by which
// it is surely safe by all that was seen, and what a thermometer in it reads.
func (s *Sessions) Known(ctx context.Context, c store.Cook, l cook.Live) (k cook.Known, err error) {
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return k, err
	}
	q := c.Request(set.Units())
	if k.Rule, err = load.RuleOf(q); err != nil {
		return k, err
	}
	if len(l.Lots) > 0 {
		made, err := load.Of(q)
		if err != nil {
			return k, err
		}
		for _, lot := range made.Lots {
			k.Lots = append(k.Lots, cook.Known{Rule: lot.Rule})
		}
	}
	probe, err := s.ProbeIn(ctx, l)
	if err != nil {
		return k, err
	}
	k.Left = probe.lastRead()
	if probe != nil && probe.Lot < len(k.Lots) {
		k.Lots[probe.Lot].Left = k.Left
	}
	k.Likely = likely(c.Planned.V.Timeline)
	for j := range k.Lots {
		if j < len(c.Planned.V.Lots) {
			k.Lots[j].Likely = likely(c.Planned.V.Lots[j].Timeline)
		}
	}
	seen, err := s.Seen(ctx, c, l)
	if err != nil {
		return k, err
	}
	if len(seen) > 0 {
		got, err := s.outlookBy(ctx, c.ID, c, l, seen)
		if err == nil && got != nil {
			k.SafeBy = got.Foreseen.SafeByMin
			for j := range k.Lots {
				if j < len(got.Foreseen.Lots) {
					k.Lots[j].SafeBy = got.Foreseen.Lots[j].SafeByMin
				}
			}
		}
		return k, err
	}
	// The median is no answer: without the spread over loads nothing is sure.
	for _, a := range []verdict.Answer{c.Forecast.V, c.Planned.V} {
		if a.Chance != nil {
			k.SafeBy = a.Chance.SafeByMin
			for j := range k.Lots {
				if j < len(a.Lots) && a.Lots[j].Chance != nil {
					k.Lots[j].SafeBy = a.Lots[j].Chance.SafeByMin
				}
			}
			return k, nil
		}
	}
	return k, nil
}

// likely is the inside by a minute of a forecast, nil where there is none.
func likely(line []run.Moment) func(minute float64) float64 {
	if len(line) == 0 {
		return nil
	}
	return func(minute float64) float64 { return run.FirstFrom(line, minute).CoreC }
}

// InTurn has those who said something of a cook wait for each other until letGo, to hear
// what came of it: what the first of them works out is by all that was said until then,
// and serves those who wait.
func (s *Sessions) InTurn(id string) (letGo func()) { return s.asking.hold(id) }

// Forecast returns a cook with the forecast of what has happened by now.
func (s *Sessions) Forecast(ctx context.Context, id string) (store.Cook, error) {
	c, l, err := s.Led(ctx, id)
	if err != nil {
		return c, err
	}
	return c, s.renew(ctx, &c, l)
}

// renew brings a cook's forecast up to what has happened.
func (s *Sessions) renew(ctx context.Context, c *store.Cook, l cook.Live) error {
	defer s.Places.Answering()()
	q, err := s.request(ctx, *c, l)
	if err != nil {
		return err
	}
	// What is seen leaves the program as it is, and while something was seen
	// the sampled window gives way to what is believed.
	seen, err := s.Outlook(ctx, *c, l)
	if err != nil {
		return err
	}
	by, err := json.Marshal(q.Program) // a brush is told by what it is, not by where it lies
	if err != nil {
		return err
	}
	happened := fmt.Sprintf("%v %s", seen != nil, by)
	defer s.forecasts.making.hold(c.ID)()
	if had, ok := s.forecasts.madeFor(c.ID); ok && had.happened == happened {
		c.Forecast.V = had.answer
		return nil
	} else if !ok && len(l.Events) == 0 {
		return nil // as it was planned
	}
	if c.Forecast.V, err = verdict.Simulate(ctx, q, verdict.Options{NoChance: seen != nil}); err != nil {
		return err
	}
	if err := s.Store.Foretell(ctx, *c); err != nil {
		return err
	}
	s.forecasts.keepMade(c.ID, forecast{happened, c.Forecast.V})
	return nil
}
