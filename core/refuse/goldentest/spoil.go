package goldentest

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"
)

// Spoil is a document with one thing of it changed at random, as nobody would write it or
// just as somebody might: what was changed, and the whole.
func Spoil(t testing.TB, r *rand.Rand, document any) (what string, whole []byte) {
	t.Helper()
	raw, err := json.Marshal(document)
	if err != nil {
		t.Fatal(err)
	}
	var v any
	if err := json.Unmarshal(raw, &v); err != nil {
		t.Fatal(err)
	}
	var places []func() string
	find(r, v, "", func(is any) { v = is }, &places)
	what = places[r.IntN(len(places))]()
	if whole, err = json.Marshal(v); err != nil {
		t.Fatal(err)
	}
	return what, whole
}

// find lists the places of a document that can be changed, in one order.
func find(r *rand.Rand, v any, at string, set func(any), places *[]func() string) {
	change := func(to any) {
		*places = append(*places, func() string { set(to); return fmt.Sprintf("%s = %.4v", at, to) })
	}
	switch v := v.(type) {
	case map[string]any:
		names := make([]string, 0, len(v))
		for k := range v {
			names = append(names, k)
		}
		slices.Sort(names)
		for _, k := range names {
			find(r, v[k], at+"."+k, func(is any) { v[k] = is }, places)
			*places = append(*places, func() string { delete(v, k); return at + "." + k + " left out" })
		}
	case []any:
		for i := range v {
			find(r, v[i], fmt.Sprintf("%s[%d]", at, i), func(is any) { v[i] = is }, places)
		}
		if len(v) > 0 {
			change(append(slices.Clone(v), v[r.IntN(len(v))]))
			change(v[1:])
		}
	case string:
		change("")
		change("nonsense")
		*places = append(*places, func() string { set(v + " "); return at + " with a blank behind it" })
	case float64:
		for _, to := range []float64{-1, 0, 0.5 * v, 1.1 * v, v + 1, v + 0.25, 10*v + 3, 1e9} {
			change(to)
		}
	case bool:
		change(!v)
	}
}
