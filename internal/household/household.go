// Package household puts together what a household keeps, as the engine takes
// it, and says what may be kept.
//
// An Order is what is asked for by what the household calls its own; Dish and
// Ready are that dish on the bench and off it (order.go). A supper is put
// together with its dishes and fryers (supper.go), a kept cook as core/cook
// leads it (cook.go). What is to be kept is checked first (keep.go), and what
// cannot be is said in a cook's words (words.go).
package household

import (
	"context"
	"sync"

	"velocrustum/core/prep"
	"velocrustum/core/sheet"
	"velocrustum/core/units"
	"velocrustum/internal/store"
	"velocrustum/internal/work"
)

// A Household is what one store keeps. It is safe for use by several goroutines.
type Household struct {
	Store  *store.Store
	Places work.Places

	// The baskets that were fried for suppers, as long as the household's
	// ingredients and units are what they were.
	mu        sync.Mutex
	friedFor  string
	lastFried *sheet.Kitchen
}

// New returns the household of a store, which works at places.
func New(st *store.Store, places work.Places) *Household {
	return &Household{Store: st, Places: places}
}

// Pantry returns the household's pantry and the units it reads in.
func (h *Household) Pantry(ctx context.Context) (prep.Pantry, units.Household, error) {
	own, err := h.Store.Pantry(ctx)
	if err != nil {
		return nil, units.Household{}, err
	}
	set, err := h.Store.Settings(ctx)
	return prep.NewPantry(own), set.Units(), err
}

func orElse[T any](p *T, d T) T {
	if p == nil {
		return d
	}
	return *p
}
