package session

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/refuse"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store"
)

const (
	// lately is since when a thermometer must have sent something to be offered.
	lately = time.Hour
	// ahead is how far a thermometer's own clock may be before the kitchen's.
	ahead         = 2 * time.Minute
	leastC, mostC = -60.0, 500.0
	MostReadings  = 5000 // that are sent at once
	// settles is how long a probe that was just put in takes to be as hot as
	// what is around it; what it reads before then is its own.
	settles = 30 * time.Second
	// slot is a time of which one reading of a thermometer that is left in is
	// weighed: more would say the same again.
	slot = 15 * time.Second
)

// Thermometers are those that sent something lately.
func (s *Sessions) Thermometers(ctx context.Context) ([]store.Probe, error) {
	return s.Store.Probes(ctx, s.Clock.Now().Add(-lately))
}

// AddReadings keeps what a thermometer sent, each once, and returns how many are
// new. The error is refuse.Fields, or the store's.
func (s *Sessions) AddReadings(ctx context.Context, probe string, all []store.Reading) (int, error) {
	var c refuse.Check
	now := s.Clock.Now()
	for i, o := range all {
		c.Within(fmt.Sprintf("readings[%d].c", i), o.C, leastC, mostC, "°C")
		if o.At.After(now.Add(ahead)) {
			c.Add(fmt.Sprintf("readings[%d].at", i), o.At.Format(time.RFC3339), "a moment that has been, by the kitchen's clock: it is "+now.Format(time.RFC3339))
		}
	}
	if len(all) == 0 || len(all) > MostReadings {
		c.Add("readings", fmt.Sprintf("%d readings", len(all)), fmt.Sprintf("1 to %d", MostReadings))
	}
	if err := c.Err(); err != nil {
		return 0, err
	}
	session, err := s.listening(ctx, probe)
	if err != nil {
		return 0, err
	}
	n, err := s.Store.AddReadings(ctx, probe, all, session)
	if err == nil && n > 0 && session != "" {
		s.Tell()
	}
	return n, err
}

// listening is the session in which a thermometer is in some food; empty where
// it is in none.
func (s *Sessions) listening(ctx context.Context, probe string) (string, error) {
	e, err := s.LiveEvening(ctx)
	if err != nil {
		return "", err
	}
	var cooks []store.Cook
	if e != nil {
		cooks = e.Cooks
	} else if cooks, err = s.Store.LiveCooks(ctx); err != nil {
		return "", err
	}
	for _, c := range cooks {
		if c.FinishedAt == nil && leftIn(c.Events) == probe {
			return c.SessionID, nil
		}
	}
	return "", nil
}

// leftIn is the thermometer that is in a cook's food; empty without one.
func leftIn(events []cook.Event) string {
	for _, e := range slices.Backward(events) {
		switch e.Kind {
		case cook.LeftIn:
			if !strings.HasPrefix(e.Probe, cook.FileProbe) {
				return e.Probe
			}
		case cook.TakenOut, cook.Out:
			return ""
		}
	}
	return ""
}

// A ProbeIn is a thermometer in a cook's food, with its last reading there; At
// is zero where it has read nothing yet.
type ProbeIn struct {
	ID  string
	Lot int // in which lot
	At  time.Time
	C   float64
}

// lastRead is what it read last; nil where it has read nothing, or is none.
func (p *ProbeIn) lastRead() *cook.Read {
	if p == nil || p.At.IsZero() {
		return nil
	}
	return &cook.Read{At: p.At, C: p.C}
}

// ProbeIn is the thermometer in a cook's food; nil without one.
func (s *Sessions) ProbeIn(ctx context.Context, l cook.Live) (*ProbeIn, error) {
	id := leftIn(l.Events)
	if id == "" {
		return nil, nil
	}
	i := len(l.Events) - 1
	for l.Events[i].Kind != cook.LeftIn || l.Events[i].Probe != id {
		i--
	}
	read, err := s.Store.Readings(ctx, id, l.Events[i].At.Add(settles), s.Clock.Now().Add(ahead))
	if err != nil || len(read) == 0 {
		return &ProbeIn{ID: id, Lot: l.Events[i].Lot}, err
	}
	last := read[len(read)-1]
	return &ProbeIn{id, l.Events[i].Lot, last.At, last.C}, nil
}

