package api

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"strings"
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

// foretold is for which events a cook's forecast was made last, by its id.
type foretold struct {
	making sync.Mutex
	of     map[string]forecast
	seen   map[string]*foreseen
}

// forecast is a cook's, for what has happened.
type forecast struct {
	key    string
	answer verdict.Answer
}

// foreseen is what was foreseen of a cook, by which evidence; and what is
// believed of it as long as its program stays.
type foreseen struct {
	program, evidence string
	belief            *belief.Belief // nil where it is out of what the runs reach
	what              belief.Foreseen
	ahead             belief.Ahead
}

// seen is what of a cook there is to weigh it by, by minutes since it went in.
func (s *Server) seen(ctx context.Context, c store.Cook, l cook.Live) (out []belief.Evidence, err error) {
	loaded, ok := l.LoadedAt()
	if !ok {
		return nil, nil
	}
	at := func(t time.Time) float64 { return math.Max(0, math.Min(load.MaxMinutes, t.Sub(loaded).Minutes())) }
	kinds := map[string]string{cook.Raw: belief.SeenCut, cook.Soft: belief.SeenSoft, cook.Floury: belief.SeenFloury}
	outAt, isOut := l.OutAt()
	for i, e := range c.Events {
		if isOut && e.At.After(outAt) {
			continue // what is read of what is out says nothing of the fryer
		}
		switch e.Kind {
		case cook.Probe:
			out = append(out, belief.Evidence{AtMin: at(e.At), Kind: belief.SeenProbe, C: e.Value, Piece: "thickest"})
		case cook.Look:
			out = append(out, belief.Evidence{AtMin: at(e.At), Kind: belief.SeenLook, Shade: shade(e.Value)})
		case cook.Raw, cook.Soft, cook.Floury:
			out = append(out, belief.Evidence{AtMin: at(e.At), Kind: kinds[e.Kind], Raw: e.Kind == cook.Raw})
		case cook.LeftIn:
			read, err := s.left(ctx, l, i)
			if err != nil {
				return nil, err
			}
			now := s.clock.Now()
			if _, isOut := l.OutAt(); isOut {
				now = now.Add(slot) // no more comes
			}
			for _, r := range slots(read, now) {
				out = append(out, belief.Evidence{AtMin: at(r.At), Kind: belief.SeenLeftIn, C: math.Max(belief.ProbeLimit.Min, math.Min(belief.ProbeLimit.Max, r.C)), Insertion: e.ID})
			}
		}
	}
	return out, nil
}

// settles is how long a probe that was just put in takes to be as hot as what
// is around it; what it reads before then is its own.
const settles = 30 * time.Second

// left are the readings of a thermometer from when it was put in, which is the
// i-th thing said, until it was moved or taken out.
func (s *Server) left(ctx context.Context, l cook.Live, i int) ([]store.Reading, error) {
	e, until := l.Events[i], s.clock.Now()
	for k, o := range l.Events {
		ends := o.Kind == cook.Out || k > i && (o.Kind == cook.TakenOut || o.Kind == cook.LeftIn && o.Probe == e.Probe)
		if ends && o.At.After(e.At) && o.At.Before(until) {
			until = o.At
		}
	}
	if moved, err := s.store.Moved(ctx, e.Probe, e.At); err != nil {
		return nil, err
	} else if moved != nil && moved.Before(until) {
		until = *moved
	}
	from := e.At
	if !strings.HasPrefix(e.Probe, cook.FileProbe) {
		from = from.Add(settles)
	}
	return s.store.Readings(ctx, e.Probe, from, until)
}

// slot is a time of which one reading of a thermometer that is left in is
// weighed: more would say the same again.
const slot = 15 * time.Second

// slots are the last reading of each slot that is over.
func slots(read []store.Reading, now time.Time) (out []store.Reading) {
	for i, r := range read {
		next := now
		if i+1 < len(read) {
			next = read[i+1].At
		}
		if next.Truncate(slot).After(r.At.Truncate(slot)) {
			out = append(out, r)
		}
	}
	return out
}

// shade is what a look is called, from pale to dark.
func shade(v float64) string {
	n := int(math.Max(0, math.Min(float64(len(belief.Shades)-1), math.Round(v))))
	return belief.Shades[n].Name
}

// asking is what a cook is simulated by, as it has happened by now.
func (s *Server) asking(ctx context.Context, c store.Cook, l cook.Live) (load.Request, error) {
	set, err := s.store.Settings(ctx)
	if err != nil {
		return load.Request{}, err
	}
	q := c.Request(set.Units())
	q.Program, q.Larder = l.By(s.clock.Now()), l.Larder
	return q, nil
}

// believed is what is foreseen of a cook in a fryer by what was seen of it;
// before anything was, what is believed beforehand. It is nil where the cook
// is out of what the runs reach: then the plain forecast stands.
func (s *Server) believed(ctx context.Context, c store.Cook, l cook.Live, seen []belief.Evidence) (*foreseen, error) {
	q, err := s.asking(ctx, c, l)
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
	s.making.Lock()
	defer s.making.Unlock()
	got := s.foretold.seen[c.ID]
	if got == nil || got.program != string(now) {
		got = &foreseen{program: string(now)}
		var fields refuse.Fields
		if got.belief, err = belief.Believe(ctx, q); err != nil && !errors.As(err, &fields) {
			return nil, err
		}
		if len(s.foretold.seen) > 50 { // what is over long since
			clear(s.foretold.seen)
		}
	} else if got.evidence == string(by) {
		return got, nil
	} else {
		got = &foreseen{program: got.program, belief: got.belief}
	}
	if got.belief != nil {
		if got.what, got.ahead, err = got.belief.Foresee(seen); err != nil {
			return nil, err
		}
	}
	got.evidence = string(by)
	s.foretold.seen[c.ID] = got
	return got, nil
}

