"""Arcs: by their ends, about a centre, going on from an end."""

from collections.abc import Collection, Sequence
from typing import Any

from ...angles import unit_vector
from ...construct import arcs
from ...construct.arcs import Vector
from ...figures import Arc, Ellipse, Outline, Piece, Point
from ...figures.along import heading
from ...problem import refusal
from ..kind import Drag, GivenSpec, Kind
from ..planner import Plan, Planner
from ..tree import Statement
from .bindings import Draw, Facts, Outcome, check_words, plan_facts, stated, value, words_of
from .given import needs, too_many
from .touching_arcs import plan_touching_arc
from .until import runs_to


def plan_arc(p: Planner, statement: Statement) -> Plan:
    """An arc; the words that are given say which construction it is."""
    if any(g.word == "touching" for g in statement.givens):
        return plan_touching_arc(p, statement, tip)
    check_words(statement, {})
    words = frozenset(words_of(statement))
    draw = _CONSTRUCTIONS.get(words)
    if draw is None:
        raise _does_not_fit(statement, words)
    return plan_facts(p, statement, draw, lambda arc: arc.end)


def _does_not_fit(statement: Statement, words: frozenset[str]) -> Exception:
    """Too few givens, with what would complete them; or one too many, beside those that suffice."""
    more = [sorted(c - words) for c in _CONSTRUCTIONS if words < c]
    if more:
        least = min(map(len, more))
        could = list(dict.fromkeys(" and ".join(m) for m in more if len(m) == least))
        return needs(statement, *could, more=least)
    for given in reversed(statement.givens):
        rest = words - {given.word}
        if any(rest <= c for c in _CONSTRUCTIONS):
            return too_many(statement, given, sorted(rest))
    return too_many(statement, statement.givens[-1], sorted(words - {statement.givens[-1].word}))


def _to_direction(f: Facts, centre: Point, start: Point) -> Arc:
    """Counter-clockwise where nothing is stated."""
    return arcs.about_to(centre, start, value(f, "to"), "clockwise" in stated(f))


def _start_on_rim(f: Facts) -> Point:
    return arcs.on_rim(value(f, "centre"), value(f, "radius"), value(f, "at"))


def tip(f: Facts) -> tuple[Point, Vector]:
    """Where the figure that is continued ends, and the direction in which it leaves there."""
    fact = next(x for x in f if x.word == "continuing")
    figure: Any = fact.values[0]
    at_start = "start" in fact.sides
    if isinstance(figure, Outline):
        figure = figure.pieces[0] if at_start else figure.pieces[-1]
    if not isinstance(figure, Piece) or (isinstance(figure, Ellipse) and figure.whole):
        raise refusal("no_tip", fact.given.start, fact.given.end)
    return (figure.start if at_start else figure.end), heading(figure, at_start)


def _direction(f: Facts) -> Vector:
    return unit_vector(value(f, "direction"))


def _sides_but_start(f: Facts) -> tuple[str, ...]:
    """`start` says which end is continued, not which arc is meant."""
    return tuple(side for side in stated(f) if side not in ("start", "end"))


_CONSTRUCTIONS: dict[frozenset[str], Draw] = {
    frozenset({"from", "via", "to"}): lambda f: arcs.via(value(f, "from"), value(f, "via"), value(f, "to")),
    frozenset({"from", "to", "radius"}): lambda f: Outcome(
        arcs.by_radius(value(f, "from"), value(f, "to"), value(f, "radius")), stated(f)
    ),
    frozenset({"from", "to", "rise"}): lambda f: Outcome(
        arcs.by_rise(value(f, "from"), value(f, "to"), value(f, "rise")), stated(f)
    ),
    frozenset({"from", "to", "sweep"}): lambda f: arcs.by_sweep(value(f, "from"), value(f, "to"), value(f, "sweep")),
    frozenset({"from", "to", "direction"}): lambda f: arcs.leaving_to(value(f, "from"), _direction(f), value(f, "to")),
    frozenset({"from", "direction", "radius", "sweep"}): lambda f: arcs.leaving_radius(
        value(f, "from"), _direction(f), value(f, "radius"), value(f, "sweep")
    ),
    frozenset({"centre", "from", "sweep"}): lambda f: arcs.about(value(f, "centre"), value(f, "from"), value(f, "sweep")),
    frozenset({"centre", "from", "to"}): lambda f: _to_direction(f, value(f, "centre"), value(f, "from")),
    frozenset({"centre", "radius", "at", "sweep"}): lambda f: arcs.about(value(f, "centre"), _start_on_rim(f), value(f, "sweep")),
    frozenset({"centre", "radius", "at", "to"}): lambda f: _to_direction(f, value(f, "centre"), _start_on_rim(f)),
    frozenset({"centre", "from", "until"}): lambda f: Outcome(
        arcs.about_until(value(f, "centre"), value(f, "from"), runs_to(f)), stated(f)
    ),
    frozenset({"centre", "radius", "at", "until"}): lambda f: Outcome(
        arcs.about_until(value(f, "centre"), _start_on_rim(f), runs_to(f)), stated(f)
    ),
    frozenset({"from", "direction", "radius", "until"}): lambda f: Outcome(
        arcs.leaving_until(value(f, "from"), _direction(f), value(f, "radius"), runs_to(f)), stated(f)
    ),
    frozenset({"continuing", "radius", "until"}): lambda f: Outcome(
        arcs.leaving_until(*tip(f), value(f, "radius"), runs_to(f)), _sides_but_start(f)
    ),
    frozenset({"continuing", "to"}): lambda f: arcs.leaving_to(*tip(f), value(f, "to")),
    frozenset({"continuing", "radius", "sweep"}): lambda f: arcs.leaving_radius(*tip(f), value(f, "radius"), value(f, "sweep")),
}


