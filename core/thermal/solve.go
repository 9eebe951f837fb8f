package thermal

// The two half-bodies share one linear system each step. With the unknowns
// of a radius taken as a pair (upper, lower), the matrix is block
// tridiagonal: a symmetric 2×2 block on the diagonal, whose off-diagonal
// entry is the exchange around the piece, and diagonal blocks beside it.
// One sweep of block elimination solves it in 26 multiplications and one
// division a pair, against a general banded solver's pivoting.
//
// The matrix is an M-matrix, strictly diagonally dominant through the heat
// capacities, so no pivoting is needed (Golub and Van Loan, Matrix
// Computations, 4th ed., 4.5.1).
type system struct {
	n     int
	diag  []float64 // 2n, upper and lower interleaved
	cross []float64 // n, the negative of the entry between the pair
	out   []float64 // 2n, the negative of the entry to the pair outside
	rhs   []float64 // 2n; the solution after solve
	inv   []float64 // 3n, inverse blocks (uu, ul, ll) of the elimination
}

func newSystem(n int) system {
	return system{n: n, diag: make([]float64, 2*n), cross: make([]float64, n),
		out: make([]float64, 2*n), rhs: make([]float64, 2*n), inv: make([]float64, 3*n)}
}

// solve overwrites rhs with the solution, for the pairs from the first on;
// nothing may cross into it from the one before.
func (s *system) solve(first int) {
	n := s.n
	diag, cross, out, rhs, inv := s.diag[:2*n], s.cross[:n], s.out[:2*n], s.rhs[:2*n], s.inv[:3*n]
	var iuu, iul, ill, ou, ol, ru, rl float64
	for i := first; i < n; i++ {
		u, l := 2*i, 2*i+1
		duu := diag[u] - ou*ou*iuu
		dul := -cross[i] - ou*ol*iul
		dll := diag[l] - ol*ol*ill
		ru, rl = rhs[u]+ou*ru, rhs[l]+ol*rl
		d := 1 / (duu*dll - dul*dul)
		iuu, iul, ill = dll*d, -dul*d, duu*d
		inv[3*i], inv[3*i+1], inv[3*i+2] = iuu, iul, ill
		// Keep inv·rhs: what the next pair needs, and the back sweep too.
		ru, rl = iuu*ru+iul*rl, iul*ru+ill*rl
		rhs[u], rhs[l] = ru, rl
		ou, ol = out[u], out[l]
	}
	for i := n - 2; i >= first; i-- {
		u, l := 2*i, 2*i+1
		xu, xl := out[u]*rhs[u+2], out[l]*rhs[l+2]
		rhs[u] += inv[3*i]*xu + inv[3*i+1]*xl
		rhs[l] += inv[3*i+1]*xu + inv[3*i+2]*xl
	}
}
