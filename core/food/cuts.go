package food

import "velocrustum/core/safety"

// Where the figures come from. Compositions are raw edible portions; they
// vary by about ±2 points of water and, for fat, by a third between animals.
const (
	fdc      = "composition: USDA FoodData Central, raw; proportions and bone: own measure of shop pieces, ±15 %"
	fdcFish  = "composition: USDA FoodData Central, raw; proportions: own measure, ±15 %; flesh opaque from 58 °C"
	fdcBelly = "composition: USDA FoodData Central, pork belly and cuts, raw; proportions: own measure, ±15 %"
	mixture  = "composition: sum of its parts from USDA FoodData Central; proportions: own measure, ±15 %"
)

var (
	lightMeat   = Composition{Water: 0.750, Protein: 0.222, Fat: 0.018, Ash: 0.010}
	darkMeat    = Composition{Water: 0.757, Protein: 0.193, Fat: 0.040, Ash: 0.010}
	henSkin     = Composition{Water: 0.545, Protein: 0.135, Fat: 0.315, Ash: 0.005}
	duckMeat    = Composition{Water: 0.735, Protein: 0.185, Fat: 0.070, Ash: 0.010}
	duckSkin    = Composition{Water: 0.340, Protein: 0.110, Fat: 0.545, Ash: 0.005}
	filling     = Composition{Water: 0.700, Protein: 0.150, Fat: 0.080, Carb: 0.060, Ash: 0.010}
	whiteFish   = Composition{Water: 0.810, Protein: 0.170, Fat: 0.008, Ash: 0.012}
	oilyFish    = Composition{Water: 0.660, Protein: 0.200, Fat: 0.128, Ash: 0.012}
	bream       = Composition{Water: 0.755, Protein: 0.195, Fat: 0.037, Ash: 0.013}
	fishSkin    = Composition{Water: 0.690, Protein: 0.240, Fat: 0.055, Ash: 0.015}
	prawnMeat   = Composition{Water: 0.790, Protein: 0.185, Fat: 0.006, Carb: 0.005, Ash: 0.014}
	squidMeat   = Composition{Water: 0.786, Protein: 0.156, Fat: 0.014, Carb: 0.030, Ash: 0.014}
	belly       = Composition{Water: 0.450, Protein: 0.118, Fat: 0.425, Ash: 0.007}
	loin        = Composition{Water: 0.722, Protein: 0.214, Fat: 0.053, Ash: 0.011}
	rib         = Composition{Water: 0.600, Protein: 0.160, Fat: 0.230, Ash: 0.010}
	beef        = Composition{Water: 0.720, Protein: 0.225, Fat: 0.044, Ash: 0.011}
	mince       = Composition{Water: 0.630, Protein: 0.175, Fat: 0.140, Carb: 0.040, Ash: 0.015}
	birdMince   = Composition{Water: 0.690, Protein: 0.180, Fat: 0.085, Carb: 0.030, Ash: 0.015}
	sausages    = Composition{Water: 0.570, Protein: 0.145, Fat: 0.235, Carb: 0.025, Ash: 0.025}
	fishcake    = Composition{Water: 0.715, Protein: 0.105, Fat: 0.050, Carb: 0.115, Ash: 0.015}
	curd        = Composition{Water: 0.745, Protein: 0.150, Fat: 0.080, Carb: 0.015, Ash: 0.010}
	brassica    = Composition{Water: 0.910, Protein: 0.024, Fat: 0.003, Carb: 0.055, Ash: 0.008}
	fungus      = Composition{Water: 0.920, Protein: 0.031, Fat: 0.003, Carb: 0.037, Ash: 0.009}
	squash      = Composition{Water: 0.940, Protein: 0.012, Fat: 0.003, Carb: 0.039, Ash: 0.006}
	formed      = Composition{Water: 0.660, Protein: 0.160, Fat: 0.090, Carb: 0.072, Ash: 0.018}
	onion       = Composition{Water: 0.890, Protein: 0.011, Fat: 0.001, Carb: 0.094, Ash: 0.004}
	potato      = Composition{Water: 0.790, Protein: 0.020, Fat: 0.001, Carb: 0.178, Ash: 0.011}
	curdCheese  = Composition{Water: 0.470, Protein: 0.240, Fat: 0.225, Carb: 0.030, Ash: 0.035}
	rollFilling = Composition{Water: 0.720, Protein: 0.080, Fat: 0.060, Carb: 0.120, Ash: 0.020}
	pastry      = Composition{Water: 0.380, Protein: 0.080, Fat: 0.060, Carb: 0.460, Ash: 0.020}
	streaky     = Composition{Water: 0.430, Protein: 0.130, Fat: 0.410, Ash: 0.030}
)

