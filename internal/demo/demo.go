// Package demo fills a new database with a made-up household in a flat above
// a canal boatyard: its fryers, dishes and an autumn of cooks.
package demo

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
	"velocrustum/internal/picture"
	"velocrustum/internal/store"
)

func ptr[T any](v T) *T { return &v }

var drawer = store.OwnFryer{
	Name: "Square drawer", Fryer: load.Fryer{Kind: "drawer", Basket: &fryer.Basket{Shape: "rectangle", WidthMm: 230, DepthMm: 230},
		PowerW: ptr(1500.0), Airflow: ptr(1.0), DialOffsetC: -6, Dial: &load.Dial{MinC: 80, MaxC: 200, StepC: 5}},
}

var borrowed = store.OwnFryer{
	Name: "Borrowed round one", Fryer: load.Fryer{Kind: "drawer", Basket: &fryer.Basket{Shape: "round", DiameterMm: 190},
		PowerW: ptr(1100.0), Airflow: ptr(0.85), Dial: &load.Dial{MinC: 80, MaxC: 200, StepC: 10}},
}

// twin has two drawers, each with its own dial.
var twin = store.OwnFryer{
	Name: "Twin drawers", Fryer: load.Fryer{Kind: "drawer", Drawers: 2, Basket: &fryer.Basket{Shape: "rectangle", WidthMm: 180, DepthMm: 260},
		PowerW: ptr(2400.0), Airflow: ptr(1.0), Dial: &load.Dial{MinC: 80, MaxC: 200, StepC: 5}},
}

func flips(at ...float64) (t []load.Turn) {
	for _, m := range at {
		t = append(t, load.Turn{AtMin: m, Kind: load.Flip})
	}
	return t
}

func shakes(at ...float64) (t []load.Turn) {
	for _, m := range at {
		t = append(t, load.Turn{AtMin: m, Kind: load.Shake})
	}
	return t
}

type madeUpDish struct {
	name    string
	load    load.Pieces
	coat    load.Covering
	program load.Program
	table   string
	round   bool // goes into the borrowed fryer
	bench   *prep.Bench
	beside  []load.Group
}

// perBasket is how many of a dish go in at a time, where not all do.
var perBasket = map[string]int{"Wings for six": 12}

// brushed is a thin film of something late in a cook.
func brushed(at, g float64, of int, ingredients ...string) load.Turn {
	b := &load.Brush{G: g}
	for _, i := range ingredients {
		b.Parts = append(b.Parts, food.Mixed{Ingredient: i, Share: 1})
	}
	return load.Turn{AtMin: at, Kind: load.BrushOn, Group: of, Brush: b}
}

