package sheet

import (
	"strings"
	"testing"

	"velocrustum/core/larder"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
)

// A ladled sauce is ladled at the end, its rice is cooked in time for it, once for two
// dishes, and nobody is told to toss.
func TestALadledSauceWithRice(t *testing.T) {
	s := cardNight()
	wok := pan.Serving{Name: "Sweet and sour", How: pan.Ladle, Grain: pan.Rice, Sauce: pan.Sauce{School: pan.Thicken, Items: []larder.Item{
		{Ingredient: "pineapple-pieces", G: 250}, {Ingredient: "onion-pieces", G: 120}, {Ingredient: "stock", G: 200}, {Ingredient: "ketchup", G: 80}}}}
	s.Dishes[0].SauceID, s.Sauces = "", nil
	for i := range s.Dishes {
		s.Dishes[i].Request.Bench = &prep.Bench{Servings: 2 + i, Sauces: []pan.Serving{wok}}
	}
	got := plan(t, s)
	honest(t, "ladled", s, got)
	var boils, dress []Task
	said := ""
	for _, task := range got.Tasks {
		said += task.Says + "\n"
		if strings.Contains(task.Says, "Rice boils") {
			boils = append(boils, task)
		}
		if strings.HasPrefix(task.Says, "Ladle over") {
			dress = append(dress, task)
		}
	}
	if len(boils) != 1 || len(dress) != 2 || !strings.Contains(said, "Rice on: 375 g, dry") || strings.Contains(said, "Toss") {
		t.Fatalf("rice %d times, ladled %d times\n%s", len(boils), len(dress), said)
	}
	if !boils[0].End.Before(dress[0].Start) {
		t.Errorf("rice boils until %s, and is under it at %s", boils[0].End, dress[0].Start)
	}
	s.Sides = append(s.Sides, Side{ID: "own", Name: "Fried rice", HoldsMin: 30, Steps: []SideStep{{Says: "Fry it", Minutes: 10, Hands: 1}}})
	for _, task := range plan(t, s).Tasks {
		if strings.Contains(task.Says, "Rice boils") {
			t.Error("rice is cooked beside the rice that the cook has")
		}
	}
}

// What is told at the end of a basket is told of its food: birds in two places, a
// plant tried.
func TestTakenOutByItsFood(t *testing.T) {
	s := cardNight()
	s.Dishes[0].Request = pieces("chicken-half", 1, 650, "oil-rub", 4, 180, 50)
	s.Dishes[0].PerBasket = 1
	said := ""
	for _, task := range plan(t, s).Tasks {
		said += task.Says + "\n"
	}
	for _, want := range []string{"half chickens out; probe breast and thigh", "potato wedges out; try one"} {
		if !strings.Contains(strings.ToLower(said), want) {
			t.Errorf("%q is not said:\n%s", want, said)
		}
	}
}
