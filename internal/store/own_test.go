package store

import (
	"errors"
	"testing"

	"velocrustum/core/larder"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
)

// Sauces and mixes are kept with a version: two devices that change one of
// them are told, what was sent twice is no change, and what is forgotten is
// not found.
func TestWhatAHouseholdKeepsHasAVersion(t *testing.T) {
	s, _ := open(t)
	ctx := t.Context()
	none, one := 0, 1
	glaze := OwnSauce{Own: pan.Own{ID: "glaze", Name: "Glaze", Sauce: pan.Sauce{School: pan.Reduce, Items: []larder.Item{{Ingredient: "honey", G: 60}}}}}
	got, err := s.PutSauce(ctx, glaze, &none)
	if err != nil || got.Version != 1 {
		t.Fatal(got, err)
	}
	if again, err := s.PutSauce(ctx, glaze, &none); err != nil || again.Version != 1 {
		t.Errorf("sent twice it is %+v, %v", again, err)
	}
	glaze.Name = "Darker glaze"
	if got, err = s.PutSauce(ctx, glaze, &one); err != nil || got.Version != 2 {
		t.Errorf("%+v, %v", got, err)
	}
	glaze.Name = "Another's"
	if _, err = s.PutSauce(ctx, glaze, &one); !errors.Is(err, ErrChanged) {
		t.Errorf("a change that lost is taken: %v", err)
	}
	if _, err := s.PutSauce(ctx, OwnSauce{Own: pan.Own{Name: "a dip", Sauce: pan.Sauce{School: pan.Mix}}}, nil); err != nil {
		t.Error(err)
	}
	all, err := s.Sauces(ctx)
	if err != nil || len(all) != 2 || all[0].Name != "a dip" || all[1].Name != "Darker glaze" || len(all[1].Sauce.Items) != 1 {
		t.Errorf("%+v, %v", all, err)
	}
	if err := s.DropSauce(ctx, "glaze"); err != nil {
		t.Error(err)
	}
	if err := s.DropSauce(ctx, "glaze"); !errors.Is(err, ErrNotFound) {
		t.Errorf("forgotten twice: %v", err)
	}
	mix, err := s.PutMix(ctx, Mix{OwnMix: prep.OwnMix{Mix: prep.Mix{Name: "Dust", JarG: 40, Items: []prep.Item{{Ingredient: "paprika", G: 3}}}}}, nil)
	if err != nil || mix.ID == "" || mix.Version != 1 {
		t.Fatal(mix, err)
	}
	mix.Mix.JarG = 20
	if mix, err = s.PutMix(ctx, mix, &mix.Version); err != nil || mix.Version != 2 {
		t.Error(mix, err)
	}
	if jars, err := s.Mixes(ctx); err != nil || len(jars) != 1 || jars[0].Mix.JarG != 20 || jars[0].Mix.Name != "Dust" {
		t.Errorf("%+v, %v", jars, err)
	}
	if err := s.DropMix(ctx, mix.ID); err != nil {
		t.Error(err)
	}
}
