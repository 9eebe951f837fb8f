package api

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"log/slog"
	"net/http"
	"strings"

	"github.com/getkin/kin-openapi/openapi3"
	"github.com/getkin/kin-openapi/openapi3filter"

	"velocrustum/core/refuse"
	"velocrustum/internal/exchange"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
	"velocrustum/internal/work"
)

// retryAfter is when a device that found no place asks again, s.
const retryAfter = "3"

// writeProblem answers with an RFC 9457 problem.
func writeProblem(w http.ResponseWriter, p Problem) {
	w.Header().Set("Content-Type", "application/problem+json")
	if p.Status == http.StatusServiceUnavailable {
		w.Header().Set("Retry-After", retryAfter)
	}
	w.WriteHeader(p.Status)
	_ = json.NewEncoder(w).Encode(p) // the client may be gone
}

func text(s string) *string { return &s }

// problemOf turns an error into what the client is told.
func problemOf(err error) Problem {
	var fields refuse.Fields
	var request *openapi3filter.RequestError
	var needed store.NeededError
	var archive exchange.RefusedError
	switch {
	case errors.As(err, &archive):
		return Problem{Status: http.StatusUnprocessableEntity, Title: "This archive is not read", Detail: &archive.Why}
	case errors.As(err, &fields):
		return withFields(http.StatusUnprocessableEntity, "That is not possible", fields)
	case errors.As(err, &request):
		return requestProblem(request)
	case errors.Is(err, store.ErrNotFound):
		return Problem{Status: http.StatusNotFound, Title: "That is not here", Detail: text("It may have been deleted on another device.")}
	case errors.Is(err, store.ErrChanged):
		return Problem{Status: http.StatusPreconditionFailed, Title: "Changed on another device", Detail: text("It was changed there meanwhile. Both are still there: choose which to keep.")}
	case errors.Is(err, store.ErrFull):
		return Problem{Status: http.StatusConflict, Title: "No more pictures", Detail: text(fmt.Sprintf("A cook has up to %d: take one out first.", store.MostPictures))}
	case errors.Is(err, store.ErrLive):
		return Problem{Status: http.StatusConflict, Title: "A cook is going on", Detail: text("Finish it first: one basket at a time in one place, and a supper by itself. Another fryer, or the other drawer, is free.")}
	case errors.As(err, &needed):
		says := "It is the only one: add another first."
		if len(needed.Dishes) > 0 {
			says = "In it run: " + strings.Join(needed.Dishes, ", ") + ". Choose another fryer for them first."
		}
		return Problem{Status: http.StatusConflict, Title: "This fryer is still needed", Detail: &says}
	case errors.Is(err, errNoLAN):
		return Problem{Status: http.StatusConflict, Title: "Not on the home network", Detail: text("Start it with --lan, so that a phone can reach it.")}
	case errors.Is(err, work.ErrBusy), errors.Is(err, context.DeadlineExceeded), store.IsBusy(err):
		return Problem{Status: http.StatusServiceUnavailable, Title: "The kitchen computer is busy", Detail: text("It is working for others. Nothing is lost; it is tried again.")}
	case errors.Is(err, context.Canceled):
		return Problem{Status: 499, Title: "Given up"}
	}
	if says := store.Trouble(err); says != "" {
		return Problem{Status: http.StatusInsufficientStorage, Title: "It cannot be kept there", Detail: &says}
	}
	return Problem{Status: http.StatusInternalServerError, Title: "That went wrong here", Detail: text("It was not kept there. Try again.")}
}

func withFields(status int, title string, fields refuse.Fields) Problem {
	p := Problem{Status: status, Title: title, Detail: text(fields.Error())}
	list := make([]struct {
		Allowed string `json:"allowed"`
		Field   string `json:"field"`
		Says    string `json:"says"`
		Value   string `json:"value"`
	}, len(fields))
	for i, f := range fields {
		list[i].Field, list[i].Value, list[i].Allowed, list[i].Says = f.Field, f.Value, f.Allowed, household.Refused(f)
	}
	p.Errors = &list
	return p
}

