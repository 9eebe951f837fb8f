package program

import (
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"velocrustum/core/food"
)

func ptr[T any](v T) *T { return &v }

// anyRequest draws a plausible cook, with a long tail so that things happen.
func anyRequest(r *rand.Rand) Request {
	cuts := food.Cuts()
	cut := cuts[r.IntN(len(cuts))]
	coats := food.CoatIDs()
	q := Request{
		Load: Load{Cut: cut.ID, Pieces: 1 + r.IntN(6), PieceMassG: cut.Typical * (0.8 + 0.4*r.Float64()),
			StartC: ptr(2 + 8*r.Float64()), Surface: "wiped"},
		Coat:    &Coat{ID: coats[r.IntN(len(coats))], OilG: 3 * r.Float64()},
		Program: Program{PreheatMin: 3, Stages: []Stage{{AirC: 165 + 30*r.Float64(), Minutes: 40}}},
	}
	q.Program.Turns = []Turn{{AtMin: 8, Kind: Flip}}
	return q
}

func quick(t *testing.T, q Request) Answer {
	t.Helper()
	a, err := Simulate(context.Background(), q, Options{NoChance: true})
	if err != nil {
		t.Fatalf("%+v: %v", q, err)
	}
	return a
}

// orLate reads a time, with never as an hour.
func orLate(m *float64) float64 {
	if m == nil {
		return 60
	}
	return *m
}

func TestWhatDelaysNeverHastens(t *testing.T) {
	const slack = 0.05 // minutes: a step and a half
	for name, worse := range map[string]func(q *Request){
		"thicker": func(q *Request) {
			q.Load.PieceMassG *= 1.25
		},
		"colder":       func(q *Request) { *q.Load.StartC -= 4 },
		"gentler":      func(q *Request) { q.Program.Stages[0].AirC -= 20 },
		"more crowded": func(q *Request) { q.Load.Pieces *= 3 },
		"cold fryer":   func(q *Request) { q.Program.PreheatMin = 0 },
		"wetter":       func(q *Request) { q.Load.Surface = "wet" },
		"weaker fan":   func(q *Request) { q.Fryer = &Fryer{Airflow: ptr(0.7)} },
	} {
		t.Run(name, func(t *testing.T) {
			r := rand.New(rand.NewPCG(11, uint64(len(name))))
			for range 40 {
				q := anyRequest(r)
				p := q
				p.Load.StartC = ptr(*q.Load.StartC)
				p.Program.Stages = slices.Clone(q.Program.Stages)
				worse(&p)
				a, err := Simulate(context.Background(), p, Options{NoChance: true})
				if fields := (FieldErrors)(nil); errors.As(err, &fields) {
					continue // three times as many do not go in
				} else if err != nil {
					t.Fatal(err)
				}
				b := quick(t, q)
				if orLate(a.SafeAtMin) < orLate(b.SafeAtMin)-slack {
					t.Errorf("%s in %s: safe at %.2f, before it at %.2f", q.Load.Cut, q.Coat.ID, orLate(a.SafeAtMin), orLate(b.SafeAtMin))
				}
			}
		})
	}
}

func TestOilAndSugarNeverPaler(t *testing.T) {
	r := rand.New(rand.NewPCG(12, 1))
	for range 40 {
		q := anyRequest(r)
		q.Coat.OilG = 0
		plain := quick(t, q)
		for name, coat := range map[string]Coat{"oiled": {ID: q.Coat.ID, OilG: 8}, "sweeter": {ID: q.Coat.ID, SugarPct: 2}} {
			p := q
			p.Coat = &coat
			b := quick(t, p)
			last, lastPlain := b.Timeline[len(b.Timeline)-1], plain.Timeline[len(plain.Timeline)-1]
			for face := range 2 {
				if last.Faces[face].Brown < 0.96*lastPlain.Faces[face].Brown-0.02 {
					t.Errorf("%s in %s, %s: face %d browns to %.2f, plain to %.2f", q.Load.Cut, q.Coat.ID, name, face, last.Faces[face].Brown, lastPlain.Faces[face].Brown)
				}
			}
		}
	}
}

func TestConvergence(t *testing.T) {
	for _, c := range referenceCooks(t) {
		if c.quantity != "safe_at_min" {
			continue
		}
		s, err := resolve(c.request)
		if err != nil {
			t.Fatal(err)
		}
		base, err := s.answer(standard)
		if err != nil {
			t.Fatal(err)
		}
		for name, res := range map[string]resolution{
			"half the step":    {standard.shells, 2},
			"twice the shells": {standard.shells.Finer(2), 1},
		} {
			fine, err := s.answer(res)
			if err != nil {
				t.Fatal(err)
			}
			if d := *fine.SafeAtMin / *base.SafeAtMin - 1; math.Abs(d) > 0.01 {
				t.Errorf("%s, %s: safe at moves by %.2f %%", c.id, name, 100*d)
			}
		}
	}
}

func TestSameRequestSameAnswer(t *testing.T) {
	q := referenceCooks(t)[0].request
	a, err := Simulate(context.Background(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	b, err := Simulate(context.Background(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	if *a.Chance.SafeByMin != *b.Chance.SafeByMin || *a.Chance.LookFirstMin != *b.Chance.LookFirstMin {
		t.Error("two answers to one request differ")
	}
	if !(*a.Chance.LookFirstMin <= *a.SafeAtMin && *a.SafeAtMin <= *a.Chance.SafeByMin) {
		t.Errorf("look first %.1f, nominal %.1f, safe by %.1f", *a.Chance.LookFirstMin, *a.SafeAtMin, *a.Chance.SafeByMin)
	}
}

func TestCancelledWindowStops(t *testing.T) {
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	if _, err := Simulate(ctx, referenceCooks(t)[0].request, Options{}); !errors.Is(err, context.Canceled) {
		t.Errorf("a cancelled request answered %v", err)
	}
}
