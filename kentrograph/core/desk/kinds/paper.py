"""What stands on paper: what is measured or said, then where it stands."""

from ...angles import unit_vector
from ...book.book import Book
from ...book.on_paper import Dimension
from ...book.values import StepResult
from ...figures import Point
from ..pointer import Pointer
from ..pointing import evaluate_draft
from ..working.tables import table_working
from .facet import Click, Facet


def _dimension(c: Click) -> list[str]:
    """What is measured, as long as too little is; then where its line runs, which also says whether it is level or plumb."""
    if "at" in c.has:
        return []
    count = len(c.statement.givens) if c.statement is not None else 0
    value = evaluate_draft(c.book, c.draft, c.index).value
    dimension = value.figure if isinstance(value, StepResult) else None
    if not isinstance(dimension, Dimension):
        return c.thing
    put = [f"at {c.here}"] if c.has - {"figures"} else [f"{way}at {c.here}" for way in ways_put(c.book, dimension, c.pointer)]
    # The second place comes before where the first one's coordinates would stand; then the line is put before a third is named.
    return [*c.thing, *put] if count < 2 and c.thing else [*put, *c.thing]


def ways_put(book: Book, dimension: Dimension, pointer: Pointer) -> list[str]:
    """How a straight dimension between two places is measured when its line runs through the pointer: across where that is above
    or below them, up where it is beside them, else as they lie; likeliest first."""
    if dimension.form != "straight" or len(dimension.places) != 2 or dimension.readings[0].kind != "distance":
        return [""]
    turn = book.writing.datum.turn
    ux, uy = unit_vector(turn)
    a, b = dimension.places
    at = [(p.x * ux + p.y * uy, p.y * ux - p.x * uy) for p in (a, b, Point(pointer.x, pointer.y))]
    (ax, ay), (bx, by), (x, y) = at
    if ax == bx or ay == by:
        return [""]
    within_x, within_y = min(ax, bx) <= x <= max(ax, bx), min(ay, by) <= y <= max(ay, by)
    if within_x and not within_y:
        return ["across ", "", "up "]
    if within_y and not within_x:
        return ["up ", "", "across "]
    return ["", "across ", "up "]


def _note(c: Click) -> list[str]:
    if "says" not in c.has:
        return c.thing
    return [f"at {c.here}"] if "at" not in c.has else []


DIMENSION, NOTE = Facet(_dimension), Facet(_note)
TABLE = Facet(lambda c: c.thing, working=table_working)
