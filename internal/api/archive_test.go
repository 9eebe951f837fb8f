package api_test

import (
	"archive/zip"
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	"maps"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/load/loadtest"
	"velocrustum/internal/api"
	"velocrustum/internal/archive"
	"velocrustum/internal/exchange"
)

// lived is a household with all that can be in one: a supper led and given up
// in its midst, a cook with a curve, a picture and readings; and what lacks
// something since that was forgotten.
func lived(t testing.TB) *kitchen {
	t.Helper()
	k := newKitchen(t, "")
	c := drumsticks(t, k)
	at := func(m int) string { return c.LoadedAt.Add(time.Duration(m) * time.Minute).Format(time.RFC3339) }
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"left-in", "probe":"tip"}`)
	k.Wait(24 * time.Minute)
	if w := k.Send("POST", "/api/v1/probes/tip/readings", fmt.Sprintf(`{"readings": [{"at": %q, "c": 24.25}, {"at": %q, "c": 51}]}`, at(4), at(9))); w.Code != 200 {
		t.Fatal(w.Body)
	}
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"out"}`)
	if w := k.Send("POST", "/api/v1/cooks/"+c.Id+"/curve", `{"file":"0,5\n60,7.5\n120,11\n"}`); w.Code != 200 {
		t.Fatal(w.Body)
	}
	get[api.CookEntry](k, 200, "PUT", "/api/v1/cooks/"+c.Id+"/outcome", `{"crust":"good", "inside":"juicy", "note":"=1+1 \"quoted\", and a line\nmore"}`)
	for _, alt := range []string{"On the plate", ""} {
		if w := k.Send("POST", "/api/v1/cooks/"+c.Id+"/pictures?alt="+strings.ReplaceAll(alt, " ", "+"), string(aPicture(t, 60, 40)), "Content-Type", "image/jpeg"); w.Code != 201 {
			t.Fatal(w.Code, w.Body)
		}
	}
	e := oneOut(k, begun(t, k))
	get[api.LiveEvening](k, 200, "POST", "/api/v1/evenings/"+e.Id+"/events", `{"kind":"giveup"}`)
	if w := k.Send("PUT", "/api/v1/pantry/moon-dust", `{"id":"moon-dust", "name":"Moon dust", "role":"spice", "density": 2.5, "each": 0, "salt": 0.1, "sugar": 0, "carb": 0.4, "fat": 0, "protein": 0, "acid": 0, "thick": false, "source":"the moon"}`); w.Code != 200 {
		t.Fatal(w.Body)
	}
	if w := k.Send("PUT", "/api/v1/marinades/of-the-moon", `{"id":"of-the-moon", "name":"Of the moon", "marinade": {"hours": 2, "forG": 500, "items": [{"ingredient":"moon-dust", "g": 10}]}}`); w.Code != 200 {
		t.Fatal(w.Body)
	}
	get[struct{}](k, 204, "DELETE", "/api/v1/pantry/moon-dust", "")
	plans := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")
	i := slices.IndexFunc(plans, func(p api.Plan) bool { return p.Name == "Wings for six" })
	get[struct{}](k, 204, "DELETE", "/api/v1/plans/"+plans[i].Id, "")
	return k
}

