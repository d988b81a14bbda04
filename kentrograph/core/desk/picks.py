"""What a click states: a place or a figure under the pointer as the givens that make sense there, likeliest first.

Each pick is a row as it will read in the book. Every one offered has been tried: the figure being written can use it.
"""

from dataclasses import dataclass, replace
from typing import NamedTuple

from ..book.kinds import STATEMENT_KINDS
from ..book.values import StepResult
from ..figures import Curve, Line, Point, RoundCurve, StraightCurve
from ..language.messages import sentence
from ..problem import Problem
from ..tolerance import SPOT_SHARE
from ..units import plain
from .desk import Desk
from .draft import READING, Draft
from .kinds import click_candidates
from .kinds.facet import OF_THE_LAST, Click, figure_under, nearest_only
from .open_line import READ, OpenLine, read_open_line, understood
from .phrases import phrases
from .pointer import Pointer
from .pointing import Pointed, evaluate_draft, last_of_draft, places_at, read_with_pointer, with_solution

_MOST = 12
_MOST_PLACES = 7


@dataclass(frozen=True, slots=True)
class Shown:
    """An open line under the pointer: as it reads, as it would be shown, and what a click there would do.

    ``rows`` are the readings of the pick, likeliest first, of which ``picked`` is the one that would be taken.
    """

    line: OpenLine
    shown: OpenLine
    click: OpenLine | None = None
    rows: tuple[str, ...] = ()
    picked: int = 0
    pointed: Pointed | None = None
    """The place under the pointer that is likeliest meant."""
    beside: str = ""
    """The special place within a hair of the plain position that would be taken."""
    unfit: Problem | None = None
    """Why the place that is likeliest meant will not do, where something else would be taken instead."""
    idle: str = ""
    """Why a click here states nothing, where it does not."""


def under_pointer(desk: Desk) -> Shown:
    """Reads the open line with the pointer over the drawing.

    The choice in hand is which reading of a pick is meant or, where nothing more can be given, which solution; where the pointer
    was aimed, the solution nearest to it is meant.
    """
    book, hand, index = desk.book, desk.hand, desk.index
    draft, text, pointer, choice = hand.draft, hand.text, hand.pointer, hand.choice
    places = places_at(book, pointer, _MOST_PLACES, draft, index) if pointer else []
    pointed = places[0] if places else None
    line = read_with_pointer(book, draft, text, index, pointer)
    aim = pointer if hand.aimed else None
    if draft is None and pointer is not None and line.do in ("begin", "nothing"):
        begun = _begun(line, text)
        if begun is not None:
            # A figure that is begun by typing takes the click as well, before Enter.
            inner = under_pointer(desk.but(draft=begun[0], text=begun[1]))
            if inner.click is not None and inner.rows:
                return replace(inner, line=line, shown=inner.shown if inner.shown.value is not None else line)
    if draft is not None and text.strip() and pointer is not None and line.do in ("type", "nothing"):
        rows = phrases(book, draft, text, index, pointer, places)
        found = [pick for row in rows if (pick := _read(desk, row)).fits]
        unfit = _unfit(desk, rows, found, places[0])
        if found:
            return replace(_picked(desk, line, found, places), unfit=unfit)
        if unfit is not None and line.do == "nothing":
            end = len(text.rstrip())
            line = replace(line, problem=unfit.at(0, end))
    if draft is None or text.strip() or pointer is None:
        line = with_solution(book, line, choice, aim if draft is not None else None, index)
        # What is typed cannot be drawn yet: the figure stays in sight as it stands without it.
        return Shown(
            line, line if line.value is not None or draft is None else evaluate_draft(book, draft, index), pointed=pointed
        )
    found, refused = picks(desk, places)
    if not found:
        line = with_solution(book, line, choice, aim, index)
        # A list of figures may go on: a click that names none of them does not end it.
        listed = line.step is not None and {g.word for g in line.step.statement.givens} == {"figures"}
        if line.do == "write" and not listed:
            return Shown(line, line, line, pointed=pointed)
        return Shown(line, line, pointed=pointed, idle=_idle(refused, places[0]))
    return _picked(desk, line, found, places)


def _idle(refused: "list[Pick]", place: Pointed) -> str:
    """Why a click states nothing: what lies there will not do, or nothing does."""
    best = max((pick.line for pick in refused), key=understood, default=None)
    if best is not None and best.problem is not None and understood(best) == READ:
        return sentence(best.problem)
    return "There is nothing here that it could take." if place.special or place.figure is not None else "No figure lies here."


