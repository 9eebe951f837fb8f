package api

import (
	"context"
	"encoding/json"
	"net/http"
	"sync"

	"velocrustum/core/program"
)

// searching is an answer of POST /recommendations that is still being worked
// out: it writes progress while it searches, in lines of JSON.
type searching struct {
	ctx   context.Context
	leave func()
	q     program.Request
	want  program.Want
}

// Recommend answers POST /recommendations.
func (s *Server) Recommend(ctx context.Context, r RecommendRequestObject) (RecommendResponseObject, error) {
	d, err := s.ready(ctx, *r.Body)
	if err != nil {
		return nil, err
	}
	a := searching{q: d.First()}
	if r.Params.Want != nil {
		a.want = program.Want(*r.Params.Want)
	}
	// What is refused is refused before the first line.
	if err := program.CheckRecommend(a.q, a.want); err != nil {
		return nil, err
	}
	a.ctx, a.leave, err = s.work.place(ctx)
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
	rec, err := program.Recommend(a.ctx, a.q, a.want, func(done, of int) {
		_ = write(RecommendationLine{Done: &done, Of: &of}) // a reader that is gone ends the context
	})
	if err != nil {
		if a.ctx.Err() != nil {
			return nil
		}
		p := problemOf(err)
		return write(RecommendationLine{Problem: &p})
	}
	if err := write(RecommendationLine{Recommendation: &rec}); err != nil && a.ctx.Err() == nil {
		return err
	}
	return nil // a reader that is gone wants no more
}

// Convert answers POST /conversions.
func (s *Server) Convert(ctx context.Context, r ConvertRequestObject) (ConvertResponseObject, error) {
	ctx, d, leave, err := s.taken(ctx, r.Body.Request)
	if err != nil {
		return nil, err
	}
	defer leave()
	c, err := program.Convert(ctx, d.First(), r.Body.Recipe)
	return Convert200JSONResponse(c), err
}

// PlanBaskets answers POST /baskets.
func (s *Server) PlanBaskets(ctx context.Context, r PlanBasketsRequestObject) (PlanBasketsResponseObject, error) {
	ctx, d, leave, err := s.taken(ctx, *r.Body)
	if err != nil {
		return nil, err
	}
	defer leave()
	b, err := program.Batch(ctx, d)
	return PlanBaskets200JSONResponse(b), err
}
