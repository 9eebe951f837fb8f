package api

import (
	"context"
	"math"
	"slices"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/cook"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
	"velocrustum/core/sheet"
	"velocrustum/internal/session"
	"velocrustum/internal/store"
)

// BeginEvening answers POST /evenings.
func (s *Server) BeginEvening(ctx context.Context, r BeginEveningRequestObject) (BeginEveningResponseObject, error) {
	begin := func() (store.EveningLed, error) {
		switch supper, dishes := orElse(r.Body.SupperId, ""), orElse(r.Body.PlanIds, nil); {
		case supper == "" && len(dishes) > 0:
			return s.sessions.BeginDishes(ctx, dishes)
		case supper != "" && len(dishes) > 0:
			return store.EveningLed{}, refuse.One("planIds", "dishes beside a supper", "one of the two")
		default:
			return s.sessions.BeginEvening(ctx, supper, orElse(r.Body.Soon, false))
		}
	}
	led, err := begin()
	if err != nil {
		return nil, err
	}
	out, err := s.eveningOut(ctx, led)
	return BeginEvening201JSONResponse(out), err
}

// glance is how often what is late by itself is told anew.
const glance = 2 * time.Second

// eveningOut is a supper as screens show it.
func (s *Server) eveningOut(ctx context.Context, e store.EveningLed) (LiveEvening, error) {
	now := s.clock.Now()
	e, err := s.sessions.Renewed(ctx, e)
	if err != nil {
		return LiveEvening{}, err
	}
	led, err := s.sessions.LeadEvening(ctx, e)
	if err != nil {
		return LiveEvening{}, err
	}
	out := LiveEvening{Id: e.ID, Name: e.Name, SupperId: e.SupperID, Now: now, StartedAt: e.StartedAt.Time, PlannedAt: e.Sheet.V.ServeAt, StartAt: e.Sheet.V.StartAt, Hands: e.Hands,
		Course: led.By(now.Truncate(glance)), Baskets: []LiveBasket{}, Said: []SaidOnce{}, Cautions: e.Sheet.V.Cautions}
	if people, stays := session.Comes(e, led); people > 0 {
		out.People, out.Stays = &people, &stays
	}
	if e.FinishedAt != nil {
		out.FinishedAt = &e.FinishedAt.Time
	}
	for _, b := range led.Baskets {
		one, err := s.basketOut(ctx, led, b, now)
		if err != nil {
			return out, err
		}
		if e.FinishedAt != nil {
			plate, err := s.sessions.OnPlate(ctx, e, led, b)
			if err != nil {
				return out, err
			}
			if plate != "" {
				one.Plate = &plate
			}
		}
		out.Baskets = append(out.Baskets, one)
		for _, o := range b.Live.Events {
			out.Said = append(out.Said, SaidOnce{Id: o.ID, CookId: &one.CookId, Title: b.Name + ": " + b.Words(o), At: o.At})
		}
	}
	for _, o := range e.Said {
		title := "The supper was given up"
		if i := slices.IndexFunc(e.Sheet.V.Tasks, func(t sheet.Task) bool { return t.ID == o.Task }); i >= 0 {
			title = e.Sheet.V.Tasks[i].Says + ": " + map[bool]string{true: "left out", false: "done"}[o.Kind == cook.Skip]
		} else if o.Kind == cook.Come {
			title = cook.ComeSays(o.People)
		}
		out.Said = append(out.Said, SaidOnce{Id: o.ID, Title: title, At: o.At})
	}
	slices.SortStableFunc(out.Said, func(a, b SaidOnce) int { return a.At.Compare(b.At) })
	return out, nil
}

// shadesShown is how many colours of a basket are shown, from in to out.
const shadesShown = 12

func (s *Server) basketOut(ctx context.Context, led *session.LedEvening, b *cook.LedBasket, now time.Time) (LiveBasket, error) {
	c, seen := led.Cooks[b.Key()], led.Outlooks[b.Key()]
	out := LiveBasket{Key: b.Key(), CookId: c.ID, Dish: b.Dish, Basket: b.Number, Name: b.Name, FryerId: b.FryerID, EndMin: b.EndMin(), OverdueMin: b.Overdue(now), SafeByMin: b.SafeBy, Shown: b.Shown(b.Known, now),
		Judged: LiveBasketJudged(judging[b.Judged]), Faces: b.Faces[:], Colours: [][]float64{}}
	line, rule := c.Forecast.V.Timeline, c.Forecast.V.Rule.CoreC
	out.RuleC = &rule
	if seen != nil {
		line = seen.Ahead.Timeline
		out.Foreseen, out.Changed = &seen.Foreseen, &seen.Ahead.Says
	}
	evidence := ""
	var ahead *belief.Ahead
	if seen != nil {
		evidence, ahead = seen.Evidence, &seen.Ahead
	}
	out.Lots = lotsIn(b.Live, c.Forecast.V, b.Known, ahead, now)
	var err error
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
	probe, err := s.sessions.ProbeIn(ctx, b.Live)
	if err != nil {
		return out, err
	}
	out.Probe = probeOut(probe)
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
		more, says := b.Beyond(&seen.Foreseen)
		costs := led.Costs(b, more, now)
		out.MoreMin, out.Beyond, out.Costs = &more, &says, &costs
	}
	for _, o := range b.Live.Events {
		if o.Kind == cook.Look && o.Where == "" {
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
	said := cook.Said{ID: orElse(r.Body.Id, ""), Kind: string(r.Body.Kind), Task: sheet.TaskID(orElse(r.Body.Task, "")), People: orElse(r.Body.People, 0)}
	if err := s.sessions.SayOfEvening(ctx, r.Id, said, r.Body.At); err != nil {
		return nil, err
	}
	out, err := s.eveningBy(ctx, r.Id)
	return AddEveningEvent200JSONResponse(out), err
}

// RevokeEveningEvent answers DELETE /evenings/{id}/events/{event}.
func (s *Server) RevokeEveningEvent(ctx context.Context, r RevokeEveningEventRequestObject) (RevokeEveningEventResponseObject, error) {
	if err := s.sessions.RevokeOfEvening(ctx, r.Id, r.Event); err != nil {
		return nil, err
	}
	out, err := s.eveningBy(ctx, r.Id)
	return RevokeEveningEvent200JSONResponse(out), err
}
