"""The rows that a click could mean, kind by kind: which given the place or the figure under the pointer would be."""

from math import atan2, degrees, hypot, inf

from ..angles import unit_vector
from ..book.book import Book
from ..book.kind import Kind
from ..book.kinds import FIGURES
from ..book.on_paper import Dimension
from ..book.tree import Statement
from ..book.values import Drawn
from ..figures import Arc, Circle, Ellipse, EndlessLine, FigureSet, Line, Outline, Point
from ..measure.away import away
from ..shape.stretch import is_closed
from ..snap.away import edge_at
from ..tolerance import SPOT_SHARE
from ..units import plain
from .draft import Draft
from .handles.handle import reach_of, scale_text, turned_text
from .open_line import read_open_line
from .pointer import Pointer
from .pointing import Pointed, closes, last_of_draft, plain_position, rounded, stands

_ROUND = Circle | Arc | Ellipse

OF_THE_LAST = ("sights", "foot", "touch")
"""Kinds of place that are themselves seen from the last place: a line that is held goes its own way."""


def nearest_first(book: Book, draft: Draft, rows: list[str], at: Point, index: int, either: bool = False) -> list[str]:
    """Of rows that end a line in different places, the one that ends nearest to a place, or with ``either`` begins there; none
    where none can be read."""

    def off(row: str) -> float:
        value = read_open_line(book, draft, row, index, offer=False).value
        figure = value.figure if isinstance(value, Drawn) else None
        ends = [getattr(figure, "end", None), getattr(figure, "start", None)][: 2 if either else 1]
        return min((hypot(end.x - at.x, end.y - at.y) for end in ends if isinstance(end, Point)), default=inf)

    far = {row: off(row) for row in rows}
    best = min(rows, key=lambda row: far[row])
    return [best] if far[best] < inf else []


_WHOLE = frozenset({"join", "measure length", "measure area"})
"""What is done with whole outlines more often than with an edge of one."""


def rows_of(book: Book, draft: Draft, statement: Statement | None, pointed: Pointed, pointer: Pointer, index: int) -> list[str]:
    """The rows that a click on a place could mean, likeliest first; not all of them can be read."""
    has = {g.word for g in statement.givens} if statement else set()
    whole = draft.kind in _WHOLE or (draft.kind in FIGURES and FIGURES[draft.kind].shapes and not FIGURES[draft.kind].edges)
    all_of_it = figure_under(book, pointed, whole=True)
    figure, name = all_of_it if whole else figure_under(book, pointed)
    place = pointed.words
    # Of an outline the nearest place is among the places themselves.
    of_outline = isinstance(all_of_it[0], Outline)
    on = (
        f"nearest to {plain_position(book, pointer)[0]} on {name}"
        if name and not of_outline and not isinstance(figure, Point)
        else ""
    )
    match draft.kind:
        case "circle":
            return _circle(has, pointed, place, on, figure, name)
        case "arc":
            return _arc(book, draft, has, pointed, place, figure, name, pointer.turned < 0.0, index)
        case "ellipse" if has & {"axis", "across"} and not has & {"other", "ratio", "through"}:
            # Through what is special; else as wide as the pointer is away from the axis.
            other = _other(book, draft, pointed, pointer, index)
            return [f"through {place}", *other] if pointed.special else [*other, f"through {place}"]
        case "ellipse":
            return [f"axis {place}" if "centre" in has else f"centre {place}"]
        case "line":
            return _line(book, draft, has, pointed, place, figure, name, pointer, index)
        case "point":
            return [place, *([on, f"on {name}"] if name and not pointed.special else [])]
        case _ if draft.kind.startswith("measure"):
            if pointed.special or not name:
                return [place, *([name] if name else [])]
            besides = figure_under(book, pointed)[1] if whole else all_of_it[1]
            return [name, *([besides] if besides != name else []), place]
        case "path" if has:
            # A place held level or plumb is not one that a curve is asked to reach.
            if place.startswith("+") and pointer.level:
                return [place]
            # Whoever leaves the last place sideways means an arc.
            ways = [f"curve to {place}", place] if pointer.swing else [place, f"curve to {place}"]
            if closes(book, draft, pointer, index):
                ways.insert(0, "close")
            return [*ways, *([on] if not pointed.special and on else [])]
        case "offset" | "split" | "extend" | "fillet" | "chamfer":
            return _shaping(book, draft, has, pointed, place, figure, name, all_of_it, pointer, index)
        case "outline":
            # What is out of sight closes nothing in.
            return [f"{place} ink"] if pointer.snapping.ink_only else [place]
        case "table":
            return _thing(pointed, place, name)
        case "note" if "says" not in has:
            return _thing(pointed, place, name)
        case "note":
            return [f"at {plain_position(book, pointer)[0]}"] if "at" not in has else []
        case "dimension":
            return _dimension(book, draft, statement, pointed, place, name, pointer, index)
        case "place" if "at" in has:
            return _turned(book, draft, has, pointed, pointer, index)
        case _:
            kind = FIGURES[draft.kind]
            if kind.givens[0].word == "figures":
                return _of_figures(kind, has, pointed, place, figure, name)
            return [place, *([on] if not pointed.special and on else [])]


