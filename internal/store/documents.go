package store

import (
	"database/sql/driver"
	"encoding/json"
	"fmt"

	"velocrustum/core/load"
	"velocrustum/core/prep"
)

// Documents is the version in which documents are kept. Version 1 was the
// bare value; in version 2 a plan's load and coat had in them what its bench
// does. A migration rewrites what is older, so that only this one is read.
// What a document looked like in each is in testdata.
const Documents = 3

// JSON is a column that holds T as a versioned document.
type JSON[T any] struct{ V T }

type document[T any] struct {
	Version int `json:"version"`
	Holds   T   `json:"holds"`
}

// Value implements driver.Valuer.
func (j JSON[T]) Value() (driver.Value, error) {
	b, err := json.Marshal(document[T]{Documents, j.V})
	return string(b), err
}

// Scan implements sql.Scanner.
func (j *JSON[T]) Scan(src any) error {
	var text []byte
	switch v := src.(type) {
	case string:
		text = []byte(v)
	case []byte:
		text = v
	default:
		return fmt.Errorf("a document is %T, not text", src)
	}
	var d document[T]
	if err := json.Unmarshal(text, &d); err != nil {
		return fmt.Errorf("reading a document: %w", err)
	}
	if d.Version != Documents {
		return fmt.Errorf("a document of version %d, where %d is read", d.Version, Documents)
	}
	j.V = d.Holds
	return nil
}

// planDocument is the copy of a plan that a cook keeps.
type planDocument struct {
	ID            string        `json:"id"`
	Name          string        `json:"name"`
	FryerID       string        `json:"fryerId"`
	Load          load.Pieces   `json:"load"`
	Coat          load.Covering `json:"coat"`
	Program       load.Program  `json:"program"`
	TableTime     *string       `json:"tableTime"`
	PerBasket     *int          `json:"perBasket"`
	SecondFryerID *string       `json:"secondFryerId"`
	Bench         prep.Bench    `json:"bench"`
	Groups        []load.Group  `json:"groups,omitempty"`
	Version       int           `json:"version"`
	ChangedAt     Time          `json:"changedAt"`
}

// MarshalJSON writes the copy of a plan.
func (p Plan) MarshalJSON() ([]byte, error) {
	return json.Marshal(planDocument{p.ID, p.Name, p.FryerID, p.Load.V, p.Coat.V, p.Program.V, p.TableTime,
		p.PerBasket, p.SecondFryerID, p.Bench.V, p.Groups.V, p.Version, p.ChangedAt})
}

// UnmarshalJSON reads it.
func (p *Plan) UnmarshalJSON(b []byte) error {
	var d planDocument
	if err := json.Unmarshal(b, &d); err != nil {
		return err
	}
	*p = Plan{d.ID, d.Name, d.FryerID, JSON[load.Pieces]{d.Load}, JSON[load.Covering]{d.Coat}, JSON[load.Program]{d.Program},
		d.TableTime, d.PerBasket, d.SecondFryerID, JSON[prep.Bench]{d.Bench}, JSON[[]load.Group]{d.Groups}, d.Version, d.ChangedAt}
	return nil
}
