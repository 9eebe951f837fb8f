package verdict

import (
	"fmt"
	"slices"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
)

// What is said of loads that have something wrong with them, each of its own, and of some
// that have nothing, is as it was read.
func TestVerdictsAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var read goldentest.File
	of := func(cut string, pieces int, g float64, coat string, oil, airC, minutes float64, turns ...load.Turn) load.Request {
		return load.Request{Load: load.Pieces{Cut: cut, Pieces: pieces, PieceMassG: g, Surface: "wiped"}, Coat: &load.Covering{ID: coat, OilG: oil},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: airC, Minutes: minutes}}, Turns: turns}}
	}
	turn := func(at float64, kind string) load.Turn { return load.Turn{AtMin: at, Kind: kind} }
	with := func(q load.Request, change func(q *load.Request)) load.Request {
		q.Program.Stages, q.Program.Turns, q.Lots = slices.Clone(q.Program.Stages), slices.Clone(q.Program.Turns), slices.Clone(q.Lots)
		change(&q)
		return q
	}
	lots := func(turns []load.Turn, each ...load.LotRequest) load.Request {
		return load.Request{Lots: each, Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 22}}, Turns: turns}}
	}
	lot := func(q load.Request, name string) load.LotRequest {
		return load.LotRequest{Name: name, Load: q.Load, Coat: q.Coat}
	}
	under := func(what string) func(q *load.Request) { return func(q *load.Request) { q.Load.Under = what } }
	frozen := func(q *load.Request) { q.Load.StartC = new(-18.0) }
	legs, wings, fish := of("chicken-drumstick", 5, 110, "oil-rub", 5, 190, 26, turn(13, load.Flip)), loadtest.DozenWings(), of("fish-fillet-white", 3, 130, "three-bowl-crumb", 8, 195, 14, turn(8, load.Flip))
	chips := with(of("potato-stick", 60, 7, "bare", 0, 200, 18, turn(9, load.Shake)), func(q *load.Request) { q.Load.State = "par-fried"; q.Load.Inside = "cooked"; frozen(q) })
	for n, q := range []load.Request{
		legs, wings, fish, chips,
		// Too short, too long, too hot, too full, pale.
		of("chicken-drumstick", 5, 110, "oil-rub", 5, 190, 12), of("chicken-breast-cutlet", 2, 130, "bare", 0, 200, 30), of("chicken-wing-flat", 10, 42, "bare", 2, 120, 40),
		with(wings, func(q *load.Request) { q.Load.Pieces = 26 }), with(wings, func(q *load.Request) { q.Load.Pieces = 40 }),
		// From the freezer, in lumps, parted or not; what is not to be.
		with(legs, frozen), with(chips, func(q *load.Request) { q.Load.Clump = 4 }), with(chips, func(q *load.Request) { q.Load.Clump = 3; q.Program.Turns = nil }),
		with(chips, func(q *load.Request) { q.Load.Clump = 2; q.Program.Turns[0].AtMin = 3 }),
		with(of("patty", 4, 180, "bare", 0, 190, 18), frozen), with(of("chicken-leg-quarter", 2, 320, "oil-rub", 4, 180, 45), frozen), with(of("chicken-wing-stuffed", 5, 110, "bare", 0, 180, 30), frozen),
		with(fish, func(q *load.Request) { frozen(q); q.Load.GlazePct = 8 }),
		// Cooked before.
		with(legs, func(q *load.Request) { q.Load.State = "cooked"; q.Program.Stages[0].Minutes = 15 }),
		// Fat that smokes, sugar that burns, flour without oil, a wet coat on a grate, wet pieces.
		of("pork-belly-slice", 8, 45, "bare", 0, 200, 20, turn(10, load.Flip)), with(wings, func(q *load.Request) { q.Coat = &load.Covering{ID: "starch-dust", OilG: 4, SugarPct: 8} }),
		of("chicken-thigh-chunk", 14, 25, "starch-dust", 0, 195, 14), of("fish-fillet-white", 3, 130, "paste", 6, 195, 14, turn(8, load.Flip)), with(wings, func(q *load.Request) { q.Load.Surface = "wet" }),
		of("chicken-breast-cutlet", 2, 130, "three-bowl-crumb", 1, 190, 14), with(of("chicken-wing-flat", 10, 42, "bare", 2, 195, 22), func(q *load.Request) { q.Load.Surface = "wet" }),
		with(of("chicken-wing-flat", 10, 42, "bare", 2, 180, 19, turn(10, load.Flip)), func(q *load.Request) { q.Coat.SugarPct = 1.5 }), with(of("chicken-wing-flat", 10, 42, "bare", 2, 180, 22, turn(10, load.Flip)), func(q *load.Request) { q.Coat.SugarPct = 2.5 }),
		// Under the food.
		with(fish, under(load.Perforated)), with(fish, under(load.HalfSheet)), with(fish, under(load.Foil)), with(fish, under(load.Greased)),
		// A soft coat turned too soon.
		of("fish-strip", 8, 36, "three-bowl-crumb", 6, 190, 12, turn(1, load.Flip)), of("squid-ring", 14, 12, "starch-dust", 5, 200, 9, turn(1.5, load.Shake)),
		// What melts, what splits, what is only heated.
		of("cheese-stick", 8, 28, "three-bowl-crumb", 4, 200, 12), of("sausage", 6, 80, "bare", 0, 190, 18), of("tofu-cube", 24, 8.5, "starch-dust", 6, 195, 16, turn(8, load.Shake)), of("filled-roll", 6, 60, "bare", 4, 190, 16),
		// Thick, unmeasured, by a ruler.
		with(of("chicken-breast-whole", 2, 240, "bare", 3, 180, 30, turn(15, load.Flip)), func(q *load.Request) { q.Load.ThicknessMm = new(42.0) }), of("turkey-drumstick", 2, 450, "oil-rub", 4, 170, 60, turn(30, load.Flip)),
		// A rest, a hold, another stage.
		with(legs, func(q *load.Request) {
			q.Program.Stages = append(q.Program.Stages, load.Stage{AirC: 200, Minutes: 4, Rest: true}, load.Stage{AirC: 200, Minutes: 5})
		}),
		with(wings, func(q *load.Request) {
			q.Program.Stages = append(q.Program.Stages, load.Stage{AirC: 200, Minutes: 60, Hold: load.HoldBowl})
		}),
		with(wings, func(q *load.Request) {
			q.Program.Stages = append(q.Program.Stages, load.Stage{AirC: 200, Minutes: 40, Hold: load.HoldWarm, HoldC: new(70.0)})
		}),
		// Lots that are ready apart, one that comes out sooner, two alike.
		lots([]load.Turn{turn(11, load.Flip)}, lot(legs, "Legs"), lot(of("prawn", 8, 18, "starch-dust", 2, 0, 0), "Prawns")),
		with(lots(nil, lot(legs, "Legs"), lot(fish, "")), func(q *load.Request) { q.Lots[1].InMin = 6; q.Lots[0].OutMin = new(20.0) }),
		lots([]load.Turn{turn(9, load.Shake)}, lot(wings, ""), lot(wings, "")),
		// Rules of others.
		with(legs, func(q *load.Request) { q.Guidance = "uk" }), with(fish, func(q *load.Request) { q.Guidance = "stricter"; q.GuidanceC = 75 }), with(wings, func(q *load.Request) { q.CrustWanted = new(90.0) }),
		with(legs, func(q *load.Request) { q.Likes = load.Likes{CrustMore: 12, BrowningMore: 0.4} }),
		// Fryers: two drawers, an oven of two trays, a rack, a weak one, high up.
		with(wings, func(q *load.Request) { q.Fryer = &load.Fryer{Drawers: 2, PowerW: new(2400.0)}; q.Load.Pieces = 24 }),
		with(wings, func(q *load.Request) {
			q.Fryer = &load.Fryer{Kind: "oven", Trays: 2, PowerW: new(1800.0)}
			q.Load.Pieces = 24
		}),
		with(wings, func(q *load.Request) { q.Fryer = &load.Fryer{Rack: true}; q.Load.Pieces = 20 }),
		with(legs, func(q *load.Request) { q.Fryer = &load.Fryer{PowerW: new(900.0), DialOffsetC: -12, AboveSeaM: 1800} }),
	} {
		a, err := Simulate(t.Context(), q, Options{NoChance: n%3 > 0}) // a third of them over all loads
		name := fmt.Sprintf("%02d", n)
		if err != nil {
			read.Addf(name, "%v", err)
			continue
		}
		read.Add(t, name+" says", a.Verdict)
		read.Add(t, name+" warns", a.Warnings)
		read.Add(t, name+" window", a.Window)
		read.Add(t, name+" chance", a.Chance)
		read.Add(t, name+" ends", a.End)
		read.Add(t, name+" basket", []any{a.Rule, a.Piece, a.Coverage, a.Layers})
	}
	for _, start := range []float64{0, 6} {
		a := ofDrawers(t, thighsAndWedges(1500, start), Options{})
		read.Add(t, fmt.Sprint("drawers ", start), []any{a.Verdict, a.PlugSays, a.Warnings, a.Window, a.End})
		for i, m := range a.Plug {
			read.Addf(fmt.Sprint("drawers ", start, " plug ", i), "%.2f %.4v", m.Minute, m.W)
		}
		for _, c := range a.Chambers {
			read.Add(t, fmt.Sprint("drawers ", start, " each"), []any{c.Verdict, c.Window, c.End, c.Warnings})
		}
	}
	read.Same(t, "verdicts.txt")
}
