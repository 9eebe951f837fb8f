package cook

import (
	"fmt"
	"slices"

	"velocrustum/core/refuse"
)

// What can be said of how a crust, and the inside, came out.
var (
	CrustRatings  = []string{"pale", "soft", "good", "hard", "burnt"}
	InsideRatings = []string{"raw", "juicy", "good", "dry"}
)

// Rating is how one lot came out: one of CrustRatings, one of InsideRatings,
// each empty where nothing was said of it.
type Rating struct {
	Crust  string `json:"crust,omitempty"`
	Inside string `json:"inside,omitempty"`
}

// CheckRatings returns what is wrong with ratings of a cook of so many lots, as
// refuse.Fields, or nil. Either no lot is rated by itself, or there is one of each.
func CheckRatings(of []Rating, lots int) error {
	var c refuse.Check
	if n := len(of); n > 0 && (lots < 2 || n != lots) {
		c.Add("lots", fmt.Sprintf("%d ratings", n), fmt.Sprintf("one for each lot, where there are several; here are %d", lots))
	}
	for k, r := range of {
		at := fmt.Sprintf("lots[%d].", k)
		if r.Crust != "" {
			c.Among(at+"crust", r.Crust, CrustRatings...)
		}
		if r.Inside != "" {
			c.Among(at+"inside", r.Inside, InsideRatings...)
		}
	}
	return c.Err()
}

// InCommon is what ratings of several lots come to: what was said of any that
// was not good, if the same was said of all such; good where all were good; nil
// where they differ, or nothing was said.
func InCommon(ratings []string) *string {
	said := slices.DeleteFunc(slices.Clone(ratings), func(r string) bool { return r == "" })
	other := slices.Compact(slices.Sorted(slices.Values(slices.DeleteFunc(slices.Clone(said), func(r string) bool { return r == "good" }))))
	switch {
	case len(other) == 1:
		return &other[0]
	case len(other) == 0 && len(said) > 0:
		return &said[0]
	}
	return nil
}
