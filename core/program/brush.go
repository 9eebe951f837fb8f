package program

import (
	"context"
	"fmt"
	"math"

	"velocrustum/core/crust"
	"velocrustum/core/food"
	"velocrustum/core/larder"
)

// # Glaze in mid-cook
//
// A brush is a turn that puts something on: its water lies on the face and has
// to leave again, its sugar browns from that minute on.

// BrushOn is the kind of turn that brushes.
const BrushOn = "brush"

// Brush is what is brushed on, on the faces that are up just then, or on both.
type Brush struct {
	Parts []food.Mixed `json:"parts"`
	G     float64      `json:"g"` // on the whole load
	Both  bool         `json:"both,omitempty"`
}

// glaze is what of a brush lies on a face, kg/m² of its surface.
type glaze struct {
	water, fat float64
	sugarPct   float64 // of what is there
	film       float64 // mm
	faces      [2]bool // by which is up; 0 is
}

// coldPotC is what is brushed on has, °C.
const coldPotC = 25.0

// glaze returns what a brush is on the pieces of a kitchen.
func (k *kitchen) glaze(b Brush, find func(string) (larder.Ingredient, error)) (g glaze, err error) {
	sum, sugar := 0.0, 0.0
	for _, p := range b.Parts {
		i, err := find(p.Ingredient)
		if err != nil {
			return g, err
		}
		sum += p.Share
		sugar += p.Share * i.Sugar
		g.fat += p.Share * i.Fat / 100
		g.water += p.Share * i.Water() / 100
	}
	area := k.surface100(k.all) / 100 / 2 // m², one side of all pieces
	if g.faces[0] = true; b.Both {
		g.faces[1] = true
		area *= 2
	}
	per := b.G / 1000 / area                                                            // kg/m²
	g.water, g.fat, g.sugarPct, g.film = g.water/sum*per, g.fat/sum*per, sugar/sum, per // 1 kg/m² is a millimetre
	return g, nil
}

// brush puts a glaze on.
func (r *run) brush(g glaze) {
	for i := range r.classes {
		c := &r.classes[i]
		for face := range 2 {
			if face != c.up && !g.faces[1] || face == c.up && !g.faces[0] {
				continue
			}
			c.body.Pour(face, g.water, coldPotC)
			if c.edge != nil {
				c.edge.Pour(face, g.water, coldPotC)
			}
			// Sugar in the film and the first millimetre under it, as of a marinade.
			c.sugar[face] += g.sugarPct * g.film / (g.film + 1)
			c.brown[face].Gain = r.gainWith(c.sugar[face])
		}
	}
	r.oiled = math.Min(1, r.oiled+10*g.fat)
	r.glazed = true
}

// brushTakes is how long a drawer is open to brush all pieces, s.
const brushTakes = 40.0

// gainWith is the gain of browning with so much more sugar on a face, percent.
func (k *kitchen) gainWith(sugar float64) float64 {
	return crust.Gain(k.cut.Sugar*(1-k.coating.Covers)+k.coating.Sugar+k.sugar+sugar, k.coating.Alkali, k.coating.Browns, k.coating.Oiled())
}

// Brushed is when and how hot a brush stands.
type Brushed struct {
	Turn int `json:"turn"` // of the program's turns
	// LatestMin is the last minute at which it still dries to a glaze by the
	// end; BestMin that at which it is tacky, browned and not bitter; nil if
	// there is none within the program.
	BestMin   *float64 `json:"bestMin"`
	LatestMin *float64 `json:"latestMin"`
	// HottestC is the hottest last stage that it stands from its minute on.
	HottestC float64 `json:"hottestC"`
	Says     string  `json:"says"`
}

// brushed answers for each brush of a program, by running it at other minutes
// and at other heat.
func (s *setup) brushed(ctx context.Context) (out []Brushed, err error) {
	for i, t := range s.program.Turns {
		if t.Kind != BrushOn {
			continue
		}
		b, err := s.brushedAt(ctx, i)
		if err != nil {
			return nil, err
		}
		out = append(out, b)
	}
	return out, nil
}

// tacky is how much crust a glaze may leave missing at the end, of 100.
const tacky = 8.0

func (s *setup) brushedAt(ctx context.Context, i int) (Brushed, error) {
	out := Brushed{Turn: i}
	end := s.minutes()
	limit := float64(crust.BitterLimit)
	try := func(minute, airC float64) (softest, brownest float64, err error) {
		p := s.program
		p.Turns = append([]Turn{}, p.Turns...)
		p.Turns[i].AtMin = minute
		p.Turns = inOrder(p.Turns)
		if airC > 0 {
			p.Stages = append([]Stage{}, p.Stages...)
			p.Stages[len(p.Stages)-1].AirC = airC
		}
		r, err := newRun(s.with(p), nominal, searching)
		if err != nil {
			return 0, 0, err
		}
		r.advance(end, nil)
		softest = 100
		for k := range r.classes {
			c := &r.classes[k]
			softest = math.Min(softest, r.crustOf(c))
			brownest = math.Max(brownest, float64(max(c.brown[0].Stage, c.brown[1].Stage)))
		}
		return softest, brownest, ctx.Err()
	}
	none := s.program
	none.Turns = nil
	for k, t := range s.program.Turns {
		if k != i {
			none.Turns = append(none.Turns, t)
		}
	}
	plain, err := newRun(s.with(none), nominal, searching)
	if err != nil {
		return out, err
	}
	plain.advance(end, nil)
	dry := 100.0
	for k := range plain.classes {
		dry = math.Min(dry, plain.crustOf(&plain.classes[k]))
	}
	// From the end backwards: the first minute that dries is the latest, and
	// the best is two before it, unless it turns bitter.
	for m := math.Floor(end - 0.5); m >= math.Max(1, end-15); m-- {
		soft, brown, err := try(m, 0)
		if err != nil {
			return out, err
		}
		if out.LatestMin == nil && soft >= dry-tacky {
			out.LatestMin = ptr(m)
		}
		if brown > limit {
			break
		}
		if out.LatestMin != nil {
			out.BestMin = ptr(m)
			if *out.LatestMin-m >= 2 {
				break
			}
		}
	}
	at := s.program.Turns[i].AtMin
	for out.HottestC = s.dial.MaxC; out.HottestC > s.dial.MinC; out.HottestC -= s.dial.StepC {
		_, brown, err := try(at, out.HottestC)
		if err != nil {
			return out, err
		}
		if brown <= limit {
			break
		}
	}
	t := s.units.Temperature
	last := s.program.Stages[len(s.program.Stages)-1].AirC
	switch {
	case out.HottestC < last:
		out.Says = fmt.Sprintf("Brushed at minute %.0f its sugar turns bitter at %s by the end; it stands %s.", at, t.Words(last), t.Words(out.HottestC))
	case out.LatestMin == nil:
		out.Says = "It does not dry to a glaze before the end, whenever it goes on: brush thinner, or give it longer."
	case out.BestMin == nil:
		out.Says = fmt.Sprintf("Its sugar turns bitter by the end, even when it goes on at minute %.0f, the latest at which it still dries: brush less sugar, or end cooler.", *out.LatestMin)
	case at > *out.LatestMin:
		out.Says = fmt.Sprintf("Brushed at minute %.0f it is still wet at the end; minute %.0f is the latest, %.0f the best.", at, *out.LatestMin, *out.BestMin)
	default:
		out.Says = fmt.Sprintf("Minute %.0f is the latest at which it still dries to a glaze; the best is %.0f. It stands up to %s.", *out.LatestMin, *out.BestMin, t.Words(out.HottestC))
	}
	return out, nil
}
