package api

import (
	"context"
	"fmt"
	"strings"
	"time"
	_ "time/tzdata" // the kitchen's zone is known on the smallest computer

	"velocrustum/core/refuse"
	"velocrustum/core/sheet"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store"
)

// WorkSheet answers POST /sheets.
func (s *Server) WorkSheet(ctx context.Context, r WorkSheetRequestObject) (WorkSheetResponseObject, error) {
	got, err := s.home.Sheet(ctx, *r.Body)
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
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	own, err = s.home.KeepSupper(ctx, own, v)
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
	got, err := s.home.Sheet(ctx, own.Evening)
	return own, got, err
}

// SupperCalendar answers GET /suppers/{id}/calendar.
func (s *Server) SupperCalendar(ctx context.Context, r SupperCalendarRequestObject) (SupperCalendarResponseObject, error) {
	own, got, err := s.kept(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	text := exchange.Calendar(own.ID, own.Name, got, s.clock.Now(), int(own.Version))
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
