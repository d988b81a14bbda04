"""The legs of a traverse as a table in words: length, direction, inner angle, departure and latitude of each, and their sums."""

from math import fsum

from ..book.book import Book
from ..book.step import Step
from ..book.tree import Name
from ..language import display
from ..measure.traverse import inner_angles, legs_of
from ..problem import Refused

HEADS = ["leg", "length", "direction", "angle", "across", "up"]


def legs_table(book: Book, step: Step, index: int) -> list[list[str]]:
    """The table of the traverse that a reading is of, its heads first and its sums last; nothing of any other reading.

    The angle is that inside the corner in which a leg ends. Departures (across) and latitudes (up) count along the datum. The
    angles of a traverse of n legs are (n - 2) x 180 together, whatever it misses: a sum that is not says that it crosses itself.
    """
    given = step.statement.givens[0] if step.statement.givens else None
    if given is None or given.word != "closing" or not isinstance(given.arguments[0], Name):
        return []
    try:
        legs = legs_of(book.figure_named(given.arguments[0].key, index))
    except Refused:
        return []
    header = book.header
    angles = inner_angles(legs)
    ux, uy = header.manner.turned(1.0, 0.0)
    along = [(leg.across * ux + leg.up * uy, leg.up * ux - leg.across * uy) for leg in legs]
    rows = [
        [
            str(n),
            display.length(leg.length, header),
            display.direction(leg.direction, header),
            display.dms(angle),
            display.length(across, header),
            display.length(up, header),
        ]
        for n, (leg, angle, (across, up)) in enumerate(zip(legs, angles, along, strict=True), 1)
    ]
    sums = [
        "",
        display.length(fsum(leg.length for leg in legs), header),
        "",
        display.dms(fsum(angles)),
        display.length(fsum(across for across, _ in along), header),
        display.length(fsum(up for _, up in along), header),
    ]
    return [HEADS, *rows, sums]
