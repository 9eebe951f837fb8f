package units

import "testing"

func TestWords(t *testing.T) {
	for _, c := range []struct{ got, want string }{
		{Celsius.Words(73.9), "74 °C"},
		{Fahrenheit.Words(73.9), "165 °F"},
		{Fahrenheit.Words(0), "32 °F"},
		{Celsius.Words(-0.2), "0 °C"},
		{Celsius.AtLeast(73.9), "74 °C"},
		{Celsius.AtMost(73.8), "73 °C"},
		{Fahrenheit.AtLeast(73.9), "165 °F"},
		{Fahrenheit.AtMost(73.9), "165 °F"},
		{Fahrenheit.AtMost(73.8), "164 °F"},
		{Fahrenheit.AtLeast(76.7), "170 °F"},
		{Fahrenheit.AtMost(76.6), "169 °F"},
		{Count(0), "no"},
		{Count(11), "eleven"},
		{Count(13), "13"},
		{Minutes(0.5), "half a minute"},
		{Minutes(12), "12 min"},
		{Minutes(7.5), "7.5 min"},
	} {
		if c.got != c.want {
			t.Errorf("%q, want %q", c.got, c.want)
		}
	}
}