var dishes = []madeUpDish{
	{"Wings for six", load.Pieces{Cut: "chicken-wing-flat", Pieces: 24, PieceMassG: 43, Surface: "wiped"}, load.Covering{ID: "starch-dust", OilG: 9},
		load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 200, Minutes: 20}}, Turns: flips(11)}, "19:30", false,
		&prep.Bench{Servings: 6, Drying: prep.Drying{School: "wipe"}, Salting: salted(1), Sauces: with("Honey-harissa glaze", wideGlaze, pan.Toss, false)}, nil},
	{"Wedges for six", load.Pieces{Cut: "potato-wedge", Pieces: 20, PieceMassG: 32, StartC: ptr(18.0), Surface: "wiped"}, load.Covering{ID: "oil-rub", OilG: 20},
		load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 180, Minutes: 15}, {AirC: 200, Minutes: 9}}, Turns: shakes(8, 15, 20)}, "19:30", false,
		&prep.Bench{Servings: 6, Drying: prep.Drying{School: "wipe"}, Finish: []prep.Item{{Ingredient: "salt-flake", G: 6}}}, nil},
	{"Drumettes of three flavours", load.Pieces{Cut: "chicken-drumette", Pieces: 4, PieceMassG: 45, Surface: "wiped"}, load.Covering{ID: "leavened-rub"},
		load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 18}, {AirC: 175, Minutes: 5}},
			Turns: append(flips(10), brushed(18, 8, 0, "barbecue"), brushed(18, 6, 1, "mustard", "honey"))}, "19:30", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "rack", Hours: 4}, Salting: salted(4)},
		[]load.Group{
			{Name: "mustard drumettes", Load: load.Pieces{Cut: "chicken-drumette", Pieces: 4, PieceMassG: 45, Surface: "wiped"}, Coat: &load.Covering{ID: "leavened-rub"}},
			{Name: "plain drumettes", Load: load.Pieces{Cut: "chicken-drumette", Pieces: 4, PieceMassG: 45, Surface: "wiped"}, Coat: &load.Covering{ID: "leavened-rub"}}}},
	{"Caraway potato wedges", load.Pieces{Cut: "potato-wedge", Pieces: 14, PieceMassG: 32, StartC: ptr(18.0), Surface: "wiped"}, load.Covering{ID: "oil-rub", OilG: 14},
		load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 180, Minutes: 13}, {AirC: 200, Minutes: 8}}, Turns: shakes(7, 13, 17)}, "19:30", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "wipe"}, Finish: []prep.Item{{Ingredient: "salt-flake", G: 4}}}, nil},
	{"Chickpea-flour prawns", load.Pieces{Cut: "prawn", Pieces: 8, PieceMassG: 18, Surface: "wiped"}, load.Covering{ID: "three-bowl-crumb", OilG: 5},
		load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 200, Minutes: 9}}, Turns: flips(5)}, "19:15", true,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "wipe"}, Coating: prep.Coating{Flour: "chickpea-flour"}, Salting: salted(0.5), Sauces: with("Plum and ginger", plumGinger, pan.Beside, false)}, nil},
	{"Turmeric-yoghurt thigh pieces", load.Pieces{Cut: "chicken-thigh-chunk", Pieces: 18, PieceMassG: 20, Surface: "wiped"}, load.Covering{ID: "double-dredge", OilG: 9},
		load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 14}}, Turns: flips(7)}, "19:00", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "wipe"}, Marinade: &turmeric, Coating: prep.Coating{}, Sauces: onRice("Sweet and sour with pineapple", sweetAndSour)}, nil},
	{"Half a chicken, split at the back", load.Pieces{Cut: "chicken-half", Pieces: 1, PieceMassG: 620, Surface: "racked"}, load.Covering{ID: "oil-rub", OilG: 4},
		load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 165, Minutes: 28}, {AirC: 190, Minutes: 12}}, Turns: flips(20)}, "19:15", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "rack", Hours: 4}, Salting: salted(4)}, nil},
	{"Cauliflower with dukkah", load.Pieces{Cut: "cauliflower-floret", Pieces: 16, PieceMassG: 24, Surface: "wiped"}, load.Covering{ID: "oil-rub", OilG: 10},
		load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 18}}, Turns: shakes(7, 12)}, "19:30", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "wipe"}, Finish: []prep.Item{{Ingredient: "sesame", G: 6}, {Ingredient: "salt-flake", G: 2}}}, nil},
	{"Sea bream with dukkah", load.Pieces{Cut: "fish-whole", Pieces: 1, PieceMassG: 340, Surface: "racked"}, load.Covering{ID: "oil-rub", OilG: 4},
		load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 195, Minutes: 21}}, Turns: flips(12)}, "19:00", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "rack", Hours: 2}, Salting: salted(1), Cutting: &prep.Cutting{Scored: true},
			Finish: []prep.Item{{Ingredient: "sesame", G: 6}, {Ingredient: "herbs", G: 5}}}, nil},
	{"Fennel-salt pork belly slices", load.Pieces{Cut: "pork-belly-slice", Pieces: 7, PieceMassG: 44, ThicknessMm: ptr(13.0), Surface: "racked"}, load.Covering{ID: "bare"},
		load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 15}}, Turns: flips(8)}, "19:45", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "rack", Hours: 2}, Salting: salted(12), Mixes: []prep.Mix{fennelSalt}, Sauces: twoOver}, nil},
	{"Rye-crumbed pollock fingers", load.Pieces{Cut: "fish-strip", Pieces: 9, PieceMassG: 36, Surface: "wiped"}, load.Covering{ID: food.Made, OilG: 10, Layers: ryeCrumb},
		load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 10}}, Turns: flips(5)}, "18:45", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "wipe"}, Salting: salted(0.5), Sauces: with("Mustard-dill dip", mustardDill, pan.Beside, false)}, nil},
	{"Harissa drumsticks", load.Pieces{Cut: "chicken-drumstick", Pieces: 5, PieceMassG: 112, Surface: "wiped"}, load.Covering{ID: "oil-rub", OilG: 5},
		load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 175, Minutes: 16}, {AirC: 195, Minutes: 8}}, Turns: flips(16)}, "19:30", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "wipe"}, Marinade: &harissa,
			Salting: &prep.Salting{School: "dry", Salt: "salt-sea", TargetPct: 1, Hours: 3}}, nil},
	{"Sumac and lemon-thyme wing flats", load.Pieces{Cut: "chicken-wing-flat", Pieces: 11, PieceMassG: 43, Surface: "wiped"}, load.Covering{ID: "starch-dust", OilG: 4, SugarPct: 0.4},
		load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 165, Minutes: 12}, {AirC: 200, Minutes: 11}}, Turns: flips(12)}, "19:30", false,
		&prep.Bench{Servings: 2, Drying: prep.Drying{School: "wipe"}, Salting: &prep.Salting{School: "dry", Salt: "salt-sea", TargetPct: 1, Hours: 2},
			Mixes: []prep.Mix{sumacSalt}, Sauces: with("Honey-harissa glaze", harissaGlaze, pan.Up, false)}, nil},
}

