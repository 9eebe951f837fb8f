package api

import (
	"context"
	"encoding/json"
	"net/http"
	"sync"

	"velocrustum/core/advise"
	"velocrustum/core/baskets"
	"velocrustum/core/load"
	"velocrustum/core/run"
)

// searching is an answer of POST /recommendations that is still being worked
// out: it writes progress while it searches, in lines of JSON.
type searching struct {
	ctx   context.Context
	leave func()
	q     load.Request
	want  advise.Want
}

// Recommend answers POST /recommendations.
func (s *Server) Recommend(ctx context.Context, r RecommendRequestObject) (RecommendResponseObject, error) {
	d, err := s.home.Ready(ctx, orderOf(*r.Body))
	if err != nil {
		return nil, err
	}
	a := searching{q: d.First()}
	if r.Params.Want != nil {
		a.want = advise.Want(*r.Params.Want)
	}
	// What is refused is refused before the first line.
	if err := advise.CheckRecommend(a.q, a.want); err != nil {
		return nil, err
	}
	a.ctx, a.leave, err = s.home.Places.Take(ctx)
	return a, err
}

// VisitRecommendResponse searches and writes.
func (a searching) VisitRecommendResponse(w http.ResponseWriter) error {
	defer a.leave()
	w.Header().Set("Content-Type", "application/x-ndjson")
	w.WriteHeader(http.StatusOK)
	lines, out := json.NewEncoder(w), http.NewResponseController(w)
	var mu sync.Mutex
	write := func(line RecommendationLine) error {
		mu.Lock()
		defer mu.Unlock()
		if err := lines.Encode(line); err != nil {
			return err
		}
		return out.Flush()
	}
	rec, err := advise.Recommend(a.ctx, a.q, a.want, func(done, of int) {
		_ = write(RecommendationLine{Done: &done, Of: &of}) // a reader that is gone ends the context
	})
	if err != nil {
		if a.ctx.Err() != nil {
			return nil
		}
		p := problemOf(err)
		return write(RecommendationLine{Problem: &p})
	}
	all := recommendationOut(rec)
	if err := write(RecommendationLine{Recommendation: &all}); err != nil && a.ctx.Err() == nil {
		return err
	}
	return nil // a reader that is gone wants no more
}

// recommendationOut leaves out what no drawing of the ways shows.
func recommendationOut(r advise.Recommendation) Recommendation {
	out := Recommendation{Want: string(r.Want), Ways: make([]Proposal, len(r.Ways))}
	if r.Says != "" {
		out.Says = &r.Says
	}
	for i, p := range r.Ways {
		out.Ways[i] = proposalOut(p)
	}
	return out
}

func proposalOut(p advise.Proposal) Proposal {
	out := Proposal{
		Way: string(p.Way), Name: p.Name, Program: p.Program, Minutes: p.Minutes, SafeByMin: p.SafeByMin, Crust: p.Crust,
		JuicePct: p.JuicePct, Turns: p.Turns, EnergyWh: p.EnergyWh, Ready: p.Ready, Reason: p.Reason, Score: p.Score,
		Timeline: make([]Outline, len(p.Timeline)),
	}
	for k, m := range p.Timeline {
		out.Timeline[k] = outline(m)
	}
	if last := p.Timeline[len(p.Timeline)-1].Faces; last[1].Brown < last[0].Brown {
		out.Paler = 1
	}
	return out
}

func outline(m run.Moment) Outline {
	m = m.Rounded()
	o := Outline{Minute: m.Minute, AirC: m.AirC, CoreC: m.CoreC}
	for _, f := range m.Faces {
		o.Faces = append(o.Faces, struct {
			Lab []float64 `json:"lab"`
		}{f.Lab[:]})
	}
	return o
}

// Convert answers POST /conversions.
func (s *Server) Convert(ctx context.Context, r ConvertRequestObject) (ConvertResponseObject, error) {
	ctx, d, leave, err := s.taken(ctx, r.Body.Request)
	if err != nil {
		return nil, err
	}
	defer leave()
	c, err := advise.Convert(ctx, d.First(), r.Body.Recipe)
	if err != nil {
		return nil, err
	}
	out := Convert200JSONResponse{Source: c.Source, Says: c.Says}
	if c.Fit != "" {
		out.Fit = new(string(c.Fit))
	}
	if c.Proposal != nil {
		p := proposalOut(*c.Proposal)
		out.Proposal = &p
	}
	return out, nil
}

// PlanBaskets answers POST /baskets.
func (s *Server) PlanBaskets(ctx context.Context, r PlanBasketsRequestObject) (PlanBasketsResponseObject, error) {
	ctx, d, leave, err := s.taken(ctx, *r.Body)
	if err != nil {
		return nil, err
	}
	defer leave()
	b, err := baskets.Batch(ctx, d)
	return PlanBaskets200JSONResponse(b), err
}
