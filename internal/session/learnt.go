package session

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/belief"
	"velocrustum/core/learn"
	"velocrustum/core/load"
	"velocrustum/core/units"
	"velocrustum/internal/store"
)

// mostTaught is how many cooks are told one by one: of each, what is known with it and
// without is worked out.
const mostTaught = 12

// Learnt is what cooks have shown of a fryer, or of one of its drawers.
type Learnt struct {
	Drawer  string         `json:"drawer,omitempty"`
	Cooks   int            `json:"cooks"`
	Says    string         `json:"says"`
	Figures []LearntFigure `json:"figures"`
	Taught  []TaughtBy     `json:"taught"` // the latest first
}

// LearntFigure is one figure of a fryer, by its middle and what nine in ten lie between:
// as it was said, and as cooks have shown it.
type LearntFigure struct {
	ID     string     `json:"id"` // dial, fan, heatUp, browning, ends
	Name   string     `json:"name"`
	Says   string     `json:"says"`
	Before [3]float64 `json:"before"` // low, middle, high
	Now    [3]float64 `json:"now"`
}

// TaughtBy is what one cook taught.
type TaughtBy struct {
	CookID    string     `json:"cookId,omitempty"`
	Run       int        `json:"run,omitempty"` // of the fryer's measured ones, from 1
	Name      string     `json:"name"`
	StartedAt store.Time `json:"startedAt"`
	Saw       string     `json:"saw"`
	Moved     string     `json:"moved"`
	Odd       bool       `json:"odd"`
	LeftOut   bool       `json:"leftOut"`
}

// LearntOf returns what cooks have shown of a fryer, by its drawers where they run apart.
func (s *Sessions) LearntOf(ctx context.Context, fryerID string) ([]Learnt, error) {
	f, err := s.Store.Fryer(ctx, fryerID)
	if err != nil {
		return nil, err
	}
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	all, err := s.Store.Teachings(ctx, learn.Revision)
	if err != nil {
		return nil, err
	}
	var out []Learnt
	for _, drawer := range drawersOf(f) {
		of, cooks, err := s.taughtBy(ctx, f, drawer, all)
		if err != nil {
			return nil, err
		}
		if len(cooks) == 0 && drawer != "" {
			continue
		}
		told := f.Told().Fryer
		if drawer != "" {
			told = *told.In(drawer)
		}
		m, err := load.MachineOf(told)
		if err != nil {
			return nil, err
		}
		one, err := s.learntBy(ctx, &m, of, cooks, set.Units())
		if err != nil {
			return nil, err
		}
		one.Drawer = drawer
		out = append(out, one)
	}
	return out, nil
}

func (s *Sessions) learntBy(ctx context.Context, m *load.Machine, of []store.Teaching, cooks []learn.Cook, say units.Household) (out Learnt, err error) {
	said := learn.Said(m)
	known, ok := learn.From(m, cooks)
	if !ok {
		known = said
	}
	out = Learnt{Cooks: known.Cooks, Says: known.Says(say), Figures: figures(&said, &known, m, say), Taught: []TaughtBy{}}
	for i := len(of) - 1; i >= 0 && len(out.Taught) < mostTaught; i-- {
		t := of[i]
		if len(t.Sites.V) == 0 {
			continue
		}
		name := "Measured, empty"
		switch {
		case t.Potato:
			name = "Measured by half a potato"
		case t.Run == 0:
			var err error
			if name, err = s.Store.CookName(ctx, t.CookID); err != nil {
				return out, err
			}
		}
		by := TaughtBy{CookID: t.CookID, Run: t.Run, Name: name, StartedAt: t.StartedAt, Saw: saw(&t, say), LeftOut: t.LeftOut, Moved: "left out"}
		if !t.LeftOut {
			without := slices.Clone(cooks)
			without[i].LeftOut = true
			before, some := learn.From(m, without)
			if !some {
				before = said
			}
			by.Odd = known.Odd(i)
			by.Moved = learn.Moved(&before, &known, by.Odd, say)
		}
		out.Taught = append(out.Taught, by)
	}
	return out, nil
}

// saw is the reading of a cook that was furthest from what was foretold.
func saw(t *store.Teaching, say units.Household) string {
	switch sc := t.Score; {
	case t.Potato:
		return "the middle of half a potato, from cold"
	case t.Run > 0:
		return "the air in its basket, from cold"
	case sc == nil || len(sc.V.Readings) == 0:
		return "its look and how it came out"
	}
	r := slices.MaxFunc(t.Score.V.Readings, func(a, b store.Foretold) int {
		return cmp.Compare(math.Abs(a.ReadC-a.C), math.Abs(b.ReadC-b.C))
	})
	return fmt.Sprintf("%s read at %.0f min, %s foretold", say.Degrees(r.ReadC), r.Minute, say.Degrees(r.C))
}

