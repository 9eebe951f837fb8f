package api

import (
	"context"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// pantry returns the household's pantry and the units it reads in.
func (s *Server) pantry(ctx context.Context) (prep.Pantry, units.Household, error) {
	own, err := s.store.Pantry(ctx)
	if err != nil {
		return nil, units.Household{}, err
	}
	set, err := s.store.Settings(ctx)
	return prep.NewPantry(own), set.Units(), err
}

// ReadAmount answers POST /amounts.
func (s *Server) ReadAmount(ctx context.Context, r ReadAmountRequestObject) (ReadAmountResponseObject, error) {
	pantry, say, err := s.pantry(ctx)
	if err != nil {
		return nil, err
	}
	i, err := pantry.Find(r.Body.Ingredient)
	if err != nil {
		return nil, refuse.One("ingredient", fmt.Sprintf("%q", r.Body.Ingredient), "an ingredient of the pantry")
	}
	g, err := pantry.Grams(i.ID, r.Body.Text, say.Spoons)
	if err != nil {
		return nil, refuse.One("text", fmt.Sprintf("%q", r.Body.Text), err.Error())
	}
	return ReadAmount200JSONResponse{G: math.Round(g*100) / 100, Says: say.Spooned(g / i.Density)}, nil
}

// ListPantry answers GET /pantry.
func (s *Server) ListPantry(ctx context.Context, _ ListPantryRequestObject) (ListPantryResponseObject, error) {
	own, err := s.store.Pantry(ctx)
	if err != nil {
		return nil, err
	}
	out := ListPantry200JSONResponse{Ingredients: prep.Ingredients(), Own: []string{}}
	for _, o := range own {
		out.Own = append(out.Own, o.ID)
		if k := slices.IndexFunc(out.Ingredients, func(i prep.Ingredient) bool { return i.ID == o.ID }); k >= 0 {
			out.Ingredients[k] = o
		} else {
			out.Ingredients = append(out.Ingredients, o)
		}
	}
	return out, nil
}

// PutIngredient answers PUT /pantry/{id}.
func (s *Server) PutIngredient(ctx context.Context, r PutIngredientRequestObject) (PutIngredientResponseObject, error) {
	i := *r.Body
	i.ID = r.Id
	if err := i.Check(); err != nil {
		return nil, err
	}
	return PutIngredient200JSONResponse(i), s.store.PutIngredient(ctx, i)
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

// AddMarinade answers POST /marinades.
func (s *Server) AddMarinade(ctx context.Context, r AddMarinadeRequestObject) (AddMarinadeResponseObject, error) {
	m := prep.OwnMarinade{Name: r.Body.Name, Marinade: r.Body.Marinade}
	if err := s.checkMarinade(ctx, m); err != nil {
		return nil, err
	}
	m, err := s.store.AddMarinade(ctx, m)
	return AddMarinade201JSONResponse(m), err
}

func (s *Server) checkMarinade(ctx context.Context, m prep.OwnMarinade) error {
	pantry, _, err := s.pantry(ctx)
	if err != nil {
		return err
	}
	return m.Check(pantry)
}

// PutMarinade answers PUT /marinades/{id}.
func (s *Server) PutMarinade(ctx context.Context, r PutMarinadeRequestObject) (PutMarinadeResponseObject, error) {
	m := *r.Body
	m.ID = r.Id
	if err := s.checkMarinade(ctx, m); err != nil {
		return nil, err
	}
	return PutMarinade200JSONResponse(m), s.store.PutMarinade(ctx, m)
}

// DropMarinade answers DELETE /marinades/{id}.
func (s *Server) DropMarinade(ctx context.Context, r DropMarinadeRequestObject) (DropMarinadeResponseObject, error) {
	return DropMarinade204Response{}, s.store.DropMarinade(ctx, r.Id)
}
