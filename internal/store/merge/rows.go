package merge

import (
	"bytes"
	"context"
	"encoding/json"
	"os"
	"path/filepath"
	"reflect"
	"regexp"
	"strings"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/cook"
	"velocrustum/internal/store"
)

// whole is all of a thing in one order, without what counts its changes; nil if
// it is not there.
func (m *merging) whole(ctx context.Context, k kind, schema, id string) ([]map[string]any, error) {
	own, err := m.rows(ctx, schema, part{k.table, "id = ? AND " + k.alive, "id"}, id)
	if err != nil || len(own) == 0 {
		return nil, err
	}
	for _, p := range k.parts {
		more, err := m.rows(ctx, schema, p, id)
		if err != nil {
			return nil, err
		}
		own = append(own, more...)
	}
	for _, row := range own {
		for column := range apart {
			delete(row, column)
		}
	}
	return own, nil
}

// alike says whether two things say the same. Most that are the same are so to
// the letter.
func alike(a, b []map[string]any) (bool, error) {
	if reflect.DeepEqual(a, b) {
		return true, nil
	}
	var texts [2][]byte
	for i, rows := range [][]map[string]any{a, b} {
		for _, row := range rows {
			for column, v := range row {
				if text, ok := v.(string); ok && strings.HasPrefix(text, "{") {
					var doc any
					if err := json.Unmarshal([]byte(text), &doc); err != nil {
						return false, err
					}
					row[column] = said(doc, column == "planned" || column == "forecast")
				}
			}
		}
		var err error
		if texts[i], err = json.Marshal(rows); err != nil {
			return false, err
		}
	}
	return bytes.Equal(texts[0], texts[1]), nil
}

// said is a document without what says nothing: a migration writes out what the
// program leaves away. A forecast of an earlier program lacks figures that are
// none now.
func said(v any, forecast bool) any {
	switch v := v.(type) {
	case map[string]any:
		for k, sub := range v {
			if sub = said(sub, forecast); sub == nil {
				delete(v, k)
			} else {
				v[k] = sub
			}
		}
		if len(v) == 0 {
			return nil
		}
	case []any:
		for i := range v {
			v[i] = said(v[i], forecast)
		}
		if len(v) == 0 {
			return nil
		}
	case string:
		if v == "" {
			return nil
		}
	case bool, float64:
		if forecast && (v == false || v == 0.0) {
			return nil
		}
	}
	return v
}

// rows are those of a thing in one table.
func (m *merging) rows(ctx context.Context, schema string, p part, id string) ([]map[string]any, error) {
	rows, err := m.DB.QueryxContext(ctx, `SELECT * FROM `+schema+`.`+p.table+` WHERE `+in(p.where, schema)+` ORDER BY `+p.order, id)
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	var out []map[string]any
	for rows.Next() {
		row := map[string]any{}
		if err := rows.MapScan(row); err != nil {
			return nil, err
		}
		out = append(out, row)
	}
	return out, rows.Err()
}

// put writes a thing that comes: in its place, or beside what is here under ids
// of its own.
func (m *merging) put(ctx context.Context, k kind, id string, how Choice) error {
	tables := append([]part{{k.table, "id = ?", "id"}}, k.parts...)
	rows := make([][]map[string]any, len(tables))
	for i, p := range tables {
		var err error
		if rows[i], err = m.rows(ctx, "brought", p, id); err != nil {
			return err
		}
		for _, row := range rows[i] {
			// What was said keeps its id: it counts within its cook.
			if own, ok := row["id"].(string); ok && how == Both && !strings.HasSuffix(p.table, "_events") {
				m.ids[own] = store.NewID()
			}
		}
	}
	for i, p := range tables {
		if p.table == "session_events" {
			if err := m.clear(ctx, p.table, "session_id", m.renamed(id)); err != nil {
				return err
			}
		}
		for _, row := range rows[i] {
			had, _ := row["id"].(string)
			for column, v := range row {
				if text, ok := v.(string); ok {
					row[column] = m.renamed(text)
				}
			}
			if alone := rows[0][0]["name"] == ""; how == Both && (i == 0 || p.table == "cooks" && alone) {
				if err := tellApart(row, k.named); err != nil {
					return err
				}
			}
			if err := m.write(ctx, p.table, row); err != nil {
				return err
			}
			var err error
			switch p.table {
			case "cooks":
				err = m.bringCook(ctx, had, row["id"].(string))
			case "pictures":
				err = m.bring(had, row["id"].(string))
			}
			if err != nil {
				return err
			}
		}
	}
	return nil
}

// clear makes room for what comes in the place of rows.
func (m *merging) clear(ctx context.Context, table, by, id string) error {
	_, err := m.DB.ExecContext(ctx, `DELETE FROM main.`+table+` WHERE `+by+` = ?`, id)
	return err
}

// bringCook makes room for what was said in a cook, and puts the curve in that
// was laid over it.
func (m *merging) bringCook(ctx context.Context, had, id string) error {
	if err := m.clear(ctx, "cook_events", "cook_id", id); err != nil {
		return err
	}
	if err := m.clear(ctx, "readings", "probe_id", store.FileOf(id)); err != nil {
		return err
	}
	_, err := m.DB.ExecContext(ctx, `INSERT INTO main.readings (probe_id, at, c) SELECT ?, at, c FROM brought.readings WHERE probe_id = ?`, store.FileOf(id), store.FileOf(had))
	return err
}

