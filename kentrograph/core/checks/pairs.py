"""What is wrong between two figures: ends that almost meet, figures that almost touch or lie one upon the other."""

from collections.abc import Iterator
from math import hypot

from ..figures import Arc, Circle, Curve, EndlessLine, Line, Outline, Point, RoundCurve, StraightCurve
from ..figures.along import place_along
from ..intersect import intersect
from ..intersect.nearest import nearest
from ..intersect.supporting_curves import way_of
from ..measure.distance_to import distance_to
from ..tolerance import TOLERANCE
from .finding import Finding, Place
from .looked import Looked

_SAME_SHARE = 0.2
"""Two circles about one centre are one drawn twice where their radii differ by less than this share of the limit."""
_SMALL = 4.0
"""What reaches no further than so many limits is small."""
_STILL_TOGETHER = 10.0
"""So many times what counts as nothing may lie between places that were worked out on different ways."""


def between(f: Looked, g: Looked, limit: float) -> list[Finding]:
    """What is wrong between two figures whose boxes come within the limit: what lies no further apart than that was meant to be
    together. What cannot be told apart is."""
    slack = _STILL_TOGETHER * TOLERANCE.length(max(f.extent, g.extent), f.out)
    double = _double(f, g, limit, slack)
    if double is not None:
        return [double]
    found: list[Finding] = []
    spoken: set[Place] = set()
    for one, other, apart in _near_places(f, g, limit):
        spoken |= {one, other}
        if apart > slack:
            found.append(_of_places(one, other, apart))
    for this, that in ((f, g), (g, f)):
        x0, y0, x1, y1 = that.box
        for place in this.places:
            at = place.at
            if not (x0 - limit <= at.x <= x1 + limit and y0 - limit <= at.y <= y1 + limit):
                continue
            if place.what in _SAID_ALONE and place not in spoken:
                off = _off(that, at, limit)
                if slack < off <= limit:
                    found.append(_of_body(this, place, that, off, limit))
    if not found and not spoken:
        near = _almost_touching(f, g, limit, slack)
        if near is not None:
            found.append(near)
    return found


_SAID_ALONE = frozenset({"start", "end", "point"})
"""Places that should lie on a figure, and not just beside it."""


def _near_places(f: Looked, g: Looked, limit: float) -> Iterator[tuple[Place, Place, float]]:
    """Places of the two that lie within the limit, each with the nearest of the other alone, the nearest pairs first."""
    close = [
        (hypot(one.at.x - other.at.x, one.at.y - other.at.y), n, k)
        for n, one in enumerate(f.places)
        for k, other in enumerate(g.places)
        if abs(one.at.x - other.at.x) <= limit
        and abs(one.at.y - other.at.y) <= limit
        # The centre of something so small is near to all that meets it.
        and not (one.what == "centre" and f.extent <= _SMALL * limit)
        and not (other.what == "centre" and g.extent <= _SMALL * limit)
    ]
    if not close:
        return
    mine: set[int] = set()
    theirs: set[int] = set()
    for apart, n, k in sorted(close):
        if apart <= limit and n not in mine and k not in theirs:
            mine.add(n)
            theirs.add(k)
            yield f.places[n], g.places[k], apart


_ENDS = frozenset({"start", "end", "corner"})


def _of_places(one: Place, other: Place, apart: float) -> Finding:
    if one.what in _ENDS and other.what in _ENDS:
        return Finding("ends", one, apart, other)
    # What lies beside is the point, or else the centre.
    weight = ("point", "centre").index
    swapped = other.what in ("point", "centre") and (one.what in _ENDS or weight(other.what) < weight(one.what))
    return Finding("beside", other, apart, one) if swapped else Finding("beside", one, apart, other)


def _of_body(f: Looked, place: Place, g: Looked, off: float, limit: float) -> Finding:
    at = place.at
    curve = min(g.curves, key=lambda one: distance_to(one, at.x, at.y))
    second = Place(g.id, "body", nearest(curve, at))
    if place.what == "point":
        return Finding("beside", place, off, second)
    own = f.curves[0] if place.what == "start" else f.curves[-1]
    past = any(hypot(spot.at.x - at.x, spot.at.y - at.y) <= 4.0 * limit for spot in intersect(own, curve).spots)
    return Finding("ends", place, off, second, past)


def _off(g: Looked, at: Point, limit: float) -> float:
    """How far a place is off a figure; of an outline only the pieces that come near are looked at."""
    if not isinstance(g.figure, Outline):
        return distance_to(g.figure, at.x, at.y) if g.curves else 2.0 * limit
    return min((distance_to(piece, at.x, at.y) for piece in g.curves if _comes_near(piece, at, limit)), default=2.0 * limit)


def _comes_near(piece: Curve, at: Point, limit: float) -> bool:
    if not isinstance(piece, Line):
        return True
    a, b = piece.start, piece.end
    return min(a.x, b.x) - limit <= at.x <= max(a.x, b.x) + limit and min(a.y, b.y) - limit <= at.y <= max(a.y, b.y) + limit


# Almost touching ------------------------------------------------------------------------------------------


