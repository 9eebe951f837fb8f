// Package refuse names what cannot be: the field, what it held, and what is
// allowed. Every refusal of the core is one, and the screen words it.
package refuse

import (
	"errors"
	"fmt"
	"regexp"
	"slices"
	"strings"
)

// A Field is one that cannot be used.
type Field struct {
	Field   string `json:"field"`
	Value   string `json:"value"`
	Allowed string `json:"allowed"`
}

func (f Field) Error() string {
	return fmt.Sprintf("%s: %s is not possible; allowed: %s", f.Field, f.Value, f.Allowed)
}

// Fields is one or more of them.
type Fields []Field

func (f Fields) Error() string {
	lines := make([]string, len(f))
	for i, one := range f {
		lines[i] = one.Error()
	}
	return strings.Join(lines, "\n")
}

// One refuses a single field.
func One(field, value, allowed string) Fields { return Fields{{field, value, allowed}} }

// Check gathers what is wrong.
type Check struct{ Fields Fields }

// Add notes a field.
func (c *Check) Add(field, value, allowed string) {
	c.Fields = append(c.Fields, Field{field, value, allowed})
}

// Within notes a number that is not from lo to hi, or is none.
func (c *Check) Within(field string, v, lo, hi float64, unit string) {
	if !(v >= lo && v <= hi) {
		c.Add(field, fmt.Sprintf("%g", v), strings.TrimSpace(fmt.Sprintf("%g to %g %s", lo, hi, unit)))
	}
}

// Over notes a number that is not more than lo and up to hi.
func (c *Check) Over(field string, v, lo, hi float64, unit string) {
	if !(v > lo && v <= hi) {
		c.Add(field, fmt.Sprintf("%g", v), strings.TrimSpace(fmt.Sprintf("more than %g, up to %g %s", lo, hi, unit)))
	}
}

// Among notes a word that is not known.
func (c *Check) Among(field, v string, known ...string) {
	if !slices.Contains(known, v) {
		c.Add(field, fmt.Sprintf("%q", v), strings.TrimPrefix(strings.Join(known, ", "), ", "))
	}
}

// Err returns what is wrong as Fields, or nil.
func (c *Check) Err() error {
	if len(c.Fields) == 0 {
		return nil
	}
	return c.Fields
}

// Under names the fields of an error under what holds them, like "bench.";
// any other error stays as it is.
func Under(holder string, err error) error {
	var fields Fields
	if !errors.As(err, &fields) {
		return err
	}
	out := slices.Clone(fields)
	for i := range out {
		out[i].Field = holder + out[i].Field
	}
	return out
}

// A Range is what a figure may be, and the step that a hand moves it by.
type Range struct {
	Min  float64 `json:"min"`
	Max  float64 `json:"max"`
	Step float64 `json:"step"`
	Unit string  `json:"unit"`
}

// Limits are ranges by the field that they are for; those of a list stand
// under its name, without a place in it.
type Limits map[string]Range

// In notes a number that is not within the limits of its field.
func (c *Check) In(l Limits, field string, v float64) {
	r := l[placeless.ReplaceAllString(field, "")]
	c.Within(field, v, r.Min, r.Max, r.Unit)
}

var placeless = regexp.MustCompile(`\[\d+\]`)

// Part notes what is wrong with a part, under its name.
func (c *Check) Part(holder string, err error) {
	var fields Fields
	if errors.As(Under(holder, err), &fields) {
		c.Fields = append(c.Fields, fields...)
	}
}
