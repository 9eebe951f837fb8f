// Package sheet works an evening back from the table: what is done when, at
// which place and with whose hands, in which order, and what is on the plate
// then. It knows nothing of HTTP or storage.
package sheet

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
)

// Supper is what comes to one table at one moment.
type Supper struct {
	ServeAt time.Time `json:"serveAt"`
	// Earliest is before which nothing is begun; left out, there is no such
	// time.
	Earliest *time.Time    `json:"earliest,omitempty"`
	Hands    int           `json:"hands,omitempty"` // pairs; 1
	Away     []Away        `json:"away,omitempty"`
	Hobs     *int          `json:"hobs,omitempty"` // rings; 2
	Oven     *Oven         `json:"oven,omitempty"` // none: what waits does so in the room
	Fryers   []NamedFryer  `json:"fryers"`
	Dishes   []SupperDish  `json:"dishes"`
	Sauces   []SupperSauce `json:"sauces,omitempty"`
	Sides    []Side        `json:"sides,omitempty"`
	// Order is that of the dishes in the fryers, where the cook wants one.
	Order []string `json:"order,omitempty"`
	Pins  []Pin    `json:"pins,omitempty"`
}

// Away is when hands are not there.
type Away struct {
	From  time.Time `json:"from"`
	Until time.Time `json:"until"`
	Hands int       `json:"hands,omitempty"` // how many pairs; all
}

// Oven is one that is kept warm.
type Oven struct {
	WarmC float64 `json:"warmC,omitempty"` // 90
}

// FryingPlace is a fryer, or one drawer of it.
type FryingPlace struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// NamedFryer is a machine by its name.
type NamedFryer struct {
	ID    string      `json:"id"`
	Name  string      `json:"name,omitempty"`
	Fryer *load.Fryer `json:"fryer,omitempty"`
}

// SupperDish is one of the supper, all its pieces.
type SupperDish struct {
	ID   string `json:"id"`
	Name string `json:"name,omitempty"`
	// FryerID names its fryer; any, where it is left out.
	FryerID string `json:"fryerId,omitempty"`
	// Prepared says that what comes before the basket was done.
	Prepared bool `json:"prepared,omitempty"`
	// Drawer is the one of its fryer that it is fried in; either, where it is
	// left out.
	Drawer    string `json:"drawer,omitempty"`
	PerBasket int    `json:"perBasket,omitempty"` // as many as lie with air between them
	SauceID   string `json:"sauceId,omitempty"`
	How       string `json:"how,omitempty"` // toss, brush, up, beside
	// ServeAt is when it is on a table of its own, and For whom that is; left out, it is
	// with the others.
	ServeAt *time.Time `json:"serveAt,omitempty"`
	For     string     `json:"for,omitempty"`
	// Flash is whether what waited goes back in at the end; weighed where it
	// is left out.
	Flash   *bool       `json:"flash,omitempty"`
	Request prep.Asked  `json:"request"`
	Bench   *prep.Bench `json:"bench,omitempty"`
}

// tableMark is between a dish and the number of its table.
const tableMark = "@"

// AtTable is the id of a dish that comes to a table of its own, by its number, and
// DishOf the dish that it is of.
func AtTable(dish string, table int) string { return fmt.Sprintf("%s%s%d", dish, tableMark, table) }

func DishOf(id string) string {
	of, _, _ := strings.Cut(id, tableMark)
	return of
}

// SupperSauce is what stands on the hob.
type SupperSauce struct {
	ID        string  `json:"id"`
	Name      string  `json:"name,omitempty"`
	HandsMin  float64 `json:"handsMin"`  // to get it going
	SimmerMin float64 `json:"simmerMin"` // until it is ready
	HoldsMin  float64 `json:"holdsMin"`  // how long it is good for then
}

// Side is something with steps of the cook's own.
type Side struct {
	ID       string     `json:"id"`
	Name     string     `json:"name,omitempty"`
	Steps    []SideStep `json:"steps"`
	HoldsMin float64    `json:"holdsMin,omitempty"` // how long it is good for; two hours
	// Buys is what is bought for it, a line each, as a cook would write it down.
	Buys []string `json:"buys,omitempty"`
}

