package demo

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	"math"
	"math/rand/v2"
)

// plate draws a picture of what was cooked, as a phone might have taken it from
// above: browned pieces, long or round, on a plate on a wooden table.
func plate(pieces int, long float64, brown [3]float64, seed uint64) ([]byte, error) {
	const w, h, scale = 800, 600, 1.5 // drawn in the measures of 1200 by 900
	const middleX, middleY = scale * w / 2, scale * h / 2
	r := rand.New(rand.NewPCG(seed, 7))
	type piece struct{ x, y, a, b, cos, sin, tone float64 }
	var all []piece
	for range pieces {
		turn, far := r.Float64()*2*math.Pi, 250*math.Sqrt(r.Float64())
		at := r.Float64() * math.Pi
		short := 52 + 16*r.Float64()
		all = append(all, piece{middleX + far*math.Cos(turn), middleY + far*math.Sin(turn), short * long, short, math.Cos(at), math.Sin(at), 0.85 + 0.3*r.Float64()})
	}
	// grain is rough at a few scales, the same at every place each time.
	grain := func(x, y float64) float64 {
		sum := 0.0
		for k, size := range []float64{31, 11, 4} {
			sum += math.Sin(x/size+3*math.Sin(y/size*1.3+float64(k))) * math.Cos(y/size-2*math.Cos(x/size*0.7)) / float64(k+1)
		}
		return sum / 1.8
	}
	m := image.NewRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			fx, fy := scale*float64(x), scale*float64(y)
			c := [3]float64{120, 84, 56} // the table
			wood := 12*math.Sin(fy/23+math.Sin(fx/160)*2) + 5*grain(fx*0.4, fy*3)
			for k := range c {
				c[k] += wood
			}
			if d := math.Hypot(fx-middleX, fy-middleY); d < 410 {
				shade := 236 - 26*math.Exp(-math.Pow((d-345)/22, 2)) - d/30
				c = [3]float64{shade, shade - 3, shade - 10}
			} else if d < 440 {
				for k := range c {
					c[k] *= 0.55 + 0.45*(d-410)/30
				}
			}
			for _, p := range all {
				dx, dy := fx-p.x, fy-p.y
				u, v := (dx*p.cos+dy*p.sin)/p.a, (dy*p.cos-dx*p.sin)/p.b
				if u*u+v*v > 1.5 {
					continue
				}
				edge := u*u + v*v + 0.09*grain(fx*1.2+p.x, fy*1.2)
				switch {
				case edge < 1:
					high := math.Sqrt(1 - math.Max(0, edge))
					light := (0.45 + 0.62*high - 0.18*(u+v)) * p.tone * (1 + 0.16*grain(fx+p.x, fy+p.y))
					for k := range c {
						c[k] = brown[k] * light
					}
				case edge < 1.3:
					for k := range c {
						c[k] *= 0.7 + 0.3*(edge-1)/0.3
					}
				}
			}
			byteOf := func(v float64) uint8 { return uint8(math.Max(0, math.Min(255, v+6*r.Float64()-3))) }
			m.SetRGBA(x, y, color.RGBA{byteOf(c[0]), byteOf(c[1]), byteOf(c[2]), 255})
		}
	}
	var out bytes.Buffer
	err := jpeg.Encode(&out, m, &jpeg.Options{Quality: 80})
	return out.Bytes(), err
}
