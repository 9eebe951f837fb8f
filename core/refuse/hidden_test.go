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

// All that no eye sees is found, and nothing beside it.
func TestEachUnseenCharacter(t *testing.T) {
	for r, want := range map[rune]bool{'\n': false, '\t': false, ' ': false, 'a': false, 0x7E: false, 0x7F: true, 0x9F: true, 0xA0: false, 0x1F: true, 0x00: true,
		0x2029: false, 0x202A: true, 0x202C: true, 0x202E: true, 0x202F: false, 0x2065: false, 0x2066: true, 0x2069: true, 0x206A: false, 0x1F357: false} {
		if unseen(r) != want {
			t.Errorf("%U: unseen %v", r, !want)
		}
	}
}
