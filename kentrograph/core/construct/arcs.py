"""Arcs: by their ends and a third fact, about a centre, or going on tangentially."""

from math import atan2, degrees, hypot

from ..angles import unit_vector
from ..figures import Arc, Circle, Curve, Point
from ..intersect import intersect_long
from ..measure.closest import closest
from ..problem import Refused, refusal
from ..tolerance import TOLERANCE
from .circles import through_three, through_two_radius
from .lines import PAST_IT
from .solution import Solution

Vector = tuple[float, float]


def about(centre: Point, start: Point, sweep: float) -> Arc:
    """From a start about a centre, over a sweep in degrees; counter-clockwise, negative is clockwise."""
    c, s = unit_vector(sweep)
    dx, dy = start.x - centre.x, start.y - centre.y
    end = Point(centre.x + dx * c - dy * s, centre.y + dx * s + dy * c)
    return Arc(centre, hypot(dx, dy), start, end, sweep)


def about_to(centre: Point, start: Point, toward: Point, clockwise: bool) -> Arc:
    """From a start about a centre, to the direction of another place from it.

    Raises `Refused` (no_direction_from_centre) where that place is the centre, bad_sweep where it lies in the direction
    of the start.
    """
    radius = hypot(start.x - centre.x, start.y - centre.y)
    far = hypot(toward.x - centre.x, toward.y - centre.y)
    if far == 0.0:
        raise refusal("no_direction_from_centre")
    away = max(abs(toward.x), abs(toward.y), abs(centre.x), abs(centre.y))
    on = abs(far - radius) <= TOLERANCE.length(radius, away)
    end = (
        toward if on else Point(centre.x + (toward.x - centre.x) * radius / far, centre.y + (toward.y - centre.y) * radius / far)
    )
    return Arc(centre, radius, start, end, _sweep_between(centre, start, end, clockwise))


def _sweep_between(centre: Point, start: Point, end: Point, clockwise: bool) -> float:
    """Degrees from one direction to another, by the angle between the two, which keeps the digits of a small one."""
    ax, ay, bx, by = start.x - centre.x, start.y - centre.y, end.x - centre.x, end.y - centre.y
    turn = degrees(atan2(ax * by - ay * bx, ax * bx + ay * by))
    if clockwise and turn > 0.0:
        return turn - 360.0
    if not clockwise and turn < 0.0:
        return turn + 360.0
    return turn


def about_until(centre: Point, start: Point, end: Curve | Point) -> list[Solution]:
    """Arcs from a start about a centre until they meet a figure, or the direction of a place: counter-clockwise, clockwise.

    Of each the crossing that is met first comes first. Figures are taken as long as they need to be. Raises `Refused`:
    until_apart with the gap, same_locus.
    """
    return [*_running(centre, start, end, False, "counter-clockwise"), *_running(centre, start, end, True, "clockwise")]


def leaving_until(start: Point, vector: Vector, radius: float, end: Curve | Point) -> list[Solution]:
    """Arcs that leave a place along a unit vector with a radius until they meet a figure: bending left, then right.

    Raises `Refused`: bad_radius, until_apart where neither meets it.
    """
    if not radius > 0.0:
        raise refusal("bad_radius", value=radius)
    found: list[Solution] = []
    refused: list[Refused] = []
    for word, side in (("left", radius), ("right", -radius)):
        centre = Point(start.x - side * vector[1], start.y + side * vector[0])
        try:
            found += _running(centre, start, end, side < 0.0, word)
        except Refused as error:
            refused.append(error)
    if not found:
        raise refused[0]
    return found


def _running(centre: Point, start: Point, end: Curve | Point, clockwise: bool, word: str) -> list[Solution]:
    """The arcs of one sense until they meet a figure, each with the word and the sign of the crossing."""
    if isinstance(end, Point):
        return [Solution(about_to(centre, start, end, clockwise), word)]
    circle = Circle(centre, hypot(start.x - centre.x, start.y - centre.y))
    met = intersect_long(circle, end)
    if met.how == "coincident":
        raise refusal("same_locus", first="the arc", second="the figure it is to run to")
    slack = TOLERANCE.length(circle.radius, max(abs(start.x), abs(start.y)))
    spots = [s for s in met.spots if hypot(s.at.x - start.x, s.at.y - start.y) > slack]
    if not spots:
        raise refusal("until_apart", gap=closest(circle, end)[0])
    sweeps = sorted(((_sweep_between(centre, start, s.at, clockwise), s) for s in spots), key=lambda one: abs(one[0]))
    return [
        Solution(Arc(centre, circle.radius, start, s.at, sweep), f"{word} {s.sign}".strip(), PAST_IT if s.past[1] else "")
        for sweep, s in sweeps
    ]


