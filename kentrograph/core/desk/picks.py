"""What a click states: a place or a figure under the pointer as the givens that make sense there, likeliest first.

Each pick is a row as it will read in the book. Every one offered has been tried: the figure being written can use it.
"""

from dataclasses import dataclass, replace
from math import atan2, degrees, hypot, inf

from ..book.book import Book
from ..book.kind import Kind
from ..book.kinds import FIGURES
from ..book.tree import Statement
from ..book.values import Drawn
from ..figures import Arc, Circle, Ellipse, EndlessLine, Line, Outline, Point
from ..units import plain
from .draft import Draft
from .open_line import OpenLine, read_open_line
from .phrases import phrases
from .pointing import (
    Pointed,
    Pointer,
    last_of_draft,
    places_at,
    plain_position,
    read_with_pointer,
    rounded,
    stands,
    with_solution,
)

_ROUND = Circle | Arc | Ellipse
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


def under_pointer(
    book: Book, draft: Draft | None, text: str, index: int, pointer: Pointer | None, choice: int | None, aimed: bool
) -> Shown:
    """Reads the open line with the pointer over the drawing.

    ``choice`` is which reading of a pick is meant or, where nothing more can be given, which solution; ``aimed`` says that
    the pointer was moved since the last key, so that the solution nearest to it is meant.
    """
    places = places_at(book, pointer, _MOST_PLACES, draft, index) if pointer else []
    pointed = places[0] if places else None
    line = read_with_pointer(book, draft, text, index, pointer)
    aim = pointer if aimed else None
    if draft is not None and text.strip() and pointer is not None and line.problem is not None and line.do == "nothing":
        rows = phrases(book, draft, text, index, pointer, places)
        found = [pick for row in rows for pick in _tried(book, draft, row, index)]
        if found:
            return _picked(book, draft, line, found, pointer, index, choice, places)
    if draft is None or text.strip() or pointer is None:
        line = with_solution(book, line, choice, aim if draft is not None else None, index)
        # What is typed cannot be drawn yet: the figure stays in sight as it stands without it.
        return Shown(line, line if line.value is not None or draft is None else stands(book, draft, index), pointed=pointed)
    found = picks(book, draft, pointer, index, places)
    if not found:
        line = with_solution(book, line, choice, aim, index)
        return Shown(line, line, line if line.do == "write" else None, pointed=pointed)
    return _picked(book, draft, line, found, pointer, index, choice, places)


def _picked(
    book: Book, draft: Draft, line: OpenLine, found: "list[Pick]", pointer: Pointer, index: int, choice: int | None,
    places: list[Pointed],
) -> Shown:  # fmt: skip
    which = (choice or 0) % len(found)
    picked = clicked_at(found[which].line, draft, pointer)
    # Where a pick leaves several solutions, the one is meant that touches where its figures were clicked; where it touches none,
    # the one that runs nearest to the pointer.
    click = with_solution(book, picked, None, None, index)
    if click is picked:
        click = with_solution(book, picked, None, pointer, index)
    drawn = click if click.value is not None or line.value is None else line
    plain = places[-1]
    beside = plain.beside if plain.words in found[which].row else ""
    # The tag, the mark and the sight lines are those of the reading that would be taken.
    meant = next((p for p in places if p.words in found[which].row), places[0])
    return Shown(line, drawn, click, tuple(p.row for p in found), which, meant, beside)


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


