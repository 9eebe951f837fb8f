package api

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"strings"

	"velocrustum/core/advise"
	"velocrustum/core/baskets"
	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/recipe"
	"velocrustum/core/refuse"
	"velocrustum/internal/exchange"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
)

// ReadRecipe answers POST /recipes.
func (s *Server) ReadRecipe(ctx context.Context, r ReadRecipeRequestObject) (ReadRecipeResponseObject, error) {
	text, own, err := exchange.ReadRecipe([]byte(r.Body.Text))
	if err != nil {
		return nil, err
	}
	fryer, err := s.store.Fryer(ctx, r.Body.FryerId)
	if errors.Is(err, store.ErrNotFound) {
		return nil, refuse.One("fryerId", r.Body.FryerId, "the id of one of your fryers")
	} else if err != nil {
		return nil, err
	}
	pantry, say, err := s.home.Pantry(ctx)
	if err != nil {
		return nil, err
	}
	u, other := recipe.UnderstandDrawers(text, orElse(r.Body.Fixes, nil), pantry, say)
	out := ReadRecipe200JSONResponse{Name: u.Name, Lines: u.Lines, Missing: u.Missing, Unknown: u.Unknown}
	if dish := s.ownDish(ctx, own, fryer.ID); dish != nil {
		yes := true
		out.Own, out.Dish, out.Name, out.Missing, out.Unknown = &yes, dish, dish.Name, []string{}, []recipe.Unknown{}
		return out, nil
	}
	if len(u.Sides) > 0 {
		out.Sides = &u.Sides
	}
	if len(u.Refused) > 0 {
		out.Refused = &u.Refused
	}
	if u.Load == nil {
		return out, nil
	}
	ctx, leave, err := s.home.Places.Take(ctx)
	if err != nil {
		return nil, err
	}
	defer leave()
	var drawers [2]*string
	if other != nil && !other.Own && fryer.Drawers == 2 {
		drawers = [2]*string{new(load.Left), new(load.Right)}
	}
	if other != nil {
		beside := RecipeBeside{Name: other.Name, Missing: other.Missing, Own: &other.Own}
		if other.Load == nil {
			beside.Missing = append(beside.Missing, "what is fried in it")
		} else if beside.Dish, beside.Converted, err = s.broughtOr(ctx, *other, fryer.ID, drawers[1], &beside.Missing); err != nil {
			return nil, err
		}
		out.Beside = &beside
	}
	out.Dish, out.Converted, err = s.broughtOr(ctx, u, fryer.ID, drawers[0], &out.Missing)
	return out, err
}

// broughtOr is brought; where the dish is refused its lines stand, and what is to
// be put right is missing.
func (s *Server) broughtOr(ctx context.Context, u recipe.Understood, fryerID string, drawer *string, missing *[]string) (*DishByLots, *string, error) {
	dish, says, err := s.brought(ctx, u, fryerID, drawer)
	var fields refuse.Fields
	if errors.As(err, &fields) {
		for _, f := range fields {
			*missing = append(*missing, strings.TrimSuffix(household.Refused(f), "."))
		}
		return nil, nil, nil
	} else if err != nil {
		return nil, nil, err
	}
	return dish, &says, nil
}

// ownDish is a dish that left here, if it can be cooked in this household; nil
// otherwise.
func (s *Server) ownDish(ctx context.Context, own json.RawMessage, fryerID string) *DishByLots {
	if own == nil {
		return nil
	}
	dish, err := refuse.Decode[PlanInput](bytes.NewReader(own))
	if err != nil {
		return nil
	}
	if _, err := s.store.Fryer(ctx, dish.FryerId); err != nil {
		dish.FryerId, dish.SecondFryerId = fryerID, nil
	}
	// What lay beside it is another household's, or may be gone.
	dish.BesideId, dish.Ready = nil, nil
	if f, err := s.store.Fryer(ctx, dish.FryerId); err == nil && f.Drawers != 2 {
		dish.Drawer = nil
	}
	p := planOf(dish)
	if _, err := s.home.CheckedPlan(ctx, p); err != nil {
		return nil
	}
	return new(inputOf(p))
}

