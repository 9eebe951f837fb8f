package api

import (
	"context"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/larder"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
)

// ReadAmount answers POST /amounts.
func (s *Server) ReadAmount(ctx context.Context, r ReadAmountRequestObject) (ReadAmountResponseObject, error) {
	pantry, say, err := s.home.Pantry(ctx)
	if err != nil {
		return nil, err
	}
	i, err := pantry.Find(r.Body.Ingredient)
	if err != nil {
		return nil, refuse.One("ingredient", fmt.Sprintf("%q", r.Body.Ingredient), "an ingredient of the pantry")
	}
	g, took, err := pantry.Grams(i.ID, r.Body.Text, say)
	if err != nil {
		return nil, refuse.One("text", fmt.Sprintf("%q", r.Body.Text), err.Error())
	}
	out := ReadAmount200JSONResponse{G: math.Round(g*100) / 100, Says: say.Spooned(g / i.Density)}
	if took != "" {
		out.Took = &took
	}
	return out, nil
}

// ListPantry answers GET /pantry.
func (s *Server) ListPantry(ctx context.Context, _ ListPantryRequestObject) (ListPantryResponseObject, error) {
	own, versions, err := s.store.OwnPantry(ctx)
	if err != nil {
		return nil, err
	}
	out := ListPantry200JSONResponse{Ingredients: prep.Ingredients(), Own: versions}
	for _, o := range own {
		if k := slices.IndexFunc(out.Ingredients, func(i prep.Ingredient) bool { return i.ID == o.ID }); k >= 0 {
			out.Ingredients[k] = o
		} else {
			out.Ingredients = append(out.Ingredients, o)
		}
	}
	out.Kinds = layerKinds(out.Ingredients)
	out.Softens, out.Brushes = []string{}, []string{}
	for _, i := range out.Ingredients {
		if i.Softens() {
			out.Softens = append(out.Softens, i.ID)
		}
		if i.Brushes() {
			out.Brushes = append(out.Brushes, i.ID)
		}
	}
	return out, nil
}

// layerKinds sort a pantry by what an ingredient is as a layer of a coat.
func layerKinds(all []prep.Ingredient) []LayerKind {
	out := []LayerKind{{Name: "Binders"}, {Name: "Powders"}, {Name: "Crumbs, seeds and nuts"}, {Name: "Seasoning and sauces"}}
	for _, i := range all {
		k := 3
		switch {
		case i.Binds():
			k = 0
		case i.Form == larder.Powder:
			k = 1
		case i.Form == larder.Crumb:
			k = 2
		}
		out[k].Ingredients = append(out[k].Ingredients, i.ID)
	}
	return out
}

// PutIngredient answers PUT /pantry/{id}.
func (s *Server) PutIngredient(ctx context.Context, r PutIngredientRequestObject) (PutIngredientResponseObject, error) {
	i := *r.Body
	i.ID = r.Id
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	i, err = s.home.KeepIngredient(ctx, i, v)
	return PutIngredient200JSONResponse(i), err
}

// DropIngredient answers DELETE /pantry/{id}.
func (s *Server) DropIngredient(ctx context.Context, r DropIngredientRequestObject) (DropIngredientResponseObject, error) {
	return DropIngredient204Response{}, s.store.DropIngredient(ctx, r.Id)
}

// ListMarinades answers GET /marinades.
func (s *Server) ListMarinades(ctx context.Context, _ ListMarinadesRequestObject) (ListMarinadesResponseObject, error) {
	all, err := s.store.Marinades(ctx)
	return ListMarinades200JSONResponse(all), err
}

// PutMarinade answers PUT /marinades/{id}.
func (s *Server) PutMarinade(ctx context.Context, r PutMarinadeRequestObject) (PutMarinadeResponseObject, error) {
	m := *r.Body
	m.ID = r.Id
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	m, err = s.home.KeepMarinade(ctx, m, v)
	return PutMarinade200JSONResponse(m), err
}

// DropMarinade answers DELETE /marinades/{id}.
func (s *Server) DropMarinade(ctx context.Context, r DropMarinadeRequestObject) (DropMarinadeResponseObject, error) {
	return DropMarinade204Response{}, s.store.DropMarinade(ctx, r.Id)
}

// ListCoats answers GET /coats.
func (s *Server) ListCoats(ctx context.Context, _ ListCoatsRequestObject) (ListCoatsResponseObject, error) {
	all, err := s.store.Coats(ctx)
	return ListCoats200JSONResponse(all), err
}

// PutCoat answers PUT /coats/{id}.
func (s *Server) PutCoat(ctx context.Context, r PutCoatRequestObject) (PutCoatResponseObject, error) {
	c := *r.Body
	c.ID = r.Id
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	c, err = s.home.KeepCoat(ctx, c, v)
	return PutCoat200JSONResponse(c), err
}

// DropCoat answers DELETE /coats/{id}.
func (s *Server) DropCoat(ctx context.Context, r DropCoatRequestObject) (DropCoatResponseObject, error) {
	return DropCoat204Response{}, s.store.DropCoat(ctx, r.Id)
}

// ListSauces answers GET /sauces.
func (s *Server) ListSauces(ctx context.Context, _ ListSaucesRequestObject) (ListSaucesResponseObject, error) {
	all, err := s.store.Sauces(ctx)
	return ListSauces200JSONResponse(all), err
}

// PutSauce answers PUT /sauces/{id}.
func (s *Server) PutSauce(ctx context.Context, r PutSauceRequestObject) (PutSauceResponseObject, error) {
	own := *r.Body
	own.ID = r.Id
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	own, err = s.home.KeepSauce(ctx, own, v)
	return PutSauce200JSONResponse(own), err
}

// DropSauce answers DELETE /sauces/{id}.
func (s *Server) DropSauce(ctx context.Context, r DropSauceRequestObject) (DropSauceResponseObject, error) {
	return DropSauce204Response{}, s.store.DropSauce(ctx, r.Id)
}

// ListMixes answers GET /mixes.
func (s *Server) ListMixes(ctx context.Context, _ ListMixesRequestObject) (ListMixesResponseObject, error) {
	all, err := s.store.Mixes(ctx)
	return ListMixes200JSONResponse(all), err
}

// PutMix answers PUT /mixes/{id}.
func (s *Server) PutMix(ctx context.Context, r PutMixRequestObject) (PutMixResponseObject, error) {
	own := *r.Body
	own.ID = r.Id
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	own, err = s.home.KeepMix(ctx, own, v)
	return PutMix200JSONResponse(own), err
}

// DropMix answers DELETE /mixes/{id}.
func (s *Server) DropMix(ctx context.Context, r DropMixRequestObject) (DropMixResponseObject, error) {
	return DropMix204Response{}, s.store.DropMix(ctx, r.Id)
}
