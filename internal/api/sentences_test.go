package api_test

import (
	"encoding/json"
	"math/rand/v2"
	"net/http"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"
	"time"

	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/units"
	"velocrustum/internal/api"
)

// The golden file has every sentence that was said of some thousand random plans, benches,
// pans, ways, suppers and cooks (two hundred dishes at every place, and the demo's), with
// figures, names and lists masked, so that a change of words is seen in it. A test run tries
// a few of them. VELOCRUSTUM_SENTENCES=200 writes it anew, in a quarter of an hour.
var sentencesFile = filepath.Join("testdata", "sentences.txt")

func TestSentencesAreThoseThatWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	said, n := newSentences(t), loadtest.Cases(8)
	more, err := strconv.Atoi(os.Getenv("VELOCRUSTUM_SENTENCES"))
	if err == nil {
		n = more
	}
	if err == nil {
		said.ofDemo(t)
	}
	for i := 0; i < n; i += 50 { // a household holds so many plans
		k := newKitchen(t, "")
		said.units(k, i)
		for j := i; j < min(n, i+50); j++ {
			said.ofOne(k, j)
		}
	}
	if err == nil {
		if err := os.WriteFile(sentencesFile, []byte(said.sorted()), 0o600); err != nil {
			t.Fatal(err)
		}
		return
	}
	golden, err := os.ReadFile(sentencesFile)
	if err != nil {
		t.Fatal(err)
	}
	read := strings.Split(string(golden), "\n")
	for one, where := range said.all {
		if _, known := slices.BinarySearch(read, one); !known {
			t.Errorf("%s says what was not read yet, %s: %q", where[0], where[1], one)
		}
	}
}

type sentences struct {
	all   map[string][2]string // where it was said first, and unmasked
	names *strings.Replacer
}

func newSentences(t *testing.T) *sentences {
	var names []string
	for _, c := range food.Cuts() {
		names = append(names, c.Name, c.Plural)
	}
	for _, i := range larder.Ingredients() {
		names = append(names, i.Name)
	}
	for _, c := range food.Coats() {
		names = append(names, c.Name)
	}
	names = append(names, "Zarte Probe", "Lot <1> & *others*", "Lot <2> & *others*", "Lot <3> & *others*", `Lot \<1> & \*others\*`, `Lot \<2> & \*others\*`, `Lot \<3> & \*others\*`,
		`Ünlike <any> *other* "sauce"`, `Ünlike \<any> \*other\* "sauce"`)
	k := newKitchen(t, "")
	for _, p := range get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "") {
		names = append(names, p.Name)
		b, _ := json.Marshal(p.Bench)
		for _, m := range regexp.MustCompile(`"name":"([^"]+)"`).FindAllStringSubmatch(string(b), -1) {
			names = append(names, m[1])
		}
	}
	for _, f := range get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "") {
		names = append(names, f.Name)
	}
	slices.SortFunc(names, func(a, b string) int { return len(b) - len(a) })
	var pairs []string
	for _, n := range names {
		if len(n) < 4 {
			continue
		}
		pairs = append(pairs, units.Lower(n), "‹name›", units.Capital(n), "‹Name›")
	}
	return &sentences{all: map[string][2]string{}, names: strings.NewReplacer(pairs...)}
}

// notSaid are fields that hold what was typed, or what a machine reads.
var notSaid = map[string]bool{"name": true, "plural": true, "source": true, "id": true, "note": true, "text": true, "fryerName": true, "dishName": true, "detail": true, "allowed": true}

// of takes in all that an answer says.
func (s *sentences) of(k *kitchen, method, path, body string) (answer []byte, code int) {
	k.T.Helper()
	w := k.Send(method, "/api/v1"+path, body)
	if w.Code >= 500 && w.Code != http.StatusServiceUnavailable { // some dishes take longer than is worked
		k.T.Fatalf("%s %s: %d %s for %s", method, path, w.Code, w.Body, body)
	}
	if !strings.Contains(w.Header().Get("Content-Type"), "json") {
		return w.Body.Bytes(), w.Code
	}
	for lines := json.NewDecoder(strings.NewReader(w.Body.String())); lines.More(); {
		var said any
		if err := lines.Decode(&said); err != nil {
			k.T.Fatal(err)
		}
		s.take(strings.FieldsFunc(path, func(r rune) bool { return r == '/' || r == '?' })[0], said)
	}
	return w.Body.Bytes(), w.Code
}

func (s *sentences) take(where string, said any) {
	switch v := said.(type) {
	case map[string]any:
		for field, of := range v {
			if !notSaid[field] {
				s.take(where+"."+field, of)
			}
		}
	case []any:
		for _, of := range v {
			s.take(where, of)
		}
	case string:
		if strings.Count(v, " ") < 2 {
			return
		}
		for _, one := range sentence.FindAllString(v, -1) {
			for _, part := range parts(strings.TrimSpace(one)) {
				masked := s.masked(part)
				if _, known := s.all[masked]; !known && strings.Contains(masked, " ") {
					s.all[masked] = [2]string{where, one}
				}
			}
		}
	}
}

