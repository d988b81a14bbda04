"""Drawings as items, random figures of all kinds, and how far what was read lies from what was written."""

import random
from collections.abc import Callable, Sequence
from math import cos, radians, sin

from hypothesis import strategies as st

from kentrograph.core.figures import Arc, Circle, Ellipse, Figure, Line, Outline, Point
from kentrograph.core.figures.in_unit import in_unit
from kentrograph.exchange.files.deviation import deviation
from kentrograph.exchange.files.found import Found
from kentrograph.exchange.files.iges_in import read_iges
from kentrograph.exchange.files.iges_out import as_iges
from kentrograph.exchange.files.items import Item
from kentrograph.exchange.files.step_in import read_step
from kentrograph.exchange.files.step_out import as_step
from kentrograph.exchange.files.svg_in import read_svg
from kentrograph.exchange.files.svg_out import as_svg

Write = Callable[..., tuple[str, list[str]]]
BOTH_WAYS: dict[str, tuple[Write, Callable[[bytes], Found]]] = {
    "svg": (as_svg, read_svg),
    "step": (as_step, read_step),
    "iges": (as_iges, read_iges),
}


def arc(centre: Point, radius: float, begin: float, sweep: float) -> Arc:
    ends = [radians(begin), radians(begin + sweep)]
    start, end = (Point(centre.x + radius * cos(t), centre.y + radius * sin(t)) for t in ends)
    return Arc(centre, radius, start, end, sweep)


def random_figures(seed: int, count: int = 12) -> list[Figure]:
    """Figures of all kinds and sizes, some of them far from the datum."""
    dice = random.Random(seed)
    size, away = 10.0 ** dice.uniform(-3, 4), dice.choice([0.0, 0.0, 1e3, 1e6])
    found: list[Figure] = []

    def place() -> Point:
        return Point(away + size * dice.uniform(-1, 1), size * dice.uniform(-1, 1) - away)

    for _ in range(count):
        sweep = dice.choice([-1.0, 1.0]) * dice.choice([dice.uniform(2.0, 358.0), 90.0, 180.0, 179.999, 270.0])
        radius = size * 10.0 ** dice.uniform(-1.5, 0.5)
        match dice.randrange(6):
            case 0:
                found.append(Line(place(), place()))
            case 1:
                found.append(Circle(place(), radius))
            case 2:
                found.append(arc(place(), radius, dice.uniform(0, 360), sweep))
            case 3:
                found.append(Ellipse(place(), radius, radius * dice.uniform(0.1, 0.9), dice.uniform(0, 360)))
            case 4:
                begin = dice.uniform(0, 360)
                found.append(Ellipse(place(), radius, radius * dice.uniform(0.1, 0.9), dice.uniform(0, 360), begin, sweep))
            case _:
                found.append(outline(dice, place))
    return found


def outline(dice: random.Random, place: Callable[[], Point]) -> Outline:
    """A chain of lines and arcs, open or closed."""
    first = place()
    pieces: list[Line | Arc] = []
    at = first
    for _ in range(dice.randint(2, 5)):
        to = place()
        if dice.random() < 0.5:
            pieces.append(Line(at, to))
        else:
            pieces.append(_bow(at, to, dice.choice([-1.0, 1.0]) * dice.uniform(10.0, 300.0)))
        at = to
    if dice.random() < 0.6:
        pieces.append(Line(at, first))
        return Outline(tuple(pieces), True)
    return Outline(tuple(pieces), False)


def _bow(a: Point, b: Point, sweep: float) -> Arc:
    """The arc from place to place over a sweep."""
    half = radians(sweep) / 2.0
    mx, my = (a.x + b.x) / 2.0, (a.y + b.y) / 2.0
    height = cos(half) / sin(half) / 2.0
    centre = Point(mx - height * (b.y - a.y), my + height * (b.x - a.x))
    return Arc(centre, deviation(centre, a), a, b, sweep)


def items(figures: Sequence[Figure]) -> list[Item]:
    return [Item(figure, f"F{n}", "ink") for n, figure in enumerate(figures, 1)]


def off(written: Sequence[Figure], found: Found, unit: str = "mm") -> float:
    """How far what was read lies from what was written, in its unit."""
    read = [in_unit(one.figure, found.unit, unit) for one in found.figures]
    assert len(read) == len(written), (len(read), len(written), found.left_out)
    return max(deviation(a, b) for a, b in zip(written, read, strict=True))


def apart(written: Sequence[Figure], found: Found, unit: str = "mm") -> float:
    """The same as a share of the size of the drawing and its distance from the datum."""
    return off(written, found, unit) / max(max(abs(v) for v in _numbers(figure)) for figure in written)


def _numbers(figure: Figure) -> list[float]:
    match figure:
        case Circle(c, r):
            return [c.x, c.y, r]
        case Ellipse(c, a, b):
            return [c.x, c.y, a, b]
        case Arc(c, r, p, q):
            return [c.x, c.y, r, p.x, p.y, q.x, q.y]
        case Line(p, q):
            return [p.x, p.y, q.x, q.y]
        case Outline(pieces):
            return [v for piece in pieces for v in _numbers(piece)]
        case _:
            raise AssertionError(figure)


seeds = st.integers(0, 10_000)
