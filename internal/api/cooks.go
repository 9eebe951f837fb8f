package api

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/baskets"
	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

// live returns the cook as the core leads it.
func (s *Server) live(ctx context.Context, c store.Cook) (cook.Live, error) {
	set, err := s.store.Settings(ctx)
	if err != nil {
		return cook.Live{}, err
	}
	cut, err := food.FindCut(c.Plan.V.Load.V.Cut)
	if err != nil {
		return cook.Live{}, err
	}
	pantry, _, err := s.pantry(ctx)
	if err != nil {
		return cook.Live{}, err
	}
	var lie verdict.InBasket
	if b := c.Planned.V.Basket; b != nil {
		lie = *b
	}
	var kinds []string
	for _, g := range c.Planned.V.Groups {
		kinds = append(kinds, g.Name)
	}
	return cook.Live{Say: set.Units(), Larder: pantry, Kinds: kinds,
		Program: c.Plan.V.Program.V, Pieces: c.Plan.V.Load.V.Pieces, Piece: cut.Name, Plural: cut.Plural, Faces: cut.Faces,
		Judged: judged(cut, c.Planned.V.Rule.Inside), Started: c.StartedAt.Time, Events: c.Events, Degrees: set.Temperature,
		Seam: lie.Seam, Tender: lie.Tender, RestMin: c.Planned.V.Rule.RestMin, StopsItself: c.Fryer.V.StopsItself, Waits: c.DishID != "",
	}, nil
}

// judging is how each is called in the contract.
var judging = map[cook.Judging]string{cook.ByTheBone: "bone", cook.ByProbe: "probe", cook.ByBite: "bite"}

// judged is how a cut is told to be done.
func judged(c food.Cut, inside string) cook.Judging {
	switch {
	case inside == verdict.SoftInside:
		return cook.ByBite
	case c.Bone > 0:
		return cook.ByTheBone
	}
	return cook.ByProbe
}

// led returns a kept cook, and as the core leads it.
func (s *Server) led(ctx context.Context, id string) (c store.Cook, l cook.Live, err error) {
	if c, err = s.store.Cook(ctx, id); err == nil {
		l, err = s.live(ctx, c)
	}
	return c, l, err
}

func (s *Server) cookOut(ctx context.Context, c store.Cook) (Cook, error) {
	l, err := s.live(ctx, c)
	if err != nil {
		return Cook{}, err
	}
	now := s.clock.Now()
	step := l.Step(now)
	p := planOut(c.Plan.V)
	out := Cook{
		Id: c.ID, Session: c.SessionID, OutcomeVersion: c.OutcomeVersion, Name: c.Name, PlanId: c.PlanID, StartedAt: c.StartedAt.Time, Now: now,
		Plan:   PlanInput{Name: p.Name, FryerId: p.FryerId, Load: p.Load, Coat: p.Coat, Program: p.Program, Groups: p.Groups, TableTime: p.TableTime},
		Fryer:  c.Fryer.V,
		Basket: c.Basket, Baskets: c.Baskets,
		Actual: l.Actual(), Events: []CookEvent{}, Forecast: c.Forecast.V.Rounded(),
		Step:    CookStep{Phase: CookStepPhase(step.Phase), Title: step.Title, Detail: step.Detail},
		Outcome: outcomeOf(c),
	}
	if c.DishID != "" {
		of := true
		out.Evening = &of
	}
	if !step.Until.IsZero() {
		out.Step.Until, out.Step.Next = &step.Until, &step.Next
	}
	if step.Action != "" {
		out.Step.Action, out.Step.Label = &step.Action, &step.Label
	}
	if at, ok := l.LoadedAt(); ok {
		out.LoadedAt = &at
	}
	if err := s.foreseenOut(ctx, c, l, &out); err != nil {
		return out, err
	}
	if c.FinishedAt != nil {
		out.FinishedAt = &c.FinishedAt.Time
	}
	for _, e := range c.Events {
		ev := CookEvent{Id: e.ID, Kind: e.Kind, At: e.At, Says: l.Words(e)}
		if turn := l.TurnOf(e.ID); turn != "" {
			ev.Turn = &turn
		}
		if _, ok := cook.Limits[e.Kind]; ok {
			v := e.Value
			ev.Value = &v
		}
		out.Events = append(out.Events, ev)
	}
	return out, nil
}

