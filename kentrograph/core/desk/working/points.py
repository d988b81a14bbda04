"""Working of points: distances from two things, crossings, feet, touching places and middles."""

from math import atan2, degrees, sqrt
from typing import Any

from ...book.kinds.bindings import Facts
from ...book.kinds.given import place_of_given
from ...book.tree import CrossingOf, FootOf, Given, MiddleOf, Name
from ...book.values import StepResult
from ...construct.lines import beside
from ...figures import Circle, Line, Point, RoundCurve, StraightCurve
from ...intersect.supporting_curves import supporting_curve, way_of
from .sheet import Sheet, between, over_the_way, with_values


def point_working(sheet: Sheet, f: Facts, value: StepResult) -> None:
    """The loci of its facts, or what its place is found by."""
    at: Any = value.figure
    for given, values in with_values(f):
        if given.word == "from":
            distance, thing = values
            _at_distance(sheet, given, distance, thing, at)
        elif given.word == "on":
            sheet.draw(values[0], f"{sheet.called(given)}, on which the point lies")
            sheet.say(f"The point lies on {sheet.called(given)}.")
        elif given.word == "place":
            _placed(sheet, given, at)


def _at_distance(sheet: Sheet, given: Given, distance: float, thing: Any, at: Point) -> None:
    name, n = sheet.called(given), sheet.n(distance)
    if isinstance(thing, StraightCurve):
        off = distance if way_of(thing).off(at.x, at.y) > 0.0 else -distance
        sheet.draw(beside(thing, off), f"parallel to {name} at {n}")
    else:
        centre = thing if isinstance(thing, Point) else thing.centre
        sheet.draw(Circle(centre, distance), f"circle of {n} about {name}")
    sheet.say(f"The point lies {n} from {name}.")


def _placed(sheet: Sheet, given: Given, at: Point) -> None:
    match place_of_given(given):
        case CrossingOf(Name() as one, Name() as other):
            _crossing(sheet, one, other)
        case FootOf("foot", place, name) if place is not None:
            origin, figure = sheet.place(place), sheet.figure(name)
            if between(origin, at) > 0.0 and isinstance(figure, StraightCurve):
                sheet.draw(Line(origin, at), f"square line to {name.text}")
                sheet.say(f"The foot lies {sheet.n(between(origin, at))} from there, by the shortest way to {name.text}.")
        case FootOf("touch", place, name) if place is not None:
            figure = sheet.figure(name)
            if isinstance(figure, RoundCurve):
                over_the_way(sheet, sheet.place(place), figure, name.text)
        case MiddleOf(first, second):
            a, b = sheet.place(first), sheet.place(second)
            apart = between(a, b)
            for end in (a, b):
                sheet.draw(Circle(end, 0.75 * apart), f"circle of {sheet.n(0.75 * apart)} about an end")
            sheet.say("Equal circles about both ends cross on the square line through the middle.")


def _crossing(sheet: Sheet, one: Name, other: Name) -> None:
    """Both figures as long as they need to be; with a circle, how far the crossing lies along and off."""
    a, b, n = sheet.figure(one), sheet.figure(other), sheet.n
    if not isinstance(a, StraightCurve | RoundCurve) or not isinstance(b, StraightCurve | RoundCurve):
        return
    for figure, name in ((a, one), (b, other)):
        sheet.draw(supporting_curve(figure), f"{name.text}, as long as it needs to be")
    lines = [f for f in (a, b) if isinstance(f, StraightCurve)]
    rings = [f for f in (a, b) if isinstance(f, RoundCurve)]
    if len(rings) == 2:
        first, second = rings
        d = between(first.centre, second.centre)
        along = (d * d + first.radius * first.radius - second.radius * second.radius) / (2.0 * d)
        aside = sqrt(max(0.0, first.radius * first.radius - along * along))
        sheet.say(
            f"Along the line of centres, {n(d)}: (d² + r₁² - r₂²) / 2d = {n(along)} from the centre of {one.text}, "
            f"and {n(aside)} to the side."
        )
    elif rings:
        ring, d = rings[0], abs(way_of(lines[0]).off(rings[0].centre.x, rings[0].centre.y))
        half = sqrt(max(0.0, (ring.radius - d) * (ring.radius + d)))
        sheet.say(f"The line passes {n(d)} from the centre; half the chord is √({n(ring.radius)}² - {n(d)}²) = {n(half)}.")
    else:
        p, q = map(way_of, lines)
        turn = degrees(atan2(abs(p.ux * q.uy - p.uy * q.ux), abs(p.ux * q.ux + p.uy * q.uy)))
        sheet.say(f"The lines cross at {n(turn)}°.")