def _unfit(desk: Desk, rows: list[str], found: "list[Pick]", place: Pointed) -> Problem | None:
    """Why the special place under the pointer cannot be used as it was asked for; None where it can."""
    figure = desk.book.name_of(place.figure) if place.figure is not None else ""
    meant = [row for row in rows if place.words in row or (figure and row.split()[-1] == figure)]
    if not place.special or any(pick.row in meant for pick in found):
        return None
    lines = [_read(desk, row).line for row in meant if not row.endswith((",", ";"))]
    refused = [line for line in lines if line.problem is not None]
    best = max(refused, key=understood, default=None)
    return best.problem if best is not None and understood(best) == READ else None


def _begun(line: OpenLine, text: str) -> tuple[Draft, str] | None:
    """What is typed as the kind of figure that it begins, and the rest; None where it begins none."""
    if line.do == "begin" and line.draft is not None and not line.row:
        # What reads by pointing has no figure that a click could state already.
        return (line.draft, "") if line.draft.kind != READING and not line.draft.rows else None
    kind, _, rest = text.strip().partition(" ")
    return (Draft(kind.lower()), rest.strip()) if kind.lower() in STATEMENT_KINDS else None


def _picked(desk: Desk, line: OpenLine, found: "list[Pick]", places: list[Pointed]) -> Shown:
    book, index, draft, pointer = desk.book, desk.index, desk.draft, desk.pointer
    assert draft is not None
    assert pointer is not None
    which = (desk.hand.choice or 0) % len(found)
    picked = clicked_at(found[which].line, draft, pointer)
    # Where a pick leaves several solutions, the one is meant that touches where its figures were clicked; where it touches none,
    # the one that runs nearest to the pointer.
    click = with_solution(book, picked, None, None, index)
    if click is picked:
        click = with_solution(book, picked, None, pointer, index)
    if _may_go_on(click):
        # Of a list of figures another click names the next one; Enter says that there are no more.
        click = replace(click, do="given")
    drawn = click if click.value is not None or line.value is None else line
    plain = places[-1]
    beside = plain.beside if plain.words in found[which].row else ""
    # The tag, the mark and the sight lines are those of the reading that would be taken; the mark of a line that ends where it
    # touches is there.
    meant = next((p for p in places if p.words in found[which].row), None) or _where_it_ends(click, places[0])
    return Shown(line, drawn, click, tuple(p.row for p in found), which, meant, beside)


def _may_go_on(line: OpenLine) -> bool:
    """Whether nothing but figures is given to a kind that takes any number of them."""
    if line.do != "write" or line.step is None or line.draft is None:
        return False
    statement = line.step.statement
    kind = STATEMENT_KINDS.get(line.draft.kind)
    if kind is None:
        return False
    if kind.givens[0].takes == "things":
        return not any(g.word in ("at", "from") for g in statement.givens)
    return {g.word for g in statement.givens} == {"figures"} and kind.givens[0].repeats


def _where_it_ends(line: OpenLine, place: Pointed) -> Pointed:
    """The place under the pointer, or where a line ends that goes to the figure under it and not to a place of it."""
    figure = line.value.figure if isinstance(line.value, StepResult) else None
    return replace(place, at=figure.end) if isinstance(figure, Line) else place


def clicked_at(line: OpenLine, draft: Draft, pointer: Pointer) -> OpenLine:
    """The line of a pick, which knows where its row was clicked."""
    if line.draft is None or len(line.draft.rows) <= len(draft.rows):
        return line
    return replace(line, draft=draft.grown(line.draft.rows, (pointer.x, pointer.y)))


@dataclass(frozen=True, slots=True)
class Pick:
    """A row that a click would state, and the open line with it."""

    row: str
    line: OpenLine

    @property
    def fits(self) -> bool:
        """Whether the figure being written can use it."""
        return self.line.problem is None and self.line.do != "nothing"


class Picks(NamedTuple):
    """The rows that a click could state, likeliest first, and those that were tried and will not do."""

    found: list[Pick]
    refused: list[Pick]


