package store

import (
	"database/sql"
	"encoding/json"
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"testing"
	"time"
)

var writeGolden = flag.Bool("write-documents", false, "write the documents of the present version")

// columns hold documents.
var columns = map[string][]string{
	"fryers": {"machine", "basket", "inferred"}, "plans": {"load", "coat", "lots", "program", "bench"}, "pantry": {"ingredient"},
	"marinades": {"marinade"}, "cooks": {"plan", "fryer", "planned", "forecast", "lab"},
}

// lastOf is the migration after which documents have a version.
var lastOf = map[int]int64{2: 7, 3: 10, Documents: 20}

// firstBuild lays out the file of the first build, brought to a version of its
// documents.
func firstBuild(t *testing.T, version int) (path string) {
	t.Helper()
	dump, err := os.ReadFile("testdata/household.v1.sql")
	if err != nil {
		t.Fatal(err)
	}
	path = filepath.Join(t.TempDir(), "old.db")
	db, err := sql.Open("sqlite", path)
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = db.Close() }()
	if _, err := db.Exec(string(dump)); err != nil {
		t.Fatal(err)
	}
	p, err := steps(db)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := p.UpTo(t.Context(), lastOf[version]); err != nil {
		t.Fatal(err)
	}
	return path
}

// household opens the file of the first build.
func household(t *testing.T) *Store {
	t.Helper()
	s, err := Open(t.Context(), firstBuild(t, 2), func() time.Time { return noon })
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	return s
}

func has(t *testing.T, db *sql.DB, table, column string) (yes bool) {
	t.Helper()
	if err := db.QueryRowContext(t.Context(), `SELECT EXISTS (SELECT 1 FROM pragma_table_info(?) WHERE name = ?)`, table, column).Scan(&yes); err != nil {
		t.Fatal(err)
	}
	return yes
}

// documentsOf reads every document of a file as it is kept.
func documentsOf(t *testing.T, db *sql.DB) map[string]any {
	t.Helper()
	out := map[string]any{}
	for table, names := range columns {
		for _, name := range names {
			if !has(t, db, table, name) { // another version's
				continue
			}
			rows, err := db.QueryContext(t.Context(), `SELECT id, `+name+` FROM `+table)
			if err != nil {
				t.Fatal(err)
			}
			for rows.Next() {
				var id, text string
				var v any
				if err := rows.Scan(&id, &text); err != nil {
					t.Fatal(err)
				}
				if err := json.Unmarshal([]byte(text), &v); err != nil {
					t.Fatalf("%s of %s %s: %v", name, table, id, err)
				}
				out[table+"/"+id+"/"+name] = v
			}
			if err := rows.Err(); err != nil {
				t.Fatal(err)
			}
		}
	}
	return out
}

// A household of the first build, in each version of its documents since.
func TestAHouseholdIsRewrittenVersionByVersion(t *testing.T) {
	for version := 2; version <= Documents; version++ {
		db, err := sql.Open("sqlite", firstBuild(t, version))
		if err != nil {
			t.Fatal(err)
		}
		got := documentsOf(t, db)
		if err := db.Close(); err != nil {
			t.Fatal(err)
		}
		golden := fmt.Sprintf("testdata/documents.v%d.json", version)
		if *writeGolden && version == Documents {
			b, err := json.MarshalIndent(got, "", " ")
			if err != nil {
				t.Fatal(err)
			}
			if err := os.WriteFile(golden, append(b, '\n'), 0o600); err != nil {
				t.Fatal(err)
			}
		}
		b, err := os.ReadFile(golden)
		if err != nil {
			t.Fatal(err)
		}
		var want map[string]any
		if err := json.Unmarshal(b, &want); err != nil {
			t.Fatal(err)
		}
		if len(got) != len(want) || len(got) < 20 {
			t.Errorf("%d documents for %d", len(got), len(want))
		}
		for id, w := range want {
			if !reflect.DeepEqual(got[id], w) {
				t.Errorf("version %d: %s is %v, was %v", version, id, got[id], w)
			}
		}
	}
}

// kept says whether all that was in a document is in another.
func kept(was, is any) bool {
	switch w := was.(type) {
	case map[string]any:
		i, ok := is.(map[string]any)
		for k, v := range w {
			ok = ok && (kept(v, i[k]))
		}
		return ok
	case []any:
		i, ok := is.([]any)
		ok = ok && len(i) == len(w)
		for k := range w {
			ok = ok && kept(w[k], i[k])
		}
		return ok
	}
	return reflect.DeepEqual(was, is)
}