// SideStep is one of a side.
type SideStep struct {
	Says    string  `json:"says"`
	Place   string  `json:"place,omitempty"` // board
	Minutes float64 `json:"minutes"`
	Hands   int     `json:"hands"`
}

// Places that are no fryer.
const (
	OnHob  = "hob"
	InOven = "oven"
	Board  = "board"
	Fridge = "fridge"
	None   = "none"
)

var places = []string{OnHob, InOven, Board, Fridge, None}

// MostApartH is how far two tables of one supper are apart at most, hours.
const MostApartH = 4.0

// Most of each.
const (
	MaxDishes = 6
	// MaxAtTables are the most dishes of all tables together.
	MaxAtTables = 12
	MaxSteps    = 20 // of a side
	MaxBuys     = 20 // lines of a side
	MaxFryers   = 4
	MaxBaskets  = 12
)

// UsualEvening is what a new supper begins with: when it is on the table, and
// from which time of day it is for tomorrow.
type UsualEvening struct {
	At           string `json:"at"`
	TomorrowFrom string `json:"tomorrowFrom"`
	People       int    `json:"people"`
	Hands        int    `json:"hands"`
	Hobs         int    `json:"hobs"`
	// Side is what a side begins with, Then a further step of one.
	Side Side     `json:"side"`
	Then SideStep `json:"then"`
}

// FirstEvening is that of a new supper.
var FirstEvening = UsualEvening{
	"19:30", "16:00", 2, usualHands, usualHobs,
	Side{ID: "side", Name: "A salad", HoldsMin: 60, Steps: []SideStep{{Says: "cut and dress", Place: Board, Minutes: 10, Hands: 1}}},
	SideStep{Says: "then", Place: Board, Minutes: 5, Hands: 1},
}

// What a supper has where it does not say.
const (
	usualHands   = 1
	usualHobs    = 2
	sideHoldsMin = 120.0
)

// Limits are what the figures of a supper may be.
var Limits = refuse.Limits{
	"sides.steps":      {Min: 1, Max: MaxSteps, Step: 1, Unit: "steps"},
	"people":           {Min: 1, Max: 40, Step: 1, Unit: "people"},
	"hands":            {Min: 1, Max: 4, Step: 1, Unit: "pairs of hands"},
	"hobs":             {Min: 0, Max: 6, Step: 1, Unit: "rings"},
	"away.hands":       {Min: 0, Max: 4, Step: 1, Unit: "pairs of hands; 0 is all"},
	"oven.warmC":       {Min: 60, Max: 120, Step: 5, Unit: "°C"},
	"sauces.handsMin":  {Min: 0, Max: 60, Step: 0.5, Unit: "minutes"},
	"sauces.simmerMin": {Min: 0, Max: 240, Step: 0.5, Unit: "minutes"},
	"sauces.holdsMin":  {Min: 0, Max: 600, Step: 1, Unit: "minutes"},
	"sides.holdsMin":   {Min: 0, Max: 2880, Step: 1, Unit: "minutes"},
	"sides.minutes":    {Min: 0.5, Max: 1440, Step: 0.5, Unit: "minutes"},
	"sides.hands":      {Min: 0, Max: 4, Step: 1, Unit: "pairs of hands"},
}

