package session

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/sheet"
	"velocrustum/core/verdict"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
)

// StartCook begins one basket of a dish, the first or a later one; a later one
// in the session of the first, if that is given. The error is refuse.Fields, or
// the store's.
func (s *Sessions) StartCook(ctx context.Context, planID string, basket int, session *string) (store.Cook, error) {
	p, err := s.Store.Plan(ctx, planID)
	if err != nil {
		return store.Cook{}, err
	}
	f, err := s.Store.Fryer(ctx, p.FryerID)
	if err != nil {
		return store.Cook{}, err
	}
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return store.Cook{}, err
	}
	if err := s.believeClock(ctx); err != nil {
		return store.Cook{}, err
	}
	c := store.Cook{PlanID: &p.ID, Name: p.Name, Guidance: set.Guidance, GuidanceC: set.GuidanceC, Likes: store.JSON[load.Likes]{V: set.Likes()}, StartedAt: store.Time{Time: s.Clock.Now()}}
	if c.Basket, c.Baskets, err = s.narrow(ctx, &p, &f, basket); err != nil {
		return c, err
	}
	if session != nil {
		c.SessionID = *session
		cooked, err := s.Store.InSession(ctx, c.SessionID, p.ID)
		if errors.Is(err, store.ErrNotFound) {
			return c, refuse.One("session", c.SessionID, "a session in which a basket of this dish was cooked")
		} else if err != nil {
			return c, err
		}
		if slices.Contains(cooked, c.Basket) {
			return c, refuse.One("basket", fmt.Sprint(c.Basket), "one that was not cooked yet in this session")
		}
	}
	c.Plan.V, c.Fryer.V = p, f
	q := c.Request(set.Units())
	if q.Larder, _, err = s.Pantry(ctx); err != nil {
		return c, err
	}
	if c.Planned.V, err = verdict.Simulate(ctx, q, verdict.Options{}); err != nil {
		return c, err
	}
	c.Forecast = c.Planned
	if c, err = s.Store.AddCook(ctx, c); err != nil {
		return c, err
	}
	s.Tell()
	return c, nil
}

// narrow makes of a dish and its fryer one basketful, as it goes into the
// basket, and returns which of how many it is.
func (s *Sessions) narrow(ctx context.Context, p *store.Plan, f *store.OwnFryer, which int) (n, of int, err error) {
	d, err := s.Ready(ctx, household.OrderOf(*p))
	if err != nil {
		return 0, 0, err
	}
	p.GoesInAs(d.Request)
	if p.Drawer != nil {
		*f = inDrawer(*f, *p.Drawer)
	}
	if household.GoesInAtOnce(*p) {
		if which != 1 {
			return 0, 0, refuse.One("basket", fmt.Sprint(which), "1: this dish goes in all at once")
		}
		return 1, 1, nil
	}
	dealt, err := household.Baskets(ctx, *p, d)
	if err != nil {
		return 0, 0, err
	}
	if which < 1 || which > len(dealt) {
		return 0, 0, refuse.One("basket", fmt.Sprint(which), fmt.Sprintf("1 to %d", len(dealt)))
	}
	b := dealt[which-1]
	if b.Fryer == 1 {
		if *f, err = s.Store.Fryer(ctx, *p.SecondFryerID); err != nil {
			return 0, 0, err
		}
		p.FryerID = f.ID
	}
	part := d.Share(b.Pieces)
	part.Program = b.Program
	p.GoesInAs(part)
	p.PerBasket, p.SecondFryerID = nil, nil
	return which, len(dealt), nil
}

// Say keeps what a device said of a cook, once. tapped is when, where it was
// sent late. The error is refuse.Fields, or the store's.
func (s *Sessions) Say(ctx context.Context, id string, e cook.Event, tapped *time.Time) error {
	defer s.changing.hold(s.sessionOf(ctx, id))()
	c, l, err := s.Led(ctx, id)
	if err != nil {
		return err
	}
	e.At = s.Clock.Now()
	if tapped != nil && tapped.Before(e.At) {
		e.At = tapped.UTC() // it cannot be before the cook began
		if c.DishID == "" && e.At.Before(c.StartedAt.Time) {
			e.At = c.StartedAt.Time
		}
	}
	if e.ID != "" {
		if said, err := s.Store.Said(ctx, c.ID, e.ID); err != nil || said {
			return err
		}
	}
	events, err := l.Add(e)
	if err != nil || len(events) == len(l.Events) {
		return err
	}
	if err := s.Store.Say(ctx, finished(c, l, events), events[len(events)-1]); err != nil {
		return err
	}
	return s.settle(ctx, c.SessionID, e.At)
}

