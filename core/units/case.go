package units

import (
	"strings"
	"unicode"
	"unicode/utf8"
)

// Capital returns words with their first letter large, as they begin a sentence.
func Capital(words string) string { return recased(words, unicode.ToUpper) }

// Lower returns words with their first letter small, as they stand within one.
func Lower(words string) string { return recased(words, unicode.ToLower) }

func recased(words string, to func(rune) rune) string {
	first, n := utf8.DecodeRuneInString(words)
	if n == 0 || first == utf8.RuneError {
		return words
	}
	return string(to(first)) + words[n:]
}

// List is names as they are said: "a", "a and b", "a, b and c".
func List(names []string) string {
	n := len(names)
	if n < 2 {
		return strings.Join(names, "")
	}
	return strings.Join(names[:n-1], ", ") + " and " + names[n-1]
}
