package api

import ()

import ()

// Worked is how often what is foreseen of a cook was worked out.
func (a *App) Worked() int { return a.own.sessions.Worked() }
