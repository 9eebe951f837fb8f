package prep

import (
	"fmt"
	"slices"
	"strings"

	"velocrustum/core/load"
	"velocrustum/core/refuse"
)

// A DishLot is a lot of a dish, with what is done to it on the bench.
type DishLot struct {
	load.LotRequest
	Bench *Bench `json:"bench,omitempty"`
}

// Asked is a dish as it is asked for. Fields left out take the defaults of
// load.Request.
type Asked struct {
	// Lots are the kinds of it, none before another.
	Lots []DishLot `json:"lots,omitempty"`
	// Load, Coat and Bench are the short form for one lot, and Groups what lay
	// beside it before there were lots; not with Lots. Beside lots Bench says
	// what comes after the basket, on all of them.
	Load   load.Pieces    `json:"load,omitzero"`
	Coat   *load.Covering `json:"coat,omitempty"`
	Bench  *Bench         `json:"bench,omitempty"`
	Groups []load.Group   `json:"groups,omitempty"`
	// Chambers are what lies in each drawer of a fryer of two that run apart, in
	// the place of all that says what is fried and how.
	Chambers []AskedChamber `json:"chambers,omitempty"`
	// Ready says when each of the chambers begins: one of Readies, in the place
	// of their own minutes.
	Ready string `json:"ready,omitempty"`

	Fryer       *load.Fryer  `json:"fryer,omitempty"`
	Program     load.Program `json:"program"`
	Guidance    string       `json:"guidance,omitempty"`
	GuidanceC   float64      `json:"guidanceC,omitempty"`
	CrustWanted *float64     `json:"crustWanted,omitempty"`
	Likes       *load.Likes  `json:"likes,omitempty"` // the household's
	TailMin     float64      `json:"tailMin,omitempty"`
	PerBasket   int          `json:"perBasket,omitempty"`
}

// An AskedChamber is what lies in one drawer of two, and its program; its bench
// is what comes after the basket, on all of its lots.
type AskedChamber struct {
	Lots     []DishLot    `json:"lots"`
	Bench    *Bench       `json:"bench,omitempty"`
	Program  load.Program `json:"program"`
	StartMin float64      `json:"startMin,omitempty"` // when its food goes in, minutes after the first
}

// What two drawers have to each other.
const (
	ReadyTogether = "together" // the shorter begins later
	BegunTogether = "start"
	LeftFirst     = "left-first" // the right one when the left one is out
	RightFirst    = "right-first"
)

// Readies lists them.
var Readies = []string{ReadyTogether, BegunTogether, LeftFirst, RightFirst}

// Begins is when each of two programs begins by what they have to each other,
// minutes after the first.
func Begins(ready string, first, second float64) (at [2]float64) {
	switch ready {
	case ReadyTogether:
		at[0], at[1] = max(0, second-first), max(0, first-second)
	case LeftFirst:
		at[1] = first
	case RightFirst:
		at[0] = second
	}
	return at
}

// OneDrawer returns what is wrong where what lies in two drawers is asked of as
// one dish, as refuse.Fields, or nil.
func (a Asked) OneDrawer() error {
	if len(a.Chambers) > 0 {
		return refuse.One("chambers", "two drawers", "one dish here: the lots and the program of one drawer by themselves")
	}
	return nil
}

