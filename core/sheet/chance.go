package sheet

import (
	"math"
	"math/rand/v2"
	"slices"
	"time"
)

// # A thousand evenings
//
// Hands differ by ±30 %, half of that the whole evening and half each task by
// itself; baskets take as long as the pieces and the fryer want. What is late
// moves what comes after it, at its place and for its hands; nothing begins
// before the sheet has it.

const (
	evenings  = 1000
	handsVary = 0.15 // standard deviation, of the evening and of each task
)

// chance is by when how many evenings are on the table.
func chance(c *candidate) []Chance {
	r := rand.New(rand.NewPCG(19, 30))
	tasks := c.tasks
	index := map[TaskID]int{}
	for i, t := range tasks {
		index[t.ID] = i
	}
	after := make([][]int, len(tasks))
	inside := make([]int, len(tasks))
	lastAt := map[string]int{}
	var hands []int
	for i, t := range tasks {
		inside[i] = -1
		for _, id := range t.After {
			if j := index[id]; j < i {
				after[i] = append(after[i], j)
			}
		}
		if t.in != "" {
			inside[i] = index[t.in]
		}
		if t.Place != None && t.Place != InOven && t.Place != Fridge && t.Place != OnHob {
			if before, ok := lastAt[t.Place]; ok {
				after[i] = append(after[i], before)
			}
			lastAt[t.Place] = i
		}
		if t.Hands > 0 {
			if n := len(hands); n >= c.hands {
				after[i] = append(after[i], hands[n-c.hands])
			}
			hands = append(hands, i)
		}
	}
	table := index["table"]
	ends := make([]float64, len(tasks))
	starts := make([]float64, len(tasks))
	late := make([]float64, evenings)
	for e := range late {
		all := math.Exp(handsVary * r.NormFloat64())
		for i, t := range tasks {
			long := t.to - t.from
			switch {
			case t.Kind == Run:
				f := c.fried[[2]int{c.dishOf(t.Dish), t.Basket}]
				if f != nil {
					needs := f.HalfSafe + r.NormFloat64()*(f.SafeBy-f.HalfSafe)/1.645
					long = math.Max(long, needs)
				}
			case t.Kind == Waits || t.Kind == Hold || t.Kind == Heat || t.Kind == Simmer || t.Kind == Flash:
			case t.Hands > 0:
				long *= all * math.Exp(handsVary*r.NormFloat64())
			}
			start := t.from
			if in := inside[i]; in >= 0 {
				start = starts[in] + t.at
			}
			for _, a := range after[i] {
				// What waits is done waiting when it is wanted, but for its least.
				end := ends[a]
				if k := tasks[a].Kind; k == Hold || k == Heat && tasks[a].ID != tasks[i].ID && tasks[a].Basket != tasks[i].Basket {
					end = starts[a]
				} else if k == Waits {
					end = starts[a] + math.Min(tasks[a].to-tasks[a].from, tasks[a].Least)
				}
				start = math.Max(start, end)
			}
			starts[i], ends[i] = start, start+long
		}
		late[e] = ends[table]
	}
	slices.Sort(late)
	var out []Chance
	for _, m := range []float64{0, 5, 10, 15} {
		n, _ := slices.BinarySearch(late, m+1+tick) // within the minute is on time
		out = append(out, Chance{c.serve.Add(time.Duration(m) * time.Minute), float64(n) / evenings})
	}
	return out
}
