"""Points: at a place, or where two facts meet."""

from collections.abc import Sequence
from dataclasses import replace

from ...angles import unit_vector
from ...construct.lines import endless_through, parallel_at
from ...construct.loci import Locus, from_two_loci
from ...construct.solution import Solution, take
from ...figures import CentredCurve, Circle, Curve, EndlessLine, Point, StraightCurve
from ...intersect.intersection import NEITHER
from ...problem import refusal
from ..crossings import Solutions, Spots, plan_crossings, plan_feet
from ..kind import GivenSpec, Kind
from ..places import plan_place
from ..planner import Env, Plan, Planner
from ..tree import CrossingOf, FootOf, Given, Name, Statement
from ..values import StepResult
from .bindings import Fact, Facts, Outcome, plan_facts, words_of
from .given import needs, place_of_given, too_many


def plan_point(p: Planner, statement: Statement) -> Plan:
    """A point at a place, or from two facts: on figures, at distances, in directions, with an x or a y."""
    words = words_of(statement)
    if not words:
        raise needs(statement, "a place, such as 40, 25 or 50 at 30, or two facts, such as on L1 on C1")
    if "place" in words:
        if len(words) > 1:
            raise too_many(statement, statement.givens[-1], ["a place"])
        return _at_place(p, statement)
    if len(words) == 1:
        raise needs(statement, "on a figure", "a distance from a place or a line", "x", "y", "direction from a place")
    if len(words) > 2:
        raise too_many(statement, statement.givens[2], words[:2])
    turn = p.manner.in_unit(p.unit)

    def draw(facts: Facts) -> Outcome:
        return _from_loci([_loci(f, turn.to_world(0.0, 0.0), turn.datum.turn, turn) for f in facts], facts)

    return plan_facts(p, statement, draw, lambda figure: figure)


def _at_place(p: Planner, statement: Statement) -> Plan:
    given = next(g for g in statement.givens if g.word == "place")
    node = place_of_given(given)
    if isinstance(node, CrossingOf | FootOf):
        if isinstance(node, CrossingOf):
            find = plan_crossings(p, node)
        else:
            find = plan_feet(p, node, p.origin(node.place))
        sides = node.sides
        choosers = [g for g in statement.givens if g is not given]
        if choosers:
            return _chosen_by(p, statement, choosers, find, sides)

        def first(env: Env, last: Point) -> StepResult:
            found = find(env, last)
            if type(found) is Spots and len(sides) == 1 and len(found) == 2:
                # The everyday case: one word, and it is the sign of one of the two.
                first, second = found.spots
                index = 0 if first.sign == sides[0] else 1 if second.sign == sides[0] else -1
                if index >= 0 and first.past is NEITHER and second.past is NEITHER:
                    at = second.at if index else first.at
                    return StepResult(at, at, found, index, "")
            index = take(found, sides) if sides else 0
            one = found[index]
            kept = found if type(found) is Spots else tuple(found)
            return StepResult(one.figure, one.figure, kept if len(found) > 1 else (), index, one.note)  # type: ignore[arg-type]

        return first
    place = plan_place(p, node)
    if isinstance(place, Point):
        drawn = StepResult(place, place)
        return lambda env, last: drawn

    def draw(env: Env, last: Point) -> StepResult:
        point = place(env, last)
        return StepResult(point, point)

    return draw


def _chosen_by(p: Planner, statement: Statement, choosers: list[Given], find: Solutions, sides: tuple[str, ...]) -> Plan:
    """One of several places, taken by ``near`` or ``solution``."""
    rest = replace(statement, givens=tuple(choosers))

    def several(env: Env, last: Point) -> StepResult:
        found = find(env, last)
        return plan_facts(p, rest, lambda facts: Outcome(found, sides), lambda figure: figure)(env, last)

    return several


def _from_loci(loci: Sequence[list[tuple[str, Locus]]], facts: Facts) -> Outcome:
    """All points on one locus of the first fact and one of the second."""
    first, second = loci
    solutions: list[Solution] = []
    refused: Exception | None = None
    for a_sign, a in first:
        for b_sign, b in second:
            try:
                found = from_two_loci(a, b)
            except Exception as error:
                refused = error
                continue
            for one in found:
                signature = " ".join(w for w in (a_sign, b_sign, one.signature) if w)
                solutions.append(Solution(one.figure, signature, one.note))
    if not solutions and refused is not None:
        raise refused
    # Side words of a distance from a line have chosen the locus already.
    words = [
        side
        for fact, options in zip(facts, loci, strict=True)
        if len(options) > 1 or not options[0][1].sides
        for side in fact.sides
    ]
    return Outcome(solutions, tuple(words))


