package fryer

import "math"

// A Spot is where one piece lies, seen from above: mm from the basket's
// middle, degrees from its width, layer from 0.
type Spot struct {
	X     float64 `json:"x"`
	Y     float64 `json:"y"`
	Angle float64 `json:"angle"`
	Layer int     `json:"layer"`
}

// chord returns the free width at a height y from the middle for something
// of height h, mm; 0 or less if there is none.
func (b Basket) chord(y, h float64) float64 {
	edge := math.Abs(y) + h/2
	if b.Shape == Round {
		r := b.DiameterMm / 2
		if edge >= r {
			return 0
		}
		return 2 * math.Sqrt(r*r-edge*edge)
	}
	if edge > b.DepthMm/2+1e-9 {
		return 0
	}
	return b.WidthMm
}

func (b Basket) sides() (width, depth float64) {
	if b.Shape == Round {
		return b.DiameterMm, b.DiameterMm
	}
	return b.WidthMm, b.DepthMm
}

// turned returns the basket with width and depth exchanged.
func (b Basket) turned() Basket {
	b.WidthMm, b.DepthMm = b.DepthMm, b.WidthMm
	return b
}

// row is a row of pieces lying side by side: across the basket's width, or
// turned, along its depth.
type row struct {
	x, y   float64 // its middle, mm
	chord  float64 // its length
	holds  int
	turned bool
}

// rows lays pieces of length by width in rows with a gap all round, and
// returns how many there is room for. In a round basket fewer, longer rows
// may hold more; in a rectangle the strip that is left takes turned pieces.
func (b Basket) rows(length, width, gap float64) (rows []row, room int) {
	w, depth := b.sides()
	if b.Shape == Rectangle {
		for k := int((w + gap) / (length + gap)); k >= 0; k-- {
			var these []row
			sum := 0
			block := float64(k)*(length+gap) - gap
			if k == 0 {
				block = -gap
			}
			rest := w - block - gap
			n, m := 0, int((rest+gap)/(width+gap))
			if k > 0 {
				n = int((depth + gap) / (width + gap))
			}
			perColumn := int((depth + gap) / (length + gap))
			if perColumn == 0 {
				m = 0
			}
			// Share the slack between the blocks.
			used := math.Max(0, block) + float64(m)*(width+gap)
			slack := math.Max(0, w-used) / 2
			if m == 0 {
				block, slack = w, 0
			}
			for i := range n {
				these = append(these, row{x: -w/2 + slack + block/2, y: spread(depth, width, i, n), chord: math.Max(block, w*boolTo(m == 0)), holds: k})
				sum += k
			}
			from := -w/2 + slack + math.Max(0, block) + gap*boolTo(k > 0)
			for j := range m {
				these = append(these, row{x: from + (float64(j)+0.5)*width + float64(j)*gap, chord: depth, holds: perColumn, turned: true})
				sum += perColumn
			}
			if sum > room {
				rows, room = these, sum
			}
		}
		return rows, room
	}
	for n := int((depth + gap) / (width + gap)); n > 0; n-- {
		var these []row
		sum := 0
		for i := range n {
			y := (float64(i) - float64(n-1)/2) * (width + gap)
			c := b.chord(y, width)
			if holds := int((c + gap) / (length + gap)); holds > 0 {
				these = append(these, row{y: y, chord: c, holds: holds})
				sum += holds
			}
		}
		if sum > room {
			rows, room = these, sum
		}
	}
	return rows, room
}

// spread returns the middle of the i-th of n things of a size, evenly over a
// length whose middle is 0.
func spread(length, size float64, i, n int) float64 {
	if n == 1 {
		return 0
	}
	return -length/2 + size/2 + float64(i)*(length-size)/float64(n-1)
}

func boolTo(b bool) float64 {
	if b {
		return 1
	}
	return 0
}

// best returns the rows that hold at least want pieces with the widest gaps;
// if they do not all fit in one layer, the rows that hold most.
func (b Basket) best(length, width float64, want int) (rows []row, room int, across bool) {
	gap := -1.0
	for _, turn := range []bool{false, true} {
		t := b
		if turn {
			t = b.turned()
		}
		r, n := t.rows(length, width, 0)
		if n < want {
			if gap < 0 && n > room {
				rows, room, across = r, n, turn
			}
			continue
		}
		lo, hi := 0.0, 200.0
		for range 30 {
			g := (lo + hi) / 2
			if _, n := t.rows(length, width, g); n >= want {
				lo = g
			} else {
				hi = g
			}
		}
		if lo > gap {
			rows, room = t.rows(length, width, lo)
			gap, across = lo, turn
		}
	}
	return rows, room, across
}

// Capacity returns how many pieces of a size lie in one layer, touching.
func (b Basket) Capacity(lengthMm, widthMm float64) int {
	length, width := b.fit(lengthMm, widthMm)
	_, one, _ := b.best(length, width, math.MaxInt32)
	return max(1, one)
}

// fit bends or cuts what is longer than the basket to its sides.
func (b Basket) fit(length, width float64) (l, w float64) {
	a, d := b.sides()
	long, short := math.Max(a, d), math.Min(a, d)
	if b.Shape == Round {
		long = 0.92 * short
		short = 0.38 * short
		return math.Min(length, long), math.Min(width, short)
	}
	return math.Min(length, long), math.Min(width, short)
}

// Strip is a part of the basket's width, for one kind of several that lie
// apart, and where its middle is; of a round basket that of the square in it.
func (b Basket) Strip(from, to float64) (part Basket, x float64) {
	w, d := b.WidthMm, b.DepthMm
	if b.Shape == Round {
		w = 0.74 * b.DiameterMm
		d = w
	}
	return Basket{Shape: Rectangle, WidthMm: w * (to - from), DepthMm: d}, w * ((from+to)/2 - 0.5)
}

// Pack lays n pieces of a size into the basket, in even rows with equal
// gaps, and in further layers once one is full.
func (b Basket) Pack(lengthMm, widthMm float64, n int) []Spot {
	length, width := b.fit(lengthMm, widthMm)
	one := b.Capacity(lengthMm, widthMm)
	var spots []Spot
	for layer := 0; n > 0; layer++ {
		here := min(n, one)
		n -= here
		rows, room, across := b.best(length, width, here)
		for i, r := range rows {
			// Share what is too much room evenly among the rows.
			k := int(math.Round(float64(here) * float64(r.holds) / float64(room)))
			if i == len(rows)-1 {
				k = here
			}
			k = min(k, r.holds, here)
			here -= k
			room -= r.holds
			for j := range k {
				along := r.chord * ((float64(j)+0.5)/float64(k) - 0.5)
				s := Spot{X: r.x + along, Y: r.y, Layer: layer}
				if r.turned {
					s = Spot{X: r.x, Y: along, Angle: 90, Layer: layer}
				}
				if across {
					s.X, s.Y, s.Angle = s.Y, s.X, 90-s.Angle
				}
				// A hand never lays them quite straight.
				s.Angle += 6 * math.Sin(float64(2*i+3*j+layer))
				spots = append(spots, s)
			}
		}
	}
	return spots
}
