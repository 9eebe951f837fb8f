package exchange

import (
	"bytes"
	"encoding/json"
	"fmt"
	"regexp"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"golang.org/x/net/html"

	"velocrustum/core/recipe"
	"velocrustum/core/refuse"
)

const (
	// MostRecipe is the largest file that a recipe is looked for in, bytes.
	MostRecipe = 4 << 20
	deepest    = 12 // of what holds a recipe
	mostLines  = 200
	// mostText is how many lines a text may have in which a recipe is looked for.
	mostText = 1500
	longLine = 2000 // letters
)

// ReadRecipe reads a recipe from pasted text, Markdown, JSON-LD, or a saved
// page that has JSON-LD in it. Where the dish itself stands in it, that is
// returned as well. Nothing is fetched, and markup is left out. The error is
// refuse.Fields.
func ReadRecipe(raw []byte) (recipe.Text, json.RawMessage, error) {
	raw = bytes.TrimPrefix(raw, []byte("\xef\xbb\xbf"))
	no := func(value, allowed string) (recipe.Text, json.RawMessage, error) {
		return recipe.Text{}, nil, refuse.One("recipe", value, allowed)
	}
	if len(raw) > MostRecipe {
		return no(fmt.Sprintf("%d MB", len(raw)>>20+1), fmt.Sprintf("up to %d MB", MostRecipe>>20))
	}
	if !utf8.Valid(raw) || bytes.IndexByte(raw, 0) >= 0 {
		return no("a file that is no text", "text, Markdown, JSON-LD, or a saved page")
	}
	text := strings.TrimSpace(string(raw))
	var found []map[string]any
	switch {
	case text == "":
		return no("nothing", "a recipe")
	case text[0] == '{' || text[0] == '[':
		var v any
		if err := json.Unmarshal([]byte(text), &v); err != nil {
			return no("JSON that breaks off or is none", "a schema.org Recipe as JSON-LD")
		}
		found = recipesIn(v, 0)
	case isPage(text):
		for _, block := range blocks(text) {
			var v any
			if json.Unmarshal([]byte(block), &v) == nil {
				found = append(found, recipesIn(v, 0)...)
			}
		}
	case strings.Count(text, "\n") >= mostText:
		return no(fmt.Sprintf("a text of %d lines", strings.Count(text, "\n")+1), fmt.Sprintf("up to %d: the recipe alone", mostText))
	default:
		got, own := plainText(lined(text))
		if len(got.Ingredients)+len(got.Steps) == 0 {
			return no("no line of a recipe", "ingredients and steps, each on a line of its own")
		}
		return got, own, nil
	}
	if len(found) == 0 && isPage(text) {
		// A page that says it only to the eye: what stands in lists and headings.
		words := paged(text)
		if n := strings.Count(words, "\n"); n >= mostText {
			return no(fmt.Sprintf("a page of %d lines without a Recipe as JSON-LD", n+1), fmt.Sprintf("up to %d: paste the recipe alone", mostText))
		}
		if got, _ := plainText(words); len(got.Ingredients) > 1 && len(got.Steps) > 0 {
			return got, nil, nil
		}
	}
	if len(found) == 0 {
		return no("a page or document without a recipe in it", "one with a schema.org Recipe as JSON-LD; or paste its ingredients and steps as text")
	}
	got, own := fromLD(found[0])
	if len(got.Ingredients)+len(got.Steps) == 0 {
		return no("a Recipe without ingredients and instructions", "one with recipeIngredient or recipeInstructions")
	}
	return got, own, nil
}

func isPage(text string) bool {
	head := strings.ToLower(text[:min(len(text), 4000)])
	return strings.Contains(head, "<!doctype html") || strings.Contains(head, "<html") || strings.Contains(head, "<script") || strings.Contains(head, "<head")
}

// blocks are the JSON-LD scripts of a page.
func blocks(page string) (out []string) {
	z := html.NewTokenizer(strings.NewReader(page))
	in := false
	for {
		switch z.Next() {
		case html.ErrorToken:
			return out
		case html.StartTagToken:
			t := z.Token()
			in = t.Data == "script" && slices.ContainsFunc(t.Attr, func(a html.Attribute) bool {
				return a.Key == "type" && strings.Contains(strings.ToLower(a.Val), "ld+json")
			})
		case html.TextToken:
			if in {
				out = append(out, string(z.Text()))
			}
		case html.EndTagToken:
			in = false
		}
	}
}

