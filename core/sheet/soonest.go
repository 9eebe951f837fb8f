package sheet

import (
	"math"
)

// # The first table

// soonestOf looks for the best evening on the first table at which there is one. Which
// that is, is found by evenings in which the baskets of a dish go in one after another,
// none flashed that need not be: what is quickest is among those.
func (t *tree) soonestOf(bases, plain []*base) error {
	for late := 0.0; late <= latest; {
		fits, short, soonest, err := t.quick(late, plain)
		if err != nil {
			return err
		}
		if fits || late == 0 || short < nearly {
			if t.left = looks; !fits {
				t.left = fewLooks
			}
			if err := t.at(late, bases); err != nil || t.best != nil {
				return err
			}
		}
		switch {
		case t.s.moves():
			late += math.Max(1, math.Ceil(short-tick))
		case late < finely:
			late = math.Max(late+1, math.Ceil(soonest-tick))
		default:
			late += glance
		}
	}
	return nil
}

// nearly is a shortage, minutes, that another order may make good. fewLooks is how much
// is looked at for a table that is probably too soon, and quickly how many evenings are
// placed to find out.
const nearly, fewLooks, quickly = 4.0, 1500, 240

// quick says whether any evening fits a table so many minutes late; else how much too
// soon all have to begin at least, and how late the first is that might fit if hands
// were always there.
func (t *tree) quick(late float64, plain []*base) (fits bool, short, soonest float64, err error) {
	short, soonest = math.Inf(1), math.Inf(1)
	room, left := t.s.room()-late, quickly
	orders := permutations(len(t.all), t.s, t.all)
	for _, b := range plain {
		soonest = min(soonest, t.s.room()+b.start)
		if room+b.start > tick {
			short = min(short, room+b.start)
			continue
		}
		seen := map[string]bool{}
		for _, order := range orders {
			c := arrangement{fryers: b.fryers, flash: b.flash, hands: b.hands, seqs: make([][]dealtBasket, len(t.s.Fryers))}
			for n, f := range t.s.Fryers {
				in := t.inPlace(b, f.ID)
				for _, i := range order {
					c.seqs[n] = append(c.seqs[n], in[i]...)
				}
			}
			if id := sequence(&c, t.all); seen[id] {
				continue
			} else {
				seen[id] = true
			}
			p, err := t.k.plan(t.ctx, t.s, t.all, c, t.s.at(late))
			if err != nil {
				return false, 0, 0, err
			}
			if over := room - p.start; over <= tick && p.start > -noHands {
				return true, 0, 0, nil
			} else {
				short = min(short, over)
			}
			if left--; left <= 0 || t.ctx.Err() != nil {
				return false, short, soonest, t.ctx.Err()
			}
		}
	}
	return false, short, soonest, nil
}

// permutations are orders of n dishes, those that are wanted so kept: all, or the first
// ones where there are more than are tried.
func permutations(n int, s *Supper, all []readyDish) (out [][]int) {
	left := make([][]dealtBasket, n)
	for i := range n {
		left[i] = all[i].baskets
	}
	var behind func(so []int)
	behind = func(so []int) { // the last first, as they are wanted
		if len(so) == n {
			out = append(out, so)
			return
		}
		for i := range n {
			if len(out) == quickly {
				return
			}
			if len(left[i]) == 0 || s.inOrder(all, left, i) {
				continue
			}
			was := left[i]
			left[i] = nil
			behind(append([]int{i}, so...))
			left[i] = was
		}
	}
	behind(nil)
	return out
}
