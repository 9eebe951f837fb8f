package larder

// An Item is one ingredient of a recipe with its amount in g.
type Item struct {
	Ingredient string  `json:"ingredient"`
	G          float64 `json:"g"`
}

// Totals are what a mixture holds, g.
type Totals struct {
	MassG    float64 `json:"massG"`
	SaltG    float64 `json:"saltG"`
	SugarG   float64 `json:"sugarG"`
	CarbG    float64 `json:"carbG"`
	FatG     float64 `json:"fatG"`
	ProteinG float64 `json:"proteinG"`
	AcidG    float64 `json:"acidG"`
}

// Add puts g grams of an ingredient in.
func (t *Totals) Add(i Ingredient, g float64) {
	t.MassG += g
	t.SaltG += g * i.Salt / 100
	t.SugarG += g * i.Sugar / 100
	t.CarbG += g * i.Carb / 100
	t.FatG += g * i.Fat / 100
	t.ProteinG += g * i.Protein / 100
	t.AcidG += g * i.Acid / 100
}

// Part returns a share of a mixture.
func (t Totals) Part(share float64) Totals {
	return Totals{t.MassG * share, t.SaltG * share, t.SugarG * share, t.CarbG * share, t.FatG * share, t.ProteinG * share, t.AcidG * share}
}

// Plus returns two mixtures together.
func (t Totals) Plus(o Totals) Totals {
	return Totals{t.MassG + o.MassG, t.SaltG + o.SaltG, t.SugarG + o.SugarG, t.CarbG + o.CarbG, t.FatG + o.FatG, t.ProteinG + o.ProteinG, t.AcidG + o.AcidG}
}

// Kcal is the energy of it.
func (t Totals) Kcal() float64 { return 4*t.CarbG + 4*t.ProteinG + 9*t.FatG }
