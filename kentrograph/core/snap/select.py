"""Figures by where they lie: those inside a box, those that it touches, and all that hang together."""

from collections.abc import Iterator
from typing import Literal, assert_never

from ..book.book import Book
from ..book.index import index_of
from ..book.order import END
from ..book.scene import pen_of, seen
from ..book.values import StepResult, Untouchable
from ..figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point
from ..figures.box import box_of
from ..figures.figure_set import members_of
from ..figures.similarity import rotation, transformed
from ..intersect import intersect
from ..measure.distance_to import distance_to
from ..measure.inside import is_inside
from ..shape.stretch import is_closed
from ..shape.within import lies_within
from ..tolerance import TOLERANCE

Box = tuple[float, float, float, float]


def inside(book: Book, box: Box, turn: float = 0.0) -> list[str]:
    """The figures, by their ids, that lie wholly inside a box (left, bottom, right, top), in the order of the book.

    The box is upright in a view that is turned by ``turn`` degrees counter-clockwise about the origin.
    """
    found: list[str] = []
    for id, figure in _shown(book, turn, whole=True):
        if not isinstance(figure, EndlessLine):
            left, low, right, high = box_of(figure)
            if left >= box[0] and low >= box[1] and right <= box[2] and high <= box[3]:
                found.append(id)
    return found


def touched(book: Book, box: Box, turn: float = 0.0) -> list[str]:
    """The figures, by their ids, that lie inside a box or cross its edge, in the order of the book."""
    left, low, right, high = box
    corners = [Point(left, low), Point(right, low), Point(right, high), Point(left, high)]
    edges = [Line(a, b) for a, b in zip(corners, (*corners[1:], corners[0]), strict=True) if a != b]
    whole = set(inside(book, box, turn))
    shown = _shown(book, turn)
    return list(dict.fromkeys(w for id, figure in shown if (w := whole_of(id)) in whole or crosses_box(figure, edges, box)))


def crosses_box(figure: Figure, edges: list[Line], box: Box) -> bool:
    """Whether a figure meets one of the edges of what lies in a box (left, bottom, right, top)."""
    if isinstance(figure, Point):
        return False
    if not isinstance(figure, EndlessLine):
        left, low, right, high = box_of(figure)
        if left > box[2] or right < box[0] or low > box[3] or high < box[1]:
            return False
    if isinstance(figure, FigureSet):
        return any(crosses_box(member, edges, box) for member in figure.members)
    pieces = figure.pieces if isinstance(figure, Outline) else (figure,)
    return any(intersect(piece, edge).how != "apart" for piece in pieces for edge in edges)


def whole_of(id: str) -> str:
    """The set that a figure is a member of, by its id; itself where it stands alone."""
    return id.partition("/")[0]


def hanging_together(book: Book, id: str) -> list[str]:
    """A figure, by its id, and all that hang together with it: an end of one lies on the other, and so on from there. Raises
    `Refused` (no_step)."""
    book.position(book.step_of(id))
    waiting = [one for one, _, _ in book.leaves_of(book.step_of(id)) if whole_of(one) == id] or [id]
    found: dict[str, None] = dict.fromkeys(waiting)
    index = index_of(book)
    figures = dict(_shown(book))
    while waiting:
        figure = figures.get(waiting.pop())
        if figure is None or isinstance(figure, EndlessLine):
            continue
        left, low, right, high = box_of(figure)
        size = max(right - left, high - low)
        middle = ((left + right) / 2.0, (low + high) / 2.0)
        for other in index.around(*middle, size) if size > 0.0 else index.around(*middle, TOLERANCE.length(1.0)):
            if other not in found and other in figures and _hang(figure, figures[other]):
                found[other] = None
                waiting.append(other)
    return sorted({whole_of(one) for one in found}, key=lambda one: (book.order.key(book.step_of(one)), one))


Way = Literal["together", "like", "pen", "step", "group", "inside", "everything"]