// Renaming a field in Go would lose it here, in the reading and writing of
// what is in the file.
func TestNothingIsLostInADocument(t *testing.T) {
	s := household(t)
	was := documentsOf(t, s.db.DB)
	ctx := t.Context()
	again := func(id string, v any, err error) {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
		b, err := json.Marshal(v)
		if err != nil {
			t.Fatal(err)
		}
		var is any
		if err := json.Unmarshal(b, &is); err != nil {
			t.Fatal(err)
		}
		w, ok := was[id].(map[string]any)
		if !ok {
			t.Fatalf("no document %s", id)
		}
		if !kept(w["holds"], is) {
			t.Errorf("%s was %v, is %v", id, w["holds"], is)
		}
		delete(was, id)
	}
	fryers, err := s.Fryers(ctx)
	for _, f := range fryers {
		again("fryers/"+f.ID+"/machine", f.Fryer, err)
	}
	plans, err := s.Plans(ctx)
	for _, p := range plans {
		again("plans/"+p.ID+"/lots", p.Lots.V, err)
		again("plans/"+p.ID+"/program", p.Program.V, err)
		again("plans/"+p.ID+"/bench", p.Bench.V, err)
	}
	listed, err := s.Summaries(ctx)
	for _, l := range listed {
		if l.PlannedMin < 5 || len(l.Lab.V) != 2 || len(l.Lab.V[1]) != 3 || l.LoadedAt == nil {
			t.Errorf("listed as %+v (%v)", l, err)
		}
		delete(was, "cooks/"+l.ID+"/lab")
		c, err := s.Cook(ctx, l.ID)
		again("cooks/"+c.ID+"/plan", c.Plan.V, err)
		again("cooks/"+c.ID+"/fryer", c.Fryer.V, err)
		again("cooks/"+c.ID+"/planned", c.Planned.V, err)
		again("cooks/"+c.ID+"/forecast", c.Forecast.V, err)
		if len(c.Events) == 0 || c.Plan.V.Pieces() == 0 || c.Forecast.V.Verdict.Figure == "" {
			t.Errorf("%s: events %d, load %v, verdict %v", c.Name, len(c.Events), c.Plan.V.Lots.V, c.Forecast.V.Verdict)
		}
	}
	own, err := s.Pantry(ctx)
	for _, i := range own {
		again("pantry/"+i.ID+"/ingredient", i, err)
	}
	marinades, err := s.Marinades(ctx)
	for _, m := range marinades {
		again("marinades/"+m.ID+"/marinade", m.Marinade, err)
	}
	for id := range was {
		t.Errorf("%s was not read", id)
	}
}

func TestADocumentOfAnotherVersionIsRefused(t *testing.T) {
	var j JSON[[]string]
	for _, text := range []string{`["airflow"]`, `{"version":2,"holds":["airflow"]}`, `{"version":5,"holds":["airflow"]}`, `{"version":4`} {
		if err := j.Scan(text); err == nil {
			t.Errorf("%s was read as %v", text, j.V)
		}
	}
	if err := j.Scan(`{"version":4,"holds":["airflow"]}`); err != nil || len(j.V) != 1 {
		t.Errorf("read %v, %v", j.V, err)
	}
}

// unfinished is the file of the first build as it was before the step after upTo; finish
// opens it with all that came since.
func unfinished(t *testing.T, version int, upTo int64) (db *sql.DB, finish func() *Store) {
	t.Helper()
	path := firstBuild(t, version)
	db, err := sql.Open("sqlite", path)
	if err != nil {
		t.Fatal(err)
	}
	p, err := steps(db)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := p.UpTo(t.Context(), upTo); err != nil {
		t.Fatal(err)
	}
	return db, func() *Store {
		t.Helper()
		if err := db.Close(); err != nil {
			t.Fatal(err)
		}
		s, err := Open(t.Context(), path, func() time.Time { return noon })
		if err != nil {
			t.Fatal(err)
		}
		t.Cleanup(func() { _ = s.Close() })
		return s
	}
}

