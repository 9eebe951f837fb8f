package food

// A fridge's air, °C, and how cold food comes: out of it, warmer by a degree on the
// way to the rack, of a freezer or of the room. There is ice in what is no warmer
// than FrozenUnderC.
const (
	FridgeC       = 4.0
	OutOfFridgeC  = 5.0
	OutOfFreezerC = -18.0
	OutOfRoomC    = 20.0
	FrozenUnderC  = -2.0
)
