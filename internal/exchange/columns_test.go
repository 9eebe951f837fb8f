package exchange

import (
	"fmt"
	"strings"
	"testing"
)

// Where times and temperatures stand is found by each of the names that loggers give them,
// in any place; without names nothing is.
func TestColumnsAreFoundByTheirNames(t *testing.T) {
	t.Parallel()
	for head, want := range map[string]string{
		"Time,Temp":                         "-1 0 1 true",
		"Nr,elapsed s,Probe 1":              "-1 1 2 true",
		"Core °C;x;Zeit":                    "-1 2 0 true",
		"at,c":                              "-1 0 1 true",
		"s,f":                               "-1 0 1 true",
		"min,c":                             "-1 0 1 true",
		"t,reading":                         "-1 0 1 true",
		"Uhr,Celsius":                       "-1 0 1 true",
		"No,Stamp,Channel A":                "-1 1 2 true",
		"seconds,Fahrenheit":                "-1 0 1 true",
		"minutes,core,skin":                 "-1 0 1 true",
		"Datum,Uhrzeit,Fühler,Temperatur":   "0 1 3 true",
		"date,time,temp,temp 2":             "0 1 2 true",
		"day,at,c":                          "0 1 2 true",
		"Date,Celsius":                      "-1 0 1 true",
		"time,what it was":                  "-1 0 1 true",
		"1,21.5":                            "-1 -1 -1 false",
		"2026-11-20 18:00:00,21.5,3":        "-1 -1 -1 false",
		"time,time,temperature,temperature": "-1 0 2 true",
	} {
		sep := ","
		if strings.Contains(head, ";") {
			sep = ";"
		}
		c, named := find(strings.Split(head, sep))
		if got := fmt.Sprint(c.day, c.time, c.temp, named); got != want {
			t.Errorf("%q: %s, want %s", head, got, want)
		}
	}
	for cell, want := range map[string]string{
		"21.5": "21.5  true", "21,5 °C": "21.5 °C true", "1,021.5": "0  false", "160F": "160 F true", "": "0  false", "none": "0  false", " -3 ": "-3  true", "1e2": "100  true", "7 ,5": "0  false",
	} {
		v, unit, ok := number(cell)
		if !ok {
			v, unit = 0, ""
		}
		if got := fmt.Sprint(v, " ", unit, " ", ok); got != want {
			t.Errorf("%q: %s, want %s", cell, got, want)
		}
	}
}
