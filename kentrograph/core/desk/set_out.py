"""A centre set out from two edges that exist, wherever it lies itself: the statement of the table that says so."""

from collections.abc import Iterator, Sequence
from math import hypot

from ..book.book import Book
from ..book.edits import Edit
from ..book.names import edge_name
from ..book.order import END
from ..book.scene import all_seen, pen_of
from ..figures import Arc, Line, Outline, Point, RoundCurve
from ..intersect.supporting_curves import way_of
from ..problem import refusal
from ..tolerance import LARGEST
from .intents import write

_SQUARE = 0.5
"""Two edges whose directions differ by less than 30 degrees set out badly."""
_MOST_EDGES = 60
Named = tuple[str, Line]


def set_out(book: Book, figures: Sequence[str], id: str) -> tuple[Edit, str]:
    """The edit that writes a table of the centres of round figures, or of the arcs of outlines, from the two edges that suit
    best. Raises `Refused`: no_step, no_centre for figures without one, no_edges where no two edges cross well."""
    centres = [centre for one in figures for centre in _centres(book, one)]
    if not centres:
        raise refusal("no_centre")
    pair = best_edges(book, [at for _, at in centres])
    words = "; ".join(name for name, _ in centres)
    return write(book, f"table {words} edges {pair[0]}; {pair[1]}", id)


def _centres(book: Book, id: str) -> Iterator[tuple[str, Point]]:
    book.position(book.step_of(id))
    figure, name = book.figure_of(id), book.name_of(id)
    if isinstance(figure, RoundCurve) and name:
        yield f"centre of {name}", figure.centre
    if isinstance(figure, Outline) and name:
        for number, piece in enumerate(figure.pieces, 1):
            if isinstance(piece, Arc):
                yield f"centre of {edge_name(str(number), name)}", piece.centre


def best_edges(book: Book, centres: list[Point]) -> tuple[str, str]:
    """Of the straight edges in ink the two from which places are set out best: those that cross squarely, from which one can
    measure since the foot lies on them, and that lie near. Raises `Refused` (no_edges)."""
    edges = sorted(_edges(book), key=lambda edge: _cost(edge[1], centres))[:_MOST_EDGES]
    best: tuple[float, str, str] | None = None
    for n, (first, one) in enumerate(edges):
        u = way_of(one)
        for second, other in edges[n + 1 :]:
            v = way_of(other)
            sine = abs(u.ux * v.uy - u.uy * v.ux)
            if sine < _SQUARE:
                continue
            cost = (_cost(one, centres) + _cost(other, centres)) / sine**2
            if best is None or cost < best[0]:
                best = cost, first, second
    if best is None:
        raise refusal("no_edges")
    return best[1], best[2]


def _edges(book: Book) -> Iterator[Named]:
    """The straight edges that are seen in ink, by the names under which they can be used."""
    for id, figure in all_seen(book):
        name = book.name_of(id)
        if not name or pen_of(book, id, END) != "ink":
            continue
        if isinstance(figure, Line):
            yield name, figure
        elif isinstance(figure, Outline):
            yield from ((edge_name(str(n), name), piece) for n, piece in enumerate(figure.pieces, 1) if isinstance(piece, Line))


def _cost(edge: Line, centres: list[Point]) -> float:
    """How far places lie from an edge, and how far their feet lie past its ends, which counts twice."""
    w = way_of(edge)
    length = edge.length
    total = 0.0
    for at in centres:
        along = (at.x - edge.start.x) * w.ux + (at.y - edge.start.y) * w.uy
        past = max(0.0, -along, along - length)
        total += hypot(w.off(at.x, at.y), 2.0 * past)
    return min(total, LARGEST)
