package food

// A Ruler is where a piece is measured: At is how far along it, from its thick end,
// as a share of its length.
type Ruler struct {
	At   float64
	Says string
}

// rulers are for cuts whose time goes by their thickness more than by their weight.
var rulers = map[string]Ruler{
	"chicken-breast-whole":       {0.32, "across the fat end, a third of the way along, lying flat"},
	"chicken-breast-butterflied": {0.5, "through the middle of the thicker half"},
	"chicken-breast-cutlet":      {0.4, "where it stands highest, lying flat"},
	"chicken-tenderloin":         {0.35, "across its thick end"},
	"chicken-thigh-boneless":     {0.5, "through the middle, lying as it will in the basket"},
	"chicken-half":               {0.35, "from the board to the top of the breast"},
	"chicken-whole":              {0.4, "from the board to the top of the breast, the bird on its back"},
	"chicken-breast-chunk":       {0.5, "the shortest way through a large one"},
	"chicken-thigh-chunk":        {0.5, "the shortest way through a large one"},
	"fish-fillet-white":          {0.35, "at the thick end, down to the board"},
	"fish-fillet-oily":           {0.35, "at the thick end, down to the board"},
	"salmon-fillet-skin":         {0.4, "at its highest, down to the skin"},
	"fish-strip":                 {0.5, "across its narrower side"},
	"fish-cake":                  {0.5, "through the middle"},
	"fish-whole":                 {0.35, "across the back behind the head, lying on its side"},
	"pork-loin-cutlet":           {0.5, "through the middle"},
	"pork-chop":                  {0.5, "through the middle, lying flat"},
	"pork-chop-bone-in":          {0.5, "through the meat beside the bone"},
	"pork-belly-slice":           {0.5, "across a slice"},
	"beef-cutlet":                {0.5, "where it is thickest"},
	"patty":                      {0.5, "through the middle"},
	"patty-poultry":              {0.5, "through the middle"},
	"nugget":                     {0.5, "through the middle of a large one"},
	"meatball":                   {0.5, "across the middle"},
	"meatball-poultry":           {0.5, "across the middle"},
	"sausage":                    {0.5, "across the middle"},
	"sausage-poultry":            {0.5, "across the middle"},
	"potato-stick":               {0.5, "across one, its narrower side"},
	"potato-cube":                {0.5, "the shortest side of a large one"},
	"potato-wedge":               {0.5, "across its back, at the thickest"},
	"potato-half":                {0.5, "from the cut face to its highest"},
	"cauliflower-floret":         {0.7, "through the stem"},
	"broccoli-floret":            {0.7, "through the stem"},
	"courgette-stick":            {0.5, "across one, its narrower side"},
	"aubergine-slice":            {0.5, "across a slice"},
	"tofu-cube":                  {0.5, "its shortest side"},
	"cheese-stick":               {0.5, "across the middle"},
	"filled-roll":                {0.5, "across the middle"},
}

// Ruler is where the cut is measured, and whether that is to be asked first.
func (c Cut) Ruler() (Ruler, bool) {
	r, first := rulers[c.ID]
	return r, first
}
