package food

// A fridge's air where nobody measured it, °C, and how cold food comes: out of it, warmer
// by a degree on the way to the rack, of a freezer or of the room. There is ice in what
// is no warmer than FrozenUnderC.
const (
	FridgeC       = 4.0
	WarmerOutC    = 1.0
	OutOfFridgeC  = FridgeC + WarmerOutC
	OutOfFreezerC = -18.0
	OutOfRoomC    = 20.0
	FrozenUnderC  = -2.0
)

// WarmFridgeC is from where a fridge is too warm for raw meat, poultry and fish, °C:
// agencies ask for 4 or 5 at the most.
const WarmFridgeC = 5.0
