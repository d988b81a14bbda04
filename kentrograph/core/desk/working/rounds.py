"""Working of circles, and of arcs and fillets that touch things."""

from collections.abc import Sequence
from math import hypot
from typing import Any

from ...book.kinds.bindings import Facts
from ...book.kinds.touching import SIZES
from ...book.values import StepResult
from ...construct.lines import beside, bisector_of_places, bisectors_of_lines
from ...figures import Circle, Ellipse, EndlessLine, Line, Outline, Point, RoundCurve, StraightCurve
from ...intersect.supporting_curves import way_of
from .sheet import Sheet, between, value_of, with_values

_TOUCHED = ("touching", "through", "figures")


def round_working(sheet: Sheet, f: Facts, value: StepResult) -> None:
    """By which givens there are: a place of contact, a radius, a centre, or three touched."""
    # Of a fillet with what it rounds, the arc is the last that comes of it.
    circle: Any = value.results[-1]
    if isinstance(circle, Outline):
        return
    touched = _touched(sheet, f, value)
    words = {g.word for g in f.layout.givens}
    if "at" in words and words & {"touching", "direction"}:
        _square_there(sheet, value_of(f, "at"), circle)
    elif words & set(SIZES):
        by_radius(sheet, touched, circle.radius)
    elif "centre" in words:
        for figure, name, word, _ in touched:
            _from_centre(sheet, figure, name, word, circle)
    elif "across" in words:
        a, b = next(values for given, values in with_values(f) if given.word == "across")
        sheet.draw(bisector_of_places(a, b), "square line through the middle of the two ends")
        sheet.say(f"R is half of their distance: {sheet.n(between(a, b))} / 2 = {sheet.n(circle.radius)}.")
    elif len(touched) == 3:
        three(sheet, touched, circle)
    for given, values in with_values(f):
        if given.word == "centre on":
            sheet.draw(values[0], f"{sheet.called(given)}, on which the centre lies")
            sheet.say(f"The centre lies on {sheet.called(given)}.")


Touch = tuple[Any, str, str, bool]
"""What is touched, its name, the side word, and whether it is a line."""


def _touched(sheet: Sheet, f: Facts, value: StepResult) -> list[Touch]:
    sides: Sequence[str] = value.solutions[value.chosen_index].sides if value.solutions else ()
    found: list[Touch] = []
    for given, values in with_values(f):
        ends = given.word in ("from", "to") and any(g.word == "touching" for g in f.layout.givens)
        if given.word in _TOUCHED or ends:
            found.append((values[0], sheet.called(given), "", isinstance(values[0], StraightCurve)))
    return [(fig, name, sides[i] if i < len(sides) else "", line) for i, (fig, name, _, line) in enumerate(found)]


def by_radius(sheet: Sheet, touched: list[Touch], radius: float) -> None:
    """The loci of the centres of all circles of that radius, one for each thing touched."""
    for one in touched:
        _locus_by_radius(sheet, *one, radius)
    if len(touched) == 2 and not touched[0][3] and not touched[1][3]:
        sheet.say("The centre is where the two circles cross.")


def _locus_by_radius(sheet: Sheet, figure: Any, name: str, word: str, line: bool, radius: float) -> None:
    """Where the centres lie of the circles of a radius that touch one thing from one side."""
    n = sheet.n
    if line:
        sheet.draw(beside(figure, radius if word == "left" else -radius), f"parallel to {name} at {n(radius)}, {word}")
        sheet.say(f"{name}: the centre lies {n(radius)} to its {word}.")
        return
    if isinstance(figure, Point):
        sheet.draw(Circle(figure, radius), f"circle of {n(radius)} about {name}")
        sheet.say(f"{name}: the centre lies {n(radius)} from it.")
        return
    if isinstance(figure, Ellipse):
        sheet.say(f"{name}: the centre lies {n(radius)} from it, measured square to it; that curve is no circle and no ellipse.")
        return
    r = figure.radius
    reach, sum_ = {
        "outside": (radius + r, f"R + r = {n(radius)} + {n(r)}"),
        "inside": (r - radius, f"r - R = {n(r)} - {n(radius)}"),
        "enclosing": (radius - r, f"R - r = {n(radius)} - {n(r)}"),
    }.get(word, (radius, ""))
    if sum_:
        sheet.draw(Circle(figure.centre, reach), f"circle of {n(reach)} about the centre of {name}")
        told = {"outside": "touched from outside", "inside": "touched from inside", "enclosing": "enclosed"}[word]
        sheet.say(f"{name}, {told}: {sum_} = {n(reach)} from its centre.")


