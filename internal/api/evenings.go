package api

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
	"velocrustum/core/sheet"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

// BeginEvening answers POST /evenings.
func (s *Server) BeginEvening(ctx context.Context, r BeginEveningRequestObject) (BeginEveningResponseObject, error) {
	own, err := s.store.Supper(ctx, r.Body.SupperId)
	if errors.Is(err, store.ErrNotFound) {
		return nil, refuse.One("supperId", r.Body.SupperId, "one of your suppers")
	} else if err != nil {
		return nil, err
	}
	if busy, err := s.busy(ctx); err != nil {
		return nil, err
	} else if !busy {
		s.clock.Believe()
	}
	now := s.clock.Now()
	e := own.Evening
	e.Earliest = &now
	if orElse(r.Body.Soon, false) || e.ServeAt.Before(now) {
		e.ServeAt, e.Pins, e.Away = now.In(e.ServeAt.Location()).Truncate(time.Minute).Add(time.Minute), nil, nil
	}
	led, err := s.laid(ctx, own, e)
	if err != nil {
		return nil, err
	}
	led.StartedAt = store.Time{Time: now}
	if led, err = s.store.BeginEvening(ctx, led); err != nil {
		return nil, err
	}
	s.told.Tell()
	out, err := s.eveningOut(ctx, led)
	return BeginEvening201JSONResponse(out), err
}

// busy says whether something is being cooked.
func (s *Server) busy(ctx context.Context) (bool, error) {
	_, cook := s.store.LiveCook(ctx)
	_, evening := s.store.LiveEvening(ctx)
	for _, err := range []error{cook, evening} {
		if err != nil && !errors.Is(err, store.ErrNotFound) {
			return false, err
		}
	}
	return cook == nil || evening == nil, nil
}