// foreseenOut puts in what is foreseen of a live cook, and what is asked of it.
func (s *Server) foreseenOut(ctx context.Context, c store.Cook, l cook.Live, out *Cook) error {
	got, err := s.foresee(ctx, c, l)
	if err != nil {
		return err
	}
	evidence := ""
	if got != nil {
		out.Foreseen, out.Changed, evidence = &got.what, &got.ahead.Says, got.evidence
		more, says := l.Beyond(&got.what)
		out.MoreMin, out.Beyond = &more, &says
		// What is drawn is the cook as it is believed in.
		out.Forecast.Timeline = got.ahead.Timeline
	}
	if out.Probe, err = s.probeIn(ctx, l); err != nil {
		return err
	}
	judged := CookJudged(judging[l.Judged])
	out.Judged = &judged
	k, err := s.known(ctx, c, l)
	if err != nil {
		return err
	}
	now := s.clock.Now()
	out.Shown, out.Asks = l.Shown(k, now), l.AsksBeforeOut(k)
	if loaded, in := l.LoadedAt(); in && c.FinishedAt == nil {
		line := out.Forecast.Timeline
		if len(line) > 0 {
			out.PlausibleC = plausible(run.FirstFrom(line, now.Sub(loaded).Minutes()).CoreC)
		}
	}
	out.Step.Asks = l.AsksOf(l.Step(now), k, now)
	if c.FinishedAt != nil {
		if out.NextTime, err = s.nextTime(ctx, c, l); err != nil {
			return err
		}
	}
	m, err := mark([]any{l.Events, evidence, l.Overdue(s.clock.Now())})
	out.Mark = &m
	return err
}

// entryOut returns a cook beside what was planned.
func (s *Server) entryOut(ctx context.Context, c store.Cook) (CookEntry, error) {
	out, err := s.cookOut(ctx, c)
	if err != nil {
		return CookEntry{}, err
	}
	pictures, err := s.picturesOut(ctx, c.ID)
	return CookEntry{
		Id: out.Id, Session: out.Session, OutcomeVersion: out.OutcomeVersion, Name: out.Name, PlanId: out.PlanId,
		StartedAt: out.StartedAt, LoadedAt: out.LoadedAt, FinishedAt: out.FinishedAt, Now: out.Now, Plan: out.Plan, Fryer: out.Fryer,
		Basket: out.Basket, Baskets: out.Baskets, Actual: out.Actual, Events: out.Events, Step: out.Step, Outcome: out.Outcome,
		Forecast: out.Forecast, Evening: out.Evening, Mark: out.Mark, NextTime: out.NextTime, Shown: out.Shown, Asks: out.Asks, Planned: c.Planned.V.Rounded(), Pictures: pictures,
	}, err
}

// ListCooks answers GET /cooks.
func (s *Server) ListCooks(ctx context.Context, _ ListCooksRequestObject) (ListCooksResponseObject, error) {
	cooks, err := s.store.Summaries(ctx)
	if err != nil {
		return nil, err
	}
	pictures, err := s.store.FirstPictures(ctx)
	if err != nil {
		return nil, err
	}
	out := make(ListCooks200JSONResponse, len(cooks))
	for i, c := range cooks {
		out[i] = CookSummary{Id: c.ID, Name: c.Name, StartedAt: c.StartedAt.Time, Live: c.FinishedAt == nil, Crust: c.Crust, Inside: c.Inside, Note: c.Note, PlannedMin: &c.PlannedMin}
		if c.Evening != "" {
			out[i].Evening, out[i].EveningId, out[i].Basket, out[i].Baskets = &c.Evening, &c.SessionID, &c.Basket, &c.Baskets
		}
		if c.FinishedAt != nil {
			out[i].FinishedAt = &c.FinishedAt.Time
			if c.LoadedAt != nil {
				m := c.FinishedAt.Sub(c.LoadedAt.Time).Minutes()
				out[i].ActualMin = &m
			}
		}
		if p, ok := pictures[c.ID]; ok {
			one := pictureOut(p)
			out[i].Picture = &one
		}
		if len(c.Lab.V) > 0 {
			out[i].Lab = &c.Lab.V
		}
	}
	return out, nil
}