def alike(book: Book, id: str, way: Way) -> list[str]:
    """A figure, by its id, and others in some respect, in the order of the book: all that hangs together with it, all of its kind
    drawn with its pen, all that its pen draws, all that comes of its step, all that stands in a group with it, all that lies
    inside it, or everything. What is not seen, or is no figure, is like nothing. Raises `Refused` (no_step)."""
    if way == "together":
        return hanging_together(book, id)
    book.position(book.step_of(id))
    shown = dict.fromkeys(whole_of(one) for one, _ in _shown(book, whole=True))
    if id not in shown and way != "everything":
        return []
    match way:
        case "like":
            kind, pen = type(book.figure_of(id)), pen_of(book, id)
            return [one for one in shown if type(book.figure_of(one)) is kind and pen_of(book, one) == pen]
        case "pen":
            pen = pen_of(book, id)
            return [one for one in shown if pen_of(book, one) == pen]
        case "step":
            return [one for one in shown if book.step_of(one) == book.step_of(id)]
        case "group":
            found = {member for group in groups(book).values() if id in group for member in group} or {id}
            return [one for one in shown if one in found]
        case "inside":
            outer = book.figure_of(id)
            closed = isinstance(outer, Circle | Ellipse | Outline) and is_closed(outer)
            return [one for one in shown if one == id or (closed and _is_within(outer, book.figure_of(one)))]
        case "everything":
            return list(shown)
        case _:
            assert_never(way)


def _is_within(outer: Figure, figure: Figure) -> bool:
    """Whether a figure lies inside a closed one, which it may touch."""
    return all(
        is_inside(outer, one) if isinstance(one, Point) else not isinstance(one, EndlessLine) and lies_within(one, [outer])
        for one in members_of(figure)
    )


def groups(book: Book) -> dict[str, tuple[str, ...]]:
    """The groups of a drawing by the ids of their steps: for each the figures that it names, as they stand at the end; of a group
    in a group its members."""
    return {id: tuple(dict.fromkeys(_members(book, id))) for id in book.order if book.steps[id].gathers}


def _members(book: Book, group: str) -> Iterator[str]:
    for name in book.steps[group].statement.operands:
        version = book.version(name.key, END)
        if version is None:
            continue
        if book.steps[book.step_of(version)].gathers and version != group:
            yield from _members(book, version)
        else:
            yield version


def _hang(one: Figure, other: Figure) -> bool:
    return _ends_on(one, other) or _ends_on(other, one)


def _ends_on(one: Figure, other: Figure) -> bool:
    """Whether an end of one figure lies on another."""
    for at in _ends(one):
        left, low, right, high = box_of(other)
        slack = TOLERANCE.length(max(right - left, high - low), max(abs(at.x), abs(at.y)))
        if distance_to(other, at.x, at.y) <= 10.0 * slack:
            return True
    return False


def _ends(figure: Figure) -> tuple[Point, ...]:
    match figure:
        case Line() | Arc():
            return (figure.start, figure.end)
        case Ellipse():
            return () if figure.whole else (figure.start, figure.end)
        case Outline():
            return figure.corners
        case Point() | EndlessLine() | Circle():
            return ()
        case FigureSet(members):
            return tuple(end for member in members for end in _ends(member))
        case _:
            assert_never(figure)


def _shown(book: Book, turn: float = 0.0, whole: bool = False) -> list[tuple[str, Figure]]:
    """The figures that are seen, by their ids, as they lie in a view turned by so many degrees; sets by their members, unless
    the ``whole`` of them is meant."""
    found: list[tuple[str, Figure]] = []
    for step in book.order:
        value = book.values[step]
        if book.steps[step].hidden or not isinstance(value, StepResult) or isinstance(value.figure, Untouchable):
            continue
        for id, _, figure in book.figures_of(step) if whole else book.leaves_of(step):
            if seen(book, id):
                found.append((id, figure if turn == 0.0 else transformed(figure, rotation(Point(0.0, 0.0), -turn))))
    return found
