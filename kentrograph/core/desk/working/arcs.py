"""Working of arcs between places, and of arcs that go on from an end."""

from math import radians, sin
from typing import Any

from ...book.kinds.arc import tip
from ...book.kinds.bindings import Facts
from ...book.kinds.touching import SIZES
from ...book.values import StepResult
from ...construct.lines import bisector_of_places
from ...figures import Arc, EndlessLine, Point, RoundCurve, StraightCurve
from ...figures.along import heading
from .rounds import by_radius, round_working, three
from .sheet import Sheet, between, value_of, with_values


def arc_working(sheet: Sheet, f: Facts, value: StepResult) -> None:
    """By which givens there are; an arc that touches what a circle could is worked out like one."""
    arc: Any = value.figure
    words = {g.word for g in f.layout.givens}
    if "via" in words:
        _by_way_of(sheet, f, arc)
    elif "continuing" in words or {"from", "direction"} <= words:
        _leaving(sheet, f, arc, words)
    elif "touching" not in words and {"from", "to"} <= words and "centre" not in words:
        _between(sheet, f, arc, words)
    else:
        round_working(sheet, f, value)


def _by_way_of(sheet: Sheet, f: Facts, arc: Arc) -> None:
    three(sheet, [(values[0], sheet.called(given), "", False) for given, values in with_values(f)], arc)


def _between(sheet: Sheet, f: Facts, arc: Arc, words: set[str]) -> None:
    """From end to end: by its radius, its rise or its sweep."""
    ends = [(values[0], sheet.called(given), "", False) for given, values in with_values(f) if given.word in ("from", "to")]
    n, chord = sheet.n, between(arc.start, arc.end)
    if words & set(SIZES):
        by_radius(sheet, ends, arc.radius)
        return
    sheet.draw(bisector_of_places(arc.start, arc.end), f"square line through the middle of {ends[0][1]} and {ends[1][1]}")
    if "rise" in words:
        half, rise = chord / 2.0, value_of(f, "rise")
        sheet.say(f"R = (c² + h²) / 2h = ({n(half)}² + {n(rise)}²) / {n(2.0 * rise)} = {n(arc.radius)}, c half the chord.")
    elif "sweep" in words:
        half_sweep = abs(arc.sweep) / 2.0
        sum_ = f"{n(chord / 2.0)} / sin {n(half_sweep)}° = {n(chord / 2.0 / sin(radians(half_sweep)))}"
        sheet.say(f"R = half the chord / sin of half the sweep = {sum_}.")


def _leaving(sheet: Sheet, f: Facts, arc: Arc, words: set[str]) -> None:
    """Leaving an end, or a place in a direction: the centre lies on the square line there."""
    at, (ux, uy) = tip(f) if "continuing" in words else (arc.start, heading(arc, True))
    n, other = sheet.n, next((v[0] for g, v in with_values(f) if g.word == "touching"), None)
    sheet.draw(EndlessLine(at, -uy, ux), "square line where it leaves")
    sheet.say("The centre lies on the square line where it leaves.")
    if "radius" in words:
        sheet.say(f"It lies {n(arc.radius)} from there.")
    elif "to" in words:
        sheet.draw(bisector_of_places(at, arc.end), "square line through the middle of both ends")
        sheet.say("Both ends are equally far from the centre: it lies on the square line through their middle.")
    elif isinstance(other, RoundCurve):
        # Outside, the centre is R + r from that centre: as far as from the place r behind the end. Else R - r, r before it.
        d = between(arc.centre, other.centre)
        behind = d > max(arc.radius, other.radius)
        sign = -1.0 if behind else 1.0
        away = between(at, arc.centre)
        x, y = (arc.centre.x - at.x) / away, (arc.centre.y - at.y) / away
        same = Point(at.x + sign * other.radius * x, at.y + sign * other.radius * y)
        sheet.draw(same, f"{n(other.radius)} {'behind' if behind else 'before'} the end")
        sheet.draw(bisector_of_places(same, other.centre), "square line through the middle of that and the centre touched")
        sheet.say(f"It is as far from the place {n(other.radius)} along that line as from the centre touched: {n(d)}.")
    elif isinstance(other, StraightCurve):
        sheet.say(f"It is {n(arc.radius)} from the end and from the line touched.")
