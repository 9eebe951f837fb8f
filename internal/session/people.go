package session

import (
	"context"
	"fmt"
	"slices"

	"velocrustum/core/cook"
	"velocrustum/core/refuse"
	"velocrustum/core/sheet"
	"velocrustum/internal/store"
)

// relay lays a supper anew for as many as are now said to come. What was begun stays as
// it is, in its fryer, with its baskets and what was said of them. The error is
// refuse.Fields where that cannot be, or the store's.
func (s *Sessions) relay(ctx context.Context, e store.EveningLed, led *LedEvening) error {
	people := e.Comes()
	if people == 0 {
		return refuse.One("people", fmt.Sprint(e.Said[len(e.Said)-1].People), "a supper's; dishes that were begun at once are for as many as they were")
	}
	plan := e.Plan.V
	in, err := s.forAsMany(ctx, plan, people)
	if err != nil {
		return err
	}
	laidFor := map[string]int{}
	for i := range in.Dishes {
		d := &in.Dishes[i]
		if !led.Begun(d.ID) {
			laidFor[d.ID] = people
			continue
		}
		if laidFor[d.ID] = plan.For[d.ID]; laidFor[d.ID] == 0 {
			delete(laidFor, d.ID)
		}
		before, err := s.forAsMany(ctx, plan, plan.For[d.ID])
		if err != nil {
			return err
		}
		if k := slices.IndexFunc(before.Dishes, func(o sheet.SupperDish) bool { return o.ID == d.ID }); k >= 0 {
			*d = before.Dishes[k]
			stays(d, led)
		}
	}
	// A dish that is dealt anew has other baskets: what was held to a moment there is not.
	in.Pins = slices.DeleteFunc(slices.Clone(in.Pins), func(p sheet.Pin) bool {
		i := slices.IndexFunc(e.Sheet.V.Tasks, func(t sheet.Task) bool { return t.ID == p.Task })
		return i < 0 || laidFor[e.Sheet.V.Tasks[i].Dish] == people
	})
	next, err := s.laid(ctx, in)
	if err != nil {
		return err
	}
	for key, c := range led.Cooks {
		if !led.Begun(c.DishID) {
			continue
		}
		i := slices.IndexFunc(next.Cooks, func(o store.Cook) bool {
			return o.DishID == c.DishID && o.Basket == c.Basket && o.Baskets == c.Baskets && o.Fryer.V.ID == c.Fryer.V.ID && o.Plan.V.Pieces() == c.Plan.V.Pieces()
		})
		if i < 0 {
			return refuse.One("people", fmt.Sprint(people), fmt.Sprintf("as many as before: %s is begun, and would have to be dealt anew", key))
		}
		next.Cooks[i] = c
	}
	plan.For = laidFor
	e.Sheet, e.Plan, e.Cooks = next.Sheet, &store.JSON[store.EveningPlan]{V: plan}, next.Cooks
	return s.Store.Relay(ctx, e)
}

// forAsMany is a supper as it was begun, for so many; 0 is as it was.
func (s *Sessions) forAsMany(ctx context.Context, plan store.EveningPlan, people int) (sheet.Supper, error) {
	e := plan.SupperPlan
	if people > 0 && people != e.People {
		if !e.Scaled { // amounts as they are were for those who were to come
			e.MadeFor = e.Come()
		}
		e.People = people
	}
	return s.Supper(ctx, e)
}

// stays keeps a dish that was begun where it is.
func stays(d *sheet.SupperDish, led *LedEvening) {
	places := map[string]string{}
	for _, c := range led.Cooks {
		if c.DishID == d.ID {
			places[c.Fryer.V.ID] = c.Fryer.V.Drawer
		}
	}
	if len(places) == 1 {
		for id, drawer := range places {
			d.FryerID, d.Drawer = sheet.FryerOf(id), drawer
		}
	}
	flashed := slices.ContainsFunc(led.Sheet.Tasks, func(t sheet.Task) bool { return t.Dish == d.ID && t.Kind == sheet.Flash })
	d.Flash = &flashed
}

// Comes says for how many a table is, 0 where nobody said, and what was begun for
// another number, in words.
func Comes(e store.EveningLed, led *LedEvening) (people int, stays string) {
	people = e.Comes()
	if people == 0 {
		return 0, ""
	}
	var names []string
	for _, b := range led.Baskets {
		of := e.Plan.V.For[b.Dish]
		if of == 0 {
			of = e.Plan.V.People
		}
		if name := led.Cooks[b.Key()].Name; of != people && !slices.Contains(names, name) {
			names = append(names, name)
		}
	}
	return people, cook.StaysSays(names)
}
