package baskets

import (
	"context"
	"math"

	"velocrustum/core/crust"
	"velocrustum/core/load"
	"velocrustum/core/run"
)

// A Dressing is a sauce as it lies on the food.
type Dressing struct {
	ClingsG   float64 // on 100 cm²
	WaterPct  float64
	SolidsPct float64 // dissolved, which hold its water
	// Plated says that it goes on at the plate, by as much as is eaten with it.
	Plated bool
	// Of is the lot that it is for; nil is for all of them.
	Of *int
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

	DressLadle = "ladle"
	DressPour  = "pour"
	DressUnder = "under"
)

const (
	// coolMin is a little while for the steam to leave, tableMin until the
	// plates are at the table, fateMin how long a supper takes, and eatenMin
	// when most of it is being eaten; minutes after it is out.
	coolMin, tableMin, fateMin, eatenMin = 2.0, 8.0, 20.0, 12.0
	// keptCrisp is the least of a crisp crust that is still taken for one.
	keptCrisp = 0.8 * crust.Crisp
)

// A goingOn is a way, when it puts the sauce on, and how much of what clings lies on
// the upper and the lower face.
type goingOn struct {
	way          string
	at, up, down float64
}

// dressings are the ways of what clings, and plated those of what is ladled or
// poured: a ladle leaves more than clings, and what stands in the sauce has it below.
var (
	dressings = []goingOn{{DressNow, 0, 1, 1}, {DressCool, coolMin, 1, 1}, {DressTable, tableMin, 1, 1}, {DressUp, 0, 1, 0}, {DressNone, 0, 0, 0}}
	plated    = []goingOn{{DressLadle, tableMin, ladled, 1}, {DressPour, tableMin, 1, 0}, {DressUnder, tableMin, 0, ladled}, {DressNone, 0, 0, 0}}
)

// ladled is what a ladle leaves on a face, of what clings to it in a bowl (±0.3).
const ladled = 1.5

// Fates is what becomes of the crust of what is dressed over the twenty minutes
// after it is out, by how a sauce goes on: after the last is out, or the lot that
// it is for. The error is refuse.Fields, or the context's.
func Fates(ctx context.Context, q load.Request, d Dressing) ([]Fate, error) {
	l, err := load.Of(q)
	if err != nil {
		return nil, err
	}
	end := l.Minutes()
	if d.Of != nil {
		end = min(end, l.Lots[*d.Of].Out)
	}
	p := l.Program.Then(load.Stage{AirC: l.Program.Last().AirC, Minutes: fateMin, Hold: load.HoldRack})
	whole, err := run.Start(l.UnderProgram(p), run.Nominal, run.Fine)
	if err != nil {
		return nil, err
	}
	whole.Advance(end, nil)
	per := d.ClingsG / 10 // kg/m²
	ways := dressings
	if d.Plated {
		ways = plated
	}
	out := make([]Fate, len(ways))
	for i, w := range ways {
		r, f := whole.Clone(), Fate{Way: w.way, Name: fateNames[w.way], Line: []FatePoint{}}
		for m := 0.0; m <= fateMin; m++ {
			r.Advance(end+m, nil)
			if m == w.at {
				for _, lot := range d.on(r) {
					lot.Dress(per*w.up*d.WaterPct/100, per*w.up*d.SolidsPct/100, true, false)
					lot.Dress(per*w.down*d.WaterPct/100, per*w.down*d.SolidsPct/100, false, true)
				}
			}
			f.add(m, d.on(r))
		}
		out[i] = f
		if ctx.Err() != nil {
			return nil, ctx.Err()
		}
	}
	return out, nil
}

// on is what of a run it lies on.
func (d Dressing) on(r *run.Run) []*run.Lot {
	if d.Of != nil {
		return r.Lots[*d.Of : *d.Of+1]
	}
	return r.Lots
}

// add takes in a minute, and notes when half of the crust is gone.
func (f *Fate) add(minute float64, lots []*run.Lot) {
	now := FatePoint{Minute: minute, Crust: math.Inf(1), Better: math.Inf(1)}
	for _, lot := range lots {
		soft, better := lot.Crusts()
		now.Crust, now.Better = min(now.Crust, soft), min(now.Better, better)
	}
	half := now.Crust / 2
	if len(f.Line) > 0 {
		half = f.Line[0].Crust / 2
	}
	if f.HalfMin == nil && now.Crust <= half {
		at := minute
		if n := len(f.Line); n > 0 && f.Line[n-1].Crust > now.Crust {
			at -= (half - now.Crust) / (f.Line[n-1].Crust - now.Crust)
		}
		f.HalfMin = &at
	}
	f.Line = append(f.Line, now)
}

// Advice says what the way that a dish asks for leaves of the crust when it is eaten, and
// the way that leaves most where that is more. The best is the one asked for while it is
// still crisp then, or else the least trouble that is, or else the crispest. called is what
// the cook calls the way, as in "Tossed at once".
func Advice(all []Fate, asked, called string) (best, says string) {
	kept := map[string]float64{}
	for _, f := range all {
		at := f.Line[int(eatenMin)]
		kept[f.Way] = at.Crust
		if f.Way == DressUp || f.Way == DressPour || f.Way == DressUnder {
			kept[f.Way] = at.Better // its dry side is what is crisp
		}
	}
	best = DressNone
	for _, w := range []string{DressUnder, DressPour, DressUp, DressLadle, DressTable, DressCool, DressNow, asked} {
		if at, is := kept[w]; is && at >= keptCrisp {
			best = w
		}
	}
	return best, adviceSays(called, asked, best, kept)
}