// paged is what a page says to the eye, line by line, headings and lists as
// Markdown has them.
func paged(page string) string {
	var b strings.Builder
	z := html.NewTokenizer(strings.NewReader(page))
	hidden, ordered := "", false
	for {
		kind := z.Next()
		name, _ := z.TagName()
		tag := string(name)
		switch kind {
		case html.ErrorToken:
			return b.String()
		case html.StartTagToken, html.SelfClosingTagToken:
			switch tag {
			case "script", "style", "noscript", "template", "nav", "footer", "aside", "form", "button", "svg", "title":
				if hidden == "" && kind == html.StartTagToken {
					hidden = tag
				}
			case "ol":
				ordered = true
			case "ul":
				ordered = false
			case "h1", "h2", "h3", "h4", "h5", "h6":
				b.WriteString("\n# ")
			case "li":
				b.WriteString(map[bool]string{true: "\n1. ", false: "\n- "}[ordered])
			case "p", "div", "br", "tr", "section", "article", "header", "dt", "dd", "table":
				b.WriteByte('\n')
			}
		case html.EndTagToken:
			switch {
			case tag == hidden:
				hidden = ""
			case tag == "p" || tag == "li" || tag == "div" || len(tag) == 2 && tag[0] == 'h':
				b.WriteByte('\n')
			}
		case html.TextToken:
			if hidden == "" {
				b.WriteString(bare(html.UnescapeString(strings.ReplaceAll(string(z.Text()), "\n", " "))))
				b.WriteByte(' ')
			}
		}
	}
}

// lined sets a recipe that was written in one go line by line: the sentence that
// lists amounts by commas, then the others.
func lined(text string) string {
	if strings.Count(strings.TrimSpace(text), "\n") > 1 {
		return text
	}
	var out []string
	for _, s := range sentences.Split(text, -1) {
		parts := strings.Split(s, ", ")
		amounts := 0
		for _, p := range parts {
			if recipe.Amounted(strings.TrimSpace(p)) {
				amounts++
			}
		}
		if len(parts) > 2 && 2*amounts > len(parts) {
			out = append(append(out, "Ingredients:"), parts...)
			out = append(out, "Method:")
			continue
		}
		out = append(out, s)
	}
	if len(out) < 4 {
		return text
	}
	return strings.Join(out, "\n")
}

var sentences = regexp.MustCompile(`[.!]\s+`)

// recipesIn are the recipes in a document, wherever they stand.
func recipesIn(v any, depth int) (out []map[string]any) {
	if depth > deepest {
		return nil
	}
	switch t := v.(type) {
	case []any:
		for _, e := range t {
			out = append(out, recipesIn(e, depth+1)...)
		}
	case map[string]any:
		if slices.ContainsFunc(texts(t["@type"]), func(s string) bool { return s == "Recipe" || strings.HasSuffix(s, "/Recipe") }) {
			return []map[string]any{t}
		}
		for _, key := range []string{"@graph", "mainEntity", "mainEntityOfPage", "itemListElement", "item"} {
			out = append(out, recipesIn(t[key], depth+1)...)
		}
	}
	return out
}

// texts are what a value says, be it one or several.
func texts(v any) (out []string) {
	switch t := v.(type) {
	case string:
		return []string{t}
	case float64:
		return []string{fmt.Sprintf("%g", t)}
	case []any:
		for _, e := range t {
			out = append(out, texts(e)...)
		}
	}
	return out
}

// bare is text without markup, on one line.
func bare(s string) string {
	if strings.ContainsAny(s, "<&") {
		var b strings.Builder
		z := html.NewTokenizer(strings.NewReader(s))
		for kind := z.Next(); kind != html.ErrorToken; kind = z.Next() {
			if kind == html.TextToken {
				b.WriteString(html.UnescapeString(string(z.Text())))
			} else {
				b.WriteByte(' ')
			}
		}
		s = b.String()
	}
	s = strings.Join(strings.FieldsFunc(s, func(r rune) bool { return unicode.IsSpace(r) || unicode.IsControl(r) }), " ")
	if r := []rune(s); len(r) > longLine {
		s = string(r[:longLine])
	}
	return s
}

// fromLD reads a schema.org Recipe.
func fromLD(r map[string]any) (out recipe.Text, own json.RawMessage) {
	if name := texts(r["name"]); len(name) > 0 {
		out.Name = bare(name[0])
	}
	for _, y := range texts(r["recipeYield"]) {
		if out.Servings = firstNumber(y); out.Servings > 0 {
			break
		}
	}
	lines := append(texts(r["recipeIngredient"]), texts(r["ingredients"])...)
	group := ""
	for _, l := range lines {
		for part := range strings.SplitSeq(l, "\n") {
			s := bare(part)
			switch {
			case s == "" || len(out.Ingredients) >= mostLines:
			case isHeading(s):
				group = strings.TrimSuffix(s, ":")
			default:
				out.Ingredients = append(out.Ingredients, recipe.Said{Text: s, Group: group})
			}
		}
	}
	out.Steps = instructions(r["recipeInstructions"], 0)
	if v, ok := r[term]; ok {
		own, _ = json.Marshal(v)
	}
	return out, own
}