// leftInReadings are the readings of a thermometer from when it was put in,
// which is the i-th thing said, until it was moved or taken out, thinned to one
// a slot.
func (s *Sessions) leftInReadings(ctx context.Context, l cook.Live, i int) ([]store.Reading, error) {
	now := s.Clock.Now()
	e, until := l.Events[i], now
	for k, o := range l.Events {
		ends := o.Kind == cook.Out || k > i && (o.Kind == cook.TakenOut || o.Kind == cook.LeftIn && o.Probe == e.Probe)
		if ends && o.At.After(e.At) && o.At.Before(until) {
			until = o.At
		}
	}
	if moved, err := s.Store.Moved(ctx, e.Probe, e.At); err != nil {
		return nil, err
	} else if moved != nil && moved.Before(until) {
		until = *moved
	}
	from := e.At
	if !strings.HasPrefix(e.Probe, cook.FileProbe) {
		from = from.Add(settles)
	}
	read, err := s.Store.Readings(ctx, e.Probe, from, until)
	if _, isOut := l.OutAt(); isOut {
		now = now.Add(slot) // no more comes
	}
	return lastOfSlots(read, now), err
}

// lastOfSlots are the last reading of each slot that is over.
func lastOfSlots(read []store.Reading, now time.Time) (out []store.Reading) {
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

// A Curve is a thermometer's file laid over a cook.
type Curve struct {
	Says             []string
	Readings, Within int // in all, and within the cook
	FromMin, ToMin   float64
}

// LoggerFile is the table of a thermometer that logs, and how it is laid over a
// cook.
type LoggerFile struct {
	Table    []byte
	Zone     *time.Location // of moments without one
	ShiftMin float64        // laid later by, minutes
	Lot      int            // in which lot it was
}

// LayCurve lays a thermometer's file over a cook, shifted by so many minutes; a
// dry run only looks. The error is refuse.Fields, or the store's.
func (s *Sessions) LayCurve(ctx context.Context, id string, file LoggerFile, dry bool) (out Curve, err error) {
	c, l, err := s.Led(ctx, id)
	if err != nil {
		return out, err
	}
	in, ok := l.LoadedAt()
	if !ok {
		return out, refuse.One("cook", c.Name, "one whose food went in")
	}
	if last := max(0, len(l.Lots)-1); file.Lot < 0 || file.Lot > last {
		return out, refuse.One("lot", fmt.Sprint(file.Lot), fmt.Sprintf("0 to %d, of the lots in this basket", last))
	}
	got, err := exchange.Logger(file.Table, file.Zone)
	if err != nil {
		return out, err
	}
	begun := begunAt(got, in, file.Zone).Add(time.Duration(file.ShiftMin * float64(time.Minute)))
	until, isOut := l.OutAt()
	if !isOut {
		until = s.Clock.Now()
	}
	out.Says = got.Says
	var read []store.Reading
	for _, o := range got.Reads {
		at := begun.Add(time.Duration(o.AfterS * float64(time.Second)))
		if out.Readings++; !at.Before(in) && !at.After(until) {
			out.Within++
		}
		read = append(read, store.Reading{At: at, C: o.C})
	}
	out.FromMin = math.Round(10*begun.Sub(in).Minutes()) / 10
	out.ToMin = math.Round(10*read[len(read)-1].At.Sub(in).Minutes()) / 10
	if out.Within == 0 {
		return out, refuse.One("shiftMin", fmt.Sprintf("%g to %g min of this cook", out.FromMin, out.ToMin), "readings within the cook: shift the file until some are")
	}
	if dry {
		return out, nil
	}
	if err := s.Store.LayCurve(ctx, c, read, cook.Event{Kind: cook.LeftIn, At: in, Probe: store.FileOf(c.ID), Lot: file.Lot}); err != nil {
		return out, err
	}
	s.Tell()
	return out, nil
}

// begunAt is when a file's first reading was: as it says, by a clock the time
// next to when the food went in, else then.
func begunAt(got exchange.Logged, in time.Time, zone *time.Location) time.Time {
	switch {
	case got.Begun == nil:
		return in
	case got.Dated:
		return got.Begun.UTC()
	}
	y, m, d := in.In(zone).Date()
	at := time.Date(y, m, d, got.Begun.Hour(), got.Begun.Minute(), got.Begun.Second(), got.Begun.Nanosecond(), zone)
	if off := at.Sub(in); off > 12*time.Hour {
		at = at.AddDate(0, 0, -1)
	} else if off < -12*time.Hour {
		at = at.AddDate(0, 0, 1)
	}
	return at.UTC()
}