// whole returns the supper with its defaults in, in an order that does not
// hang on how it was said.
func (s Supper) whole() Supper {
	if s.Hands == 0 {
		s.Hands = usualHands
	}
	if s.Hobs == nil {
		s.Hobs = new(usualHobs)
	}
	if s.Oven != nil && s.Oven.WarmC == 0 {
		s.Oven = &Oven{load.WarmC}
	}
	s.Dishes, s.Sauces, s.Sides, s.Fryers = slices.Clone(s.Dishes), slices.Clone(s.Sauces), slices.Clone(s.Sides), slices.Clone(s.Fryers)
	slices.SortFunc(s.Dishes, func(a, b SupperDish) int { return strings.Compare(a.ID, b.ID) })
	slices.SortFunc(s.Sauces, func(a, b SupperSauce) int { return strings.Compare(a.ID, b.ID) })
	slices.SortFunc(s.Sides, func(a, b Side) int { return strings.Compare(a.ID, b.ID) })
	slices.SortFunc(s.Fryers, func(a, b NamedFryer) int { return strings.Compare(a.ID, b.ID) })
	s.Fryers = inDrawers(s.Fryers)
	for i := range s.Dishes {
		if d := &s.Dishes[i]; d.How == "" {
			d.How = pan.Toss
		}
	}
	for i := range s.Sides {
		if s.Sides[i].HoldsMin == 0 {
			s.Sides[i].HoldsMin = sideHoldsMin
		}
		s.Sides[i].Steps = slices.Clone(s.Sides[i].Steps)
		for k := range s.Sides[i].Steps {
			if st := &s.Sides[i].Steps[k]; st.Place == "" {
				st.Place = Board
			}
		}
	}
	return s
}

// Check returns what is wrong with a supper as refuse.Fields, or nil. What is
// wrong with a dish's load or program comes when it is planned.
func (s Supper) Check() error {
	w := s.whole()
	var c refuse.Check
	if s.ServeAt.IsZero() {
		c.Add("serveAt", "nothing", "the moment it is on the table, like 2026-12-05T19:30:00Z")
	}
	c.In(Limits, "hands", float64(w.Hands))
	c.In(Limits, "hobs", float64(*w.Hobs))
	if s.Oven != nil {
		c.In(Limits, "oven.warmC", w.Oven.WarmC)
	}
	kinds := map[string]bool{}
	for _, d := range s.Dishes {
		kinds[DishOf(d.ID)] = true
	}
	if n := len(s.Dishes); len(kinds) < 1 || len(kinds) > MaxDishes {
		c.Add("dishes", fmt.Sprintf("%d dishes", len(kinds)), fmt.Sprintf("1 to %d", MaxDishes))
	} else if n > MaxAtTables {
		c.Add("dishes", fmt.Sprintf("%d dishes, each table's counted", n), fmt.Sprintf("up to %d: fewer tables, or fewer dishes", MaxAtTables))
	}
	if n := len(s.Fryers); n < 1 || n > MaxFryers {
		c.Add("fryers", fmt.Sprintf("%d fryers", n), fmt.Sprintf("1 to %d", MaxFryers))
	}
	ids := map[string]bool{}
	name := func(field, id string) {
		if id == "" || ids[id] || slices.Contains(places, id) || strings.Contains(id, "/") {
			c.Add(field, fmt.Sprintf("%q", id), "a name of its own, without a slash")
		}
		ids[id] = true
	}
	fryers, sauces := []string{""}, []string{""}
	for i, f := range s.Fryers {
		name(fmt.Sprintf("fryers[%d].id", i), f.ID)
		fryers = append(fryers, f.ID)
	}
	for i, a := range s.Sauces {
		at := fmt.Sprintf("sauces[%d].", i)
		name(at+"id", a.ID)
		c.In(Limits, at+"handsMin", a.HandsMin)
		c.In(Limits, at+"simmerMin", a.SimmerMin)
		c.In(Limits, at+"holdsMin", a.HoldsMin)
		sauces = append(sauces, a.ID)
	}
	for i, d := range s.Dishes {
		at := fmt.Sprintf("dishes[%d].", i)
		name(at+"id", d.ID)
		c.Among(at+"fryerId", d.FryerID, fryers...)
		c.Among(at+"drawer", d.Drawer, "", load.Left, load.Right)
		c.Among(at+"sauceId", d.SauceID, sauces...)
		c.Among(at+"how", d.How, append([]string{""}, pan.WayIDs()...)...)
		if at := d.ServeAt; at != nil && math.Abs(at.Sub(s.ServeAt).Hours()) > MostApartH {
			c.Add(fmt.Sprintf("dishes[%d].serveAt", i), at.Format(time.RFC3339), fmt.Sprintf("within %.0f hours of the others", MostApartH))
		}
		if d.PerBasket < 0 || d.PerBasket > load.MaxPieces {
			c.Add(at+"perBasket", fmt.Sprint(d.PerBasket), fmt.Sprintf("1 to %d pieces", load.MaxPieces))
		}
	}
	for i, a := range w.Sides {
		at := fmt.Sprintf("sides[%d].", i)
		name(at+"id", a.ID)
		c.In(Limits, "sides.holdsMin", a.HoldsMin)
		if len(a.Buys) > MaxBuys {
			c.Add(at+"buys", fmt.Sprintf("%d lines", len(a.Buys)), fmt.Sprintf("up to %d", MaxBuys))
		}
		for k, what := range a.Buys {
			if n := len([]rune(what)); n < 1 || n > 80 {
				c.Add(fmt.Sprintf("%sbuys[%d]", at, k), fmt.Sprintf("%d characters", n), "1 to 80 characters")
			}
		}
		if len(a.Steps) == 0 || len(a.Steps) > MaxSteps {
			c.Add(at+"steps", fmt.Sprintf("%d steps", len(a.Steps)), fmt.Sprintf("1 to %d", MaxSteps))
		}
		for k, st := range a.Steps {
			c.Among(fmt.Sprintf("%ssteps[%d].place", at, k), st.Place, append(slices.Clone(places), fryers[1:]...)...)
			if !(st.Minutes >= 0.5 && st.Minutes <= 1440) {
				c.Add(fmt.Sprintf("%ssteps[%d].minutes", at, k), fmt.Sprintf("%g", st.Minutes), "0.5 to 1440 minutes")
			}
			if st.Hands < 0 || st.Hands > w.Hands {
				c.Add(fmt.Sprintf("%ssteps[%d].hands", at, k), fmt.Sprint(st.Hands), fmt.Sprintf("0 to %d, as many as there are", w.Hands))
			}
		}
	}
	for i, pin := range s.Pins {
		c.Among(fmt.Sprintf("pins[%d].toward", i), string(pin.Toward), "", string(Sooner), string(Later))
	}
	if *w.Hobs == 0 {
		for i, a := range s.Sauces {
			if a.SimmerMin > 0 {
				c.Add("hobs", "0 rings", fmt.Sprintf("1 or more: %s is cooked on one", cmp.Or(s.Sauces[i].Name, a.ID)))
			}
		}
		for _, a := range w.Sides {
			if slices.ContainsFunc(a.Steps, func(st SideStep) bool { return st.Place == OnHob }) {
				c.Add("hobs", "0 rings", fmt.Sprintf("1 or more: %s is cooked on one", cmp.Or(a.Name, a.ID)))
			}
		}
	}
	for i, a := range s.Away {
		c.In(Limits, fmt.Sprintf("away[%d].hands", i), float64(a.Hands))
		if !a.Until.After(a.From) {
			c.Add(fmt.Sprintf("away[%d].until", i), a.Until.Format(time.RFC3339), "after it begins")
		}
	}
	for _, id := range s.Order {
		if !slices.ContainsFunc(s.Dishes, func(d SupperDish) bool { return d.ID == id }) {
			c.Add("order", fmt.Sprintf("%q", id), "dishes of the supper")
		}
	}
	return c.Err()
}

