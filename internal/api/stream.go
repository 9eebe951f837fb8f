package api

import (
	"context"
	"crypto/sha256"
	"encoding/base64"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"net/http"
	"slices"
	"strconv"
	"time"

	"velocrustum/core/belief"
)

// # What is cooked, on every device
//
// A device asks once with GET /cooks/live and then listens to GET
// /live/stream, server-sent events: each thing that is said under its number,
// so that a device that was away gets what it missed, and the figures after
// it. Time alone moves them too. What is drawn over time is asked for apart.

// beat is how often a stream is heard of at least, and look how often time is
// looked at.
const (
	beat    = 15 * time.Second
	look    = time.Second
	replays = 500 // as many things missed are told; more, and the figures alone
)

// GetLiveCook answers GET /cooks/live.
func (s *Server) GetLiveCook(ctx context.Context, r GetLiveCookRequestObject) (GetLiveCookResponseObject, error) {
	out, err := s.goingOn(ctx, orElse(r.Params.Cook, ""))
	if err != nil {
		return nil, err
	}
	out.Pace = s.pace()
	hung, err := s.sessions.Hung(ctx)
	if err != nil {
		return nil, err
	}
	if len(hung) > 0 {
		out.Measuring = &hung
	}
	if out.Mark == orElse(r.Params.Known, "") {
		out.Cook, out.Evening, out.Beside = nil, nil, nil
	}
	return out, nil
}

// goingOn is what is cooked now; of several cooks, the one that is wanted is told
// in full, or the one of which something is due first, and the others in short.
func (s *Server) goingOn(ctx context.Context, wanted string) (out GetLiveCook200JSONResponse, err error) {
	e, cooks, err := s.sessions.GoingOn(ctx)
	switch {
	case err != nil:
		return out, err
	case e != nil:
		view, err := s.eveningOut(ctx, *e)
		if err != nil {
			return out, err
		}
		out.Evening, out.Now = &view, s.clock.Now()
		out.ClockOffMin = s.clockOff()
		view.Now = time.Time{}
		out.Mark, err = mark(view)
		view.Now = out.Now
		return out, err
	case len(cooks) == 0:
		return GetLiveCook200JSONResponse{Now: s.clock.Now()}, nil
	}
	views := make([]Cook, len(cooks))
	for i, c := range cooks {
		if views[i], err = s.cookOut(ctx, c); err != nil {
			return out, err
		}
		views[i].Now = time.Time{}
	}
	out.Now, out.ClockOffMin = s.clock.Now(), s.clockOff()
	shown := dueFirst(views, out.Now)
	if k := slices.IndexFunc(views, func(v Cook) bool { return v.Id == wanted }); k >= 0 {
		shown = k
	}
	var beside []CookBeside
	for i, v := range views {
		if len(views) > 1 {
			beside = append(beside, CookBeside{Id: v.Id, Name: v.Name, Place: v.Fryer.Name, Step: v.Step, Shown: i == shown})
		}
	}
	if out.Mark, err = mark(append([]Cook{views[shown]}, views...)); err != nil {
		return out, err
	}
	if len(beside) > 0 {
		out.Beside = &beside
	}
	views[shown].Now = out.Now
	out.Cook = &views[shown]
	return out, nil
}

// dueFirst is of which of several cooks something is due first: what waits to be
// done is due now.
func dueFirst(views []Cook, now time.Time) (first int) {
	at := func(v Cook) time.Time {
		if v.Step.Until == nil {
			return now
		}
		return *v.Step.Until
	}
	for i, v := range views {
		if at(v).Before(at(views[first])) {
			first = i
		}
	}
	return first
}

// toldOff is how far the computer's clock must be set while a cook goes on,
// to be told of.
const toldOff = time.Minute

func (s *Server) clockOff() *float64 {
	off := s.clock.Off()
	if off.Abs() < toldOff {
		return nil
	}
	minutes := math.Round(off.Minutes())
	return &minutes
}

// pace is how fast the kitchen's clock runs, where that is not as time does.
func (s *Server) pace() *float64 {
	if p := s.clock.Pace(); p != 1 {
		return &p
	}
	return nil
}

// mark is short, and another one for another state of a thing.
func mark(v any) (string, error) {
	b, err := json.Marshal(v)
	sum := sha256.Sum256(b)
	return base64.RawURLEncoding.EncodeToString(sum[:12]), err
}

// figures is what a stream tells of what is going on: no timelines.
type figures struct {
	Now         time.Time        `json:"now"`
	ClockOffMin *float64         `json:"clockOffMin,omitempty"`
	Mark        string           `json:"mark"`
	Evening     *LiveEvening     `json:"evening,omitempty"`
	CookID      string           `json:"cookId,omitempty"`
	Step        *CookStep        `json:"step,omitempty"`
	Foreseen    *belief.Foreseen `json:"foreseen,omitempty"`
}

// stream answers GET /live/stream.
func (s *Server) stream(w http.ResponseWriter, r *http.Request) {
	ctx := r.Context()
	out := http.NewResponseController(w)
	if err := out.SetWriteDeadline(time.Time{}); err != nil && !errors.Is(err, http.ErrNotSupported) {
		fail(w, r, err)
		return
	}
	woken, over, leave := s.sessions.Watch()
	defer leave()
	seq, err := s.store.LastSeq(ctx)
	if err != nil {
		fail(w, r, err)
		return
	}
	if had, err := strconv.ParseInt(r.Header.Get("Last-Event-ID"), 10, 64); err == nil && had >= 0 && had <= seq && seq-had <= replays {
		seq = had // what was missed is told first
	}
	w.Header().Set("Content-Type", "text/event-stream")
	w.Header().Set("X-Accel-Buffering", "no")
	w.WriteHeader(http.StatusOK)
	told, spoken := "", time.Now()
	left := s.access.left.Load()
	tick := time.NewTicker(look)
	defer tick.Stop()
	for first := true; ; first = false {
		if now := s.access.left.Load(); now != left {
			if left = now; !s.access.admits(r) {
				return // it was taken back
			}
		}
		said, err := s.store.Since(ctx, seq, replays)
		if err != nil {
			return
		}
		for _, e := range said {
			seq = e.Seq
			if send(w, seq, "said", e) != nil {
				return
			}
		}
		mark, now, err := s.shared.of(ctx, s, seq)
		if err != nil {
			return // the device asks again, and is told then
		}
		if first || mark != told {
			if send(w, seq, "figures", now) != nil {
				return
			}
			told, spoken = mark, time.Now()
		} else if time.Since(spoken) > beat {
			if _, err := fmt.Fprint(w, ": still here\n\n"); err != nil {
				return
			}
			spoken = time.Now()
		}
		if out.Flush() != nil {
			return
		}
		select {
		case <-woken:
		case <-tick.C:
		case <-over:
			return
		case <-ctx.Done():
			return
		}
	}
}

// send writes one event of a stream.
func send(w http.ResponseWriter, id int64, event string, data any) error {
	b, err := json.Marshal(data)
	if err != nil {
		return err
	}
	_, err = fmt.Fprintf(w, "id: %d\nevent: %s\ndata: %s\n\n", id, event, b)
	return err
}
