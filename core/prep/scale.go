package prep

import (
	"math"
	"slices"

	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/pan"
)

// For is for how many a bench is made.
func (b *Bench) For() int {
	if b == nil || b.Servings == 0 {
		return defaultServings
	}
	return b.Servings
}

// For is the same dish for so many servings, of how many it is for: pieces as whole
// ones, at least one of each lot; what lies on them, what they lie in and what is made
// for them by as much as there are more of them.
func (a Asked) For(servings, of int) Asked {
	if servings == of || servings < 1 || of < 1 {
		return a
	}
	a = a.InLots()
	share := float64(servings) / float64(of)
	a.Lots = slices.Clone(a.Lots)
	all, was := 0, 0
	for i := range a.Lots {
		lot := &a.Lots[i]
		n := lot.Load.Pieces
		was += n
		lot.Load.Pieces = min(load.MaxPieces, max(1, int(math.Ceil(float64(n)*share-1e-9))))
		all += lot.Load.Pieces
		more := float64(lot.Load.Pieces) / float64(max(1, n))
		if lot.Coat != nil {
			coat := *lot.Coat
			coat.OilG = tenth(coat.OilG * more)
			lot.Coat = &coat
		}
		lot.Bench = lot.Bench.times(more)
	}
	a.Bench = a.Bench.times(share)
	if a.Bench == nil {
		a.Bench = &Bench{}
	}
	a.Bench.Servings = servings
	more := float64(all) / float64(max(1, was))
	a.Program.Turns = slices.Clone(a.Program.Turns)
	for i, t := range a.Program.Turns {
		if t.Brush != nil {
			b := *t.Brush
			b.G = math.Max(load.BrushLimit.Min, math.Min(load.BrushLimit.Max, math.Round(b.G*more)))
			a.Program.Turns[i].Brush = &b
		}
	}
	return a
}

// times is a bench for so many times as much. Salt, mixes and what clings go by weight
// and surface themselves.
func (b *Bench) times(more float64) *Bench {
	if b == nil {
		return nil
	}
	out := *b
	out.Finish = scaled(b.Finish, more)
	if m := b.Marinade; m != nil && m.ForG == 0 {
		one := *m
		one.Items = scaled(m.Items, more)
		out.Marinade = &one
	}
	if s := b.Salting; s != nil && s.WaterG > 0 {
		one := *s
		one.WaterG = math.Round(s.WaterG * more)
		out.Salting = &one
	}
	out.Sauces = slices.Clone(b.Sauces)
	for i, s := range out.Sauces {
		if pan.WayOf(s.Whole().How).Own { // as much as the cook makes
			out.Sauces[i].Sauce.Items = scaled(s.Sauce.Items, more)
		}
	}
	return &out
}

func scaled(items []larder.Item, more float64) []larder.Item {
	out := slices.Clone(items)
	for i := range out {
		out[i].G = tenth(out[i].G * more)
	}
	return out
}

func tenth(g float64) float64 { return math.Round(10*g) / 10 }
