package sheet

import (
	"fmt"
	"testing"
	"time"

	"velocrustum/core/refuse/goldentest"
)

// How an evening is weighed in words, over all that its figures may be, is as it was read:
// each word has its border.
func TestWordsOfAnEveningAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for v := -0.5; v < 12; v += 0.05 + v/30 {
		f.Addf(fmt.Sprintf("%.2f", v), "%s", gapSays(v))
		name, says := moreHandsSays(v, 3.2)
		f.Addf("sooner", "%s: %s", name, says)
		_, says = moreHandsSays(0, v)
		f.Addf("later", "%s", says)
		for i, c := range []costs{{laterMin: v}, {soonerMin: v}, {loses: "wings", lost: v}, {loses: "wings", lost: v, gains: "fish", gained: 2 * v}, {gains: "fish", gained: v}} {
			name, says := orderSays([]string{"wings", "fish", "wedges"}[:2+i%2], c)
			f.Addf("order", "%s: %s", name, says)
		}
	}
	at := time.Date(2026, 11, 20, 19, 30, 0, 0, time.UTC)
	for s := 0.0; s <= 1.0001; s += 0.0125 {
		f.Addf(fmt.Sprintf("share %.3f", s), "%s | %s", shareSays(s), chanceSays([]Chance{{Share: s / 2, By: at}, {Share: s, By: at.Add(5 * time.Minute)}, {Share: s + 0.02, By: at.Add(10 * time.Minute)}}, time.UTC))
	}
	f.Same(t, "words.txt")
}