// StartCook answers POST /cooks.
func (s *Server) StartCook(ctx context.Context, r StartCookRequestObject) (StartCookResponseObject, error) {
	p, err := s.store.Plan(ctx, r.Body.PlanId)
	if err != nil {
		return nil, err
	}
	f, err := s.store.Fryer(ctx, p.FryerID)
	if err != nil {
		return nil, err
	}
	set, err := s.store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	if busy, err := s.busy(ctx); err != nil {
		return nil, err
	} else if !busy {
		s.clock.Believe()
	}
	c := store.Cook{PlanID: &p.ID, Name: p.Name, Guidance: set.Guidance, GuidanceC: set.GuidanceC, StartedAt: store.Time{Time: s.clock.Now()}}
	if c.Basket, c.Baskets, err = s.basketful(ctx, &p, &f, orElse(r.Body.Basket, 1)); err != nil {
		return nil, err
	}
	if r.Body.Session != nil {
		c.SessionID = *r.Body.Session
		cooked, err := s.store.InSession(ctx, c.SessionID, p.ID)
		if errors.Is(err, store.ErrNotFound) {
			return nil, refuse.One("session", c.SessionID, "a session in which a basket of this dish was cooked")
		} else if err != nil {
			return nil, err
		}
		if slices.Contains(cooked, c.Basket) {
			return nil, refuse.One("basket", fmt.Sprint(c.Basket), "one that was not cooked yet in this session")
		}
	}
	c.Plan.V, c.Fryer.V = p, f
	q := c.Request(set.Units())
	if q.Larder, _, err = s.pantry(ctx); err != nil {
		return nil, err
	}
	if c.Planned.V, err = verdict.Simulate(ctx, q, verdict.Options{}); err != nil {
		return nil, err
	}
	c.Forecast = c.Planned
	if c, err = s.store.AddCook(ctx, c); err != nil {
		return nil, err
	}
	s.told.Tell()
	out, err := s.cookOut(ctx, c)
	return StartCook201JSONResponse(out), err
}

// basketful narrows a plan and its fryer to one basketful of the dish, as it
// goes into the basket, and returns which of how many it is.
func (s *Server) basketful(ctx context.Context, p *store.Plan, f *store.Fryer, which int) (n, of int, err error) {
	d, err := s.ready(ctx, asked(*p))
	if err != nil {
		return 0, 0, err
	}
	p.Load.V, p.Coat.V = d.Load, *d.Coat
	if p.PerBasket == nil && p.SecondFryerID == nil {
		if which != 1 {
			return 0, 0, refuse.One("basket", fmt.Sprint(which), "1: this dish goes in all at once")
		}
		return 1, 1, nil
	}
	baskets, err := baskets.Of(ctx, d, batching(*p))
	if err != nil {
		return 0, 0, err
	}
	if which < 1 || which > len(baskets) {
		return 0, 0, refuse.One("basket", fmt.Sprint(which), fmt.Sprintf("1 to %d", len(baskets)))
	}
	b := baskets[which-1]
	if b.Fryer == 1 {
		if *f, err = s.store.Fryer(ctx, *p.SecondFryerID); err != nil {
			return 0, 0, err
		}
		p.FryerID = f.ID
	}
	p.Coat.V.OilG *= float64(b.Pieces) / float64(p.Load.V.Pieces)
	p.Load.V.Pieces, p.Program.V = b.Pieces, b.Program
	p.PerBasket, p.SecondFryerID = nil, nil
	return which, len(baskets), nil
}

// batching is how a dish that does not go in at once goes in.
func batching(p store.Plan) string {
	if p.SecondFryerID != nil {
		return baskets.TwoFryers
	}
	return baskets.SeveralBaskets
}

