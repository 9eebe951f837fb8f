package archive

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"path"
	"slices"
	"strings"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/internal/exchange"
	"velocrustum/internal/household"
	"velocrustum/internal/picture"
	"velocrustum/internal/store"
	"velocrustum/internal/store/merge"
)

// Stage is what is done of an archive on its way in, and how much of it.
type Stage struct {
	Stage string `json:"stage"` // reading, comparing or keeping
	Done  int    `json:"done"`
	Of    int    `json:"of"`
}

// Brought is what comes of an archive.
type Brought struct {
	Made  string   `json:"made"` // when the archive was made
	Kept  bool     `json:"kept"` // false if it was only looked at, or something is to be decided
	Notes []string `json:"notes"`
	merge.Merging
}

// Read reads an archive whole and puts it into the household, or nothing of it.
// choose says what becomes of what both have, but not alike; without it the
// archive is only looked at. The error is exchange.RefusedError, or the store's.
func (a *Archives) Read(ctx context.Context, at io.ReaderAt, size int64, choose func(merge.Difference) merge.Choice, progress func(Stage)) (out Brought, err error) {
	if progress == nil {
		progress = func(Stage) {}
	}
	arc, err := exchange.OpenArchive(at, size)
	if err != nil {
		return out, err
	}
	out.Made, out.Notes = arc.Made, []string{}
	b := &bringing{arc: arc, of: len(arc.Files), progress: progress, fitsSchema: a.fits}
	other, discard, err := a.home.Store.Beside(ctx, func() time.Time { return b.changed })
	if err != nil {
		return out, err
	}
	defer discard()
	// What comes is held against the same rules as what is said at the door.
	b.in = household.New(other, a.home.Places)
	if err := b.all(ctx); err != nil {
		return out, err
	}
	out.Notes = append(out.Notes, b.notes...)
	stage := "keeping"
	if choose == nil {
		stage = "comparing"
	}
	out.Merging, err = merge.Into(ctx, a.home.Store, other, choose, func(done, of int) { progress(Stage{stage, done, of}) })
	if errors.Is(err, merge.ErrUndecided) {
		return out, nil // what is open is in the answer
	}
	out.Kept = err == nil && choose != nil
	return out, err
}

// bringing is an archive on its way into a household of its own.
type bringing struct {
	in         *household.Household
	arc        *exchange.Archive
	fitsSchema func(schema string, document []byte) error
	changed    time.Time // when what is put in was last changed
	notes      []string
	done, of   int
	progress   func(Stage)
}

// document reads one file: known by the contract, with no field that is not.
func document[T any](b *bringing, name, schema string) (v T, err error) {
	raw, err := b.read(name)
	if err != nil {
		return v, err
	}
	if v, err = refuse.Decode[T](bytes.NewReader(raw)); err != nil {
		return v, b.refused(name, err)
	}
	if schema == "" {
		return v, nil
	}
	if twice := refuse.Repeated(raw); twice != "" {
		return v, b.refused(name, refuse.One(twice, "said twice", "each field once"))
	}
	return v, b.refused(name, b.fitsSchema(schema, raw))
}

// read returns a file of the archive that is whole.
func (b *bringing) read(name string) ([]byte, error) {
	b.step()
	return b.arc.Read(name)
}

func (b *bringing) step() {
	b.done++
	b.progress(Stage{"reading", b.done, b.of})
}

// refused says which file cannot be, and why. What is ours stays ours.
func (b *bringing) refused(name string, err error) error {
	var fields refuse.Fields
	var already exchange.RefusedError
	switch {
	case errors.As(err, &already):
		return err
	case errors.As(err, &fields):
		says := make([]string, len(fields))
		for i, f := range fields {
			says[i] = strings.TrimSuffix(household.Refused(f), ".")
		}
		return exchange.RefusedError{Why: fmt.Sprintf("in %s, %s.", name, strings.Join(says, "; "))}
	}
	return err
}

// missing says whether all that is wrong is that something is no longer in the
// household that it comes from: so it was there, too.
func missing(err error) bool {
	var fields refuse.Fields
	if !errors.As(err, &fields) {
		return false
	}
	for _, f := range fields {
		if !strings.HasSuffix(f.Field, "ingredient") && !strings.HasSuffix(f.Field, "planId") {
			return false
		}
	}
	return true
}

