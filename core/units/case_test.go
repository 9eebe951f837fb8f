package units

import "testing"

func TestWordsBeginASentence(t *testing.T) {
	for in, want := range map[string]string{"": "", "safe inside": "Safe inside", "émincé": "Émincé", "12 wings": "12 wings", "Already": "Already", "\xff": "\xff"} {
		if got := Capital(in); got != want {
			t.Errorf("%q begins %q", in, got)
		}
	}
	for in, want := range map[string]string{"Turn all": "turn all", "Émincé": "émincé", "…": "…", "": ""} {
		if got := Lower(in); got != want {
			t.Errorf("%q goes on %q", in, got)
		}
	}
}
