package cook

import (
	"fmt"
	"math/rand/v2"
	"testing"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/run"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// What an evening asks for, minute by minute, is as it was read.
func TestAnEveningIsLedAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	for hands := 1; hands <= 2; hands++ {
		for _, late := range []time.Duration{0, 90 * time.Second} {
			e := night(t, hands)
			asked, end := lead(t, e, func() time.Duration { return late })
			f.Add(t, fmt.Sprint(hands, " hands"), asked)
			f.Addf("ends", "%s", end.Format(time.RFC3339))
			for at := e.Sheet.StartAt; at.Before(end); at = at.Add(10 * time.Minute) {
				f.Add(t, at.Format("15:04"), e.By(at))
			}
		}
	}
	f.Same(t, "evening.txt")
}

// cooksOfAllKinds are cooks that differ in all that their words depend on.
func cooksOfAllKinds() map[string]Live {
	honey := &load.Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 1}}, G: 12}
	turned := plan()
	turned.Quicker, turned.StopsItself = load.AtBack, true
	brushed := plan()
	brushed.Program.Turns = []load.Turn{{AtMin: 8, Kind: load.LookIn}, {AtMin: 12, Kind: load.Flip}, {AtMin: 18, Kind: load.BrushOn, Brush: honey}}
	brushed.Judged, brushed.Pieces, brushed.RestMin, brushed.Drawers = ByProbe, 4, 3, 2
	brushed.Degrees, brushed.Say = units.Fahrenheit, units.Household{Temperature: units.Fahrenheit, Mass: units.Ounce}
	roll := plan()
	roll.Program = load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 16}}, Turns: []load.Turn{{AtMin: 8, Kind: load.Flip}}}
	roll.Seam, roll.Tender, roll.Pieces, roll.Piece, roll.Plural, roll.Judged = true, true, 1, "roll", "rolls", ByHeat
	basket := plan()
	basket.Waits, basket.Judged, basket.Program.PreheatMin = true, ByBite, 0
	basket.Program.Stages = append(basket.Program.Stages, load.Stage{AirC: 200, Minutes: 10, Hold: load.HoldWarm}, load.Stage{AirC: 200, Minutes: 3})
	lots := plan()
	lots.Program.Turns = []load.Turn{{AtMin: 4, Kind: load.PutIn, Lots: []int{1}}, {AtMin: 9, Kind: load.Flip, Lots: []int{0}}, {AtMin: 13, Kind: load.Shake}, {AtMin: 18, Kind: load.TakeOut, Lots: []int{1}}}
	lots.Pieces = 10
	lots.Lots = []LotIn{{Name: "drumsticks", Pieces: 4, Faces: [2]string{"Skin side", "Underside"}, Judged: ByTheBone}, {Name: "potato wedges", Pieces: 6, Judged: ByBite, RestMin: 2}}
	cheese := plan()
	cheese.Judged, cheese.Pieces = ByMelt, 2
	cheese.Program.Stages[0], cheese.Program.Turns = load.Stage{AirC: 190, Minutes: 6, Rest: true}, []load.Turn{{AtMin: 14, Kind: load.LookIn}}
	cheese.Program.Stages = append([]load.Stage{{AirC: 170, Minutes: 4}}, cheese.Program.Stages...)
	return map[string]Live{"turned": turned, "brushed": brushed, "roll": roll, "basket": basket, "lots": lots, "cheese": cheese}
}

