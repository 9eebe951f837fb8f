package api

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"sync"
	"time"
	_ "time/tzdata" // the kitchen's zone is known on the smallest computer

	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/sheet"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store"
)

// kitchens has the baskets that were fried for suppers, as long as the
// household's ingredients and units are what they were.
type kitchens struct {
	mu   sync.Mutex
	by   string
	last *sheet.Kitchen
}

func (s *Server) kitchen(ctx context.Context) (*sheet.Kitchen, error) {
	own, err := s.store.Pantry(ctx)
	if err != nil {
		return nil, err
	}
	set, err := s.store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	key, err := json.Marshal([]any{own, set})
	if err != nil {
		return nil, err
	}
	k := &s.kitchens
	k.mu.Lock()
	defer k.mu.Unlock()
	if k.last == nil || k.by != string(key) {
		k.by, k.last = string(key), &sheet.Kitchen{Pantry: prep.NewPantry(own), Units: set.Units()}
	}
	return k.last, nil
}

// supper is what is said of an evening with its dishes and fryers in it.
func (s *Server) supper(ctx context.Context, e store.Evening) (sheet.Supper, error) {
	out := sheet.Supper{ServeAt: e.ServeAt, Earliest: e.Earliest, Hands: e.Hands, Away: e.Away, Hobs: e.Hobs, Sides: e.Sides, Order: e.Order, Pins: e.Pins}
	if e.WarmC > 0 {
		out.Oven = &sheet.Oven{WarmC: e.WarmC}
	}
	fryers, err := s.store.Fryers(ctx)
	if err != nil {
		return out, err
	}
	used := map[string]bool{}
	for i, c := range e.Dishes {
		p, err := s.store.Plan(ctx, c.PlanID)
		if errors.Is(err, store.ErrNotFound) {
			return out, refuse.One(fmt.Sprintf("dishes[%d].planId", i), c.PlanID, "one of your dishes, which may have been deleted")
		} else if err != nil {
			return out, err
		}
		d, err := s.dish(ctx, asked(p))
		if err != nil {
			return out, err
		}
		one := sheet.Dish{ID: p.ID, Name: p.Name, FryerID: p.FryerID, PerBasket: d.PerBasket, Flash: c.Flash, Request: d.Request, Bench: d.Bench}
		if c.AnyFryer {
			one.FryerID = ""
			for _, f := range fryers {
				used[f.ID] = true
			}
		}
		used[p.FryerID] = true
		out.Dishes = append(out.Dishes, one)
	}
	for _, f := range fryers {
		if used[f.ID] {
			out.Fryers = append(out.Fryers, sheet.Fryer{ID: f.ID, Name: f.Name, Fryer: &f.Fryer})
		}
	}
	return out, nil
}

// worked is an evening worked back from its table.
func (s *Server) worked(ctx context.Context, e store.Evening) (sheet.Sheet, error) {
	ctx, leave, err := s.work.place(ctx)
	if err != nil {
		return sheet.Sheet{}, err
	}
	defer leave()
	k, err := s.kitchen(ctx)
	if err != nil {
		return sheet.Sheet{}, err
	}
	in, err := s.supper(ctx, e)
	if err != nil {
		return sheet.Sheet{}, err
	}
	return k.Plan(ctx, in)
}

// WorkSheet answers POST /sheets.
func (s *Server) WorkSheet(ctx context.Context, r WorkSheetRequestObject) (WorkSheetResponseObject, error) {
	got, err := s.worked(ctx, *r.Body)
	return WorkSheet200JSONResponse(got), err
}

// ListSuppers answers GET /suppers.
func (s *Server) ListSuppers(ctx context.Context, _ ListSuppersRequestObject) (ListSuppersResponseObject, error) {
	all, err := s.store.Suppers(ctx)
	return ListSuppers200JSONResponse(all), err
}

// PutSupper answers PUT /suppers/{id}.
func (s *Server) PutSupper(ctx context.Context, r PutSupperRequestObject) (PutSupperResponseObject, error) {
	own := *r.Body
	own.ID = r.Id
	if own.Name = strings.TrimSpace(own.Name); own.Name == "" {
		return nil, refuse.One("name", "blank", "1 to 60 letters")
	}
	in, err := s.supper(ctx, own.Evening)
	if err != nil {
		return nil, err
	}
	if err := in.Check(); err != nil {
		return nil, err
	}
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	own, err = s.store.PutSupper(ctx, own, v)
	return PutSupper200JSONResponse(own), err
}

// DropSupper answers DELETE /suppers/{id}.
func (s *Server) DropSupper(ctx context.Context, r DropSupperRequestObject) (DropSupperResponseObject, error) {
	return DropSupper204Response{}, s.store.DropSupper(ctx, r.Id)
}

// kept is a kept supper worked back.
func (s *Server) kept(ctx context.Context, id string) (store.Supper, sheet.Sheet, error) {
	own, err := s.store.Supper(ctx, id)
	if err != nil {
		return own, sheet.Sheet{}, err
	}
	got, err := s.worked(ctx, own.Evening)
	return own, got, err
}

// SupperCalendar answers GET /suppers/{id}/calendar.
func (s *Server) SupperCalendar(ctx context.Context, r SupperCalendarRequestObject) (SupperCalendarResponseObject, error) {
	own, got, err := s.kept(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	text := exchange.Calendar(own.ID, own.Name, got, s.clock.Now())
	return SupperCalendar200TextcalendarResponse{Body: strings.NewReader(text), ContentLength: int64(len(text))}, nil
}

// SupperList answers GET /suppers/{id}/list.
func (s *Server) SupperList(ctx context.Context, r SupperListRequestObject) (SupperListResponseObject, error) {
	zone := time.UTC
	if z := r.Params.Zone; z != nil {
		var err error
		if zone, err = time.LoadLocation(*z); err != nil {
			return nil, refuse.One("zone", fmt.Sprintf("%q", *z), "a time zone like Europe/Vienna")
		}
	}
	own, got, err := s.kept(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	text := exchange.Markdown(own.Name, got, zone)
	return SupperList200TextmarkdownResponse{Body: strings.NewReader(text), ContentLength: int64(len(text))}, nil
}
