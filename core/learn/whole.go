package learn

import (
	"gonum.org/v1/gonum/mat"

	"velocrustum/core/load"
)

// whole is what is known of all figures: precision, and that times its mean.
type whole struct {
	info *mat.SymDense
	pull *mat.VecDense
}

func (w *whole) add(it *item, by float64) {
	for i, a := range it.dims {
		w.pull.SetVec(a, w.pull.AtVec(a)+by*it.pull[i])
		for j, b := range it.dims[:i+1] {
			w.info.SetSym(a, b, w.info.At(a, b)+by*it.info[i][j])
		}
	}
}

func (w *whole) clone() *whole {
	info := mat.NewSymDense(w.info.SymmetricDim(), nil)
	info.CopySym(w.info)
	return &whole{info, mat.VecDenseCopyOf(w.pull)}
}

// solved is the covariance and the mean.
func (w *whole) solved() (*mat.SymDense, *mat.VecDense) {
	var c mat.Cholesky
	var cov mat.SymDense
	if !c.Factorize(w.info) || c.InverseTo(&cov) != nil {
		return nil, nil
	}
	mean := mat.NewVecDense(w.pull.Len(), nil)
	mean.MulVec(&cov, w.pull)
	return &cov, mean
}

// open makes the fryer's figures less sure, by standard deviations.
func (w *whole) open(by [load.LearntFigures]float64) {
	cov, mean := w.solved()
	if cov == nil {
		return
	}
	for k, sd := range by {
		cov.SetSym(k, k, cov.At(k, k)+sd*sd)
	}
	var c mat.Cholesky
	if c.Factorize(cov) && c.InverseTo(w.info) == nil {
		w.pull.MulVec(w.info, mean)
	}
}
