package sheet

import (
	"cmp"
	"context"
	"encoding/json"
	"fmt"
	"math"
	"slices"
	"strings"
	"sync"

	"golang.org/x/sync/errgroup"

	"velocrustum/core/baskets"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// Kitchen remembers baskets that it has fried, so that another order or
// another moment is answered at once. It may be used from many goroutines.
type Kitchen struct {
	Pantry prep.Pantry
	Units  units.Household
	mu     sync.Mutex
	fried  map[string]*baskets.Fried
}

// potMin is what a sauce takes of hands before it cooks by itself, minutes.
const potMin = 4.0

// most is how many baskets are remembered.
const most = 2000

// a dealtBasket is some pieces of a dish.
type dealtBasket struct {
	dish   int
	number int // 1 is the first
	pieces int
}

// a readyDish is a dish made ready for the sheet.
type readyDish struct {
	SupperDish
	name    string
	ready   load.Dish
	tasks   [][]prep.BenchTask // by lot
	baskets []dealtBasket
	sauced  bool // something goes on before the table
	sauces  []dressing
	worked  *prep.WorkedDish
	field   string // what a refusal calls it
	// fried are its baskets that were fried for this supper.
	fried map[frying]*baskets.Fried
}

// frying is a basket by what it hangs on: its pieces, the fryer, and what was in it
// before.
type frying struct {
	pieces int
	fryer  string
	after  float64
}

// a dressing is a sauce of a dish, by its id, and whom it is for.
type dressing struct{ id, whom string }

// benchTask is which task of a bench an id is of, and of which lot; "" where it
// is none.
func (d *readyDish) benchTask(id TaskID) (kind string, lot int) {
	for lot, tasks := range d.tasks {
		for _, t := range tasks {
			if t.ID == id.benchTask() {
				return t.Kind, lot
			}
		}
	}
	return "", 0
}

// grilled says whether it is heated from above at any time.
func (d *readyDish) grilled() bool {
	return slices.ContainsFunc(d.ready.Program.Stages, func(st load.Stage) bool { return st.Grill })
}

// prepare works the benches out and says which baskets there are.
func (k *Kitchen) prepare(s *Supper, said []SupperDish) ([]readyDish, error) {
	var out []readyDish
	grains := map[string]float64{} // g, dry
	total := 0
	for i, d := range s.Dishes {
		at := fmt.Sprintf("dishes[%d].request.", slices.IndexFunc(said, func(o SupperDish) bool { return o.ID == d.ID }))
		asked := d.Request
		if d.Bench != nil {
			asked.Bench = d.Bench
		}
		if err := asked.OneDrawer(); err != nil {
			return nil, refuse.Under(at, err)
		}
		if i := slices.IndexFunc(asked.Program.Stages, load.Stage.Elsewhere); i >= 0 {
			return nil, refuse.One(fmt.Sprintf("%sprogram.stages[%d].fryerId", at, i), asked.Program.Stages[i].Other(),
				"the dish's own fryer in a supper: what goes from one fryer to another is cooked by itself")
		}
		dish := asked.Dish()
		dish.Fryer, dish.Units, dish.PerBasket = s.fryer(d.FryerID), k.Units, d.PerBasket
		ready, w, err := k.Pantry.Ready(dish)
		if err != nil {
			return nil, refuse.Under(at, err)
		}
		c := readyDish{SupperDish: d, field: at, name: d.Name, ready: ready, sauced: d.SauceID != "" && pan.WayOf(d.How).On(), worked: w}
		for n := range w.Lots {
			var tasks []prep.BenchTask
			if !d.Prepared {
				tasks = w.Tasks(n, k.Pantry, k.Units)
			}
			c.tasks = append(c.tasks, tasks)
		}
		if d.SauceID != "" {
			c.sauces = append(c.sauces, dressing{id: d.SauceID})
		}
		for n, sauce := range w.Sauces() {
			m := sauce.Made
			if m.MadeG == 0 {
				continue
			}
			of := sauce.Serving.Whole()
			a := SupperSauce{ID: fmt.Sprintf("%s-sauce%d", d.ID, n+1), Name: of.Name, HandsMin: potMin, SimmerMin: round(math.Ceil(2*m.ReadyMin) / 2), HoldsMin: m.WaitMin}
			if *s.Hobs == 0 && of.Sauce.Hot() {
				return nil, refuse.One("hobs", "0 rings", fmt.Sprintf("1 or more: %s is cooked on one", cmp.Or(of.Name, "the sauce")))
			}
			whom := ""
			if sauce.Of != nil {
				whom = w.Lots[*sauce.Of].Lot.Called()
			}
			s.Sauces, c.sauces = append(s.Sauces, a), append(c.sauces, dressing{a.ID, whom})
			if m.GrainG > 0 {
				grains[of.Grain] += m.GrainG
				s.cookGrain(of.Grain, grains[of.Grain], k.Units)
			}
			if pan.WayOf(of.How).On() && !c.sauced {
				c.sauced, c.How = true, of.How
			}
		}
		if c.name == "" {
			c.name = w.Called()
		}
		per := d.PerBasket
		all := ready.Pieces()
		if per == 0 || per > all {
			if per, err = load.Comfortable(ready.Request); err != nil {
				return nil, refuse.Under(at, err)
			}
			n := math.Ceil(float64(all) / float64(per))
			per = int(math.Ceil(float64(all) / n))
		}
		if len(ready.Lots) > 1 {
			per = all // lots in one basket stay together
		}
		for left := all; left > 0; left -= per {
			c.baskets = append(c.baskets, dealtBasket{i, len(c.baskets) + 1, min(per, left)})
		}
		total += len(c.baskets)
		out = append(out, c)
	}
	if total > MaxBaskets {
		return nil, refuse.One("dishes", fmt.Sprintf("%d baskets", total), fmt.Sprintf("up to %d baskets in all", MaxBaskets))
	}
	return out, nil
}

func (s *Supper) fryer(id string) *load.Fryer {
	for _, f := range s.Fryers {
		if f.ID == placeOf(id, 1) || id == "" {
			if f.Fryer == nil {
				return &load.Fryer{}
			}
			return f.Fryer
		}
	}
	return nil
}

// hotStep is what the heat that a basket before left is rounded down to, °C:
// cooler asks for longer.
const hotStep = 20.0

// fry answers for a basket in a fryer, from cold or after another basket whose
// last air was so hot.
func (k *Kitchen) fry(ctx context.Context, s *Supper, c *readyDish, b dealtBasket, fryer string, after float64) (*baskets.Fried, error) {
	of := frying{b.pieces, fryer, hot(after)}
	k.mu.Lock()
	known := c.fried[of]
	k.mu.Unlock()
	if known != nil {
		return known, nil
	}
	got, err := k.fryNew(ctx, s, c, b, fryer, after)
	if err != nil {
		return nil, err
	}
	k.mu.Lock()
	defer k.mu.Unlock()
	if c.fried == nil {
		c.fried = map[frying]*baskets.Fried{}
	}
	c.fried[of] = got
	return got, nil
}

// fryNew is fry of what was not asked for in this supper yet.
func (k *Kitchen) fryNew(ctx context.Context, s *Supper, c *readyDish, b dealtBasket, fryer string, after float64) (*baskets.Fried, error) {
	q := c.ready.Share(b.pieces)
	q.Fryer = s.fryer(fryer)
	if after > 0 {
		q.Program.PreheatMin, q.Program.HotFromC = 0, hot(after)
	}
	q.TailMin = 0
	hold, warm := load.HoldRack, 0.0
	if s.Oven != nil {
		hold, warm = load.HoldWarm, s.Oven.WarmC
	}
	key, err := json.Marshal(struct {
		Q    load.Request
		Hold string
		Warm float64
	}{q, hold, warm})
	if err != nil {
		return nil, err
	}
	k.mu.Lock()
	got := k.fried[string(key)]
	k.mu.Unlock()
	if got != nil {
		return got, nil
	}
	var f baskets.Fried
	if after > 0 {
		cold, coldErr := k.fry(ctx, s, c, b, fryer, 0)
		if coldErr != nil {
			return nil, coldErr
		}
		f, err = baskets.FryHot(ctx, q, hold, warm, cold)
	} else {
		f, err = baskets.Fry(ctx, q, hold, warm)
	}
	if err != nil {
		return nil, refuse.Under(c.field, err)
	}
	k.mu.Lock()
	defer k.mu.Unlock()
	if k.fried == nil || len(k.fried) >= most {
		k.fried = map[string]*baskets.Fried{}
	}
	k.fried[string(key)] = &f
	return &f, nil
}

// lastAir is what a dish leaves its fryer at.
func (c *readyDish) lastAir() float64 {
	st := c.ready.Program.Stages
	return st[len(st)-1].AirC
}

// hot is the heat that a basket finds which goes in after a dish, °C.
func hot(after float64) float64 { return hotStep * math.Floor(after/hotStep) }

// ahead fries all that any order could ask for, on all cores: from cold, then from
// each heat that another dish leaves.
func (k *Kitchen) ahead(ctx context.Context, s *Supper, all []readyDish, where [][]string) error {
	for _, cold := range []bool{true, false} {
		var g errgroup.Group
		for i := range all {
			c := &all[i]
			for _, fryer := range where[i] {
				seen := map[[2]float64]bool{}
				for _, b := range c.baskets {
					afters := []float64{0}
					if !cold {
						afters = k.afters(s, all, where, i, b, fryer)
					}
					for _, after := range afters {
						id := [2]float64{float64(b.pieces), hot(after)}
						if seen[id] {
							continue
						}
						seen[id] = true
						g.Go(func() error {
							_, err := k.fry(ctx, s, c, b, fryer, after)
							return err
						})
					}
				}
			}
		}
		if err := g.Wait(); err != nil {
			return err
		}
	}
	return nil
}

// afters are the heats that a basket of a dish may find in a fryer, of what may have
// gone in before it.
func (k *Kitchen) afters(s *Supper, all []readyDish, where [][]string, dish int, b dealtBasket, fryer string) (out []float64) {
	in := placeOf(fryer, b.number)
	for j := range all {
		shares := slices.ContainsFunc(where[j], func(w string) bool {
			return slices.ContainsFunc(all[j].baskets, func(o dealtBasket) bool { return placeOf(w, o.number) == in })
		})
		if j == dish && len(all[j].baskets) < 2 || !shares {
			continue
		}
		if after := all[j].lastAir(); !slices.ContainsFunc(out, func(o float64) bool { return hot(o) == hot(after) }) {
			out = append(out, after)
		}
	}
	return out
}

// cookGrain adds rice or noodles that lie under a sauce to the sides, where nobody has
// put them there: so many g in all, dry.
func (s *Supper) cookGrain(grain string, g float64, h units.Household) {
	id := "under-" + grain
	if slices.ContainsFunc(s.Sides, func(a Side) bool { return a.ID != id && strings.Contains(strings.ToLower(a.Name), grain) }) {
		return
	}
	s.Sides = slices.DeleteFunc(slices.Clone(s.Sides), func(a Side) bool { return a.ID == id })
	for _, of := range pan.Grains {
		if of.ID == grain {
			s.Sides = append(s.Sides, Side{ID: id, Name: units.Capital(of.Name), HoldsMin: grainHolds, Steps: []SideStep{
				{Says: grainOnSays(of.Name, g, h), Place: OnHob, Minutes: grainMin, Hands: 1},
				{Says: grainBoilsSays(of.Name, of.Boil), Place: OnHob, Minutes: of.Boil},
				{Says: grainRestsSays(of.Name), Place: Board, Minutes: of.Rest},
			}})
		}
	}
}

// grainHolds is how long rice or noodles stay good under a lid, and grainMin what they
// take of hands, minutes.
const grainHolds, grainMin = 20.0, 2.0
