"""Rectangles, polygons, ellipses, and outlines joined from pieces."""

from collections.abc import Callable
from math import atan2, cos, degrees, hypot, radians, sin
from typing import Any

from ...angles import direction_of, full_turn
from ...construct import outlines
from ...figures import Arc, Ellipse, Line, Outline, Point, halfway
from ...problem import refuse
from ..planner import Plan, Planner
from ..tree import Name, Statement
from .facts import Facts, check_words, plan_facts, value, words_of
from .given import needs, too_many

Make = Callable[[Facts], Any]
Choices = dict[frozenset[str], Make]


def _turning(p: Planner) -> Callable[[Facts], float]:
    """How far a shape is turned: counted from the datum's direction, as its coordinates are."""
    level = p.manner.datum.turn
    return lambda f: level + next((float(x.values[0]) for x in f if x.word == "turned"), 0.0)


def _size(f: Facts) -> tuple[float, float]:
    first, second = next(x.values for x in f if x.word in ("size", "axes"))
    return first, second


def _plan(p: Planner, statement: Statement, choices: Choices, extra: set[str], last_of: Callable[[Any], Point]) -> Plan:
    """The construction whose words are given; ``extra`` words fit any of them."""
    check_words(statement, {})
    words = frozenset(words_of(statement)) - extra
    make = choices.get(words)
    if make is None:
        more = [sorted(c - words) for c in choices if words < c]
        if more:
            least = min(map(len, more))
            raise needs(statement, *dict.fromkeys(" and ".join(m) for m in more if len(m) == least), more=least)
        wrong = next(g for g in reversed(statement.givens) if g.word not in extra)
        raise too_many(statement, wrong, sorted(words - {wrong.word}))
    return plan_facts(p, statement, make, last_of)


def plan_rectangle(p: Planner, statement: Statement) -> Plan:
    """A rectangle, counter-clockwise from its first corner where its size is positive."""
    turned = _turning(p)
    choices: Choices = {
        frozenset({"from", "size"}): lambda f: outlines.rectangle(value(f, "from"), *_size(f), turned(f)),
        frozenset({"from", "to"}): lambda f: outlines.rectangle_between(value(f, "from"), value(f, "to"), turned(f)),
        frozenset({"centre", "size"}): lambda f: outlines.rectangle_about(value(f, "centre"), *_size(f), turned(f)),
    }
    return _plan(p, statement, choices, {"turned"}, lambda outline: outline.start)


def plan_polygon(p: Planner, statement: Statement) -> Plan:
    """A regular polygon with a corner in the direction it is turned."""
    turned = _turning(p)

    def flats(f: Facts) -> Outline:
        sides = value(f, "sides")
        return outlines.polygon(value(f, "centre"), sides, outlines.radius_of_flats(sides, value(f, "across flats")), turned(f))

    choices: Choices = {
        frozenset({"centre", "sides", "radius"}): lambda f: outlines.polygon(
            value(f, "centre"), value(f, "sides"), value(f, "radius"), turned(f)
        ),
        frozenset({"centre", "sides", "across flats"}): flats,
    }
    return _plan(p, statement, choices, {"turned"}, lambda outline: outline.start)


def plan_ellipse(p: Planner, statement: Statement) -> Plan:
    """An ellipse, or the part of it between two directions counted from its first axis."""
    turned = _turning(p)

    def across(f: Facts) -> Ellipse:
        a, b = next(x.values for x in f if x.word == "across")
        half = hypot(b.x - a.x, b.y - a.y) / 2
        if half == 0.0:
            raise refuse("same_places")
        turn = direction_of(b.x - a.x, b.y - a.y)
        return _part(f, Ellipse(halfway(a, b), half, half * value(f, "ratio"), turn))

    choices: Choices = {
        frozenset({"centre", "axes"}): lambda f: _part(f, Ellipse(value(f, "centre"), *_size(f), turned(f))),
        frozenset({"across", "ratio"}): across,
    }
    return _plan(p, statement, choices, {"turned", "part"}, lambda ellipse: ellipse.centre)


def _part(f: Facts, whole: Ellipse) -> Ellipse:
    found = next((x.values for x in f if x.word == "part"), None)
    if found is None:
        return whole
    begin, end = (_eccentric(whole, d) for d in found)
    sweep = full_turn(end - begin)
    return Ellipse(whole.centre, whole.a, whole.b, whole.turn, begin, sweep if sweep > 0.0 else 360.0)


def _eccentric(e: Ellipse, direction: float) -> float:
    """The eccentric angle at a direction from the centre, both in degrees from the first axis."""
    t = radians(direction)
    return full_turn(degrees(atan2(e.a * sin(t), e.b * cos(t))))


def plan_join(p: Planner, statement: Statement) -> Plan:
    """One outline of pieces that meet end to end."""
    names = [a.text for g in statement.givens for a in g.arguments if isinstance(a, Name)]
    if not names:
        raise needs(statement, "the names of pieces")

    def make(f: Facts) -> Outline:
        for fact in f:
            piece = fact.values[0]
            if not isinstance(piece, Line | Arc | Ellipse | Outline) or (isinstance(piece, Ellipse) and piece.whole):
                raise refuse("no_piece", fact.given.start, fact.given.end)
        return outlines.joined([x.values[0] for x in f], names)

    return plan_facts(p, statement, make, lambda outline: outline.end)
