"""The numbers that belong to figures and readings, by the words after the dot, and what each is measured in."""

from collections.abc import Callable
from typing import Any, assert_never

from ..figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point, StraightCurve
from ..measure.area import area_of, perimeter_of
from ..problem import Refused
from ..units import convert
from .manner import Conventions
from .on_paper import OnPaper
from .readings import QUANTITIES
from .readings.reading_kind import POWERS, Quantity
from .values import Mark, Reading, Untouchable


def in_unit(value: float, quantity: Quantity, unit: str, into: str) -> float:
    """A measured value in another unit of length.

    >>> in_unit(645.16, "area", "mm", "in"), in_unit(30.0, "turn", "mm", "in")
    (1.0, 30.0)
    """
    for _ in range(POWERS.get(quantity, 0)):
        value = convert(value, unit, into)
    return value


Part = Callable[[Any, Conventions, str], float | None]
"""A part of a figure (whose lengths are in the drawing's unit, the last argument) as a step of a manner writes it."""


def _coordinate(index: int) -> Part:
    def get(figure: Any, manner: Conventions, unit: str) -> float | None:
        point = figure if isinstance(figure, Point) else getattr(figure, "centre", None)
        if point is None:
            return None
        scaled = Point(convert(point.x, unit, manner.unit), convert(point.y, unit, manner.unit))
        return manner.from_world(scaled)[index]

    return get


def _length(attribute: str, times: float = 1.0) -> Part:
    def get(figure: Any, manner: Conventions, unit: str) -> float | None:
        value = getattr(figure, attribute, None)
        return None if value is None else convert(value * times, unit, manner.unit)

    return get


def _measured(measure: Callable[[Any], float], quantity: Quantity) -> Part:
    def get(figure: Any, manner: Conventions, unit: str) -> float | None:
        try:
            return in_unit(measure(figure), quantity, unit, manner.unit)
        except Refused:
            # What encloses nothing has no such part; the caller says which parts it has.
            return None

    return get


def _direction(figure: Any, manner: Conventions, unit: str) -> float | None:
    if isinstance(figure, StraightCurve):
        return manner.direction_from_core(figure.direction)
    return None


def _value(figure: Any, manner: Conventions, unit: str) -> float | None:
    return figure if isinstance(figure, float) else None


def _nothing(figure: Any, manner: Conventions, unit: str) -> float | None:
    return None


_OF_FIGURES: dict[str, Part] = {
    "x": _coordinate(0),
    "y": _coordinate(1),
    "radius": _length("radius"),
    "diameter": _length("radius", 2.0),
    "length": _length("length"),
    "circumference": _length("length"),
    "direction": _direction,
    "sweep": lambda figure, manner, unit: getattr(figure, "sweep", None),
    "count": lambda figure, manner, unit: float(len(figure.members)) if isinstance(figure, FigureSet) else None,
    "area": _measured(area_of, "area"),
    "perimeter": _measured(perimeter_of, "length"),
    "value": _value,
}
_SHORT = {"r": "radius", "d": "diameter", "dir": "direction"}


def _part(word: str) -> Part:
    of_figure = _OF_FIGURES.get(word, _nothing)

    def get(figure: Any, manner: Conventions, unit: str) -> float | None:
        if not isinstance(figure, Reading):
            return of_figure(figure, manner, unit)
        if word in ("value", figure.kind):
            return in_unit(figure.value, QUANTITIES[figure.kind], unit, manner.unit)
        found = figure.parts.get(word)
        return None if found is None else in_unit(found, QUANTITIES[word], unit, manner.unit)

    return get


PARTS: dict[str, Part] = {
    **{word: _part(word) for word in {*_OF_FIGURES, *QUANTITIES}},
    **{short: _part(word) for short, word in _SHORT.items()},
}
"""Every word that can stand after the dot."""


def parts_of(figure: Figure | Untouchable) -> list[str]:
    """The parts that a figure or a reading has, for an error that names them; what stands on paper has none."""
    match figure:
        case Point():
            return ["x", "y"]
        case Circle():
            return ["x", "y", "r", "d", "length", "area"]
        case Arc():
            return ["x", "y", "r", "d", "length", "sweep"]
        case Ellipse():
            return ["x", "y", "length", "area"] if figure.whole else ["x", "y", "length"]
        case Line():
            return ["length", "dir"]
        case EndlessLine():
            return ["dir"]
        case Outline():
            return ["length", "area"] if figure.closed else ["length"]
        case Reading():
            return ["value", *figure.parts]
        case float():
            return ["value"]
        case FigureSet():
            return ["count"]
        case Mark() | OnPaper():
            return []
        case _:
            assert_never(figure)
