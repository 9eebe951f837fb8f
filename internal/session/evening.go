package session

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"sync"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/sheet"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

// BeginEvening begins a kept supper; soon, for a table as early as it can be.
// The error is refuse.Fields, or the store's.
func (s *Sessions) BeginEvening(ctx context.Context, supperID string, soon bool) (store.EveningLed, error) {
	own, err := s.Store.Supper(ctx, supperID)
	if errors.Is(err, store.ErrNotFound) {
		return store.EveningLed{}, refuse.One("supperId", supperID, "one of your suppers")
	} else if err != nil {
		return store.EveningLed{}, err
	}
	return s.begin(ctx, own, soon)
}

// BeginDishes begins kept dishes at once, as soon as they can be on the table: all
// that comes before the basket was done. The error is refuse.Fields, or the
// store's.
func (s *Sessions) BeginDishes(ctx context.Context, planIDs []string) (store.EveningLed, error) {
	own := store.Supper{Evening: store.SupperPlan{ServeAt: s.Clock.Now(), People: 1, Hands: 1, Hobs: 4}}
	var names []string
	for i, id := range planIDs {
		p, err := s.Store.Plan(ctx, id)
		if errors.Is(err, store.ErrNotFound) {
			return store.EveningLed{}, refuse.One(fmt.Sprintf("planIds[%d]", i), id, "one of your dishes")
		} else if err != nil {
			return store.EveningLed{}, err
		}
		names = append(names, p.Name)
		own.Evening.Dishes = append(own.Evening.Dishes, store.DishOfSupper{PlanID: id, Prepared: true})
	}
	own.Name = units.List(names)
	return s.begin(ctx, own, true)
}

// begin begins a supper, kept or not.
func (s *Sessions) begin(ctx context.Context, own store.Supper, soon bool) (store.EveningLed, error) {
	if err := s.believeClock(ctx); err != nil {
		return store.EveningLed{}, err
	}
	now := s.Clock.Now()
	e := own.Evening
	e.Earliest = &now
	if soon || e.ServeAt.Before(now) {
		asked := e.ServeAt
		e.ServeAt, e.Pins, e.Away = now.In(asked.Location()).Truncate(time.Minute).Add(time.Minute), nil, nil
		e.Tables = slices.Clone(e.Tables)
		for i := range e.Tables { // each as long before or after the others as it was
			e.Tables[i].At = e.Tables[i].At.Add(e.ServeAt.Sub(asked))
		}
	}
	in, err := s.Supper(ctx, e)
	if err != nil {
		return store.EveningLed{}, err
	}
	led, err := s.laid(ctx, in)
	if err != nil {
		return led, err
	}
	led.Name = own.Name
	if own.ID != "" {
		led.SupperID, led.Plan = &own.ID, &store.JSON[store.EveningPlan]{V: store.EveningPlan{SupperPlan: e}}
	}
	led.StartedAt = store.Time{Time: now}
	if led, err = s.Store.BeginEvening(ctx, led); err != nil {
		return led, err
	}
	s.Tell()
	return led, nil
}

// laid is a supper's sheet with its baskets as cooks.
func (s *Sessions) laid(ctx context.Context, in sheet.Supper) (out store.EveningLed, err error) {
	ctx, leave, err := s.Places.Take(ctx)
	if err != nil {
		return out, err
	}
	defer leave()
	k, err := s.Kitchen(ctx)
	if err != nil {
		return out, err
	}
	got, led, err := k.PlanBaskets(ctx, in)
	if err != nil {
		return out, err
	}
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return out, err
	}
	pantry, _, err := s.Pantry(ctx)
	if err != nil {
		return out, err
	}
	out = store.EveningLed{Hands: max(1, in.Hands)}
	out.Sheet.V = got
	for _, l := range led {
		p, err := s.Store.Plan(ctx, sheet.DishOf(l.Dish))
		if err != nil {
			return out, err
		}
		f, err := s.Store.Fryer(ctx, sheet.FryerOf(l.FryerID))
		if err != nil {
			return out, err
		}
		p.FryerID, p.PerBasket, p.SecondFryerID = f.ID, nil, nil
		if drawer := l.Request.Fryer.Drawer; drawer != "" {
			f = inDrawer(f, drawer)
		}
		p.GoesInAs(l.Request)
		c := store.Cook{PlanID: &p.ID, Name: nameOf(in, l.Dish), DishID: l.Dish, Guidance: set.Guidance, GuidanceC: set.GuidanceC, Likes: store.JSON[load.Likes]{V: set.Likes()}, Basket: l.Basket, Baskets: l.Of}
		c.StartedAt.Time = got.StartAt
		c.Plan.V, c.Fryer.V = p, f
		q := c.Request(set.Units())
		q.Larder = pantry
		if c.Planned.V, err = verdict.Simulate(ctx, q, verdict.Options{}); err != nil {
			return out, err
		}
		c.Forecast = c.Planned
		out.Cooks = append(out.Cooks, c)
	}
	return out, nil
}