// sessionOf is the session of a cook; the cook itself where it is in none.
func (s *Sessions) sessionOf(ctx context.Context, id string) string {
	if c, err := s.Store.Cook(ctx, id); err == nil {
		return c.SessionID
	}
	return id
}

// finished is a cook after other events: over, or not.
func finished(c store.Cook, l cook.Live, events []cook.Event) store.Cook {
	l.Events, c.FinishedAt = events, nil
	if at, ok := l.Finished(); ok {
		c.FinishedAt = &store.Time{Time: at}
	}
	return c
}

// Revoke takes one thing said back; taken back twice it is gone once. The error
// is refuse.Fields, or the store's.
func (s *Sessions) Revoke(ctx context.Context, id, event string) error {
	defer s.changing.hold(s.sessionOf(ctx, id))()
	c, l, err := s.Led(ctx, id)
	if err != nil {
		return err
	}
	without, err := l.Without(event)
	if err != nil {
		return err
	}
	if len(without) < len(l.Events) {
		if err := s.Store.Revoke(ctx, finished(c, l, without), event); err != nil {
			return err
		}
		return s.settle(ctx, c.SessionID, s.Clock.Now())
	}
	if said, err := s.Store.Said(ctx, c.ID, event); err != nil || !said {
		return errors.Join(err, store.ErrNotFound)
	}
	return nil
}

// NextTime is what is proposed from how a finished cook differed from its plan:
// simulated first, and kept back where it would not be safe or would bring what
// the rating complains of; nil then.
func (s *Sessions) NextTime(ctx context.Context, c store.Cook, l cook.Live) (*cook.NextTime, error) {
	k, err := s.Known(ctx, c, l)
	if err != nil {
		return nil, err
	}
	var planned *float64
	if c.Planned.V.Chance != nil {
		planned = c.Planned.V.Chance.SafeByMin
	}
	shown, rating := l.Shown(k, s.Clock.Now()), ""
	if c.Crust != nil {
		rating = *c.Crust
	}
	next := l.NextTime(rating, shown != nil && !shown.Safe, planned, k.SafeBy)
	if next == nil || next.Minutes == 0 {
		return next, nil
	}
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	q := c.Request(set.Units())
	q.Larder = l.Larder
	if q.Fryer, err = s.asKnown(ctx, c); err != nil {
		return nil, err
	}
	if q.Program = q.Program.Lasting(q.Program.Minutes() + next.Minutes); load.Check(q) != nil {
		return nil, nil
	}
	a, err := verdict.Simulate(ctx, q, verdict.Options{})
	if err != nil {
		return nil, err
	}
	if safe := a.Chance.SafeByMin; safe == nil || *safe > q.Program.Minutes() {
		return nil, nil
	}
	next.Says += fmt.Sprintf(" Simulated so: crust %.0f, %.0f %% of its juice.", math.Floor(a.End.Crust), math.Floor(a.End.JuiceKeptPct))
	return next, nil
}

// asKnown is a cook's fryer as it is known by now; as it was then, where it is gone.
func (s *Sessions) asKnown(ctx context.Context, c store.Cook) (*load.Fryer, error) {
	was := &c.Fryer.V.Fryer
	f, err := s.Store.Fryer(ctx, sheet.FryerOf(c.Fryer.V.ID))
	switch {
	case errors.Is(err, store.ErrNotFound):
		return was, nil
	case err != nil:
		return nil, err
	case was.Drawer != "" && f.Drawers == 2:
		return f.Fryer.In(was.Drawer), nil
	}
	return &f.Fryer, nil
}

// TakeNextTime changes a cook's dish to what is proposed for next time. The
// error is refuse.Fields, or the store's.
func (s *Sessions) TakeNextTime(ctx context.Context, id string) (store.Plan, error) {
	c, l, err := s.Led(ctx, id)
	if err != nil {
		return store.Plan{}, err
	}
	next, err := s.NextTime(ctx, c, l)
	if err != nil {
		return store.Plan{}, err
	}
	if next == nil || next.Minutes == 0 || c.PlanID == nil {
		return store.Plan{}, refuse.One("cook", c.Name, "one that went otherwise than its dish has it")
	}
	p, err := s.Store.Plan(ctx, *c.PlanID)
	if err != nil {
		return p, err
	}
	version := p.Version
	p.Program.V = p.Program.V.Lasting(p.Program.V.Minutes() + next.Minutes)
	return s.Store.PutPlan(ctx, p, &version)
}