// isHeading says whether a line among ingredients names what follows.
func isHeading(s string) bool {
	return (strings.HasSuffix(s, ":") || parts.MatchString(s)) && !recipe.Amounted(s)
}

// instructions are the steps of a recipe, sections taken apart.
func instructions(v any, depth int) (out []string) {
	if depth > deepest {
		return nil
	}
	add := func(s string) {
		if s = ordinal.ReplaceAllString(bare(s), ""); s != "" && len(out) < mostLines {
			out = append(out, s)
		}
	}
	switch t := v.(type) {
	case string:
		for part := range strings.SplitSeq(strings.NewReplacer("<br>", "\n", "<br/>", "\n", "</p>", "\n", "</li>", "\n").Replace(t), "\n") {
			add(part)
		}
	case []any:
		for _, e := range t {
			out = append(out, instructions(e, depth+1)...)
		}
	case map[string]any:
		if inner := t["itemListElement"]; inner != nil {
			return instructions(inner, depth+1)
		}
		if s := texts(t["text"]); len(s) > 0 {
			add(s[0])
		} else if s := texts(t["name"]); len(s) > 0 {
			add(s[0])
		}
	}
	return out
}

var digits = regexp.MustCompile(`\d+`)

func firstNumber(s string) int {
	n := 0
	if d := digits.FindString(s); d != "" && len(d) < 4 {
		_, _ = fmt.Sscan(d, &n)
	}
	return n
}

const howMany = `(\d{1,2}|one|two|three|four|five|six|eight|ten|twelve)`