var (
	skinUnder = [2]string{"Skin side", "Underside"}
	topBottom = [2]string{"Upper side", "Underside"}
	fleshSkin = [2]string{"Flesh side", "Skin side"}
	leftRight = [2]string{"First side", "Second side"}
)

// Raw surfaces, CIELAB under daylight, by eye against a colour chart, ±4.
var (
	rawHen   = [3]float64{84, 4, 17}
	rawFlesh = [3]float64{70, 8, 14}
	rawWhite = [3]float64{80, 0, 8}
	rawOily  = [3]float64{66, 22, 26}
	rawShell = [3]float64{68, 4, 10}
	rawPork  = [3]float64{68, 10, 12}
	rawBeef  = [3]float64{42, 20, 14}
	rawGreen = [3]float64{62, -16, 26}
	rawRoot  = [3]float64{80, -2, 28}
)

// cuts is the table of all cuts. Order is that of the picker.
var cuts = []Cut{
	{ID: "chicken-wing-flat", Name: "wing flat", Plural: "wing flats", Group: "Chicken wings", Faces: skinUnder, Form: Ellipsoid, Length: 3.4, Width: 1.7, Typical: 42, Least: 20, Most: 80,
		Flesh: darkMeat, Bone: 0.25, SkinMm: 1.6, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 82, Juice: 45, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "chicken-drumette", Name: "drumette", Plural: "drumettes", Group: "Chicken wings", Faces: skinUnder, Form: Ellipsoid, Length: 2.7, Width: 1.2, Typical: 48, Least: 22, Most: 90,
		Flesh: darkMeat, Bone: 0.22, SkinMm: 1.6, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 82, Juice: 45, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "chicken-wing-whole", Name: "whole wing", Plural: "whole wings", Group: "Chicken wings", Faces: skinUnder, Form: Ellipsoid, Length: 4.6, Width: 2.6, Typical: 100, Least: 55, Most: 180,
		Flesh: darkMeat, Bone: 0.26, SkinMm: 1.6, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 82, Juice: 45, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "chicken-wing-stuffed", Name: "stuffed wing", Plural: "stuffed wings", Group: "Chicken wings", Faces: skinUnder, Form: Ellipsoid, Length: 2.9, Width: 1.3, Typical: 95, Least: 50, Most: 170,
		Flesh: darkMeat, Stuffing: 0.34, Filling: filling, SkinMm: 1.6, Skin: henSkin, Holding: 0.14, Class: safety.Stuffed, Tender: 76, Juice: 50, Sugar: 0.1, Raw: rawHen, Source: mixture},
	{ID: "chicken-drumstick", Name: "drumstick", Plural: "drumsticks", Group: "Chicken pieces", Faces: skinUnder, Form: Ellipsoid, Length: 2.6, Width: 1.15, Typical: 115, Least: 60, Most: 200,
		Flesh: darkMeat, Bone: 0.16, SkinMm: 1.6, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 82, Juice: 50, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "chicken-drumstick-frenched", Name: "frenched drumstick", Plural: "frenched drumsticks", Group: "Chicken pieces", Faces: skinUnder, Form: Ellipsoid, Length: 1.5, Width: 1.2, Typical: 110, Least: 60, Most: 190,
		Flesh: darkMeat, Bone: 0.10, SkinMm: 1.8, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 82, Juice: 50, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "chicken-thigh-bone-in", Name: "thigh on the bone", Plural: "thighs on the bone", Group: "Chicken pieces", Faces: skinUnder, Form: Ellipsoid, Length: 2.7, Width: 2.1, Typical: 165, Least: 90, Most: 280,
		Flesh: darkMeat, Bone: 0.10, SkinMm: 1.8, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 82, Juice: 50, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "chicken-thigh-boneless", Name: "boneless thigh", Plural: "boneless thighs", Group: "Chicken pieces", Faces: topBottom, Form: Ellipsoid, Length: 5.0, Width: 3.6, Typical: 110, Least: 60, Most: 200,
		Flesh: darkMeat, Holding: 0.14, Class: safety.Poultry, Tender: 78, Juice: 55, Sugar: 0.1, Raw: rawFlesh, Source: fdc},
	{ID: "chicken-leg-quarter", Name: "leg quarter", Plural: "leg quarters", Group: "Chicken pieces", Faces: skinUnder, Form: Ellipsoid, Length: 4.2, Width: 2.4, Typical: 290, Least: 180, Most: 450,
		Flesh: darkMeat, Bone: 0.13, SkinMm: 1.8, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 82, Juice: 50, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "chicken-breast-cutlet", Name: "breast cutlet", Plural: "breast cutlets", Group: "Chicken pieces", Faces: topBottom, Form: Slab, Length: 7.5, Width: 4.8, Typical: 130, Least: 60, Most: 280, MeasuredFrom: 170,
		Flesh: lightMeat, Holding: 0.14, Class: safety.Poultry, Tender: 74, Juice: 72, Sugar: 0.1, Raw: rawFlesh, Source: fdc},
	{ID: "chicken-breast-whole", Name: "whole breast", Plural: "whole breasts", Group: "Chicken pieces", Faces: topBottom, Form: Ellipsoid, Length: 4.2, Width: 2.4, Typical: 220, Least: 120, Most: 400,
		Flesh: lightMeat, Holding: 0.14, Plain: true, Class: safety.Poultry, Tender: 74, Juice: 62, Sugar: 0.1, Raw: rawFlesh, Source: fdc},
	{ID: "chicken-breast-butterflied", Name: "butterflied breast", Plural: "butterflied breasts", Group: "Chicken pieces", Faces: topBottom, Form: Slab, Length: 8.5, Width: 6.0, Typical: 220, Least: 120, Most: 400,
		Flesh: lightMeat, Holding: 0.14, Plain: true, Class: safety.Poultry, Tender: 74, Juice: 70, Sugar: 0.1, Raw: rawFlesh, Source: fdc},
	{ID: "chicken-tenderloin", Name: "tenderloin", Plural: "tenderloins", Group: "Chicken pieces", Faces: topBottom, Form: Ellipsoid, Length: 5.8, Width: 2.4, Typical: 45, Least: 25, Most: 90,
		Flesh: lightMeat, Holding: 0.14, Plain: true, Class: safety.Poultry, Tender: 74, Juice: 68, Sugar: 0.1, Raw: rawFlesh, Source: fdc},
	{ID: "chicken-half", Name: "half chicken", Plural: "half chickens", Group: "Chicken pieces", Faces: skinUnder, Form: Ellipsoid, Length: 4.2, Width: 2.7, Typical: 650, Least: 400, Most: 900,
		Flesh: darkMeat, Bone: 0.28, SkinMm: 1.6, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 80, Juice: 45, Sugar: 0.1, Raw: rawHen, Source: fdc, Spots: []Spot{
			{Name: "breast", Share: 0.40, Thick: 1.06, Length: 2.1, Width: 1.4, Flesh: lightMeat}, {Name: "thigh", Share: 0.38, Thick: 0.94, Length: 2.5, Width: 1.35, Flesh: darkMeat, Bone: 0.16}}},
	{ID: "chicken-whole", Name: "small whole chicken", Plural: "small whole chickens", Group: "Chicken pieces", Faces: [2]string{"Breast side", "Back"}, Form: Ellipsoid, Length: 2.1, Width: 1.35, Typical: 1200, Least: 700, Most: 1800,
		Flesh: darkMeat, Bone: 0.28, SkinMm: 1.6, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 80, Juice: 45, Sugar: 0.1, Raw: rawHen, Source: fdc, Spots: []Spot{
			{Name: "breast", Share: 0.40, Thick: 0.63, Length: 3.0, Width: 1.8, Flesh: lightMeat}, {Name: "thigh", Share: 0.38, Thick: 0.61, Length: 3.0, Width: 1.6, Flesh: darkMeat, Bone: 0.16}}},
	{ID: "chicken-breast-chunk", Name: "breast chunk", Plural: "breast chunks", Group: "Chicken pieces", Faces: topBottom, Form: Slab, Length: 1.9, Width: 1.35, Typical: 18, Least: 8, Most: 50,
		Flesh: lightMeat, Holding: 0.14, Class: safety.Poultry, Tender: 74, Juice: 68, Sugar: 0.1, Raw: rawFlesh, Source: fdc},
	{ID: "chicken-thigh-chunk", Name: "thigh chunk", Plural: "thigh chunks", Group: "Chicken pieces", Faces: topBottom, Form: Slab, Length: 1.5, Width: 1.25, Typical: 17, Least: 8, Most: 50,
		Flesh: darkMeat, Holding: 0.14, Class: safety.Poultry, Tender: 78, Juice: 55, Sugar: 0.1, Raw: rawFlesh, Source: fdc},
	{ID: "turkey-wing-section", Name: "turkey wing section", Plural: "turkey wing sections", Group: "Other birds", Faces: skinUnder, Form: Ellipsoid, Length: 3.2, Width: 1.6, Typical: 230, Least: 120, Most: 400,
		Flesh: lightMeat, Bone: 0.22, SkinMm: 1.8, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 84, Juice: 48, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "turkey-wing", Name: "turkey wing", Plural: "turkey wings", Group: "Other birds", Faces: skinUnder, Form: Ellipsoid, Length: 4.2, Width: 2.0, Typical: 450, Least: 250, Most: 800,
		Flesh: lightMeat, Bone: 0.25, SkinMm: 1.8, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 84, Juice: 48, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "turkey-drumstick", Name: "turkey drumstick", Plural: "turkey drumsticks", Group: "Other birds", Faces: skinUnder, Form: Ellipsoid, Length: 2.8, Width: 1.15, Typical: 380, Least: 200, Most: 700,
		Flesh: darkMeat, Bone: 0.18, SkinMm: 1.8, Skin: henSkin, Holding: 0.14, Class: safety.Poultry, Tender: 86, Juice: 46, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "duck-leg", Name: "duck leg", Plural: "duck legs", Group: "Other birds", Faces: skinUnder, Form: Ellipsoid, Length: 3.4, Width: 1.9, Typical: 230, Least: 150, Most: 380,
		Flesh: duckMeat, Bone: 0.14, SkinMm: 4, Skin: duckSkin, Holding: 0.14, Class: safety.Poultry, Tender: 84, Juice: 48, Sugar: 0.1, Raw: rawHen, Source: fdc},
	{ID: "fish-fillet-white", Name: "white fish fillet", Plural: "white fish fillets", Group: "Fish", Faces: topBottom, Form: Slab, Length: 7.0, Width: 3.9, Typical: 140, Least: 50, Most: 280,
		Flesh: whiteFish, Holding: 0.10, Class: safety.Fish, Tender: 62, Juice: 74, Sugar: 0.05, Raw: rawWhite, Source: fdcFish},
	{ID: "fish-fillet-oily", Name: "oily fish fillet", Plural: "oily fish fillets", Group: "Fish", Faces: fleshSkin, Form: Slab, Length: 6.0, Width: 2.8, Typical: 150, Least: 60, Most: 300,
		Flesh: oilyFish, Holding: 0.09, Renders: 0.1, Class: safety.Fish, Tender: 60, Juice: 70, Sugar: 0.05, Raw: rawOily, Source: fdcFish},
	{ID: "salmon-fillet-skin", Name: "fillet with its skin", Plural: "fillets with their skin", Group: "Fish", Faces: fleshSkin, Form: Slab, Length: 4.0, Width: 2.0, Typical: 150, Least: 60, Most: 300,
		Flesh: oilyFish, Holding: 0.09, Renders: 0.1, Plain: true, Class: safety.Fish, Tender: 60, Juice: 70, Sugar: 0.05, Raw: rawOily, Source: fdcFish},
	{ID: "fish-cake", Name: "fish cake", Plural: "fish cakes", Group: "Formed and crumbed", Faces: topBottom, Form: Slab, Length: 2.7, Width: 2.7, Typical: 80, Least: 30, Most: 160,
		Flesh: fishcake, Holding: 0.03, Class: safety.Fish, Tender: 62, Juice: 60, Sugar: 0.2, Raw: rawWhite, Source: mixture},
	{ID: "fish-strip", Name: "fish finger", Plural: "fish fingers", Group: "Fish", Faces: topBottom, Form: Cylinder, Length: 5.0, Width: 1.3, Typical: 35, Least: 15, Most: 90,
		Flesh: whiteFish, Holding: 0.10, Class: safety.Fish, Tender: 62, Juice: 74, Sugar: 0.05, Raw: rawWhite, Source: fdcFish},
	{ID: "fish-whole", Name: "whole fish", Plural: "whole fish", Group: "Fish", Faces: leftRight, Form: Ellipsoid, Length: 6.5, Width: 2.6, Typical: 350, Least: 120, Most: 800,
		Flesh: bream, Bone: 0.06, SkinMm: 0.8, Skin: fishSkin, SkinWicks: 0.3, SkinCrispMm: 0.20, Holding: 0.10, Class: safety.Fish, Tender: 62, Juice: 70, Sugar: 0.05, Raw: rawShell, Source: fdcFish},
	{ID: "prawn", Name: "prawn", Plural: "prawns", Group: "Shellfish", Faces: leftRight, Form: Cylinder, Length: 4.5, Width: 1.15, Typical: 16, Least: 6, Most: 40,
		Flesh: prawnMeat, Holding: 0.12, Class: safety.Fish, Tender: 63, Juice: 72, Sugar: 0.1, Raw: rawShell, Source: fdcFish},
	{ID: "prawn-butterflied", Name: "butterflied prawn", Plural: "butterflied prawns", Group: "Shellfish", Faces: leftRight, Form: Slab, Length: 7.0, Width: 4.0, Typical: 18, Least: 8, Most: 45,
		Flesh: prawnMeat, Holding: 0.12, Class: safety.Fish, Tender: 63, Juice: 72, Sugar: 0.1, Raw: rawShell, Source: fdcFish},
	{ID: "prawn-wrapped", Name: "wrapped prawn", Plural: "wrapped prawns", Group: "Shellfish", Faces: leftRight, Form: Cylinder, Length: 3.8, Width: 1.15, Typical: 28, Least: 14, Most: 60,
		Flesh: prawnMeat, SkinMm: 1.3, Skin: streaky, SkinWicks: 0.2, SkinCrispMm: 0.29, Holding: 0.12, Class: safety.WholeMeat, Tender: 66, Juice: 60, Sugar: 0.2, Raw: rawPork, Source: mixture},
	{ID: "squid-ring", Name: "squid ring", Plural: "squid rings", Group: "Shellfish", Faces: leftRight, Form: Cylinder, Length: 16, Width: 1.6, Typical: 12, Least: 5, Most: 25,
		Flesh: squidMeat, Holding: 0.14, Class: safety.Fish, Tender: 63, Juice: 64, Sugar: 0.05, Raw: rawWhite, Source: fdcFish},
	{ID: "pork-belly-slice", Name: "pork belly slice", Plural: "pork belly slices", Group: "Meat", Faces: topBottom, Form: Slab, Length: 7.0, Width: 2.6, Typical: 42, Least: 15, Most: 200,
		Flesh: belly, Holding: 0.12, Renders: 0.4, Class: safety.WholeMeat, Tender: 72, Juice: 35, Sugar: 0.1, Raw: rawPork, Source: fdcBelly},
	{ID: "pork-loin-cutlet", Name: "pork loin cutlet", Plural: "pork loin cutlets", Group: "Meat", Faces: topBottom, Form: Slab, Length: 8.0, Width: 5.5, Typical: 120, Least: 60, Most: 280,
		Flesh: loin, Holding: 0.14, Class: safety.WholeMeat, Tender: 66, Juice: 72, Sugar: 0.1, Raw: rawPork, Source: fdcBelly},
	{ID: "pork-chop", Name: "thick pork chop", Plural: "thick pork chops", Group: "Meat", Faces: topBottom, Form: Slab, Length: 3.7, Width: 2.6, Typical: 220, Least: 120, Most: 450,
		Flesh: loin, Holding: 0.14, Plain: true, Class: safety.WholeMeat, Tender: 66, Juice: 70, Sugar: 0.1, Raw: rawPork, Source: fdcBelly},
	{ID: "pork-chop-bone-in", Name: "pork chop on the bone", Plural: "pork chops on the bone", Group: "Meat", Faces: topBottom, Form: Slab, Length: 4.4, Width: 3.0, Typical: 280, Least: 150, Most: 550,
		Flesh: loin, Bone: 0.12, Holding: 0.14, Plain: true, Class: safety.WholeMeat, Tender: 66, Juice: 68, Sugar: 0.1, Raw: rawPork, Source: fdcBelly},
	{ID: "pork-rib", Name: "pork rib", Plural: "pork ribs", Group: "Meat", Faces: topBottom, Form: Cylinder, Length: 4.5, Width: 1.6, Typical: 95, Least: 40, Most: 220,
		Flesh: rib, Bone: 0.20, Holding: 0.14, Renders: 0.4, Class: safety.WholeMeat, Tender: 85, Juice: 40, Sugar: 0.1, Raw: rawPork, Source: fdcBelly},
	{ID: "beef-cutlet", Name: "beef cutlet", Plural: "beef cutlets", Group: "Meat", Faces: topBottom, Form: Slab, Length: 11, Width: 7.5, Typical: 110, Least: 50, Most: 280,
		Flesh: beef, Holding: 0.16, Class: safety.WholeMeat, Tender: 64, Juice: 62, Sugar: 0.1, Raw: rawBeef, Source: fdcBelly},
	{ID: "meatball", Name: "meatball", Plural: "meatballs", Group: "Meat", Faces: topBottom, Form: Ellipsoid, Length: 1.05, Width: 1.05, Typical: 24, Least: 10, Most: 70,
		Flesh: mince, Holding: 0.10, Renders: 0.25, Class: safety.Minced, Tender: 72, Juice: 60, Sugar: 0.3, Raw: rawBeef, Source: mixture},
	{ID: "sausage", Name: "sausage", Plural: "sausages", Group: "Meat", Faces: leftRight, Form: Cylinder, Length: 5.0, Width: 1, Typical: 90, Least: 25, Most: 200,
		Flesh: sausages, Holding: 0.08, Renders: 0.25, Plain: true, Class: safety.Minced, Tender: 72, OutC: 97, Juice: 60, Sugar: 0.3, Raw: rawPork, Source: mixture},
	{ID: "patty", Name: "patty", Plural: "patties", Group: "Meat", Faces: topBottom, Form: Slab, Length: 4.3, Width: 4.3, Typical: 110, Least: 50, Most: 220,
		Flesh: mince, Holding: 0.10, Renders: 0.25, Plain: true, Class: safety.Minced, Tender: 72, Juice: 58, Sugar: 0.2, Raw: rawBeef, Source: mixture},
	{ID: "nugget", Name: "nugget", Plural: "nuggets", Group: "Formed and crumbed", Faces: topBottom, Form: Ellipsoid, Length: 3.2, Width: 2.2, Typical: 18, Least: 8, Most: 40,
		Flesh: formed, Holding: 0.06, Class: safety.MincedPoultry, Tender: 74, Juice: 55, Sugar: 0.3, Raw: rawFlesh, Source: mixture},
	{ID: "cheese-stick", Name: "cheese stick", Plural: "cheese sticks", Group: "Formed and crumbed", Faces: leftRight, Form: Cylinder, Length: 4.6, Width: 1, Typical: 28, Least: 12, Most: 60,
		Flesh: curdCheese, FleshCrispMm: 0.36, Holding: 0.02, Renders: 0.1, Class: safety.Plant, Molten: true, Tender: 56, OutC: 92, Juice: 30, Sugar: 0.3, Raw: rawWhite, Source: fdc + "; it stretches from 55 to 60 °C, and runs out as its water begins to boil"},
	{ID: "filled-roll", Name: "filled roll", Plural: "filled rolls", Group: "Formed and crumbed", Faces: leftRight, Form: Cylinder, Length: 3.8, Width: 1, Typical: 60, Least: 15, Most: 150,
		Flesh: rollFilling, SkinMm: 0.8, Skin: pastry, SkinWicks: 0.6, SkinCrispMm: 0.16, Holding: 0.04, Renders: 0.1, Class: safety.Stuffed, Tender: 74, OutC: 98.5, Juice: 50, Sugar: 0.6, Starchy: true, Raw: rawWhite, Source: mixture},
	{ID: "patty-poultry", Name: "chicken or turkey patty", Plural: "chicken or turkey patties", Group: "Formed and crumbed", Faces: topBottom, Form: Slab, Length: 4.3, Width: 4.3, Typical: 110, Least: 50, Most: 220,
		Flesh: birdMince, Holding: 0.10, Renders: 0.25, Plain: true, Class: safety.MincedPoultry, Tender: 74, Juice: 58, Sugar: 0.2, Raw: rawFlesh, Source: mixture},
	{ID: "meatball-poultry", Name: "chicken or turkey meatball", Plural: "chicken or turkey meatballs", Group: "Formed and crumbed", Faces: topBottom, Form: Ellipsoid, Length: 1.05, Width: 1.05, Typical: 24, Least: 10, Most: 70,
		Flesh: birdMince, Holding: 0.10, Renders: 0.25, Class: safety.MincedPoultry, Tender: 74, Juice: 58, Sugar: 0.2, Raw: rawFlesh, Source: mixture},
	{ID: "sausage-poultry", Name: "chicken or turkey sausage", Plural: "chicken or turkey sausages", Group: "Meat", Faces: leftRight, Form: Cylinder, Length: 5.0, Width: 1, Typical: 80, Least: 25, Most: 200,
		Flesh: birdMince, Holding: 0.08, Renders: 0.25, Plain: true, Class: safety.MincedPoultry, Tender: 74, OutC: 97, Juice: 60, Sugar: 0.3, Raw: rawFlesh, Source: mixture},
	{ID: "onion-ring", Name: "onion ring", Plural: "onion rings", Group: "Vegetables", Faces: leftRight, Form: Cylinder, Length: 18, Width: 1.4, Typical: 14, Least: 5, Most: 35,
		Flesh: onion, Class: safety.Plant, Tender: 92, Juice: 45, Sugar: 4, Starchy: true, Raw: rawWhite, Source: fdc},
	{ID: "potato-wedge", Name: "potato wedge", Plural: "potato wedges", Group: "Vegetables", Faces: leftRight, Form: Cylinder, Length: 4.0, Width: 1.3, Typical: 32, Least: 12, Most: 80,
		Flesh: potato, FleshCrispMm: 0.36, Class: safety.Plant, Tender: 92, Juice: 50, Sugar: 0.4, Starchy: true, Raw: rawRoot, Source: fdc},
	{ID: "potato-stick", Name: "chip", Plural: "chips", Group: "Vegetables", Faces: leftRight, Form: Slab, Length: 6.5, Width: 1, Typical: 7, Least: 2, Most: 30,
		Flesh: potato, FleshCrispMm: 0.36, Class: safety.Plant, Tender: 92, Juice: 20, Sugar: 0.4, Starchy: true, Piles: 1.6, Raw: rawRoot, Source: fdc},
	{ID: "potato-cube", Name: "potato cube", Plural: "potato cubes", Group: "Vegetables", Faces: leftRight, Form: Slab, Length: 1.15, Width: 1.1, Typical: 8, Least: 2, Most: 30,
		Flesh: potato, FleshCrispMm: 0.36, Class: safety.Plant, Tender: 92, Juice: 50, Sugar: 0.4, Starchy: true, Raw: rawRoot, Source: fdc},
	{ID: "potato-half", Name: "half potato", Plural: "half potatoes", Group: "Vegetables", Faces: topBottom, Form: Ellipsoid, Length: 2.2, Width: 1.7, Typical: 130, Least: 40, Most: 300,
		Flesh: potato, FleshCrispMm: 0.36, Plain: true, Class: safety.Plant, Tender: 92, Juice: 50, Sugar: 0.4, Starchy: true, Raw: rawRoot, Source: fdc},
	{ID: "cauliflower-floret", Name: "cauliflower floret", Plural: "cauliflower florets", Group: "Vegetables", Faces: leftRight, Form: Cylinder, Length: 2.6, Width: 1.3, Typical: 25, Least: 8, Most: 60,
		Flesh: brassica, FleshCrispMm: 0.36, Plain: true, Class: safety.Plant, Tender: 88, Juice: 40, Sugar: 2, Starchy: true, Raw: rawWhite, Source: fdc},
	{ID: "broccoli-floret", Name: "broccoli floret", Plural: "broccoli florets", Group: "Vegetables", Faces: leftRight, Form: Cylinder, Length: 3.2, Width: 1.2, Typical: 18, Least: 6, Most: 45,
		Flesh: brassica, FleshCrispMm: 0.36, Plain: true, Class: safety.Plant, Tender: 88, Juice: 40, Sugar: 1.5, Raw: rawGreen, Source: fdc},
	{ID: "mushroom", Name: "mushroom", Plural: "mushrooms", Group: "Vegetables", Faces: leftRight, Form: Ellipsoid, Length: 1.1, Width: 1.1, Typical: 18, Least: 6, Most: 60,
		Flesh: fungus, FleshCrispMm: 0.36, Plain: true, Class: safety.Plant, Tender: 85, Juice: 40, Sugar: 0.5, Raw: rawShell, Source: fdc},
	{ID: "courgette-stick", Name: "courgette stick", Plural: "courgette sticks", Group: "Vegetables", Faces: leftRight, Form: Slab, Length: 5.5, Width: 1.1, Typical: 14, Least: 5, Most: 40,
		Flesh: squash, FleshCrispMm: 0.36, Plain: true, Class: safety.Plant, Tender: 85, Juice: 40, Sugar: 1.5, Raw: rawGreen, Source: fdc},
	{ID: "aubergine-slice", Name: "aubergine slice", Plural: "aubergine slices", Group: "Vegetables", Faces: topBottom, Form: Slab, Length: 5.5, Width: 5.0, Typical: 40, Least: 15, Most: 90,
		Flesh: squash, FleshCrispMm: 0.36, Plain: true, Class: safety.Plant, Tender: 90, Juice: 35, Sugar: 1.5, Raw: rawShell, Source: fdc},
	{ID: "tofu-cube", Name: "tofu cube", Plural: "tofu cubes", Group: "Vegetables", Faces: leftRight, Form: Slab, Length: 1.2, Width: 1.1, Typical: 8.5, Least: 3, Most: 40,
		Flesh: curd, FleshCrispMm: 0.36, Class: safety.Plant, Hot: true, Juice: 50, Sugar: 0.2, Starchy: true, Raw: rawWhite, Source: fdc},
}