def _almost_touching(f: Looked, g: Looked, limit: float, slack: float) -> Finding | None:
    """A round figure that misses another one by little, or crosses it by little, where both are smooth."""
    for a in f.curves:
        for b in g.curves:
            found = _misses(a, b, limit, slack)
            if found is None:
                continue
            by, at = found
            ends = [place.at for place in (*f.places, *g.places) if place.what in _ENDS]
            if any(hypot(p.x - at.x, p.y - at.y) <= 2.0 * limit for p in ends):
                continue
            if distance_to(a, at.x, at.y) <= limit and distance_to(b, at.x, at.y) <= limit:
                return Finding("near", Place(f.id, "body", at), by, Place(g.id, "body", at))
    return None


def _misses(a: Curve, b: Curve, limit: float, slack: float) -> tuple[float, Point] | None:
    """By how much two curves miss touching, and where; None where that is nothing, or more than the limit."""
    if isinstance(a, StraightCurve) and isinstance(b, RoundCurve):
        a, b = b, a
    if isinstance(a, RoundCurve) and isinstance(b, StraightCurve):
        way = way_of(b)
        left = (a.centre.x - way.x) * way.uy - (a.centre.y - way.y) * way.ux
        by = abs(abs(left) - a.radius)
        if not slack < by <= limit:
            return None
        side = 1.0 if left > 0.0 else -1.0
        return by, Point(a.centre.x - side * a.radius * way.uy, a.centre.y + side * a.radius * way.ux)
    if isinstance(a, RoundCurve) and isinstance(b, RoundCurve):
        dx, dy = b.centre.x - a.centre.x, b.centre.y - a.centre.y
        apart = hypot(dx, dy)
        if apart <= limit:
            # About one centre, or nearly: nothing is meant to touch.
            return None
        outside, within = abs(apart - a.radius - b.radius), abs(apart - abs(a.radius - b.radius))
        by = min(outside, within)
        if not slack < by <= limit:
            return None
        # Toward the other centre, or away from it where the other one is the larger around it.
        sign = -1.0 if within < outside and a.radius < b.radius else 1.0
        return by, Point(a.centre.x + sign * a.radius * dx / apart, a.centre.y + sign * a.radius * dy / apart)
    return None


# One upon the other ---------------------------------------------------------------------------------------


def _double(f: Looked, g: Looked, limit: float, slack: float) -> Finding | None:
    """Two figures of one pen that lie one upon the other, wholly or in part; what was made along others does."""
    if f.pen != g.pen or not f.curves or not g.curves:
        return None
    for a in f.curves:
        for b in g.curves:
            found = _upon(a, b, limit, slack)
            if found is not None:
                by, at = found
                return Finding("double", Place(g.id, "body", at), by, Place(f.id, "body", at))
    return None


def _upon(a: Curve, b: Curve, limit: float, slack: float) -> tuple[float, Point] | None:
    """By how much two curves differ that lie one upon the other, and a place where they do; None where they do not."""
    if type(a) is Line and type(b) is Line:
        if a.length > 4.0 * limit and (by := _same_ends(a, b)) <= limit:
            return by, nearest(a, Point(0.5 * (b.start.x + b.end.x), 0.5 * (b.start.y + b.end.y)))
        ux, uy = (a.end.x - a.start.x) / a.length, (a.end.y - a.start.y) / a.length
        off = [(p.x - a.start.x) * uy - (p.y - a.start.y) * ux for p in (b.start, b.end)]
        if max(abs(off[0]), abs(off[1])) > slack:
            return None
        s, t = sorted((p.x - a.start.x) * ux + (p.y - a.start.y) * uy for p in (b.start, b.end))
        low, high = max(s, 0.0), min(t, a.length)
        if high - low <= max(slack, TOLERANCE.joint_share * a.length):
            return None
        half = 0.5 * (low + high)
        return 0.0, Point(a.start.x + half * ux, a.start.y + half * uy)
    if isinstance(a, RoundCurve) and isinstance(b, RoundCurve):
        apart, differ = hypot(a.centre.x - b.centre.x, a.centre.y - b.centre.y), abs(a.radius - b.radius)
        if type(a) is Circle and type(b) is Circle:
            same = apart <= limit and differ <= _SAME_SHARE * limit and a.radius > 4.0 * limit
            return (max(apart, differ), Point(a.centre.x + a.radius, a.centre.y)) if same else None
        if type(a) is Arc and type(b) is Arc and a.length > 4.0 * limit and differ <= limit and _same_ends(a, b) <= limit:
            p, q = place_along(a, 0.5 * a.length), place_along(b, 0.5 * b.length)
            if hypot(p.x - q.x, p.y - q.y) <= limit:
                return max(_same_ends(a, b), hypot(p.x - q.x, p.y - q.y)), p
        if apart > slack or differ > slack:
            return None
    elif type(a) is not type(b):
        return None
    found = intersect(a, b)
    if found.how != "coincident":
        return None
    middle = place_along(b, 0.5 * b.length) if not isinstance(b, EndlessLine) else b.through
    return 0.0, nearest(a, middle)


def _same_ends(a: Line | Arc, b: Line | Arc) -> float:
    """By how much the ends of two differ at most, whichever way they run."""
    return min(_straight(a.start, b.start, a.end, b.end), _straight(a.start, b.end, a.end, b.start))


def _straight(p: Point, q: Point, r: Point, s: Point) -> float:
    return max(hypot(p.x - q.x, p.y - q.y), hypot(r.x - s.x, r.y - s.y))
