package program

import (
	"context"
	"encoding/csv"
	"fmt"
	"os"
	"strconv"
	"strings"
	"testing"
)

// A referenceCook is a row of testdata/reference-cooks.csv.
type referenceCook struct {
	id, quantity string
	request      Request
	low, high    float64
}

func referenceCooks(t testing.TB) (cooks []referenceCook) {
	f, err := os.Open("testdata/reference-cooks.csv")
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	rows, err := csv.NewReader(f).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	num := func(s string) float64 {
		v, err := strconv.ParseFloat(s, 64)
		if err != nil {
			t.Fatal(err)
		}
		return v
	}
	for _, row := range rows[1:] {
		q := Request{Load: Load{Cut: row[1], Pieces: int(num(row[2])), PieceMassG: num(row[3]), Surface: row[6]}}
		thick, start := num(row[4]), num(row[5])
		q.Load.ThicknessMm, q.Load.StartC = &thick, &start
		q.Coat = &Coat{ID: row[7], OilG: num(row[8])}
		q.Program.PreheatMin = num(row[9])
		for _, s := range strings.Fields(row[10]) {
			air, minutes, _ := strings.Cut(s, ":")
			q.Program.Stages = append(q.Program.Stages, Stage{num(air), num(minutes)})
		}
		for turn := range strings.SplitSeq(row[11], ";") {
			if at, kind, ok := strings.Cut(strings.TrimSpace(turn), " "); ok {
				q.Program.Turns = append(q.Program.Turns, Turn{num(at), kind})
			}
		}
		var w, d float64
		if _, err := fmt.Sscanf(row[12], "rectangle %fx%f", &w, &d); err != nil {
			t.Fatal(row[12], err)
		}
		q.Fryer = &Fryer{Basket: &Basket{Shape: "rectangle", WidthMm: w, DepthMm: d}}
		cooks = append(cooks, referenceCook{row[0], row[13], q, num(row[14]), num(row[15])})
	}
	return cooks
}

func (c referenceCook) read(a Answer) (v float64, ok bool) {
	switch {
	case c.quantity == "safe_at_min" && a.SafeAtMin != nil:
		return *a.SafeAtMin, true
	case c.quantity == "crisp_at_min" && a.CrispAtMin != nil:
		return *a.CrispAtMin, true
	case strings.HasPrefix(c.quantity, "mass_loss_pct_at_"):
		m, err := strconv.ParseFloat(strings.TrimPrefix(c.quantity, "mass_loss_pct_at_"), 64)
		return at(a.Timeline, m).MassLossPct, err == nil
	}
	return 0, false
}

func TestReferenceCooks(t *testing.T) {
	for _, c := range referenceCooks(t) {
		a, err := Simulate(context.Background(), c.request, Options{NoChance: true})
		if err != nil {
			t.Fatal(c.id, err)
		}
		v, ok := c.read(a)
		t.Logf("%-16s %-22s %5.1f in %g to %g", c.id, c.quantity, v, c.low, c.high)
		if !ok || v < c.low || v > c.high {
			t.Errorf("%s %s: %.1f, want %g to %g", c.id, c.quantity, v, c.low, c.high)
		}
		if testing.Verbose() {
			for i, m := range a.Timeline {
				if i%4 == 0 {
					t.Logf("  %4.1f air %5.1f core %5.1f up %5.1f lo %5.1f crust %3.0f %3.0f brown %.2f %.2f loss %4.1f juice %3.0f", m.Minute, m.AirC, m.CoreC, m.UpperC, m.LowerC, m.Faces[0].Crust, m.Faces[1].Crust, m.Faces[0].Brown, m.Faces[1].Brown, m.MassLossPct, m.JuicePct)
				}
			}
			t.Logf("  E %.2f cover %.2f surface %.0f cm2 end %+v", a.Piece.ShapeNumber, a.Coverage, a.Piece.SurfaceCm2, a.End)
		}
	}
}
