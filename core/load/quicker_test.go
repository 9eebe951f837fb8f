package load_test

import (
	"testing"

	"velocrustum/core/load"
)

// An end is told apart where it differs by an eighth and by twice what is not known of it.
func TestAnEndIsToldApartWhenItIsSure(t *testing.T) {
	t.Parallel()
	for want, all := range map[string][]*load.Learnt{
		"":          {nil, {}, {Back: &load.Hand{Mean: 0.3, Sd: 0.16}}, {Back: &load.Hand{Mean: 0.11, Sd: 0.01}}, {Back: &load.Hand{Mean: -0.3, Sd: 0.16}}, {Back: &load.Hand{Mean: -0.119, Sd: 0.01}}},
		load.AtBack: {{Back: &load.Hand{Mean: 0.3, Sd: 0.15}}, {Back: &load.Hand{Mean: 0.121, Sd: 0.01}}}, load.AtFront: {{Back: &load.Hand{Mean: -0.3, Sd: 0.15}}},
	} {
		for _, l := range all {
			if got := l.Quicker(); got != want {
				t.Errorf("%+v: quicker at %q, want %q", l, got, want)
			}
		}
	}
}