// nameOf is what a dish of a supper is called.
func nameOf(in sheet.Supper, dish string) string {
	i := slices.IndexFunc(in.Dishes, func(d sheet.SupperDish) bool { return d.ID == dish })
	if i < 0 {
		return ""
	}
	return in.Dishes[i].Name
}

// inDrawer is one drawer of a fryer with two, as a place of its own.
func inDrawer(f store.OwnFryer, drawer string) store.OwnFryer {
	f.ID, f.Name, f.Fryer = sheet.DrawerOf(f.ID, drawer), sheet.DrawerName(f.Name, drawer), *f.Fryer.In(drawer)
	return f
}

// An LedEvening is a supper as the core leads it, with each basket's cook by its
// key, and what is foreseen of it.
type LedEvening struct {
	cook.Evening
	Cooks    map[string]store.Cook
	Outlooks map[string]*Outlook
}

// foodOf is what lies in the basket of a cook: the plurals of its cuts.
func foodOf(c store.Cook) string {
	var names []string
	for _, lot := range c.Plan.V.Lots.V {
		if cut, err := food.FindCut(lot.Load.Cut); err == nil && !slices.Contains(names, cut.Plural) {
			names = append(names, cut.Plural)
		}
	}
	return units.List(names)
}

// LeadEvening puts a kept supper together as the core leads it.
func (s *Sessions) LeadEvening(ctx context.Context, e store.EveningLed) (*LedEvening, error) {
	out := &LedEvening{cook.Evening{Sheet: e.Sheet.V, Hands: e.Hands, Said: e.Said, Names: map[string]string{sheet.OnHob: "the hob", sheet.InOven: "the oven", sheet.Fridge: "the fridge", sheet.Board: "the board", sheet.None: "the hands"}},
		map[string]store.Cook{}, map[string]*Outlook{}}
	cuts := map[string]map[string]bool{}
	for _, c := range e.Cooks {
		of := foodOf(c)
		if cuts[of] == nil {
			cuts[of] = map[string]bool{}
		}
		cuts[of][c.DishID] = true
		out.Names[c.Fryer.V.ID] = c.Fryer.V.Name
	}
	for _, f := range e.Sheet.V.Fryers {
		if _, fries := out.Names[f.ID]; fries && f.Name != "" {
			out.Names[f.ID] = f.Name // a drawer by its side first
		}
	}
	for _, c := range e.Cooks {
		l, err := s.Live(ctx, c)
		if err != nil {
			return out, err
		}
		name := c.Name
		if of := foodOf(c); len(cuts[of]) == 1 {
			name = units.Capital(of)
		}
		if c.Baskets > 1 {
			name += fmt.Sprintf(" %d", c.Basket)
		}
		b := &cook.LedBasket{Live: l, Dish: c.DishID, Number: c.Basket, Of: c.Baskets, Name: name, FryerID: c.Fryer.V.ID}
		seen, err := s.Outlook(ctx, c, l)
		if err != nil {
			return out, err
		}
		b.Foreseen = seen != nil
		if b.Known, err = s.Known(ctx, c, l); err != nil {
			return out, err
		}
		out.Cooks[b.Key()], out.Outlooks[b.Key()] = c, seen
		out.Baskets = append(out.Baskets, b)
	}
	return out, nil
}

// Renewed is a kept supper with the forecasts of what has happened by now.
func (s *Sessions) Renewed(ctx context.Context, e store.EveningLed) (store.EveningLed, error) {
	e.Cooks = append([]store.Cook(nil), e.Cooks...)
	for i := range e.Cooks {
		c := &e.Cooks[i]
		if c.FinishedAt != nil {
			continue
		}
		l, err := s.Live(ctx, *c)
		if err != nil {
			return e, err
		}
		if err := s.renew(ctx, c, l); err != nil {
			return e, err
		}
	}
	return e, nil
}

