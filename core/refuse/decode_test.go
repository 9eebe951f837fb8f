package refuse

import (
	"errors"
	"strings"
	"testing"
	"time"
)

type asked struct {
	Name  string    `json:"name"`
	Many  int       `json:"many"`
	Grams float64   `json:"grams"`
	At    time.Time `json:"at"`
	Parts []struct {
		ID string `json:"id"`
	} `json:"parts"`
}

// What cannot be read is refused by its field, with what stood there and what
// is allowed.
func TestDecodeNamesWhatIsWrong(t *testing.T) {
	good := `{"name": "glaze", "many": 2, "grams": 1.5, "at": "2026-12-05T19:30:00Z", "parts": [{"id": "a"}]}`
	got, err := Decode[asked](strings.NewReader(good))
	if err != nil || got.Name != "glaze" || got.Many != 2 || len(got.Parts) != 1 || got.At.Hour() != 19 {
		t.Fatalf("%+v, %v", got, err)
	}
	for text, want := range map[string][2]string{
		strings.Replace(good, `"many": 2`, `"many": "two"`, 1):            {"many", "a whole number"},
		strings.Replace(good, `"grams": 1.5`, `"grams": []`, 1):           {"grams", "a number"},
		strings.Replace(good, `"name": "glaze"`, `"name": 5`, 1):          {"name", "text in quotes"},
		strings.Replace(good, `"many"`, `"lots"`, 1):                      {"lots", "like parts, grams, at, many, name"},
		strings.Replace(good, `"2026-12-05T19:30:00Z"`, `"at supper"`, 1): {"(a moment)", "2026-12-05T19:30:00Z"},
		good + `{}`: {"(end of request)", "one JSON object"},
		`[`:         {"(request)", "a JSON object"},
		``:          {"(request)", "a JSON object"},
	} {
		_, err := Decode[asked](strings.NewReader(text))
		var fields Fields
		if !errors.As(err, &fields) || fields[0].Field != want[0] || !strings.Contains(fields[0].Allowed, want[1]) {
			t.Errorf("%s\nis refused as %v, want %v", text, err, want)
		}
	}
}

func TestPartsAreNamedUnderWhatHoldsThem(t *testing.T) {
	var c Check
	c.Part("sauces[1].", One("clingsG", "90", "3.5 to 25"))
	c.Part("mixes[0].", nil)
	c.Part("none.", errors.New("no refusal"))
	if len(c.Fields) != 1 || c.Fields[0].Field != "sauces[1].clingsG" {
		t.Errorf("%+v", c.Fields)
	}
}

func FuzzDecode(f *testing.F) {
	f.Add(`{"name": "x"}`)
	f.Add(`{"at": 5}`)
	f.Fuzz(func(t *testing.T, text string) {
		_, err := Decode[asked](strings.NewReader(text))
		var fields Fields
		if err != nil && (!errors.As(err, &fields) || len(fields) == 0 || fields[0].Allowed == "") {
			t.Errorf("%q: %v", text, err)
		}
	})
}