func aPicture(t testing.TB, w, h int) []byte {
	t.Helper()
	m := image.NewRGBA(image.Rect(0, 0, w, h))
	for i := range w * h {
		m.Set(i%w, i/w, color.RGBA{200, uint8(2 * i), 60, 255})
	}
	var b bytes.Buffer
	if err := jpeg.Encode(&b, m, nil); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func tally(b *archive.Brought) string {
	var n, s, d int
	for _, t := range b.Kinds {
		n, s, d = n+t.New, s+t.Same, d+t.Different
	}
	return fmt.Sprintf("%d new, %d same, %d different", n, s, d)
}

func packed(t testing.TB, files map[string][]byte) []byte {
	t.Helper()
	if files["manifest.json"] == nil {
		m := exchange.Manifest{Format: "velocrustum-household", Version: 1, Made: "2026-11-20T18:00:00Z"}
		for name, b := range files {
			sum := sha256.Sum256(b)
			m.Files = append(m.Files, exchange.Listed{Path: name, Bytes: len(b), SHA256: hex.EncodeToString(sum[:])})
		}
		b, err := json.Marshal(m)
		if err != nil {
			t.Fatal(err)
		}
		files["manifest.json"] = b
	}
	var out bytes.Buffer
	z := zip.NewWriter(&out)
	for name, b := range files {
		f, err := z.Create(name)
		if err == nil {
			_, err = f.Write(b)
		}
		if err != nil {
			t.Fatal(err)
		}
	}
	if err := z.Close(); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// What leaves goes into an empty household, and leaves that as it came.
func TestAHouseholdGoesOutAndIn(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := lived(t)
	raw := takenAway(k)
	if to := os.Getenv("ARCHIVE_TO"); to != "" {
		if err := os.WriteFile(to, raw, 0o600); err != nil {
			t.Fatal(err)
		}
	}
	if b, p := bring(k, raw, ""); p != nil || b.Kept || len(b.Differences) != 0 || !strings.HasPrefix(tally(b), "0 new") {
		t.Fatalf("it is not the same as itself: %s, %+v, %+v", tally(b), b.Differences, p)
	} else if len(b.Notes) != 2 || !strings.Contains(strings.Join(b.Notes, " "), "Of the moon") || !strings.Contains(strings.Join(b.Notes, " "), "Dish ") {
		t.Errorf("notes: %q", b.Notes)
	}
	empty := emptyKitchen(t)
	b, p := bring(empty, raw, "")
	if p != nil || b.Kept || len(get[[]api.Plan](empty, 200, "GET", "/api/v1/plans", "")) != 0 {
		t.Fatalf("looked at: %+v, %+v", b, p)
	}
	// Unpacked and packed again with its folders it is the same.
	again := unpacked(t, raw)
	again["pictures/"], again["sessions/"] = nil, nil
	if _, p = bring(empty, packed(t, again), ""); p != nil {
		t.Errorf("packed again: %+v", p)
	}
	if b, p = bring(empty, raw, `{"others":"keep"}`); p != nil || !b.Kept {
		t.Fatalf("put in: %+v, %+v", b, p)
	}
	want, have := documents(t, raw), documents(t, takenAway(empty))
	dishes := get[[]api.Plan](empty, 200, "GET", "/api/v1/plans", "")
	unlinked := regexp.MustCompile(`"planId":"([^"]*)",`)
	for name, was := range want {
		// A dish that was deleted there is not linked here.
		was = unlinked.ReplaceAllStringFunc(was, func(link string) string {
			if strings.HasPrefix(name, "suppers/") || slices.ContainsFunc(dishes, func(p api.Plan) bool { return strings.Contains(link, p.Id) }) {
				return link
			}
			return ""
		})
		if have[name] != was {
			t.Errorf("%s is\n%.600s\nwas\n%.600s", name, have[name], was)
		}
	}
	if len(have) != len(want) || len(want) < 48 {
		t.Errorf("%d files, %d left", len(have), len(want))
	}
	for name, wants := range map[string]string{"logbook.csv": `"'=1+1 ""quoted"", and a line`, "readings.csv": "tip,2026-11-20T18:", "events.csv": "left-in"} {
		if !strings.Contains(have[name], wants) {
			t.Errorf("%s:\n%s", name, have[name])
		}
	}
	// Its pages open: every cook, the supper with its baskets, every picture.
	pictures := 0
	for _, c := range get[[]api.CookSummary](empty, 200, "GET", "/api/v1/cooks", "") {
		entry := get[api.CookEntry](empty, 200, "GET", "/api/v1/cooks/"+c.Id, "")
		for _, one := range entry.Pictures {
			pictures++
			if w := empty.Send("GET", "/api/v1/pictures/"+one.Id+"?size=small", ""); w.Code != 200 || w.Header().Get("Content-Type") != "image/jpeg" {
				t.Errorf("a picture: %d", w.Code)
			}
		}
		if c.EveningId != nil {
			was := get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+*c.EveningId, "")
			if e := get[api.LiveEvening](empty, 200, "GET", "/api/v1/evenings/"+*c.EveningId, ""); !e.Course.Over || len(e.Baskets) != len(was.Baskets) {
				t.Errorf("the supper: over %v, %d baskets of %d", e.Course.Over, len(e.Baskets), len(was.Baskets))
			}
		}
	}
	if pictures != 4 { // two of them the demo’s
		t.Errorf("%d pictures", pictures)
	}
}

func TestWhatDiffersIsDecidedOneByOne(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	raw := takenAway(k)
	plans := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")
	for i := range 2 {
		in := body(t, api.PlanInput{Name: plans[i].Name + ", changed", FryerId: plans[i].FryerId, Lots: &plans[i].Lots, Bench: &plans[i].Bench, Program: plans[i].Program})
		get[api.Plan](k, 200, "PUT", "/api/v1/plans/"+plans[i].Id, in)
	}
	b, p := bring(k, raw, fmt.Sprintf(`{"each": {"dishes/%s":"both"}}`, plans[0].Id))
	if p != nil || b.Kept || len(b.Differences) != 2 || !b.Open() {
		t.Fatalf("one of two decided: %+v, %+v", b, p)
	}
	b, p = bring(k, raw, fmt.Sprintf(`{"others":"take", "each": {"dishes/%s":"both"}}`, plans[0].Id))
	if p != nil || !b.Kept {
		t.Fatalf("%+v, %+v", b, p)
	}
	names := map[string]int{}
	for _, p := range get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "") {
		names[p.Name]++
	}
	if names[plans[0].Name+", changed"] != 1 || names[plans[0].Name+" (brought)"] != 1 || names[plans[1].Name] != 1 || names[plans[1].Name+", changed"] != 0 {
		t.Errorf("%v", names)
	}
	for _, choices := range []string{`{"others":"all"}`, `{"each": {"x/y":""}}`, `{"every":"keep"}`, `keep`} {
		if w := sendArchive(k, raw, choices); w.Code != 422 {
			t.Errorf("%s: %d %s", choices, w.Code, w.Body)
		}
	}
	if w := k.Send("POST", "/api/v1/archive", "{}"); w.Code != 422 {
		t.Errorf("no form: %d %s", w.Code, w.Body)
	}
	start(k, plans[2].Id, 1)
	if _, p := bring(k, raw, `{"others":"keep"}`); p == nil || p.Status != 409 {
		t.Errorf("beside a live cook: %+v", p)
	}
	if b, p := bring(k, raw, ""); p != nil || b == nil {
		t.Errorf("looked at beside a live cook: %+v", p)
	}
}