def _dimension(
    book: Book, draft: Draft, statement: Statement | None, pointed: Pointed, place: str, name: str, pointer: Pointer, index: int
) -> list[str]:
    """What is measured, as long as too little is; then where its line runs, which also says whether it is level or plumb."""
    if statement is not None and any(given.word == "at" for given in statement.givens):
        return []
    thing = _thing(pointed, place, name)
    count = len(statement.givens) if statement is not None else 0
    value = stands(book, draft, index).value
    dimension = value.figure if isinstance(value, Drawn) else None
    if not isinstance(dimension, Dimension):
        return thing
    here = plain_position(book, pointer)[0]
    said = statement is not None and any(given.word != "figures" for given in statement.givens)
    put = [f"at {here}"] if said else [f"{way}at {here}" for way in ways_put(book, dimension, pointer)]
    # The second place comes before where the first one's coordinates would stand; then the line is put before a third is named.
    return [*thing, *put] if count < 2 and thing else [*put, *thing]


def _thing(pointed: Pointed, place: str, name: str) -> list[str]:
    """A place or a figure, whichever is meant more likely: of places that a figure has all along, as its middle, the figure."""
    found = [place] if pointed.special else []
    if name:
        found.insert(0 if not pointed.special or pointed.kind in _PASSED_THROUGH else 1, name)
    return found


def ways_put(book: Book, dimension: Dimension, pointer: Pointer) -> list[str]:
    """How a straight dimension between two places is measured when its line runs through the pointer: across where that is above
    or below them, up where it is beside them, else as they lie; likeliest first."""
    if dimension.form != "straight" or len(dimension.places) != 2 or dimension.readings[0].kind != "distance":
        return [""]
    turn = book.writing.datum.turn
    ux, uy = unit_vector(turn)
    a, b = dimension.places
    at = [(p.x * ux + p.y * uy, p.y * ux - p.x * uy) for p in (a, b, Point(pointer.x, pointer.y))]
    (ax, ay), (bx, by), (x, y) = at
    if ax == bx or ay == by:
        return [""]
    within_x, within_y = min(ax, bx) <= x <= max(ax, bx), min(ay, by) <= y <= max(ay, by)
    if within_x and not within_y:
        return ["across ", "", "up "]
    if within_y and not within_x:
        return ["up ", "", "across "]
    return ["", "across ", "up "]


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


