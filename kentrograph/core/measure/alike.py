"""Whether two figures are of one kind and size, wherever they lie."""

from typing import Any

from ..figures import Arc, Circle, Ellipse, FigureSet, Line, Outline
from ..tolerance import TOLERANCE


def alike(a: Any, b: Any) -> bool:
    """Whether two figures are of one kind and of the same sizes.

    >>> from ..figures import Point
    >>> alike(Circle(Point(0.0, 0.0), 2.0), Circle(Point(9.0, 9.0), 2.0))
    True
    """
    if type(a) is not type(b):
        return False
    sizes, others = _sizes(a), _sizes(b)
    return len(sizes) == len(others) and all(_same(x, y) for x, y in zip(sizes, others, strict=True))


def _same(x: float, y: float) -> bool:
    return abs(x - y) <= TOLERANCE.joint_share * max(abs(x), abs(y))


def _sizes(figure: Any) -> tuple[float, ...]:
    """What makes the size of a figure; of an outline its pieces, as it runs."""
    if isinstance(figure, Circle):
        return (figure.radius,)
    if isinstance(figure, Line):
        return (figure.length,)
    if isinstance(figure, Arc):
        return (figure.radius, abs(figure.sweep))
    if isinstance(figure, Ellipse):
        return (figure.a, figure.b, abs(figure.sweep))
    if isinstance(figure, Outline):
        return tuple(size for piece in figure.pieces for size in _sizes(piece))
    return tuple(size for one in figure.members for size in _sizes(one)) if isinstance(figure, FigureSet) else ()
