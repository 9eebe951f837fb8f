package food

import (
	"strings"
	"testing"
)

// Every name is of a cut that there is, and none hides a more exact one behind it.
func TestNames(t *testing.T) {
	for k, n := range Names {
		if _, err := FindCut(n.Cut); err != nil || n.Words != strings.ToLower(n.Words) {
			t.Errorf("%q: %v", n.Words, err)
		}
		for _, before := range Names[:k] {
			hides := true
			for w := range strings.FieldsSeq(before.Words) {
				hides = hides && strings.Contains(" "+n.Words+" ", " "+w+" ")
			}
			if hides && before.Cut != n.Cut {
				t.Errorf("%q of %s is never reached: %q of %s comes before it", n.Words, n.Cut, before.Words, before.Cut)
			}
		}
	}
	for cut, name := range map[string]string{"prawn": "shrimp", "potato-stick": "fries", "courgette-stick": "zucchini", "sausage": "bratwurst"} {
		if !strings.Contains(strings.Join(AlsoCalled(cut), " "), name) {
			t.Errorf("%s is not called %s", cut, name)
		}
	}
}
