package learn

import (
	"math"

	"velocrustum/core/belief"
)

// n is of a site.
const n = belief.SiteDims

type (
	vector [n]float64
	square [n][n]float64
)

// root is the lower triangle whose product with its transpose a matrix is. ok is false
// where there is none.
func (a *square) root() (l square, ok bool) {
	for i := range n {
		for j := range i + 1 {
			sum := a[i][j]
			for k := range j {
				sum -= l[i][k] * l[j][k]
			}
			if i != j {
				l[i][j] = sum / l[j][j]
				continue
			}
			if sum <= 0 {
				return l, false
			}
			l[i][i] = math.Sqrt(sum)
		}
	}
	return l, true
}

// inverse is of a covariance or a precision. ok is false where there is none.
func (a *square) inverse() (out square, ok bool) {
	l, ok := a.root()
	if !ok {
		return out, false
	}
	var low square // of l
	for j := range n {
		low[j][j] = 1 / l[j][j]
		for i := j + 1; i < n; i++ {
			sum := 0.0
			for k := j; k < i; k++ {
				sum -= l[i][k] * low[k][j]
			}
			low[i][j] = sum / l[i][i]
		}
	}
	for i := range n {
		for j := range n {
			for k := max(i, j); k < n; k++ {
				out[i][j] += low[k][i] * low[k][j]
			}
		}
	}
	return out, true
}

func (a *square) times(v *vector) (out vector) {
	for i := range n {
		for j := range n {
			out[i] += a[i][j] * v[j]
		}
	}
	return out
}

// density is the logarithm of a normal density at v, by its covariance.
func (a *square) density(v *vector) float64 {
	l, ok := a.root()
	if !ok {
		return math.Inf(-1)
	}
	sum := 0.0
	var y vector
	for i := range n {
		y[i] = v[i]
		for k := range i {
			y[i] -= l[i][k] * y[k]
		}
		y[i] /= l[i][i]
		sum -= y[i]*y[i]/2 + math.Log(l[i][i]) + math.Log(2*math.Pi)/2
	}
	return sum
}
