package api_test

import (
	"testing"

	"github.com/getkin/kin-openapi/openapi3"
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
