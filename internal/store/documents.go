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
// does; in version 3 a plan had a load, its coat and its bench, and groups beside
// it, where now it has lots. A migration rewrites what is older, so that only this one is read.
// What a document looked like in each is in testdata.
const Documents = 4

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
	ID            string         `json:"id"`
	Name          string         `json:"name"`
	FryerID       string         `json:"fryerId"`
	Lots          []prep.DishLot `json:"lots"`
	Bench         prep.Bench     `json:"bench"`
	Program       load.Program   `json:"program"`
	TableTime     *string        `json:"tableTime"`
	PerBasket     *int           `json:"perBasket"`
	SecondFryerID *string        `json:"secondFryerId"`
	Drawer        *string        `json:"drawer,omitempty"`
	BesideID      *string        `json:"besideId,omitempty"`
	Ready         *string        `json:"ready,omitempty"`
	Version       int            `json:"version"`
	ChangedAt     Time           `json:"changedAt"`

	// Of archives from before there were lots.
	Load   load.Pieces    `json:"load,omitzero"`
	Coat   *load.Covering `json:"coat,omitempty"`
	Groups []load.Group   `json:"groups,omitempty"`
}

// MarshalJSON writes the copy of a plan.
func (p Plan) MarshalJSON() ([]byte, error) {
	return json.Marshal(planDocument{ID: p.ID, Name: p.Name, FryerID: p.FryerID, Lots: p.Lots.V, Bench: p.Bench.V, Program: p.Program.V, TableTime: p.TableTime,
		PerBasket: p.PerBasket, SecondFryerID: p.SecondFryerID, Drawer: p.Drawer, BesideID: p.BesideID, Ready: p.Ready, Version: p.Version, ChangedAt: p.ChangedAt})
}

// UnmarshalJSON reads it.
func (p *Plan) UnmarshalJSON(b []byte) error {
	var d planDocument
	if err := json.Unmarshal(b, &d); err != nil {
		return err
	}
	a := prep.Asked{Lots: d.Lots, Load: d.Load, Coat: d.Coat, Groups: d.Groups, Bench: &d.Bench, Program: d.Program}.InLots()
	*p = Plan{ID: d.ID, Name: d.Name, FryerID: d.FryerID, Lots: JSON[[]prep.DishLot]{a.Lots}, Bench: JSON[prep.Bench]{*a.Bench}, Program: JSON[load.Program]{a.Program},
		TableTime: d.TableTime, PerBasket: d.PerBasket, SecondFryerID: d.SecondFryerID, Drawer: d.Drawer, BesideID: d.BesideID, Ready: d.Ready,
		Version: d.Version, ChangedAt: d.ChangedAt}
	return nil
}
