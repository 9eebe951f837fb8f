package load

import "velocrustum/core/refuse"

// Likes are a crust and a colour beside those that most like: the zero value is as most
// do.
type Likes struct {
	// CrustMore is by how much crisper, on the scale of crispness; where CrustWanted is
	// said it counts for nothing.
	CrustMore float64 `json:"crustMore,omitempty"`
	// BrowningMore is by how much browner, stages. What is too brown stays so.
	BrowningMore float64 `json:"browningMore,omitempty"`
}

// Check returns what is wrong as refuse.Fields, or nil.
func (l Likes) Check() error {
	c := refuse.Check{Fields: l.wrong()}
	return c.Err()
}

func (l Likes) wrong() refuse.Fields {
	var c refuse.Check
	c.In(Limits, "likes.crustMore", l.CrustMore)
	c.In(Limits, "likes.browningMore", l.BrowningMore)
	return c.Fields
}
