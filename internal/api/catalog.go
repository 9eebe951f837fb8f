package api

import (
	"context"
	"maps"

	"velocrustum/core/advise"
	"velocrustum/core/belief"
	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
	"velocrustum/core/sheet"
	"velocrustum/core/units"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
)

// choices lists ids with their words.
func choices[T interface {
	~string
	Words() (name, says string)
}](list []T) []Choice {
	out := make([]Choice, len(list))
	for i, v := range list {
		name, says := v.Words()
		out[i] = Choice{string(v), name, says}
	}
	return out
}

func panChoices(of []pan.Option) (out []Choice) {
	for _, c := range of {
		out = append(out, Choice{Id: c.ID, Name: c.Name, Says: c.Says})
	}
	return out
}

func replacements(of []prep.Replacement) (out []Choice) {
	for _, r := range of {
		out = append(out, Choice{Id: r.ID, Name: r.Name})
	}
	return out
}

// holds are where food may wait between two stages; a rest without more said
// is on a rack in the room.
func holds() (out []Choice) {
	for _, id := range []string{load.HoldRack, load.HoldWarm, load.HoldBowl, load.HoldCovered} {
		out = append(out, Choice{Id: id, Name: units.Capital(load.HoldNames[id])})
	}
	return out
}

// limits are those of every figure, by its field.
func limits() map[string]Range {
	out := maps.Clone(map[string]Range(load.Limits))
	for field, r := range prep.Limits {
		out["bench."+field] = r
	}
	for kind, r := range cook.Limits {
		out["event."+kind] = r
	}
	for field, r := range larder.Limits {
		out["ingredient."+field] = r
	}
	out["thermometerC"] = household.ThermometerOff
	out["guidanceC"] = refuse.Range{Min: safety.StricterFloor, Max: safety.StricterTop, Step: 1, Unit: "°C"}
	for field, r := range pan.Limits {
		out[field] = r
	}
	for field, r := range pan.ServingLimits {
		out["serving."+field] = r
	}
	maps.Copy(out, belief.PotatoLimits)
	for field, r := range sheet.Limits {
		out["supper."+field] = r
	}
	out["coat.share"], out["coat.sticks"] = food.ShareLimit, food.SticksLimit
	out["coat.layers"] = refuse.Range{Min: 1, Max: food.MaxCoatLayers, Step: 1, Unit: "layers"}
	out["coat.parts"] = refuse.Range{Min: 1, Max: food.MaxParts, Step: 1, Unit: "parts"}
	out["bench.sauces"] = refuse.Range{Min: 0, Max: prep.MaxSauces, Step: 1, Unit: "sauces"}
	out["bench.mixes"] = refuse.Range{Min: 0, Max: prep.MaxMixes, Step: 1, Unit: "mixes"}
	out["brush.g"] = load.BrushLimit
	out["litres"] = refuse.Range{Min: fryer.MinLitres, Max: fryer.MaxLitres, Step: 0.5, Unit: "litres"}
	return out
}

// usual is what things begin with in a household.
func usual(set store.Settings) Usual {
	u := Usual{FreezerC: food.OutOfFreezerC, FridgeC: load.OutOfFridge(set.FridgeC), FridgeAirC: orElse(set.FridgeC, food.FridgeC), FridgeSays: set.FridgeSays(), RoomC: food.OutOfRoomC, FrozenUnderC: food.FrozenUnderC, Load: load.FirstLoad, Coat: load.FirstCoat, Program: load.FirstProgram, Bench: prep.Usual,
		Rack: prep.UsualRack, Brine: prep.UsualBrine, Soak: prep.UsualSoak,
		Salt: prep.SaltLevels, Even: prep.EvenLevels, Spread: prep.SpreadLevels, Recipes: advise.FirstFormerWays, MoreMin: cook.UsualMore, WarmC: load.WarmC, Layers: food.FirstLayers, OilByMass: load.OilByMass, ElementShare: load.ElementShare,
		Brush: load.FirstBrush, Potato: belief.FirstPotato, BrushBeforeEndMin: load.BrushBeforeEndMin, SplitSteps: load.SplitSteps, Evening: sheet.FirstEvening, MixGPerKg: prep.UsualMix, SoonH: cook.SoonH}
	for _, k := range fryer.Usual {
		u.Boxes = append(u.Boxes, FryerKnown{Kind: FryerKnownKind(k.Kind), Litres: &k.Litres, PowerW: &k.PowerW, Drawers: &k.Drawers})
	}
	for _, w := range load.Warmth(u.FridgeC) {
		u.Warmth = append(u.Warmth, struct {
			Says   string  `json:"says"`
			UnderC float64 `json:"underC"`
		}{w.Says, w.UnderC})
	}
	return u
}

