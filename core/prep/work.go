package prep

import (
	"fmt"
	"math"
	"slices"

	"velocrustum/core/food"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// SurfaceWater is the free water on a surface, g/100 cm²: wiped 0.3, from
// the tap 2.5; a rack in the fridge takes 0.2 an hour, the free water first.
func (d Drying) SurfaceWater() float64 {
	switch d.School {
	case "wet":
		return 2.5
	case "rack":
		return math.Max(-1.2, 0.3-0.2*d.Hours)
	}
	return 0.3
}

const fridge = 4.0 // °C

// Work works a bench out for pieces of a cut. spoons are those of the cook's
// country; coatID is the plan's coat. The error is refuse.Fields, or Salt's.
func (p Pantry) Work(cut food.Cut, pieceG, thicknessMm float64, pieces int, coatID string, b Bench, spoons units.Spoons) (Worked, error) {
	if err := b.Check(p); err != nil {
		return Worked{}, err
	}
	piece := cut.Piece(pieceG, thicknessMm)
	massG := pieceG * float64(pieces)
	w := Worked{Stations: []Station{}, SaltFrom: map[string]float64{}, Allergens: cut.Allergens(), edible: massG * (1 - cut.Bone), MassG: massG}
	w.cut(cut, piece, pieces, pieceG, coatID, b.Cutting)
	w.dry(cut, piece, pieces, b.Drying)
	b.Coating.Coat = coatID
	var err error
	if w.Coated, err = p.Coat(piece, pieces, massG, b.Coating); err != nil {
		return w, err
	}
	var finish Totals
	for _, it := range b.Finish {
		i, err := p.Find(it.Ingredient)
		if err != nil {
			return w, err
		}
		finish.add(i, it.G)
		w.Allergens = merge(w.Allergens, i.Allergens)
	}
	w.SaltFrom["coat"], w.SaltFrom["finish"] = w.Coated.Kept.SaltG, finish.SaltG
	w.added = finish
	if b.Marinade != nil && len(b.Marinade.Items) > 0 {
		if err := w.marinate(p, cut, piece, pieces, massG, b.Marinade.made(massG)); err != nil {
			return w, err
		}
	}
	if b.Salting != nil {
		if err := w.salt(p, cut, piece, pieces, *b.Salting, spoons); err != nil {
			return w, err
		}
	}
	total := 0.0
	for _, g := range w.SaltFrom {
		total += g
	}
	w.SaltPct = 100 * total / w.edible
	w.coat(p, b.Coating, cut.SkinMm > 0, spoons)
	if len(b.Finish) > 0 {
		w.Stations = append(w.Stations, Station{ID: "finish", Title: "Finish", Headline: fmt.Sprintf("%.0f g on all of it", finish.MassG),
			Why: w.finishSays(finish.SaltG, b.Salting), Cautions: []string{}})
	}
	if w.SaltPct > tooSalty {
		for i := range w.Stations {
			if s := &w.Stations[i]; s.ID == "salt" || s.ID == "marinade" || s.ID == "finish" {
				s.Cautions = append(s.Cautions, fmt.Sprintf("With all sources it comes to %.1f %% salt, too salty for most; 0.8 is mild, 1.25 bold.", w.SaltPct))
				break
			}
		}
	}
	order := []string{"cut", "dry", "salt", "marinade", "coat", "finish"}
	slices.SortStableFunc(w.Stations, func(a, b Station) int { return slices.Index(order, a.ID) - slices.Index(order, b.ID) })
	w.Effects.SaltPct = 0
	for _, from := range []string{"salt", "marinade"} {
		w.Effects.SaltPct += 100 * w.SaltFrom[from] / w.edible
	}
	w.Effects.SaltPct = math.Min(5, w.Effects.SaltPct)
	w.Effects.OilG = math.Min(200, w.Coated.OilG+w.Effects.OilG)
	return w, nil
}

func (w *Worked) dry(cut food.Cut, piece food.Piece, pieces int, d Drying) {
	w.Effects.SurfaceWaterG = d.SurfaceWater()
	s := Station{ID: "dry", Title: "Dry", Cautions: []string{}}
	area := float64(pieces) * piece.Surface * 100
	switch d.School {
	case "rack":
		s.Headline = fmt.Sprintf("Wipe, then %s on a rack", hoursWords(d.Hours))
		s.Why = fmt.Sprintf("Uncovered at %.0f °C the fridge takes about %.0f g of water off all of them.", fridge, 0.2*d.Hours*area)
		s.Cautions = append(s.Cautions, "Fridge at 4 °C or under, raw food below what is eaten raw.")
	case "wet":
		s.Headline = "Left wet"
		s.Why = fmt.Sprintf("About %.0f g of water have to boil off before anything crisps.", 2.5*area)
	case "rinse":
		s.Headline = "Rinse, then wipe dry"
		s.Why = "Wiped dry it is as dry as unrinsed."
	default:
		s.Headline = "Wipe with paper"
		s.Why = "A dry surface decides crispness; paper leaves about a third of a gram on 100 cm²."
	}
	if (d.School == "rinse" || d.School == "wet") && (cut.Class == safety.Poultry || cut.Class == safety.Stuffed) {
		s.Cautions = append(s.Cautions, "Public advice is not to rinse raw poultry: splashes spread germs around the sink.")
	}
	w.Stations = append(w.Stations, s)
}

func (w *Worked) marinate(p Pantry, cut food.Cut, piece food.Piece, pieces int, massG float64, m Marinade) error {
	items, kept := p.split(m.Items, m.CoatShare)
	if kept.MassG > 0 {
		w.SaltFrom["coat"] += kept.SaltG
		w.Coated.Kept = w.Coated.Kept.plus(kept)
		w.Coated.StuckG += kept.MassG
	}
	got, err := p.Marinate(cut, piece, pieces, massG, items, m.Hours, fridge)
	if err != nil {
		return err
	}
	w.Marinaded = &got
	w.Allergens = merge(w.Allergens, got.Allergens)
	all := got.PerKg.part(massG / 1000)
	clings := all.part(got.TakenG / all.MassG)
	w.SaltFrom["marinade"] = math.Min(all.SaltG, got.Salted.TakenG+clings.SaltG)
	clings.SaltG = 0 // counted above
	w.added = w.added.plus(clings)
	// Sugar of what clings, in it and the first millimetre of flesh.
	film := got.TakenG / 1000 / (float64(pieces) * piece.Surface)
	w.Effects.SugarPct = math.Min(30, got.SurfaceSugarPct*film/(film+1))
	w.Effects.OilG += clings.FatG
	s := Station{ID: "marinade", Title: "Marinate", Headline: fmt.Sprintf("%s in the fridge", hoursWords(m.Hours)), Cautions: []string{}}
	r := got.Reach
	s.Why = fmt.Sprintf("%s The limit is set by the %s: worth it from %s; past %s it is %s. For 1 kg of meat it holds %.0f g of salt, %.0f of sugar, %.0f of acid and %.0f of fat; %.0f g of it go along into the basket.",
		got.Verdict, r.Kind, hoursWords(r.Least), hoursWords(r.Most), r.Past,
		got.PerKg.SaltG, got.PerKg.SugarG, got.PerKg.AcidG, got.PerKg.FatG, got.TakenG)
	if got.PerKg.SaltG > 0 {
		s.Why += fmt.Sprintf(" Its salt gets %.0f mm in.", got.Salted.ReachMm)
	}
	if kept.MassG > 0 {
		s.Why += fmt.Sprintf(" %.0f g of the dry seasoning are kept for the coat.", kept.MassG)
	}
	if m.Hours > 2 {
		s.Cautions = append(s.Cautions, "Over two hours always in the fridge, at 4 °C or under.")
	}
	s.Cautions = append(s.Cautions, "Throw used marinade away, or boil it.")
	w.Stations = append(w.Stations, s)
	return nil
}

func (w *Worked) salt(p Pantry, cut food.Cut, piece food.Piece, pieces int, c Salting, spoons units.Spoons) error {
	kind := c.Salt
	if kind == "" {
		kind = "salt-fine"
	}
	salt, err := p.Find(kind)
	if err != nil {
		return err
	}
	s := Station{ID: "salt", Title: "Salt", Cautions: []string{}}
	bath := Bath{TempC: fridge, Hours: c.Hours, Even: c.Even}
	if c.School != "dry" {
		liquid, in := p["water"], ""
		if c.School == "soak" && c.Liquid != "" {
			if liquid, err = p.Find(c.Liquid); err != nil {
				return err
			}
			in = " of " + liquid.Name
		}
		put := Brine(c.WaterG, c.StrengthPct)
		bath.SaltG = put + c.WaterG*liquid.Salt/100
		bath.WaterG = c.WaterG * (1 - (liquid.Salt+liquid.Carb+liquid.Fat+liquid.Protein+liquid.Acid)/100)
		s.Headline = fmt.Sprintf("%.0f g of salt (%s) in %.1f l%s, %s", put, units.InSpoons(put/salt.Density, spoons), c.WaterG/1000/liquid.Density, in, hoursWords(c.Hours))
		if put == 0 {
			s.Headline = fmt.Sprintf("%.1f l%s, no salt, %s", c.WaterG/1000/liquid.Density, in, hoursWords(c.Hours))
		}
		w.Allergens = merge(w.Allergens, liquid.Allergens)
		if bath.SaltG == 0 {
			s.Why = "Without salt nothing goes in; it wets the surface, so wipe it dry."
			w.Stations = append(w.Stations, s)
			return nil
		}
	} else {
		others := 0.0
		for _, g := range w.SaltFrom {
			others += g
		}
		w.RubG = math.Max(0, c.TargetPct/100*w.edible-others)
		bath.SaltG = w.RubG
		if w.RubG < 0.05 {
			s.Headline = "No salt: it is in the rest"
			s.Why = fmt.Sprintf("The other sources bring %.1f g already, %.1f %%.", others, 100*others/w.edible)
			w.Stations = append(w.Stations, s)
			return nil
		}
		s.Headline = fmt.Sprintf("%.1f g of salt: %s of %s", w.RubG, units.InSpoons(w.RubG/salt.Density, spoons), salt.Name)
	}
	got, err := Salt(cut, piece, pieces, bath)
	if err != nil {
		return err
	}
	w.Salted = &got
	if c.School != "dry" {
		w.SaltFrom["salt"] = got.TakenG
	} else {
		w.SaltFrom["salt"] = w.RubG // what is not in yet lies on it
	}
	middle := "the middle stays plain"
	if got.CentrePct >= 0.5*got.MeanPct {
		middle = "and the middle too"
	}
	s.Why = fmt.Sprintf("After %s it is seasoned %.0f mm in, %s. Four fifths are in after %s.", hoursWords(c.Hours), got.ReachMm, middle, orLonger(got.To80Hours))
	share := 50.0
	if c.Even > 0 {
		share = 100 * c.Even
	}
	s.Why += fmt.Sprintf(" The middle has %.0f %% of the mean after %s.", share, orLonger(got.EvenHours))
	if c.School != "dry" {
		s.Why += fmt.Sprintf(" Left for days it would even out at %.1f %%.", got.EquilibriumPct)
	}
	if c.Hours > 2 {
		s.Cautions = append(s.Cautions, "Over two hours always in the fridge, at 4 °C or under.")
	}
	if cut.Class == safety.Fish && c.Hours > 1 {
		s.Cautions = append(s.Cautions, "Fish turns firm, as if cured, after about an hour in salt.")
	}
	w.Stations = append(w.Stations, s)
	return nil
}

// finishSays words what a finish does to the salt.
func (w *Worked) finishSays(saltG float64, by *Salting) string {
	switch {
	case saltG < 0.05:
		return "It brings no salt."
	case by != nil && by.School == "dry":
		return fmt.Sprintf("It brings %.1f g of salt; the rub has dropped by that.", saltG)
	}
	return fmt.Sprintf("It brings %.1f g of salt, on top of the rest.", saltG)
}

func orLonger(h float64) string {
	if h == 0 {
		return "more than four days"
	}
	return hoursWords(h)
}

func (w *Worked) coat(p Pantry, c Coats, skin bool, spoons units.Spoons) {
	s := Station{ID: "coat", Title: "Coat and oil", Cautions: []string{}}
	if len(w.Coated.Bowls) == 0 {
		s.Headline = fmt.Sprintf("%.0f g of oil", w.Coated.OilG)
		if w.Coated.OilG == 0 {
			s.Headline = "Nothing on it"
		}
		s.Why = "No layer of its own."
		switch {
		case c.Coat == "wrap":
			s.Why = "The wrap renders its own fat."
		case skin:
			s.Why += " The skin renders its own fat."
		}
	} else {
		text := ""
		for i, b := range w.Coated.Bowls {
			ing := p[b.Ingredient]
			if i > 0 {
				text += ", then "
			}
			if ing.Role == Egg {
				text += fmt.Sprintf("%d %s", w.Coated.Eggs, plural(w.Coated.Eggs, "egg", "eggs"))
				if w.Coated.StretchG >= 1 {
					text += fmt.Sprintf(" with %.0f g of water", w.Coated.StretchG)
				}
			} else {
				text += fmt.Sprintf("%.0f g of %s (%s)", b.PutOutG, ing.Name, units.InSpoons(b.PutOutG/ing.Density, spoons))
			}
			w.Allergens = merge(w.Allergens, ing.Allergens)
		}
		s.Headline = "Put out " + text
		s.Why = fmt.Sprintf("%.0f g stick to the surface of all of them; top the bowls up rather than fill them.", w.Coated.StuckG)
		if c.Coat == "leavened-rub" {
			s.Headline = "Rub in " + text
			s.Why = "It makes the skin alkaline: that browns sooner and blisters thin. Mix it with the salt and the spices."
			s.Cautions = append(s.Cautions, "Baking powder, not soda alone: that tastes of soap.")
		}
		if w.Coated.RestMin >= 5 {
			s.Why += fmt.Sprintf(" Rest %.0f min so that it holds.", w.Coated.RestMin)
		}
	}
	if w.Coated.LeaveningG > 0 {
		s.Headline += fmt.Sprintf("; %.1f g of baking powder (%s) in the flour", w.Coated.LeaveningG, units.InSpoons(w.Coated.LeaveningG/p["leavening"].Density, spoons))
		s.Why += " Its gas makes the crust lighter to the bite, which the forecast leaves out."
	}
	s.Why += oilWords(c, w.Coated.OilG)
	if c.Oil == "mist" {
		s.Cautions = append(s.Cautions, "No spray with propellant on non-stick surfaces.")
	}
	if coat, err := food.FindCoat(c.Coat); err == nil && c.Where == "up" && coat.NeedsOil > 0 && w.Coated.OilG > 0 {
		s.Cautions = append(s.Cautions, "Dry patches on the other side stay pale and floury; mist them at the turn.")
	}
	if coat, err := food.FindCoat(c.Coat); err == nil {
		s.Cautions = append(s.Cautions, c.unused(coat, p)...)
	}
	if len(w.Allergens) > 0 {
		s.Cautions = append(s.Cautions, "Holds "+list(w.Allergens)+".")
	}
	w.Stations = append(w.Stations, s)
}

// oilWords says how much oil goes where, and when.
func oilWords(c Coats, oilG float64) string {
	if oilG == 0 {
		return " No oil."
	}
	if c.Oil == "" {
		return fmt.Sprintf(" Oil: %.0f g.", oilG)
	}
	where := "all over"
	if c.Where == "up" {
		where = "on the side that is up"
	}
	passes := max(1, c.Passes)
	if passes == 1 {
		return fmt.Sprintf(" Oil: %.0f g %s.", oilG, where)
	}
	return fmt.Sprintf(" Oil: %.0f g %s in %d passes of %.1f g, thin and each let in before the next.", oilG, where, passes, oilG/float64(passes))
}

func plural(n int, one, more string) string {
	if n == 1 {
		return one
	}
	return more
}

func list(names []string) string {
	out := names[0]
	for i, n := range names[1:] {
		if i == len(names)-2 {
			out += " and " + n
		} else {
			out += ", " + n
		}
	}
	return out
}

// Cost adds up what a dish costs by the household's prices, energy included,
// and says whether any price was known.
func (w *Worked) Cost(p Pantry, b Bench, energyWh float64) (cost float64, known bool) {
	add := func(g, perKg float64) {
		cost += g / 1000 * perKg
		known = known || perKg > 0
	}
	for _, bowl := range w.Coated.Bowls {
		add(bowl.PutOutG, p[bowl.Ingredient].Price)
	}
	add(w.Coated.OilG, p["oil"].Price)
	items := slices.Clone(b.Finish)
	if b.Marinade != nil {
		items = append(items, b.Marinade.made(w.MassG).Items...)
	}
	for _, it := range items {
		add(it.G, p[it.Ingredient].Price)
	}
	if b.Prices != nil {
		add(w.MassG, b.Prices.MeatPerKg)
		add(energyWh, b.Prices.PerKWh)
	}
	return cost, known
}

// Serve returns a serving of the worked bench, and the same deep-fried.
func (w *Worked) Serve(cut food.Cut, pieceG, thicknessMm float64, pieces int, coat food.Coat, servings int, kept Kept) (here, deep Plate) {
	added := w.added
	for from, g := range w.SaltFrom {
		if from == "salt" || from == "marinade" {
			added.SaltG += g
		}
	}
	return Serve(cut, cut.Piece(pieceG, thicknessMm), pieces, pieceG*float64(pieces), w.Coated, coat.Fried, added, float64(max(1, servings)), kept)
}
