package refuse

import (
	"strings"
	"testing"
)

func TestWhatNoEyeSees(t *testing.T) {
	for raw, want := range map[string]string{
		`{"name": "Wings for six"}`:                             "",
		`{"name": "Flügel, حار، 🍗", "note": "one\ntwo\tthree"}`: "",
		`{"name": "a\u0000b"}`:                                  "name: text with a hidden character (U+0000)",
		`{"lots": [{"load": {"name": "a\u001b[31m"}}]}`:         "lots.load.name: text",
		`{"plan": {"x": 1}, "name": "car\rriage"}`:              "name: text",
		"{\"name\": \"left \u202e right\"}":                     "name: text with a hidden character (U+202E)",
		`{"a\u0007": 1}`:                                        "text with a hidden character (U+0007)",
		`["fine", "not \u2066 fine"]`:                           "(U+2066)",
		`{"name": "\u00fc"}`:                                    "",
	} {
		got := ""
		if err := Hidden([]byte(raw)); len(err) > 0 {
			got = err.Error()
		}
		if want == "" && got != "" || !strings.Contains(got, want) {
			t.Errorf("%s: %q, want %q", raw, got, want)
		}
	}
}
