package load

import (
	"math"
	"slices"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/larder"
	"velocrustum/core/units"
)

// Request is what a cook asks: these lots, in this fryer, by this program.
// Fields left out take the defaults named beside them.
type Request struct {
	// Lots are the kinds in the basket, none before another.
	Lots []LotRequest `json:"lots,omitempty"`
	// Load and Coat are the short form for one lot, and Groups what lay beside
	// it before there were lots; not with Lots.
	Load      Pieces    `json:"load,omitzero"`
	Coat      *Covering `json:"coat,omitempty"` // bare, no oil
	Groups    []Group   `json:"groups,omitempty"`
	Fryer     *Fryer    `json:"fryer,omitempty"` // the middling drawer
	Program   Program   `json:"program"`
	Guidance  string    `json:"guidance,omitempty"`  // us
	GuidanceC float64   `json:"guidanceC,omitempty"` // °C, with "stricter"
	// CrustWanted is the crispness that counts as crisp, 60.
	CrustWanted *float64 `json:"crustWanted,omitempty"`
	// Likes are how this household differs from most in what it likes.
	Likes Likes `json:"likes,omitzero"`
	// short says that it was asked in the short form: so its fields are told.
	short bool
	// TailMin carries the last stage on past the program's end, so that a
	// screen can show what would come; 0.
	TailMin float64 `json:"tailMin,omitempty"`
	// Units are those that answers are worded in: °C and g.
	Units units.Household `json:"-"`
	// Larder has the household's own figures of ingredients, by id, over
	// those that ship.
	Larder map[string]larder.Ingredient `json:"-"`
}

// A LotRequest is pieces of one kind with one story: in which coat, and when
// they go in and come out.
type LotRequest struct {
	Name string    `json:"name,omitempty"` // what it is called; by its cut
	Load Pieces    `json:"load"`
	Coat *Covering `json:"coat,omitempty"` // bare, no oil
	// InMin and OutMin are when it goes in and comes out, minutes of the
	// program; with the first, and with the last, where left out.
	InMin  float64  `json:"inMin,omitempty"`
	OutMin *float64 `json:"outMin,omitempty"`
	// CrustWanted is the crispness that counts as crisp of it; the request's.
	CrustWanted *float64 `json:"crustWanted,omitempty"`
}

// LotNames are what lots are called, in their order: as they were named, or by
// their cut, the pieces of one in the singular; the first, the second where two
// would be called alike.
func LotNames(lots []LotRequest) []string {
	out, alike := make([]string, len(lots)), map[string][]int{}
	for k, of := range lots {
		out[k] = of.Name
		if cut, err := food.FindCut(of.Load.Cut); of.Name == "" && err == nil {
			if out[k] = cut.Plural; of.Load.Pieces == 1 {
				out[k] = cut.Name
			}
		}
		alike[out[k]] = append(alike[out[k]], k)
	}
	for name, which := range alike {
		for n, k := range which {
			if len(which) > 1 {
				out[k] = units.Ordinal(n+1) + " " + name
			}
		}
	}
	return out
}

// A Group is what lay beside a load before there were lots.
type Group struct {
	Name string    `json:"name,omitempty"`
	Load Pieces    `json:"load"`
	Coat *Covering `json:"coat,omitempty"`
}

// InLots is the request with all that it asks said by its lots, which are its
// own to change: the short form is one lot, groups are lots beside it.
func (q Request) InLots() Request {
	if len(q.Lots) > 0 {
		q.Lots = slices.Clone(q.Lots)
		return q
	}
	q.short = true
	q.Lots = []LotRequest{{Load: q.Load, Coat: q.Coat}}
	for _, g := range q.Groups {
		q.Lots = append(q.Lots, LotRequest{Name: g.Name, Load: g.Load, Coat: g.Coat})
	}
	if len(q.Groups) > 0 {
		q.Program.Turns = slices.Clone(q.Program.Turns)
		for i, t := range q.Program.Turns {
			// Of groups, a brush and what is taken out were of one; a turn of all.
			if t.Kind == BrushOn || t.Kind == TakeOut {
				q.Program.Turns[i].Lots, q.Program.Turns[i].Group = []int{t.Group}, 0
			}
		}
	}
	q.Load, q.Coat, q.Groups = Pieces{}, nil, nil
	return q
}

