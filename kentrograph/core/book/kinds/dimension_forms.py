"""What a dimension measures, and between which places, by the figures that it is given and its other givens."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import hypot
from typing import Any

from ...angles import direction_of, unit_vector
from ...figures import Arc, Circle, EndlessLine, FigureSet, Line, Outline, Point, RoundCurve, StraightCurve
from ...figures.along import heading
from ...intersect import intersect
from ...intersect.nearest import feet
from ...measure.area import area_centre
from ...measure.closest import closest, place_of
from ...problem import refusal
from ...shape.corners import inner_angle
from ...shape.faces import Face
from ...tolerance import LARGEST
from ..crossings import called
from ..on_paper import Dimension
from ..planner import Env, Planner
from ..readings import READINGS
from ..readings_held import Reading
from ..tree import CornerOf
from ..values import Untouchable

MOST_TIMES = 1_000_000
_Lines = StraightCurve


@dataclass(frozen=True, slots=True)
class Measuring:
    """How it is measured: the stated way, the direction of ``along``, and which of the things are corners of outlines."""

    planner: Planner
    way: str
    along: Callable[[Env, Point], float] | None
    corners: tuple[CornerOf | None, ...]
    from_first: bool = False
    """Whether several are each measured from the first place, and not from the one before."""


def dimension_of(m: Measuring, things: Sequence[Any], env: Env, last: Point) -> Dimension:
    """The dimension of things as they stand. Raises `Refused` without a place where they cannot be measured so."""
    if any(isinstance(thing, Untouchable) for thing in things):
        raise refusal("not_a_figure")
    match m.way or _meant(things):
        case "place":
            return Dimension("place", (), (place_of(things[0]),))
        case "radius" | "diameter" as way:
            return _round(m.planner, way, things)
        case "length":
            return _length(m.planner, things)
        case "angle":
            return _angle(m, things, env, last)
        case "area":
            return _area(m.planner, things)
        case "across" | "up" | "along" as way:
            turn = m.along(env, last) if m.along is not None else m.planner.manner.datum.turn + (90.0 if way == "up" else 0.0)
            return _in_direction(way, turn, things, m.from_first)
        case _:
            return _distance(m, things)


def _meant(things: Sequence[Any]) -> str:
    """What is measured of things where nothing is stated."""
    if len(things) == 1:
        thing = _one_of_a_set(things[0])[0]
        if isinstance(thing, Point):
            return "place"
        return "diameter" if isinstance(thing, Circle) else "radius" if isinstance(thing, Arc) else "length"
    if len(things) == 2 and all(isinstance(thing, _Lines) for thing in things):
        return "distance" if _side_by_side(*things) else "angle"
    return "distance"


def _one_of_a_set(thing: Any) -> tuple[Any, int]:
    """The first figure of a set, and how many it has: what holds for one holds for all."""
    count = 1
    while isinstance(thing, FigureSet):
        count *= len(thing.members)
        thing = thing.members[0]
    return thing, count


def _one(things: Sequence[Any], way: str) -> Any:
    if len(things) > 1:
        raise refusal("one_at_a_time", word=way)
    return things[0]


def _round(p: Planner, way: str, things: Sequence[Any]) -> Dimension:
    figure, times = _one_of_a_set(_one(things, way))
    value, parts, _ = READINGS[way].read(p, figure)
    return Dimension(
        "radius" if way == "radius" else "diameter", (Reading(way, value, parts),), (figure.centre,), rim=figure, times=times
    )


def _length(p: Planner, things: Sequence[Any]) -> Dimension:
    figure, times = _one_of_a_set(_one(things, "length"))
    value, _, _ = READINGS["length"].read(p, figure)
    reading = (Reading("length", value),)
    if isinstance(figure, Line):
        return Dimension("straight", reading, (figure.start, figure.end), figure.direction, times=times)
    if isinstance(figure, RoundCurve):
        return Dimension("arc", reading, (figure.centre,), rim=figure, times=times)
    raise refusal("no_dimension", what="the length of a bent outline or an ellipse", could="its edges one by one, or a note")


def _angle(m: Measuring, things: Sequence[Any], env: Env, last: Point) -> Dimension:
    corner = m.corners[0]
    if len(things) == 1 and corner is not None:
        outline = env[m.planner.slot(corner.name)]
        if not isinstance(outline, Outline):
            raise refusal("no_angle")
        number = round(called(m.planner.number(corner.which))(env, last)) - 1
        return _at_corner(outline, number)
    if len(things) == 3:
        value, parts, _ = READINGS["angle"].read(m.planner, *things)
        a, b, c = map(place_of, things)
        legs = hypot(a.x - b.x, a.y - b.y), hypot(c.x - b.x, c.y - b.y)
        begin = direction_of(a.x - b.x, a.y - b.y)
        return Dimension("angle", (Reading("angle", value, parts),), (b,), begin, parts["turn"], legs=legs)
    if len(things) != 2:
        raise refusal("needs_given", kind="dimension angle", more=1, could=["another line", "a corner of an outline"])
    return _between_lines(m.planner, *things)


def _at_corner(outline: Outline, number: int) -> Dimension:
    pieces = outline.pieces
    if not 0 <= number < len(pieces):
        raise refusal("no_angle")
    at = pieces[number].start
    after = pieces[number]
    before = pieces[number - 1]
    value = inner_angle(outline, number)
    begin = direction_of(*(-along for along in heading(after, True)))
    turn = direction_of(*(-along for along in heading(before, False)))
    sweep = (turn - begin) % 360.0
    legs = _reach(after, at, begin), _reach(before, at, turn)
    # The inner angle is on one side or the other, as the outline runs.
    if abs(sweep - value) > abs(360.0 - sweep - value):
        begin, sweep, legs = turn, 360.0 - sweep, legs[::-1]
    return Dimension("angle", (Reading("angle", value),), (at,), begin, sweep, legs=legs)


def _between_lines(p: Planner, a: Any, b: Any) -> Dimension:
    """The angle between two lines as they run, at where they meet; of two that lie side by side there is none."""
    value, parts, _ = READINGS["angle"].read(p, a, b)
    corner = _meeting(a, b)
    legs = _reach(a, corner, a.direction), _reach(b, corner, b.direction)
    return Dimension("angle", (Reading("angle", value, parts),), (corner,), a.direction, parts["turn"], legs=legs)


def _reach(piece: Any, corner: Point, direction: float) -> float:
    """How far a piece reaches from a corner in a direction; a line without ends as far as anybody looks."""
    if isinstance(piece, EndlessLine):
        return LARGEST
    ux, uy = unit_vector(direction)
    ends: tuple[Point, Point] = (piece.start, piece.end)
    return max((end.x - corner.x) * ux + (end.y - corner.y) * uy for end in ends)


def _side_by_side(a: Any, b: Any) -> bool:
    return not intersect(_endless(a), _endless(b)).spots


def _endless(line: Any) -> EndlessLine:
    return line if isinstance(line, EndlessLine) else EndlessLine(line.start, *heading(line, False))


def _meeting(a: Any, b: Any) -> Point:
    """Where two lines meet, however far that is past their ends. Raises `Refused` (no_dimension) for lines side by side."""
    met = intersect(_endless(a), _endless(b))
    if not met.spots:
        raise refusal("no_dimension", what="the angle of lines side by side", could="their distance")
    return met.spots[0].at


def _area(p: Planner, things: Sequence[Any]) -> Dimension:
    first = _one(things, "area")
    value, parts, _ = READINGS["area"].read(1, (), p, first)
    at = area_centre(first.edge if isinstance(first, Face) else first)
    return Dimension("area", (Reading("area", value, parts),), (at,))


def _in_direction(way: str, turn: float, things: Sequence[Any], from_first: bool) -> Dimension:
    """From place to place, or each from the first, as far as they lie apart in a direction."""
    places = _places(things)
    ux, uy = unit_vector(turn)
    pairs = [(places[0], other) for other in places[1:]] if from_first else list(pairwise(places))
    steps = [(b.x - a.x) * ux + (b.y - a.y) * uy for a, b in pairs]
    kind = "distance" if way == "along" else way
    return Dimension("straight", tuple(Reading(kind, abs(step)) for step in steps), tuple(places), turn)


def _places(things: Sequence[Any]) -> list[Point]:
    """The places of things: a line counts with both of its ends."""
    found: list[Point] = []
    for thing in things:
        found += [thing.start, thing.end] if isinstance(thing, Line) else [place_of(thing)]
    if len(found) < 2:
        raise refusal("needs_given", kind="dimension", more=1, could=["another place"])
    return found


def _distance(m: Measuring, things: Sequence[Any]) -> Dimension:
    if len(things) == 2 and not all(isinstance(thing, Point) for thing in things):
        return _shortest(*things)
    places = _places(things)
    first, last = places[0], places[-1]
    if (first.x, first.y) == (last.x, last.y):
        raise refusal("same_places")
    turn = direction_of(last.x - first.x, last.y - first.y)
    if len(places) > 2:
        return _in_direction("along", turn, places, m.from_first)
    value, parts, _ = READINGS["distance"].read(m.planner, first, last)
    return Dimension("straight", (Reading("distance", value, parts),), (first, last), turn)


def _shortest(one: Any, other: Any) -> Dimension:
    """Between two figures: square to lines that lie side by side, and to a line beside a place."""
    if isinstance(one, Line) and isinstance(other, Point):
        one, other = other, one
    if isinstance(one, RoundCurve) and isinstance(other, RoundCurve):
        # As one measures it: from centre to centre.
        one, other = one.centre, other.centre
    if isinstance(one, Point) and isinstance(other, _Lines):
        # The square distance, also past an end.
        a, b = one, feet(other, one)[0]
    else:
        _, a, b = closest(one, other)
    if (a.x, a.y) == (b.x, b.y):
        raise refusal("same_places")
    turn = direction_of(b.x - a.x, b.y - a.y)
    return Dimension("straight", (Reading("distance", hypot(b.x - a.x, b.y - a.y)),), (a, b), turn)
