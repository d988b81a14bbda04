"""Ink and trim by pointing: the stretches that a pointer goes over, one after the other, and what would be written for them.

Each is worked out on the drawing as the ones before it leave it, so that what is shown is what will be written.
"""

from dataclasses import dataclass, field
from math import hypot
from typing import Any

from ..book.book import Book
from ..book.caches import Kept
from ..book.edits import Edit, Insert
from ..book.index import index_of
from ..book.kinds import STATEMENT_KINDS
from ..book.order import END, Key
from ..book.scene import pen_of
from ..book.values import StepResult
from ..figures import EndlessLine, Figure, Line, Outline, Piece, Point
from ..figures.along import place_along
from ..intersect import intersect
from ..language.messages import sentence
from ..measure.distance_to import distance_to
from ..problem import Problem, Refused
from ..shape.join import slack_of
from ..shape.stretch import end_of, is_closed, same_cut, start_of
from ..snap.stretches import Stop, Stretch, counts, figures_under, stretch_of
from ..tolerance import ROUGH_SHARE, SPOT_SHARE, TOLERANCE
from .intents import Entry, take_away
from .trying import tried

Place = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Brush:
    """What is done, by the word of its kind, and how: ``whole`` figures, or stretches; with ``ink_only`` pencil is not there.

    ``reach`` is how far from a figure the pointer may be where it goes down, in the drawing's unit.
    """

    word: str
    reach: float
    whole: bool = False
    ink_only: bool = False

    @property
    def inks(self) -> bool:
        """Whether stretches are inked; otherwise they go."""
        return STATEMENT_KINDS[self.word].marks == "inked over"


@dataclass(slots=True)
class Stroke:
    """What a stroke has come to: the stretches as they would be inked, or gone, and what would be written for each.

    ``words`` is the last of them in words, ``why`` the reason why the last thing that was met cannot be done.
    """

    stretches: list[Figure] = field(default_factory=list)
    entries: list[Entry] = field(default_factory=list)
    words: tuple[str, ...] = ()
    why: str = ""


@dataclass(slots=True)
class _State:
    before: Book
    pending: Edit | None = None
    """What was done last: most strokes are looked at once, and go no further."""
    path: tuple[Place, ...] = ()
    stroke: Stroke = field(default_factory=Stroke)

    @property
    def book(self) -> Book:
        """The book as what was stroked over so far leaves it."""
        if self.pending is not None:
            self.before, _ = self.before.edited(self.pending)
            self.pending = None
        return self.before


def strokes(kind: str) -> bool:
    """Whether a kind is done by pointing at stretches."""
    return kind in STATEMENT_KINDS and STATEMENT_KINDS[kind].brush


def stroked(book: Book, brush: Brush, path: tuple[Place, ...], index: int) -> Stroke:
    """What a brush comes to that goes down at the first place of a path and moves along it; nothing is changed.

    A longer path goes on from where the same one was looked at before.
    """
    known = _STATES.of(book)
    key = (brush, index)
    state = known.get(key)
    if state is None or state.path != path[: len(state.path)]:
        state = known[key] = _State(book)
    before = book.order[index] if index < len(book.order) else None
    for n in range(len(state.path), len(path)):
        if n == 0:
            _do(state, brush, Point(*path[0]), brush.reach, before)
            continue
        for at in _crossed(state.book, brush, Point(*path[n - 1]), Point(*path[n]), before):
            _do(state, brush, at, ROUGH_SHARE * brush.reach, before)
    state.path = path
    if not state.stroke.entries and not state.stroke.why:
        # Nothing is swallowed: the tag says beforehand that a click does nothing here.
        return Stroke(why=f"There is nothing to {brush.word} here.")
    return state.stroke


_STATES: Kept[dict[tuple[Brush, int], _State]] = Kept(dict)


def _crossed(book: Book, brush: Brush, a: Point, b: Point, before: str | None) -> list[Point]:
    """Where the pointer goes over figures on its way from one place to another, in that order."""
    if TOLERANCE.same_place(a.x, a.y, b.x, b.y):
        return []
    way, at = Line(a, b), book.key_at(book.index_before(before))
    found: list[Point] = []
    for id in index_of(book).in_box(min(a.x, b.x), min(a.y, b.y), max(a.x, b.x), max(a.y, b.y), True):
        figure = book.figure_of(id)
        if isinstance(figure, Point) or not counts(book, id, at, brush.ink_only):
            continue
        for piece in figure.pieces if isinstance(figure, Outline) else (figure,):
            found += [spot.at for spot in intersect(way, piece).spots]
    return sorted(found, key=lambda spot: (spot.x - a.x) * (b.x - a.x) + (spot.y - a.y) * (b.y - a.y))


def _preferred(book: Book, brush: Brush, alike: list[str]) -> str:
    """Of figures that lie one upon the other: what is inked is in pencil, what is trimmed is in ink, as far as there is any."""
    wanted = [id for id in alike if (pen_of(book, id) == "pencil") == (brush.inks)]
    return (wanted or alike)[0]


