package archive

import (
	"fmt"

	"velocrustum/core/refuse"
	"velocrustum/internal/store/merge"
)

// Choices are what becomes of what both households have, but not alike.
type Choices struct {
	// Others is for all that is not named; it may be left out.
	Others merge.Choice            `json:"others,omitempty"`
	Each   map[string]merge.Choice `json:"each,omitempty"` // by kind/id
}

// Check returns what is wrong with choices as refuse.Fields, or nil.
func (c Choices) Check() error {
	all := map[string]merge.Choice{"others": c.Others}
	for key, one := range c.Each {
		all["each."+key] = one
	}
	for key, one := range all {
		switch one {
		case merge.Keep, merge.Take, merge.Both:
		default:
			if one != "" || key != "others" {
				return refuse.One(key, fmt.Sprintf("%q", one), "keep, take or both")
			}
		}
	}
	return nil
}

// Of is what was chosen of one.
func (c Choices) Of(d merge.Difference) merge.Choice {
	if one, ok := c.Each[d.Kind+"/"+d.ID]; ok {
		return one
	}
	return c.Others
}