def picks(book: Book, draft: Draft, pointer: Pointer, index: int, places: list[Pointed] | None = None) -> list[Pick]:
    """The rows that a click here could state, likeliest first."""
    draft, pointer, lifted = _lifted(draft, pointer)
    if lifted:
        places = None
    before = stands(book, draft, index)
    statement = before.step.statement if before.step else None
    found: list[Pick] = []
    rows: dict[str, None] = {}
    places = places_at(book, pointer, _MOST_PLACES, draft, index) if places is None else places
    first = places[0]
    if pointer.level and draft.kind in ("line", "path") and draft.rows:
        rows |= dict.fromkeys(_levelled_to(book, draft, first, index))
        first = _levelled(book, draft, first, index)
    if first.kind == "quarter" and draft.kind.split()[0] in ("circle", "line", "arc", "fillet", "measure"):
        # A quarter point is only another place of a figure that is more likely to be touched there.
        first = replace(first, special=False)
    rows |= dict.fromkeys(_rows(book, draft, statement, first, pointer, index))
    # Of what else lies within reach only the likeliest reading.
    for other in places[1:]:
        if not other.kind:
            # The plain position, free of what lies there.
            other = replace(other, figure=None)
        rows |= dict.fromkeys([row for row in _rows(book, draft, statement, other, pointer, index) if other.words in row][:1])
    for row in rows:
        found.extend(_tried(book, draft, row, index))
        if len(found) == _MOST:
            break
    return found


_HOLDS = ("length ", "direction ")


def _lifted(draft: Draft, pointer: Pointer) -> tuple[Draft, Pointer, bool]:
    """With the key held that keeps a line level: where a hold lasts already, it is that hold which is lifted."""
    s = pointer.snapping
    stepped = bool(s.turn or s.turns or s.step or s.grid)
    held = draft.kind == "line" and any(row.startswith(_HOLDS) for row in draft.rows)
    if not pointer.level or not (stepped or held):
        return draft, pointer, False
    free = replace(s, turn=0.0, turns=(), step=0.0, grid=0.0)
    rows = tuple(row for row in draft.rows if not (held and row.startswith(_HOLDS)))
    return replace(draft, rows=rows), replace(pointer, level=False, snapping=free), True


def _tried(book: Book, draft: Draft, row: str, index: int) -> "list[Pick]":
    """The row as a pick, if the figure being written can use it; one that only goes on being typed always can."""
    if row.endswith(","):
        return [Pick(row, OpenLine("type", draft, row, statement=f"{row} "))]
    line = read_open_line(book, draft, row, index, offer=False)
    return [Pick(row, line)] if line.problem is None and line.do != "nothing" else []


def _levelled_to(book: Book, draft: Draft, pointed: Pointed, index: int) -> list[str]:
    """Held level or plumb with the last place: as far as a special place, or on to the figure under the pointer."""
    last = last_of_draft(book, draft, index)
    (lx, ly), (x, y) = book.writing.from_world(last), book.writing.from_world(pointed.at)
    held, other = ("level", "plumb") if abs(x - lx) >= abs(y - ly) else ("plumb", "level")
    word = "to " if draft.kind == "line" else ""
    if pointed.special and pointed.kind not in _OF_THE_LAST:
        return [f"{word}crossing of ({held}) ({other} {pointed.words})"]
    figure, name = _under(book, pointed)
    if not isinstance(figure, Line | EndlessLine | Circle | Arc | Ellipse):
        return []
    sides = ("",) if isinstance(figure, Line | EndlessLine) else (" entering", " leaving", "")
    return _nearest_first(book, draft, [f"{word}crossing of ({held}) {name}{side}" for side in sides], pointed.at, index)


_OF_THE_LAST = ("sights", "foot", "touch")
"""Kinds of place that are themselves seen from the last place: a line that is held goes its own way."""


def _nearest_first(book: Book, draft: Draft, rows: list[str], at: Point, index: int) -> list[str]:
    """Of rows that end a line in different places, the one that ends nearest to a place; none where none can be read."""

    def off(row: str) -> float:
        value = read_open_line(book, draft, row, index, offer=False).value
        figure = value.figure if isinstance(value, Drawn) else None
        end = getattr(figure, "end", None)
        return hypot(end.x - at.x, end.y - at.y) if isinstance(end, Point) else inf

    away = {row: off(row) for row in rows}
    best = min(rows, key=lambda row: away[row])
    return [best] if away[best] < inf else []


