package demo

import (
	"time"

	"velocrustum/core/sheet"
	"velocrustum/internal/store"
)

// suppers are a card night for six on Friday, and a quick one for two.
func suppers(plans []store.Plan, now time.Time) []store.Supper {
	byName := map[string]string{}
	for _, p := range plans {
		byName[p.Name] = p.ID
	}
	at := func(days, hour, minute int) time.Time {
		d := now.AddDate(0, 0, days)
		return time.Date(d.Year(), d.Month(), d.Day(), hour, minute, 0, 0, now.Location()).UTC()
	}
	friday := (int(time.Friday) - int(now.Weekday()) + 7) % 7
	if friday == 0 {
		friday = 7
	}
	slaw := sheet.Side{ID: "slaw", Name: "Fennel slaw", HoldsMin: 90, Steps: []sheet.SideStep{
		{Says: "shave fennel and cabbage, salt lightly", Place: sheet.Board, Minutes: 10, Hands: 1},
		{Says: "let it soften", Place: sheet.Fridge, Minutes: 15},
		{Says: "dress with lemon and oil", Place: sheet.Board, Minutes: 3, Hands: 1}}}
	return []store.Supper{
		{Name: "Card night", Evening: store.SupperPlan{ServeAt: at(friday, 19, 30), People: 6, Hands: 1, Hobs: 2, WarmC: 95,
			Dishes: []store.DishOfSupper{{PlanID: byName["Wings for six"]}, {PlanID: byName["Wedges for six"]}}, Sides: []sheet.Side{slaw}}},
		{Name: "Quick one for two", Evening: store.SupperPlan{ServeAt: at(1, 18, 45), People: 2, Hands: 1, Hobs: 2,
			Dishes: []store.DishOfSupper{{PlanID: byName["Rye-crumbed pollock fingers"]}}}},
	}
}
