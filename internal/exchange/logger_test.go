package exchange

import (
	"fmt"
	"math"
	"strings"
	"testing"
	"time"
)

func TestLoggersFilesAreRead(t *testing.T) {
	zone := time.FixedZone("", 3600)
	for _, c := range []struct {
		name, file string
		n          int
		lastS      float64
		lastC      float64
		begun      string // "" where the file does not say
		says       string
	}{
		{"seconds", "time (s),temperature (°C)\r\n0,5.1\r\n30,6.4\r\n600,61.5\r\n", 3, 600, 61.5, "", "seconds"},
		{"minutes, semicolons, decimal commas", "Zeit (min);Temp\n0;5,1\n0,5;6,4\n12,5;61,5\n", 3, 750, 61.5, "", "minutes"},
		{"°F in the head", "elapsed sec\ttemp °F\n0\t41\n60\t50\n", 2, 60, 10, "", "°F"},
		{"°F behind each", "0,41 F\n300,140 F\n", 2, 300, 60, "", "°F"},
		{"no head", "0,5\n200,50\n", 2, 200, 50, "", "seconds"},
		{"clock past midnight", "Time,Probe 1\n23:59:30,20\n00:00:30,21\n00:01:30,\n00:02:30,22.5\n", 3, 180, 22.5, "0000-01-01T23:59:30+01:00", "clock"},
		{"moments", "timestamp,core\n2026-11-20T18:00:00Z,5\n2026-11-20T18:00:10Z,---\n2026-11-20T18:00:20Z,6\n", 2, 20, 6, "2026-11-20T18:00:00Z", "One line has no reading"},
		{"day and time apart", "Date;Time;Temp\n20.11.2026;18:00:00;5,0\n20.11.2026;18:10:00;44,5\n", 2, 600, 44.5, "2026-11-20T18:00:00+01:00", "moments"},
		{"a preamble, out of order, twice", "Logger 7\nSerial,0042\n\nTime (s),Temp C\n60,20\n0,5\n60,20\n120,9999\n180,30\n", 3, 180, 30, "", "seconds"},
		{"a byte order mark and an old degree sign", "\xef\xbb\xbfsec,temp \xb0C\n0,5\n400,70\n", 2, 400, 70, "", "°C"},
	} {
		got, err := Logger([]byte(c.file), zone)
		if err != nil {
			t.Errorf("%s: %v", c.name, err)
			continue
		}
		if len(got.Reads) != c.n {
			t.Errorf("%s: %+v, want %d readings", c.name, got.Reads, c.n)
			continue
		}
		last := got.Reads[len(got.Reads)-1]
		if math.Abs(last.AfterS-c.lastS) > 1e-6 || math.Abs(last.C-c.lastC) > 0.01 || got.Reads[0].AfterS != 0 {
			t.Errorf("%s: ends with %+v after %+v", c.name, last, got.Reads[0])
		}
		begun := ""
		if got.Begun != nil {
			begun = got.Begun.Format(time.RFC3339)
		}
		if begun != c.begun || !strings.Contains(strings.Join(got.Says, " "), c.says) {
			t.Errorf("%s: begun %q, says %q", c.name, begun, got.Says)
		}
	}
}

func TestLoggersFilesThatCannotBe(t *testing.T) {
	for name, file := range map[string]string{"empty": "", "one column": "5\n6\n7\n", "no figures": "time,temp\nnow,warm\nlater,hot\n", "mixed times": "time,temp\n1,5\nnoon,6\n", "a page": "<html><body>no</body></html>"} {
		if got, err := Logger([]byte(file), time.UTC); err == nil {
			t.Errorf("%s is read as %+v", name, got)
		}
	}
}

func TestAThousandReadingsAreThinned(t *testing.T) {
	var b strings.Builder
	b.WriteString("time (s),temp\n")
	for i := range 20_000 {
		fmt.Fprintf(&b, "%d,%.1f\n", i, 5+float64(i)/300)
	}
	got, err := Logger([]byte(b.String()), time.UTC)
	if err != nil || len(got.Reads) > mostKept || len(got.Reads) < mostKept/2 || !strings.Contains(strings.Join(got.Says, " "), "5th") {
		t.Errorf("%d readings of 20,000, %v, %v", len(got.Reads), got.Says, err)
	}
}

func FuzzLogger(f *testing.F) {
	for _, s := range []string{"time,temp\n0,5\n60,6\n", "a;b\n1;2,5\n2;3,5\n", "\xff\xfe,\n", "23:59,1\n00:01,2\n"} {
		f.Add([]byte(s))
	}
	f.Fuzz(func(t *testing.T, raw []byte) {
		got, err := Logger(raw, time.UTC)
		if err != nil {
			return
		}
		for i, r := range got.Reads {
			if math.IsNaN(r.C) || r.C < coldest || r.C > hottest || i > 0 && r.AfterS <= got.Reads[i-1].AfterS {
				t.Errorf("%q: reading %d is %+v", raw, i, r)
			}
		}
	})
}