def _shaping(
    book: Book, draft: Draft, has: set[str], pointed: Pointed, place: str, figure: object, name: str,
    whole: tuple[object, str], pointer: Pointer, index: int,
) -> list[str]:  # fmt: skip
    """For verbs that are done by pointing alone: where on a figure one clicks says more than which figure it is."""
    figures = list(dict.fromkeys([whole[1], name] if whole[1] else []))
    given = "figures" in has
    match draft.kind:
        case "offset":
            if not given:
                return figures
            # As far beside it as the pointer is; the side is the pointer's, too.
            far = rounded(pointer, _off(book, draft, pointer, index))
            return [f"by {plain(far, 12)}{book.suffix}"] if "by" not in has and far > 0.0 else []
        case "split":
            at = [f"at {place}"]
            return at if given else [*(f"{whole[1]} {row}" for row in at if whole[1] and pointed.special), *figures[:1]]
        case "extend" if not given:
            ends = _nearer_end(whole[0], pointer)
            return [*(f"{whole[1]} {end}" for end in ends if whole[1]), *figures[:1]]
        case "extend":
            edge = figure_under(book, pointed)[1]
            onto = [f"to {edge}{sign}" for sign in ("", " entering", " leaving", " left", " right")] if edge else []
            level = [f"to {place}"] if pointed.special or not onto else []
            return [*nearest_first(book, draft, onto, pointed.at, index, either=True), *level] if onto else level
        case _:
            corner = [place] if place.startswith("corner ") and not given else []
            return [*corner, *(figures if not given else reversed(figures))]


def _turned(book: Book, draft: Draft, has: set[str], pointed: Pointed, pointer: Pointer, index: int) -> list[str]:
    """For a symbol whose place is given: its first direction toward the pointer; or as large as to reach there, or both."""
    value = stands(book, draft, index).value
    placed = value.figure if isinstance(value, Drawn) else None
    if not isinstance(placed, FigureSet) or not isinstance(value, Drawn) or value.last is None:
        return []
    dx, dy = pointed.at.x - value.last.x, pointed.at.y - value.last.y
    reach, far = reach_of(placed, value.last), hypot(dx, dy)
    if far <= SPOT_SHARE * pointer.reach:
        return []
    exact = plain((degrees(atan2(dy, dx)) - book.writing.datum.turn) % 360.0, 9)
    turned = "" if "turned" in has else f"turned {exact}" if pointed.special else turned_text(book, dx, dy, pointer)
    scale = "" if "scale" in has or reach == 0.0 else scale_text(far, reach, pointer)
    return [row for row in dict.fromkeys((turned, f"{turned} {scale}".strip() if scale else "", scale)) if row]


def _off(book: Book, draft: Draft, pointer: Pointer, index: int) -> float:
    """How far the pointer is off the first figure that a verb works on; 0 where it is not there."""
    value = read_open_line(book, draft, f"by 1{book.suffix}", index, offer=False)
    operands = value.step.statement.operands if value.step is not None else ()
    version = book.version(operands[0].key, book.key_at(index)) if operands else None
    figure = book.figure_of(version) if version is not None else None
    return away(figure, pointer.x, pointer.y) if figure is not None else 0.0


def _nearer_end(figure: object, pointer: Pointer) -> list[str]:
    """The end of a figure that the pointer is nearer to; none of one without ends."""
    if not isinstance(figure, Line | Arc | Ellipse | Outline) or is_closed(figure):
        return []
    to_start, to_end = (hypot(p.x - pointer.x, p.y - pointer.y) for p in (figure.start, figure.end))
    return ["start"] if to_start < to_end else ["end"]


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
    if touching and (not pointed.special or ("touching" in has and pointed.kind in _PASSED_THROUGH)):
        return [*touching, f"through {place}"] if pointed.kind else touching
    placed = [f"through {place}", f"centre {place}"] if has else [f"centre {place}", f"through {place}"]
    if sized:
        placed.reverse()
    return [*placed, *touching]


_PASSED_THROUGH = ("middle", "part", "foot", "touch", "quarter", "past")
"""Kinds of place that a figure has of itself: where others are touched, a click there means that it is touched as well."""


