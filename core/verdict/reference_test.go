package verdict

import (
	"flag"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"testing"
	"text/tabwriter"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/run"
)

func readOf(c loadtest.ReferenceCook, a Answer) (v float64, ok bool) {
	switch {
	case c.Quantity == "safe_at_min" && a.SafeAtMin != nil:
		return *a.SafeAtMin, true
	case c.Quantity == "crisp_at_min" && a.CrispAtMin != nil:
		return *a.CrispAtMin, true
	case strings.HasPrefix(c.Quantity, "mass_loss_pct_at_"):
		m, err := strconv.ParseFloat(strings.TrimPrefix(c.Quantity, "mass_loss_pct_at_"), 64)
		return run.Nearest(a.Timeline, m).MassLossPct, err == nil
	}
	if after, ok := strings.CutPrefix(c.Quantity, "brown_at_"); ok {
		m, err := strconv.ParseFloat(after, 64)
		f := run.Nearest(a.Timeline, m).Faces
		return min(f[0].Brown, f[1].Brown), err == nil
	}
	return 0, false
}

// write names the folder that TestReferenceCooks writes its table and
// drawing into; make validate sets it.
var write = flag.String("write", "", "folder for validation.md and its drawing")

// drawn are the reference cooks that validation.md shows minute by minute.
var drawn = []string{"wings-hot", "cutlet-crumbed", "thighs-bone-in"}

