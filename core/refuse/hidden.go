package refuse

import (
	"bytes"
	"encoding/json"
	"fmt"
	"strings"
	"unicode"
)

// Hidden finds the first text of a valid JSON document that holds what no eye sees:
// control characters but for a new line and a tab, and marks that turn the order of
// letters round. It returns nil where there is none.
func Hidden(raw []byte) Fields {
	// Nearly all that is sent is plain.
	if !bytes.ContainsFunc(raw, unseen) && bytes.IndexByte(raw, '\\') < 0 {
		return nil
	}
	d := json.NewDecoder(bytes.NewReader(raw))
	var names []string // of the objects that are open; "" for a list
	var list []bool
	named := false
	for {
		t, err := d.Token()
		if err != nil {
			return nil // the end: the text is valid
		}
		top := len(list) - 1
		text, ok := t.(string)
		if ok {
			if i := strings.IndexFunc(text, unseen); i >= 0 {
				path := strings.Join(nonempty(names), ".")
				return One(strings.TrimPrefix(path, "."), fmt.Sprintf("text with a hidden character (%U)", []rune(text[i:])[0]), "letters, digits and signs that can be seen")
			}
			if top >= 0 && !list[top] && !named {
				names[top], named = text, true
				continue
			}
		}
		named = false
		switch t {
		case json.Delim('{'), json.Delim('['):
			names, list = append(names, ""), append(list, t == json.Delim('['))
		case json.Delim('}'), json.Delim(']'):
			names, list = names[:top], list[:top]
		}
	}
}

func nonempty(of []string) (out []string) {
	for _, s := range of {
		if s != "" {
			out = append(out, s)
		}
	}
	return out
}

// unseen says whether a character is one that no eye sees and no name needs.
func unseen(r rune) bool {
	switch {
	case r == '\n' || r == '\t':
		return false
	case r >= 0x202A && r <= 0x202E, r >= 0x2066 && r <= 0x2069:
		return true
	}
	return unicode.IsControl(r)
}
