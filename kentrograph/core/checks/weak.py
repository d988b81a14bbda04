"""Centres that are badly held: they hang on crossings so flat that a little more of a given moves them far."""

from collections.abc import Iterator
from math import atan2, degrees, hypot

from ..book.book import Book
from ..book.values import Drawn
from ..figures import Arc, Circle
from .finding import Finding, Place
from .looked import Looked

FLAT = 3.0
"""Degrees between the ways to two touching places, or their continuations, under which a centre is badly held."""


def weakly_held(book: Book, f: Looked) -> Iterator[Finding]:
    """A circle or an arc of a given radius that touches two others, both nearly in line with its centre.

    Its centre is where two loci cross, and they cross at the angle between the ways to the touching places. The amount is
    how far the centre moves for each unit of the radius: 1 / sin of half that angle at least. Source: common practice.
    """
    figure = f.figure
    value = book.values.get(f.step)
    if not isinstance(figure, Circle | Arc) or not isinstance(value, Drawn) or not value.solutions:
        return
    words = {given.word for given in book.steps[f.step].statement.givens}
    contacts = value.solutions[value.taken].contacts
    if len(contacts) != 2 or not words & {"radius", "diameter"} or value.figure is not figure:
        return
    (ax, ay), (bx, by) = ((c.at.x - figure.centre.x, c.at.y - figure.centre.y) for c in contacts)
    if hypot(ax, ay) == 0.0 or hypot(bx, by) == 0.0:
        return
    turn = abs(degrees(atan2(ax * by - ay * bx, ax * bx + ay * by)))
    flat = min(turn, 180.0 - turn)
    if 0.0 < flat < FLAT:
        yield Finding("weak", Place(f.id, "centre", figure.centre), flat, word=(words & {"radius", "diameter"}).pop())
