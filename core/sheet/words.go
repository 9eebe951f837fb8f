package sheet

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"velocrustum/core/crust"
	"velocrustum/core/units"
)

// platesays says how a basket comes to the table.
func (k *Kitchen) platesays(s *Supper, d *readyDish, b plated) string {
	name := units.Capital(d.name)
	if len(d.baskets) > 1 {
		name += fmt.Sprintf(", basket %d", b.basket)
	}
	says := fmt.Sprintf("%s: %.0f, %s", name, math.Floor(b.crust), crust.Words(b.crust))
	if b.wait >= tableMin+1 {
		where := "on a rack in the room"
		if s.Oven != nil {
			where = "on a rack in the oven at " + k.Units.Degrees(s.Oven.WarmC)
		}
		says += fmt.Sprintf("; %.0f min %s", math.Round(b.wait), where)
	}
	if b.flashed {
		says += ", flashed at the end"
	}
	if d.sauced {
		says += ", sauced last"
	}
	return says + "."
}

// why says what stands in the way.
func (k *Kitchen) why(s *Supper, c *candidate) string {
	first := c.tasks[0]
	long := first
	// The chain from the first thing to the table: its longest link.
	at := first
	for range c.tasks {
		next := -1
		for i, t := range c.tasks {
			if slices.Contains(t.After, at.ID) && (next < 0 || t.from < c.tasks[next].from) {
				next = i
			}
		}
		if next < 0 {
			break
		}
		if at = c.tasks[next]; at.to-at.from > long.to-long.from {
			long = at
		}
	}
	return fmt.Sprintf("From %q it takes %s to the table, of which %q takes %s: begun at %s it is on the table at %s at the earliest.",
		first.Says, units.Minutes(math.Ceil(-first.from)), long.Says, units.Minutes(math.Ceil(long.to-long.from)), s.Earliest.In(s.ServeAt.Location()).Format("15:04"), c.serve.Format("15:04"))
}

// shorter says which waits have less than their best, and what that costs.
func (k *Kitchen) shorter(all []readyDish, c *candidate) []string {
	out := []string{}
	for _, t := range c.tasks {
		if t.Kind != Waits {
			continue
		}
		i := c.dishOf(t.Dish)
		id := t.ID.benchTask()
		for _, b := range all[i].tasks {
			had := t.to - t.from
			if b.ID != id || had >= b.Wait.Best-1 {
				continue
			}
			costs := map[string]string{"dry": "the surface is wetter, and crisp later", "salt": "the middle stays plainer", "marinade": "it gets less deep", "coat": "the coat holds less: turn late, and gently"}[id]
			out = append(out, fmt.Sprintf("%s %s for %s of the best %s: %s.", all[i].name, b.Wait.Says, units.Minutes(math.Round(had)), units.Minutes(math.Round(b.Wait.Best)), costs))
		}
	}
	return out
}

// others words the other orders: what each costs whom.
func (k *Kitchen) others(s *Supper, all []readyDish, best *candidate, list []*candidate) []Other {
	out := []Other{}
	for _, c := range list {
		if len(out) == 3 {
			break
		}
		o := Other{ID: "order", ServeAt: c.serve, StartAt: c.serve.Add(time.Duration(c.start * float64(time.Minute))), Crust: softest(c.planned) - softest(best.planned)}
		var names []string
		for _, i := range c.order {
			o.Order = append(o.Order, all[i].ID)
			names = append(names, all[i].name)
		}
		o.Says = fmt.Sprintf("%s first", units.Capital(names[0]))
		if len(names) > 2 {
			o.Says = units.Capital(names[0]) + ", then " + strings.Join(names[1:], ", then ")
		}
		worst, lost, gained := "", 0.0, ""
		for i := range all {
			d := mean(c.planned, i) - mean(best.planned, i)
			if d < lost-0.5 {
				worst, lost = all[i].name, d
			}
			if d >= 1 {
				gained = fmt.Sprintf(", %s gain %.0f", all[i].name, math.Floor(d))
			}
		}
		switch {
		case c.late > best.late+0.25:
			o.Says += fmt.Sprintf(": %.0f min later at the table", math.Ceil(c.late-best.late))
		case worst != "":
			o.Says += fmt.Sprintf(": the %s lose %.0f of crust%s", worst, math.Ceil(-lost), gained)
		case c.start < best.start-0.5:
			o.Says += fmt.Sprintf(": begun %.0f min sooner, no crisper", math.Ceil(best.start-c.start))
		default:
			o.Says += ": about the same"
		}
		o.Says += "."
		out = append(out, o)
	}
	return out
}

// mean is the crust of a dish on the plate, over its pieces.
func mean(p *planned, dish int) float64 {
	sum, n := 0.0, 0.0
	for _, b := range p.plates {
		if b.dish == dish {
			sum, n = sum+b.crust*float64(b.pieces), n+float64(b.pieces)
		}
	}
	return sum / math.Max(1, n)
}

// busyWithin is the time over which hands are looked at, and busyFrom the
// part of it from which it is said.
const busyWithin, busyFrom = 10.0, 0.8

// tight names the moment with most to do.
func tight(c *candidate, at func(float64) time.Time) []Tight {
	most, when := 0.0, 0.0
	for _, t := range c.tasks {
		if t.Hands == 0 || t.from < -120 {
			continue
		}
		busy := 0.0
		for _, o := range c.tasks {
			if o.Hands > 0 {
				busy += float64(o.Hands) * math.Max(0, math.Min(o.to, t.from+busyWithin)-math.Max(o.from, t.from))
			}
		}
		if share := busy / busyWithin / float64(c.hands); share > most+1e-9 {
			most, when = share, t.from
		}
	}
	if most < busyFrom {
		return []Tight{}
	}
	var names []string
	for _, o := range c.tasks {
		if o.Hands > 0 && o.from >= when-tick && o.from < when+busyWithin {
			names = append(names, o.Says)
		}
	}
	return []Tight{{at(when), fmt.Sprintf("Much to do in ten minutes: %s.", strings.Join(names, "; "))}}
}

// cautions are what an evening has to be told of.
func (k *Kitchen) cautions(s *Supper, all []readyDish, c *candidate) []string {
	out := []string{"Check with a thermometer: the thickest piece of each basket, before it waits or is served. Local rules come first."}
	cold := 60.0
	for _, d := range all {
		if d.Request.Guidance == "uk" {
			cold = 63
		}
	}
	for _, b := range c.plates {
		if b.coreC < cold && b.wait > 5 {
			out = append(out, fmt.Sprintf("%s, basket %d, falls under %s while it waits, at which hot food is to be held: keep an oven warm, or serve it sooner.", all[b.dish].name, b.basket, k.Units.Degrees(cold)))
			break
		}
	}
	for _, b := range c.plates {
		if b.wait > 120 {
			out = append(out, "Hot food is held for two hours at most.")
			break
		}
	}
	return out
}

// sure is a share of evenings that is as good as all.
const sure = 0.95

// chanceSays is the chance of being on time, in words: at the moment itself, and
// when it is as good as sure, or five minutes later.
func chanceSays(all []Chance, zone *time.Location) string {
	words := func(c Chance) string {
		n := int(math.Round(10 * c.Share))
		count := "none"
		if n > 0 {
			count = units.Count(n)
		}
		return fmt.Sprintf("%s of ten evenings by %s", count, c.By.In(zone).Format("15:04"))
	}
	second := 1
	if i := slices.IndexFunc(all, func(c Chance) bool { return c.Share >= sure }); i > 0 {
		second = i
	}
	return fmt.Sprintf("On the table in %s, %s.", words(all[0]), words(all[second]))
}
