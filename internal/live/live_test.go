package live

import (
	"sync"
	"testing"
)

func TestAllWhoWatchAreWoken(t *testing.T) {
	var told Told
	told.Tell() // nobody watches
	a, over, leave := told.Watch()
	b, _, _ := told.Watch()
	var tellers sync.WaitGroup
	for range 20 {
		tellers.Go(told.Tell) // nobody waits for one who is slow
	}
	tellers.Wait()
	<-a
	<-b
	select {
	case <-a:
		t.Error("woken twice by what happened before it looked")
	default:
	}
	leave()
	told.Tell()
	<-b
	select {
	case <-a:
		t.Error("woken after it had left")
	default:
	}
	told.End()
	told.End()
	<-over
	if _, over, _ := told.Watch(); over != nil {
		<-over // who comes after the end is told so at once
	}
}

func TestAnEndBeforeAnyoneWatches(t *testing.T) {
	var told Told
	told.End()
	_, over, _ := told.Watch()
	<-over
}
