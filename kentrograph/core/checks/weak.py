"""Places that are badly held: they hang on crossings so flat that a little more of a given moves them far."""

from collections.abc import Iterator
from math import atan2, degrees, hypot

from ..book.book import Book
from ..book.tree import CrossingOf, Name
from ..book.values import StepResult
from ..figures import Point, RoundCurve
from ..measure.angle import running_at, turn_between
from ..problem import Refused
from ..shape.cut import LONGISH
from .finding import Finding, Place, What
from .looked import Looked

FLAT = 3.0
"""Degrees between what crosses in a place, under which the place is badly held."""


def weakly_held(book: Book, f: Looked) -> Iterator[Finding]:
    """A circle or an arc of a given radius that touches two others nearly in line, and a point or a centre taken where two
    figures cross nearly along each other. The amount is the angle between them, degrees. Source: common practice."""
    value = book.values.get(f.step)
    figure = f.figure
    if not isinstance(value, StepResult) or value.figure is not figure:
        return
    if isinstance(figure, RoundCurve) and value.solutions:
        yield from _touching(book, f, value)
    if isinstance(figure, Point | RoundCurve):
        yield from _crossing(book, f)


def _touching(book: Book, f: Looked, value: StepResult) -> Iterator[Finding]:
    """Its centre is where two loci cross, and they cross at the angle between the ways to the touching places."""
    centre = f.figure.centre
    words = {given.word for given in book.steps[f.step].statement.givens}
    contacts = value.solutions[value.chosen_index].contacts
    if len(contacts) != 2 or not words & {"radius", "diameter"}:
        return
    (ax, ay), (bx, by) = ((c.at.x - centre.x, c.at.y - centre.y) for c in contacts)
    if hypot(ax, ay) == 0.0 or hypot(bx, by) == 0.0:
        return
    flat = _flat(degrees(atan2(ax * by - ay * bx, ax * bx + ay * by)))
    if 0.0 < flat < FLAT:
        yield Finding("weak", Place(f.id, "centre", centre), flat, word=(words & {"radius", "diameter"}).pop())


def _crossing(book: Book, f: Looked) -> Iterator[Finding]:
    step = book.steps[f.step]
    for given in step.statement.givens:
        if given.word not in ("place", "centre"):
            continue
        for place in given.arguments:
            if not isinstance(place, CrossingOf) or not isinstance(place.first, Name) or not isinstance(place.second, Name):
                continue
            index = book.position(f.step)
            figures = [book.figure_named(name.key, index) for name in (place.first, place.second)]
            at = f.figure if isinstance(f.figure, Point) else f.figure.centre
            what: What = "point" if isinstance(f.figure, Point) else "centre"
            if not all(isinstance(one, LONGISH) for one in figures):
                continue
            try:
                flat = _flat(turn_between(*running_at(figures[0], at), *running_at(figures[1], at)))
            except Refused:
                continue
            if 0.0 < flat < FLAT:
                yield Finding("weak", Place(f.id, what, at), flat, word=f"{place.first.text} and {place.second.text}")


def _flat(turn: float) -> float:
    return min(abs(turn), 180.0 - abs(turn))
