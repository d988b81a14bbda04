"""What a handle is, and how what it is pulled to is written."""

from collections.abc import Callable
from dataclasses import dataclass
from math import atan2, degrees, hypot

from ...book.book import Book
from ...book.tree import Argument, Bearing, Given, InUnit, Negative, Plain
from ...figures import FigureSet, Point
from ...figures.box import box_of
from ...snap.query import decimals_for
from ...units import plain
from ..pointer import Pointer
from ..pointing import rounded

Rows = dict[int, str]
"""The givens that change, by their place in the statement, as they read then."""
Pull = Callable[[Book, Pointer], Rows | str | None]
"""What is written for a pointer by a book in the manner of the step, or the whole statement; None where nothing would do."""

_LITERAL = (Plain, InUnit, Bearing)


@dataclass(frozen=True, slots=True)
class Handle:
    """A place to pull by; ``step`` is the id of the step that changes."""

    at: Point
    words: str
    step: str
    rows: Pull


def is_number(argument: Argument) -> bool:
    """Whether it is a number as it was typed, which may be written over."""
    return is_number(argument.of) if isinstance(argument, Negative) else isinstance(argument, _LITERAL)


def literal(given: Given) -> bool:
    """Whether all that a given states are such numbers."""
    return bool(given.arguments) and all(map(is_number, given.arguments))


def number_of(argument: Argument) -> float | None:
    """A plain number as it was typed; None for anything else."""
    if isinstance(argument, Negative):
        of = number_of(argument.of)
        return None if of is None else -of
    return argument.value if isinstance(argument, Plain) else None


def sign_of(argument: Argument) -> float:
    """1 or -1 for a number as it was typed."""
    if isinstance(argument, Negative):
        return -sign_of(argument.of)
    return -1.0 if isinstance(argument, Plain | InUnit) and argument.value < 0.0 else 1.0


def from_base(base: Point, pointer: Pointer) -> tuple[float, float, float]:
    """How far across and up the pointer is from a place, and how far away."""
    dx, dy = pointer.x - base.x, pointer.y - base.y
    return dx, dy, hypot(dx, dy)


def length_text(book: Book, value: float, pointer: Pointer) -> str:
    """A length as round as a pixel is wide, or in distance steps."""
    return f"{plain(rounded(pointer, value), 12)}{book.suffix}"


def is_length(book: Book, text: str) -> bool:
    """Whether a length that was written is more than nothing."""
    return float(text.removesuffix(book.suffix)) > 0.0


def way_text(book: Book, dx: float, dy: float, pointer: Pointer) -> str:
    """Whole degrees, or direction steps, as the drawing counts them."""
    return turn_text(book.writing.direction_from_core(degrees(atan2(dy, dx))), pointer)


def turn_text(degrees_shown: float, pointer: Pointer) -> str:
    """An angle in whole degrees or direction steps; 0 <= a < 360."""
    step = pointer.snapping.turn or 1.0
    return plain(round(degrees_shown / step) * step % 360, 9)


def turned_text(book: Book, dx: float, dy: float, pointer: Pointer) -> str:
    """Turns count from the datum's direction, counter-clockwise however the drawing counts its directions."""
    return f"turned {turn_text(degrees(atan2(dy, dx)) - book.writing.datum.turn, pointer)}"


def reach_of(placed: FigureSet, at: Point) -> float:
    """How far a placed symbol reaches from the place where its datum lies, across or up."""
    left, bottom, right, top = box_of(placed)
    return max(abs(left - at.x), abs(right - at.x), abs(bottom - at.y), abs(top - at.y))


def scale_text(away: float, reach: float, pointer: Pointer) -> str:
    """The scale at which what reaches so far reaches as far as ``away``, as round as a pixel is wide; empty for none at all."""
    factor = round(away / reach, max(1, decimals_for(pointer.pixel / reach)))
    return f"scale {plain(factor, 12)}" if factor > 0.0 else ""
