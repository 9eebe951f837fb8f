package sheet

import (
	"cmp"
	"container/heap"
	"math"
	"slices"
	"strings"
)

// # The ground of an evening
//
// Which fryer each dish is in, and which are flashed: what a dish lacks at least in each
// is known by itself, so that the most promising grounds are counted off in their order,
// however many there are, and what all others cost at least is known too.

// mostGrounds are as many as are tried, beside how many hands are used.
const mostGrounds = 4096

// option is a dish in a fryer, flashed or not.
type option struct {
	fryer string
	flash bool
	least float64
}

// options are those of a dish, what lacks least first; plain, it is flashed only if that
// is asked for.
func (t *tree) options(i int, may []string, plain bool) (out []option) {
	d := &t.all[i]
	for _, fryer := range may {
		for _, flash := range []bool{false, true} {
			if d.Flash != nil && *d.Flash != flash || plain && flash && d.Flash == nil {
				continue
			}
			o := option{fryer: fryer, flash: flash}
			for _, one := range d.baskets {
				o.least += of(t.lacks, lacking{i, one.number, placeOf(fryer, one.number), flash}, 0)
			}
			out = append(out, o)
		}
	}
	slices.SortStableFunc(out, func(a, b option) int { return cmp.Compare(a.least, b.least) })
	return out
}

// ground is an option of each dish, by number.
type ground struct {
	of    []int
	least float64
	from  int // the dish from which on the next ones differ
}

// grounds is a heap of them.
type grounds []ground

func (g grounds) Len() int           { return len(g) }
func (g grounds) Less(a, b int) bool { return g[a].least < g[b].least }
func (g grounds) Swap(a, b int)      { g[a], g[b] = g[b], g[a] }
func (g *grounds) Push(one any)      { *g = append(*g, one.(ground)) }
func (g *grounds) Pop() any {
	last := (*g)[len(*g)-1]
	*g = (*g)[:len(*g)-1]
	return last
}

// plain are the grounds with all hands, nothing flashed that need not be.
func (t *tree) plain(where [][]string) (out []*base) {
	all, _ := t.grounds(where, true)
	for i := range all {
		all[i].hands = t.s.Hands
		out = append(out, &all[i])
	}
	return out
}

// bases are the grounds that are tried, the most promising first.
func (t *tree) bases(where [][]string) []*base {
	var all []base
	all, t.unseen = t.grounds(where, false)
	var out []*base
	for _, b := range all {
		for hands := 1; hands <= t.s.Hands; hands++ {
			one := b
			one.hands = hands
			out = append(out, &one)
		}
	}
	slices.SortStableFunc(out, func(a, b *base) int {
		return cmp.Or(cmp.Compare(a.least, b.least), b.hands-a.hands)
	})
	return out
}

// grounds counts off the most promising, and says what one that is not among them costs
// at least.
func (t *tree) grounds(where [][]string, plain bool) (out []base, unseen float64) {
	options := make([][]option, len(where))
	first := ground{of: make([]int, len(where))}
	for i, may := range where {
		options[i] = t.options(i, may, plain)
		first.least += options[i][0].least
	}
	for next := (&grounds{first}); next.Len() > 0; {
		g := heap.Pop(next).(ground)
		if len(out) == mostGrounds {
			return out, g.least
		}
		for i := g.from; i < len(g.of); i++ { // each further one is reached once
			if g.of[i]+1 < len(options[i]) {
				more := ground{of: slices.Clone(g.of), from: i, least: g.least - options[i][g.of[i]].least}
				more.of[i]++
				more.least += options[i][more.of[i]].least
				heap.Push(next, more)
			}
		}
		var b base
		for i, k := range g.of {
			b.fryers, b.flash = append(b.fryers, options[i][k].fryer), append(b.flash, options[i][k].flash)
		}
		if mirrored(b.fryers, where) {
			continue
		}
		t.weigh(&b)
		out = append(out, b)
	}
	return out, math.Inf(1)
}

// mirrored says of an evening that another is the same with the two drawers of a fryer
// the other way round: there the first dish that is in it is in its left one.
func mirrored(fryers []string, where [][]string) bool {
	seen := map[string]bool{}
	for _, f := range fryers {
		of := FryerOf(f)
		if strings.HasSuffix(f, rightDrawer) && !seen[of] && !slices.ContainsFunc(where, func(may []string) bool {
			return slices.Contains(may, of) != slices.Contains(may, of+rightDrawer)
		}) {
			return true
		}
		seen[of] = true
	}
	return false
}

// weigh works out what a base costs at least, and how long before the table it begins.
func (t *tree) weigh(b *base) {
	start, soft := 0.0, 0.0
	for _, f := range t.s.Fryers {
		left := t.inPlace(b, f.ID)
		flashed := 0.0
		for i := range t.all {
			if b.flash[i] && placeOf(b.fryers[i], 1) == f.ID {
				flashed += flashMin
			}
		}
		l := t.least(b, f.ID, left, nil)
		b.least += l.cost
		soft = max(soft, l.soft)
		if l.busy > 0 {
			l.busy += flashed
		}
		start = max(start, l.busy)
	}
	for i := range t.all {
		start = max(start, t.bench[i])
	}
	b.start = max(0, start+tableMin-t.last)
	b.least += sooner*b.start + softly*soft
}