// salted is dry salt, to 1 % of what is eaten.
func salted(hours float64) *prep.Salting {
	return &prep.Salting{School: "dry", Salt: "salt-sea", TargetPct: 1, Hours: hours}
}

// ryeCrumb is coarse with fine crumbs, three to one, on flour and egg.
var ryeCrumb = []food.CoatLayer{
	{Parts: []food.Mixed{{Ingredient: "wheat-flour", Share: 1}}},
	{Parts: []food.Mixed{{Ingredient: "egg", Share: 1}}},
	{Parts: []food.Mixed{{Ingredient: "coarse-crumbs", Share: 3}, {Ingredient: "crumbs", Share: 1}}},
}

// coats of the household.
var coats = []store.OwnCoat{
	{Name: "Rye crumb, coarse and fine", Layers: ryeCrumb},
	{Name: "Crackling crust", Layers: []food.CoatLayer{
		{Parts: []food.Mixed{{Ingredient: "egg", Share: 1}}}, {Parts: []food.Mixed{{Ingredient: "crackling", Share: 1}}}}},
	{Name: "Coconut and crumb", Layers: []food.CoatLayer{
		{Parts: []food.Mixed{{Ingredient: "rice-starch", Share: 1}}}, {Parts: []food.Mixed{{Ingredient: "egg", Share: 1}}},
		{Parts: []food.Mixed{{Ingredient: "coarse-crumbs", Share: 2}, {Ingredient: "coconut", Share: 1}}}}},
}

// marinades of the household.
var marinades = []prep.OwnMarinade{
	{Name: "Boatyard harissa and lemon", Marinade: harissa},
	{Name: "Turmeric yoghurt", Marinade: turmeric},
}

var turmeric = prep.Marinade{Hours: 8, ForG: 400, CoatShare: 0.5, Items: []prep.Item{
	{Ingredient: "yoghurt", G: 130}, {Ingredient: "salt-fine", G: 5}, {Ingredient: "garlic", G: 8}, {Ingredient: "spices", G: 5}, {Ingredient: "oil", G: 9.2}}}

var harissa = prep.Marinade{Hours: 3, ForG: 560, Items: []prep.Item{
	{Ingredient: "harissa", G: 22}, {Ingredient: "oil", G: 23}, {Ingredient: "lemon-juice", G: 15.5}}}

// ready is what comes out of the freezer, or was cooked yesterday: as bought, and as
// left over.
var ready = []madeUpDish{
	{name: "Yesterday’s drumsticks, crisp again", table: "12:30", load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 105, State: string(food.Cooked)}, coat: load.Covering{ID: food.Bare},
		bench:   &prep.Bench{Servings: 2},
		program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 165, Minutes: 18}, {AirC: 185, Minutes: 5}}, Turns: []load.Turn{{AtMin: 18, Kind: load.Flip}}}},
	{name: "Crumbed fillets from the freezer", table: "18:30", load: frozen("fillet"), coat: load.Covering{ID: "three-bowl-crumb"}, bench: &prep.Bench{Servings: 2},
		program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 180, Minutes: 23}}, Turns: []load.Turn{{AtMin: 11, Kind: load.Flip}}}},
	{name: "A bag of chips", table: "18:30", load: frozen("chips"), coat: load.Covering{ID: food.Bare},
		bench:   &prep.Bench{Servings: 3, Finish: []prep.Item{{Ingredient: "salt-fine", G: 4}}},
		program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 200, Minutes: 19}}, Turns: []load.Turn{{AtMin: 6, Kind: load.Shake}, {AtMin: 12, Kind: load.Shake}}}},
}