func TestReferenceCooks(t *testing.T) {
	var table strings.Builder
	tw := tabwriter.NewWriter(&table, 0, 4, 2, ' ', 0)
	fmt.Fprintln(tw, "case\tquantity\trange\tanswer")
	answers := map[string]Answer{}
	for _, c := range loadtest.ReferenceCooks(t) {
		a := quick(t, c.Request)
		answers[c.ID] = a
		v, ok := readOf(c, a)
		if !ok || v < c.Low || v > c.High {
			t.Errorf("%s %s: %.1f, want %g to %g", c.ID, c.Quantity, v, c.Low, c.High)
		}
		fmt.Fprintf(tw, "%s\t%s\t%g to %g\t%.1f\n", c.ID, c.Quantity, c.Low, c.High, v)
	}
	tw.Flush()
	t.Log("\n" + table.String())
	if *write == "" {
		return
	}
	text := "# Validation\n\nWritten by `make validate`; one parameter set for all. The ranges, from core/load/loadtest/reference-cooks.csv, are what they are: for \"safe\" a probe that failed before and passed after, for crisp and colour reports of cooks, pooled over kitchens and fryers, each with its own idea of crisp. `brown_at` is the stage of the paler face: 0.5 straw, 1 gold, 2 copper.\n\n```text\n" +
		table.String() + "```\n\nThree of them, minute by minute: air (dotted), the upper and the lower surface (full and broken), the coldest meat (blue) against its rule (green), and under them the colour that each face has.\n"
	for _, id := range drawn {
		a := answers[id]
		text += fmt.Sprintf("\n![%s: air, surfaces, coldest meat and colour](validation-%s.svg)\n", id, id)
		if err := os.WriteFile(filepath.Join(*write, "validation-"+id+".svg"), []byte(draw(id, &a)), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	text += "\nThe arithmetic itself is held against analytic solutions by `core/thermal/thermal_test.go` (series solutions for slab, cylinder and sphere at Bi 0.1, 1, 10 and Fo 0.05 to 2, within 0.5 %; the two-sided slab; heat within 0.5 % and water within 0.1 % over a cook), the shape against finite elements and products of slabs by `core/food/shape_test.go`, properties by `core/verdict/property_test.go` and `sense_test.go`, convergence by `TestConvergence`, the plate against food tables by `core/prep/tables_test.go`.\n"
	if err := os.WriteFile(filepath.Join(*write, "validation.md"), []byte(text), 0o644); err != nil {
		t.Fatal(err)
	}
}

// draw returns one cook's temperatures and colours over time as SVG.
func draw(id string, a *Answer) string {
	const w, h, left, bottom, strip = 760, 390, 50, 280, 24
	end := a.Timeline[len(a.Timeline)-1].Minute
	x := func(m float64) float64 { return left + (w-left-20)*m/end }
	y := func(c float64) float64 { return bottom - (bottom-20)*c/215 }
	var s strings.Builder
	fmt.Fprintf(&s, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %d %d" font-family="sans-serif" font-size="13"><title>%s</title><rect width="%d" height="%d" fill="#fbfcfa"/>`, w, h, id, w, h)
	for c := 0; c <= 200; c += 50 {
		fmt.Fprintf(&s, `<path d="M%d %.1fH%d" stroke="#d3dcd6"/><text x="%d" y="%.1f" text-anchor="end">%d°</text>`, left, y(float64(c)), w-20, left-8, y(float64(c))+4, c)
	}
	for m := 0; m <= int(end); m += 4 {
		fmt.Fprintf(&s, `<text x="%.1f" y="%d" text-anchor="middle">%d min</text>`, x(float64(m)), h-8, m)
	}
	fmt.Fprintf(&s, `<path d="M%d %.1fH%d" stroke="#1a6e4f" stroke-width="1.5"/>`, left, y(a.Rule.CoreC), w-20)
	curve := func(stroke, dash string, f func(run.Moment) float64) {
		fmt.Fprintf(&s, `<path fill="none" stroke="%s" stroke-width="2" stroke-dasharray="%s" d="`, stroke, dash)
		for i, m := range a.Timeline {
			fmt.Fprintf(&s, "%c%.1f %.1f", "LM"[btoi(i == 0)], x(m.Minute), y(f(m)))
		}
		s.WriteString(`"/>`)
	}
	curve("#b93d26", "2 4", func(m run.Moment) float64 { return m.AirC })
	curve("#c98a3a", "", func(m run.Moment) float64 { return m.UpperC })
	curve("#8a5a20", "6 3", func(m run.Moment) float64 { return m.LowerC })
	curve("#2457a0", "", func(m run.Moment) float64 { return m.CoreC })
	for face := range 2 {
		top := bottom + 18 + face*(strip+8)
		for i, m := range a.Timeline[1:] {
			from := x(a.Timeline[i].Minute)
			fmt.Fprintf(&s, `<rect x="%.1f" y="%d" width="%.1f" height="%d" fill="%s"/>`, from, top, x(m.Minute)-from+0.5, strip, srgb(m.Faces[face].Lab))
		}
	}
	return s.String() + "</svg>\n"
}

// srgb returns a CIELAB colour (D50) as CSS takes it everywhere.
func srgb(lab [3]float64) string {
	f := (lab[0] + 16) / 116
	back := func(t float64) float64 {
		if t > 6.0/29 {
			return t * t * t
		}
		return 3 * 36.0 / 841 * (t - 4.0/29)
	}
	x, y, z := 0.9642*back(f+lab[1]/500), back(f), 0.8251*back(f-lab[2]/200)
	hex := "#"
	for _, v := range [3]float64{3.1339*x - 1.6169*y - 0.4906*z, -0.9788*x + 1.9161*y + 0.0335*z, 0.0719*x - 0.2290*y + 1.4052*z} {
		if v = math.Min(1, math.Max(0, v)); v > 0.0031308 {
			v = 1.055*math.Pow(v, 1/2.4) - 0.055
		} else {
			v *= 12.92
		}
		hex += fmt.Sprintf("%02x", int(math.Round(255*v)))
	}
	return hex
}

func btoi(b bool) int {
	if b {
		return 1
	}
	return 0
}

// TestKitchenTendencies holds further cooks to what kitchens find, in ranges
// of our own, wider than those of the reference cooks.
func TestKitchenTendencies(t *testing.T) {
	for _, c := range []struct {
		cut, coat         string
		pieces            int
		oil, air, minutes float64
		turn              float64
		kind              string
		safeLow, safeHigh float64
		brownLow          float64 // of the paler face at the end; 0 claims nothing
	}{
		{"fish-strip", "three-bowl-crumb", 8, 8, 200, 12, 6, load.Flip, 4.5, 9, 0.7},
		{"fish-whole", "oil-rub", 1, 4, 200, 22, 11, load.Flip, 12, 19, 0},
		{"chicken-leg-quarter", "oil-rub", 2, 4, 190, 40, 20, load.Flip, 18, 32, 0.7},
		{"duck-leg", "bare", 2, 0, 180, 42, 21, load.Flip, 18, 30, 1},
		{"turkey-wing-section", "oil-rub", 2, 4, 190, 38, 19, load.Flip, 17, 32, 0.8},
		{"potato-wedge", "oil-rub", 14, 12, 200, 26, 12, load.Shake, 10, 18, 0.4},
		{"pork-loin-cutlet", "three-bowl-crumb", 2, 8, 200, 12, 6, load.Flip, 4, 9, 0.6},
		{"squid-ring", "three-bowl-crumb", 10, 8, 200, 9, 5, load.Flip, 2, 5, 0.7},
		{"chicken-thigh-boneless", "oil-rub", 3, 4, 200, 18, 9, load.Flip, 9, 15, 0},
		{"chicken-wing-stuffed", "oil-rub", 5, 4, 190, 28, 14, load.Flip, 15, 24, 0.4},
	} {
		cut, err := food.FindCut(c.cut)
		if err != nil {
			t.Fatal(err)
		}
		a := quick(t, load.Request{
			Load: load.Pieces{Cut: c.cut, Pieces: c.pieces, PieceMassG: cut.Typical}, Coat: &load.Covering{ID: c.coat, OilG: c.oil},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: c.air, Minutes: c.minutes}}, Turns: []load.Turn{{AtMin: c.turn, Kind: c.kind}}},
		})
		last := a.Timeline[len(a.Timeline)-1]
		brown := min(last.Faces[0].Brown, last.Faces[1].Brown)
		safe := loadtest.OrLate(a.SafeAtMin)
		t.Logf("%-24s %-18s safe at %4.1f in %g to %g, browned to %.2f of at least %g", c.cut, c.coat, safe, c.safeLow, c.safeHigh, brown, c.brownLow)
		if safe < c.safeLow || safe > c.safeHigh || brown < c.brownLow {
			t.Errorf("%s in %s: safe at %.1f, browned to %.2f", c.cut, c.coat, safe, brown)
		}
	}
}
