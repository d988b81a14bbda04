"""Show working: what a person would draw with compasses to find a figure, and the sums that go with it.

Which constructions draw which loci is listed in ``docs/maths/working.md``.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import hypot
from typing import Any

from ..book.book import Book
from ..book.kinds.facts import Facts, given_facts
from ..book.kinds.touching import SIZES, name_of
from ..book.planner import Planner
from ..book.tree import Given
from ..book.values import Drawn
from ..construct.lines import bisector_of_places, bisectors_of_lines
from ..figures import Arc, Circle, EndlessLine, Figure, Line, Point
from ..meet.carriers import way_of
from ..problem import Refused
from ..units import plain
from .echo import env_of

_TOUCHED = ("touching", "through", "figures")


@dataclass(frozen=True, slots=True)
class Working:
    """Loci to draw in thin pencil, each with its words, and the sums in words and numbers."""

    loci: tuple[tuple[Figure, str], ...]
    sums: tuple[str, ...]


class _Sheet:
    """Collects loci and sums."""

    def __init__(self, book: Book) -> None:
        self.book = book
        self.loci: list[tuple[Figure, str]] = []
        self.sums: list[str] = []

    def n(self, value: float) -> str:
        """A number as the drawing shows it."""
        return plain(value, self.book.header.decimals)

    def draw(self, figure: Figure | None, words: str) -> None:
        """A locus, if there is one to draw."""
        if figure is not None:
            self.loci.append((figure, words))


def working_of(book: Book, id: str) -> Working | None:
    """The working of a step; None for a step that is found without compasses or does not stand."""
    step, value, index = book.steps[id], book.values[id], book.position(id)
    if not isinstance(value, Drawn):
        return None
    planner = Planner(step.manner, book.header.manner.unit)
    try:
        facts = given_facts(planner, step.statement, lambda: env_of(book, planner, index), book.last_place(index))
    except Refused:
        return None
    sheet = _Sheet(book)
    make = _KINDS.get(step.statement.kind)
    if make is not None:
        make(sheet, facts, value)
    return Working(tuple(sheet.loci), tuple(sheet.sums)) if sheet.loci or sheet.sums else None


# Round figures ----------------------------------------------------------------------------------------------


def _round(sheet: _Sheet, f: Facts, value: Drawn) -> None:
    circle: Any = value.figure
    touched = _touched(f, value)
    size = next((i for i, g in enumerate(f.layout.givens) if g.word in SIZES), None)
    words = {g.word for g in f.layout.givens}
    if "at" in words:
        _square_there(sheet, f, circle)
    elif size is not None:
        for one in touched:
            _locus_by_radius(sheet, *one, circle.radius)
        if len(touched) == 2 and not touched[0][3] and not touched[1][3]:
            sheet.sums.append("The centre is where the two circles cross.")
    elif "centre" in words:
        for figure, name, word, _ in touched:
            _from_centre(sheet, figure, name, word, circle)
    elif len(touched) == 3:
        _three(sheet, touched, circle)
    for given, values in zip(f.layout.givens, f.values, strict=True):
        if given.word == "centre on":
            sheet.draw(values[0], f"{name_of(given)}, on which the centre lies")


Touch = tuple[Any, str, str, bool]
"""What is touched, its name, the side word, and whether it is a line."""


def _touched(f: Facts, value: Drawn) -> list[Touch]:
    sides: Sequence[str] = value.solutions[value.taken].sides if value.solutions else ()
    found: list[Touch] = []
    for given, values in zip(f.layout.givens, f.values, strict=True):
        ends = given.word in ("from", "to") and any(g.word == "touching" for g in f.layout.givens)
        if given.word in _TOUCHED or ends:
            found.append((values[0], _called(given), "", isinstance(values[0], Line | EndlessLine)))
    return [(fig, name, sides[i] if i < len(sides) else "", line) for i, (fig, name, _, line) in enumerate(found)]


def _called(given: Given) -> str:
    name = name_of(given)
    return "the place" if name == "the place" else name


def _locus_by_radius(sheet: _Sheet, figure: Any, name: str, word: str, line: bool, radius: float) -> None:
    """Where the centres lie of the circles of a radius that touch one thing from one side."""
    n = sheet.n
    if line:
        w = way_of(figure)
        off = radius if word == "left" else -radius
        sheet.draw(
            EndlessLine(Point(w.x - off * w.uy, w.y + off * w.ux), w.ux, w.uy), f"parallel to {name} at {n(radius)}, {word}"
        )
        sheet.sums.append(f"{name}: the centre lies {n(radius)} to its {word}.")
        return
    if isinstance(figure, Point):
        sheet.draw(Circle(figure, radius), f"circle of {n(radius)} about {name}")
        sheet.sums.append(f"{name}: the centre lies {n(radius)} from it.")
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
        sheet.sums.append(f"{name}, {told}: {sum_} = {n(reach)} from its centre.")


def _from_centre(sheet: _Sheet, figure: Any, name: str, word: str, circle: Any) -> None:
    n = sheet.n
    if isinstance(figure, Line | EndlessLine):
        w = way_of(figure)
        off = w.off(circle.centre.x, circle.centre.y)
        foot = Point(circle.centre.x + off * w.uy, circle.centre.y - off * w.ux)
        sheet.draw(Line(circle.centre, foot), f"square line to {name}")
        sheet.sums.append(f"R = {n(abs(off))}, the distance of the centre from {name}.")
    elif isinstance(figure, Circle | Arc):
        d = hypot(figure.centre.x - circle.centre.x, figure.centre.y - circle.centre.y)
        sheet.draw(Line(circle.centre, figure.centre), f"line of centres to {name}")
        r = n(figure.radius)
        sum_ = {"outside": f"{n(d)} - {r}", "inside": f"{r} - {n(d)}", "enclosing": f"{n(d)} + {r}"}.get(word, n(d))
        sheet.sums.append(f"R = {sum_} = {n(circle.radius)}, by the distance of the centres.")


def _square_there(sheet: _Sheet, f: Facts, circle: Any) -> None:
    at = next(values[0] for g, values in zip(f.layout.givens, f.values, strict=True) if g.word == "at")
    if hypot(circle.centre.x - at.x, circle.centre.y - at.y) > 0.0:
        d = hypot(circle.centre.x - at.x, circle.centre.y - at.y)
        ux, uy = (circle.centre.x - at.x) / d, (circle.centre.y - at.y) / d
        sheet.draw(EndlessLine(at, ux, uy), "square line at the touching place")
        sheet.sums.append(f"The centre lies on the square line there, {sheet.n(d)} from the place.")


def _three(sheet: _Sheet, touched: list[Touch], circle: Any) -> None:
    """Three touched: the lines on which the centre lies where there are such lines, else the reduced problem."""
    places = [t for t in touched if isinstance(t[0], Point)]
    lines = [t for t in touched if t[3]]
    rings = [t for t in touched if isinstance(t[0], Circle | Arc)]
    for a, b in _pairs(places):
        sheet.draw(bisector_of_places(a[0], b[0]), f"square line through the middle of {a[1]} and {b[1]}")
        sheet.sums.append(f"{a[1]} and {b[1]} are equally far from the centre: it lies on the square line through their middle.")
    for a, b in _pairs(lines):
        halving = _halving(a[0], b[0], circle.centre)
        sheet.draw(halving, f"line that halves the angle of {a[1]} and {b[1]}")
        sheet.sums.append(f"{a[1]} and {b[1]} are equally far from the centre: it lies on the line that halves their angle.")
    if rings:
        _reduced(sheet, rings, lines, places, circle)


def _reduced(sheet: _Sheet, rings: list[Touch], lines: list[Touch], places: list[Touch], circle: Any) -> None:
    """The smallest circle is shrunk to its centre; the others grow or shrink by as much, lines move by as much."""
    n = sheet.n
    small = min(rings, key=lambda t: t[0].radius)
    r = small[0].radius
    # Touched from outside, the wanted circle grows as this one shrinks; else it shrinks with it.
    grows = r if small[2] == "outside" else -r
    sheet.sums.append(
        f"Shrink {small[1]} by {n(r)} to its centre; the wanted circle then has R {'+' if grows > 0 else '-'} {n(r)}."
    )
    sheet.draw(Point(small[0].centre.x, small[0].centre.y), f"centre of {small[1]}")
    for figure, name, word, _ in rings:
        if figure is small[0]:
            continue
        other = figure.radius - grows if word == "outside" else figure.radius + grows
        if other > 0.0:
            sheet.draw(Circle(figure.centre, other), f"{name} at {n(other)}")
        sheet.sums.append(f"{name}: {n(figure.radius)} {'-' if (word == 'outside') == (grows > 0) else '+'} {n(r)} = {n(other)}.")
    for figure, name, word, _ in lines:
        w = way_of(figure)
        off = -grows if word == "left" else grows
        sheet.draw(EndlessLine(Point(w.x - off * w.uy, w.y + off * w.ux), w.ux, w.uy), f"{name} moved by {n(r)}")
        sheet.sums.append(f"{name}: moved by {n(r)}.")
    for figure, name, _, _ in places:
        sheet.draw(Circle(figure, abs(grows)), f"{name} grown to {n(r)}")
    reduced = circle.radius + grows
    if reduced != 0.0:
        sheet.draw(
            Circle(circle.centre, abs(reduced)), f"the wanted circle at {n(abs(reduced))}, through the centre of {small[1]}"
        )
    sheet.sums.append(f"R = {n(abs(reduced))} {'-' if grows > 0 else '+'} {n(r)} = {n(circle.radius)}.")


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


# Points and lines -------------------------------------------------------------------------------------------


def _point(sheet: _Sheet, f: Facts, value: Drawn) -> None:
    for given, values in zip(f.layout.givens, f.values, strict=True):
        if given.word != "from":
            continue
        distance, thing = values
        name = name_of(Given(given.word, given.arguments[-1:], (), 0, 0))
        n = sheet.n(distance)
        if isinstance(thing, Line | EndlessLine):
            w = way_of(thing)
            at: Any = value.figure
            off = distance if w.off(at.x, at.y) > 0.0 else -distance
            sheet.draw(EndlessLine(Point(w.x - off * w.uy, w.y + off * w.ux), w.ux, w.uy), f"parallel to {name} at {n}")
        else:
            centre = thing if isinstance(thing, Point) else thing.centre
            sheet.draw(Circle(centre, distance), f"circle of {n} about {name}")
        sheet.sums.append(f"The point lies {n} from {name}.")


def _line(sheet: _Sheet, f: Facts, value: Drawn) -> None:
    rings = [(v[0], name_of(g)) for g, v in zip(f.layout.givens, f.values, strict=True) if g.word == "touching"]
    places = [v[0] for g, v in zip(f.layout.givens, f.values, strict=True) if g.word in ("from", "to", "through")]
    if not rings or not all(isinstance(r, Circle | Arc) for r, _ in rings):
        return
    n = sheet.n
    if len(rings) == 1 and places and isinstance(places[0], Point):
        (ring, name), place = rings[0], places[0]
        middle = Point((place.x + ring.centre.x) / 2, (place.y + ring.centre.y) / 2)
        half = hypot(place.x - ring.centre.x, place.y - ring.centre.y) / 2
        if half > 0.0:
            sheet.draw(Circle(middle, half), f"circle over the way to the centre of {name}")
        sheet.sums.append(f"The touching place sees the way as a right angle: a circle of {n(half)} over it meets {name} there.")
    elif len(rings) == 2:
        sides = value.solutions[value.taken].sides if value.solutions else ("left", "left")
        (big, name), (small, other) = sorted(rings, key=lambda r: -r[0].radius)
        same = sides[0] == sides[1]
        reach = big.radius - small.radius if same else big.radius + small.radius
        sign = "-" if same else "+"
        if reach > 0.0:
            sheet.draw(Circle(big.centre, reach), f"circle of {n(reach)} about the centre of {name}")
        sheet.sums.append(
            f"{name} and {other} lie on {'the same side' if same else 'either side'}: {n(big.radius)} {sign} {n(small.radius)} = "
            f"{n(reach)}; the tangent from the centre of {other} to that circle runs parallel to the line."
        )


_KINDS = {"circle": _round, "arc": _round, "fillet": _round, "point": _point, "line": _line}
