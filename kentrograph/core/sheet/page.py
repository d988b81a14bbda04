"""A sheet, laid out: border, title block, views at their scales, tables. What stands on it is told by the steps of the book."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from math import inf

from ..book.book import Book
from ..book.names import key_of
from ..book.on_paper import PointTable, Sheet, View
from ..book.order import END
from ..book.papers import scale_words, scales_for
from ..book.tree import Name
from ..book.values import Drawn
from ..figures import Circle, Figure, Point
from ..figures.box import Box, box_around, join
from ..figures.similarity import shift
from ..units import MILLIMETRES
from .border import border, drawing_space
from .bounds import bounds
from .frame import Frame
from .letters import width_of
from .marks import Lettering, Mark, Stroke, Within, box, moved
from .of_book import annotations, in_ink, laid_out, on_paper, strokes_of
from .signs import spelled
from .style import Style, style_for
from .tables import rows_of
from .title_block import WIDTH, FieldBox, height_of, title_block

_CLEAR = 5.0
"""Millimetres that are kept free around views."""


@dataclass(frozen=True, slots=True)
class Facts:
    """What is known of a drawing besides its book: what fills the fields of a title block that nobody has filled."""

    title: str = ""
    revision: str = ""
    date: str = ""
    author: str = ""
    mark: bytes = b""


@dataclass(frozen=True, slots=True)
class PlacedView:
    """Where a view lies on its sheet: the step, the box of what it shows (left, bottom, right, top), and its scale."""

    id: str
    box: tuple[float, float, float, float]
    scale: float
    frame: Frame


@dataclass(frozen=True, slots=True)
class PlacedTable:
    """Where a table lies on its sheet."""

    id: str
    box: tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class Page:
    """A sheet as it is drawn, and where what lies on it can be taken hold of; ``missing`` is what did not fit, in words."""

    id: str
    name: str
    width: float
    height: float
    marks: tuple[Mark, ...]
    views: tuple[PlacedView, ...]
    tables: tuple[PlacedTable, ...]
    fields: tuple[FieldBox, ...]
    missing: tuple[str, ...] = field(default=())


def sheets_of(book: Book) -> list[tuple[str, Sheet]]:
    """The sheets of a drawing by the ids of their steps, in order."""
    return [(id, value) for id, value in on_paper(book) if isinstance(value, Sheet)]


def page_of(book: Book, number: int = 1, facts: Facts | None = None) -> Page:
    """The sheet with a number, from 1. A drawing without a sheet has one all the same: A4, lying."""
    facts = facts or Facts()
    sheets = sheets_of(book) or [("", Sheet("a4", 297.0, 210.0))]
    id, sheet = sheets[number - 1]
    style = style_for(sheet.width, sheet.height)
    views, tables = _on_sheet(book, id)
    fields = _fields(book, sheet, facts)
    space = _space(sheet, fields)
    marks: list[Mark] = border(sheet.width, sheet.height, WIDTH)
    placed: list[PlacedView] = []
    missing: list[str] = []
    rooms = _rooms(space, len(views))
    for (step, view), room in zip(views, rooms, strict=True):
        drawn, one = _view(book, step, view, room, style)
        marks += drawn
        if one is not None:
            placed.append(one)
            marks += _caption(book, one, placed[0], bounds(drawn), style)
        else:
            missing.append(f"{book.steps[step].name if step else 'the drawing'}: there is nothing in ink that it could show")
    lying: list[PlacedTable] = []
    top = space[3]
    for step, table in tables:
        drawn, where = _table(book, step, table, (space[2], top), style)
        marks += drawn
        lying.append(PlacedTable(step, where))
        top = where[1] - _CLEAR if table.at is None else top
    others = dict.fromkeys(scale_words(one.scale) for one in placed[1:] if one.scale != placed[0].scale)
    fields["scale"] = " ".join([scale_words(placed[0].scale), *(f"({one})" for one in others)]) if placed else ""
    fields["unit"] = book.header.manner.unit
    fields["sheet"] = f"{number} of {len(sheets)}"
    block, boxes = title_block(sheet.width, sheet.height, fields, facts.mark)
    name = book.steps[id].name if id else ""
    drawn_marks = tuple(spelled([*marks, *block]))
    held = tuple(placed), tuple(lying), tuple(boxes), tuple(missing)
    return Page(id, name, sheet.width, sheet.height, drawn_marks, *held)


def _fields(book: Book, sheet: Sheet, facts: Facts) -> dict[str, str]:
    known = {"title": facts.title, "revision": facts.revision, "date": facts.date, "author": facts.author}
    return {**{word: words for word, words in known.items() if words}, **dict(sheet.fields)}


def _on_sheet(book: Book, sheet: str) -> tuple[list[tuple[str, View]], list[tuple[str, PointTable]]]:
    """The views and the tables that stand on a sheet: those that name it, and those that name none and come behind it. A sheet
    on which no view stands shows the whole drawing."""
    key = key_of(book.steps[sheet].name) if sheet else ""
    # What comes before the first sheet stands on that.
    last = next((key_of(book.steps[id].name) for id, _ in sheets_of(book)), "")
    views: list[tuple[str, View]] = []
    tables: list[tuple[str, PointTable]] = []
    for id, held in on_paper(book):
        if isinstance(held, Sheet):
            last = key_of(book.steps[id].name)
        elif isinstance(held, View) and (held.sheet or last) == key:
            views.append((id, held))
        elif isinstance(held, PointTable) and (held.sheet or last) == key:
            tables.append((id, held))
    return views or [("", View(""))], tables


def _space(sheet: Sheet, fields: dict[str, str]) -> tuple[float, float, float, float]:
    """Where views lie: within the frame, over the title block."""
    left, bottom, right, top = drawing_space(sheet.width, sheet.height)
    return left + _CLEAR, bottom + height_of(fields) + _CLEAR, right - _CLEAR, top - _CLEAR


def _rooms(space: tuple[float, float, float, float], count: int) -> list[tuple[float, float, float, float]]:
    """The space divided evenly, side by side."""
    left, bottom, right, top = space
    wide = (right - left) / count
    return [(left + n * wide, bottom, left + (n + 1) * wide, top) for n in range(count)]


def _view(
    book: Book, step: str, view: View, room: tuple[float, float, float, float], style: Style
) -> tuple[list[Mark], PlacedView | None]:
    shown = _shown(book, view)
    if not shown:
        return [], None
    only = _stands_in(book, view)
    middle = view.at or ((room[0] + room[2]) / 2.0, (room[1] + room[3]) / 2.0)
    scale = view.scale if view.scale is not None else _largest(book, [one for _, one, _ in shown], view, room, (0.0, 0.0))
    frame, extent, beside = _at_scale(book, view, shown, only, scale, style)
    while view.scale is None and not _fits(_around(extent, beside), room):
        # What stands around the figures takes as much of the paper at any scale.
        around = _around(extent, beside)
        more = (around[2] - around[0]) - (extent[2] - extent[0]), (around[3] - around[1]) - (extent[3] - extent[1])
        smaller = _largest(book, [one for _, one, _ in shown], view, room, more, below=scale)
        if smaller == scale:
            break
        scale = smaller
        frame, extent, beside = _at_scale(book, view, shown, only, scale, style)
    about = extent if view.at is not None else _around(extent, beside)
    dx, dy = middle[0] - (about[0] + about[2]) / 2.0, middle[1] - (about[1] + about[3]) / 2.0
    where = (extent[0] + dx, extent[1] + dy, extent[2] + dx, extent[3] + dy)
    placed = replace(frame, x=dx, y=dy)
    drawn = [*_strokes(view, shown, placed, style), *moved(beside, shift(dx, dy), 0.0, 1.0)]
    return drawn, PlacedView(step, where, scale, placed)


def _around(extent: Box, marks: Sequence[Mark]) -> Box:
    """How far figures and what stands around them reach."""
    found = bounds(marks)
    join(found, extent)
    return found


def _at_scale(
    book: Book, view: View, shown: Sequence[tuple[str, Figure, str]], only: frozenset[str], scale: float, style: Style
) -> tuple[Frame, Box, list[Mark]]:
    """A view at a scale: how it lies, how far its figures reach on paper, and what stands on it."""
    frame = Frame(scale * MILLIMETRES[book.header.manner.unit], view.turn)
    extent = box_around(map(frame.figure, [figure for _, figure, _ in shown] if view.window is None else [view.window]))
    return frame, extent, laid_out(book, frame, style, only).marks() if view.window is None else []


def _largest(
    book: Book, figures: Sequence[Figure], view: View, room: tuple[float, float, float, float], beside: tuple[float, float],
    below: float = inf,
) -> float:  # fmt: skip
    """The largest scale of the standard, smaller than another, at which figures fit with so much beside them, or the smallest."""
    life = Frame(float(MILLIMETRES[book.header.manner.unit]), view.turn)
    one = box_around(map(life.figure, figures if view.window is None else [view.window]))
    scales = [scale for scale in scales_for(book.header.manner.unit) if scale < below]
    wide, high = room[2] - room[0] - beside[0], room[3] - room[1] - beside[1]
    fitting = (s for s in scales if s * (one[2] - one[0]) <= wide and s * (one[3] - one[1]) <= high)
    return next(fitting, scales[-1] if scales else below)


def _shown(book: Book, view: View) -> list[tuple[str, Figure, str]]:
    """What a view shows, each figure with its pen."""
    ink = list(in_ink(book))
    if not view.names:
        return ink
    wanted = {id.partition("/")[0] for name in _members(book, view.names) if (id := book.version(name, END) or "")}
    return [one for one in ink if one[0].partition("/")[0] in wanted]


def _members(book: Book, names: Sequence[str]) -> frozenset[str]:
    """Names with those of the members of groups among them."""
    found: set[str] = set()
    waiting = list(names)
    while waiting:
        name = waiting.pop()
        if name not in found:
            found.add(name)
            step = book.find(name, len(book.order))
            if step is not None and step.statement.kind == "group":
                waiting += [operand.key for operand in step.statement.operands]
    return frozenset(found)


def _stands_in(book: Book, view: View) -> frozenset[str]:
    """The steps whose dimensions and notes stand in a view: all, or those of what it shows; none in what is only cut out."""
    if view.window is not None:
        return frozenset()
    found = [id for id, _ in annotations(book)]
    if not view.names:
        return frozenset(found)
    names = _members(book, view.names)
    return frozenset(id for id in found if {use.key for use in book.steps[id].statement.uses} <= names)


def _strokes(view: View, shown: Sequence[tuple[str, Figure, str]], frame: Frame, style: Style) -> list[Mark]:
    """The figures of a view; of one that is cut out what lies within its circle."""
    marks = strokes_of(shown, frame, style)
    if view.window is None:
        return marks
    circle = frame.figure(view.window)
    assert isinstance(circle, Circle)
    return [Within(circle, tuple(marks)), Stroke(circle, style.narrow)]


def _fits(found: Sequence[float], room: tuple[float, float, float, float]) -> bool:
    return found[2] - found[0] <= room[2] - room[0] and found[3] - found[1] <= room[3] - room[1]


def _caption(book: Book, one: PlacedView, first: PlacedView, around: Box, style: Style) -> list[Mark]:
    """Over a view what it shows, where it is a detail, and its scale, where that is not the one of the title block."""
    value = book.values[one.id] if one.id else None
    view = value.figure if isinstance(value, Drawn) else None
    cut_out = isinstance(view, View) and view.window is not None
    if not cut_out and one.scale == first.scale:
        return []
    scale = f"({scale_words(one.scale)})"
    words = f"{book.steps[one.id].statement.operands[0].text} {scale}" if cut_out else scale
    at = Point((around[0] + around[2]) / 2.0, around[3] + 1.5 * style.height)
    return [Lettering(words, at, 1.4 * style.height, anchor="middle", strong=True)]


def _table(
    book: Book, step: str, table: PointTable, corner: tuple[float, float], style: Style
) -> tuple[list[Mark], tuple[float, float, float, float]]:
    """A table with its upper left corner where it was put, or its upper right one in a corner of the sheet."""
    edges = edge_names(book, step)
    heads, rows = rows_of(table, book.header, edges)
    h = style.height
    widths = [max(width_of(row[n], h, strong=row is heads) for row in [heads, *rows]) + 1.6 * h for n in range(len(heads))]
    line = 2.2 * h
    wide, high = sum(widths), line * (len(rows) + 1)
    x, y = table.at if table.at is not None else (corner[0] - wide, corner[1])
    marks = box(x, y - high, wide, high, style.wide)
    for n, row in enumerate([heads, *rows]):
        foot = y - (n + 1) * line
        marks += box(x, foot, wide, line, style.narrow)
        left = x
        for k, (words, width) in enumerate(zip(row, widths, strict=True)):
            numeric = k != 1 and n > 0
            at = Point(left + width - 0.8 * h if numeric else left + 0.8 * h, foot + 0.6 * h)
            marks.append(Lettering(words, at, h, anchor="end" if numeric else "start", strong=n == 0))
            left += width
    left = x
    for width in widths[:-1]:
        left += width
        marks += _rule(left, y - high, high, style)
    return marks, (x, y - high, x + wide, y)


def _rule(x: float, y: float, high: float, style: Style) -> list[Mark]:
    return box(x, y, 0.0, high, style.narrow)[1:2]


def edge_names(book: Book, step: str) -> list[str]:
    """The names of the edges from which a table counts, as they are written."""
    statement = book.steps[step].statement
    given = next((g for g in statement.givens if g.word == "edges"), None)
    return [statement.text[one.start : one.end] for one in given.arguments if isinstance(one, Name)] if given is not None else []