// anID is where an id can stand in a text: all of it, or a part of a path in a
// document.
var anID = regexp.MustCompile(`(^|["/:])([A-Za-z0-9_.-]+)`)

// renamed is a text with the ids that what comes has got.
func (m *merging) renamed(text string) string {
	if len(m.ids) == 0 {
		return text
	}
	return anID.ReplaceAllStringFunc(text, func(found string) string {
		own := strings.TrimLeft(found, `"/:`)
		if id, ok := m.ids[own]; ok {
			return found[:len(found)-len(own)] + id
		}
		return found
	})
}

const broughtName = " (brought)"

// tellApart gives a second one a name of its own.
func tellApart(row map[string]any, column string) error {
	longer := func(name string) string {
		if r := []rune(name); len(r) > 60-len(broughtName) {
			name = strings.TrimSpace(string(r[:60-len(broughtName)]))
		}
		return name + broughtName
	}
	if name, ok := row["name"].(string); ok && name != "" {
		row["name"] = longer(name)
	}
	if doc, ok := row[column].(string); ok && column != "name" {
		var d struct {
			Version int            `json:"version"`
			Holds   map[string]any `json:"holds"`
		}
		if err := json.Unmarshal([]byte(doc), &d); err != nil {
			return err
		}
		d.Holds["name"] = row["name"]
		b, err := json.Marshal(d)
		row[column] = string(b)
		return err
	}
	return nil
}

// write puts one row in, over the one of its key, and counts the change.
func (m *merging) write(ctx context.Context, table string, row map[string]any) error {
	columns, ok := m.columns[table]
	if !ok {
		if err := sqlx.SelectContext(ctx, m.DB, &columns, `SELECT name FROM pragma_table_info(?) ORDER BY cid`, table); err != nil {
			return err
		}
		m.columns[table] = columns
	}
	key := "id"
	switch table {
	case "cook_events":
		key = "cook_id, id"
	case "session_events":
		key = "session_id, id"
	}
	var names, marks, sets []string
	var args []any
	for _, c := range columns {
		if c == "lan_passphrase" {
			continue // a household's own
		}
		names, marks, args = append(names, c), append(marks, "?"), append(args, row[c])
		set := c + " = excluded." + c
		switch c {
		case "version", "outcome_version":
			set = c + " = " + table + "." + c + " + 1"
		case "plan_id":
			// A dish that is not here, or no longer, is not linked.
			marks[len(marks)-1] = `(SELECT id FROM plans WHERE id = ?)`
			set = c + " = COALESCE(excluded." + c + ", " + table + "." + c + ")"
		}
		sets = append(sets, set)
	}
	_, err := m.DB.ExecContext(ctx, `INSERT INTO main.`+table+` (`+strings.Join(names, ", ")+`) VALUES (`+strings.Join(marks, ", ")+`)
		ON CONFLICT (`+key+`) DO UPDATE SET `+strings.Join(sets, ", "), args...)
	return err
}

// bring copies the files of a picture.
func (m *merging) bring(from, to string) error {
	if err := os.MkdirAll(m.Mine, 0o700); err != nil {
		return err
	}
	for _, suffix := range store.PictureFiles {
		b, err := os.ReadFile(filepath.Join(m.Theirs, from+suffix))
		if err != nil {
			return err
		}
		path := filepath.Join(m.Mine, to+suffix)
		if _, err := os.Stat(path); err == nil {
			continue // a picture never changes
		}
		if err := store.WriteWhole(path, store.BytesOf(b)); err != nil {
			return err
		}
		m.pictures = append(m.pictures, path)
	}
	return nil
}

// readings puts in what thermometers read. A moment has one reading: where both
// have one and not the same, that of here stays. A curve that was laid over a
// cook comes with the cook.
func (m *merging) readings(ctx context.Context, write bool) (Tally, error) {
	t := Tally{Kind: "readings"}
	var all int
	const sent = `probe_id NOT LIKE '` + cook.FileProbe + `%'`
	const both = `FROM brought.readings b JOIN main.readings m ON m.probe_id = b.probe_id AND m.at = b.at WHERE b.` + sent
	for query, into := range map[string]*int{
		`SELECT COUNT(*) FROM brought.readings WHERE ` + sent: &all, `SELECT COUNT(*) ` + both + ` AND m.c = b.c`: &t.Same, `SELECT COUNT(*) ` + both + ` AND m.c <> b.c`: &t.Different,
	} {
		if err := sqlx.GetContext(ctx, m.DB, into, query); err != nil {
			return t, err
		}
	}
	if t.New = all - t.Same - t.Different; !write {
		return t, nil
	}
	_, err := m.DB.ExecContext(ctx, `INSERT INTO main.readings (probe_id, at, c) SELECT probe_id, at, c FROM brought.readings WHERE `+sent+` ON CONFLICT DO NOTHING`)
	return t, err
}
