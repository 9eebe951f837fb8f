package api

import (
	"bytes"
	"encoding/json"
	"errors"
	"io"
	"mime"
	"net/http"
	"strings"

	"velocrustum/core/refuse"
	"velocrustum/internal/exchange"
)

// wholeBody lets through what is one JSON value and nothing after it, in
// which no object names a field twice; or a table, where one is read.
func wholeBody(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		raw, err := io.ReadAll(http.MaxBytesReader(w, r.Body, mostOf(r.URL.Path)))
		var large *http.MaxBytesError
		switch {
		case errors.As(err, &large):
			writeProblem(w, Problem{Status: http.StatusRequestEntityTooLarge, Title: "That is too much at once"})
			return
		case err != nil:
			writeProblem(w, Problem{Status: http.StatusBadRequest, Title: "That could not be read"})
			return
		}
		if len(raw) > 0 {
			kind, _, err := mime.ParseMediaType(r.Header.Get("Content-Type"))
			if err == nil && kind == "text/csv" {
				// The contract says who reads a table.
				r.Body = io.NopCloser(bytes.NewReader(raw))
				next.ServeHTTP(w, r)
				return
			}
			if err != nil || kind != "application/json" {
				writeProblem(w, Problem{Status: http.StatusUnsupportedMediaType, Title: "Only JSON is read", Detail: text("Content-Type: application/json")})
				return
			}
			if !json.Valid(raw) {
				writeProblem(w, withFields(http.StatusUnprocessableEntity, "That is not possible", refuse.One("(request)", "what was sent", "one JSON value, and nothing after it")))
				return
			}
			if twice := refuse.Repeated(raw); twice != "" {
				writeProblem(w, withFields(http.StatusUnprocessableEntity, "That is not possible", refuse.One(twice, "said twice", "each field once")))
				return
			}
			// A recipe is text from anywhere; it is cleaned as it is read.
			if hidden := refuse.Hidden(raw); len(hidden) > 0 && !strings.HasSuffix(r.URL.Path, "/recipes") {
				writeProblem(w, withFields(http.StatusUnprocessableEntity, "That is not possible", hidden))
				return
			}
		}
		r.Body = io.NopCloser(bytes.NewReader(raw))
		next.ServeHTTP(w, r)
	})
}

// mostOf is how much is read of what is sent, bytes: a saved page is larger than
// anything else that is said.
func mostOf(path string) int64 {
	if strings.HasSuffix(path, "/recipes") {
		return 2*exchange.MostRecipe + maxBody // quotes and backslashes are two
	}
	return maxBody
}