// parts takes apart what is put together of any of some parts.
func parts(one string) []string {
	if strings.HasPrefix(one, "With it: ") || strings.HasPrefix(one, "Beside straight heat: ") {
		return strings.FieldsFunc(strings.ReplaceAll(strings.TrimRight(one, "."), " and ", ","), func(r rune) bool { return r == ';' || r == ',' })
	}
	return []string{one}
}

var (
	sentence  = regexp.MustCompile(`(?s)(?:[^.!?]|[.][^ \n])+[.!?]*`)
	figure    = regexp.MustCompile(`[−-]?\d+([.,:/]\d+)*( ?[½¼¾⅓⅔⅛])?|[½¼¾⅓⅔⅛]`)
	counted   = regexp.MustCompile(`\b([Tt]wo|[Tt]hree|[Ff]our|[Ff]ive|[Ss]ix|[Ss]even|[Ee]ight|[Nn]ine|[Tt]en|[Ee]leven|[Tt]welve)\b`)
	weekday   = regexp.MustCompile(`\b(Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day\b`)
	allergens = regexp.MustCompile(`^(Contains|Holds) .*$`)
	// ofLot says of which lot or dish a sentence is.
	ofLot  = regexp.MustCompile(`^(The nearest: )?([Tt]he )?([Ff]irst |[Ss]econd |[Tt]hird |plain )?(‹[nN]ame›|others)( ‹[nN]ame›)*: `)
	listed = regexp.MustCompile(`((?:# (?:g|kg|ml|l|oz|lb|fl oz|tsp|tbsp|cups?|qt) (?:of )?)?‹[nN]ame›s?)((?:, | and |; )(?:# (?:g|kg|ml|l|oz|lb|fl oz|tsp|tbsp|cups?|qt) (?:of )?)?‹[nN]ame›s?)+`)
)

// masked is a sentence without its figures and names.
func (s *sentences) masked(one string) string {
	one = s.names.Replace(one)
	one = counted.ReplaceAllString(weekday.ReplaceAllString(one, "‹day›"), "#")
	one = figure.ReplaceAllString(one, "#")
	one = allergens.ReplaceAllString(strings.ReplaceAll(listed.ReplaceAllString(one, "$1 …"), "\n", " "), "$1 ‹allergens›.")
	return units.Capital(ofLot.ReplaceAllString(one, ""))
}

func (s *sentences) sorted() string {
	var all []string
	for one := range s.all {
		all = append(all, one)
	}
	slices.Sort(all)
	return strings.Join(all, "\n")
}

// units are a household's by turns.
func (s *sentences) units(k *kitchen, n int) {
	if n/50%2 == 1 {
		s.of(k, "PATCH", "/settings", `{"temperature":"F","mass":"oz","spoons":"us"}`)
	}
}

// ofDemo is what the demo household says of its dishes and suppers.
func (s *sentences) ofDemo(t *testing.T) {
	for n := range 2 {
		k := newKitchen(t, "")
		s.units(k, 50*n)
		for _, p := range get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "") {
			s.ofDish(k, p.Id)
			s.ofWays(k, p.Id)
			s.ofCook(k, p.Id, rand.New(rand.NewPCG(5, uint64(n))))
		}
		for _, u := range get[[]api.Supper](k, 200, "GET", "/api/v1/suppers", "") {
			s.of(k, "POST", "/sheets", body(t, u.Evening))
		}
		e := begun(t, k)
		for range 120 {
			if e.Course.Over {
				break
			}
			b, _ := s.of(k, "GET", "/evenings/"+e.Id, "")
			if json.Unmarshal(b, &e) != nil {
				t.Fatal("not an evening")
			}
			if d := e.Course.Now[0]; d.Until.After(k.Clock()) {
				k.Wait(min(d.Until.Sub(k.Clock()), 3*time.Minute))
			} else {
				e = tap(k, e)
			}
		}
	}
}

