package session_test

import (
	"velocrustum/internal/api/apitest"
)

type kitchen = apitest.Kitchen

var (
	newKitchen, emptyKitchen    = apitest.New, apitest.Empty
	begun, tap, until, oneOut   = apitest.Begun, apitest.Tap, apitest.Until, apitest.OneOut
	cardNight, body             = apitest.CardNight, apitest.Body
	drumsticks                  = apitest.Drumsticks
	readRecipe                  = apitest.ReadRecipe
	takenAway, bring, documents = apitest.TakenAway, apitest.Bring, apitest.Documents
	opened                      = apitest.Opened
)

const wings = apitest.Wings

func get[T any](k *kitchen, status int, method, path, body string, header ...string) T {
	k.T.Helper()
	return apitest.Get[T](k, status, method, path, body, header...)
}
