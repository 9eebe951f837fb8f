package session

import (
	"sync/atomic"
	"testing"
	"time"
)

func TestLearningWaitsWhileACookIsForetold(t *testing.T) {
	var s Sessions
	s.answering.Store(1)
	var foretold atomic.Bool
	after := make(chan bool)
	go func() {
		s.giveWay(t.Context())
		after <- foretold.Load()
	}()
	time.Sleep(4 * givesWay) // it has begun to wait
	foretold.Store(true)
	s.answering.Store(0)
	if !<-after {
		t.Error("it went on before the cook was foretold")
	}
}
