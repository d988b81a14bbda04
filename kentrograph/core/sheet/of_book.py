"""A book on paper: what of it is in ink, and all that stands on it laid out."""

from collections.abc import Collection, Iterator, Sequence
from typing import Any

from ..book.book import Book
from ..book.caches import Kept, Shared
from ..book.index import index_of
from ..book.manner import Header
from ..book.on_paper import Axes, Detail, Dimension, Hatch, Note, OnPaper, PointTable
from ..book.order import END
from ..book.scene import all_seen, in_sight, pen_of
from ..book.values import StepResult
from ..checks.verdict import reads_as_wanted
from ..figures import EndlessLine, Figure, FigureSet, Line, Point
from ..language.limit_words import scale_of
from ..snap.select import crosses_box
from .frame import Frame
from .layout import Layout, OnInk
from .marks import Mark, Stroke
from .reach import Reach
from .style import Style, pen_line
from .tables import renumbered
from .tilted import Tilted

Annotation = Dimension | Note | Axes | Hatch | Detail | PointTable
"""What stands on a drawing, as against on a sheet."""


def annotations(book: Book) -> Iterator[tuple[str, Annotation]]:
    """All that stands on a drawing and can be drawn, by the ids of steps, in the order of the book."""
    return ((id, thing) for id, thing in on_paper(book) if isinstance(thing, Annotation))


def is_annotation(book: Book, id: str) -> bool:
    """Whether a step that is there puts something on the drawing."""
    value = book.values.get(id)
    return isinstance(value, StepResult) and isinstance(value.figure, Annotation) and not book.steps[id].hidden


def _is_for_paper(book: Book, id: str) -> bool:
    value = book.values.get(id)
    return isinstance(value, StepResult) and isinstance(value.figure, OnPaper)


class _Ids:
    """The steps that put something on paper, of the revision that was asked for last."""

    def __init__(self) -> None:
        self.stamp: object = None
        self.ids: frozenset[str] = frozenset()


_IDS: Shared[_Ids] = Shared(_Ids)
_OWN_IDS: Kept[list[frozenset[str]]] = Kept(list)


def on_paper(book: Book) -> Iterator[tuple[str, OnPaper]]:
    """All that stands on the drawing or on a sheet and is not hidden, by the ids of steps, in the order of the book."""
    for id in sorted(_ids_for_paper(book), key=book.order.key):
        thing = thing_on_paper(book, id)
        if thing is not None and not book.steps[id].hidden:
            yield id, thing


def thing_on_paper(book: Book, id: str) -> OnPaper | None:
    """What a step puts on paper; a table with the numbers of its places."""
    value = book.values[id]
    if not isinstance(value, StepResult) or not isinstance(value.figure, OnPaper):
        return None
    return tables_of(book).get(id, value.figure) if isinstance(value.figure, PointTable) else value.figure


def note_of(book: Book, id: str) -> str:
    """What a person should know of what a step puts on paper: ``without C2``, ``says 20.5, drawn is 20``; mostly nothing."""
    value = book.values[id]
    if not isinstance(value, StepResult) or not isinstance(value.figure, OnPaper):
        return ""
    return value.note or (not_drawn(value.figure, book.header) if isinstance(value.figure, Dimension) else "")


def not_drawn(dimension: Dimension, header: Header) -> str:
    """Says of which nominal something else is drawn, though nobody says that it is not to scale; nothing where all are drawn."""
    for one in dimension.readings if not dimension.free else ():
        wanted = one.wanted
        if wanted is not None and wanted.nominal and not reads_as_wanted(one, header):
            scale = scale_of(one, header)
            return f"says {scale.on_paper(wanted.value)}, drawn is {scale.on_paper(one.value)}"
    return ""


def tables_of(book: Book) -> dict[str, PointTable]:
    """The setting-out tables, hidden or not, by the ids of their steps, with numbers that run through all of them."""
    kept = _TABLES.of(book)
    if not kept:
        held = {id: book.values[id] for id in sorted(_ids_for_paper(book), key=book.order.key)}
        found = {id: v.figure for id, v in held.items() if isinstance(v, StepResult) and isinstance(v.figure, PointTable)}
        kept.append(dict(zip(found, renumbered(found.values()), strict=True)))
    return kept[0]


_TABLES: Kept[list[dict[str, PointTable]]] = Kept(list)


def annotation_ids(book: Book) -> frozenset[str]:
    """The steps that put something on the drawing."""
    return frozenset(id for id in _ids_for_paper(book) if is_annotation(book, id))