def _loci(fact: Fact, origin: tuple[float, float], turn: float, manner: object) -> list[tuple[str, Locus]]:
    """Where the point may lie by one fact; two loci for a distance from a line on a side that is not said."""
    name = fact.given.arguments[-1].text if isinstance(fact.given.arguments[-1], Name) else "the place"
    c, s = unit_vector(turn)
    match fact.word:
        case "on":
            figure = fact.values[0]
            if not isinstance(figure, Curve):
                raise refusal("no_curve", fact.given.start, fact.given.end, name=name)
            return [("", Locus(figure, name))]
        case "x":
            at = Point(origin[0] + fact.values[0] * c, origin[1] + fact.values[0] * s)
            return [("", Locus(EndlessLine(at, -s, c), "that x"))]
        case "y":
            at = Point(origin[0] - fact.values[0] * s, origin[1] + fact.values[0] * c)
            return [("", Locus(EndlessLine(at, c, s), "that y"))]
        case "direction":
            direction, place = fact.values
            return [("", Locus(endless_through(place, unit_vector(direction)), "that direction", ray=True))]
        case _:
            return _at_distance(fact, name)


def _at_distance(fact: Fact, name: str) -> list[tuple[str, Locus]]:
    distance, thing = fact.values
    if isinstance(thing, Point):
        return [("", Locus(Circle(thing, distance), f"that distance from {name}"))]
    if isinstance(thing, CentredCurve):
        return [("", Locus(Circle(thing.centre, distance), f"that distance from {name}"))]
    if isinstance(thing, StraightCurve):
        beside = parallel_at(thing, distance)
        words = f"that distance from {name}"
        said = [b for b in beside if b.signature in fact.sides]
        if said or len(beside) == 1:
            return [("", Locus(_line(b), words, fact.sides)) for b in (said or beside)[:1]]
        return [(b.signature, Locus(_line(b), words)) for b in beside]
    raise refusal("no_distance", fact.given.start, fact.given.end, name=name)


def _line(solution: Solution) -> EndlessLine:
    assert isinstance(solution.figure, EndlessLine)
    return solution.figure


KIND = Kind(
    word="point",
    group="place",
    explanation="a point: coordinates, or any two facts that determine it",
    plan=plan_point,
    letter="P",
    puts_place=True,
    first="Give its place: 40, 25 or 50 at 30 or + 5, 0.",
    givens=(
        GivenSpec("place", "place", "where it is: 40, 25 or 50 at 30 or + 5, 0"),
        GivenSpec("on", "lying on", "lies on a figure", repeats=True, sides=("entering", "leaving")),
        GivenSpec("from", "distance from", "a distance from a place or from a line", repeats=True, sides=("left", "right")),
        GivenSpec("x", "length", "its x"),
        GivenSpec("y", "length", "its y"),
        GivenSpec("direction", "direction from", "its direction, followed by from and a place"),
    ),
    examples=(
        ("point 40, 25", "coordinates from the datum; `40..25` on a keypad"),
        ("point 50 at 30", "polar from the datum; `50//30` on a keypad"),
        ("point P1: 20, 12", "from another place; `+ 20, 12` from the last one"),
        ("point P1: 30 at N 45 E", "a bearing; also `az 45`, `12°05'30\"`, `50gon`, `0.5rad`"),
        ("point P3.x, P2.y", "x from one place, y from another"),
        ("point crossing of L2 C1 leaving", "where two figures cross: entering, then leaving, as the line runs"),
        ("point crossing of C1 C2 left", "two circles: left, then right, of the way between their centres"),
        ("point foot of P3 on L1", "foot of the perpendicular; on a circle the nearer first"),
        ("point nearest to P3 on C1", "nearest place"),
        ("point touch of P2 on C2 left", "touching point of the tangent: left, then right, of the way to the centre"),
        ("point middle of P1 P3", "halfway; of a closed outline its area centre"),
        ("point 12 along L1 from end", "along a figure; also `25% of L1`, `2/5 of L1`"),
        ("point 12 past end of L2", "past an end"),
        ("point crossing of (level P3) (plumb P2)", "sight lines in parentheses: level and plumb with places"),
        (
            "point crossing of (through P1 direction 60) C2 leaving",
            "a sight line in a direction; also `parallel L1`, `square L1`",
        ),
        ("point P1: 30 at L2.dir + 90", "square to a line, from a place"),
        ("point on C1 at 120", "on a circle in a direction"),
        ("point on L2 on C2 leaving", "on two figures"),
        ("point 40 from P1; 30 from P3 right", "distances from two places: left, then right, of the way between them"),
        ("point 12 from L1 left; 8 from L2 right", "distances from two edges, each on a side of the line as it runs"),
        ("point x 40 on L2", "an x and a figure"),
        ("point y 20 on C2 leaving", "a y and a figure"),
        ("point direction 30 from P1 on C1", "a direction from a place, and a figure"),
    ),
)