var (
	ofIngredients = regexp.MustCompile(`(?i)^(the )?(ingredients|you(’|')?ll need|you need|what you need|shopping)\b`)
	ofSteps       = regexp.MustCompile(`(?i)^(the )?(method|steps?|instructions?|directions?|preparation|how to|to make|cooking(?: method| instructions)?$)`)
	bullet        = regexp.MustCompile(`^([-*•·–—▢□☐]|\[[ x]\])\s*`)
	ordinal       = regexp.MustCompile(`(?i)^(step\s*)?\d{1,2}[.):]\s+`)
	yields        = regexp.MustCompile(`(?i)^\(?(?:serves|servings?|feeds|for)\s*:?\s+(?:about\s+|up to\s+)?` + howMany + `\b`)
	within        = regexp.MustCompile(`(?i)^makes\b.*\bserves\s+` + howMany + `\b`)
	makes         = regexp.MustCompile(`(?i)^\(?(?:makes|yields?)\s*:?\s+(?:about\s+)?` + howMany + `(?:\s*[-–]\s*\d+)?\s*(?:servings?|portions?|people|persons?|\)|$)`)
	portions      = regexp.MustCompile(`(?i)^(\d{1,2})\s+(servings?|portions?|people)\b`)
	// about is how long all of it takes, beside the recipe.
	about      = regexp.MustCompile(`(?i)^(?:prep(?:aration)?|cook(?:ing)?|total|active|hands[- ]on|ready in|marinating|chilling)(?: time)?\s*[:=]?\s*(?:about\s+)?\d+\s*(?:-\s*\d+\s*)?(?:m|h)`)
	alsoServes = regexp.MustCompile(`(?i)\b(?:serves|servings?|portions?)\s*:?\s*` + howMany + `\b`)
	// headings without a colon, of what stands under them.
	headed   = regexp.MustCompile(`(?i)^(?:for (?:the )?|the )?(?:[\p{L}&'’-]+ ){0,3}(?:sauce|glaze|marinade|brine|rub|coating|crust|breading|batter|dredge|dip|dressing|slaw|coleslaw|salad|mix|seasoning|topping|garnish|serve|serving|finish|end)$`)
	parts    = regexp.MustCompile(`(?i)^for the \w+( \w+)?$`)
	inOne    = regexp.MustCompile(`^((?i:for|to) [^:]{2,30}|[^:]{2,30}(?i:sauce|glaze|dip|marinade|brine|rub)): (.+)$`)
	unescape = strings.NewReplacer(`\\`, `\`, `\*`, "*", `\_`, "_", `\#`, "#", `\[`, "[", `\]`, "]", `\<`, "<", `\|`, "|", "\\`", "`", "**", "", "__", "")
)

// counts are numbers as words, of those who eat.
var counts = map[string]int{"one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "eight": 8, "ten": 10, "twelve": 12}

// untabled is a text whose Markdown tables are lines, without the heads of their
// columns.
func untabled(text string) string {
	lines := strings.Split(text, "\n")
	for i, line := range lines {
		s := strings.TrimSpace(line)
		if !strings.HasPrefix(s, "|") || strings.Count(s, "|") < 2 {
			continue
		}
		if strings.Trim(s, "|-: ") == "" {
			lines[i] = ""
			if i > 0 {
				lines[i-1] = ""
			}
			continue
		}
		lines[i] = strings.Join(strings.Fields(strings.ReplaceAll(strings.Trim(s, "|"), "|", " ")), " ")
	}
	return strings.Join(lines, "\n")
}

// plainText reads pasted text or Markdown.
func plainText(text string) (out recipe.Text, own json.RawMessage) {
	if i := strings.Index(text, fence); i >= 0 {
		rest := text[i+len(fence):]
		if end := strings.Index(rest, "\n```"); end >= 0 {
			if block := strings.TrimSpace(rest[:end]); json.Valid([]byte(block)) {
				own = json.RawMessage(block)
			}
			text = text[:i] + rest[end+4:]
		}
	}
	part, group := "", ""
	for line := range strings.SplitSeq(untabled(text), "\n") {
		head := strings.HasPrefix(strings.TrimSpace(line), "#")
		item := bullet.MatchString(strings.TrimSpace(line))
		s := bare(unescape.Replace(strings.TrimSpace(strings.TrimLeft(strings.TrimSpace(line), "#"))))
		s = strings.TrimSpace(bullet.ReplaceAllString(s, ""))
		if len(s) > 2 && s[0] == s[len(s)-1] && (s[0] == '*' || s[0] == '_') {
			s = s[1 : len(s)-1] // in italics
		}
		switch plain := strings.TrimSuffix(s, ":"); {
		case s == "":
			continue
		case ofIngredients.MatchString(plain) && len(plain) < 40:
			part, group = "ingredients", ""
			continue
		case ofSteps.MatchString(plain) && len(plain) < 40 && (head || strings.HasSuffix(s, ":") || len(strings.Fields(plain)) < 3):
			part = "steps"
			continue
		case head && out.Name != "" && part == "ingredients" && len(out.Ingredients) > 0:
			group = plain // a part of it, like a glaze
			continue
		case head && out.Name != "":
			part = "other" // what follows is neither
			continue
		case out.Name == "" && part == "" && (!recipe.Amounted(s) || !digits.MatchString(s)):
			out.Name = plain
			continue
		case part != "steps" && (isHeading(s) || !item && !digits.MatchString(s) && headed.MatchString(s) && len(out.Ingredients) > 0 && !recipe.Amounted(s)):
			group = strings.TrimSuffix(s, ":")
			continue
		}
		if about.MatchString(s) && len(s) < 90 {
			if m := alsoServes.FindStringSubmatch(s); m != nil && out.Servings == 0 {
				out.Servings = max(firstNumber(m[1]), counts[strings.ToLower(m[1])])
			}
			if len(out.Rest) < mostLines {
				out.Rest = append(out.Rest, s)
			}
			continue
		}
		if part == "other" {
			if len(out.Rest) < mostLines {
				out.Rest = append(out.Rest, s)
			}
			continue
		}
		if m := inOne.FindStringSubmatch(s); m != nil && part != "steps" {
			if list := strings.Split(m[2], ", "); recipe.Amounted(list[0]) && recipe.Amounted(list[len(list)-1]) && len(out.Ingredients)+len(list) <= mostLines {
				for _, one := range list {
					out.Ingredients = append(out.Ingredients, recipe.Said{Text: one, Group: m[1]})
				}
				continue
			}
		}
		m := yields.FindStringSubmatch(s)
		if m == nil && len(s) < 60 {
			m = within.FindStringSubmatch(s)
		}
		if m == nil {
			m = makes.FindStringSubmatch(s)
		}
		if m != nil && part != "steps" && len(s) < 60 && !strings.Contains(s, "min") {
			if out.Servings == 0 {
				out.Servings = max(firstNumber(m[1]), counts[strings.ToLower(m[1])])
			}
			continue
		}
		if m := portions.FindStringSubmatch(s); m != nil && part == "" {
			out.Servings = max(out.Servings, firstNumber(m[1]))
			continue
		}
		counted := ordinal.MatchString(s)
		s = ordinal.ReplaceAllString(s, "")
		step := counted && !recipe.Amounted(s)
		few := len(strings.Fields(s)) < 4 && len(out.Steps) == 0 && !strings.HasSuffix(s, ".")
		switch {
		case part == "ingredients" && !step, part == "" && !step && (recipe.Amounted(s) || item && len(strings.Fields(s)) < 8 || few):
			if len(out.Ingredients) < mostLines {
				out.Ingredients = append(out.Ingredients, recipe.Said{Text: s, Group: group})
			}
		default:
			if len(out.Steps) < mostLines {
				out.Steps = append(out.Steps, s)
			}
		}
	}
	return out, own
}
