package session

import (
	"context"
	"errors"
	"fmt"
	"hash/fnv"
	"slices"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/cook"
	"velocrustum/core/learn"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
	"velocrustum/core/sheet"
	"velocrustum/internal/store"
	"velocrustum/internal/work"
)

// learnAfter is how long after something changed it is learnt from: what changes with it
// comes within that.
const learnAfter = 300 * time.Millisecond

// stir says that something changed that may teach something.
func (s *Sessions) stir() {
	select {
	case s.stirred <- struct{}{}:
	default: // it is going to be looked at
	}
}

// KeepLearning learns from what is there, and again whenever it is stirred, until the
// context ends. What goes wrong is told, and tried again with the next change.
func (s *Sessions) KeepLearning(ctx context.Context, wrong func(error)) {
	s.Store.OnChange(s.stir)
	for {
		if err := s.Learn(ctx); err != nil && ctx.Err() == nil {
			wrong(err)
		}
		select {
		case <-ctx.Done():
			return
		case <-s.stirred:
		}
		select {
		case <-ctx.Done():
			return
		case <-time.After(learnAfter):
		}
	}
}

// Learn makes anew what of each cook's teaching is stale, the latest first, and what all
// show of each fryer.
func (s *Sessions) Learn(ctx context.Context) error {
	s.learning.Lock()
	defer s.learning.Unlock()
	all, err := s.Store.Teachings(ctx, learn.Revision)
	if err != nil {
		return err
	}
	for i := len(all) - 1; i >= 0; i-- {
		if t := &all[i]; t.Stale() {
			if err := s.teach(ctx, t); err != nil {
				return err
			}
		}
	}
	fryers, err := s.Store.Fryers(ctx)
	if err != nil {
		return err
	}
	if err := s.Store.KeepLiked(ctx, likedBy(all)); err != nil {
		return err
	}
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return err
	}
	of := fingerprint(all, fryers, set, s.Clock.Now())
	if of == s.learntOf {
		return nil
	}
	for _, f := range fryers {
		by := map[string]*load.Learnt{}
		for _, drawer := range drawersOf(f) {
			known, ok, err := s.knownOf(ctx, f, drawer, all)
			if err != nil {
				return err
			}
			if ok {
				by[drawer] = &known.Learnt
			}
		}
		if err := s.Store.KeepLearnt(ctx, f.ID, by); err != nil {
			return err
		}
	}
	s.learntOf = of
	return nil
}

// likedBy is what all ratings show, but for those of cooks that are left out.
func likedBy(all []store.Teaching) learn.Liked {
	var rated []learn.Rated
	for _, t := range all {
		if !t.LeftOut && t.Score != nil {
			rated = append(rated, t.Score.V.Rated...)
		}
	}
	return learn.LikedBy(rated)
}

// ratedOf are the lots of a cook that were rated, by its last forecast.
func ratedOf(c store.Cook, l *load.Load) (out []learn.Rated) {
	for k, o := range outcomes(c) {
		a := c.Forecast.V
		if k < len(a.Lots) {
			a = a.Lots[k].Answer
		}
		if o.Crust == "" || len(a.Timeline) == 0 || k >= len(l.Lots) {
			continue
		}
		end := a.Timeline[len(a.Timeline)-1]
		one := learn.Rated{Crust: o.Crust, Browning: [2]float64{end.Paler(), end.Browner()}}
		if l.Lots[k].Outside() == "crisp" {
			one.Crisp = new(a.End.Crust)
		}
		out = append(out, one)
	}
	return out
}

// fingerprint tells whether there is something else to learn from: cooks fade by the day.
func fingerprint(all []store.Teaching, fryers []store.OwnFryer, set store.Settings, now time.Time) string {
	h := fnv.New128a()
	fmt.Fprintln(h, set.ThermometerC, set.AboveSeaM) // of measured runs
	for _, t := range all {
		fmt.Fprintln(h, t.CookID, t.MadeOf, t.LeftOut)
	}
	for _, f := range fryers {
		fmt.Fprintln(h, f.ID, f.Version)
	}
	return fmt.Sprintf("%s %x", now.Format(time.DateOnly), h.Sum(nil))
}

// drawersOf are the drawers of a fryer that are learnt by themselves, "" for the whole.
func drawersOf(f store.OwnFryer) []string {
	if f.Drawers == 2 {
		return []string{"", load.Left, load.Right}
	}
	return []string{""}
}

// taughtBy are the cooks of a fryer's drawer, "" for both together, the oldest first, as
// learning takes them.
func (s *Sessions) taughtBy(ctx context.Context, f store.OwnFryer, drawer string, all []store.Teaching) (of []store.Teaching, cooks []learn.Cook, err error) {
	runs, err := s.measured(ctx, f)
	if err != nil {
		return nil, nil, err
	}
	all = slices.Concat(all, runs)
	slices.SortStableFunc(all, func(a, b store.Teaching) int { return a.StartedAt.Compare(b.StartedAt.Time) })
	changed := slices.Clone(f.Changed)
	slices.SortFunc(changed, func(a, b store.Time) int { return a.Compare(b.Time) })
	since := func(t time.Time) (some bool) {
		for len(changed) > 0 && !changed[0].After(t) {
			changed, some = changed[1:], true
		}
		return some
	}
	now := s.Clock.Now()
	for _, t := range all {
		if sheet.FryerOf(t.FryerID) != f.ID || t.Drawer != drawer || t.Sites == nil {
			continue
		}
		of = append(of, t)
		cooks = append(cooks, learn.Cook{Sites: t.Sites.V, Days: max(0, now.Sub(t.StartedAt.Time).Hours()/24), LeftOut: t.LeftOut, Measured: t.Run > 0 && !t.Potato, Changed: since(t.StartedAt.Time)})
	}
	if since(now) {
		cooks = append(cooks, learn.Cook{Changed: true})
	}
	return of, cooks, nil
}

