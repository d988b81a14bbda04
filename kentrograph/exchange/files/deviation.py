"""How far apart a figure that was written and one that was read lie."""

from math import hypot, inf, radians

from ...core.figures import Arc, Circle, Ellipse, Figure, Line, Outline, Point

_OTHER_WAY = 5.0
"""Degrees by which a sweep cannot differ for rounding: it runs the other way round."""


def deviation(a: Figure, b: Figure) -> float:
    """How far apart two figures of one kind lie at most, by their places and sizes; infinite for different kinds."""
    match a, b:
        case Point(), Point():
            return hypot(a.x - b.x, a.y - b.y)
        case Line(), Line():
            return max(deviation(a.start, b.start), deviation(a.end, b.end))
        case Circle(), Circle():
            return max(deviation(a.centre, b.centre), abs(a.radius - b.radius))
        case Arc(), Arc():
            ends = max(deviation(a.start, b.start), deviation(a.end, b.end))
            if abs(a.sweep - b.sweep) > _OTHER_WAY:
                return inf
            return max(ends, deviation(a.centre, b.centre), abs(a.radius - b.radius))
        case Ellipse(), Ellipse():
            return _of_ellipses(a, b)
        case Outline(), Outline():
            if len(a.pieces) != len(b.pieces) or a.closed != b.closed:
                return inf
            return max(deviation(p, q) for p, q in zip(a.pieces, b.pieces, strict=True))
        case _ if type(a) is not type(b):
            return inf
        case _:
            raise AssertionError(a)


def _of_ellipses(a: Ellipse, b: Ellipse) -> float:
    if a.whole != b.whole:
        return inf
    ends = [] if a.whole else [deviation(a.start, b.start), deviation(a.end, b.end)]
    # Either axis may be named first: compared are places on them, where both have them.
    on_a = [a.at(radians(t)) for t in (0.0, 90.0, 180.0, 270.0)]
    on_b = [b.at(radians(t)) for t in (0.0, 90.0, 180.0, 270.0)]
    axes = [min(deviation(p, q) for q in on_b) for p in on_a]
    return max(*ends, *axes, deviation(a.centre, b.centre))
