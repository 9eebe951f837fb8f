package run

import (
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
)

// half an hour of wings, fryer and preheating included.
func longCook(b *testing.B) *load.Load {
	q := loadtest.ReferenceCooks(b)[0].Request
	q.Program.Stages = []load.Stage{{AirC: 190, Minutes: 30}}
	l, err := load.Of(q)
	if err != nil {
		b.Fatal(err)
	}
	return l
}

func benchmarkCook(b *testing.B, fineness Fineness) {
	l := longCook(b)
	b.ReportAllocs()
	for b.Loop() {
		r, err := Start(l, Nominal, fineness)
		if err != nil {
			b.Fatal(err)
		}
		r.Carry(nil)
	}
}

// BenchmarkCook30 is a 30-minute cook of one class of pieces, middle and edges.
func BenchmarkCook30(b *testing.B) { benchmarkCook(b, Fine) }

// BenchmarkCook30Fine is the same physics with four times the shells and
// steps: what the default resolution saves.
func BenchmarkCook30Fine(b *testing.B) {
	benchmarkCook(b, Fineness{Fine.Shells.Finer(4), 4})
}

// BenchmarkFromTheFreezer is the cook of a dozen wings beside the same thawed.
func BenchmarkFromTheFreezer(b *testing.B) {
	for _, c := range []struct {
		name  string
		start float64
	}{{"thawed", 5}, {"frozen", -18}} {
		q := loadtest.DozenWings()
		q.Load.StartC = new(c.start)
		l, err := load.Of(q)
		if err != nil {
			b.Fatal(err)
		}
		b.Run(c.name, func(b *testing.B) {
			for b.Loop() {
				r, err := Start(l, Nominal, Fine)
				if err != nil {
					b.Fatal(err)
				}
				r.Carry(nil)
			}
		})
	}
}
