package baskets

import (
	"fmt"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
)

// How pieces lie, whether more baskets are worth it, and what waiting and dressing cost,
// over all that their figures may be, is as it was read: each word has its border.
func TestWordsOfBasketsAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for c := 0.5; c < 3; c += 0.04 {
		f.Addf(fmt.Sprintf("covered %.2f", c), "%s", lying(c))
	}
	l, err := load.Of(loadtest.DozenWings())
	if err != nil {
		t.Fatal(err)
	}
	wedges, err := load.Of(load.Request{Load: load.Pieces{Cut: "potato-wedge", Pieces: 12, PieceMassG: 30}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 20}}}})
	if err != nil {
		t.Fatal(err)
	}
	for _, crust := range []float64{30, 50, 58, 62, 75} {
		for _, juice := range []float64{40, 55, 70} {
			for _, best := range []string{"", OneBasket, SeveralBaskets} {
				for n := 2; n <= 3; n++ {
					one, several := Batching{Crust: crust, JuicePct: 60, Ready: juice > 50}, Batching{Crust: 64, JuicePct: juice, Ready: crust > 45, Baskets: make([]Basketful, n)}
					f.Addf(fmt.Sprint("worth ", crust, juice, best, n), "%s", worthBaskets(best, &one, &several, 60))
				}
			}
		}
	}
	for _, minutes := range []float64{0.4, 5, 11.2} {
		for _, room := range []float64{45, 59, 61, 70} {
			w := Wait{Minutes: minutes, Crust: 71.6, FlashMin: minutes - 5, Kept: []Kept{{Crust: 65.9, FlashCrust: 72.2}, {Crust: 55.5, CoreC: room}, {Crust: 31}}}
			f.Addf(fmt.Sprint("waits ", minutes, room), "%s | %s", waitSays(&w, l), waitSays(&w, wedges))
		}
	}
	for kept := 0.0; kept <= 100; kept += 2 {
		for _, asked := range []string{DressNow, DressUp, DressPour, DressTable, DressNone} {
			f.Addf(fmt.Sprint("dressed ", kept, asked), "%s", adviceSays("Glaze", asked, DressNone, map[string]float64{DressNone: 55, asked: kept}))
		}
	}
	f.Same(t, "words.txt")
}