// InDrawers are what lies in each drawer, asked for by itself; when each begins, where it
// is said what they have to each other, is written into Chambers.
func (a Asked) InDrawers() ([]Asked, error) {
	if len(a.Lots) > 0 || a.Load != (load.Pieces{}) || a.Coat != nil || a.Bench != nil || len(a.Groups) > 0 || len(a.Program.Stages) > 0 || a.PerBasket > 0 {
		return nil, refuse.One("chambers", "lots, load, coat, bench or program beside them", "chambers alone: each has its own")
	}
	if a.Ready != "" {
		if !slices.Contains(Readies, a.Ready) {
			return nil, refuse.One("ready", a.Ready, strings.Join(Readies, ", "))
		}
		if len(a.Chambers) == 2 {
			for k, at := range Begins(a.Ready, a.Chambers[0].Program.Minutes(), a.Chambers[1].Program.Minutes()) {
				a.Chambers[k].StartMin = at
			}
		}
	}
	out := make([]Asked, len(a.Chambers))
	for k, c := range a.Chambers {
		one := a
		one.Ready = ""
		one.Chambers, one.Lots, one.Bench, one.Program = nil, c.Lots, c.Bench, c.Program
		if len(c.Lots) == 0 {
			return nil, refuse.One(fmt.Sprintf("chambers[%d].lots", k), "none", "one lot or more")
		}
		out[k] = one
	}
	return out, nil
}

// AskedOf is a request of the engine as it would be asked for.
func AskedOf(q load.Request) Asked {
	a := Asked{Load: q.Load, Coat: q.Coat, Groups: q.Groups, Fryer: q.Fryer, Program: q.Program, Guidance: q.Guidance, GuidanceC: q.GuidanceC,
		CrustWanted: q.CrustWanted, Likes: &q.Likes, TailMin: q.TailMin}
	for _, lot := range q.Lots {
		a.Lots = append(a.Lots, DishLot{LotRequest: lot})
	}
	return a
}

// Dish is what was asked for, said by lots.
func (a Asked) Dish() BenchDish {
	d := BenchDish{Bench: a.Bench}
	d.Request = load.Request{Load: a.Load, Coat: a.Coat, Groups: a.Groups, Fryer: a.Fryer, Program: a.Program, Guidance: a.Guidance, GuidanceC: a.GuidanceC,
		CrustWanted: a.CrustWanted, TailMin: a.TailMin}
	if a.Likes != nil {
		d.Likes = *a.Likes
	}
	for _, lot := range a.Lots {
		d.Lots = append(d.Lots, lot.LotRequest)
		d.Benches = append(d.Benches, lot.Bench)
	}
	d.PerBasket = a.PerBasket
	return d
}

// InLots is the same with all of it said by lots, each with its own bench, and
// what comes after the basket beside them.
func (a Asked) InLots() Asked {
	if len(a.Lots) > 0 {
		return a
	}
	q := load.Request{Load: a.Load, Coat: a.Coat, Groups: a.Groups, Program: a.Program}.InLots()
	for _, lot := range q.Lots {
		a.Lots = append(a.Lots, DishLot{LotRequest: lot})
	}
	lot, all := a.Bench.before(), a.Bench.after()
	a.Lots[0].Bench, a.Bench = &lot, &all
	a.Load, a.Coat, a.Groups, a.Program = load.Pieces{}, nil, nil, q.Program
	return a
}

// After is what of a bench comes after the basket, and is for all lots.
func (b *Bench) After() *Bench {
	a := b.after()
	return &a
}

func (b *Bench) after() Bench {
	if b == nil {
		return Bench{}
	}
	return Bench{Servings: b.Servings, Mixes: b.Mixes, Sauces: b.Sauces, Prices: b.Prices}
}

// onlyAfter returns what of a bench for all lots is done to a lot of its own, as
// refuse.Fields, or nil.
func (b *Bench) onlyAfter() error {
	var c refuse.Check
	for _, f := range []struct {
		field string
		said  bool
	}{
		{"cutting", b.Cutting != nil}, {"drying", b.Drying != Drying{}}, {"salting", b.Salting != nil}, {"marinade", b.Marinade != nil},
		{"coating", b.Coating != Coating{}}, {"finish", len(b.Finish) > 0},
	} {
		if f.said {
			c.Add(f.field, "said of all lots", "nothing beside lots: each has its own bench")
		}
	}
	return c.Err()
}

// before is what of a bench is done to a lot of its own.
func (b *Bench) before() Bench {
	if b == nil {
		return Bench{}
	}
	out := *b
	out.Servings, out.Mixes, out.Sauces, out.Prices = 0, nil, nil, nil
	return out
}
