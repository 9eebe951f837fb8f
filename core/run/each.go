package run

import (
	"fmt"
	"runtime"
	"runtime/debug"

	"golang.org/x/sync/errgroup"
)

// Each calls f for 0 to n−1 on all cores and returns an error of theirs. A
// panic is one: it would end the process from another goroutine.
func Each(n int, f func(i int) error) error {
	var g errgroup.Group
	g.SetLimit(runtime.GOMAXPROCS(0))
	for i := range n {
		g.Go(func() (err error) {
			defer func() {
				if p := recover(); p != nil {
					err = fmt.Errorf("run %d: %v\n%s", i, p, debug.Stack())
				}
			}()
			return f(i)
		})
	}
	return g.Wait()
}
