package session

import (
	"sync"
	"testing"
)

func TestAllWhoWatchAreWoken(t *testing.T) {
	var told watchers
	told.tell() // nobody watches
	a, over, leave := told.watch()
	b, _, _ := told.watch()
	var tellers sync.WaitGroup
	for range 20 {
		tellers.Go(told.tell) // nobody waits for one who is slow
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
	told.tell()
	<-b
	select {
	case <-a:
		t.Error("woken after it had left")
	default:
	}
	told.end()
	told.end()
	<-over
	if _, over, _ := told.watch(); over != nil {
		<-over // who comes after the end is told so at once
	}
}

func TestAnEndBeforeAnyoneWatches(t *testing.T) {
	var told watchers
	told.end()
	_, over, _ := told.watch()
	<-over
}
