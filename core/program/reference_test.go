package program

import (
	"encoding/csv"
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
	"velocrustum/core/fryer"
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
		for _, s := range strings.FieldsFunc(row[10], func(r rune) bool { return r == ' ' || r == ';' }) {
			air, minutes, _ := strings.Cut(s, ":")
			q.Program.Stages = append(q.Program.Stages, Stage{AirC: num(air), Minutes: num(minutes)})
		}
		for turn := range strings.SplitSeq(row[11], ";") {
			if at, kind, ok := strings.Cut(strings.TrimSpace(turn), " "); ok {
				q.Program.Turns = append(q.Program.Turns, Turn{AtMin: num(at), Kind: kind})
			}
		}
		var w, d float64
		if _, err := fmt.Sscanf(row[12], "rectangle %fx%f", &w, &d); err != nil {
			t.Fatal(row[12], err)
		}
		q.Fryer = &Fryer{Basket: &fryer.Basket{Shape: "rectangle", WidthMm: w, DepthMm: d}}
		if _, twin, ok := strings.Cut(row[12], " of two drawers "); ok {
			watts := num(strings.TrimSuffix(twin, " W"))
			q.Fryer.Drawers, q.Fryer.PowerW = 2, &watts
		}
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
	if after, ok := strings.CutPrefix(c.quantity, "brown_at_"); ok {
		m, err := strconv.ParseFloat(after, 64)
		f := at(a.Timeline, m).Faces
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
	for _, c := range referenceCooks(t) {
		a := quick(t, c.request)
		answers[c.id] = a
		v, ok := c.read(a)
		if !ok || v < c.low || v > c.high {
			t.Errorf("%s %s: %.1f, want %g to %g", c.id, c.quantity, v, c.low, c.high)
		}
		fmt.Fprintf(tw, "%s\t%s\t%g to %g\t%.1f\n", c.id, c.quantity, c.low, c.high, v)
	}
	tw.Flush()
	t.Log("\n" + table.String())
	if *write == "" {
		return
	}
	text := "# Validation\n\nWritten by `make validate`; one parameter set for all. The ranges, from core/program/testdata/reference-cooks.csv, are what they are: for \"safe\" a probe that failed before and passed after, for crisp and colour reports of cooks, pooled over kitchens and fryers, each with its own idea of crisp. `brown_at` is the stage of the paler face: 0.5 straw, 1 gold, 2 copper.\n\n```text\n" +
		table.String() + "```\n\nThree of them, minute by minute: air (dotted), the upper and the lower surface (full and broken), the coldest meat (blue) against its rule (green), and under them the colour that each face has.\n"
	for _, id := range drawn {
		a := answers[id]
		text += fmt.Sprintf("\n![%s: air, surfaces, coldest meat and colour](validation-%s.svg)\n", id, id)
		if err := os.WriteFile(filepath.Join(*write, "validation-"+id+".svg"), []byte(draw(id, &a)), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	text += "\nThe arithmetic itself is held against analytic solutions by `core/thermal/thermal_test.go` (series solutions for slab, cylinder and sphere at Bi 0.1, 1, 10 and Fo 0.05 to 2, within 0.5 %; the two-sided slab; heat within 0.5 % and water within 0.1 % over a cook), the shape against finite elements and products of slabs by `core/food/shape_test.go`, properties by `core/program/property_test.go` and `sense_test.go`, convergence by `TestConvergence`, the plate against food tables by `core/prep/tables_test.go`.\n"
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
	curve := func(stroke, dash string, f func(Moment) float64) {
		fmt.Fprintf(&s, `<path fill="none" stroke="%s" stroke-width="2" stroke-dasharray="%s" d="`, stroke, dash)
		for i, m := range a.Timeline {
			fmt.Fprintf(&s, "%c%.1f %.1f", "LM"[btoi(i == 0)], x(m.Minute), y(f(m)))
		}
		s.WriteString(`"/>`)
	}
	curve("#b93d26", "2 4", func(m Moment) float64 { return m.AirC })
	curve("#c98a3a", "", func(m Moment) float64 { return m.UpperC })
	curve("#8a5a20", "6 3", func(m Moment) float64 { return m.LowerC })
	curve("#2457a0", "", func(m Moment) float64 { return m.CoreC })
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
		{"fish-strip", "three-bowl-crumb", 8, 8, 200, 12, 6, Flip, 4.5, 9, 0.7},
		{"fish-whole", "oil-rub", 1, 4, 200, 22, 11, Flip, 12, 19, 0},
		{"chicken-leg-quarter", "oil-rub", 2, 4, 190, 40, 20, Flip, 18, 32, 0.7},
		{"duck-leg", "bare", 2, 0, 180, 42, 21, Flip, 18, 30, 1},
		{"turkey-wing-section", "oil-rub", 2, 4, 190, 38, 19, Flip, 17, 32, 0.8},
		{"potato-wedge", "oil-rub", 14, 12, 200, 26, 12, Shake, 10, 18, 0.4},
		{"pork-loin-cutlet", "three-bowl-crumb", 2, 8, 200, 12, 6, Flip, 4, 9, 0.6},
		{"squid-ring", "three-bowl-crumb", 10, 8, 200, 9, 5, Flip, 2, 5, 0.7},
		{"chicken-thigh-boneless", "oil-rub", 3, 4, 200, 18, 9, Flip, 9, 15, 0},
		{"chicken-wing-stuffed", "oil-rub", 5, 4, 190, 28, 14, Flip, 15, 24, 0.4},
	} {
		cut, err := food.FindCut(c.cut)
		if err != nil {
			t.Fatal(err)
		}
		a := quick(t, Request{
			Load: Load{Cut: c.cut, Pieces: c.pieces, PieceMassG: cut.Typical}, Coat: &Coat{ID: c.coat, OilG: c.oil},
			Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: c.air, Minutes: c.minutes}}, Turns: []Turn{{AtMin: c.turn, Kind: c.kind}}},
		})
		last := a.Timeline[len(a.Timeline)-1]
		brown := min(last.Faces[0].Brown, last.Faces[1].Brown)
		safe := orLate(a.SafeAtMin)
		t.Logf("%-24s %-18s safe at %4.1f in %g to %g, browned to %.2f of at least %g", c.cut, c.coat, safe, c.safeLow, c.safeHigh, brown, c.brownLow)
		if safe < c.safeLow || safe > c.safeHigh || brown < c.brownLow {
			t.Errorf("%s in %s: safe at %.1f, browned to %.2f", c.cut, c.coat, safe, brown)
		}
	}
}