def picks(desk: Desk, places: list[Pointed] | None = None) -> Picks:
    """What a click here could mean."""
    desk, places = _lifted(desk, places)
    book, draft, pointer, index = desk.book, desk.draft, desk.pointer, desk.index
    assert draft is not None
    assert pointer is not None
    before = evaluate_draft(book, draft, index)
    statement = before.step.statement if before.step else None
    found: list[Pick] = []
    refused: list[Pick] = []
    rows: dict[str, None] = {}
    places = places_at(book, pointer, _MOST_PLACES, draft, index) if places is None else places
    first = places[0]
    if pointer.level:
        rows |= dict.fromkeys(_levelled_to(desk, first))
        first = _levelled(desk, first)
    if first.kind == "quarter" and draft.kind.split()[0] in ("circle", "line", "arc", "fillet", "measure"):
        # A quarter point is only another place of a figure that is more likely to be touched there.
        first = replace(first, special=False)
    rows |= dict.fromkeys(click_candidates(Click(desk, statement, first)))
    # Of what else lies within reach only the likeliest reading.
    for other in places[1:]:
        if not other.kind:
            # The plain position, free of what lies there.
            other = replace(other, figure=None)
        meant = click_candidates(Click(desk, statement, other))
        rows |= dict.fromkeys([row for row in meant if other.words in row][:1])
    for row in rows:
        pick = _read(desk, row)
        (found if pick.fits and not _vanishes(pick.line, pointer) else refused).append(pick)
        if len(found) == _MOST:
            break
    return Picks(found, refused)


def _vanishes(line: OpenLine, pointer: Pointer) -> bool:
    """Whether what would be drawn is less than a spot, as a second click in the same place would make it."""
    figure = line.value.figure if isinstance(line.value, StepResult) else None
    return isinstance(figure, Line | RoundCurve) and figure.length <= SPOT_SHARE * pointer.reach


def _lifted(desk: Desk, places: list[Pointed] | None) -> tuple[Desk, list[Pointed] | None]:
    """With the key held that keeps a line level: where a hold lasts already, it is that hold which is lifted."""
    draft, pointer = desk.draft, desk.pointer
    if draft is None or pointer is None or not pointer.level:
        return desk, places
    s, kind = pointer.snapping, STATEMENT_KINDS.get(draft.kind)
    holds = tuple(f"{word} " for word in kind.holds) if kind is not None else ()
    rows = tuple(row for row in draft.rows if not row.startswith(holds))
    if not (s.turn or s.turns or s.step or s.grid) and rows == draft.rows:
        return desk, places
    free = replace(s, turn=0.0, turns=(), step=0.0, grid=0.0)
    return desk.but(draft=replace(draft, rows=rows), pointer=replace(pointer, level=False, snapping=free)), None


def _read(desk: Desk, row: str) -> Pick:
    """The row as a pick; one that only goes on being typed always fits."""
    if row.endswith((",", ";")):
        return Pick(row, OpenLine("type", desk.draft, row, statement=f"{row} "))
    return Pick(row, read_open_line(desk.book, desk.draft, row, desk.index, offer=False))


def _levelled_to(desk: Desk, pointed: Pointed) -> list[str]:
    """Held level or plumb with the last place: as far as a special place, or on to the figure under the pointer."""
    book = desk.book
    last = last_of_draft(book, desk.draft, desk.index)
    (lx, ly), (x, y) = book.writing.from_world(last), book.writing.from_world(pointed.at)
    held, other = ("level", "plumb") if abs(x - lx) >= abs(y - ly) else ("plumb", "level")
    if pointed.special and pointed.kind not in OF_THE_LAST:
        return [f"crossing of ({held}) ({other} {pointed.words})"]
    figure, name = figure_under(book, pointed)
    if not isinstance(figure, Curve):
        return []
    sides = ("",) if isinstance(figure, StraightCurve) else (" entering", " leaving", "")
    return nearest_only(desk, [f"crossing of ({held}) {name}{side}" for side in sides], pointed.at)


def _levelled(desk: Desk, pointed: Pointed) -> Pointed:
    """The place level or plumb with the last one, whichever is nearer to the pointer; a distance in a quarter direction."""
    book = desk.book
    last = last_of_draft(book, desk.draft, desk.index)
    manner = book.writing
    lx, ly = manner.from_world(last)
    x, y = manner.from_world(pointed.at)
    dx, dy = x - lx, y - ly
    along = abs(dx) >= abs(dy)
    turn = (0.0 if dx >= 0.0 else 180.0) if along else (90.0 if dy >= 0.0 else 270.0)
    way = plain(manner.convention.from_core(turn), 9)
    words = f"+ {plain(abs(dx if along else dy), 9)}{book.suffix} at {way}"
    at = Point(*(manner.to_world(x, ly) if along else manner.to_world(lx, y)))
    # What is held level is a place, whatever figure lies under the pointer.
    return replace(pointed, words=words, at=at, special=False, more=0, figure=None)
