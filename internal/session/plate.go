package session

import (
	"context"

	"velocrustum/core/baskets"
	"velocrustum/core/cook"
	"velocrustum/core/crust"
	"velocrustum/core/sheet"
	"velocrustum/internal/store"
)

// OnPlate says what a basket of a supper was at its table, by how long it was in and
// how long it waited; "" where it never came to one.
func (s *Sessions) OnPlate(ctx context.Context, e store.EveningLed, led *LedEvening, b *cook.LedBasket) (string, error) {
	out, isOut := b.OutAt()
	table, flashed := led.Served(b.Dish)
	if !isOut || table.Before(out) {
		return "", nil
	}
	q, err := s.request(ctx, led.Cooks[b.Key()], b.Live)
	if err != nil {
		return "", err
	}
	warmC := 0.0
	if e.Plan != nil && e.Sheet.V.Keeps(b.Dish, b.Number) == sheet.InOven {
		warmC = e.Plan.V.WarmC
	}
	waited := table.Sub(out).Minutes()
	left, coreC, err := baskets.Waited(q, warmC, min(waited, 120), flashed)
	if err != nil {
		return "", nil // its program is beyond what is run on; the entry of its own has the rest
	}
	return cook.PlateSays(left, crust.Words(left), coreC, waited, warmC, flashed, q.Units), nil
}
