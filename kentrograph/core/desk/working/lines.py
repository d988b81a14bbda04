"""Working of lines: tangents, lines at a distance, lines that halve."""

from typing import Any

from ...book.kinds.bindings import Facts
from ...book.values import StepResult
from ...figures import Circle, EndlessLine, Line, Point, RoundCurve, StraightCurve
from ...intersect.supporting_curves import way_of
from .sheet import Sheet, between, over_the_way, value_of, with_values


def line_working(sheet: Sheet, f: Facts, value: StepResult) -> None:
    """By what the line touches, runs beside, or halves."""
    words = {g.word for g in f.layout.givens}
    rings = [(v[0], sheet.called(g)) for g, v in with_values(f) if g.word == "touching"]
    places = [v[0] for g, v in with_values(f) if g.word in ("from", "to", "through") and isinstance(v[0], Point)]
    if "bisecting" in words:
        _halving(sheet, f, value)
    elif {"parallel", "distance"} <= words:
        _beside(sheet, f)
    elif not rings or not all(isinstance(ring, RoundCurve) for ring, _ in rings):
        return
    elif len(rings) == 2:
        _two_rings(sheet, rings, value)
    elif "at" not in words and places:
        over_the_way(sheet, places[0], *rings[0])
    else:
        _one_ring(sheet, *rings[0], value)


def _two_rings(sheet: Sheet, rings: list[tuple[Any, str]], value: StepResult) -> None:
    """The tangent of two circles, by that of a circle of their difference or sum. Common practice."""
    n = sheet.n
    sides = value.solutions[value.chosen_index].sides if value.solutions else ("left", "left")
    (big, name), (small, other) = sorted(rings, key=lambda r: -r[0].radius)
    same = sides[0] == sides[1]
    reach = big.radius - small.radius if same else big.radius + small.radius
    sign = "-" if same else "+"
    if reach > 0.0:
        sheet.draw(Circle(big.centre, reach), f"circle of {n(reach)} about the centre of {name}")
    sheet.say(
        f"{name} and {other} lie on {'the same side' if same else 'either side'}: {n(big.radius)} {sign} {n(small.radius)} = "
        f"{n(reach)}; the tangent from the centre of {other} to that circle runs parallel to the line."
    )


def _one_ring(sheet: Sheet, ring: RoundCurve, name: str, value: StepResult) -> None:
    """In a given direction: the radius to the touching place is square to it."""
    line: Any = value.figure
    way = way_of(line)
    sheet.draw(EndlessLine(ring.centre, -way.uy, way.ux), f"square line through the centre of {name}")
    sheet.say(f"The radius to the touching place is square to the line: {sheet.n(ring.radius)} from the centre of {name}.")


def _beside(sheet: Sheet, f: Facts) -> None:
    line, distance = value_of(f, "parallel"), value_of(f, "distance")
    name = next(sheet.called(g) for g, _ in with_values(f) if g.word == "parallel")
    if isinstance(line, Line):
        for end in (line.start, line.end):
            sheet.draw(Circle(end, distance), f"circle of {sheet.n(distance)} about an end of {name}")
    sheet.say(
        f"Every place on it lies {sheet.n(distance)} from {name}: it touches circles of that radius about places of {name}."
    )


def _halving(sheet: Sheet, f: Facts, value: StepResult) -> None:
    """Equal circles about both places; of two lines, lines beside both at one distance. Euclid, Elements I.9 and I.10."""
    found: Any = value.figure
    a, b = next(values for given, values in with_values(f) if given.word == "bisecting")
    n = sheet.n
    if isinstance(a, Point) and isinstance(b, Point):
        reach = 0.75 * between(a, b)
        for end in (a, b):
            sheet.draw(Circle(end, reach), f"circle of {n(reach)} about a place")
        sheet.say(f"Equal circles about both places, here of {n(reach)}, cross on it.")
    elif isinstance(a, StraightCurve) and isinstance(b, StraightCurve):
        way = way_of(found)
        size = max(way_of(a).size, way_of(b).size) or 1.0
        at = Point(way.x + 0.5 * size * way.ux, way.y + 0.5 * size * way.uy)
        off = abs(way_of(a).off(at.x, at.y))
        sheet.draw(Circle(at, off), f"circle of {n(off)} about a place of it")
        sheet.say(
            f"Each of its places is equally far from both: a circle about one of them, here of {n(off)}, touches both lines."
        )