// Told is the request with what goes in later and comes out sooner said by turns
// of its program, so that each can be told at a minute of its own.
func (q Request) Told() Request {
	q = q.InLots()
	q.Program.Turns = slices.Clone(q.Program.Turns)
	all := q.Program.Minutes()
	for i := range q.Lots {
		lot := &q.Lots[i]
		if lot.InMin > 0 {
			q.Program.Turns = append(q.Program.Turns, Turn{AtMin: lot.InMin, Kind: PutIn, Lots: []int{i}})
		}
		if o := lot.OutMin; o != nil && *o < all {
			q.Program.Turns = append(q.Program.Turns, Turn{AtMin: *o, Kind: TakeOut, Lots: []int{i}})
		}
		lot.InMin, lot.OutMin = 0, nil
	}
	q.Program.Turns = inOrder(q.Program.Turns)
	return q
}

// Pieces is how many pieces there are, of all lots.
func (q Request) Pieces() (n int) {
	for _, l := range q.InLots().Lots {
		n += l.Load.Pieces
	}
	return n
}

// Pieces are those of one kind in one basket.
type Pieces struct {
	Cut         string   `json:"cut"`
	Pieces      int      `json:"pieces"`
	PieceMassG  float64  `json:"pieceMassG"`
	ThicknessMm *float64 `json:"thicknessMm,omitempty"` // from mass and cut
	StartC      *float64 `json:"startC,omitempty"`      // out of the fridge
	Surface     string   `json:"surface,omitempty"`     // wiped
	// SurfaceWaterG is the free water on it, g/100 cm², in the place of what
	// Surface stands for; under 0 the rack has dried the outer layer too.
	SurfaceWaterG *float64 `json:"surfaceWaterG,omitempty"`
	// Under is what lies between the food and the grate: one of Unders; the
	// grate where left out.
	Under string `json:"under,omitempty"`
	// State is how far it was cooked before: raw where left out, par-fried or
	// cooked; Inside is that of what is par-fried, raw where left out, or cooked.
	// What is frozen is so by its StartC.
	State  string `json:"state,omitempty"`
	Inside string `json:"inside,omitempty"`
	// GlazePct is ice on the outside, g in 100 g.
	GlazePct float64 `json:"glazePct,omitempty"`
	// Clump is how many are frozen together, until a turn parts them; 1 where left
	// out.
	Clump int `json:"clump,omitempty"`
	// SpreadPct is how far pieces differ in thickness: nineteen in twenty
	// lie within so many percent of the mean; 8 for a careful hand.
	SpreadPct *float64 `json:"spreadPct,omitempty"`
}

// Covering is what the pieces are covered with.
type Covering struct {
	// ID names a coat; it may be left out where Layers tell it.
	ID string `json:"id,omitempty"`
	// Layers are what it is made of, from the inside out, in the place of
	// what the named one is.
	Layers []food.CoatLayer `json:"layers,omitempty"`
	// RestMin is how long it rests before the basket; as long as it needs
	// where left out.
	RestMin *float64 `json:"restMin,omitempty"`
	// Alkali is how far the bench raises the surface's pH beside the coat.
	Alkali   float64 `json:"alkali,omitempty"`
	OilG     float64 `json:"oilG,omitempty"`     // g on the whole load
	SugarPct float64 `json:"sugarPct,omitempty"` // reducing sugar added to the surface, percent
	SaltPct  float64 `json:"saltPct,omitempty"`  // salt in the flesh, percent
}

