package recipe

import (
	"regexp"
	"strings"

	"velocrustum/core/food"
)

// # What was used of a line
//
// What is read from a line takes its words. What is left and may matter stays marked
// where it stands, and a line of which such words are left is open: nothing is dropped
// in silence.

// Part is a stretch of a line as it stood.
type Part struct {
	Text string `json:"text"`
	// Unused says that nothing was taken from it, though it may matter.
	Unused bool `json:"unused,omitempty"`
}

// words are letters, or figures with what stands between them.
var words = regexp.MustCompile(`[\p{L}\p{M}]+|\p{N}+(?:[.,/⁄]\p{N}+)*`)

// keyOf is a word by which it is known again: in small letters, without an s.
func keyOf(word string) string {
	word = strings.ToLower(word)
	if len(word) > 3 && !strings.HasSuffix(word, "ss") {
		word = strings.TrimSuffix(word, "s")
	}
	return word
}

// take uses up words of the line that is read.
func (r *reader) take(texts ...string) {
	for _, text := range texts {
		for _, w := range words.FindAllString(text, -1) {
			r.taken[keyOf(w)] = true
		}
	}
}

// mark cuts a line into what was used and what was not; idle words matter to nothing.
// What was not used is returned as it stands.
func (r *reader) mark(l *Line, idle func(key string) bool) (left []string) {
	from := 0
	add := func(to int, unused bool) {
		if to > from {
			l.Parts = append(l.Parts, Part{l.Text[from:to], unused})
			from = to
		}
	}
	l.Parts = nil
	last := -1 // where the last unused word ends
	for _, m := range words.FindAllStringIndex(l.Text, -1) {
		key := keyOf(l.Text[m[0]:m[1]])
		if r.taken[key] || idle(key) {
			continue
		}
		if last >= 0 && strings.Trim(l.Text[last:m[0]], " -,'’") == "" && last == from {
			// They stand together: one stretch.
			n := len(l.Parts) - 1
			l.Parts[n].Text += l.Text[last:m[1]]
			from, last = m[1], m[1]
			continue
		}
		add(m[0], false)
		add(m[1], true)
		last = m[1]
	}
	add(len(l.Text), false)
	for _, p := range l.Parts {
		if p.Unused {
			left = append(left, p.Text)
		}
	}
	return left
}

func set(text string) map[string]bool {
	out := map[string]bool{}
	for _, w := range strings.Fields(text) {
		out[keyOf(w)] = true
	}
	return out
}

var (
	// always are words that matter to no line.
	always = set("a an the of and or with in on into to for from at by as it its if you your like them their each about around approximately approx roughly some any all up plus extra more needed wish taste optional preferably ideally quality good best brand favourite favorite organic range store shop bought homemade home made total i we use used using g kg ml l oz lb lbs")
	// done are words of how an ingredient is made ready, which its figures do not hang on.
	done = set("fresh freshly finely fine coarsely coarse roughly chopped minced grated crushed sliced diced peeled pressed smashed beaten lightly whisked large medium small extra virgin plain natural cold warm hot room temperature softened melted ground dried dry toasted roasted juice juiced squeezed clove stalk sprig leaf leaves stem picked torn deseeded seeded halved quartered cut pieces whole unsalted runny clear liquid free powder powdered granulated packed level drained rinsed washed trimmed sifted ripe white black red green yellow brown dark light sweet smoked mild regular pure raw zest cracked thumb knob")
	// readied are words of how meat, fish and plants come, on which nothing hangs here.
	readied = set("fresh large medium small trimmed trim excess fat pat patted dry dried wipe wiped washed rinsed cleaned deveined peeled unpeeled scrubbed tails tail on off removed remove shelled scaled gutted pin boned split separated separate joints joint tips tip discarded halves ends florets flats drumettes pieces piece cut good size sized room temperature party waxy floury starchy maris type head fillets fillet portions centre center skin scored washed ripe organic pack packet tray meat poultry raw uncooked thawed defrosted weight weighing firm fridge chilled cold super jumbo king pressed spare between")
)

// idleOf says of an ingredient's words which matter to nothing.
func idleOf(key string) bool { return always[key] || done[key] }

// idleFood is the same of what is fried. That it has bone or skin goes without saying of
// a cut that has it.
func idleFood(cut food.Cut, text string) func(key string) bool {
	lower := strings.ToLower(text)
	return func(key string) bool {
		switch key {
		case "bone", "boneles", "boneless":
			return strings.Contains(lower, "boneless") == (cut.Bone == 0) || cut.Plant()
		case "skin", "skinles", "skinless":
			return strings.Contains(lower, "skinless") == (cut.SkinMm == 0) || strings.Contains(lower, "skin off") && cut.SkinMm == 0
		case "off", "less":
			return true
		}
		kind, _, _ := strings.Cut(cut.ID, "-")
		return always[key] || readied[key] || key == kind || kinds[kind][key]
	}
}

// kinds are the animals that go without saying, by the beginning of a cut.
var kinds = map[string]map[string]bool{"nugget": set("chicken"), "sausage": set("pork"), "meatball": set("beef pork"), "patty": set("beef"), "prawn": set("shrimp"), "salmon": set("salmon")}

// matters are the words of a step that the forecast may hang on, where nothing was
// taken from them.
var matters = set("frozen freeze thaw thawed defrost rest stand preheat batch batches spray mist baste brush flip turn shake foil parchment rack skewer grill broil steam boil parboil blanch simmer microwave smoke sear raw pink internal probe thermometer cover lid lower increase reduce raise hotter higher overnight marinate brine soak chill refrigerate fridge twice again second double stuff fill wrap roll pound flatten butterfly")

// idleStep says of a step's words which matter to nothing: all that are no figures, and
// name nothing that is done to the food.
func idleStep(key string) bool {
	return !(key[0] >= '0' && key[0] <= '9' || strings.ContainsAny(key, "½¼¾⅓⅔⅛")) && !matters[key]
}

// notUsed says which words of a line are left.
func notUsed(left []string) string {
	return " Not used: “" + strings.Join(left, "”, “") + "”."
}
