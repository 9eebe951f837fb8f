package refuse

import (
	"bytes"
	"cmp"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"maps"
	"reflect"
	"slices"
	"strings"
	"time"
)

// Decode reads one request of a kind. A word for a number, an unknown field or
// trailing text is refused as Fields.
func Decode[T any](r io.Reader) (T, error) {
	var q T
	raw, err := io.ReadAll(r)
	if err != nil {
		return q, fmt.Errorf("reading the request: %w", err)
	}
	d := json.NewDecoder(bytes.NewReader(raw))
	d.DisallowUnknownFields()
	if err := d.Decode(&q); err != nil {
		return q, decodeError(err, raw, reflect.TypeFor[T]())
	}
	if _, err := d.Token(); !errors.Is(err, io.EOF) {
		return q, One("(end of request)", "more text", "one JSON object and nothing after it")
	}
	return q, nil
}

func decodeError(err error, raw []byte, of reflect.Type) error {
	var moment *time.ParseError
	if errors.As(err, &moment) {
		return One("(a moment)", moment.Value, `one like "2026-12-05T19:30:00Z"`)
	}
	var wrong *json.UnmarshalTypeError
	if errors.As(err, &wrong) {
		field := wrong.Field
		if field == "" {
			field = "(request)"
		}
		value := wrong.Value
		// The decoder's offset is just past the value: show what stood there.
		if end := int(wrong.Offset); end <= len(raw) {
			if from := bytes.LastIndexAny(raw[:max(0, end-1)], ":[,"); from >= 0 && end-from < 60 {
				value = strings.TrimSpace(string(raw[from+1 : end]))
			}
		}
		return One(field, value, describe(wrong.Type))
	}
	if name, ok := strings.CutPrefix(err.Error(), "json: unknown field "); ok {
		if name = strings.Trim(name, `"`); name == "" {
			name = "(a field without a name)"
		}
		return One(name, "unknown field", "fields of the description, like "+strings.Join(nearest(name, fieldNames(of)), ", "))
	}
	return One("(request)", strings.TrimPrefix(err.Error(), "json: "), "a JSON object as in the description of the interface")
}

// mostNear names are offered for one that is not known.
const mostNear = 5

// nearest are the names that have most pairs of letters with one in common, the paths
// before them aside.
func nearest(name string, all []string) []string {
	pairs := func(word string) map[string]bool {
		out := map[string]bool{}
		word = " " + strings.ToLower(word[strings.LastIndexByte(word, '.')+1:]) + " "
		for i := range len(word) - 1 {
			out[word[i:i+2]] = true
		}
		return out
	}
	mine := pairs(name)
	share := func(path string) float64 {
		theirs, both := pairs(path), 0
		for p := range theirs {
			if mine[p] {
				both++
			}
		}
		return float64(both) / float64(len(mine)+len(theirs))
	}
	// Of one name in many places the one that lies least deep stands for all.
	short := map[string]string{}
	for _, path := range all {
		last := path[strings.LastIndexByte(path, '.')+1:]
		if was, ok := short[last]; !ok || strings.Count(path, ".") < strings.Count(was, ".") {
			short[last] = path
		}
	}
	out := slices.Sorted(maps.Values(short))
	slices.SortStableFunc(out, func(a, b string) int { return cmp.Compare(share(b), share(a)) })
	return out[:min(mostNear, len(out))]
}

func fieldNames(t reflect.Type) (names []string) {
	for i := range t.NumField() {
		f := t.Field(i)
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		if name == "-" || name == "" {
			continue
		}
		names = append(names, name)
		ft := f.Type
		for ft.Kind() == reflect.Pointer || ft.Kind() == reflect.Slice {
			ft = ft.Elem()
		}
		if ft.Kind() == reflect.Struct {
			for _, sub := range fieldNames(ft) {
				names = append(names, name+"."+sub)
			}
		}
	}
	return names
}

func describe(t reflect.Type) string {
	switch t.Kind() {
	case reflect.Int:
		return "a whole number"
	case reflect.Float64:
		return "a number"
	case reflect.String:
		return "text in quotes"
	case reflect.Slice:
		return "a list"
	}
	return "an object"
}

// Repeated returns the first field that an object of a valid JSON text names
// twice, with where it is.
func Repeated(raw []byte) string {
	type level struct {
		seen map[string]bool // nil for a list
		name string
	}
	d := json.NewDecoder(bytes.NewReader(raw))
	var open []level
	named := false // a name was read, its value comes
	for {
		t, err := d.Token()
		if err != nil {
			return "" // the end: the text is valid
		}
		top := len(open) - 1
		if text, ok := t.(string); ok && top >= 0 && open[top].seen != nil && !named {
			if open[top].seen[text] {
				path := []string{}
				for _, l := range open[:top] {
					if l.name != "" {
						path = append(path, l.name)
					}
				}
				return strings.Join(append(path, text), ".")
			}
			open[top].seen[text], open[top].name, named = true, text, true
			continue
		}
		named = false
		switch t {
		case json.Delim('{'):
			open = append(open, level{seen: map[string]bool{}})
		case json.Delim('['):
			open = append(open, level{})
		case json.Delim('}'), json.Delim(']'):
			open = open[:top]
		}
	}
}