// foresee returns what is foreseen of a live cook by what was seen; nil where
// nothing was.
func (s *Server) foresee(ctx context.Context, c store.Cook, l cook.Live) (*foreseen, error) {
	if _, out := l.OutAt(); out || c.FinishedAt != nil {
		return nil, nil
	}
	seen, err := s.seen(ctx, c, l)
	if err != nil || len(seen) == 0 {
		return nil, err
	}
	got, err := s.believed(ctx, c, l, seen)
	if err != nil || got.belief == nil {
		return nil, err
	}
	return got, nil
}

// known is what is known of the inside of a cook: its rule, the minute by which
// it is surely safe by all that was seen, and what a thermometer in it reads.
func (s *Server) known(ctx context.Context, c store.Cook, l cook.Live) (k cook.Known, err error) {
	set, err := s.store.Settings(ctx)
	if err != nil {
		return k, err
	}
	q := c.Request(set.Units())
	if k.Rule, err = load.RuleOf(q); err != nil {
		return k, err
	}
	probe, err := s.probeIn(ctx, l)
	if err != nil {
		return k, err
	}
	k.Left = lastRead(probe)
	if line := c.Planned.V.Timeline; len(line) > 0 {
		k.Likely = func(minute float64) float64 { return run.FirstFrom(line, minute).CoreC }
	}
	seen, err := s.seen(ctx, c, l)
	if err != nil {
		return k, err
	}
	if len(seen) > 0 {
		got, err := s.believed(ctx, c, l, seen)
		if err != nil {
			return k, err
		}
		if got.belief != nil {
			k.SafeBy = got.what.SafeByMin
		}
		return k, nil
	}
	// The median is no answer: without the spread over loads nothing is sure.
	for _, a := range []verdict.Answer{c.Forecast.V, c.Planned.V} {
		if a.Chance != nil {
			k.SafeBy = a.Chance.SafeByMin
			return k, nil
		}
	}
	return k, nil
}

// foretell returns a cook with the forecast of what has happened by now. One
// is made at a time, and answers all who said something meanwhile.
func (s *Server) foretell(ctx context.Context, id string) (store.Cook, error) {
	c, l, err := s.led(ctx, id)
	if err != nil {
		return c, err
	}
	return c, s.renew(ctx, &c, l)
}

// renew brings a cook's forecast up to what has happened.
func (s *Server) renew(ctx context.Context, c *store.Cook, l cook.Live) error {
	q, err := s.asking(ctx, *c, l)
	if err != nil {
		return err
	}
	// What is seen leaves the program as it is, and while something was seen
	// the sampled window gives way to what is believed.
	seen, err := s.foresee(ctx, *c, l)
	if err != nil {
		return err
	}
	by, err := json.Marshal(q.Program) // a brush is told by what it is, not by where it lies
	if err != nil {
		return err
	}
	key := fmt.Sprintf("%v %s", seen != nil, by)
	s.making.Lock()
	defer s.making.Unlock()
	if had, ok := s.of[c.ID]; ok && had.key == key {
		c.Forecast.V = had.answer
		return nil
	} else if !ok && len(l.Events) == 0 {
		return nil // as it was planned
	}
	if c.Forecast.V, err = verdict.Simulate(ctx, q, verdict.Options{NoChance: seen != nil}); err != nil {
		return err
	}
	if err := s.store.Foretell(ctx, *c); err != nil {
		return err
	}
	if len(s.of) > 50 {
		clear(s.of)
	}
	s.of[c.ID] = forecast{key, c.Forecast.V}
	return nil
}

// GetAhead answers GET /cooks/{id}/ahead.
func (s *Server) GetAhead(ctx context.Context, r GetAheadRequestObject) (GetAheadResponseObject, error) {
	c, l, err := s.led(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	seen, err := s.seen(ctx, c, l)
	if err != nil {
		return nil, err
	}
	out := GetAhead200JSONResponse{Readings: []ReadInside{}}
	for _, e := range seen {
		if e.Kind == belief.SeenProbe || e.Kind == belief.SeenLeftIn {
			out.Readings = append(out.Readings, ReadInside{C: e.C, Kind: ReadInsideKind(e.Kind), Minute: math.Round(e.AtMin*100) / 100})
		}
	}
	// Beforehand: the same cook, of which nothing was seen.
	before := c
	before.ID += " before"
	for _, b := range []struct {
		of   store.Cook
		seen []belief.Evidence
		into *belief.Ahead
	}{{before, nil, &out.Before}, {c, seen, &out.Now}} {
		got, err := s.believed(ctx, b.of, l, b.seen)
		if err != nil {
			return nil, err
		}
		if *b.into = got.ahead; b.into.Band == nil {
			b.into.Band, b.into.Timeline = []verdict.Band{}, c.Forecast.V.Rounded().Timeline
		}
	}
	return out, nil
}
