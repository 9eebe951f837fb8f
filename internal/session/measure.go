package session

import (
	"context"
	"slices"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
	"velocrustum/internal/store"
)

// runSlot is a time of which one reading of a thermometer that sends is weighed.
const runSlot = 30 * time.Second

// Measuring is a measured run that goes on, as it is led.
type Measuring struct {
	store.Measured
	Probe  string  `json:"probe,omitempty"`
	Minute float64 `json:"minute"` // since it was turned on
	// NextMin is when it is to be read next, nil where no more is wanted, and Enough
	// whether it can be learnt from by now.
	NextMin *float64 `json:"nextMin"`
	Wanted  int      `json:"wanted"` // readings, of all that are asked for by hand
	Enough  bool     `json:"enough"`
}

// going is the run of a fryer; nil where none goes on.
func (s *Sessions) going(ctx context.Context, fryerID string) (*store.Measuring, error) {
	all, err := s.Store.Measuring(ctx)
	if err != nil {
		return nil, err
	}
	for _, m := range all {
		if m.FryerID == fryerID {
			return &m, nil
		}
	}
	return nil, nil
}

// Measuring is the run of a fryer, with what its thermometer has sent; nil where none goes
// on.
func (s *Sessions) Measuring(ctx context.Context, fryerID string) (*Measuring, error) {
	m, err := s.going(ctx, fryerID)
	if err != nil || m == nil {
		return nil, err
	}
	now, asked := s.Clock.Now(), m.AskedAt()
	out := &Measuring{Measured: m.Measured, Probe: m.Probe, Minute: run.Hundredth(max(0, now.Sub(m.At.Time).Minutes())), Wanted: len(asked)}
	last := asked[len(asked)-1]
	if m.Probe != "" {
		sent, err := s.Store.Readings(ctx, m.Probe, m.At.Time, m.At.Add(minutes(last)))
		if err != nil {
			return nil, err
		}
		for _, r := range thinned(sent, m.At.Time, runSlot) {
			out.Readings = append(out.Readings, belief.RunReading{Minute: run.Hundredth(r.At.Sub(m.At.Time).Minutes()), C: r.C})
		}
		if out.Minute < last {
			out.NextMin = &last
		}
	} else if n := len(out.Readings); n < len(asked) && out.Minute < m.MostMin() {
		out.NextMin = &asked[n]
	}
	out.Readings = append([]belief.RunReading{}, out.Readings...)
	out.Enough = out.MeasuredRun.Enough()
	return out, nil
}

func minutes(v float64) time.Duration { return time.Duration(v * float64(time.Minute)) }

// thinned are readings, the last of each slot since a moment.
func thinned(all []store.Reading, since time.Time, slot time.Duration) (out []store.Reading) {
	for i, r := range all {
		if i+1 == len(all) || r.At.Sub(since)/slot != all[i+1].At.Sub(since)/slot {
			out = append(out, r)
		}
	}
	return out
}

// Measure begins a run of a fryer that is turned on just now; one that goes on
// stays. The error is refuse.Fields, or the store's.
func (s *Sessions) Measure(ctx context.Context, fryerID string, set belief.MeasuredRun, probe string) error {
	f, err := s.Store.Fryer(ctx, fryerID)
	if err != nil {
		return err
	}
	if err := set.CheckSet(f.Told().Fryer); err != nil {
		return err
	}
	now := s.Clock.Now()
	if m, err := s.going(ctx, fryerID); err != nil || m != nil && now.Sub(m.At.Time) < minutes(m.MostMin()) {
		return err
	}
	if probe != "" {
		lately, err := s.Thermometers(ctx)
		if err != nil {
			return err
		}
		if !slices.ContainsFunc(lately, func(p store.Probe) bool { return p.ID == probe }) {
			return refuse.One("probe", probe, "a thermometer that has sent something within the hour")
		}
	}
	set.Readings = nil
	return s.Store.PutMeasuring(ctx, fryerID, &store.Measuring{Measured: store.Measured{At: store.Time{Time: now}, MeasuredRun: set}, Probe: probe})
}

// ReadRun keeps what was read by hand just now. The error is refuse.Fields, or the
// store's.
func (s *Sessions) ReadRun(ctx context.Context, fryerID string, c float64) error {
	m, err := s.going(ctx, fryerID)
	switch {
	case err != nil:
		return err
	case m == nil:
		return store.ErrNotFound
	}
	read := belief.RunReading{Minute: run.Hundredth(s.Clock.Now().Sub(m.At.Time).Minutes()), C: c}
	if err := m.CheckReading(read); err != nil {
		return err
	}
	m.Readings = append(m.Readings, read)
	return s.Store.PutMeasuring(ctx, fryerID, m)
}

// StopMeasuring ends a run; what came of it is kept with the fryer, or nowhere.
func (s *Sessions) StopMeasuring(ctx context.Context, fryerID string) error {
	return s.Store.PutMeasuring(ctx, fryerID, nil)
}

// A Hung is the thermometer of a measured run, as it has to know of it itself.
type Hung struct {
	FryerID string     `json:"fryerId"`
	Probe   string     `json:"probe"`
	At      store.Time `json:"at"`
	DialC   float64    `json:"dialC"`
	Drawer  string     `json:"drawer,omitempty"`
	// Potato is what it is in; left out where the basket is empty.
	Potato *belief.Potato `json:"potato,omitempty"`
}

// Hung are the thermometers in fryers that are measured.
func (s *Sessions) Hung(ctx context.Context) (out []Hung, err error) {
	all, err := s.Store.Measuring(ctx)
	for _, m := range all {
		if m.Probe != "" {
			out = append(out, Hung{m.FryerID, m.Probe, m.At, m.DialC, m.Drawer, m.Potato})
		}
	}
	return out, err
}
