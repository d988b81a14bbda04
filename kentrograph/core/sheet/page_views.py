"""Views on a sheet: the drawing, or figures of it, or what a detail marks, at the stated scale or the largest that fits."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from math import inf

from ..book.book import Book
from ..book.on_paper import View
from ..book.order import END
from ..book.papers import scale_words, scales_for
from ..book.values import StepResult
from ..figures import Circle, Figure, Point
from ..figures.box import Box, box_around, boxes_meet, join
from ..figures.similarity import shift
from ..units import MILLIMETRES
from .bounds import bounds
from .frame import Frame
from .marks import Lettering, Mark, Stroke, Within, moved
from .of_book import annotations, in_ink, laid_out, strokes_of
from .style import Style

Room = tuple[float, float, float, float]
"""Left, bottom, right, top, in mm on the sheet."""
CLEAR = 5.0
"""Millimetres that are kept free around views."""
_LEAST = 20.0
"""Less room than this is none."""


@dataclass(frozen=True, slots=True)
class PlacedView:
    """Where a view lies on its sheet: the step, the box of what it shows (left, bottom, right, top), and its scale."""

    id: str
    box: tuple[float, float, float, float]
    scale: float
    frame: Frame


@dataclass(frozen=True, slots=True)
class ShownViews:
    """The views of a sheet with their marks, how far each reaches with all that stands on it, and those that show nothing."""

    placed: list[PlacedView]
    marks: list[Mark]
    around: list[Box]
    missing: list[str]

    def clear_of(self, boxes: Sequence[Room]) -> bool:
        """Whether no view lies on one of some boxes."""
        return not any(boxes_meet(one, other) for one in self.around for other in boxes)


def views_on_page(
    book: Book, views: Sequence[tuple[str, View]], space: Room, in_the_way: Sequence[Room], style: Style
) -> ShownViews:
    """All views of a sheet within a space, clear of what stands in the way at its upper right: where they would lie on that, in
    what is left beside it or under it, whichever lets them be larger."""
    found = _views_within(book, views, space, style)
    if found.clear_of(in_the_way):
        return found
    left, bottom, right, top = space
    beside = (left, bottom, min(one[0] for one in in_the_way) - CLEAR, top)
    under = (left, bottom, right, min(one[1] for one in in_the_way) - CLEAR)
    roomy = [one for one in (beside, under) if one[2] - one[0] > _LEAST and one[3] - one[1] > _LEAST]
    others = [_views_within(book, views, one, style) for one in roomy]
    clear = [one for one in others if one.clear_of(in_the_way)]
    return max(clear, key=lambda one: min((view.scale for view in one.placed), default=0.0), default=found)


def _views_within(book: Book, views: Sequence[tuple[str, View]], space: Room, style: Style) -> ShownViews:
    """The views side by side within a space, each with its caption."""
    shown = ShownViews([], [], [], [])
    for (step, view), room in zip(views, _rooms(space, len(views)), strict=True):
        drawn, one = _view_on_page(book, step, view, room, style)
        if one is None:
            name = book.steps[step].name if step else "the drawing"
            shown.missing.append(f"{name}: there is nothing in ink that it could show")
            continue
        shown.placed.append(one)
        shown.around.append(_around(list(one.box), drawn))
        shown.marks.extend([*drawn, *_caption(book, one, shown.placed[0], shown.around[-1], style)])
    return shown


def _rooms(space: Room, count: int) -> list[Room]:
    """The space divided evenly, side by side."""
    left, bottom, right, top = space
    wide = (right - left) / count
    return [(left + n * wide, bottom, left + (n + 1) * wide, top) for n in range(count)]


def _view_on_page(book: Book, step: str, view: View, room: Room, style: Style) -> tuple[list[Mark], PlacedView | None]:
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
    book: Book, figures: Sequence[Figure], view: View, room: Room, beside: tuple[float, float],
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
            if step is not None and step.gathers:
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


def _fits(found: Sequence[float], room: Room) -> bool:
    return found[2] - found[0] <= room[2] - room[0] and found[3] - found[1] <= room[3] - room[1]


def _caption(book: Book, one: PlacedView, first: PlacedView, around: Box, style: Style) -> list[Mark]:
    """Over a view what it shows, where it is a detail, and its scale, where that is not the one of the title block."""
    value = book.values[one.id] if one.id else None
    view = value.figure if isinstance(value, StepResult) else None
    cut_out = isinstance(view, View) and view.window is not None
    if not cut_out and one.scale == first.scale:
        return []
    scale = f"({scale_words(one.scale)})"
    words = f"{book.steps[one.id].statement.operands[0].text} {scale}" if cut_out else scale
    at = Point((around[0] + around[2]) / 2.0, around[3] + 1.5 * style.height)
    return [Lettering(words, at, 1.4 * style.height, anchor="middle", strong=True)]