// SayOfEvening keeps what a device said of a supper, once. tapped is when, where
// it was sent late. The error is refuse.Fields, or the store's.
func (s *Sessions) SayOfEvening(ctx context.Context, id string, said cook.Said, tapped *time.Time) error {
	defer s.changing.hold(id)()
	e, err := s.Store.EveningLed(ctx, id)
	if err != nil {
		return err
	}
	said.At = s.Clock.Now()
	if tapped != nil && tapped.Before(said.At) {
		said.At = latest(tapped.UTC(), e.StartedAt.Time) // not before it began
	}
	if said.ID != "" {
		if before, err := s.Store.SaidOf(ctx, id, said.ID); err != nil || before {
			return err
		}
	}
	led, err := s.LeadEvening(ctx, e)
	if err != nil {
		return err
	}
	all, err := led.Add(said)
	if err != nil || len(all) == len(e.Said) {
		return err
	}
	if said.Kind == cook.Come {
		e.Said = all
		if err := s.relay(ctx, e, led); err != nil {
			return err
		}
	}
	if err := s.Store.SayOf(ctx, id, said); err != nil {
		return err
	}
	return s.settle(ctx, id, said.At)
}

func latest(a, b time.Time) time.Time {
	if b.After(a) {
		return b
	}
	return a
}

// RevokeOfEvening takes one thing said of a supper back. The error is the
// store's.
func (s *Sessions) RevokeOfEvening(ctx context.Context, id, event string) error {
	defer s.changing.hold(id)()
	e, err := s.Store.EveningLed(ctx, id)
	if err != nil {
		return err
	}
	if i := slices.IndexFunc(e.Said, func(o cook.Said) bool { return o.ID == event }); i >= 0 && e.Said[i].Kind == cook.Come {
		led, err := s.LeadEvening(ctx, e)
		if err != nil {
			return err
		}
		e.Said = slices.Delete(slices.Clone(e.Said), i, i+1)
		if err := s.relay(ctx, e, led); err != nil {
			return err
		}
	}
	if err := s.Store.RevokeOf(ctx, id, event); err != nil {
		return err
	}
	return s.settle(ctx, id, s.Clock.Now())
}

// settle keeps whether a supper is over, after something was said of it or of
// one of its baskets, and tells of it.
func (s *Sessions) settle(ctx context.Context, id string, at time.Time) error {
	defer s.Tell()
	e, err := s.Store.EveningLed(ctx, id)
	if errors.Is(err, store.ErrNotFound) {
		return nil // one dish cooked alone
	} else if err != nil {
		return err
	}
	led, err := s.LeadEvening(ctx, e)
	if err != nil {
		return err
	}
	var over *time.Time
	if led.Over() {
		over = &at
	}
	if (over == nil) == (e.FinishedAt == nil) {
		return nil
	}
	return s.Store.Settle(ctx, e, over)
}

// current is the supper that goes on, kept as long as nothing is said.
type current struct {
	mu      sync.Mutex
	seq     int64
	known   bool
	evening *store.EveningLed
}

// LiveEvening is the supper that is led through; nil without one.
func (s *Sessions) LiveEvening(ctx context.Context) (*store.EveningLed, error) {
	seq, err := s.Store.LastSeq(ctx)
	if err != nil {
		return nil, err
	}
	o := &s.current
	o.mu.Lock()
	defer o.mu.Unlock()
	if o.known && o.seq == seq {
		return o.evening, nil
	}
	e, err := s.Store.LiveEvening(ctx)
	switch {
	case errors.Is(err, store.ErrNotFound):
		o.evening = nil
	case err != nil:
		return nil, err
	default:
		o.evening = &e
		// What was read is not later than now, also after a clock was put back.
		read, err := s.Store.Probes(ctx, e.StartedAt.Time)
		if err != nil {
			return nil, err
		}
		for _, p := range read {
			s.Clock.NotBefore(p.At.Time)
		}
	}
	o.seq, o.known = seq, true
	return o.evening, nil
}

// GoingOn is what is cooked now: a supper, or cooks, each in a place of its own,
// with the forecast of what has happened. The clock is not before any of it.
func (s *Sessions) GoingOn(ctx context.Context) (*store.EveningLed, []store.Cook, error) {
	e, err := s.LiveEvening(ctx)
	if err != nil {
		return nil, nil, err
	}
	if e != nil {
		s.Clock.NotBefore(e.StartedAt.Time)
		for _, o := range e.Said {
			s.Clock.NotBefore(o.At)
		}
		for _, c := range e.Cooks {
			for _, o := range c.Events {
				s.Clock.NotBefore(o.At)
			}
		}
		return e, nil, nil
	}
	cooks, err := s.Store.LiveCooks(ctx)
	if err != nil {
		return nil, nil, err
	}
	if len(cooks) == 0 {
		s.Clock.Believe()
	}
	for i := range cooks {
		c := &cooks[i]
		s.Clock.NotBefore(c.StartedAt.Time)
		if n := len(c.Events); n > 0 {
			s.Clock.NotBefore(c.Events[n-1].At)
		}
		l, err := s.Live(ctx, *c)
		if err != nil {
			return nil, nil, err
		}
		if err := s.renew(ctx, c, l); err != nil {
			return nil, nil, err
		}
	}
	return nil, cooks, nil
}