// What a cook is asked, told and refused, whatever is said when, is as it was read: each
// walk does what is due about half of the time, and anything else between.
func TestACookIsLedAsItWasRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	rule, _ := safety.For(safety.UK, safety.Poultry, 0)
	known := Known{Rule: rule, SafeBy: ptr(15.0), Likely: func(m float64) float64 { return 5 + 4.5*m }}
	all := cooksOfAllKinds()
	for i, name := range []string{"turned", "brushed", "roll", "basket", "lots", "cheese"} {
		for walk := range 6 {
			l, now := all[name], start
			k := known
			if name == "lots" {
				k.Lots = []Known{known, {Rule: rule, SafeBy: ptr(9.0)}}
			}
			r := rand.New(rand.NewPCG(uint64(i), uint64(walk)))
			for n, ended := 0, 0; n < 24 && ended < 3; n++ {
				if l.over() {
					ended++
				}
				at := fmt.Sprintf("%s %d.%d", name, walk, n)
				s := l.Step(now)
				f.Addf(at, "%s | %s | %s | %s %s %s %v | %s", s.Phase, s.Title, s.Detail, s.Next, s.Action, s.Label, s.MaySkip, s.Until.Format("15:04:05"))
				if a := l.AsksOf(s, k, now); a != nil {
					f.Add(t, at+" asks", a)
				}
				if shown := l.Shown(k, now); shown != nil {
					f.Add(t, at+" shown", shown)
				}
				e := Event{ID: at, Kind: s.Action, At: now, Value: []float64{45, 71, 76}[r.IntN(3)]}
				switch r.IntN(10) {
				case 0, 1, 2, 3:
					if s.Until.After(now) {
						now = s.Until
					}
				case 4:
					e.Kind = Skip
				default:
					e.Kind = Kinds[r.IntN(len(Kinds))]
					e.Lot = r.IntN(max(1, len(l.Lots)))
					switch e.Kind {
					case More:
						e.Value = float64(r.IntN(5))
					case Set:
						e.Value = float64(150 + 10*r.IntN(6))
					case Look:
						e.Value, e.Where = float64(r.IntN(5)), []string{"", load.AtBack, load.AtFront}[r.IntN(3)]
					case LeftIn:
						e.Probe = "probe 1"
					}
				}
				if e.Kind == "" {
					e.Kind, e.Value = More, 2
				}
				events, err := l.Add(e)
				if err != nil {
					f.Addf(at+" no", "%s: %v", e.Kind, err)
				} else {
					l.Events = events
					f.Addf(at+" said", "%s: %s", e.Kind, l.Words(e))
				}
				stages := ""
				for _, st := range l.By(now).Stages {
					stages += fmt.Sprintf(" %g for %.4g %s", st.AirC, st.Minutes, st.Hold)
				}
				f.Addf(at+" is", "%.4g over, dial %g, end %.4g:%s", l.Overdue(now), l.DialC(now), l.EndMin(), stages)
				now = now.Add(time.Duration(20+r.IntN(200)) * time.Second)
			}
			f.Add(t, fmt.Sprint(name, walk, " was"), l.Actual())
			for _, crust := range []string{"", CrustPale, CrustHard, "as-i-like-it"} {
				f.Add(t, fmt.Sprint(name, walk, " next ", crust), l.NextTime(crust, walk == 1, ptr(14.0), nil))
			}
			for lot := range l.Lots {
				at, out := l.LotOutAt(lot)
				f.Addf(fmt.Sprint(name, walk, " lot ", lot), "%s %v", at.Format("15:04:05"), out)
			}
		}
	}
	line := []run.Moment{{Minute: 0, JuicePct: 100}, {Minute: 20, JuicePct: 80}, {Minute: 24, JuicePct: 72, Faces: [2]run.Face{{Brown: 2.4, Crust: 70}, {Brown: 2, Crust: 75}}}, {Minute: 30, JuicePct: 60, Faces: [2]run.Face{{Brown: 3, Crust: 90}, {Brown: 2.7, Crust: 85}}}}
	l := plan()
	for _, over := range []float64{0.5, 1, 1.5, 3, 7.5} {
		f.Addf(fmt.Sprint("overdue ", over), "%s", l.OverdueSays(line, over))
	}
	for _, n := range []int{1, 2, 12, 13} {
		f.Addf(fmt.Sprint("come ", n), "%s", ComeSays(n))
	}
	for _, names := range [][]string{nil, {"Wings"}, {"Wings", "Slaw"}} {
		f.Addf("stay", "%s", StaysSays(names))
	}
	for _, waited := range []float64{0, 0.9, 1, 12} {
		for _, warm := range []float64{0, 80} {
			f.Addf("plate", "%s", PlateSays(71.8, "crisp", 73.6, waited, warm, waited > 1, units.Household{}))
		}
	}
	for _, c := range []float64{0, 4, 40, 90} {
		f.Addf("plausible", "%v", PlausibleC(c))
	}
	for _, more := range []float64{0, 0.4, 1, 3, 12, 40} {
		minutes, says := l.Beyond(&belief.Foreseen{AtMin: 18, MoreMin: &more})
		f.Addf("beyond", "%g %s", minutes, says)
	}
	f.Same(t, "cook.txt")
}