// GetCook answers GET /cooks/{id}.
func (s *Server) GetCook(ctx context.Context, r GetCookRequestObject) (GetCookResponseObject, error) {
	c, err := s.store.Cook(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	out, err := s.entryOut(ctx, c)
	return GetCook200JSONResponse(out), err
}

// AddCookEvent answers POST /cooks/{id}/events.
func (s *Server) AddCookEvent(ctx context.Context, r AddCookEventRequestObject) (AddCookEventResponseObject, error) {
	if err := s.say(ctx, r.Id, *r.Body); err != nil {
		return nil, err
	}
	c, err := s.foretell(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	out, err := s.cookOut(ctx, c)
	return AddCookEvent200JSONResponse(out), err
}

// say keeps what a device said of a cook, once.
func (s *Server) say(ctx context.Context, id string, in CookEventInput) error {
	s.cooking.Lock()
	defer s.cooking.Unlock()
	c, l, err := s.led(ctx, id)
	if err != nil {
		return err
	}
	e := cook.Event{ID: orElse(in.Id, ""), Kind: string(in.Kind), At: s.clock.Now(), Value: orElse(in.Value, 0), Probe: orElse(in.Probe, "")}
	if tapped := in.At; tapped != nil && tapped.Before(e.At) {
		e.At = tapped.UTC() // sent late; it cannot be before the cook began
		if c.DishID == "" && e.At.Before(c.StartedAt.Time) {
			e.At = c.StartedAt.Time
		}
	}
	if e.ID != "" {
		if said, err := s.store.Said(ctx, c.ID, e.ID); err != nil || said {
			return err
		}
	}
	events, err := l.Add(e)
	if err != nil || len(events) == len(l.Events) {
		return err
	}
	if err := s.store.Say(ctx, finished(c, l, events), events[len(events)-1]); err != nil {
		return err
	}
	return s.settled(ctx, c.SessionID, e.At)
}

// finished is a cook after other events: over, or not.
func finished(c store.Cook, l cook.Live, events []cook.Event) store.Cook {
	l.Events, c.FinishedAt = events, nil
	if at, ok := l.Finished(); ok {
		c.FinishedAt = &store.Time{Time: at}
	}
	return c
}

// RevokeCookEvent answers DELETE /cooks/{id}/events/{event}.
func (s *Server) RevokeCookEvent(ctx context.Context, r RevokeCookEventRequestObject) (RevokeCookEventResponseObject, error) {
	if err := s.revoke(ctx, r.Id, r.Event); err != nil {
		return nil, err
	}
	c, err := s.foretell(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	out, err := s.cookOut(ctx, c)
	return RevokeCookEvent200JSONResponse(out), err
}

// revoke takes one thing said back; taken back twice it is gone once.
func (s *Server) revoke(ctx context.Context, id, event string) error {
	s.cooking.Lock()
	defer s.cooking.Unlock()
	c, l, err := s.led(ctx, id)
	if err != nil {
		return err
	}
	without, err := l.Without(event)
	if err != nil {
		return err
	}
	if len(without) < len(l.Events) {
		if err := s.store.Revoke(ctx, finished(c, l, without), event); err != nil {
			return err
		}
		return s.settled(ctx, c.SessionID, s.clock.Now())
	}
	if said, err := s.store.Said(ctx, c.ID, event); err != nil || !said {
		return errors.Join(err, store.ErrNotFound)
	}
	return nil
}

// PutOutcome answers PUT /cooks/{id}/outcome.
func (s *Server) PutOutcome(ctx context.Context, r PutOutcomeRequestObject) (PutOutcomeResponseObject, error) {
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	c, err := s.store.Cook(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	c.Crust, c.Inside, c.Note, c.ChangeNext = (*string)(r.Body.Crust), (*string)(r.Body.Inside), r.Body.Note, r.Body.Change
	if c.OutcomeVersion, err = s.store.PutOutcome(ctx, c, v); err != nil {
		return nil, err
	}
	out, err := s.entryOut(ctx, c)
	return PutOutcome200JSONResponse(out), err
}

// DeleteCook answers DELETE /cooks/{id}.
func (s *Server) DeleteCook(ctx context.Context, r DeleteCookRequestObject) (DeleteCookResponseObject, error) {
	return DeleteCook204Response{}, s.store.DeleteCook(ctx, r.Id)
}

// RestoreCook answers POST /cooks/{id}/restore.
func (s *Server) RestoreCook(ctx context.Context, r RestoreCookRequestObject) (RestoreCookResponseObject, error) {
	c, err := s.store.RestoreCook(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	out, err := s.entryOut(ctx, c)
	return RestoreCook200JSONResponse(out), err
}

// nextTime is what is proposed from how a finished cook differed from its plan:
// simulated first, and kept back where it would not be safe or would bring what
// the rating complains of.
func (s *Server) nextTime(ctx context.Context, c store.Cook, l cook.Live) (*cook.NextTime, error) {
	k, err := s.known(ctx, c, l)
	if err != nil {
		return nil, err
	}
	var planned *float64
	if c.Planned.V.Chance != nil {
		planned = c.Planned.V.Chance.SafeByMin
	}
	shown := l.Shown(k, s.clock.Now())
	next := l.NextTime(orElse(c.Crust, ""), shown != nil && !shown.Safe, planned, k.SafeBy)
	if next == nil {
		return nil, nil
	}
	set, err := s.store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	q := c.Request(set.Units())
	q.Larder = l.Larder
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

// TakeNextTime answers POST /cooks/{id}/next-time.
func (s *Server) TakeNextTime(ctx context.Context, r TakeNextTimeRequestObject) (TakeNextTimeResponseObject, error) {
	c, l, err := s.led(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	next, err := s.nextTime(ctx, c, l)
	if err != nil {
		return nil, err
	}
	if next == nil || c.PlanID == nil {
		return nil, refuse.One("cook", c.Name, "one that went otherwise than its dish has it")
	}
	p, err := s.store.Plan(ctx, *c.PlanID)
	if err != nil {
		return nil, err
	}
	version := p.Version
	p.Program.V = p.Program.V.Lasting(p.Program.V.Minutes() + next.Minutes)
	if p, err = s.store.PutPlan(ctx, p, &version); err != nil {
		return nil, err
	}
	return TakeNextTime200JSONResponse(planOut(p)), nil
}