// Fryer is the machine, as its owner tells it.
type Fryer struct {
	Kind        string        `json:"kind,omitempty"`   // drawer
	PowerW      *float64      `json:"powerW,omitempty"` // 1500
	Basket      *fryer.Basket `json:"basket,omitempty"` // rectangle 230 by 230
	Airflow     *float64      `json:"airflow,omitempty"`
	DialOffsetC float64       `json:"dialOffsetC"`
	// HeatUpMin is how long it takes from cold to 200 °C, empty, timed by its
	// owner; left out, that of its kind.
	HeatUpMin *float64 `json:"heatUpMin,omitempty"`
	// Inferred names the figures that nobody has read off or measured:
	// their spread is wider.
	Inferred []string `json:"inferred"`
	// Trays is how many levels of an oven share the load, 1; Rack lifts half
	// of a drawer's load onto a second level.
	Trays int `json:"trays"`
	// Drawers is 2 where two drawers share the load and the power.
	Drawers int `json:"drawers"`
	// DrawerPowerW is the most that the element of one of two drawers draws
	// while the other is idle; left out, ElementShare of the plug.
	DrawerPowerW *float64 `json:"drawerPowerW,omitempty"`
	// Drawer says which of two that run apart it is, Left or Right, each with
	// a load and a program of its own; "" where both share them.
	Drawer string `json:"drawer,omitempty"`
	Rack   bool   `json:"rack"`
	// Grill is what its element under the roof draws, W; left out, it has none.
	Grill *float64 `json:"grill,omitempty"`
	RoomC *float64 `json:"roomC,omitempty"` // 21
	// AboveSeaM is how high it stands, m: the higher, the sooner water boils and the
	// less its air gives; 0.
	AboveSeaM float64 `json:"aboveSeaM,omitempty"`
	// FridgeC is the air of the fridge in its kitchen, as somebody measured it; left out,
	// 4 ± 2 °C.
	FridgeC *float64 `json:"fridgeC,omitempty"`
	// Dial is what can be set on it; a recommendation keeps to it.
	Dial *Dial `json:"dial,omitempty"` // 80 to 200 by 5
	// StopsItself is whether its timer turns it off, so that what is forgotten
	// in it stands there; else it goes on heating.
	StopsItself bool `json:"stopsItself,omitempty"`
	// Learnt is what cooks have shown of it: it counts in the place of airflow,
	// dialOffsetC and the minutes to 200 °C.
	Learnt *Learnt `json:"learnt,omitempty"`
	// LearntIn is that of each of two drawers that run apart.
	LearntIn map[string]*Learnt `json:"-"`
}

// ElementShare is what one element of two draws at most, of all that the plug
// gives, where nobody has read it off (±0.1): the elements of two drawers on a
// plug of 2200 to 2800 W are of 1200 to 1700 W each.
const ElementShare = 0.6

// Drawers of a fryer with two.
const Left, Right = "left", "right"

// In is one drawer of a fryer with two, to run apart from the other.
func (f Fryer) In(drawer string) *Fryer {
	f.Drawer = drawer
	f.Learnt = f.LearntIn[drawer]
	return &f
}

// Dial is the range and the step of what can be set, °C.
type Dial struct {
	MinC  float64 `json:"minC"`
	MaxC  float64 `json:"maxC"`
	StepC float64 `json:"stepC"`
}

// Nearest is the temperature nearest to c, °C, that the dial has: on its own
// steps, which begin at its least.
func (d Dial) Nearest(c float64) float64 {
	steps := (c - d.MinC) / d.StepC
	return min(d.MaxC, max(d.MinC, d.MinC+math.Round(steps)*d.StepC))
}

// Ingredient returns an ingredient by the household's figures, or by those
// that ship. The error is larder.Shelf's.
func (q *Request) Ingredient(id string) (larder.Ingredient, error) {
	if i, ok := q.Larder[id]; ok {
		return i, nil
	}
	return larder.Shelf(id)
}

// CoatSays is how an order has the coat of a lot: by its name, or by what it is made of.
func (q *Request) CoatSays(lot LotRequest) string {
	c := orElse(lot.Coat, Covering{ID: food.Bare})
	if named, err := food.FindCoat(c.ID); err == nil {
		return named.Says
	}
	var layers []string
	for _, l := range c.Layers {
		var parts []string
		for _, p := range l.Parts {
			if i, err := q.Ingredient(p.Ingredient); err == nil {
				parts = append(parts, i.Name)
			}
		}
		layers = append(layers, strings.Join(parts, " with "))
	}
	return "in " + strings.Join(layers, ", then ")
}