// knownOf is what cooks show of a fryer's drawer. ok is false where they show nothing.
func (s *Sessions) knownOf(ctx context.Context, f store.OwnFryer, drawer string, all []store.Teaching) (k learn.Known, ok bool, err error) {
	_, cooks, err := s.taughtBy(ctx, f, drawer, all)
	if err != nil || len(cooks) == 0 {
		return k, false, err
	}
	told := f.Told().Fryer
	if drawer != "" {
		told = *told.In(drawer)
	}
	m, err := load.MachineOf(told)
	if err != nil {
		return k, false, err
	}
	k, ok = learn.From(&m, cooks)
	return k, ok, nil
}

// LearntNow is what cooks and measured runs show of a fryer as it is told, also where it
// is not kept so yet; nil where they show nothing.
func (s *Sessions) LearntNow(ctx context.Context, f store.OwnFryer) (*load.Learnt, error) {
	all, err := s.Store.Teachings(ctx, learn.Revision)
	if err != nil {
		return nil, err
	}
	k, ok, err := s.knownOf(ctx, f, "", all)
	if err != nil || !ok {
		return nil, err
	}
	return &k.Learnt, nil
}

// teach makes what a cook says, and how right what was foretold of it was. One that the
// engine cannot take any more says nothing.
func (s *Sessions) teach(ctx context.Context, t *store.Teaching) error {
	c, l, err := s.Led(ctx, t.CookID)
	if errors.Is(err, store.ErrNotFound) {
		return nil
	} else if err != nil {
		return err
	}
	seen, err := s.Seen(ctx, c, l)
	if err != nil {
		return err
	}
	t.Sites, t.Score = &store.JSON[[]belief.Site]{V: []belief.Site{}}, &store.JSON[store.Score]{V: scoreOf(c, seen)}
	if _, went := l.LoadedAt(); went && teaches(l) {
		set, err := s.Store.Settings(ctx)
		if err != nil {
			return err
		}
		q := c.Request(set.Units())
		q.Program, q.Larder = l.Actual(), l.Larder
		if whole, err := load.Of(q); err == nil { // else it says nothing, as below
			t.Score.V.Rated = ratedOf(c, whole)
		}
		sites, err := belief.SitesOf(s.Places.GivingWay(ctx, work.LearningWaits), q, seen, outcomes(c))
		var fields refuse.Fields
		if err != nil && !errors.As(err, &fields) {
			return err
		}
		if sites != nil {
			t.Sites.V = sites
		}
	}
	t.Had = t.MadeOf
	return s.Store.KeepTeaching(ctx, *t)
}

// teaches says whether a cook may say something of its fryer: one that went through
// another as well says it of neither.
func teaches(l cook.Live) bool {
	return !slices.ContainsFunc(l.Program.Stages, func(st load.Stage) bool { return st.FryerID != "" || st.Fryer != nil })
}

// outcomes are how the lots of a cook came out.
func outcomes(c store.Cook) (out []belief.Outcome) {
	said := func(p *string) string {
		if p == nil {
			return ""
		}
		return *p
	}
	for _, r := range c.Ratings.V {
		out = append(out, belief.Outcome{Crust: r.Crust, Inside: r.Inside})
	}
	if len(out) == 0 {
		out = append(out, belief.Outcome{Crust: said(c.Crust), Inside: said(c.Inside)})
	}
	return out
}

// scoreOf holds what was read of a cook's first lot against what was foretold of it
// beforehand.
func scoreOf(c store.Cook, seen []belief.Evidence) (out store.Score) {
	a := c.Planned.V
	if len(a.Lots) > 0 {
		a = a.Lots[0].Answer
	}
	if a.Chance == nil || len(a.Chance.Core) == 0 || len(a.Timeline) == 0 {
		return out
	}
	for _, e := range seen {
		if e.Kind != belief.SeenProbe || e.Lot != 0 {
			continue
		}
		band := a.Chance.Core[min(len(a.Chance.Core)-1, int(2*e.AtMin+0.5))]
		out.Readings = append(out.Readings, store.Foretold{Minute: run.Hundredth(e.AtMin), ReadC: e.C, C: run.FirstFrom(a.Timeline, e.AtMin).CoreC, LowC: band.LowC, HighC: band.HighC})
		by := a.Chance.SafeByMin
		if by == nil {
			continue
		}
		switch {
		case e.C < a.Rule.CoreC && e.AtMin >= *by:
			out.Held = new(false)
		case e.C >= a.Rule.CoreC && e.AtMin <= *by && out.Held == nil:
			out.Held = new(true)
		}
	}
	return out
}
