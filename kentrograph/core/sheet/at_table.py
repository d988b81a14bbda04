"""What stands on a drawing as the table shows it: laid out at the scale of the sheet, in places of the drawing."""

from builtins import id as identity
from collections.abc import Sequence

from ..book.book import Book
from ..book.caches import Kept, Shared
from ..book.manner import Header
from ..book.on_paper import OnPaper, Sheet, View
from ..book.order import Order
from ..book.papers import scales_for
from ..book.values import Untouchable
from ..figures import Figure, Point
from ..figures.box import box_of
from ..language.report import FigureData, LetteringData, figure_data
from ..units import MILLIMETRES
from .border import drawing_space
from .bounds import bounds
from .frame import Frame
from .layout import MOST_CLEAR, Layout
from .marks import Fill, Lettering, Mark, Stroke
from .of_book import (
    Annotation,
    annotation_ids,
    annotations,
    empty_layout,
    in_ink,
    ink_under,
    is_annotation,
    known_ink,
    on_paper,
    thing_on_paper,
)
from .reach import Reach
from .signs import spelled
from .style import SMALL, Style, style_for
from .tilted import Taken, upright

_SHARE = 0.62
"""How much of the paper the figures may take, so that there is room for their dimensions and notes."""
_TOUCHING = 0.01
"""Millimetres within which ink is taken to touch a box."""
_DEFAULT = (420.0, 297.0)


def scale_at_table(book: Book) -> float:
    """The scale at which lettering and arrows are drawn at the table: that of the first view that says one, else the largest of
    the standard at which what is in ink (where nothing is, all that is drawn) lies well on the first sheet."""
    standing = [thing for _, thing in on_paper(book)]
    said = next((one.scale for one in standing if isinstance(one, View) and one.scale is not None and one.window is None), None)
    if said is not None:
        return said
    paper = next(((one.width, one.height) for one in standing if isinstance(one, Sheet)), _DEFAULT)
    left, bottom, right, top = drawing_space(*paper)
    reach = empty_layout(book, Frame(float(MILLIMETRES[book.header.manner.unit])), style_for(*paper)).reach
    (x0, x1), (y0, y1) = reach.of(1.0, 0.0), reach.of(0.0, 1.0)
    scales = scales_for(book.header.manner.unit)
    if not x0 <= x1:
        # Nothing is in ink: what is annotated is hidden, or in pencil.
        reach = Reach(_all_figures(book), reach.frame)
        (x0, x1), (y0, y1) = reach.of(1.0, 0.0), reach.of(0.0, 1.0)
    if not x0 <= x1:
        return 1.0
    room = min(_SHARE * (right - left) / max(x1 - x0, 1.0), _SHARE * (top - bottom) / max(y1 - y0, 1.0))
    return next((scale for scale in scales if scale <= room), scales[-1])


def _all_figures(book: Book) -> list[Figure]:
    held = (figure for id in book.order for _, _, figure in book.figures_of(id))
    return [figure for figure in held if not isinstance(figure, Untouchable)]


class _Last:
    """The layout that was asked for last, of whichever revision, and what it was made of."""

    def __init__(self) -> None:
        self.layout: Layout | None = None
        self.stamp: object = None
        self.ink: Ink = ()
        self.made_of: dict[str, tuple[Annotation, str]] = {}
        self.header: Header | None = None
        self.order = Order()


Ink = Sequence[tuple[str, Figure, str]]
_LAYOUT: Kept[list[Layout]] = Kept(list)
_LAST: Shared[_Last] = Shared(_Last)


def layout_at_table(book: Book) -> Layout:
    """All that stands on a drawing, laid out for the table; after an edit only what that reaches is laid anew."""
    kept = _LAYOUT.of(book)
    if not kept:
        if not annotation_ids(book):
            # Nothing stands on it: nobody need look at what is in ink.
            kept.append(Layout(Frame(1.0), SMALL, book.header, Reach((), Frame(1.0)), lambda box: False))
            return kept[0]
        last = _LAST.of(book)
        layout = _with_more(book, last) or _laid_out(book, last)
        last.layout, last.stamp, last.header, last.order = layout, book.stamp, book.header, book.order
        kept.append(layout)
    return kept[0]


def _with_more(book: Book, last: _Last) -> Layout | None:
    """The last layout, with what an edit has added behind all that stood there; None where it has done anything else."""
    stood = last.layout
    if stood is None or book.before is not last.stamp or book.header != last.header:
        return None
    # A step that was there may have been the sheet, or in ink.
    added = [id for id in book.touched if id not in last.order]
    if len(added) != len(book.touched) or not all(id in book.order and is_annotation(book, id) for id in added):
        return None
    behind = max((book.order.key(id) for id in last.made_of if id in book.order), default=())
    if any(book.order.key(id) < behind for id in added):
        return None
    known_ink(book, last.ink)
    layout = stood.grown(book.header, ink_under(book, stood.frame, stood.reach))
    for id in sorted(added, key=book.order.key):
        _add(book, layout, last, id)
    return layout


def _laid_out(book: Book, last: _Last) -> Layout:
    ink = in_ink(book)
    things = {id: (thing, book.steps[id].name) for id, thing in annotations(book)}
    scale = scale_at_table(book) if things else 1.0
    frame, style = Frame(scale * MILLIMETRES[book.header.manner.unit]), _style(book)
    layout = empty_layout(book, frame, style)
    stood, before = last.layout, last.made_of
    same = stood is not None and (stood.frame, stood.style, last.header) == (frame, style, book.header)
    if stood is None or not same or len(things) > MOST_CLEAR or not _in_one_order(before, things):
        last.made_of = {}
        for id in things:
            _add(book, layout, last, id)
    else:
        _what_is_reached(book, layout, stood, last, things, _differing(last.ink, ink, frame))
    last.ink = ink
    return layout