// GetCatalog answers GET /catalog.
func (s *Server) GetCatalog(ctx context.Context, _ GetCatalogRequestObject) (GetCatalogResponseObject, error) {
	set, err := s.store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	pantry, _, err := s.home.Pantry(ctx)
	if err != nil {
		return nil, err
	}
	c := Catalog{Surfaces: choices(food.Surfaces), Guidances: choices(safety.Guidances), FryerKinds: choices(fryer.Kinds), Wants: choices(advise.Wants), Flours: replacements(prep.Flours), Crumbs: replacements(prep.Crumbs),
		Limits: limits(), Usual: usual(set), Presets: load.Presets, Holds: holds(),
		Pan: PanChoices{Schools: panChoices(pan.Schools), Heats: panChoices(pan.Heats), Levels: pan.Levels, Starches: pan.Starches(), Usual: pan.Serving{}.Whole()}}
	for _, w := range pan.Ways {
		c.Pan.Ways = append(c.Pan.Ways, struct {
			Id     string `json:"id"`
			Name   string `json:"name"`
			Own    bool   `json:"own"`
			Plated bool   `json:"plated"`
			Says   string `json:"says"`
		}{w.ID, w.Name, w.Own, w.Plated, w.Says})
	}
	for _, g := range pan.Grains {
		c.Pan.Grains = append(c.Pan.Grains, struct {
			G    float64 `json:"g"`
			Id   string  `json:"id"`
			Name string  `json:"name"`
		}{g.G, g.ID, g.Name})
	}
	forms := map[food.Form]CutInfoForm{food.Slab: "slab", food.Cylinder: "cylinder", food.Ellipsoid: "ellipsoid"}
	for _, f := range food.Cuts() {
		rule, err := safety.For(set.Guidance, f.Class, set.GuidanceC)
		if err != nil {
			return nil, err
		}
		least, most := f.Allowed()
		piece := f.Piece(f.Typical, 0)
		info := CutInfo{
			Id: f.ID, Name: f.Name, RawLab: f.Raw[:], Plural: f.Plural, Group: f.Group, Faces: f.Faces[:], Skin: f.SkinMm > 0, Form: forms[f.Form], Length: f.Length, Width: f.Width,
			TypicalG: f.Typical, LeastG: least, MostG: most, Safety: string(f.Class), RuleC: rule.CoreC, Source: f.Source,
		}
		info.TypicalMm.Thickness, info.TypicalMm.Length, info.TypicalMm.Width = piece.Thickness*1000, piece.Length*1000, piece.Width*1000
		if r, first := f.Ruler(); first {
			info.Ruler = &struct {
				At   float64 `json:"at"`
				Says string  `json:"says"`
			}{r.At, r.Says}
		}
		c.Cuts = append(c.Cuts, info)
	}
	for _, n := range food.Names {
		c.Names = append(c.Names, struct {
			Cut   string `json:"cut"`
			Near  bool   `json:"near"`
			Words string `json:"words"`
		}{n.Cut, n.Near, n.Words})
	}
	for _, s := range food.Shapes {
		c.Shapes = append(c.Shapes, struct {
			Meat  string `json:"meat"`
			Plant string `json:"plant"`
			Says  string `json:"says"`
		}{s.Meat, s.Plant, s.Says})
	}
	for _, k := range food.Coats() {
		c.Coats = append(c.Coats, CoatInfo{Id: k.ID, Name: k.Name, Says: k.Says, Allergens: pantry.Allergens(k), NeedsOilG: k.NeedsOil, Layers: orEmpty(k.Layers), RestMin: k.RestMin, Source: k.Source})
	}
	return GetCatalog200JSONResponse(c), nil
}