// Task is one thing on the run sheet.
type Task struct {
	ID     TaskID `json:"id"`
	Dish   string `json:"dish,omitempty"` // or sauce, or side
	Basket int    `json:"basket,omitempty"`
	Kind   string `json:"kind"`
	// Name is the sauce or the side that it is of.
	Name  string    `json:"name,omitempty"`
	Says  string    `json:"says"`
	Place string    `json:"place"`
	Start time.Time `json:"start"`
	End   time.Time `json:"end"`
	Hands int       `json:"hands"`
	// Who is which pair of hands does it, from 1; 0 where none is needed.
	Who   int      `json:"who,omitempty"`
	After []TaskID `json:"after"`
	// Least and Most are what a wait may be, minutes.
	Least float64 `json:"least,omitempty"`
	Most  float64 `json:"most,omitempty"`
	Pin   bool    `json:"pin,omitempty"`
	// Colours of a run, from in to out, L*a*b*.
	Colours [][3]float64 `json:"colours,omitempty"`
}

// Kinds of task.
const (
	Bench  = "bench"
	Waits  = "wait"
	Heat   = "heat"
	Load   = "load"
	Run    = "run"
	Turn   = "turn"
	TakeIt = "out"
	Hold   = "hold"
	Flash  = "flash"
	Pan    = "pan"
	Simmer = "simmer"
	Rests  = "rest" // after the fryer, where a rule asks for it
	Dress  = "toss"
	Finish = "finish" // what goes on by hand
	Own    = "step"
	Table  = "table"
)

