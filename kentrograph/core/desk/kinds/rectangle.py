"""Rectangles."""

from collections.abc import Iterator

from ...book.book import Book
from ...book.values import StepResult
from ...figures import Line, Outline, halfway
from ..handles.handle import Handle, Rows, from_base, length_text, sign_of
from ..handles.typed import Typed, turned_about
from ..pointer import Pointer
from .facet import Facet


def _handles(typed: Typed, value: StepResult) -> Iterator[Handle]:
    """Its far corner states the size, the end of its first side how far it is turned."""
    outline, step, numbers = value.figure, typed.step, typed.numbers
    assert isinstance(outline, Outline)
    first, second, far = outline.pieces[0], outline.pieces[1], outline.pieces[1].end
    size_given = step.statement.givens[numbers["size"]].arguments if "size" in numbers else ()
    across, up = [sign_of(a) for a in size_given] or (1.0, 1.0)
    about = any(g.word == "centre" for g in step.statement.givens)
    base, share = (halfway(outline.start, far), 2.0) if about else (outline.start, 1.0)
    if "size" in numbers:

        def size(book: Book, pointer: Pointer) -> Rows | None:
            texts = []
            for side, sign in ((first, across), (second, up)):
                assert isinstance(side, Line)
                ux, uy = (side.end.x - side.start.x) / side.length, (side.end.y - side.start.y) / side.length
                dx, dy, _ = from_base(base, pointer)
                texts.append(length_text(book, sign * share * (dx * ux + dy * uy), pointer))
            nothing = any(float(text.removesuffix(book.suffix)) == 0.0 for text in texts)
            return None if nothing else {numbers["size"]: f"size {', '.join(texts)}"}

        yield typed.handle(far, size, "size")
    if "turned" in numbers:
        at = halfway(second.start, far) if about else first.end
        yield typed.handle(at, turned_about(base, numbers["turned"], across), "turned")


FACET = Facet(handles=_handles)