// put puts one thing in by the rules of the door, or as it is if only something
// of it is missing.
func (b *bringing) put(name, called string, byRule, asIs func() error) error {
	err := byRule()
	if err == nil {
		return nil
	}
	if missing(err) {
		b.notes = append(b.notes, fmt.Sprintf("%s comes as it was, and lacks something: %s", called, strings.TrimPrefix(b.refused(name, err).Error(), "This archive is not read: ")))
		return asIs()
	}
	return b.refused(name, err)
}

// folder goes through the documents in a folder.
func folder[T any](b *bringing, name, schema string, idOf func(T) string, keep func(file string, v T) error) error {
	for _, file := range b.arc.Paths(name) {
		v, err := document[T](b, file, schema)
		if err != nil {
			return err
		}
		if want := strings.TrimSuffix(path.Base(file), ".json"); idOf(v) != want || !strings.HasSuffix(file, ".json") {
			return exchange.RefusedError{Why: fmt.Sprintf("%s holds the id %q.", file, idOf(v))}
		}
		if err := keep(file, v); err != nil {
			return err
		}
	}
	return nil
}

// known are the folders of an archive, and the files beside them.
var known = []string{"pantry", "marinades", "coats", "sauces", "mixes", "fryers", "dishes", "suppers", "sessions", "pictures",
	"README.txt", "settings.json", "readings.csv", "logbook.csv", "events.csv"}

// all reads every document, each kind after what it needs.
func (b *bringing) all(ctx context.Context) error {
	in, st := b.in, b.in.Store
	for _, l := range b.arc.Files {
		if folder, _, _ := strings.Cut(l.Path, "/"); !slices.Contains(known, folder) {
			return exchange.RefusedError{Why: fmt.Sprintf("it holds %s, which is not known here.", l.Path)}
		}
	}
	if b.arc.Has("settings.json") {
		set, err := document[json.RawMessage](b, "settings.json", "Settings")
		if err != nil {
			return err
		}
		if _, err := in.ChangeSettings(ctx, set); err != nil {
			return b.refused("settings.json", err)
		}
	}
	for _, kind := range []func() error{
		func() error {
			return folder(b, "pantry", "Ingredient", func(i prep.Ingredient) string { return i.ID }, func(file string, i prep.Ingredient) error {
				_, err := in.KeepIngredient(ctx, i, nil)
				return b.refused(file, err)
			})
		},
		func() error {
			return folder(b, "marinades", "MarinadeRecipe", func(m store.Marinade) string { return m.ID }, func(file string, m store.Marinade) error {
				return b.put(file, m.Name, func() error {
					_, err := in.KeepMarinade(ctx, m, nil)
					return err
				}, func() error { _, err := st.PutMarinade(ctx, m, nil); return err })
			})
		},
		func() error {
			return folder(b, "coats", "OwnCoat", func(c store.OwnCoat) string { return c.ID }, func(file string, c store.OwnCoat) error {
				return b.put(file, c.Name, func() error { _, err := in.KeepCoat(ctx, c, nil); return err },
					func() error { _, err := st.PutCoat(ctx, c, nil); return err })
			})
		},
		func() error {
			return folder(b, "sauces", "OwnSauce", func(o store.OwnSauce) string { return o.ID }, func(file string, o store.OwnSauce) error {
				return b.put(file, o.Name, func() error { _, err := in.KeepSauce(ctx, o, nil); return err },
					func() error { _, err := st.PutSauce(ctx, o, nil); return err })
			})
		},
		func() error {
			return folder(b, "mixes", "OwnMix", func(o store.Mix) string { return o.ID }, func(file string, o store.Mix) error {
				return b.put(file, o.Mix.Name, func() error { _, err := in.KeepMix(ctx, o, nil); return err },
					func() error { _, err := st.PutMix(ctx, o, nil); return err })
			})
		},
		func() error {
			return folder(b, "fryers", "Fryer", func(f store.OwnFryer) string { return f.ID }, func(file string, f store.OwnFryer) error {
				f, err := household.CheckedFryer(f)
				if err == nil {
					_, err = st.PutFryer(ctx, f, new(int))
				}
				return b.refused(file, err)
			})
		},
		func() error {
			return folder(b, "dishes", "ArchivedDish", func(p archivedDish) string { return p.ID }, b.dish(ctx))
		},
		func() error {
			return folder(b, "suppers", "Supper", func(o store.Supper) string { return o.ID }, func(file string, o store.Supper) error {
				return b.put(file, o.Name, func() error { _, err := in.KeepSupper(ctx, o, nil); return err },
					func() error { _, err := st.PutSupper(ctx, o, nil); return err })
			})
		},
		func() error {
			return folder(b, "sessions", "", func(o archivedSession) string { return o.ID }, b.session(ctx))
		},
		func() error { return b.readings(ctx) },
	} {
		if err := kind(); err != nil {
			return err
		}
	}
	return b.arc.Rest(b.step)
}