def _do(state: _State, brush: Brush, at: Point, reach: float, before: str | None) -> None:
    """Does what is under a place, on the drawing as what came before has left it."""
    book, stroke = state.book, state.stroke
    found = figures_under(book, at.x, at.y, reach, book.index_before(before), brush.ink_only)
    if not found:
        return
    nearest = min(found)[0] + SPOT_SHARE * brush.reach
    id = _preferred(book, brush, [one for off, one in found if off <= nearest])
    stretch = _stretch(book, brush, id, at, before)
    if stretch is None:
        return
    entry, whole = _entry(book, brush, stretch)
    if brush.inks and _inked(book, stretch, whole, book.key_at(book.index_before(before))):
        stroke.why = f"{stretch.name} is in ink there already."
        return
    number = len(stroke.entries)
    edit: Edit
    try:
        if entry.away:
            edit, _ = take_away(book, [stretch.id], f"brush-{number}")
        else:
            step, value = tried(book, entry.text, f"brush-{number}", book.index_before(before))
            if isinstance(value, Problem):
                raise Refused(value)
            edit = Insert(step, before)
    except Refused as refused:
        stroke.why = sentence(refused.problem)
        return
    state.pending = edit
    stroke.stretches.append(book.figure_of(stretch.id) if whole else stretch.part)
    stroke.entries.append(entry)
    stroke.words, stroke.why = _in_words(brush.word, entry, stretch), ""


def _in_words(word: str, entry: Entry, stretch: Stretch) -> tuple[str, ...]:
    """What is done to which figure, and from where to where."""
    if not entry.text:
        return (f"{stretch.name} as a whole goes",)
    ends = [f"{side} {stop.words}" for side, stop in (("from", stretch.start), ("to", stretch.end)) if stop is not None]
    return (f"{word} {stretch.name}", *(ends if " from " in entry.text else ()))


def _stretch(book: Book, brush: Brush, id: str, at: Point, before: str | None) -> Stretch | None:
    name = book.name_of(id)
    if brush.whole:
        return Stretch(id, name, book.figure_of(id), None, None)
    return stretch_of(book, id, at, brush.reach, book.index_before(before), brush.ink_only)


def _entry(book: Book, brush: Brush, stretch: Stretch) -> tuple[Entry, bool]:
    """What is written for a stretch, and whether it is the whole figure."""
    start, end = stretch.start, stretch.end
    if brush.whole or _is_all(book.figure_of(stretch.id), start, end):
        return (Entry(f"{brush.word} {stretch.name}"), True) if brush.inks else (Entry(away=stretch.name), True)
    sides = [f"{word} {stop.words}" for word, stop in (("from", start), ("to", end)) if stop is not None]
    return Entry(f"{brush.word} {stretch.name} {' '.join(sides)}"), False


def _is_all(figure: Any, start: Stop | None, end: Stop | None) -> bool:
    """Whether a stretch is all that there is of a figure."""
    if isinstance(figure, EndlessLine):
        return False
    if start is None or end is None or same_cut(figure, start.cut, end.cut):
        return True
    if is_closed(figure):
        return False
    return same_cut(figure, start.cut, start_of(figure)) and same_cut(figure, end.cut, end_of(figure))


def _inked(book: Book, stretch: Stretch, whole: bool, at: Key) -> bool:
    """Whether all of a stretch lies under what is in ink already."""
    if whole:
        return pen_of(book, stretch.id, at) != "pencil"
    part: Any = stretch.part
    if isinstance(part, EndlessLine):
        return False
    spots = [place_along(part, share * part.length) for share in _SHARES]
    slack = 10.0 * TOLERANCE.length(part.length, max(abs(spots[0].x), abs(spots[0].y)))
    for id in index_of(book).around(spots[0].x, spots[0].y, slack):
        figure = book.figure_of(id)
        if id == stretch.id or isinstance(figure, Point) or not counts(book, id, at, True):
            continue
        if all(distance_to(figure, spot.x, spot.y) <= slack for spot in spots):
            return True
    return False


_SHARES = (0.07, 0.37, 0.61, 0.93)
"""Places of a stretch, as shares of its length, that nothing lies on together by chance."""


def offered_join(book: Book) -> str:
    """The statement that joins what was inked last with what meets it end to end; empty where nothing does."""
    kept = _OFFERS.of(book)
    if not kept:
        last = book.order[-1] if len(book.order) else None
        kept.append(_chain(book, last) if last is not None and strokes(book.steps[last].statement.kind) else "")
    return kept[0]


_OFFERS: Kept[list[str]] = Kept(list)


def _chain(book: Book, id: str) -> str:
    value = book.values[id]
    ends = _ends(value.figure) if isinstance(value, StepResult) else None
    if ends is None:
        return ""
    names = [book.name_of(id)]
    for at_front in (True, False):
        tip = ends[0 if at_front else 1]
        slack = slack_of(book.figure_of(id).length, max(abs(tip.x), abs(tip.y)))
        while (found := _next(book, tip, slack, names)) is not None:
            name, tip = found
            names = [name, *names] if at_front else [*names, name]
    return f"join {' '.join(names)}" if len(names) > 1 else ""


def _next(book: Book, tip: Point, slack: float, names: list[str]) -> tuple[str, Point] | None:
    """The one other piece, not in pencil, that has an end at a place, and its other end; None where there is none, or more than
    one."""
    found: list[tuple[str, Point]] = []
    for id in index_of(book).around(tip.x, tip.y, slack):
        ends, name = _ends(book.figure_of(id)), book.name_of(id)
        if ends is None or name in names or not counts(book, id, END, True):
            continue
        found += [(name, far) for near, far in (ends, ends[::-1]) if hypot(near.x - tip.x, near.y - tip.y) <= slack]
    return found[0] if len(found) == 1 else None


def _ends(figure: Any) -> tuple[Point, Point] | None:
    """Both ends of what can be joined; None of anything else."""
    joins = isinstance(figure, Piece | Outline) and not is_closed(figure)
    return (figure.start, figure.end) if joins else None