def _levelled(book: Book, draft: Draft, pointed: Pointed, index: int) -> Pointed:
    """The place level or plumb with the last one, whichever is nearer to the pointer; a distance in a quarter direction."""
    last = last_of_draft(book, draft, index)
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


def _rows(book: Book, draft: Draft, statement: Statement | None, pointed: Pointed, pointer: Pointer, index: int) -> list[str]:
    has = {g.word for g in statement.givens} if statement else set()
    figure, name = _under(book, pointed)
    place = pointed.words
    on = f"nearest to {plain_position(book, pointer)[0]} on {name}" if name and not isinstance(figure, Point | Outline) else ""
    match draft.kind:
        case "circle":
            return _circle(has, pointed, place, on, figure, name)
        case "arc":
            return _arc(book, draft, has, pointed, place, figure, name, pointer.turned < 0.0, index)
        case "line":
            return _line(book, draft, has, pointed, place, figure, name, pointer, index)
        case "point":
            return [place, *([on, f"on {name}"] if name and not pointed.special else [])]
        case _ if draft.kind.startswith("measure"):
            if pointed.special or not name:
                return [place, *([name] if name else [])]
            return [name, place]
        case "path" if has:
            # A place held level or plumb is not one that a curve is asked to reach.
            if place.startswith("+") and pointer.level:
                return [place]
            # Whoever leaves the last place sideways means an arc.
            ways = [f"curve to {place}", place] if pointer.swing else [place, f"curve to {place}"]
            return [*ways, *([on] if not pointed.special and on else [])]
        case _:
            kind = FIGURES[draft.kind]
            if kind.givens[0].word == "figures":
                return _of_figures(kind, has, pointed, place, figure, name)
            return [place, *([on] if not pointed.special and on else [])]


def _of_figures(kind: Kind, has: set[str], pointed: Pointed, place: str, figure: object, name: str) -> list[str]:
    """For a kind that works on figures: those first, then the places that its other givens take, in the order declared."""
    figures = [name] if name else []
    placed: list[str] = []
    in_line = False
    for given in kind.givens:
        if given.takes == "place" and given.word not in has:
            placed.append(f"{given.word} {place}")
        elif given.takes == "one or two things" and given.word not in has:
            in_line = bool(name) and isinstance(figure, Line | EndlessLine)
            placed.append(f"{given.word} {name if in_line else place}")
    if not placed or not has:
        return figures
    # On a figure, and not at a place of it, it is another one to be worked on, as long as nothing else was given.
    another = bool(name) and not pointed.special and has == {"figures"} and not in_line
    return [*figures, *placed] if another else [*placed[:1], *figures, *placed[1:]]


def _circle(has: set[str], pointed: Pointed, place: str, on: str, figure: object, name: str) -> list[str]:
    """Touching what the pointer is on; a special place is the centre first, then goes through it."""
    sized = bool(has & {"radius", "diameter", "circumference"})
    if "centre" in has:
        touching = (
            [f"touching {name}"] if name and not pointed.special and isinstance(figure, Line | EndlessLine | _ROUND) else []
        )
        return [*touching, f"through {place}"]
    touching = (
        [f"touching {name}", f"centre on {name}", f"through {on}"]
        if name and isinstance(figure, Line | EndlessLine | _ROUND)
        else []
    )
    if isinstance(figure, Point):
        touching = []
    if not pointed.special and touching:
        return [*touching, f"through {place}"] if pointed.kind else touching
    placed = [f"through {place}", f"centre {place}"] if has else [f"centre {place}", f"through {place}"]
    if sized:
        placed.reverse()
    return [*placed, *touching]


