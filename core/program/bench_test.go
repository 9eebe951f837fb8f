package program

import (
	"context"
	"testing"
)

// BenchmarkCook is one nominal cook of 24 minutes without its window.
func BenchmarkCook(b *testing.B) {
	s, err := resolve(referenceCooks(b)[0].request)
	if err != nil {
		b.Fatal(err)
	}
	b.ReportAllocs()
	for b.Loop() {
		r, err := newRun(&s, nominal, standard)
		if err != nil {
			b.Fatal(err)
		}
		r.carry(standard, nil)
	}
}

// BenchmarkWindow is the 64 samples of the same cook, fryer included.
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
