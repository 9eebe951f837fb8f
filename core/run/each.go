package run

import (
	"context"
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

// givesWay is the key of what is waited for before each run of work that nobody waits for.
type givesWay struct{}

// Giving returns a context in which each run waits until wait returns: for work that
// gives way to who waits for an answer.
func Giving(ctx context.Context, wait func()) context.Context {
	return context.WithValue(ctx, givesWay{}, wait)
}

// GiveWay waits as the context says.
func GiveWay(ctx context.Context) {
	if wait, ok := ctx.Value(givesWay{}).(func()); ok {
		wait()
	}
}
