"""The pointer as a way of writing: the words for the place it is at, and distances that go toward it."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from math import hypot, inf

from ..angles import direction_of
from ..book.book import Book
from ..book.caches import Kept
from ..book.kinds import STATEMENT_KINDS
from ..book.names import key_of
from ..book.step import planner_of
from ..book.tree import Statement
from ..book.values import StepResult
from ..construct.solution import Solution
from ..construct.solution import near as nearest_solution
from ..figures import FIGURE_NAMES, EndlessLine, Figure, Line, Outline, Point, RoundCurve, StraightCurve
from ..figures.along import heading, place_along
from ..figures.outline import Piece
from ..language.script import named_step
from ..measure.closest import distance_between
from ..problem import Refused
from ..snap.candidates import look
from ..snap.kinds import KINDS
from ..snap.query import Passed, Query, decimals_for
from ..tolerance import SPOT_SHARE
from ..units import plain
from .draft import Draft, is_endless
from .intents import mended
from .interpretation import worked_out
from .open_line import DRAFT_ID, OpenLine, read_open_line
from .pointer import Pointer
from .side_words import clicked_solution, worded
from .trying import tried


@dataclass(frozen=True, slots=True)
class Pointed:
    """The place that would be taken: its words, where it is, how many more lie in the very same spot, and the figure under it."""

    words: str
    at: Point
    special: bool
    more: int
    figure: str | None
    kind: str = ""
    """What kind of place it is; empty for a plain position."""
    sights: tuple[EndlessLine, ...] = ()
    """The sight lines that it lies on."""
    beside: str = ""
    """For a plain position: the special place that lies within a hair of it."""


ALONG = frozenset(kind.key for kind in KINDS.values() if kind.along)
OF_FIGURE = frozenset(kind.key for kind in KINDS.values() if kind.of_figure)
_FAR = ALONG | {"sights", "onward"}
"""Kinds that are no places of what is drawn there."""
_HAIR_PIXELS = 3.0


def place_at(book: Book, pointer: Pointer) -> Pointed:
    """The place within reach that is likeliest meant, or the plain position in round numbers."""
    return places_at(book, pointer, 1)[0]


def places_at(
    book: Book,
    pointer: Pointer,
    most: int,
    draft: Draft | None = None,
    index: int | None = None,
    only: frozenset[str] | None = None,
) -> list[Pointed]:
    """The places within reach, likeliest first, and behind them the plain position in round numbers.

    With a ``draft`` the sight lines and what is seen from its last place come in. ``only`` asks for these kinds alone,
    whether they are on or not.
    """
    query = _query(book, pointer, draft, index, only)
    found, under = look(book, query)
    spots = [(c.at.x, c.at.y) for c in found if c.kind not in _FAR]
    near = SPOT_SHARE * pointer.reach
    taken: list[Pointed] = []
    for one in found[:most]:
        more = sum(abs(x - one.at.x) <= near and abs(y - one.at.y) <= near for x, y in spots)
        more -= one.kind not in _FAR
        taken.append(Pointed(one.words, one.at, one.kind not in ALONG, more, one.step or under, one.kind, one.sights))
    own = _own_corner(book, pointer, draft, index)
    if own is not None and (not taken or taken[0].kind in _FAR or taken[0].kind not in _ON_ITS_OWN):
        taken.insert(0, own)
    words, at = plain_position(book, pointer)
    hair = _HAIR_PIXELS * pointer.pixel
    close = [c for c in found if c.kind not in ALONG and hypot(c.at.x - at.x, c.at.y - at.y) <= hair and c.at != at]
    return [*taken, Pointed(words, at, False, 0, under, beside=close[0].words if close else "")]


_ON_ITS_OWN = frozenset({"point", "end", "centre", "crossing"})
"""Kinds of place that hold better than a corner of the figure being written, where both lie in one spot."""


def _own_pieces(book: Book, draft: Draft | None, index: int) -> tuple[Piece, ...]:
    """The pieces of the chain being written, as it stands; none of another kind."""
    if draft is None or not is_endless(draft.kind) or not draft.rows:
        return ()
    value = evaluate_draft(book, draft, index).value
    figure = value.figure if isinstance(value, StepResult) else None
    return figure.pieces if isinstance(figure, Outline) else ()


def closes(book: Book, draft: Draft, pointer: Pointer, index: int) -> bool:
    """Whether the pointer is on the beginning of a chain that can be closed there."""
    pieces = _own_pieces(book, draft, index) if draft.at is None else ()
    return len(pieces) > 1 and hypot(pieces[0].start.x - pointer.x, pieces[0].start.y - pointer.y) <= pointer.reach


def _own_corner(book: Book, pointer: Pointer, draft: Draft | None, index: int | None) -> Pointed | None:
    """A corner within reach of the chain being written, or the middle of a piece of it, in numbers: they have no names yet. The
    last corner is where one stands."""
    pieces = _own_pieces(book, draft, len(book.order) if index is None else index)
    places = [(piece.start, "end") for piece in pieces]
    places += [(place_along(piece, piece.length / 2.0), "middle") for piece in pieces]
    near = [(hypot(p.x - pointer.x, p.y - pointer.y), p, kind) for p, kind in places]
    off, at, kind = min(near, key=lambda one: one[0], default=(inf, None, ""))
    return Pointed(in_numbers(book, at), at, True, 0, None, kind) if at is not None and off <= pointer.reach else None


def in_numbers(book: Book, at: Point) -> str:
    """A place in coordinates, with as many digits as it takes."""
    x, y = book.writing.from_world(at)
    return f"{plain(x, 12)}{book.suffix}, {plain(y, 12)}{book.suffix}"


def later_place(book: Book, pointer: Pointer, index: int) -> Pointed | None:
    """The special place within reach of a figure that stands behind ``index``; None where an earlier one is as near."""
    found = places_at(book, pointer, 1)[0]
    late = found.special and found.kind not in _FAR and found.figure is not None
    return found if late and book.position(book.step_of(found.figure or "")) > index else None


def exactly_at(pointer: Pointer, at: Point) -> Pointer:
    """The pointer on the very place, which is then written with as many digits as it takes."""
    free = replace(pointer.snapping, turn=0.0, turns=(), step=0.0, grid=0.0)
    return replace(pointer, x=at.x, y=at.y, reach=pointer.reach * SPOT_SHARE, pixel=pointer.pixel * SPOT_SHARE, snapping=free)


def _query(book: Book, pointer: Pointer, draft: Draft | None, index: int | None, only: frozenset[str] | None) -> Query:
    at = len(book.order) if index is None else index
    s = pointer.snapping
    # What is counted from the step before is asked for: by a word, or by resting on its place.
    last = own_last(book, draft, at) if draft is not None and draft.kind in _ONWARD else None
    late = tuple(id for id in book.order[max(0, at - _LATE) : at] if _runs(book, id))
    on = s.on if only is None else only
    passed = tuple(p for words in pointer.passed for p in _passed(book, words, at)) if draft is not None else ()
    own = _own_pieces(book, draft, at)
    if own:
        # Level and plumb with its own beginning, so that it can close square.
        passed = (Passed(in_numbers(book, own[0].start), own[0].start), *passed)
    return Query(
        pointer.x, pointer.y, pointer.reach, pointer.pixel, on, last, passed,
        s.parts, s.turn, s.step, s.grid, at, book.suffix, s.turns, late if draft is not None else (),
        s.ink_only,
    )  # fmt: skip


_LATE = 4
_ONWARD = frozenset({"line", "path", "arc", "rectangle"})
"""Kinds whose places are seen from the one that they put down before."""


def _runs(book: Book, id: str) -> bool:
    value = book.values[id]
    return isinstance(value, StepResult) and isinstance(value.figure, StraightCurve | RoundCurve)


def _passed(book: Book, words: str, index: int) -> list[Passed]:
    """What was passed over, as it stands now; kept with the book, since every move of the pointer asks for the same few."""
    found = _PASSED.of(book)
    if (words, index) not in found:
        found[(words, index)] = _found_again(book, words, index)
    return found[(words, index)]


def _found_again(book: Book, words: str, index: int) -> list[Passed]:
    """A place in words, or a line by its name; nothing where it can no longer be found."""
    step = book.find(key_of(words), index)
    if step is not None and step.figure_kind == FIGURE_NAMES[Line]:
        return [Passed(words, None, step.id)]
    try:
        made, value = tried(book, f"point {words}", DRAFT_ID, index)
    except Refused:
        return []
    if not isinstance(value, StepResult) or not isinstance(value.figure, Point):
        return []
    uses = made.statement.uses
    of = book.find(uses[-1].key, index) if len(uses) == 1 else None
    return [Passed(words, value.figure, of.id if of is not None and of.name != words else "")]


def places_passed(book: Book, pointer: Pointer, index: int) -> list[Point]:
    """Where the places are that the pointer passed over."""
    return [p.at for words in pointer.passed for p in _passed(book, words, index) if p.at is not None]


def passed_over(book: Book, pointed: Pointed) -> str | None:
    """What sight lines start from when this place, or the line under the pointer, is passed over."""
    if pointed.special and pointed.kind not in ("foot", "touch", "sights"):
        return pointed.words
    step = book.steps[book.step_of(pointed.figure)] if pointed.figure else None
    return step.name if step is not None and step.figure_kind == FIGURE_NAMES[Line] else None


def rounded(pointer: Pointer, value: float) -> float:
    """A length in distance steps, or as round as a pixel is wide."""
    return Query(0.0, 0.0, pointer.reach, pointer.pixel, step=pointer.snapping.step).rounded(value)


def plain_position(book: Book, pointer: Pointer) -> tuple[str, Point]:
    """Where the pointer is, on the grid or in numbers as round as a pixel is wide, and that place."""
    manner = book.writing
    x, y = manner.from_world(Point(pointer.x, pointer.y))
    decimals = decimals_for(pointer.pixel, book.header.decimals)
    grid = pointer.snapping.grid
    rx, ry = (round(x / grid) * grid, round(y / grid) * grid) if grid > 0.0 else (round(x, decimals), round(y, decimals))
    at = Point(*manner.to_world(rx, ry))
    return f"{plain(rx, 12)}{book.suffix}, {plain(ry, 12)}{book.suffix}", at


def read_with_pointer(book: Book, draft: Draft | None, text: str, index: int | None, pointer: Pointer | None) -> OpenLine:
    """Reads the open line; a distance without a direction goes toward the pointer."""
    line = read_open_line(book, draft, text, index)
    problem = line.problem
    if problem is None or problem.kind != "needs_pointer" or pointer is None:
        return line
    at = len(book.order) if index is None else index
    last = last_of_draft(book, draft, at)
    pointed = place_at(book, pointer)
    dx, dy = pointed.at.x - last.x, pointed.at.y - last.y
    if hypot(dx, dy) == 0.0:
        return line
    distance = text.strip().lstrip("+ ")
    if pointed.special:
        way = f"toward {pointed.words}"
    else:
        # Whole degrees, as a person would write it down.
        way = f"at {round(book.writing.direction_from_core(direction_of(dx, dy))) % 360}"
    words = text.strip()[: max(0, problem.start)] if problem.start > 0 else ""
    return read_open_line(book, draft, f"{words}+ {distance[len(words) :].lstrip('+ ')} {way}".strip(), index)


def with_solution(
    book: Book, line: OpenLine, choice: int | None, pointer: Pointer | None, index: int, mend: str | None = None
) -> OpenLine:
    """The line with another solution taken: by its number or, where no side is stated, the one nearest to the pointer.

    Before that those count that touch where the figures were clicked, unless the pointer is on another solution. The side
    words that mean it are written into the statement; ``mend`` is the step whose text it is, if there is one.
    """
    value, step = line.value, line.step
    if step is None or not (line.do == "write" or line.several) or not isinstance(value, StepResult) or len(value.solutions) < 2:
        return line
    stated = any(g.chooses for g in step.statement.givens)
    clicked = None if stated or line.draft is None else clicked_solution(line.draft, step.statement, value.solutions)
    if choice is not None:
        which = choice % len(value.solutions)
    elif clicked is not None and not (pointer is not None and _on_one(value.solutions, pointer)):
        which = clicked
    elif pointer is not None and not stated:
        at = Point(pointer.x, pointer.y)
        apart = STATEMENT_KINDS[step.statement.kind].told_apart([g.word for g in step.statement.givens])
        which = nearest_solution(value.solutions, lambda figure: _FAR_OFF[apart](figure, at))
    else:
        return line
    try:
        text = worded(book, step, value, which, index)
        step, value = mended(book, mend, text) if mend else tried(book, text, DRAFT_ID, index)
    except Refused:
        return line
    hint = "Enter writes this one; ↑ ↓ go through the others." if line.several else line.hint
    return replace(line, do="write", several=False, step=step, value=value, statement=step.statement.text, hint=hint)


def _nearest_end(*words: str) -> Callable[[Figure, Point], float]:
    def off(figure: Figure, at: Point) -> float:
        ends = (getattr(figure, word, None) for word in words)
        return min((hypot(end.x - at.x, end.y - at.y) for end in ends if isinstance(end, Point)), default=inf)

    return off


_FAR_OFF: dict[str, Callable[[Figure, Point], float]] = {
    "curve": lambda figure, at: distance_between(at, figure),
    "end": _nearest_end("end"),
    "ends": _nearest_end("start", "end"),
}
"""How far off the pointer a solution is, by what tells them apart."""


def _on_one(solutions: Sequence[Solution], pointer: Pointer) -> bool:
    at = Point(pointer.x, pointer.y)
    return any(distance_between(at, one.figure) <= pointer.reach for one in solutions)


def evaluate_draft(book: Book, draft: Draft, index: int) -> OpenLine:
    """A draft as it stands with nothing typed; the last one is kept, since one look at the pointer asks several times."""
    kept = _STANDS.of(book)
    if (draft, index) not in kept:
        kept.clear()
        kept[(draft, index)] = read_open_line(book, draft, "", index)
    return kept[(draft, index)]


_PASSED: Kept[dict[tuple[str, int], list[Passed]]] = Kept(dict)
_STANDS: Kept[dict[tuple[Draft, int], OpenLine]] = Kept(dict)


def last_of_draft(book: Book, draft: Draft | None, index: int) -> Point:
    """The place that the next relative entry of a draft counts from."""
    return own_last(book, draft, index) or book.last_place(index)


def own_last(book: Book, draft: Draft | None, index: int) -> Point | None:
    """The place that a draft has put down last; None while it has put down none."""
    step = evaluate_draft(book, draft, index).step if draft is not None else None
    return last_of_givens(book, step.statement, index) if step is not None else None


def last_of_givens(book: Book, statement: Statement, index: int) -> Point | None:
    """Follows the places of a statement, each relative to the one before it, as far as they can be worked out."""
    step = named_step(DRAFT_ID, replace(statement, name=None), book.header, set())
    planner = planner_of(step, book.header.manner.unit)
    last = None
    for _, value in worked_out(book, planner, statement, index, book.last_place(index)):
        if value is None:
            # What cannot be worked out has put nothing down.
            return last
        if type(value) is Point:
            last = value
    return last


def turning_about(book: Book, draft: Draft | None, index: int) -> Point | None:
    """The centre of the arc being written, once it has a beginning and while its end is free."""
    if draft is None or draft.at is not None:
        return None
    centre = [row for row in draft.rows if row.startswith("centre ")]
    words = {word for row in draft.rows for word in row.split()[:1]}
    kind = STATEMENT_KINDS.get(draft.kind)
    if not centre or "from" not in words or words & {"to", "sweep"} or kind is None or kind.given("sweep") is None:
        return None
    return last_of_draft(book, Draft(draft.kind, (centre[0],)), index)


def leaving(book: Book, draft: Draft | None, index: int) -> float | None:
    """The direction in which a chain leaves its last end; None while it has no piece yet."""
    if draft is None or not is_endless(draft.kind) or draft.at is not None or len(draft.rows) < 2:
        return None
    value = evaluate_draft(book, draft, index).value
    figure = value.figure if isinstance(value, StepResult) else None
    return direction_of(*heading(figure.pieces[-1], False)) if isinstance(figure, Outline) else None