// ofOne is what is said of the n-th random dish, at all places.
func (s *sentences) ofOne(k *kitchen, n int) {
	r := rand.New(rand.NewPCG(41, uint64(n)))
	catalog := get[api.Catalog](k, 200, "GET", "/api/v1/catalog", "")
	fryers := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")
	in := anyDish(r, catalog, fryers[r.IntN(len(fryers))].ID, r.IntN(2*len(catalog.Cuts)))
	in["name"] = "Zarte Probe"
	b, code := s.of(k, "POST", "/plans", body2(in))
	var kept struct{ ID string }
	if code != 201 || json.Unmarshal(b, &kept) != nil {
		return
	}
	id := kept.ID
	s.ofDish(k, id)
	if n%6 == 5 {
		s.ofWays(k, id)
	}
	if n%4 == 0 {
		whole := body2(aWholeRequest(r))
		s.of(k, "POST", "/simulations?changes=true", whole)
		s.of(k, "POST", "/bench", whole)
		s.of(k, "POST", "/pan", whole)
	}
	if n%8 == 1 {
		s.ofCook(k, id, r)
	}
	if n%8 == 3 {
		dishes := []object{{"planId": id}, {"planId": get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[r.IntN(4)].Id}}
		s.of(k, "POST", "/sheets", body2(object{"serveAt": opened.Add(time.Duration(30+r.IntN(300)) * time.Minute), "people": 1 + r.IntN(8), "hands": 1 + r.IntN(2), "hobs": r.IntN(3), "warmC": something(r, 0, 70, 95), "dishes": dishes, "scaled": r.IntN(2) == 0}))
	}
}

func body2(v any) string {
	b, err := json.Marshal(v)
	if err != nil {
		panic(err)
	}
	return string(b)
}

// asked is a kept dish as the pages ask about it.
func (s *sentences) asked(k *kitchen, id string) object {
	kept, _ := s.of(k, "GET", "/plans/"+id, "")
	in := object{}
	if json.Unmarshal(kept, &in) != nil {
		k.T.Fatal("not a dish")
	}
	for _, field := range []string{"id", "version", "changedAt", "name", "fryerId", "tableTime", "perBasket", "drawer"} {
		delete(in, field)
	}
	return in
}

// ofWays is what ways, baskets and a recipe in oil say of a kept dish.
func (s *sentences) ofWays(k *kitchen, id string) {
	in := s.asked(k, id)
	s.of(k, "POST", "/recommendations", body2(in))
	s.of(k, "POST", "/baskets", body2(in))
	s.of(k, "POST", "/conversions", body2(object{"request": in, "recipe": object{"kind": "oil", "tempC": 175, "minutes": 8}}))
}

// ofDish is what plan, bench, pan and paper say of a kept dish.
func (s *sentences) ofDish(k *kitchen, id string) {
	asked := body2(s.asked(k, id))
	for _, path := range []string{"/simulations?changes=true", "/bench", "/pan"} {
		if _, code := s.of(k, "POST", path, asked); code == 400 {
			k.T.Fatalf("%s of %s", path, asked)
		}
	}
	paper, _ := s.of(k, "GET", "/plans/"+id+"/recipe?as=markdown", "")
	for line := range strings.Lines(string(paper)) {
		if !strings.HasPrefix(line, "{") {
			s.take("recipe", strings.TrimLeft(line, "-#* 0123456789."))
		}
	}
}

// ofCook leads a dish as it is asked for, with readings and looks as they come.
func (s *sentences) ofCook(k *kitchen, plan string, r *rand.Rand) {
	b, code := s.of(k, "POST", "/cooks", body2(object{"planId": plan}))
	if code != 201 {
		return
	}
	var c api.Cook
	for range 60 {
		if json.Unmarshal(b, &c) != nil {
			k.T.Fatal("not a cook")
		}
		if c.FinishedAt != nil {
			break
		}
		say := object{}
		switch next := c.Step.Until; {
		case next != nil && next.After(c.Now):
			k.Wait(min(next.Sub(c.Now), time.Duration(1+r.IntN(5))*time.Minute))
			switch r.IntN(5) {
			case 0:
				say = object{"kind": "probe", "value": 30 + 60*r.Float64()}
			case 1:
				say = object{"kind": "look", "value": r.IntN(5)}
			}
		case c.Step.Action != nil && *c.Step.Action != "":
			say = object{"kind": *c.Step.Action}
		default:
			k.Wait(time.Minute)
		}
		if say["kind"] != nil {
			s.of(k, "POST", "/cooks/"+c.Id+"/events", body2(say))
		}
		s.of(k, "GET", "/cooks/"+c.Id, "")
		live := struct{ Cook json.RawMessage }{}
		l, _ := s.of(k, "GET", "/cooks/live?cook="+c.Id, "")
		if json.Unmarshal(l, &live) != nil || len(live.Cook) == 0 {
			break
		}
		b = live.Cook
	}
	s.of(k, "POST", "/cooks/"+c.Id+"/events", `{"kind":"out"}`)
	s.of(k, "PUT", "/cooks/"+c.Id+"/outcome", body2(object{"crust": something(r, "soft", "good"), "inside": something(r, "juicy", "dry")}))
	s.of(k, "GET", "/cooks/"+c.Id, "")
	s.of(k, "GET", "/cooks/"+c.Id+"/next-time", "")
}