Things = dict[str, tuple[Annotation, str]]


def _what_is_reached(book: Book, layout: Layout, stood: Layout, last: _Last, things: Things, changed: Taken) -> None:
    """Lays out as before what nothing has changed for. Each looked only at ink and at what comes before it; ``changed`` are the
    boxes in which ink came or went, and grows by those of what lies otherwise than it did."""
    before, last.made_of = last.made_of, {}
    for id in before.keys() - things.keys():
        changed.add(stood.laid[id].boxes)
    for id, thing in things.items():
        kept = id in stood.asked and before.get(id) == thing and stood.asked[id].stays(changed, layout.reach)
        if kept:
            layout.keep(id, stood)
            last.made_of[id] = thing
            continue
        _add(book, layout, last, id)
        old, new = stood.laid.get(id), layout.laid[id]
        if old != new:
            changed.add(new.boxes if old is None else (*old.boxes, *new.boxes))


def _in_one_order(before: Things, things: Things) -> bool:
    """Whether what stays comes in the order in which it came."""
    return [id for id in before if id in things] == [id for id in things if id in before]


def _differing(before: Ink, ink: Ink, frame: Frame) -> Taken:
    """The boxes on paper of what is in ink in one and not in the other."""
    old, new = ({(id, identity(figure), pen): figure for id, figure, pen in one} for one in (before, ink))
    gone = [figure for key, figure in old.items() if key not in new]
    came = [figure for key, figure in new.items() if key not in old]
    changed = Taken()
    changed.add(upright(box_of(frame.figure(figure)), _TOUCHING) for figure in (*gone, *came))
    return changed


def _add(book: Book, layout: Layout, last: _Last, id: str) -> None:
    thing, name = thing_on_paper(book, id), book.steps[id].name
    assert isinstance(thing, Annotation)
    layout.add(id, thing, name)
    last.made_of[id] = thing, name


def moved_on_paper(book: Book, known: Book) -> set[str]:
    """The steps of which what stands on the drawing lies otherwise than in another revision: what is in ink has changed."""
    if not annotation_ids(book):
        return set()
    before, now = layout_at_table(known), layout_at_table(book)
    if before is now:
        return set()
    rescaled = before.frame != now.frame
    moved = {id for id, laid in now.laid.items() if rescaled or before.laid.get(id) != laid}
    # A line that gives way to words does so wherever they come, or were.
    words = Taken()
    for id in (*moved, *(before.laid.keys() - now.laid.keys())):
        words.add(one for layout in (before, now) if id in layout.laid for one in layout.laid[id].words)
    moved |= {id for id, laid in now.laid.items() if laid.thin and not words.free(laid.thin)}
    # What is hatched leaves words free, wherever they have come to stand, or stood.
    return moved | set(now.hatches) if moved or before.laid.keys() - now.laid.keys() else moved


def _style(book: Book) -> Style:
    found = ((one.width, one.height) for _, one in on_paper(book) if isinstance(one, Sheet))
    return style_for(*next(found, _DEFAULT))


def paper_data(book: Book, id: str) -> FigureData | None:
    """What a step has put on the drawing, as data; None where that is nothing, or stands on a sheet only."""
    layout = layout_at_table(book)
    laid = layout.laid.get(id)
    if laid is None:
        return None
    marks = layout.marks_of(id)
    return marks_data(marks, layout.frame) if marks else None


def preview_data(book: Book, thing: OnPaper, name: str, id: str = "") -> FigureData | None:
    """How something would stand on the drawing, clear of what stands there; ``id`` is the step whose place it takes."""
    if not isinstance(thing, Annotation):
        return None
    layout = layout_at_table(book)
    if not layout.laid:
        # The first of all: how large it is hangs on what is in ink.
        frame, style = Frame(scale_at_table(book) * MILLIMETRES[book.header.manner.unit]), _style(book)
        layout = empty_layout(book, frame, style)
    marks = layout.alone(thing, name, layout.laid.get(id))
    return marks_data(marks, layout.frame) if marks else None


def marks_data(marks: Sequence[Mark], frame: Frame) -> FigureData:
    """Marks on paper as data, each place as that of the drawing which lies there."""
    pieces: list[FigureData] = []
    fills: list[list[list[float]]] = []
    letters: list[LetteringData] = []
    back = Frame(1.0 / frame.size)
    for mark in spelled(list(marks)):
        match mark:
            case Stroke(figure, _, dash):
                # At the table nothing is turned or moved: what lies on paper is only as many times as large.
                pieces.append({**figure_data(back.figure(figure)), "pen": "axis" if dash else "fine"})
            case Fill(places):
                fills.append([[p.x / frame.size, p.y / frame.size] for p in places])
            case Lettering(words, at, height, direction, anchor, strong):
                place = [at.x / frame.size, at.y / frame.size]
                letters.append(LetteringData(words, place, height / frame.size, direction, anchor, strong))
            case _:
                continue
    box = [v / frame.size for v in bounds(marks)]
    return {"kind": "paper", "pieces": pieces, "fills": fills, "letters": letters, "box": box}


def annotation_at(book: Book, x: float, y: float, reach: float) -> str | None:
    """What stands at a place of the drawing, or within reach of it: its words first, then its lines."""
    layout = layout_at_table(book)
    at = Point(x * layout.frame.size, y * layout.frame.size)
    near = reach * layout.frame.size
    for boxes in ("words", "bars"):
        for id, laid in reversed(layout.laid.items()):
            if any(box.off(at) <= near for box in getattr(laid, boxes)):
                return id
    return None