def bare_entries(has: Collection[str]) -> list[str]:
    """A bare place or number: the ends and what lies between; about a centre the radius, then the start and the sweep. Where it
    touches something or goes on from it, a number is the radius first, and not so far toward the pointer."""
    if {"touching", "continuing"} & set(has):
        return [word for word in ("radius", "to", "sweep") if word not in has]
    if "centre" not in has:
        return [word for word in ("from", "to", "via", "radius", "rise", "sweep") if word not in has]
    if "from" in has or {"radius", "at"} <= set(has):
        return [word for word in ("to", "sweep") if word not in has]
    return ["at"] if "radius" in has else ["from", "radius"]


def said(has: Sequence[str], done: bool) -> str | None:
    """What comes next, in the order in which an arc is drawn by hand."""
    if has == ["from"]:
        return "Where does it end? 40, 25, or point; or via, direction, centre."
    if has == ["from", "to"] and not done:
        return "A number is its radius; or a place that it goes through; or rise, sweep."
    return None


KIND = Kind(
    word="arc",
    group="place",
    explanation="an arc: its ends and a third fact, or centre, start and sweep",
    plan=plan_arc,
    letter="A",
    puts_place=True,
    first="Where does it begin? 40, 25, or point; or click on what it touches; or centre, continuing.",
    implied_words=bare_entries,
    next_hint=said,
    drag=Drag("from", "to"),
    givens=(
        GivenSpec("from", "place", "where it begins", blamed=("bad_radius",)),
        GivenSpec("via", "place", "a place on the way"),
        GivenSpec("to", "place", "where it ends", sides=("clockwise",), blamed=("bad_sweep", "straight_ahead")),
        GivenSpec("centre", "place", "its centre"),
        GivenSpec("radius", "length", "its radius", sides=("left", "right", "major"), blamed=("bad_radius", "radius_too_small")),
        GivenSpec("rise", "length", "its height over the chord", sides=("left", "right"), blamed=("bad_rise",)),
        GivenSpec("at", "direction", "the direction of its start from the centre"),
        GivenSpec("sweep", "turn", "how far it runs; counter-clockwise, negative is clockwise", blamed=("bad_sweep",)),
        GivenSpec("until", "thing", "the figure it runs to, or the place in whose direction it ends"),
        GivenSpec("direction", "direction", "the direction in which it sets out"),
        GivenSpec("continuing", "figure", "leaves the end of a line or arc tangentially"),
        GivenSpec("touching", "figures", "a figure it touches", repeats=True),
    ),
    examples=(
        ("arc from P1 via P3 to P2", "three places"),
        ("arc from P1 to P2 radius 35 left", "bulging left, then right; each the short way, then `major`"),
        ("arc from P1 to P2 rise 12 left", "height over the chord: left, then right"),
        ("arc from P1 to P2 sweep -120", "chord and sweep; counter-clockwise, negative is clockwise"),
        ("arc centre P1 from P2 sweep 40", "about a centre"),
        ("arc centre P1 radius 20 at 30 sweep 90", "starts in a direction from its centre"),
        ("arc centre P1 from P2 to P3", "ends on the direction of a place; `clockwise` the other way"),
        ("arc centre P1 from P2 until L2", "until it meets a figure, counter-clockwise; `clockwise` for the other way round"),
        ("arc continuing L1 radius 25 until C1 left", "leaves the end of a line or arc, until it meets a figure"),
        ("arc continuing L1 to 80, 30", "leaves the end of a line or arc tangentially; `continuing start of L1`"),
        ("arc continuing L1 radius 15 sweep 120", "with a radius and a sweep"),
        ("arc from P1 direction 90 to P2", "a start direction and an end; or `radius` and `sweep`"),
        ("arc touching C2 C3 radius 45", "between the touching places: the shorter one; `major` the longer"),
        ("arc from P1 touching C3 radius 40", "from a place, or `to` one"),
        ("arc continuing L1 touching C3", "leaves an end and ends where it touches; or `from P1 direction 30`"),
    ),
)
