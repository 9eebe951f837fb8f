package api_test

import (
	"velocrustum/internal/api/apitest"
)

type kitchen = apitest.Kitchen

var (
	newKitchen, emptyKitchen    = apitest.New, apitest.Empty
	begun, tap, oneOut          = apitest.Begun, apitest.Tap, apitest.OneOut
	cardNight, body             = apitest.CardNight, apitest.Body
	drumsticks, planned, start  = apitest.Drumsticks, apitest.Planned, apitest.Start
	readRecipe                  = apitest.ReadRecipe
	takenAway, bring, documents = apitest.TakenAway, apitest.Bring, apitest.Documents
	unpacked, sendArchive       = apitest.Unpacked, apitest.SendArchive
	opened                      = apitest.Opened
)

const wings = apitest.Wings

func get[T any](k *kitchen, status int, method, path, body string, header ...string) T {
	k.T.Helper()
	return apitest.Get[T](k, status, method, path, body, header...)
}