// figures are those of a fryer, as it was said and as cooks have shown it.
func figures(said, known *learn.Known, m *load.Machine, say units.Household) []LearntFigure {
	was, is := said.Fryer(m), known.Fryer(m)
	of := func(id, name string, before, now learn.Figure, words func(v float64) string) LearntFigure {
		const ninety = 1.645
		span := func(f learn.Figure) [3]float64 { return [3]float64{f[0] - ninety*f[1], f[0], f[0] + ninety*f[1]} }
		return LearntFigure{ID: id, Name: name, Says: words(now[0]), Before: span(before), Now: span(now)}
	}
	percent := func(f learn.Figure) learn.Figure { return learn.Figure{100 * f[0], 100 * f[1]} }
	share := func(v float64) string { return fmt.Sprintf("%.0f %% of most", v) }
	out := []LearntFigure{
		of("dial", "air over the dial", was.DialOffsetC, is.DialOffsetC, func(v float64) string {
			switch {
			case math.Abs(v) < 0.5:
				return "as the dial says"
			case v < 0:
				return say.Temperature.Apart(-v) + " under"
			}
			return say.Temperature.Apart(v) + " over"
		}),
		of("fan", "fan", percent(was.Airflow), percent(is.Airflow), share),
		of("heatUp", "time to "+say.Degrees(200), was.HeatUp, is.HeatUp, func(v float64) string { return fmt.Sprintf("%.1f min", v) }),
		of("browning", "browning", percent(was.Browning), percent(is.Browning), share),
	}
	if known.Back != nil {
		ends := of("ends", "back beside front", learn.Figure{0, belief.BackSd}, learn.Figure{known.Back.Mean, known.Back.Sd}, func(v float64) string {
			switch {
			case math.Abs(v) < 0.01:
				return "browns alike"
			case v < 0:
				return fmt.Sprintf("%.0f %% quicker at the front", 100*math.Expm1(-v))
			}
			return fmt.Sprintf("%.0f %% quicker at the back", 100*math.Expm1(v))
		})
		for i := range ends.Now {
			ends.Before[i], ends.Now[i] = 100*math.Expm1(ends.Before[i]), 100*math.Expm1(ends.Now[i])
		}
		out = append(out, ends)
	}
	return out
}

// HowRight is how right what was foretold of a household's cooks was.
type HowRight struct {
	Says string `json:"says"`
	// Well is false where it is too often wrong to be chance.
	Well    bool `json:"well"`
	Windows int  `json:"windows"`
	Held    int  `json:"held"`
	Within  int  `json:"within"`
	// Readings are of all cooks, the oldest first.
	Readings []RightReading `json:"readings"`
}

// RightReading is a reading, beside what it was to be.
type RightReading struct {
	store.Foretold
	CookID  string `json:"cookId"`
	LeftOut bool   `json:"leftOut"`
	// Within is whether it lay in the band that nine in ten keep to.
	Within bool `json:"within"`
}

// HowRight holds all that was foretold against what was read. What is left out of learning
// counts: the forecast was made.
func (s *Sessions) HowRight(ctx context.Context) (out HowRight, err error) {
	all, err := s.Store.Teachings(ctx, learn.Revision)
	if err != nil {
		return out, err
	}
	out.Readings = []RightReading{}
	for _, t := range all {
		if t.Score == nil {
			continue
		}
		if h := t.Score.V.Held; h != nil {
			if out.Windows++; *h {
				out.Held++
			}
		}
		for _, r := range t.Score.V.Readings {
			within := learn.Within(r.ReadC, r.LowC, r.HighC)
			if within {
				out.Within++
			}
			out.Readings = append(out.Readings, RightReading{r, t.CookID, t.LeftOut, within})
		}
	}
	out.Says, out.Well = learn.Calibration(out.Windows, out.Held, len(out.Readings), out.Within)
	return out, nil
}

// Liked is what a household likes, by its ratings and as dishes are planned by it.
type Liked struct {
	learn.Liked
	Says         string `json:"says"`
	CrustSays    string `json:"crustSays"`
	BrowningSays string `json:"browningSays"`
	// Likes is what dishes are planned by: by ratings, or as it was said by a step.
	Likes         load.Likes   `json:"likes"`
	CrustSteps    []learn.Step `json:"crustSteps"`
	BrowningSteps []learn.Step `json:"browningSteps"`
}

// Liked tells what the household likes.
func (s *Sessions) Liked(ctx context.Context) (Liked, error) {
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return Liked{}, err
	}
	shown := set.Liked.V
	return Liked{
		Liked: shown, Says: shown.Says(), CrustSays: learn.CrustLiked(shown.Crust[0]), BrowningSays: learn.BrowningLiked(shown.Browning[0]),
		Likes: set.Likes(), CrustSteps: learn.CrustSteps, BrowningSteps: learn.BrowningSteps,
	}, nil
}
