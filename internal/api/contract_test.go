package api_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/getkin/kin-openapi/openapi3"

	"velocrustum/internal/api"
)

// The contract is one that any reader of OpenAPI takes: no description that a
// comma cuts off, no word that is not of the format.
func TestTheContractIsValid(t *testing.T) {
	doc, err := openapi3.NewLoader().LoadFromFile("../../api/openapi.yaml")
	if err != nil {
		t.Fatal(err)
	}
	if err := doc.Validate(t.Context()); err != nil {
		t.Error(err)
	}
}

// Each operation says in a line what it does and where it belongs; what is answered
// is what is described, and no more.
func TestTheContractIsWhole(t *testing.T) {
	doc, err := openapi3.NewLoader().LoadFromFile("../../api/openapi.yaml")
	if err != nil {
		t.Fatal(err)
	}
	known := map[string]bool{}
	for _, tag := range doc.Tags {
		known[tag.Name] = tag.Description != ""
	}
	byHand := 0
	for path, item := range doc.Paths.Map() {
		for method, op := range item.Operations() {
			if op.Summary == "" || len(op.Tags) != 1 || !known[op.Tags[0]] {
				t.Errorf("%s %s: summary %q, tags %q", method, path, op.Summary, op.Tags)
			}
			if op.Extensions["x-served-by-hand"] == true {
				byHand++
			}
		}
	}
	if byHand != 6 {
		t.Errorf("%d operations are marked as served by hand", byHand)
	}
	open := 0
	for name, of := range doc.Components.Schemas {
		s := of.Value
		if closed := s.AdditionalProperties; len(s.Properties) > 0 && (closed.Has == nil || *closed.Has) {
			t.Logf("%s is open", name)
			open++
		}
	}
	if open > 4 { // those that others are made of
		t.Errorf("%d objects are open", open)
	}
}

// The examples of the contract fit it, and are answered.
func TestExamplesAreAnswered(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	doc, err := api.GetSpec()
	if err != nil {
		t.Fatal(err)
	}
	k := newKitchen(t, "")
	tried := 0
	for path, item := range doc.Paths.Map() {
		for method, op := range item.Operations() {
			if op.RequestBody == nil {
				continue
			}
			of := op.RequestBody.Value.Content.Get("application/json")
			if of == nil || of.Example == nil {
				continue
			}
			tried++
			if err := of.Schema.Value.VisitJSON(of.Example); err != nil {
				t.Errorf("%s %s: %v", method, path, err)
			}
			b, err := json.Marshal(of.Example)
			if err != nil {
				t.Fatal(err)
			}
			if w := k.Send(method, "/api/v1"+path, string(b)); w.Code/100 != 2 {
				t.Errorf("%s %s: %d %s", method, path, w.Code, w.Body)
			}
		}
	}
	if tried < 10 {
		t.Errorf("%d examples", tried)
	}
}

// The contract can be read as a page, all of which ships with the program.
func TestTheContractIsShown(t *testing.T) {
	k := newKitchen(t, "")
	page := k.Send("GET", "/api/docs", "")
	if page.Code != 200 || !strings.Contains(page.Header().Get("Content-Security-Policy"), "script-src 'self' 'nonce-") || strings.Contains(page.Body.String(), "//") {
		t.Errorf("%d %v %s", page.Code, page.Header(), page.Body)
	}
	for path, kind := range map[string]string{"/api/docs/swagger-ui-bundle.js": "javascript", "/api/docs/swagger-ui.css": "css", "/api/openapi.json": "json"} {
		if w := k.Send("GET", path, ""); w.Code != 200 || !strings.Contains(w.Header().Get("Content-Type"), kind) || w.Body.Len() < 1000 {
			t.Errorf("%s: %d %s, %d bytes", path, w.Code, w.Header().Get("Content-Type"), w.Body.Len())
		}
	}
	if w := k.Send("GET", "/api/docs/index.html", ""); w.Code != 404 {
		t.Errorf("the package's own page: %d", w.Code)
	}
}
