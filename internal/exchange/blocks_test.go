package exchange

import (
	"slices"
	"testing"
)

// Of a page's scripts only those that say that they are linked data are read as such.
func TestOnlyLinkedDataIsReadOfScripts(t *testing.T) {
	t.Parallel()
	page := `<html><script type="text/javascript">{"a": 1}</script><p type="ld+json">no</p><script>{"b": 2}</script>
		<script type="application/LD+JSON" async>{"c": 3}</script><script id="ld+json">{"d": 4}</script></html>`
	if got := blocks(page); !slices.Equal(got, []string{`{"c": 3}`}) {
		t.Errorf("read %q", got)
	}
}