// brought is the dish of a recipe with its times brought to a fryer, and why
// they are others.
func (s *Server) brought(ctx context.Context, u recipe.Understood, fryerID string, drawer *string) (*DishByLots, string, error) {
	asked := prep.Asked{Load: *u.Load, Coat: u.Coat, Bench: u.Bench}.InLots()
	asked.Lots = append(asked.Lots, u.Beside...)
	in := DishByLots{Name: u.Name, FryerId: fryerID, Lots: asked.Lots, Bench: orElse(asked.Bench, prep.Bench{}), Drawer: (*DishByLotsDrawer)(drawer)}
	if r := []rune(in.Name); len(r) > 80 {
		in.Name = string(r[:80])
	}
	in.Program = load.FirstProgram
	p, err := s.home.CheckedPlan(ctx, keptOf(in))
	d, failed := s.home.Ready(ctx, household.OrderOf(p))
	if failed != nil {
		return nil, "", failed
	}
	per, inTwo, failed := d.Fitting()
	if failed != nil {
		return nil, "", failed
	}
	if per > 0 {
		in.PerBasket, d.PerBasket, inTwo = &per, per, " "+inTwo
	} else if err != nil {
		return nil, "", err
	}
	q := d.First()
	why := "It says no time: "
	if h := u.Heat; h != nil && h.Minutes > 0 {
		bring := func() (advise.Conversion, error) {
			if u.Program != nil {
				return advise.Judge(ctx, q, *u.Program)
			}
			return advise.Convert(ctx, q, *h)
		}
		c, err := bring()
		var fields refuse.Fields
		switch {
		case errors.As(err, &fields):
			why = household.Refused(fields[0]) + " So " // it is not carried through, and the load is cooked all the same
		case err != nil:
			return nil, "", err
		default:
			in.Program = c.Program
			return &in, c.Says + inTwo, nil
		}
	}
	found, err := advise.Recommend(ctx, q, advise.Balanced, nil)
	if err != nil {
		return nil, "", err
	}
	in.Program = found.Ways[0].Program
	return &in, why + "the program is the best that was found for this load in this fryer." + inTwo, nil
}

// WriteRecipe answers GET /plans/{id}/recipe.
func (s *Server) WriteRecipe(ctx context.Context, r WriteRecipeRequestObject) (WriteRecipeResponseObject, error) {
	p, err := s.store.Plan(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	own, err := json.Marshal(inputOf(p))
	if err != nil {
		return nil, err
	}
	d, err := s.home.Dish(ctx, household.OrderOf(p))
	if err != nil {
		return nil, err
	}
	pantry, say, err := s.home.Pantry(ctx)
	if err != nil {
		return nil, err
	}
	f, err := pantry.Forecast(ctx, d, say)
	if err != nil {
		return nil, err
	}
	var dealt []baskets.Basketful
	if !household.GoesInAtOnce(p) {
		ready, _, err := pantry.Ready(d)
		if err != nil {
			return nil, err
		}
		if dealt, err = household.Baskets(ctx, p, ready); err != nil {
			return nil, err
		}
	}
	words, err := recipe.Write(p.Name, d, dealt, f, pantry, say)
	if err != nil {
		return nil, err
	}
	other, ready, err := s.home.BesideOf(ctx, p)
	if err != nil {
		return nil, err
	}
	if other != nil {
		mine, its := p.Program.V.Minutes(), other.Program.V.Minutes()
		at := prep.Begins(ready, mine, its)
		if *p.Drawer == load.Right {
			at = prep.Begins(ready, its, mine)
			at[0], at[1] = at[1], at[0]
		}
		words.Beside(other.Name, *other.Drawer, at[1]-at[0])
	}
	if r.Params.As == "markdown" {
		text := exchange.RecipeMarkdown(words, own)
		return WriteRecipe200TextmarkdownResponse{Body: strings.NewReader(text), ContentLength: int64(len(text))}, nil
	}
	ld, err := exchange.RecipeLD(words, own, p.ChangedAt.Time)
	if err != nil {
		return nil, fmt.Errorf("writing a recipe: %w", err)
	}
	var out WriteRecipe200ApplicationLdPlusJSONResponse
	err = json.Unmarshal(ld, &out)
	return out, err
}

// inputOf is a kept plan as it was put in.
func inputOf(p store.Plan) DishByLots {
	out := planOut(p)
	return DishByLots{Name: out.Name, FryerId: out.FryerId, Lots: out.Lots, Bench: out.Bench, Program: out.Program, TableTime: out.TableTime,
		PerBasket: out.PerBasket, SecondFryerId: out.SecondFryerId, Drawer: (*DishByLotsDrawer)(out.Drawer), BesideId: out.BesideId, Ready: (*DishByLotsReady)(out.Ready)}
}

// keptOf is a dish as it would be kept.
func keptOf(in DishByLots) store.Plan {
	p := store.Plan{Name: in.Name, FryerID: in.FryerId, TableTime: in.TableTime, PerBasket: in.PerBasket, SecondFryerID: in.SecondFryerId,
		Drawer: (*string)(in.Drawer), BesideID: in.BesideId, Ready: (*string)(in.Ready)}
	p.Lots.V, p.Bench.V, p.Program.V = in.Lots, in.Bench, in.Program
	return p
}
