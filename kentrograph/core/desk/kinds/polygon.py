"""Regular polygons."""

from collections.abc import Iterator

from ...book.book import Book
from ...book.values import StepResult
from ...figures import Outline, Point, halfway
from ..handles.handle import Handle, Rows, from_base, is_length, length_text, turned_text
from ..handles.typed import Typed, turned_about
from ..pointer import Pointer
from .facet import Facet


def _handles(typed: Typed, value: StepResult) -> Iterator[Handle]:
    """Its first corner states the radius and the turn, the middle of its first side the distance across flats."""
    outline, numbers = value.figure, typed.numbers
    assert isinstance(outline, Outline)
    corners = outline.corners
    centre = Point(sum(p.x for p in corners) / len(corners), sum(p.y for p in corners) / len(corners))
    if "radius" in numbers:

        def radius(book: Book, pointer: Pointer) -> Rows | None:
            dx, dy, away = from_base(centre, pointer)
            text = length_text(book, away, pointer)
            rows: Rows = {numbers["radius"]: f"radius {text}"}
            if "turned" in numbers:
                rows[numbers["turned"]] = turned_text(book, dx, dy, pointer)
            return rows if is_length(book, text) else None

        yield typed.handle(corners[0], radius, "radius", *(("turned",) if "turned" in numbers else ()))
    elif "turned" in numbers:
        yield typed.handle(corners[0], turned_about(centre, numbers["turned"], 1.0), "turned")
    if "across flats" in numbers:
        a, b = corners[0], corners[1]

        def flats(book: Book, pointer: Pointer) -> Rows | None:
            text = length_text(book, 2.0 * from_base(centre, pointer)[2], pointer)
            return {numbers["across flats"]: f"across flats {text}"} if is_length(book, text) else None

        yield typed.handle(halfway(a, b), flats, "across flats")


FACET = Facet(handles=_handles)