def _from_centre(sheet: Sheet, figure: Any, name: str, word: str, circle: Any) -> None:
    n = sheet.n
    if isinstance(figure, StraightCurve):
        w = way_of(figure)
        off = w.off(circle.centre.x, circle.centre.y)
        foot = Point(circle.centre.x + off * w.uy, circle.centre.y - off * w.ux)
        sheet.draw(Line(circle.centre, foot), f"square line to {name}")
        sheet.say(f"R = {n(abs(off))}, the distance of the centre from {name}.")
    elif isinstance(figure, Point):
        sheet.draw(Line(circle.centre, figure), f"way to {name}")
        sheet.say(f"R = {n(circle.radius)}, the distance of {name} from the centre.")
    elif isinstance(figure, RoundCurve):
        d = hypot(figure.centre.x - circle.centre.x, figure.centre.y - circle.centre.y)
        sheet.draw(Line(circle.centre, figure.centre), f"line of centres to {name}")
        r = n(figure.radius)
        sum_ = {"outside": f"{n(d)} - {r}", "inside": f"{r} - {n(d)}", "enclosing": f"{n(d)} + {r}"}.get(word, n(d))
        sheet.say(f"R = {sum_} = {n(circle.radius)}, by the distance of the centres.")


def _square_there(sheet: Sheet, at: Point, circle: Any) -> None:
    d = between(at, circle.centre)
    if d > 0.0:
        ux, uy = (circle.centre.x - at.x) / d, (circle.centre.y - at.y) / d
        sheet.draw(EndlessLine(at, ux, uy), "square line at the touching place")
        sheet.say(f"The centre lies on the square line there, {sheet.n(d)} from the place.")


def three(sheet: Sheet, touched: list[Touch], circle: Any) -> None:
    """Three touched: the lines on which the centre lies where there are such lines, else the reduced problem."""
    places = [t for t in touched if isinstance(t[0], Point)]
    lines = [t for t in touched if t[3]]
    rings = [t for t in touched if isinstance(t[0], RoundCurve)]
    for a, b in _pairs(places):
        sheet.draw(bisector_of_places(a[0], b[0]), f"square line through the middle of {a[1]} and {b[1]}")
        sheet.say(f"{a[1]} and {b[1]} are equally far from the centre: it lies on the square line through their middle.")
    for a, b in _pairs(lines):
        halving = _halving(a[0], b[0], circle.centre)
        sheet.draw(halving, f"line that halves the angle of {a[1]} and {b[1]}")
        sheet.say(f"{a[1]} and {b[1]} are equally far from the centre: it lies on the line that halves their angle.")
    if rings:
        _reduced(sheet, rings, lines, places, circle)


def _reduced(sheet: Sheet, rings: list[Touch], lines: list[Touch], places: list[Touch], circle: Any) -> None:
    """The smallest circle is shrunk to its centre; the others grow or shrink by as much, lines move by as much."""
    n = sheet.n
    small = min(rings, key=lambda t: t[0].radius)
    r = small[0].radius
    # Touched from outside, the wanted circle grows as this one shrinks; else it shrinks with it.
    grows = r if small[2] == "outside" else -r
    sheet.say(f"Shrink {small[1]} by {n(r)} to its centre; the wanted circle then has R {'+' if grows > 0 else '-'} {n(r)}.")
    sheet.draw(Point(small[0].centre.x, small[0].centre.y), f"centre of {small[1]}")
    for figure, name, word, _ in rings:
        if figure is small[0]:
            continue
        other = figure.radius - grows if word == "outside" else figure.radius + grows
        if other > 0.0:
            sheet.draw(Circle(figure.centre, other), f"{name} at {n(other)}")
        sheet.say(f"{name}: {n(figure.radius)} {'-' if (word == 'outside') == (grows > 0) else '+'} {n(r)} = {n(other)}.")
    for figure, name, word, _ in lines:
        sheet.draw(beside(figure, -grows if word == "left" else grows), f"{name} moved by {n(r)}")
        sheet.say(f"{name}: moved by {n(r)}.")
    for figure, name, _, _ in places:
        sheet.draw(Circle(figure, abs(grows)), f"{name} grown to {n(r)}")
    reduced = circle.radius + grows
    if reduced != 0.0:
        sheet.draw(
            Circle(circle.centre, abs(reduced)), f"the wanted circle at {n(abs(reduced))}, through the centre of {small[1]}"
        )
    sheet.say(f"R = {n(abs(reduced))} {'-' if grows > 0 else '+'} {n(r)} = {n(circle.radius)}.")


def _halving(a: Any, b: Any, centre: Point) -> EndlessLine | None:
    """Of the lines that halve the angles of two, the one that the centre lies on."""
    best: EndlessLine | None = None
    least = float("inf")
    for one in bisectors_of_lines(a, b):
        figure = one.figure
        if isinstance(figure, EndlessLine):
            off = abs(way_of(figure).off(centre.x, centre.y))
            if off < least:
                best, least = figure, off
    return best


def _pairs(items: list[Touch]) -> list[tuple[Touch, Touch]]:
    return [(a, b) for i, a in enumerate(items) for b in items[i + 1 :]]
