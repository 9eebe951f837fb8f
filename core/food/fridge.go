package food

// A fridge's air, and what food has that comes out of it and is put on the
// rack: it warms by a degree on the way. °C.
const (
	FridgeC      = 4.0
	OutOfFridgeC = 5.0
)