// frozen is a preset's load.
func frozen(id string) load.Pieces {
	i := slices.IndexFunc(load.Presets, func(p load.Preset) bool { return p.ID == id })
	return load.Presets[i].Load
}

// A past cook: which dish, how many days ago at what hour, how many minutes
// late the turns were said and the food came out, and how it was.
type past struct {
	dish                       string
	days, hour                 int
	late                       float64
	more                       float64
	probed                     bool // twice on the way, and at the end
	crust, inside, note, again string
	seen                       *seen // as a picture
	round                      bool  // in the borrowed fryer
}

// seen is how food looked on the plate: how long its pieces are for their
// width, and their colour.
type seen struct {
	alt   string
	long  float64
	brown [3]float64
}

// pastCooks are a week of all sorts, and how wings and wedges went since autumn began.
var pastCooks = []past{
	{"Sumac and lemon-thyme wing flats", 1, 18, 0.5, 0, true, "good", "juicy", "Card night. All eleven gone before the sauce was.", "Nothing.", &seen{"Eleven golden wing flats on a white plate, on the table", 1.9, [3]float64{226, 150, 62}}, false},
	{"Caraway potato wedges", 1, 19, 1, 2, false, "soft", "good", "Basket was too full after the wings; the ones below stayed pale.", "Two baskets, or shake once more.", nil, false},
	{"Rye-crumbed pollock fingers", 3, 18, 0, 0, true, "good", "juicy", "Crumb held at the turn.", "", &seen{"Nine crumbed pollock fingers, deep gold", 2.6, [3]float64{214, 156, 74}}, true},
	{"Fennel-salt pork belly slices", 5, 19, 0.5, 2, true, "hard", "dry", "Sat in two minutes longer while the lock gates were seen to.", "Take them out at 14.", nil, false},
	{"Sea bream with dukkah", 6, 18, 1.5, 0, true, "good", "good", "Skin came off the grate in one piece after drying on the rack.", "Score it.", nil, true},
	{"Sumac and lemon-thyme wing flats", 15, 18, 0, 1, true, "good", "juicy", "A minute more than planned, and right.", "", nil, false},
	{"Caraway potato wedges", 15, 19, 0.5, 3, false, "good", "good", "Three minutes more did it.", "", nil, false},
	{"Sumac and lemon-thyme wing flats", 29, 18, 1, 4, true, "hard", "dry", "Forgotten over a phone call.", "Set the chime.", nil, false},
	{"Caraway potato wedges", 36, 19, 0, 0, false, "soft", "good", "As planned, pale at the tips.", "Longer.", nil, true},
	{"Sumac and lemon-thyme wing flats", 43, 18, 0, -2, true, "soft", "juicy", "Out early for the bus.", "Not before 20.", nil, true},
}

// said is an event of a cook, by its minute.
type said struct {
	kind          string
	minute, value float64
}

// hidden is how a fryer of the household truly is, which its figures do not say: the
// square one runs cooler than its owner thinks, the borrowed one's fan has aged.
var hidden = map[bool]run.Variation{
	false: {Airflow: 0.94, DialC: -8, HeatUp: 1.1, Wicks: 1, Browns: 1.04},
	true:  {Airflow: 0.74, DialC: -1, HeatUp: 1, Wicks: 1, Browns: 0.95},
}

