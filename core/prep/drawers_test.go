package prep

import (
	"strings"
	"testing"

	"velocrustum/core/load"
)

// What is asked of two drawers is asked of each: whatever stands beside them is refused,
// each by itself.
func TestDrawersAreAskedAlone(t *testing.T) {
	t.Parallel()
	of := AskedChamber{Lots: []DishLot{{LotRequest: load.LotRequest{Load: load.Pieces{Cut: "potato-wedge", Pieces: 8, PieceMassG: 30}}}}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 20}}}}
	two := Asked{Chambers: []AskedChamber{of, of}, Fryer: &load.Fryer{Drawers: 2, PowerW: new(2400.0)}}
	if each, err := two.InDrawers(); err != nil || len(each) != 2 || each[1].Lots[0].Load.Pieces != 8 {
		t.Fatalf("%+v %v", each, err)
	}
	for name, change := range map[string]func(a *Asked){
		"lots":       func(a *Asked) { a.Lots = []DishLot{{}} },
		"load":       func(a *Asked) { a.Load.Pieces = 3 },
		"coat":       func(a *Asked) { a.Coat = &load.Covering{ID: "bare"} },
		"bench":      func(a *Asked) { a.Bench = &Bench{} },
		"groups":     func(a *Asked) { a.Groups = []load.Group{{}} },
		"program":    func(a *Asked) { a.Program.Stages = []load.Stage{{AirC: 180, Minutes: 9}} },
		"per basket": func(a *Asked) { a.PerBasket = 1 },
	} {
		a := two
		change(&a)
		if _, err := a.InDrawers(); err == nil || !strings.Contains(err.Error(), "chambers alone") {
			t.Errorf("%s beside them: %v", name, err)
		}
	}
}
