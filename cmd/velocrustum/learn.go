package main

import (
	"context"
	"fmt"
	"time"

	"github.com/spf13/cobra"

	"velocrustum/core/belief"
	"velocrustum/core/learn"
	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
)

// history is a fryer, the cooks that were done in it, the oldest first, and the one
// that is next.
type history struct {
	Fryer *load.Fryer `json:"fryer"` // of every request that has none of its own
	Cooks []pastCook  `json:"cooks"`
	Next  *struct {
		Request prep.Asked `json:"request"`
	} `json:"next"`
}

type pastCook struct {
	replayed
	Outcome  *outcome   `json:"outcome"`
	Outcomes []outcome  `json:"outcomes"` // by lot, where there are several
	At       *time.Time `json:"at"`
	Changed  bool       `json:"changed"` // something of the fryer, before it
	LeftOut  bool       `json:"leftOut"`
}

type outcome struct {
	Crust  string `json:"crust"`
	Inside string `json:"inside"`
}

// outcomes are what may be said of how a cook came out, and what that is.
var outcomes = struct{ crust, inside map[string]string }{
	crust:  map[string]string{"": "", "pale": "pale", "soft": "soft", "as-i-like-it": "good", "good": "good", "hard": "hard", "burnt": "burnt"},
	inside: map[string]string{"": "", "not-done": "raw", "raw": "raw", "juicy": "juicy", "good": "good", "dry": "dry"},
}

func learnCommand() *cobra.Command {
	return &cobra.Command{Use: "learn FILE", Short: "Say what the cooks in a JSON document teach of their fryer, and what it changes for the next one; - reads standard input", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			return answer(c, args[0], func(ctx context.Context, h history) (any, error) { return h.tell(ctx, time.Now()) })
		}}
}

func (h *history) tell(ctx context.Context, now time.Time) (any, error) {
	var past []learn.Past
	for i := range h.Cooks {
		p, err := h.past(&h.Cooks[i], now)
		if err != nil {
			return nil, refuse.Under(fmt.Sprintf("cooks[%d].", i), err)
		}
		if i > 0 && h.Cooks[i].At != nil && p.Days > past[i-1].Days {
			return nil, refuse.One(fmt.Sprintf("cooks[%d].at", i), h.Cooks[i].At.Format(time.RFC3339), "no sooner than the one before: the oldest first")
		}
		past = append(past, p)
	}
	var f load.Fryer
	if h.Fryer != nil {
		f = *h.Fryer
	}
	var next *load.Request
	if h.Next != nil {
		q, err := h.request(h.Next.Request)
		if err != nil {
			return nil, refuse.Under("next.request.", err)
		}
		next = &q
	}
	return learn.Tell(ctx, f, past, next)
}

// past is one cook of it.
func (h *history) past(of *pastCook, now time.Time) (p learn.Past, err error) {
	p = learn.Past{Seen: of.Events, Changed: of.Changed, LeftOut: of.LeftOut}
	if p.Request, err = h.request(of.Request); err != nil {
		return p, refuse.Under("request.", err)
	}
	if of.At != nil {
		p.Days = max(0, now.Sub(*of.At).Hours()/24)
	}
	came := of.Outcomes
	if of.Outcome != nil {
		came = append([]outcome{*of.Outcome}, came...)
	}
	var c refuse.Check
	for _, o := range came {
		crust, known := outcomes.crust[o.Crust]
		if !known {
			c.Add("outcome.crust", fmt.Sprintf("%q", o.Crust), "pale, soft, as-i-like-it, hard or burnt")
		}
		inside, known := outcomes.inside[o.Inside]
		if !known {
			c.Add("outcome.inside", fmt.Sprintf("%q", o.Inside), "not-done, juicy, good or dry")
		}
		p.Came = append(p.Came, belief.Outcome{Crust: crust, Inside: inside})
	}
	return p, c.Err()
}

// request is what was asked as it goes in, in the history's fryer where it names none.
func (h *history) request(q prep.Asked) (load.Request, error) {
	if q.Fryer == nil {
		q.Fryer = h.Fryer
	}
	d, err := ready(q)
	return d.First(), err
}
