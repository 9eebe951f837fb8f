package program_test

import (
	"context"
	"fmt"
	"strings"

	"velocrustum/core/program"
	"velocrustum/core/refuse"
)

// A request is read as JSON; what is wrong with it is said by field.
func ExampleDecode() {
	_, err := refuse.Decode[program.Request](strings.NewReader(`{"load": {"cut": "prawn", "pieces": "six", "pieceMassG": 16}}`))
	fmt.Println(err)
	// Output: load.pieces: "six" is not possible; allowed: a whole number
}

// The same mass takes longer the thicker it is.
func ExampleSimulate() {
	safeAt := func(mm float64) float64 {
		a, err := program.Simulate(context.Background(), program.Request{
			Load:    program.Load{Cut: "chicken-breast-cutlet", Pieces: 2, PieceMassG: 130, ThicknessMm: &mm},
			Program: program.Program{PreheatMin: 4, Stages: []program.Stage{{AirC: 190, Minutes: 40}}},
		}, program.Options{NoChance: true})
		if err != nil {
			panic(err)
		}
		return *a.SafeAtMin
	}
	fmt.Println("half as thick again, a fifth longer at least:", safeAt(24) > 1.2*safeAt(16))
	// Output: half as thick again, a fifth longer at least: true
}