// An archive that is newer or spoilt in any way is refused whole, and says why.
func TestSpoiltArchivesAreRefusedWhole(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	raw := takenAway(lived(t))
	k := emptyKitchen(t)
	was := documents(t, takenAway(k))
	// first is the first file of a folder, and change puts something else in it.
	first := func(files map[string][]byte, folder string) string {
		names := []string{}
		for name := range files {
			if strings.HasPrefix(name, folder+"/") {
				names = append(names, name)
			}
		}
		slices.Sort(names)
		return names[0]
	}
	change := func(folder, old, new string) func(map[string][]byte) {
		return func(files map[string][]byte) {
			for _, name := range slices.Sorted(maps.Keys(files)) {
				if strings.HasPrefix(name, folder) && bytes.Contains(files[name], []byte(old)) {
					files[name] = bytes.Replace(files[name], []byte(old), []byte(new), 1)
					return
				}
			}
			t.Fatalf("no %s has %s", folder, old)
		}
	}
	manifest := func(old, new string) func(map[string][]byte) {
		return func(files map[string][]byte) {
			if !bytes.Contains(files["manifest.json"], []byte(old)) {
				t.Fatalf("no %s", old)
			}
			files["manifest.json"] = bytes.Replace(files["manifest.json"], []byte(old), []byte(new), 1)
		}
	}
	// Those that leave the list as it was, and those that are listed anew.
	for name, spoil := range map[string]func(map[string][]byte){
		"a newer version: newer":                    manifest(`"version":1`, `"version":2`),
		"version nought: versions":                  manifest(`"version":1`, `"version":0`),
		"something else's: household":               manifest("velocrustum-household", "kitchen-diary"),
		"no list any more: manifest":                func(f map[string][]byte) { f["manifest.json"] = []byte("{") },
		"a sum that differs: sum":                   manifest(`"sha256":"`, `"sha256":"0`),
		"a length that differs: listed":             manifest(`"bytes":`, `"bytes":9`),
		"listed twice: README.txt":                  manifest(`"files":[`, `"files":[{"path":"README.txt","bytes":0},`),
		"a changed document: sum":                   change("dishes/", `"name"`, `"nome"`),
		"a changed picture: sum":                    func(f map[string][]byte) { f[first(f, "pictures")][30] ^= 1 },
		"a file that is gone: missing":              func(f map[string][]byte) { delete(f, first(f, "coats")) },
		"a file that is not listed: but not listed": func(f map[string][]byte) { f["coats/mine.json"] = []byte("{}") },
	} {
		spoilt(t, k, name, unpacked(t, raw), spoil)
	}
	spoils := map[string]func(map[string][]byte){
		"no JSON: dishes/":                           func(f map[string][]byte) { f[first(f, "dishes")] = []byte("wings") },
		"two values: dishes/":                        func(f map[string][]byte) { n := first(f, "dishes"); f[n] = append(f[n], "{}"...) },
		"a field twice: said twice":                  change("fryers/", `{`, `{"name":"x", `),
		"a field that is none: unknown":              change("sauces/", `{`, `{"heat2": 1, `),
		"another's id: holds the id":                 func(f map[string][]byte) { f["mixes/other.json"] = f[first(f, "mixes")] },
		"a word for a number: pieces":                change("dishes/", `"pieces":`, `"pieces":"many", "was": `),
		"a figure beyond its limit: How many":        change("dishes/", `"pieces":`, `"pieces": -`),
		"units that are none: The degrees":           change("settings.json", `"C"`, `"K"`),
		"a fridge like an oven: The fridge":          change("settings.json", `"fridgeC":null`, `"fridgeC":60`),
		"a kitchen on the moon: The height":          change("settings.json", `"aboveSeaM":0`, `"aboveSeaM":4e8`),
		"a reading at an end: front or back":         change("sessions/", `"kind":"loaded"`, `"where":"back","kind":"loaded"`),
		"a dish without its fryer: fryer":            func(f map[string][]byte) { delete(f, first(f, "fryers")) },
		"a cut that is unknown: cut":                 change("sessions/", `"cut":"chicken`, `"cut":"dodo`),
		"a supper over before it began: supper":      change("sessions/", `"hands":1,"finishedAt":"2026`, `"hands":1,"finishedAt":"2019`),
		"a cook that never ended: cooks[0]":          change("sessions/", `Z","finishedAt":"2026`, `Z","finishedAt":"2019`),
		"said in another year: a moment of its cook": change("sessions/", `"kind":"loaded","at":"2026`, `"kind":"loaded","at":"2016`),
		"said what cannot be: kind":                  change("sessions/", `"kind":"loaded"`, `"kind":"launched"`),
		"an outcome that is none: crust":             change("sessions/", `"crust":"good"`, `"crust":"odd"`),
		"a cook twice: twice": func(f map[string][]byte) {
			n := first(f, "sessions")
			id := strings.TrimSuffix(filepath.Base(n), ".json")
			f["sessions/another.json"] = bytes.Replace(f[n], []byte(`"id":"`+id), []byte(`"id":"another`), 1)
		},
		"a fryer that cannot be: power": change("sessions/", `"powerW":`, `"powerW":9`),
		"a picture of two cooks: of two cooks": func(f map[string][]byte) {
			var ids []string
			for name := range f {
				if strings.HasPrefix(name, "pictures/") {
					ids = append(ids, strings.TrimSuffix(filepath.Base(name), ".jpg"))
				}
			}
			for name, b := range f {
				if strings.HasPrefix(name, "sessions/") {
					f[name] = bytes.ReplaceAll(b, []byte(ids[0]), []byte(ids[1]))
				}
			}
			delete(f, "pictures/"+ids[0]+".jpg")
		},
		"something of another kind: not known here": func(f map[string][]byte) { f["spells/one.json"] = []byte("{}") },
		"no picture: picture":                       func(f map[string][]byte) { f[first(f, "pictures")] = []byte("<svg/>") },
		"a picture that is gone: missing":           func(f map[string][]byte) { delete(f, first(f, "pictures")) },
		"readings that are none: line 2":            change("readings.csv", "Z,", "Z,hot"),
		"readings without a head: headed":           change("readings.csv", "thermometer", "probe"),
		"a way out: called":                         func(f map[string][]byte) { f["../outside.json"] = []byte("{}") },
		"a drive: called":                           func(f map[string][]byte) { f["C:\\outside.json"] = []byte("{}") },
		"far too much: too large":                   func(f map[string][]byte) { f["coats/large.json"] = make([]byte, 33<<20) },
	}
	left := loadtest.Cases(len(spoils)) // others each time
	for name, spoil := range spoils {
		if left--; left < 0 {
			break
		}
		spoilt(t, k, name, unpacked(t, raw), func(f map[string][]byte) { spoil(f); delete(f, "manifest.json") })
	}
	for name, file := range map[string][]byte{
		"nothing": {}, "a page": []byte("<html>"), "its first half": raw[:len(raw)/2], "without its last bytes": raw[:len(raw)-30],
		"a byte of its middle": func() []byte { b := bytes.Clone(raw); b[len(b)/2] ^= 0x40; return b }(),
	} {
		if b, p := bring(k, file, `{"others":"take"}`); p == nil || p.Detail == nil {
			t.Errorf("%s: %+v", name, b)
		}
	}
	now := documents(t, takenAway(k))
	if fmt.Sprint(now) != fmt.Sprint(was) {
		t.Errorf("something of them was kept: %d files, %d before", len(now), len(was))
	}
}