// What lay beside a load as groups is lots like it, and what was for a group is
// for its lot.
func TestGroupsBecomeLots(t *testing.T) {
	db, finish := unfinished(t, 3, lastOf[Documents]-1)
	var id, cook string
	if err := db.QueryRow(`SELECT id FROM cooks LIMIT 1`).Scan(&cook); err != nil {
		t.Fatal(err)
	}
	if _, err := db.Exec(`UPDATE cooks SET plan = json_set(plan, '$.holds.groups', json('[{"name":"prawns","load":{"cut":"prawn","pieces":5,"pieceMassG":16}}]')),
		planned = json_set(planned, '$.holds.groups', json('[{"name":"wings"},{"name":"prawns"}]')) WHERE id = ?`, cook); err != nil {
		t.Fatal(err)
	}
	if err := db.QueryRow(`SELECT id FROM plans WHERE json_array_length(program, '$.holds.turns') > 0 AND deleted_at IS NULL LIMIT 1`).Scan(&id); err != nil {
		t.Fatal(err)
	}
	for _, change := range []string{
		`UPDATE plans SET groups = '{"version":3,"holds":[{"name":"prawns","load":{"cut":"prawn","pieces":5,"pieceMassG":16},"coat":{"id":"bare"}},{"load":{"cut":"chicken-drumette","pieces":4,"pieceMassG":50}}]}'`,
		`UPDATE plans SET program = json_set(program, '$.holds.turns', json('[{"atMin":5,"kind":"flip"},{"atMin":9,"kind":"out","group":1},{"atMin":11,"kind":"brush","brush":{"parts":[{"ingredient":"butter","share":1}],"g":9}},{"atMin":12,"kind":"brush","group":2,"brush":{"parts":[{"ingredient":"butter","share":1}],"g":9}}]'))`,
	} {
		if _, err := db.Exec(change+` WHERE id = ?`, id); err != nil {
			t.Fatal(err)
		}
	}
	s := finish()
	was, err := s.Cook(t.Context(), cook)
	if err != nil {
		t.Fatal(err)
	}
	if lots, came := was.Plan.V.Lots.V, was.Planned.V.Lots; len(lots) != 2 || lots[1].Name != "prawns" || lots[0].Load.Cut == "" || len(came) != 2 || came[1].Name != "prawns" {
		t.Errorf("the cook was of %+v", lots)
	}
	dish, err := s.Plan(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	lots := dish.Lots.V
	if len(lots) != 3 || lots[1].Name != "prawns" || lots[1].Load.Pieces != 5 || lots[1].Coat.ID != "bare" || lots[2].Load.Cut != "chicken-drumette" || lots[0].Bench == nil || lots[1].Bench != nil {
		t.Fatalf("%+v", lots)
	}
	turns := dish.Program.V.Turns
	want := [][]int{nil, {1}, {0}, {2}}
	for k, turn := range turns {
		if !reflect.DeepEqual(turn.Lots, want[k]) || turn.Group != 0 {
			t.Errorf("turn %d, %s, is for %v and group %d, want %v", k, turn.Kind, turn.Lots, turn.Group, want[k])
		}
	}
	if len(turns) != len(want) {
		t.Errorf("%+v", turns)
	}
}

// What dishes had out of the fridge as the 5 °C of any follows the household's fridge from
// now on, lot by lot; all else of them stays.
func TestColdDishesFollowTheFridge(t *testing.T) {
	db, finish := unfinished(t, Documents, 26)
	var id string
	if err := db.QueryRow(`SELECT id FROM plans WHERE deleted_at IS NULL LIMIT 1`).Scan(&id); err != nil {
		t.Fatal(err)
	}
	lot := func(cold string) string {
		return `{"load":{"cut":"chicken-drumstick","pieces":4,"pieceMassG":110` + cold + `},"coat":{"id":"bare"}}`
	}
	if _, err := db.Exec(`UPDATE plans SET lots = '{"version":4,"holds":[`+lot(`,"startC":-18`)+`,`+lot(`,"startC":5`)+`,`+lot(``)+`,`+lot(`,"startC":5.5`)+`,`+lot(`,"startC":20`)+`,`+lot(`,"startC":5`)+`]}' WHERE id = ?`, id); err != nil {
		t.Fatal(err)
	}
	s := finish()
	plan, err := s.Plan(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	var cold []string
	for _, l := range plan.Lots.V {
		if l.Load.StartC == nil {
			cold = append(cold, "fridge")
		} else {
			cold = append(cold, fmt.Sprint(*l.Load.StartC))
		}
		if l.Load.Pieces != 4 || l.Load.PieceMassG != 110 {
			t.Errorf("a lot is %+v", l.Load)
		}
	}
	if got := strings.Join(cold, " "); got != "-18 fridge fridge 5.5 20 fridge" {
		t.Errorf("out of %s", got)
	}
}