// requestProblem words what the contract's check found.
func requestProblem(r *openapi3filter.RequestError) Problem {
	fields := schemaFields(r.Err)
	if r.Err == nil {
		fields = append(fields, refuse.Field{Field: "(request)", Value: "what was sent", Allowed: r.Reason})
	}
	return withFields(http.StatusUnprocessableEntity, "That is not possible", fields)
}

// schemaFields are what a schema does not allow.
func schemaFields(err error) (fields refuse.Fields) {
	var multi openapi3.MultiError
	var schema *openapi3.SchemaError
	switch {
	case errors.As(err, &multi):
		for _, e := range multi {
			fields = append(fields, schemaFields(e)...)
		}
	case errors.As(err, &schema):
		fields = append(fields, schemaField(schema))
	case err != nil:
		fields = append(fields, refuse.Field{Field: "(request)", Value: "what was sent", Allowed: strings.SplitN(err.Error(), "\n", 2)[0]})
	}
	return fields
}

func schemaField(e *openapi3.SchemaError) refuse.Field {
	var name strings.Builder
	for _, part := range e.JSONPointer() {
		if part != "" && strings.Trim(part, "0123456789") == "" {
			name.WriteString("[" + part + "]")
			continue
		}
		if name.Len() > 0 {
			name.WriteByte('.')
		}
		name.WriteString(part)
	}
	f := refuse.Field{Field: name.String(), Value: short(e.Value), Allowed: e.Reason}
	s := e.Schema
	switch e.SchemaField {
	case "type":
		f.Allowed = map[string]string{"number": "a number", "integer": "a whole number", "string": "text in quotes", "array": "a list", "object": "an object", "boolean": "true or false"}[s.Type.Slice()[0]]
	case "minimum", "maximum":
		if s.Min != nil && s.Max != nil {
			f.Allowed = fmt.Sprintf("%g to %g", *s.Min, *s.Max)
		}
	case "enum":
		var known []string
		for _, v := range s.Enum {
			known = append(known, fmt.Sprint(v))
		}
		f.Allowed = strings.Join(known, ", ")
	case "pattern":
		f.Allowed = "letters, digits, points and dashes"
		if strings.Contains(s.Pattern, ":") {
			f.Allowed = "a time of day like 19:30"
		}
	case "minItems":
		f.Allowed = fmt.Sprintf("%d or more", s.MinItems)
	case "maxItems":
		f.Allowed = fmt.Sprintf("up to %d", *s.MaxItems)
	case "minLength", "maxLength":
		f.Allowed = fmt.Sprintf("%d characters or more", s.MinLength)
		if s.MaxLength != nil {
			f.Allowed = fmt.Sprintf("%d to %d characters", s.MinLength, *s.MaxLength)
		}
	case "required":
		f.Value, f.Allowed = "missing", "it has to be there"
	case "properties":
		// The reason reads: property "x" is unsupported.
		if parts := strings.Split(e.Reason, `"`); len(parts) == 3 {
			f.Field = strings.TrimPrefix(f.Field+"."+parts[1], ".")
		}
		f.Value, f.Allowed = "unknown field", "the fields of the description"
	}
	if f.Field == "" {
		f.Field = "(request)"
	}
	return f
}

func short(v any) string {
	b, err := json.Marshal(v)
	if err != nil {
		return "something"
	}
	if len(b) > 60 {
		return string(b[:60]) + "…"
	}
	return string(b)
}

// fail answers an error of a handler.
func fail(w http.ResponseWriter, r *http.Request, err error) { writeProblem(w, problemFor(r, err)) }

// problemFor is the problem of a request; those that are ours are logged.
func problemFor(r *http.Request, err error) Problem {
	p := problemOf(err)
	if p.Status == http.StatusInternalServerError {
		slog.ErrorContext(r.Context(), "request failed", "method", r.Method, "path", r.URL.Path, "err", err)
	}
	return p
}
