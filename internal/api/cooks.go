package api

import (
	"context"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/cook"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

// judging is how each is called in the contract.
var judging = map[cook.Judging]string{cook.ByTheBone: "bone", cook.ByProbe: "probe", cook.ByBite: "bite", cook.ByBoth: "both", cook.ByHeat: "heat", cook.ByMelt: "melt"}

func (s *Server) cookOut(ctx context.Context, c store.Cook) (Cook, error) {
	l, err := s.home.Live(ctx, c)
	if err != nil {
		return Cook{}, err
	}
	now := s.clock.Now()
	step := l.Step(now)
	p := planOut(c.Plan.V)
	out := Cook{
		Id: c.ID, Session: c.SessionID, OutcomeVersion: c.OutcomeVersion, Name: c.Name, PlanId: c.PlanID, StartedAt: c.StartedAt.Time, Now: now,
		Plan:   DishByLots{Name: p.Name, FryerId: p.FryerId, Lots: p.Lots, Bench: p.Bench, Program: p.Program, TableTime: p.TableTime},
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
	if step.MaySkip {
		out.Step.MaySkip = &step.MaySkip
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
		if len(l.Lots) > 0 {
			ev.Lot = &e.Lot
		}
		if e.Where != "" {
			ev.Where = new(CookEventWhere(e.Where))
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
	got, err := s.sessions.Outlook(ctx, c, l)
	if err != nil {
		return err
	}
	evidence := ""
	if got != nil {
		out.Foreseen, out.Changed, evidence = &got.Foreseen, &got.Ahead.Says, got.Evidence
		more, says := l.Beyond(&got.Foreseen)
		out.MoreMin, out.Beyond = &more, &says
		// What is drawn is the cook as it is believed in.
		out.Forecast.Timeline = got.Ahead.Timeline
	}
	probe, err := s.sessions.ProbeIn(ctx, l)
	if err != nil {
		return err
	}
	out.Probe = probeOut(probe)
	judged := CookJudged(judging[l.Judged])
	out.Judged = &judged
	k, err := s.sessions.Known(ctx, c, l)
	if err != nil {
		return err
	}
	now := s.clock.Now()
	out.Shown, out.Asks = l.Shown(k, now), l.AsksBeforeOut(k)
	var ahead *belief.Ahead
	if got != nil {
		ahead = &got.Ahead
	}
	out.Lots = lotsIn(l, c.Forecast.V, k, ahead, now)
	if loaded, in := l.LoadedAt(); in && c.FinishedAt == nil {
		line := out.Forecast.Timeline
		if len(line) > 0 {
			out.PlausibleC = plausible(run.FirstFrom(line, now.Sub(loaded).Minutes()).CoreC)
		}
	}
	out.Step.Asks = l.AsksOf(l.Step(now), k, now)
	if c.FinishedAt != nil {
		if out.NextTime, err = s.sessions.NextTime(ctx, c, l); err != nil {
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
		out[i] = CookSummary{Id: c.ID, Name: c.Name, StartedAt: c.StartedAt.Time, Live: c.FinishedAt == nil, Crust: c.Crust, Inside: c.Inside, Note: c.Note, PlannedMin: &c.PlannedMin,
			PlanId: &c.PlanID, FryerId: &c.FryerID, Fryer: &c.Fryer, EndCrust: c.EndCrust, JuicePct: c.JuiceKept}
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
	c, err := s.sessions.StartCook(ctx, r.Body.PlanId, orElse(r.Body.Basket, 1), r.Body.Session)
	if err != nil {
		return nil, err
	}
	out, err := s.cookOut(ctx, c)
	return StartCook201JSONResponse(out), err
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
	e := cook.Event{ID: orElse(r.Body.Id, ""), Kind: string(r.Body.Kind), Value: orElse(r.Body.Value, 0), Probe: orElse(r.Body.Probe, ""), Lot: orElse(r.Body.Lot, 0), Where: string(orElse(r.Body.Where, ""))}
	if err := s.sessions.Say(ctx, r.Id, e, r.Body.At); err != nil {
		return nil, err
	}
	defer s.sessions.InTurn(r.Id)()
	c, err := s.sessions.Forecast(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	out, err := s.cookOut(ctx, c)
	return AddCookEvent200JSONResponse(out), err
}

// RevokeCookEvent answers DELETE /cooks/{id}/events/{event}.
func (s *Server) RevokeCookEvent(ctx context.Context, r RevokeCookEventRequestObject) (RevokeCookEventResponseObject, error) {
	if err := s.sessions.Revoke(ctx, r.Id, r.Event); err != nil {
		return nil, err
	}
	defer s.sessions.InTurn(r.Id)()
	c, err := s.sessions.Forecast(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	out, err := s.cookOut(ctx, c)
	return RevokeCookEvent200JSONResponse(out), err
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
	if err := s.rated(&c, orElse(r.Body.Lots, nil)); err != nil {
		return nil, err
	}
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

// LeaveOut answers PUT /cooks/{id}/left-out.
func (s *Server) LeaveOut(ctx context.Context, r LeaveOutRequestObject) (LeaveOutResponseObject, error) {
	if err := s.store.LeaveOut(ctx, r.Id, r.Body.LeftOut); err != nil {
		return nil, err
	}
	return LeaveOut204Response{}, s.sessions.Learn(ctx)
}

// GetLiked answers GET /liked.
func (s *Server) GetLiked(ctx context.Context, _ GetLikedRequestObject) (GetLikedResponseObject, error) {
	out, err := s.sessions.Liked(ctx)
	return GetLiked200JSONResponse(out), err
}

// GetHowRight answers GET /how-right.
func (s *Server) GetHowRight(ctx context.Context, _ GetHowRightRequestObject) (GetHowRightResponseObject, error) {
	out, err := s.sessions.HowRight(ctx)
	return GetHowRight200JSONResponse(out), err
}

// TakeNextTime answers POST /cooks/{id}/next-time.
func (s *Server) TakeNextTime(ctx context.Context, r TakeNextTimeRequestObject) (TakeNextTimeResponseObject, error) {
	p, err := s.sessions.TakeNextTime(ctx, r.Id)
	return TakeNextTime200JSONResponse(planOut(p)), err
}

// rated puts in how each lot came out, and with it how the whole did. The error
// is refuse.Fields.
func (s *Server) rated(c *store.Cook, lots []cook.Rating) error {
	if err := cook.CheckRatings(lots, len(c.Plan.V.Lots.V)); err != nil {
		return err
	}
	if c.Ratings.V = lots; len(lots) == 0 {
		return nil
	}
	var crusts, insides []string
	for _, r := range lots {
		crusts, insides = append(crusts, r.Crust), append(insides, r.Inside)
	}
	c.Crust, c.Inside = cook.InCommon(crusts), cook.InCommon(insides)
	return nil
}

func outcomeOf(c store.Cook) Outcome {
	var lots *[]cook.Rating
	if len(c.Ratings.V) > 0 {
		lots = &c.Ratings.V
	}
	return Outcome{Lots: lots, Crust: (*OutcomeCrust)(c.Crust), Inside: (*OutcomeInside)(c.Inside), Note: c.Note, Change: c.ChangeNext}
}

// lotsIn are the lots of a cook, where there are several, with what is known of
// each by now and where its line, as it is believed in, stands.
func lotsIn(l cook.Live, a verdict.Answer, k cook.Known, ahead *belief.Ahead, now time.Time) *[]LotIn {
	if len(l.Lots) == 0 {
		return nil
	}
	out := make([]LotIn, len(l.Lots))
	loaded, in := l.LoadedAt()
	for j, lot := range l.Lots {
		o := &out[j]
		*o = LotIn{Name: lot.Name, Pieces: lot.Pieces, Faces: lot.Faces[:], Judged: LotInJudged(judging[lot.Judged]), Shown: l.ShownOf(j, k, now), GoesInMin: l.LotGoesInMin(j)}
		if j < len(k.Lots) {
			o.SafeByMin, o.RuleC = k.Lots[j].SafeBy, &k.Lots[j].Rule.CoreC
		}
		var line []run.Moment
		if j < len(a.Lots) {
			line = a.Lots[j].Timeline
		}
		if ahead != nil && j < len(ahead.Lots) {
			line = ahead.Lots[j].Timeline
		}
		if in && len(line) > 0 {
			o.PlausibleC = plausible(run.FirstFrom(line, now.Sub(loaded).Minutes()).CoreC)
		}
	}
	return &out
}