def _ids_for_paper(book: Book) -> frozenset[str]:
    """The steps that put something on paper, hidden or not. After an edit only what that touched is looked at: most drawings have
    thousands of figures, and few of these."""
    kept = _OWN_IDS.of(book)
    if not kept:
        last = _IDS.of(book)
        if last.stamp is not None and book.before is last.stamp:
            touched = frozenset(book.touched)
            found = (last.ids - touched) | {id for id in touched if _is_for_paper(book, id)}
        else:
            found = frozenset(id for id in book.order if _is_for_paper(book, id))
        last.stamp, last.ids = book.stamp, found
        kept.append(found)
    return kept[0]


def in_ink(book: Book) -> Sequence[tuple[str, Figure, str]]:
    """All figures that are seen and no construction, by their ids, each with its pen; points and lines without ends are none."""
    kept = _INK.of(book)
    if not kept:
        kept.append([part for id, figure in all_seen(book) for part in _parts(id, figure, pen_of(book, id))])
    return kept[0]


def known_ink(book: Book, ink: Sequence[tuple[str, Figure, str]]) -> None:
    """Says that a book has the same in ink as another one, so that nobody looks again."""
    kept = _INK.of(book)
    if not kept:
        kept.append(list(ink))


_INK: Kept[list[list[tuple[str, Figure, str]]]] = Kept(list)


def _parts(id: str, figure: Any, pen: str) -> Iterator[tuple[str, Figure, str]]:
    """A figure with its pen; the members of a set with their own."""
    if isinstance(figure, FigureSet):
        pens = figure.pens or ("",) * len(figure.members)
        for member, own in zip(figure.members, pens, strict=True):
            yield from _parts(id, member, own or pen)
    elif pen != "pencil" and not isinstance(figure, Point | EndlessLine):
        yield id, figure, pen


def strokes_of(shown: Sequence[tuple[str, Figure, str]], frame: Frame, style: Style) -> list[Mark]:
    """Figures in ink as strokes on paper, what is drawn wide last."""
    made = [Stroke(frame.figure(figure), *pen_line(pen, style)) for _, figure, pen in shown]
    return [*(s for s in made if s.width < style.wide), *(s for s in made if s.width >= style.wide)]


def laid_out(book: Book, frame: Frame, style: Style, only: Collection[str] | None = None) -> Layout:
    """All that stands on a drawing, laid out on paper; ``only`` some of it, by the ids of steps."""
    layout = empty_layout(book, frame, style)
    for id, thing in annotations(book):
        if only is None or id in only:
            layout.add(id, thing, book.steps[id].name)
    return layout


def empty_layout(book: Book, frame: Frame, style: Style) -> Layout:
    """A layout of a book on which nothing stands yet."""
    figures = [figure for _, figure, _ in in_ink(book)]
    reach = Reach(figures, frame, _REACH.of(book))
    return Layout(frame, style, book.header, reach, ink_under(book, frame, reach))


def ink_under(book: Book, frame: Frame, reach: Reach) -> OnInk:
    """Whether a box on paper lies on something in ink: what lies beside all of it does not."""
    reach = reach.unasked()

    def lies(box: Tilted) -> bool:
        left, low, right, high = box.bounds
        (x0, x1), (y0, y1) = reach.of(1.0, 0.0), reach.of(0.0, 1.0)
        return left <= x1 and right >= x0 and low <= y1 and high >= y0 and on_ink(book, box, frame)

    return lies


_REACH: Kept[dict[tuple[float, float], tuple[float, float]]] = Kept(dict)


def on_ink(book: Book, box: Tilted, frame: Frame) -> bool:
    """Whether a box on paper lies on something in ink."""
    corners = [frame.back(corner) for corner in box.corners]
    edges = [Line(a, b) for a, b in zip(corners, [*corners[1:], corners[0]], strict=True) if a != b]
    xs, ys = [c.x for c in corners], [c.y for c in corners]
    bounds = (min(xs), min(ys), max(xs), max(ys))
    for id in index_of(book).in_box(*bounds):
        whole = id.partition("/")[0]
        if in_sight(book, whole, END, ink_only=True):
            figure = book.figure_of(id)
            if figure is None or isinstance(figure, Point | EndlessLine):
                continue
            if crosses_box(figure, edges, bounds) or _lies_in(figure, bounds):
                return True
    return False


def _lies_in(figure: Any, bounds: tuple[float, float, float, float]) -> bool:
    """Whether a figure begins within bounds: it may lie there without meeting their edges."""
    at = getattr(figure, "start", None) or getattr(figure, "centre", None)
    return (
        isinstance(at, Point) and bounds[0] < at.x < bounds[2] and bounds[1] < at.y < bounds[3] and not isinstance(figure, Point)
    )