// dish puts a dish in; its fryer comes with it.
func (b *bringing) dish(ctx context.Context) func(string, archivedDish) error {
	return func(file string, p archivedDish) error {
		b.changed = p.ChangedAt
		made, err := b.in.CheckedPlan(ctx, p.plan())
		made.ID = p.ID
		keep := func() error { _, err := b.in.Store.PutPlan(ctx, made, new(int)); return err }
		return b.put(file, p.Name, func() error {
			if err != nil {
				return err
			}
			return keep()
		}, keep)
	}
}

// session puts in what was cooked at one go, with its pictures.
func (b *bringing) session(ctx context.Context) func(string, archivedSession) error {
	return func(file string, o archivedSession) error {
		out, err := o.checked()
		if err == nil {
			err = b.cookable(ctx, out)
		}
		if err != nil {
			return b.refused(file, err)
		}
		if err := b.in.Store.KeepSession(ctx, out); errors.Is(err, store.ErrTwice) {
			return exchange.RefusedError{Why: file + " has an id that is there twice."}
		} else if err != nil {
			return err
		}
		for _, c := range o.Cooks {
			for _, p := range c.Pictures {
				name := "pictures/" + p.ID + ".jpg"
				raw, err := b.read(name)
				if err != nil {
					return err
				}
				k, err := picture.Keep(raw)
				if err != nil {
					return b.refused(name, err)
				}
				if err := household.CheckAlt(p.Alt); err != nil {
					return b.refused(file, err)
				}
				_, err = b.in.Store.AddPicture(ctx, store.Picture{ID: p.ID, CookID: c.ID, Alt: p.Alt, Width: k.Width, Height: k.Height, AddedAt: store.Time{Time: p.AddedAt}}, k.Full, k.Small)
				switch {
				case errors.Is(err, store.ErrTwice):
					return exchange.RefusedError{Why: name + " is of two cooks."}
				case errors.Is(err, store.ErrFull):
					return exchange.RefusedError{Why: fmt.Sprintf("%s has a cook with more than %d pictures.", file, store.MostPictures)}
				case err != nil:
					return fmt.Errorf("%s: %w", name, err)
				}
			}
		}
		return nil
	}
}

// cookable says what of a session's cooks could not have been in a fryer.
func (b *bringing) cookable(ctx context.Context, o store.Session) error {
	pantry, say, err := b.in.Pantry(ctx)
	if err != nil {
		return err
	}
	for i, c := range o.Cooks {
		q := c.Request(say)
		q.Larder = pantry
		var fields refuse.Fields
		if err := load.Check(q); missing(err) || !errors.As(err, &fields) {
			if err != nil && !missing(err) {
				return err
			}
			continue
		}
		for k := range fields {
			fields[k].Field = fmt.Sprintf("cooks[%d].%s", i, fields[k].Field)
		}
		return fields
	}
	return nil
}

// atOnce is how many readings are put in together.
const atOnce = 5000

// readings puts in what thermometers sent.
func (b *bringing) readings(ctx context.Context) error {
	if !b.arc.Has("readings.csv") {
		return nil
	}
	b.step()
	r, err := b.arc.Open("readings.csv")
	if err != nil {
		return err
	}
	defer r.Close()
	var of string
	var read []store.Reading
	flush := func() error {
		if len(read) == 0 {
			return nil
		}
		_, err := b.in.Store.AddReadings(ctx, of, read, "")
		read = read[:0]
		return err
	}
	if err := exchange.ReadReadings(r, func(probe string, at time.Time, c float64) error {
		if probe != of || len(read) >= atOnce {
			if err := flush(); err != nil {
				return err
			}
			of = probe
		}
		read = append(read, store.Reading{At: at, C: c})
		return nil
	}); err != nil {
		return err
	}
	return flush()
}