def _arc(
    book: Book, draft: Draft, has: set[str], pointed: Pointed, place: str, figure: object, name: str,
    clockwise: bool, index: int,
) -> list[str]:  # fmt: skip
    if not has:
        placed = [f"from {place}", f"centre {place}"]
        if place.startswith("centre of"):
            placed.reverse()
    else:
        # Both ends first: then a number is the radius, and a third place is one that it goes through.
        ends = ("from", "to") if has & {"centre", "touching", "continuing"} else ("from", "to", "via")
        placed = [f"{word} {place}" for word in ends if word not in has]
        if {"centre", "from"} <= has and "to" not in has:
            # The way that the pointer went around the centre.
            placed = [f"to {place} clockwise", f"to {place}"] if clockwise else [f"to {place}", f"to {place} clockwise"]
            if name and not pointed.special and isinstance(figure, Line | EndlessLine | Circle | Arc | Ellipse):
                # On a figure: it ends there, and not only in that direction.
                sense = " clockwise" if clockwise else ""
                signs = ("", " entering", " leaving", " left", " right")
                placed = [*nearest_first(book, draft, [f"until {name}{sense}{s}" for s in signs], pointed.at, index), *placed]
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
        level = [f"until {place}"] if pointed.special and pointed.kind not in OF_THE_LAST else []
        return [*level, *until, f"length {_length(book, draft, pointer, index)}"]
    ends = (
        [f"{word} {place}" for word in ("from", "to") if word not in has]
        if not has & {"through", "parallel", "square", "direction"}
        else []
    )
    through = [f"through {place}"]
    if "touching" in has:
        ends = [f"to {place}", f"from {place}"]
    # Where something is touched already, another round figure is touched as well, whatever sight line runs by.
    another = "touching" in has and ring and pointed.kind in OF_THE_LAST
    if (pointed.special and not another) or not touching or not (ring or has):
        return [*ends, *through, *touching]
    if "touching" not in has and not _leads(book, draft, touching[0], pointed, pointer, index):
        return [*ends, *touching, *through]
    return [*touching, *ends, *through]


_LEADING = 3.0
"""How far from the pointer, in reaches, a touching place or a foot may lie that a click on the figure means."""


def _leads(book: Book, draft: Draft, row: str, pointed: Pointed, pointer: Pointer, index: int) -> bool:
    """Whether a line that is drawn with this row ends near the pointer: on a quarter point only there. One that is not drawn
    yet may end anywhere."""
    value = read_open_line(book, draft, row, index, offer=False).value
    if not isinstance(value, Drawn):
        return True
    ends = [one.figure.end for one in value.solutions if isinstance(one.figure, Line)]
    if isinstance(value.figure, Line):
        ends.append(value.figure.end)
    reach = pointer.reach * (1.0 if pointed.kind == "quarter" else _LEADING)
    return not ends or min(hypot(end.x - pointer.x, end.y - pointer.y) for end in ends) <= reach


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


def _other(book: Book, draft: Draft, pointed: Pointed, pointer: Pointer, index: int) -> list[str]:
    """The other half axis of an ellipse: how far the place is from the first, in round numbers where it is no special one."""
    trial = read_open_line(book, draft, f"other 1{book.suffix}", index)
    figure = trial.value.figure if isinstance(trial.value, Drawn) else None
    if not isinstance(figure, Ellipse):
        return []
    away = abs(figure.to_own(pointed.at.x, pointed.at.y)[1])
    if away <= SPOT_SHARE * pointer.reach:
        # On the axis itself.
        return []
    return [f"other {plain(away if pointed.special else rounded(pointer, away), 12)}{book.suffix}"]


def figure_under(book: Book, pointed: Pointed, whole: bool = False) -> tuple[object, str]:
    """The figure under the pointer and its name: of an outline the edge there, unless the ``whole`` of it is meant."""
    if pointed.figure is None:
        return None, ""
    figure, name = book.figure_of(pointed.figure), book.name_of(pointed.figure)
    if whole or not isinstance(figure, Outline):
        return figure, name
    return edge_at(figure, name, pointed.at.x, pointed.at.y)