// laid is a supper's sheet with its baskets as cooks.
func (s *Server) laid(ctx context.Context, own store.Supper, e store.Evening) (out store.EveningLed, err error) {
	ctx, leave, err := s.work.place(ctx)
	if err != nil {
		return out, err
	}
	defer leave()
	k, err := s.kitchen(ctx)
	if err != nil {
		return out, err
	}
	in, err := s.supper(ctx, e)
	if err != nil {
		return out, err
	}
	got, led, err := k.Lead(ctx, in)
	if err != nil {
		return out, err
	}
	set, err := s.store.Settings(ctx)
	if err != nil {
		return out, err
	}
	pantry, _, err := s.pantry(ctx)
	if err != nil {
		return out, err
	}
	out = store.EveningLed{Name: own.Name, SupperID: &own.ID, Hands: max(1, e.Hands)}
	out.Sheet.V = got
	for _, l := range led {
		p, err := s.store.Plan(ctx, l.Dish)
		if err != nil {
			return out, err
		}
		f, err := s.store.Fryer(ctx, l.FryerID)
		if err != nil {
			return out, err
		}
		p.Load.V, p.Program.V, p.Groups.V, p.FryerID, p.PerBasket, p.SecondFryerID = l.Request.Load, l.Request.Program, l.Request.Groups, f.ID, nil, nil
		if l.Request.Coat != nil {
			p.Coat.V = *l.Request.Coat
		}
		c := store.Cook{PlanID: &p.ID, Name: p.Name, DishID: l.Dish, Guidance: set.Guidance, GuidanceC: set.GuidanceC, Basket: l.Basket, Baskets: l.Of}
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

// evening is a supper as the core leads it, with each basket's cook by its
// key, and what is foreseen of it.
type evening struct {
	cook.Evening
	cooks map[string]store.Cook
	seen  map[string]*foreseen
}

// leads puts a kept supper together as the core leads it.
func (s *Server) leads(ctx context.Context, e store.EveningLed) (out evening, err error) {
	out = evening{cook.Evening{Sheet: e.Sheet.V, Hands: e.Hands, Said: e.Said, Names: map[string]string{sheet.OnHob: "the hob", sheet.InOven: "the oven", sheet.Fridge: "the fridge", sheet.Board: "the board", sheet.None: "the hands"}},
		map[string]store.Cook{}, map[string]*foreseen{}}
	cuts := map[string]map[string]bool{}
	for _, c := range e.Cooks {
		of := c.Plan.V.Load.V.Cut
		if cuts[of] == nil {
			cuts[of] = map[string]bool{}
		}
		cuts[of][c.DishID] = true
		out.Names[c.Fryer.V.ID] = c.Fryer.V.Name
	}
	for _, c := range e.Cooks {
		l, err := s.live(ctx, c)
		if err != nil {
			return out, err
		}
		name := c.Name
		if len(cuts[c.Plan.V.Load.V.Cut]) == 1 {
			name = strings.ToUpper(l.Plural[:1]) + l.Plural[1:]
		}
		if c.Baskets > 1 {
			name += fmt.Sprintf(" %d", c.Basket)
		}
		b := &cook.Basket{Live: l, Dish: c.DishID, Number: c.Basket, Of: c.Baskets, Name: name, FryerID: c.Fryer.V.ID}
		seen, err := s.foresee(ctx, c, l)
		if err != nil {
			return out, err
		}
		b.Foreseen = seen != nil
		if b.Known, err = s.known(ctx, c, l); err != nil {
			return out, err
		}
		out.cooks[b.Key()], out.seen[b.Key()] = c, seen
		out.Baskets = append(out.Baskets, b)
	}
	return out, nil
}

// glance is how often what is late by itself is told anew.
const glance = 2 * time.Second

// eveningOut is a supper as screens show it.
func (s *Server) eveningOut(ctx context.Context, e store.EveningLed) (LiveEvening, error) {
	now := s.clock.Now()
	e.Cooks = slices.Clone(e.Cooks)
	for i := range e.Cooks {
		c := &e.Cooks[i]
		if c.FinishedAt != nil {
			continue
		}
		l, err := s.live(ctx, *c)
		if err != nil {
			return LiveEvening{}, err
		}
		if err := s.renew(ctx, c, l); err != nil {
			return LiveEvening{}, err
		}
	}
	led, err := s.leads(ctx, e)
	if err != nil {
		return LiveEvening{}, err
	}
	out := LiveEvening{Id: e.ID, Name: e.Name, SupperId: e.SupperID, Now: now, StartedAt: e.StartedAt.Time, PlannedAt: e.Sheet.V.ServeAt, StartAt: e.Sheet.V.StartAt, Hands: e.Hands,
		Course: led.By(now.Truncate(glance)), Baskets: []LiveBasket{}, Said: []SaidOnce{}, Cautions: e.Sheet.V.Cautions}
	if e.FinishedAt != nil {
		out.FinishedAt = &e.FinishedAt.Time
	}
	for _, b := range led.Baskets {
		one, err := s.basketOut(ctx, &led, b, now)
		if err != nil {
			return out, err
		}
		out.Baskets = append(out.Baskets, one)
		for _, o := range b.Live.Events {
			out.Said = append(out.Said, SaidOnce{Id: o.ID, CookId: &one.CookId, Title: b.Name + ": " + b.Words(o), At: o.At})
		}
	}
	for _, o := range e.Said {
		title := "The supper was given up"
		if i := slices.IndexFunc(e.Sheet.V.Tasks, func(t sheet.Task) bool { return t.ID == o.Task }); i >= 0 {
			title = e.Sheet.V.Tasks[i].Says + ": done"
		}
		out.Said = append(out.Said, SaidOnce{Id: o.ID, Title: title, At: o.At})
	}
	slices.SortStableFunc(out.Said, func(a, b SaidOnce) int { return a.At.Compare(b.At) })
	return out, nil
}

// shades is how many colours of a basket are shown, from in to out.
const shadesShown = 12

func (s *Server) basketOut(ctx context.Context, led *evening, b *cook.Basket, now time.Time) (LiveBasket, error) {
	c, seen := led.cooks[b.Key()], led.seen[b.Key()]
	cut, err := food.FindCut(c.Plan.V.Load.V.Cut)
	if err != nil {
		return LiveBasket{}, err
	}
	out := LiveBasket{Key: b.Key(), CookId: c.ID, Dish: b.Dish, Basket: b.Number, Name: b.Name, FryerId: b.FryerID, EndMin: b.EndMin(), OverdueMin: b.Overdue(now), SafeByMin: b.SafeBy, Shown: b.Shown(b.Known, now),
		Judged: LiveBasketJudged(judging[b.Judged]), Faces: cut.Faces[:], Colours: [][]float64{}}
	line, rule := c.Forecast.V.Timeline, c.Forecast.V.Rule.CoreC
	out.RuleC = &rule
	if seen != nil {
		line = seen.ahead.Timeline
		out.Foreseen, out.Changed = &seen.what, &seen.ahead.Says
	}
	evidence := ""
	if seen != nil {
		evidence = seen.evidence
	}
	if out.Mark, err = mark([]any{b.Live.Events, evidence, out.OverdueMin}); err != nil {
		return out, err
	}
	loaded, in := b.LoadedAt()
	until, isOut := b.OutAt()
	if isOut {
		out.OutAt = &until
	} else {
		until = now
	}
	if out.Probe, err = s.probeIn(ctx, b.Live); err != nil {
		return out, err
	}
	last := b.EndMin()
	if in {
		out.LoadedAt = &loaded
		minute := until.Sub(loaded).Minutes()
		if isOut {
			last = minute
		} else {
			last = math.Max(last, minute)
			core := math.Round(run.FirstFrom(line, minute).CoreC*10) / 10
			out.CoreC = &core
			out.PlausibleC = plausible(core)
			set := b.DialC(now)
			out.DialC = &set
			out.Asks = b.AsksBeforeOut(b.Known)
		}
		if out.OverdueMin >= 1 {
			says := b.OverdueSays(line, out.OverdueMin)
			out.OverdueSays = &says
		}
	}
	for k := 0; k <= shadesShown; k++ {
		m := run.FirstFrom(line, last*float64(k)/shadesShown)
		face := m.Faces[0]
		if m.Faces[1].Brown > face.Brown {
			face = m.Faces[1]
		}
		out.Colours = append(out.Colours, face.Lab[:])
	}
	if seen != nil {
		more, says := b.Beyond(&seen.what)
		costs := led.Costs(b, more, now)
		out.MoreMin, out.Beyond, out.Costs = &more, &says, &costs
	}
	for _, o := range b.Live.Events {
		if o.Kind == cook.Look {
			out.LookedAt = &o.Value
		}
	}
	return out, nil
}

func plausible(coreC float64) *[]float64 {
	at := cook.PlausibleC(coreC)
	out := at[:]
	return &out
}

// GetEvening answers GET /evenings/{id}.
func (s *Server) GetEvening(ctx context.Context, r GetEveningRequestObject) (GetEveningResponseObject, error) {
	out, err := s.eveningBy(ctx, r.Id)
	return GetEvening200JSONResponse(out), err
}

func (s *Server) eveningBy(ctx context.Context, id string) (LiveEvening, error) {
	e, err := s.store.EveningLed(ctx, id)
	if err != nil {
		return LiveEvening{}, err
	}
	return s.eveningOut(ctx, e)
}

// AddEveningEvent answers POST /evenings/{id}/events.
func (s *Server) AddEveningEvent(ctx context.Context, r AddEveningEventRequestObject) (AddEveningEventResponseObject, error) {
	if err := s.sayOf(ctx, r.Id, *r.Body); err != nil {
		return nil, err
	}
	out, err := s.eveningBy(ctx, r.Id)
	return AddEveningEvent200JSONResponse(out), err
}

// sayOf keeps what a device said of a supper, once.
func (s *Server) sayOf(ctx context.Context, id string, in EveningEventInput) error {
	s.cooking.Lock()
	defer s.cooking.Unlock()
	e, err := s.store.EveningLed(ctx, id)
	if err != nil {
		return err
	}
	said := cook.Said{ID: orElse(in.Id, ""), Kind: string(in.Kind), Task: orElse(in.Task, ""), At: s.clock.Now()}
	if tapped := in.At; tapped != nil && tapped.Before(said.At) {
		said.At = latest(tapped.UTC(), e.StartedAt.Time) // sent late; not before it began
	}
	if said.ID != "" {
		if before, err := s.store.SaidOf(ctx, id, said.ID); err != nil || before {
			return err
		}
	}
	led, err := s.leads(ctx, e)
	if err != nil {
		return err
	}
	all, err := led.Add(said)
	if err != nil || len(all) == len(e.Said) {
		return err
	}
	if err := s.store.SayOf(ctx, id, said); err != nil {
		return err
	}
	return s.settled(ctx, id, said.At)
}

func latest(a, b time.Time) time.Time {
	if b.After(a) {
		return b
	}
	return a
}

// settled keeps whether a supper is over, after something was said of it or of
// one of its baskets.
func (s *Server) settled(ctx context.Context, id string, at time.Time) error {
	defer s.told.Tell()
	e, err := s.store.EveningLed(ctx, id)
	if errors.Is(err, store.ErrNotFound) {
		return nil // one dish cooked alone
	} else if err != nil {
		return err
	}
	led, err := s.leads(ctx, e)
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
	return s.store.Settle(ctx, e, over)
}

// RevokeEveningEvent answers DELETE /evenings/{id}/events/{event}.
func (s *Server) RevokeEveningEvent(ctx context.Context, r RevokeEveningEventRequestObject) (RevokeEveningEventResponseObject, error) {
	if err := s.revokeOf(ctx, r.Id, r.Event); err != nil {
		return nil, err
	}
	out, err := s.eveningBy(ctx, r.Id)
	return RevokeEveningEvent200JSONResponse(out), err
}

func (s *Server) revokeOf(ctx context.Context, id, event string) error {
	s.cooking.Lock()
	defer s.cooking.Unlock()
	if err := s.store.RevokeOf(ctx, id, event); err != nil {
		return err
	}
	return s.settled(ctx, id, s.clock.Now())
}