// spoilt sends an archive that was spoilt; its name ends on a word of the
// reason.
func spoilt(t *testing.T, k *kitchen, name string, files map[string][]byte, spoil func(map[string][]byte)) {
	t.Helper()
	spoil(files)
	_, word, _ := strings.Cut(name, ": ")
	if b, p := bring(k, packed(t, files), `{"others":"take"}`); p == nil || p.Status != 422 || p.Detail == nil || !strings.Contains(*p.Detail, word) {
		t.Errorf("%s: %+v, %+v", name, b, p)
		if p != nil && p.Detail != nil {
			t.Log(*p.Detail)
		}
	}
}

// An archive of each version is read for ever.
func TestOldArchivesAreRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	for version, want := range map[int]string{1: "39 new, 1 same, 0 different"} {
		raw, err := os.ReadFile(fmt.Sprintf("testdata/household.v%d.zip", version))
		if err != nil {
			t.Fatal(err)
		}
		k := emptyKitchen(t)
		b, p := bring(k, raw, `{"others":"keep"}`)
		if p != nil || !b.Kept || tally(b) != want {
			t.Fatalf("version %d: %+v, %+v", version, b, detail(p))
		}
		if b, p := bring(k, raw, ""); p != nil || len(b.Differences) != 0 || !strings.HasPrefix(tally(b), "0 new") {
			t.Errorf("version %d, afterwards: %+v, %+v", version, b, p)
		}
		for _, c := range get[[]api.CookSummary](k, 200, "GET", "/api/v1/cooks", "") {
			get[api.CookEntry](k, 200, "GET", "/api/v1/cooks/"+c.Id, "")
		}
	}
}

func detail(p *api.Problem) string {
	if p == nil || p.Detail == nil {
		return ""
	}
	return *p.Detail
}
