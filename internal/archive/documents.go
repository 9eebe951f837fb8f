package archive

import (
	"fmt"
	"slices"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
	"velocrustum/core/sheet"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

// An archivedDish is a kept dish: the contract's Plan. Archives of before there
// were lots have the short form.
type archivedDish struct {
	Bench         *prep.Bench    `json:"bench,omitempty"`
	ChangedAt     time.Time      `json:"changedAt"`
	Coat          *load.Covering `json:"coat,omitempty"`
	FryerID       string         `json:"fryerId"`
	Groups        []load.Group   `json:"groups,omitempty"`
	ID            string         `json:"id"`
	Load          load.Pieces    `json:"load,omitzero"`
	Lots          []prep.DishLot `json:"lots,omitempty"`
	Name          string         `json:"name"`
	PerBasket     *int           `json:"perBasket,omitempty"`
	Program       load.Program   `json:"program"`
	SecondFryerID *string        `json:"secondFryerId,omitempty"`
	Drawer        *string        `json:"drawer,omitempty"`
	BesideID      *string        `json:"besideId,omitempty"`
	Ready         *string        `json:"ready,omitempty"`
	TableTime     *string        `json:"tableTime,omitempty"`
	Version       int            `json:"version"`
}

func dishOf(p store.Plan) archivedDish {
	return archivedDish{ID: p.ID, Name: p.Name, FryerID: p.FryerID, Lots: p.Lots.V, Program: p.Program.V, Bench: &p.Bench.V,
		TableTime: p.TableTime, PerBasket: p.PerBasket, SecondFryerID: p.SecondFryerID, Drawer: p.Drawer, BesideID: p.BesideID, Ready: p.Ready, Version: p.Version, ChangedAt: p.ChangedAt.Time}
}

func (d archivedDish) plan() store.Plan {
	p := store.Plan{ID: d.ID, Name: d.Name, FryerID: d.FryerID, TableTime: d.TableTime, PerBasket: d.PerBasket, SecondFryerID: d.SecondFryerID, Drawer: d.Drawer, BesideID: d.BesideID, Ready: d.Ready}
	asked := prep.Asked{Lots: d.Lots, Load: d.Load, Coat: d.Coat, Groups: d.Groups, Bench: d.Bench, Program: d.Program}.InLots()
	p.Lots.V, p.Bench.V, p.Program.V = asked.Lots, orElse(asked.Bench, prep.Bench{}), asked.Program
	return p
}

// An archived session is one dish in all its baskets, or a supper, as an
// archive has it.
type archivedSession struct {
	ID        string          `json:"id"`
	StartedAt time.Time       `json:"startedAt"`
	Supper    *archivedSupper `json:"supper,omitempty"`
	Cooks     []archivedCook  `json:"cooks"`
}

type archivedSupper struct {
	Name       string      `json:"name"`
	SupperID   *string     `json:"supperId,omitempty"`
	Hands      int         `json:"hands"`
	FinishedAt *time.Time  `json:"finishedAt"`
	Sheet      sheet.Sheet `json:"sheet"`
	Said       []cook.Said `json:"said"`
}

type archivedCook struct {
	ID         string            `json:"id"`
	PlanID     *string           `json:"planId,omitempty"`
	DishID     string            `json:"dishId,omitempty"` // of the supper's sheet
	Name       string            `json:"name"`
	Basket     int               `json:"basket"`
	Baskets    int               `json:"baskets"`
	StartedAt  time.Time         `json:"startedAt"`
	FinishedAt *time.Time        `json:"finishedAt"`
	Guidance   safety.Guidance   `json:"guidance"`
	GuidanceC  float64           `json:"guidanceC"`
	Dish       store.Plan        `json:"dish"`
	Fryer      store.OwnFryer    `json:"fryer"`
	LeftOut    bool              `json:"leftOut,omitempty"`
	Likes      load.Likes        `json:"likes,omitzero"`
	Events     []cook.Event      `json:"events"`
	Planned    answered          `json:"planned"`
	Forecast   answered          `json:"forecast"`
	Outcome    outcome           `json:"outcome"`
	Pictures   []archivedPicture `json:"pictures,omitempty"`
}

type archivedPicture struct {
	ID      string    `json:"id"`
	Alt     string    `json:"alt"`
	AddedAt time.Time `json:"addedAt"`
}

// answered is what came of a cook; of archives from before there were lots, with
// the kinds in its basket as groups.
type answered struct {
	verdict.Answer
	Groups []verdict.LotAnswer `json:"groups,omitempty"`
}

func (a answered) now() verdict.Answer {
	if len(a.Answer.Lots) == 0 {
		a.Answer.Lots = a.Groups
	}
	return a.Answer
}

// An outcome is how a cook was, as it was rated.
type outcome struct {
	Change *string `json:"change,omitempty"`
	Crust  *string `json:"crust,omitempty"`
	Inside *string `json:"inside,omitempty"`
	Note   *string `json:"note,omitempty"`
	// Lots are how each lot was, where there are several.
	Lots []cook.Rating `json:"lots,omitempty"`
}

func archived(o store.Session) archivedSession {
	out := archivedSession{ID: o.ID, StartedAt: o.StartedAt.Time, Cooks: []archivedCook{}}
	if o.Led {
		out.Supper = &archivedSupper{Name: o.Name, SupperID: o.SupperID, Hands: o.Hands, FinishedAt: momentOf(o.FinishedAt), Sheet: o.Sheet.V, Said: orEmpty(o.Said)}
	}
	for _, c := range o.Cooks {
		one := archivedCook{ID: c.ID, PlanID: c.PlanID, DishID: c.DishID, LeftOut: c.LeftOut, Likes: c.Likes.V, Name: c.Name, Basket: c.Basket, Baskets: c.Baskets, StartedAt: c.StartedAt.Time, FinishedAt: momentOf(c.FinishedAt),
			Guidance: c.Guidance, GuidanceC: c.GuidanceC, Dish: c.Plan.V, Fryer: c.Fryer.V, Events: orEmpty(c.Events), Planned: answered{Answer: c.Planned.V}, Forecast: answered{Answer: c.Forecast.V}, Outcome: outcome{Crust: c.Crust, Inside: c.Inside, Note: c.Note, Change: c.ChangeNext, Lots: c.Ratings.V}}
		for _, p := range o.Pictures[c.ID] {
			one.Pictures = append(one.Pictures, archivedPicture{p.ID, p.Alt, p.AddedAt.Time})
		}
		out.Cooks = append(out.Cooks, one)
	}
	return out
}

func momentOf(t *store.Time) *time.Time {
	if t == nil {
		return nil
	}
	return &t.Time
}

func orEmpty[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}

// checked is a session if it can have been.
func (o archivedSession) checked() (out store.Session, err error) {
	if len(o.Cooks) == 0 || o.StartedAt.IsZero() {
		return out, refuse.One("cooks", fmt.Sprint(len(o.Cooks)), "one or more, and when they began")
	}
	out.ID, out.StartedAt = o.ID, store.Time{Time: o.StartedAt}
	if s := o.Supper; s != nil {
		if s.FinishedAt == nil || s.FinishedAt.Before(o.StartedAt) || s.Hands < 1 {
			return out, refuse.One("supper.finishedAt", fmt.Sprint(s.FinishedAt), "a moment after it began, and one pair of hands or more")
		}
		out.Led, out.Name, out.SupperID, out.Hands, out.FinishedAt, out.Said = true, s.Name, s.SupperID, s.Hands, &store.Time{Time: *s.FinishedAt}, s.Said
		out.Sheet.V = s.Sheet
	}
	for i, c := range o.Cooks {
		one, err := c.checked(fmt.Sprintf("cooks[%d].", i))
		if err != nil {
			return out, err
		}
		out.Cooks = append(out.Cooks, one)
	}
	return out, nil
}

// aDay is how far from its cook something said of it may lie.
const aDay = 24 * time.Hour

// checked is a cook if it can have been.
func (c archivedCook) checked(at string) (out store.Cook, err error) {
	cut, known := "none", len(c.Dish.Lots.V) > 0
	for _, lot := range c.Dish.Lots.V {
		if _, err := food.FindCut(lot.Load.Cut); err != nil {
			cut, known = lot.Load.Cut, false
		}
	}
	said := c.Outcome
	switch {
	case c.ID == "" || len(c.ID) > 100 || c.Name == "":
		return out, refuse.One(at+"id", fmt.Sprintf("%q", c.ID), "an id, and a name")
	case c.FinishedAt == nil || c.FinishedAt.Before(c.StartedAt):
		return out, refuse.One(at+"finishedAt", fmt.Sprint(c.FinishedAt), "a moment after it began")
	case !known:
		return out, refuse.One(at+"dish.lots.load.cut", cut, "a cut that is known here")
	case len(c.Dish.Program.V.Stages) == 0:
		return out, refuse.One(at+"dish.program.stages", "none", "one or more")
	case c.Basket < 1 || c.Baskets < c.Basket:
		return out, refuse.One(at+"basket", fmt.Sprintf("%d of %d", c.Basket, c.Baskets), "from 1 on, up to their number")
	case !slices.Contains(safety.Guidances, c.Guidance):
		return out, refuse.One(at+"guidance", string(c.Guidance), "us, uk or stricter")
	case c.Likes.Check() != nil:
		return out, refuse.Under(at, c.Likes.Check())
	case said.Crust != nil && *said.Crust != "" && !slices.Contains(cook.CrustRatings, *said.Crust):
		return out, refuse.One(at+"outcome.crust", *said.Crust, "pale, soft, good, hard or burnt")
	case said.Inside != nil && *said.Inside != "" && !slices.Contains(cook.InsideRatings, *said.Inside):
		return out, refuse.One(at+"outcome.inside", *said.Inside, "raw, juicy, good or dry")
	case cook.CheckRatings(said.Lots, len(c.Dish.Lots.V)) != nil:
		return out, refuse.Under(at+"outcome.", cook.CheckRatings(said.Lots, len(c.Dish.Lots.V)))
	case len(orElse(said.Note, ""))+len(orElse(said.Change, "")) > 16000:
		return out, refuse.One(at+"outcome.note", "longer", "up to 2000 letters")
	}
	for _, a := range []verdict.Answer{c.Planned.now(), c.Forecast.now()} {
		if len(a.Timeline) == 0 {
			return out, refuse.One(at+"forecast.timeline", "empty", "one moment or more")
		}
	}
	for j, e := range c.Events {
		where := fmt.Sprintf("%sevents[%d].", at, j)
		limit, figure := cook.Limits[e.Kind]
		switch {
		case !slices.Contains(cook.Kinds, e.Kind):
			return out, refuse.One(where+"kind", e.Kind, "what can be said of a cook")
		case e.ID == "" || e.At.IsZero():
			return out, refuse.One(where+"at", fmt.Sprint(e.At), "a moment, and an id")
		case e.At.Before(c.StartedAt.Add(-aDay)), e.At.After(c.FinishedAt.Add(aDay)):
			return out, refuse.One(where+"at", e.At.Format(time.RFC3339), "a moment of its cook")
		case !e.Placed():
			return out, refuse.One(where+"where", e.Where, "front or back, of a look")
		case figure && !(e.Value >= limit.Min && e.Value <= limit.Max):
			return out, refuse.One(where+"value", fmt.Sprint(e.Value), fmt.Sprintf("%g to %g", limit.Min, limit.Max))
		}
	}
	out = store.Cook{ID: c.ID, PlanID: c.PlanID, DishID: c.DishID, LeftOut: c.LeftOut, Name: c.Name, Basket: c.Basket, Baskets: c.Baskets, StartedAt: store.Time{Time: c.StartedAt}, FinishedAt: &store.Time{Time: *c.FinishedAt},
		Guidance: c.Guidance, GuidanceC: c.GuidanceC, Events: c.Events, Crust: said.Crust, Inside: said.Inside, Note: said.Note, ChangeNext: said.Change, Ratings: store.JSON[[]cook.Rating]{V: said.Lots}}
	out.Likes.V = c.Likes
	out.Plan.V, out.Fryer.V, out.Planned.V, out.Forecast.V = c.Dish, c.Fryer, c.Planned.now(), c.Forecast.now()
	return out, nil
}