// truly is what was seen of a cook by the fryer that it truly was in: how it looked on
// the way, and what a thermometer read.
func (w past) truly(q load.Request, end float64) (out []said, err error) {
	l, err := load.Of(q)
	if err != nil {
		return nil, err
	}
	v := hidden[w.round]
	chance := rand.New(rand.NewPCG(uint64(w.days), uint64(len(w.dish))))
	v.Sizes = []float64{1 + 0.03*chance.NormFloat64()}
	r, err := run.Start(l.CarriedOn(10), v, run.Coarse)
	if err != nil {
		return nil, err
	}
	look, read, again, last := math.Round(0.7*end), math.Round(0.3*end), math.Round(0.45*end), math.Round(end+w.more)
	at := func(a, b float64) bool { return math.Abs(a-b) < 0.01 }
	tip := 4 * chance.Float64()
	r.Carry(func(m float64) bool {
		lot := r.Lots[0]
		if at(m, look) {
			out = append(out, said{cook.Look, look, float64(shadeOf(lot.UpBrown()))})
		}
		if w.probed && (at(m, read) || at(m, again) || at(m, last)) {
			out = append(out, said{cook.Probe, m, math.Round(lot.CoreC() + tip)})
		}
		return true
	})
	return out, nil
}

// shadeOf is the place of the shade that a stage of browning is called.
func shadeOf(stage float64) int {
	return slices.IndexFunc(belief.Shades, func(s struct {
		Name  string
		Stage float64
	}) bool {
		return s.Name == belief.ShadeOf(stage)
	})
}

// Fill makes the household, the given instant being now. It does nothing to
// a database that already holds a fryer.
func Fill(ctx context.Context, s *store.Store, now time.Time) error {
	fryers, err := s.Fryers(ctx)
	if err != nil || len(fryers) > 0 {
		return err
	}
	square, err := s.AddFryer(ctx, drawer)
	if err != nil {
		return fmt.Errorf("the first fryer: %w", err)
	}
	round, err := s.AddFryer(ctx, borrowed)
	if err != nil {
		return fmt.Errorf("the second fryer: %w", err)
	}
	if _, err := s.AddFryer(ctx, twin); err != nil {
		return fmt.Errorf("the fryer of two drawers: %w", err)
	}
	for _, d := range ready {
		p := store.Plan{Name: d.name, FryerID: square.ID, TableTime: &d.table}
		asked := prep.Asked{Load: d.load, Coat: &d.coat, Bench: d.bench, Program: d.program}.InLots()
		p.Lots.V, p.Bench.V, p.Program.V = asked.Lots, *asked.Bench, asked.Program
		if _, err := s.AddPlan(ctx, p); err != nil {
			return fmt.Errorf("%s: %w", d.name, err)
		}
	}
	plans := make([]store.Plan, len(dishes))
	for i, d := range dishes {
		p := store.Plan{Name: d.name, FryerID: square.ID, TableTime: &d.table}
		if d.round {
			p.FryerID = round.ID
		}
		asked := prep.Asked{Load: d.load, Coat: &d.coat, Groups: d.beside, Bench: d.bench, Program: d.program}.InLots()
		p.Lots.V, p.Bench.V, p.Program.V = asked.Lots, *asked.Bench, asked.Program
		for k := range p.Lots.V { // those beside it go the same way over the bench
			p.Lots.V[k].Bench = p.Lots.V[0].Bench
		}
		if n := perBasket[d.name]; n > 0 {
			p.PerBasket = &n
		}
		if plans[i], err = s.AddPlan(ctx, p); err != nil {
			return fmt.Errorf("%s: %w", d.name, err)
		}
	}
	for _, c := range coats {
		if _, err := s.PutCoat(ctx, c, nil); err != nil {
			return fmt.Errorf("%s: %w", c.Name, err)
		}
	}
	for _, e := range suppers(plans, now) {
		if _, err := s.PutSupper(ctx, e, nil); err != nil {
			return fmt.Errorf("%s: %w", e.Name, err)
		}
	}
	for _, o := range sauces {
		if _, err := s.PutSauce(ctx, store.OwnSauce{Own: o}, nil); err != nil {
			return fmt.Errorf("%s: %w", o.Name, err)
		}
	}
	for _, m := range mixes {
		if _, err := s.PutMix(ctx, store.Mix{OwnMix: prep.OwnMix{Mix: m}}, nil); err != nil {
			return fmt.Errorf("%s: %w", m.Name, err)
		}
	}
	for _, m := range marinades {
		if _, err := s.PutMarinade(ctx, store.Marinade{OwnMarinade: m}, nil); err != nil {
			return fmt.Errorf("%s: %w", m.Name, err)
		}
	}
	for _, w := range pastCooks {
		i := slices.IndexFunc(dishes, func(d madeUpDish) bool { return d.name == w.dish })
		f := square
		if w.round {
			f = round
		}
		if err := w.add(ctx, s, plans[i], f, now); err != nil {
			return fmt.Errorf("the cook of %s: %w", w.dish, err)
		}
	}
	return nil
}