// An evening in which something is said at random, in time, late or not at all, goes on as
// it was read.
func TestEveningsGoOnAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for walk := range 6 {
		e := night(t, 1+walk%2)
		r := rand.New(rand.NewPCG(5, uint64(walk)))
		now := e.Sheet.StartAt.Add(time.Duration(r.IntN(600)-300) * time.Second)
		for n, ended := 0, 0; n < 70 && ended < 2; n++ {
			at := fmt.Sprintf("%d.%d", walk, n)
			c := e.By(now)
			f.Addf(at, "%s table %s, %g late: %s", now.Format("15:04:05"), c.ServeAt.Format("15:04:05"), c.LateMin, c.Says)
			for _, d := range c.Now {
				f.Addf(at+" now", "%s %s: %s | %s | until %s", d.ID, d.State, d.Title, d.Detail, d.Until.Format("15:04:05"))
				if d.Asks != nil {
					f.Add(t, at+" asks", d.Asks)
				}
			}
			for _, d := range c.Next {
				f.Addf(at+" next", "%s %s %s", d.ID, d.State, d.Start.Format("15:04:05"))
			}
			if c.Over {
				ended++
			}
			b := e.Baskets[r.IntN(len(e.Baskets))]
			ofBasket := func(of *LedBasket, kind string, value float64) {
				events, err := of.Add(Event{ID: at, Kind: kind, Value: value, At: now})
				if f.Addf(at+" said", "%s of %s: %v", kind, of.Key(), err); err == nil {
					of.Live.Events = events
				}
			}
			ofEvening := func(s Said) {
				s.ID, s.At = at, now
				said, err := e.Add(s)
				if f.Addf(at+" said", "%s of %s: %v", s.Kind, s.Task, err); err == nil {
					e.Said = said
				}
			}
			switch k := r.IntN(20); {
			case k < 12 && len(c.Now) > 0:
				d := c.Now[r.IntN(len(c.Now))]
				if d.Of == "" {
					ofEvening(Said{Kind: d.Action, Task: d.ID})
					break
				}
				for _, of := range e.Baskets {
					if of.Key() == d.Of {
						ofBasket(of, d.Action, 0)
					}
				}
			case k == 13:
				ofEvening(Said{Kind: Skip, Task: e.Sheet.Tasks[r.IntN(len(e.Sheet.Tasks))].ID})
			case k == 14:
				ofEvening(Said{Kind: Come, People: r.IntN(6)})
			case k == 15:
				ofBasket(b, More, float64(r.IntN(4)))
				f.Addf(at+" costs", "%s", e.Costs(b, 4, now))
			case k == 16:
				ofBasket(b, Probe, []float64{50, 72, 79}[r.IntN(3)])
			case k == 17:
				ofBasket(b, Kinds[r.IntN(len(Kinds))], 1)
			case k == 18 && len(e.Said) > 0:
				e.Said = e.Said[:len(e.Said)-1]
			}
			now = now.Add(time.Duration(r.IntN(200)) * time.Second)
		}
		for _, dish := range []string{"wings", "cutlets"} {
			served, flashed := e.Served(dish)
			f.Addf(fmt.Sprint(walk, dish), "begun %v, served %s %v", e.Begun(dish), served.Format("15:04:05"), flashed)
		}
	}
	f.Same(t, "evenings.txt")
}
