package program

import (
	"context"
	"testing"
)

// half an hour of wings, fryer and preheating included.
func longCook(b *testing.B) *setup {
	q := referenceCooks(b)[0].request
	q.Program.Stages = []Stage{{AirC: 190, Minutes: 30}}
	s, err := resolve(q)
	if err != nil {
		b.Fatal(err)
	}
	return &s
}

func benchmarkCook(b *testing.B, res resolution) {
	s := longCook(b)
	b.ReportAllocs()
	for b.Loop() {
		r, err := newRun(s, nominal, res)
		if err != nil {
			b.Fatal(err)
		}
		r.carry(nil)
	}
}

// BenchmarkCook30 is a 30-minute cook of one class of pieces, middle and edges.
func BenchmarkCook30(b *testing.B) { benchmarkCook(b, standard) }

// BenchmarkCook30Fine is the same physics with four times the shells and
// steps: what the default resolution saves.
func BenchmarkCook30Fine(b *testing.B) {
	benchmarkCook(b, resolution{standard.shells.Finer(4), 4})
}

// BenchmarkWindow is the window of a 24-minute cook over two thousand loads: 64
// runs, and a quadratic through each outcome.
func BenchmarkWindow(b *testing.B) {
	s, err := resolve(referenceCooks(b)[0].request)
	if err != nil {
		b.Fatal(err)
	}
	b.ReportAllocs()
	for b.Loop() {
		if _, err := chance(context.Background(), &s); err != nil {
			b.Fatal(err)
		}
	}
}