func (w past) add(ctx context.Context, s *store.Store, p store.Plan, f store.OwnFryer, now time.Time) error {
	day := now.AddDate(0, 0, -w.days)
	start := time.Date(day.Year(), day.Month(), day.Day(), w.hour, 22, 0, 0, now.Location()).UTC()
	cut, err := food.FindCut(p.Lots.V[0].Load.Cut)
	if err != nil {
		return err
	}
	l := cook.Live{Program: p.Program.V, Pieces: p.Pieces(), Piece: cut.Name, Plural: cut.Plural, Faces: cut.Faces, Started: start}
	minute := func(m float64) time.Time { return start.Add(time.Duration(m * float64(time.Minute))) }
	in := p.Program.V.PreheatMin + 0.7
	end := 0.0
	for _, st := range p.Program.V.Stages {
		end += st.Minutes
	}
	ready, _, err := prep.NewPantry(nil).Ready(prep.Asked{Lots: p.Lots.V, Bench: &p.Bench.V, Fryer: &f.Fryer, Program: p.Program.V}.Dish())
	if err != nil {
		return err
	}
	events := []said{{cook.Loaded, 0, 0}}
	for _, t := range p.Program.V.Turns {
		events = append(events, said{cook.Turned, t.AtMin + w.late, 0})
	}
	if w.more > 0 {
		events = append(events, said{cook.More, end, w.more})
	}
	seen, err := w.truly(ready.Request, end)
	if err != nil {
		return err
	}
	events = append(append(events, seen...), said{cook.Out, end + w.more + 0.3, 0})
	slices.SortStableFunc(events, func(a, b said) int { return cmp.Compare(a.minute, b.minute) })
	for _, e := range events {
		if l.Events, err = l.Add(cook.Event{Kind: e.kind, At: minute(in + e.minute), Value: e.value}); err != nil {
			return err
		}
	}
	q := ready.Request
	p.GoesInAs(q)
	c := store.Cook{PlanID: &p.ID, Name: p.Name, Guidance: "us", GuidanceC: 75, StartedAt: store.Time{Time: start}, Events: l.Events,
		Crust: &w.crust, Inside: &w.inside, Note: &w.note, ChangeNext: &w.again}
	c.Plan.V, c.Fryer.V = p, f
	if c.Planned.V, err = verdict.Simulate(ctx, q, verdict.Options{}); err != nil {
		return err
	}
	q.Program = l.Actual()
	if c.Forecast.V, err = verdict.Simulate(ctx, q, verdict.Options{NoChance: true}); err != nil { // it has been
		return err
	}
	out, _ := l.Finished()
	c.FinishedAt = &store.Time{Time: out}
	if c, err = s.AddCook(ctx, c); err != nil || w.seen == nil {
		return err
	}
	raw, err := plate(p.Pieces(), w.seen.long, w.seen.brown, uint64(w.days))
	if err != nil {
		return err
	}
	k, err := picture.Keep(raw)
	if err != nil {
		return err
	}
	_, err = s.AddPicture(ctx, store.Picture{CookID: c.ID, Alt: w.seen.alt, Width: k.Width, Height: k.Height}, k.Full, k.Small)
	return err
}

// First gives a new household a middling drawer, of which nothing is measured
// yet, and a dish in it: it begins on an order line that can be said, with its
// race below.
func First(ctx context.Context, s *store.Store) error {
	fryers, err := s.Fryers(ctx)
	if err != nil || len(fryers) > 0 {
		return err
	}
	f, err := s.AddFryer(ctx, store.OwnFryer{Name: "My fryer", Fryer: load.Fryer{Inferred: []string{"basket", "powerW", "dial", "airflow"}}})
	if err != nil {
		return err
	}
	p := store.Plan{Name: "Tonight", FryerID: f.ID}
	asked := prep.Asked{Load: load.FirstLoad, Coat: &load.FirstCoat, Program: load.FirstProgram}.InLots()
	p.Lots.V, p.Bench.V, p.Program.V = asked.Lots, *asked.Bench, asked.Program
	_, err = s.AddPlan(ctx, p)
	return err
}