// ServedBasket is one basket on the plate.
type ServedBasket struct {
	Dish    string    `json:"dish"`
	Basket  int       `json:"basket"`
	Pieces  int       `json:"pieces"`
	OutAt   time.Time `json:"outAt"`
	WaitMin float64   `json:"waitMin"`
	Crust   float64   `json:"crust"`
	CoreC   float64   `json:"coreC"`
	Safe    bool      `json:"safe"`
	Flashed bool      `json:"flashed"`
	Lab     []float64 `json:"lab"` // as it comes out
	// Line is its crust from out to the table, each whole minute.
	Line []float64 `json:"line"`
	// Name is the basket with its crust, Says what it went through since.
	Name string `json:"name"`
	Says string `json:"says"`
}

// Chance is how many evenings of a thousand are on the table by a moment.
type Chance struct {
	By    time.Time `json:"by"`
	Share float64   `json:"share"`
}

// Other is another way of doing it, and what that would cost.
type Other struct {
	ID      string    `json:"id"`
	Name    string    `json:"name"`
	Says    string    `json:"says"`
	StartAt time.Time `json:"startAt"`
	ServeAt time.Time `json:"serveAt"`
	Order   []string  `json:"order,omitempty"`
	Hands   int       `json:"hands,omitempty"`
	// Crust is by how much the softest basket differs, of 100.
	Crust float64 `json:"crust"`
}

// Tight is a moment at which much is to be done.
type Tight struct {
	At   time.Time `json:"at"`
	Says string    `json:"says"`
}

// Sheet is an evening worked out.
type Sheet struct {
	// Fryers are the places in which food is fried: fryers, or drawers of one.
	Fryers  []FryingPlace  `json:"fryers"`
	ServeAt time.Time      `json:"serveAt"`
	StartAt time.Time      `json:"startAt"`
	OnTime  bool           `json:"onTime"`
	Why     string         `json:"why"`
	Tasks   []Task         `json:"tasks"`
	Plate   []ServedBasket `json:"plate"`
	Chance  []Chance       `json:"chance"`
	// ChanceSays is the chance of being on time, in words.
	ChanceSays string   `json:"chanceSays"`
	Others     []Other  `json:"others"`
	Tight      []Tight  `json:"tight"`
	Order      []string `json:"order"`
	// Gap is by how much an evening that was not looked at may be better, of 100 of crust
	// and a dish; 0 where all were weighed.
	Gap     float64 `json:"gap"`
	GapSays string  `json:"gapSays"`
	// Shortened is by how much elastic waits fall short of their best, 0 to 1.
	Shortened float64 `json:"shortened"`
	// Shorter says which waits those are, and what of their best they have.
	Shorter []string `json:"shorter"`
	// Over says which limits are broken, and what that costs.
	Over     []string `json:"over"`
	Cautions []string `json:"cautions"`
	// Shopping is all that is bought, by the pantry's names, and Counter what
	// stands ready when.
	Shopping []Need `json:"shopping"`
	// Clock is all that has to be known by the clock, for paper, screen and calendar
	// alike.
	Clock   []Line    `json:"clock"`
	Counter []Setting `json:"counter"`
}

// Need is something to have in the house.
type Need struct {
	Ingredient string  `json:"ingredient,omitempty"` // none of what is fried
	Name       string  `json:"name"`
	G          float64 `json:"g"`
	Says       string  `json:"says"`
	For        string  `json:"for"`
}

// Setting is what stands on the counter from a moment on.
type Setting struct {
	At   time.Time `json:"at"`
	Says string    `json:"says"`
}

func round(minutes float64) float64 { return math.Round(2*minutes) / 2 }