def _arc(
    book: Book, draft: Draft, has: set[str], pointed: Pointed, place: str, figure: object, name: str,
    clockwise: bool, index: int,
) -> list[str]:  # fmt: skip
    if not has:
        placed = [f"from {place}", f"centre {place}"]
        if place.startswith("centre of"):
            placed.reverse()
    else:
        ends = ("from", "to") if has & {"centre", "touching", "continuing"} else ("from", "via", "to")
        placed = [f"{word} {place}" for word in ends if word not in has]
        if {"centre", "from"} <= has and "to" not in has:
            # The way that the pointer went around the centre.
            placed = [f"to {place} clockwise", f"to {place}"] if clockwise else [f"to {place}", f"to {place} clockwise"]
            if name and not pointed.special and isinstance(figure, Line | EndlessLine | Circle | Arc | Ellipse):
                # On a figure: it ends there, and not only in that direction.
                sense = " clockwise" if clockwise else ""
                signs = ("", " entering", " leaving", " left", " right")
                placed = [*_nearest_first(book, draft, [f"until {name}{sense}{s}" for s in signs], pointed.at, index), *placed]
    figured: list[str] = []
    if name and isinstance(figure, Line | EndlessLine | Circle | Arc):
        figured = [f"touching {name}"]
        if not has and pointed.special and place in (f"end of {name}", f"start of {name}"):
            figured.insert(0, f"continuing {'start of ' if place.startswith('start') else ''}{name}")
    if pointed.special or not figured:
        return [*placed, *figured]
    return [*figured, *placed]


def _line(
    book: Book, draft: Draft, has: set[str], pointed: Pointed, place: str, figure: object, name: str,
    pointer: Pointer, index: int,
) -> list[str]:  # fmt: skip
    ring = bool(name) and isinstance(figure, Circle | Arc | Ellipse)
    straight = bool(name) and isinstance(figure, Line | EndlessLine)
    touching = [f"touching {name}", f"square {name}"] if ring else [f"square {name}", f"parallel {name}"] if straight else []
    until = [f"until {name}"] if ring or straight else []
    if "square" in has:
        touching.reverse()
    if "length" in has and "from" in has:
        # A place gives the direction; a figure is what it ends on.
        held = [f"through {place}"] if pointed.special else [f"direction {_direction(book, draft, pointed, index)}"]
        return [*held, *until] if pointed.special or not until else [*until, *held]
    if has & {"direction", "parallel", "square"} and "from" in has:
        # It ends level with a place, or on a figure.
        level = [f"until {place}"] if pointed.special and pointed.kind not in _OF_THE_LAST else []
        return [*level, *until, f"length {_length(book, draft, pointer, index)}"]
    ends = (
        [f"{word} {place}" for word in ("from", "to") if word not in has]
        if not has & {"through", "parallel", "square", "direction"}
        else []
    )
    through = [f"through {place}"]
    if "touching" in has:
        ends = [f"to {place}", f"from {place}"]
    if not pointed.special and touching and (ring or has):
        return [*touching, *ends, *through]
    return [*ends, *through, *touching]


def _direction(book: Book, draft: Draft, pointed: Pointed, index: int) -> str:
    """Whole degrees toward the pointer, as the drawing counts them."""
    last = last_of_draft(book, draft, index)
    turn = degrees(atan2(pointed.at.y - last.y, pointed.at.x - last.x))
    return plain(round(book.writing.direction_from_core(turn)) % 360, 12)


def _length(book: Book, draft: Draft, pointer: Pointer, index: int) -> str:
    """How far the pointer has gone along the direction that is held, in round numbers; behind is negative."""
    trial = read_open_line(book, draft, f"length 1{book.suffix}", index)
    figure = trial.value.figure if isinstance(trial.value, Drawn) else None
    if not isinstance(figure, Line):
        return "1"
    a, b = figure.start, figure.end
    unit = hypot(b.x - a.x, b.y - a.y)
    along = ((pointer.x - a.x) * (b.x - a.x) + (pointer.y - a.y) * (b.y - a.y)) / unit
    return f"{plain(rounded(pointer, along / unit) or 1.0, 12)}{book.suffix}"


def _under(book: Book, pointed: Pointed) -> tuple[object, str]:
    """The figure under the pointer and its name."""
    if pointed.figure is None:
        return None, ""
    return book.figure_of(pointed.figure), book.name_of(pointed.figure)