def via(start: Point, middle: Point, end: Point) -> Arc:
    """From a start by way of a place to an end. Raises `Refused`: same_places, in_line."""
    circle = through_three(start, middle, end)
    # The way round is the turn at the middle place: to the left it is counter-clockwise.
    cross = (middle.x - start.x) * (end.y - middle.y) - (middle.y - start.y) * (end.x - middle.x)
    return Arc(circle.centre, circle.radius, start, end, _sweep_between(circle.centre, start, end, cross < 0.0))


def by_radius(start: Point, end: Point, radius: float) -> list[Solution]:
    """All arcs of a radius between two places: bulging left of the way, then right; each the short way, then the long.

    Raises `Refused` (radius_too_small) with the smallest that spans them.
    """
    circles = through_two_radius(start, end, radius)
    if len(circles) == 1:
        centre = _centre(circles[0])
        return [
            Solution(Arc(centre, radius, start, end, -180.0), "left minor"),
            Solution(Arc(centre, radius, start, end, 180.0), "right minor"),
        ]
    left, right = (_centre(s) for s in circles)

    def arc(centre: Point, clockwise: bool) -> Arc:
        return Arc(centre, radius, start, end, _sweep_between(centre, start, end, clockwise))

    return [
        Solution(arc(right, True), "left minor"),
        Solution(arc(left, False), "right minor"),
        Solution(arc(left, True), "left major"),
        Solution(arc(right, False), "right major"),
    ]


def by_rise(start: Point, end: Point, rise: float) -> list[Solution]:
    """The two arcs of a height over the chord: bulging left of the way, then right. Published: Euclid, Elements III.35."""
    if not rise > 0.0:
        raise refusal("bad_rise", value=rise)
    d = hypot(end.x - start.x, end.y - start.y)
    if TOLERANCE.same_place(start.x, start.y, end.x, end.y):
        raise refusal("same_places")
    half = d / 2.0
    radius = (half * (half / rise) + rise) / 2.0
    ux, uy = (end.x - start.x) / d, (end.y - start.y) / d
    found: list[Solution] = []
    sweep = 4.0 * degrees(atan2(rise, half))
    for word, side in (("left", 1.0), ("right", -1.0)):
        # From the middle of the chord toward the bulge, then back by the radius.
        back = side * (rise - radius)
        centre = Point(start.x + half * ux - back * uy, start.y + half * uy + back * ux)
        found.append(Solution(Arc(centre, radius, start, end, -side * sweep), word))
    return found


def by_sweep(start: Point, end: Point, sweep: float) -> Arc:
    """Between two places over a sweep in degrees; counter-clockwise, negative is clockwise."""
    if not 0.0 < abs(sweep) < 360.0:
        raise refusal("bad_sweep", value=sweep)
    if TOLERANCE.same_place(start.x, start.y, end.x, end.y):
        raise refusal("same_places")
    c, s = unit_vector(sweep / 2.0)
    dx, dy = (end.x - start.x) / 2.0, (end.y - start.y) / 2.0
    rise = c / s
    centre = Point(start.x + dx - dy * rise, start.y + dy + dx * rise)
    return Arc(centre, hypot(start.x - centre.x, start.y - centre.y), start, end, sweep)


def leaving_to(start: Point, vector: Vector, end: Point) -> Arc:
    """Leaves a place along a unit vector and ends at another.

    Raises `Refused` (straight_ahead) where the end lies in line: no arc bends to it.
    """
    dx, dy = end.x - start.x, end.y - start.y
    d = hypot(dx, dy)
    if TOLERANCE.same_place(start.x, start.y, end.x, end.y):
        raise refusal("same_places")
    cross, dot = vector[0] * dy - vector[1] * dx, vector[0] * dx + vector[1] * dy
    if abs(cross) <= TOLERANCE.length(d, max(abs(end.x), abs(end.y))):
        raise refusal("straight_ahead")
    # Tangent and chord: the sweep is twice the angle between them (published: Euclid, Elements III.32).
    sweep = 2.0 * degrees(atan2(cross, dot))
    signed = d * (d / (2.0 * cross))
    centre = Point(start.x - signed * vector[1], start.y + signed * vector[0])
    return Arc(centre, abs(signed), start, end, sweep)


def leaving_radius(start: Point, vector: Vector, radius: float, sweep: float) -> Arc:
    """Leaves a place along a unit vector with a radius, over a sweep: positive bends left, negative right."""
    side = radius if sweep > 0.0 else -radius
    if not radius > 0.0:
        raise refusal("bad_radius", value=radius)
    return about(Point(start.x - side * vector[1], start.y + side * vector[0]), start, sweep)


def on_rim(centre: Point, radius: float, direction: float) -> Point:
    """The place on a circle in a direction (degrees) from its centre."""
    if not radius > 0.0:
        raise refusal("bad_radius", value=radius)
    c, s = unit_vector(direction)
    return Point(centre.x + radius * c, centre.y + radius * s)


def _centre(solution: Solution) -> Point:
    centre = getattr(solution.figure, "centre", None)
    assert isinstance(centre, Point)
    return centre
