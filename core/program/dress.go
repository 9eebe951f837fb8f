package program

import (
	"context"
	"fmt"
	"math"

	"velocrustum/core/crust"
)

// Dressing is a sauce as it lies on the food.
type Dressing struct {
	ClingsG   float64 // on 100 cm²
	WaterPct  float64
	SolidsPct float64 // dissolved, which hold its water
}

// film is that over a face, kg/m².
func (d Dressing) film() film {
	return film{d.ClingsG / 10 * d.WaterPct / 100, d.ClingsG / 10 * d.SolidsPct / 100}
}

// A Fate is what becomes of a crust that a sauce goes on, in one way.
type Fate struct {
	Way  string      `json:"way"`
	Name string      `json:"name"`
	Line []FatePoint `json:"line"`
	// HalfMin is the minute after it is out at which half of the crust is
	// gone on the softer face; nil if not within the time shown.
	HalfMin *float64 `json:"halfMin"`
}

// FatePoint is a load some minutes after it is out.
type FatePoint struct {
	Minute float64 `json:"minute"`
	Crust  float64 `json:"crust"`  // of the softer face
	Better float64 `json:"better"` // of the other
}

// Ways a sauce goes on.
const (
	DressNow   = "now"
	DressCool  = "cool"
	DressTable = "table"
	DressUp    = "up"
	DressNone  = "beside"
)

const (
	// coolMin is a little while for the steam to leave, tableMin until the
	// plates are at the table, fateMin how long a supper takes.
	coolMin, tableMin, fateMin = 2.0, 8.0, 20.0
)

// fates are the ways, when each puts the sauce on, and on which faces.
var fates = []struct {
	way, name string
	at        float64
	up, down  bool
}{
	{DressNow, "tossed at once", 0, true, true},
	{DressCool, fmt.Sprintf("tossed after %.0f min on a rack", coolMin), coolMin, true, true},
	{DressTable, fmt.Sprintf("tossed at the table, %.0f min later", tableMin), tableMin, true, true},
	{DressUp, "on one face, the other stays dry", 0, true, false},
	{DressNone, "beside it, to dip", 0, false, false},
}

// Fates is what becomes of the crust over the twenty minutes after a load is
// out, by how a sauce goes on. The error is refuse.Fields, or the context's.
func Fates(ctx context.Context, q Request, d Dressing) ([]Fate, error) {
	s, err := resolve(q)
	if err != nil {
		return nil, err
	}
	p := s.program
	end := p.Minutes()
	p.Stages = append(append([]Stage{}, p.Stages...), Stage{AirC: p.Stages[len(p.Stages)-1].AirC, Minutes: fateMin, Hold: HoldRack})
	whole, err := newRun(s.with(p), nominal, standard)
	if err != nil {
		return nil, err
	}
	whole.advance(end, nil)
	out := make([]Fate, len(fates))
	for i, w := range fates {
		r, f := whole.clone(), Fate{Way: w.way, Name: w.name, Line: []FatePoint{}}
		first := 0.0
		for m := 0.0; m <= fateMin; m++ {
			r.advance(end+m, nil)
			if m == w.at && (w.up || w.down) {
				r.dress(d.film(), w.up, w.down)
			}
			p := r.faces()
			p.Minute = m
			if m == 0 {
				first = p.Crust
			}
			if f.HalfMin == nil && p.Crust <= first/2 {
				half := m
				if n := len(f.Line); n > 0 && f.Line[n-1].Crust > p.Crust {
					half -= (first/2 - p.Crust) / (f.Line[n-1].Crust - p.Crust)
				}
				f.HalfMin = ptr(half)
			}
			f.Line = append(f.Line, p)
		}
		out[i] = f
		if ctx.Err() != nil {
			return nil, ctx.Err()
		}
	}
	return out, nil
}

// faces are the softest and the crispest face of any piece.
func (r *run) faces() (p FatePoint) {
	p.Crust = 100
	for i := range r.classes {
		b := r.classes[i].body
		u, l := crust.Crispness(b.Crust(0)), crust.Crispness(b.Crust(1))
		p.Crust = math.Min(p.Crust, math.Min(u, l))
		p.Better = math.Max(p.Better, math.Max(u, l))
	}
	return p
}

// eatenMin is when most of it is being eaten, minutes after it is out.
const eatenMin = 12.0

// Advice chooses the way that costs least trouble and is still crisp when it
// is eaten, or else the crispest, and says what each leaves.
func Advice(all []Fate) (way, says string) {
	at := map[string]FatePoint{}
	for _, f := range all {
		at[f.Way] = f.Line[int(eatenMin)]
	}
	keeps := func(way string) bool { return at[way].Crust >= 0.8*crust.Crisp }
	switch {
	case keeps(DressNow):
		way = DressNow
	case keeps(DressCool):
		way = DressCool
	case keeps(DressTable):
		way = DressTable
	case at[DressUp].Better >= 0.8*crust.Crisp:
		way = DressUp
	default:
		way = DressNone
	}
	first := map[string]string{
		DressNow:   "Toss it at once",
		DressCool:  fmt.Sprintf("Toss it after %.0f min on a rack, when the steam has left", coolMin),
		DressTable: "Toss it at the table",
		DressUp:    "Sauce one face and leave the other dry",
		DressNone:  "Serve it beside, to dip",
	}[way]
	says = fmt.Sprintf("%s. %.0f min after it is out the crust has %.0f of 100 tossed at once, %.0f tossed at the table; on one face %.0f, the dry one %.0f; without sauce %.0f.",
		first, eatenMin, math.Floor(at[DressNow].Crust), math.Floor(at[DressTable].Crust), math.Floor(at[DressUp].Crust), math.Floor(at[DressUp].Better), math.Floor(at[DressNone].Crust))
	return way, says
}
