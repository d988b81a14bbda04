"""Lines: from place to place, or from whatever else determines them."""

from collections.abc import Collection
from typing import Any

from ...angles import unit_vector
from ...construct import lines
from ...construct.lines import Vector
from ...construct.solution import Solution
from ...figures import Arc, Circle, Ellipse, EndlessLine, Line, Point, RoundCurve, StraightCurve
from ...problem import refusal
from ..chain import chain_of, follow
from ..kind import Drag, GivenSpec, Kind, TabOrder
from ..places import plan_next, plan_place
from ..planner import Env, Plan, Planner, as_function
from ..tree import Name, NamedPlace, Statement
from ..values import StepResult, drawn
from .bindings import Draw, Facts, Outcome, check_words, plan_direct, plan_facts, stated, value, words_of
from .given import needs, place_of_given, too_many
from .tangents import WAYS, plan_tangent
from .until import ends_on, runs_to


def plan_line(p: Planner, statement: Statement) -> Plan:
    """A line; without a beginning and with an end, it starts from the last place."""
    words = words_of(statement)
    if set(words) <= {"from", "to"} and "to" in words and len(words) == len(statement.givens):
        check_words(statement, {})
        return _from_to(p, statement)
    if "touching" in words or "at" in words:
        return plan_tangent(p, statement)
    check_words(statement, {"through": 2, "square": 2})
    if words == ["bisecting"] and len(statement.givens) == 1:
        whole = plan_direct(p, statement, _bisecting, _end)
        arguments = statement.givens[0].arguments
        names = [a.name if isinstance(a, NamedPlace) else a for a in arguments if isinstance(a, NamedPlace | Name)]
        return _between_places(p.slot(names[0]), p.slot(names[1]), whole) if len(names) == 2 else whole
    return plan_facts(p, statement, _way_to_draw(statement, words), _end)


def _end(line: Any) -> Point | None:
    return line.end if isinstance(line, Line) else line.through


def _from_to(p: Planner, statement: Statement) -> Plan:
    givens = {g.word: g for g in statement.givens}
    if [g.word for g in statement.givens] == ["to", "from"]:
        return _to_from(p, statement)
    start = as_function(plan_place(p, place_of_given(givens["from"]))) if "from" in givens else None
    if start is None:
        p.needs_last = True
    end = plan_next(p, place_of_given(givens["to"]))

    def draw(env: Env, last: Point) -> StepResult:
        a = last if start is None else start(env, last)
        b = end(env, a)
        return drawn(Line(a, b), b)

    places = [place_of_given(givens[w]) for w in ("from", "to") if w in givens]
    slots = [p.slot(place.name) for place in places if isinstance(place, NamedPlace)]
    return between_points(slots[0], slots[1], draw) if len(slots) == 2 else draw


def _to_from(p: Planner, statement: Statement) -> Plan:
    """The end written first: the beginning may count from it."""
    chain = chain_of(p, statement)

    def draw(env: Env, last: Point) -> StepResult:
        b, a = (value for _, value, _ in follow(chain, env, last))
        return drawn(Line(a, b), b)

    return draw


def between_points(first: int, second: int, otherwise: Plan) -> Plan:
    """The everyday line, from a point to a point by their names, without a call for either."""

    def draw(env: Env, last: Point) -> StepResult:
        a, b = env[first], env[second]
        if type(a) is Point and type(b) is Point:
            return drawn(Line(a, b), b)
        return otherwise(env, last)

    return draw


def _between_places(first: int, second: int, otherwise: Plan) -> Plan:
    """The everyday square line, through the middle of two points by their names."""

    def draw(env: Env, last: Point) -> StepResult:
        a, b = env[first], env[second]
        if type(a) is Point and type(b) is Point:
            line = lines.bisector_of_places(a, b)
            return drawn(line, line.through)
        return otherwise(env, last)

    return draw


def _way_to_draw(statement: Statement, words: list[str]) -> Draw:
    """The construction that fits these givens. Raises `Refused`: needs_given, too_many_givens."""
    has = set(words)
    ways = [w for w in words if w in WAYS]
    if words.count("square") == 2:
        _only(statement, {"square"})
        return lambda f: Outcome(lines.square_to_both(*(_square_side(x.values[0]) for x in f)), stated(f))
    if len(ways) > 1:
        second = next(g for g in statement.givens if g.word == ways[1])
        raise too_many(statement, second, [ways[0]])
    if "axis" in has:
        _only(statement, {"axis"})
        return _axis
    if "bisecting" in has:
        _only(statement, {"bisecting"})
        return lambda f: Outcome(_as_list(_bisecting(*f[0].values)), stated(f))
    through = words.count("through")
    if "distance" in has:
        if "parallel" not in has:
            raise needs(statement, "parallel and a line")
        _only(statement, {"parallel", "distance"})
        return lambda f: Outcome(lines.parallel_at(_line(f, "parallel"), value(f, "distance")), stated(f))
    if through == 2:
        _only(statement, {"through"})
        return lambda f: lines.endless_through_two(value(f, "through"), value(f, "through", 1))
    if "from" in has or "to" in has:
        return _with_ends(statement, has, ways, through)
    if through == 1 and ways:
        _only(statement, {"through", ways[0]})
        return lambda f: lines.endless_through(value(f, "through"), _vector(f, ways[0]))
    if through == 1:
        raise needs(statement, "through another place", "direction", "parallel and a line", "square and a line")
    if ways:
        raise needs(statement, "through a place", "from a place", *(["distance"] if ways == ["parallel"] else []))
    raise needs(statement, "from and a place", "to and a place", more=2)


def _axis(f: Facts) -> Line:
    """An axis of an ellipse, from end to end: the first along the direction in which it is turned, the other to its left."""
    which, ellipse = f[0].values
    given = f[0].given
    if not isinstance(ellipse, Ellipse):
        raise refusal("no_axis", given.start, given.end)
    if which not in (1.0, 2.0):
        raise refusal("no_such_axis", given.start, given.end)
    begin = 180.0 if which == 1.0 else 270.0
    return Line(ellipse.at_degrees(begin), ellipse.at_degrees(begin - 180.0))


def _with_ends(statement: Statement, has: set[str], ways: list[str], through: int) -> Draw:
    if {"from", "to"} <= has:
        # Both ends are known: anything more would contradict them or say nothing.
        _only(statement, {"from", "to"})
    end = "from" if "from" in has else "to"
    if "until" in has and end == "from":
        return _until(statement, has, ways, through)
    if not ways and not through:
        if "length" in has:
            raise needs(statement, "direction", "through a place", "parallel and a line", "square and a line")
        other = "to and a place" if end == "from" else "from and a place"
        raise needs(statement, other, "direction", "length", "parallel and a line", "touching a circle")
    way = ways[0] if ways else "through"
    _only(statement, {end, way, "length"})
    if "length" not in has:
        if end == "from" and way == "square":
            return _dropped
        raise needs(statement, "length", "until and what it runs to" if end == "from" else "from and a place")

    def draw(f: Facts) -> Line:
        at, length = value(f, end), value(f, "length")
        vector = _toward(at, value(f, "through"), end) if way == "through" else _vector(f, way)
        if end == "from":
            return lines.with_length(at, vector, length)
        line = lines.with_length(at, (-vector[0], -vector[1]), length)
        return Line(line.end, line.start)

    return draw


def _until(statement: Statement, has: set[str], ways: list[str], through: int) -> Draw:
    """From a place in a direction, or of a length, until it meets a figure."""
    if not ways and not through:
        if "length" not in has:
            raise needs(statement, "direction", "length", "through a place", "parallel and a line", "square and a line")
        _only(statement, {"from", "length", "until"})
        return lambda f: Outcome(lines.reaching(value(f, "from"), value(f, "length"), ends_on(f)), stated(f))
    way = ways[0] if ways else "through"
    _only(statement, {"from", way, "until"})

    def draw(f: Facts) -> Outcome:
        at = value(f, "from")
        vector = _toward(at, value(f, "through"), "from") if way == "through" else _vector(f, way)
        return Outcome(lines.until(at, vector, runs_to(f)), stated(f))

    return draw


def _toward(at: Point, through: Point, end: str) -> Vector:
    way = lines.endless_through_two(at, through)
    return (way.ux, way.uy) if end == "from" else (-way.ux, -way.uy)


def _square_side(figure: Any) -> Circle | StraightCurve:
    """A figure that a line can be square to: a line, or the whole circle. Raises `Refused` (no_square)."""
    if isinstance(figure, Arc):
        return Circle(figure.centre, figure.radius)
    if isinstance(figure, Circle | StraightCurve):
        return figure
    raise refusal("no_square")


def _dropped(f: Facts) -> Line:
    """Square to a line or a circle, from a place to its foot there."""
    at, other = value(f, "from"), value(f, "square")
    if isinstance(other, RoundCurve):
        return lines.square_to_circle(Circle(other.centre, other.radius), at)
    return lines.square_to(_line(f, "square"), at)


def _bisecting(a: Any, b: Any) -> EndlessLine | list[Solution]:
    """The square line through the middle of two places; the two lines that halve the angles of two lines."""
    if type(a) is Point and type(b) is Point:
        return lines.bisector_of_places(a, b)
    if isinstance(a, StraightCurve) and isinstance(b, StraightCurve):
        return lines.bisectors_of_lines(a, b)
    places = [t.centre if isinstance(t, RoundCurve) else t for t in (a, b)]
    if not all(isinstance(t, Point) for t in places):
        raise refusal("no_bisector")
    return lines.bisector_of_places(places[0], places[1])


def _as_list(made: EndlessLine | list[Solution]) -> list[Solution]:
    return made if isinstance(made, list) else [Solution(made)]


def _vector(f: Facts, way: str) -> Vector:
    if way == "direction":
        return unit_vector(value(f, "direction"))
    ux, uy = lines.vector_of(_line(f, way))
    # Square to a line: to its left, as it runs.
    return (-uy, ux) if way == "square" else (ux, uy)


def _line(f: Facts, word: str) -> StraightCurve:
    found = next(x for x in f if x.word == word)
    if not isinstance(found.values[0], StraightCurve):
        raise refusal("no_line", found.given.start, found.given.end, word=word)
    return found.values[0]


def _only(statement: Statement, words: set[str]) -> None:
    for given in statement.givens:
        if given.word not in words | {"near", "solution"}:
            raise too_many(statement, given, sorted(words))


def bare_entries(has: Collection[str]) -> list[str]:
    """A bare place: where it begins, then where it ends; after a place that it goes through, another one."""
    return ["through"] if "through" in has else [word for word in ("from", "to") if word not in has]


KIND = Kind(
    word="line",
    group="place",
    explanation="a line: from here to there, or through, along, beside, touching",
    plan=plan_line,
    letter="L",
    puts_place=True,
    # Between two figures, or up to one, it ends on the side that is pointed at.
    told_apart=lambda has: "end" if has.count("square") == 2 or "until" in has else "curve",
    first="Where does it begin? 40, 25, or point; or click on what it touches; or through, parallel, bisecting.",
    implied_words=bare_entries,
    next_hint=lambda has, done: None if done or has != ["from"] else "Where does it end? 40, 25 or + 20 at 90, or point.",
    drag=Drag("from", "to", figure="square"),
    tab_order=TabOrder(("length", "direction")),
    holds=("length", "direction"),
    onward="from end of {name}",
    givens=(
        GivenSpec("from", "place", "where it begins", blamed=("on_line",)),
        GivenSpec("to", "place", "where it ends", blamed=("zero_length",)),
        GivenSpec("through", "places", "a place, or two, that it goes through"),
        GivenSpec("direction", "direction", "the direction in which it runs"),
        GivenSpec("length", "length", "its length", blamed=("zero_length",)),
        GivenSpec("until", "thing", "the figure it runs to, or the place it ends level with"),
        GivenSpec("parallel", "figure", "parallel to a line", straight=True),
        GivenSpec("square", "figure", "square to a line or a circle; to two figures, from one to the other", repeats=True),
        GivenSpec("distance", "length", "its distance from the line it is parallel to", sides=("left", "right")),
        GivenSpec("touching", "figures", "touches a circle, an arc or an ellipse", repeats=True),
        GivenSpec("at", "place", "the place where it touches"),
        GivenSpec("bisecting", "two things", "halves two places or two lines", sides=("left", "right")),
        GivenSpec("axis", "axis", "`axis of` an ellipse, its first; `axis 2 of`, the other one"),
    ),
    examples=(
        ("line from P1 to P3", "from place to place"),
        ("line from P1 direction 30 length 40", "start, direction, length; also `to` with both"),
        ("line from P3 parallel L2 length 30", "parallel to a line, or `square` to it"),
        ("line from P1 through P3 length 50", "through a place"),
        ("line from P1 direction 15 until C1", "until it meets a figure: the first ahead, entering, then leaving"),
        ("line from P1 direction 15 until P3", "until it is level with a place; also with `parallel`, `square`, `through`"),
        ("line from P3 length 40 until L1", "of a length, ending on a figure: entering, then leaving, as that runs"),
        ("line from P3 square L1", "square to a line or a circle: it ends there"),
        ("line from P3 to foot on L2", "to the foot of the perpendicular from its beginning; also `touch on C2 left`"),
        ("line square L2 square C1", "from one figure to another, square to both: on the near, then the far side of each circle"),
        ("line through P1 P3", "two places: endless"),
        ("line through P3 parallel L1", "endless; also `square L1`, `direction 30`"),
        ("line parallel L1 distance 15 left", "at a distance: left, then right, as the line runs"),
        ("line bisecting P1 P3", "the square line through the middle"),
        ("line bisecting L1 L2 left", "of two lines: the one met turning left from the first, then turning right"),
        ("line from P2 touching C2 left", "ends where it touches; left: it has the circle on its left. Also `to`, `through`"),
        ("line touching C2 left C3 left", "from touching place to touching place: four, by the side of each"),
        ("line touching C1 parallel L2 right", "endless; also `square L2`, `direction 30`"),
        ("line touching C1 at on C1 at 200", "at a place on it"),
        ("line touching E1 right direction 30", "an ellipse in a direction; also `parallel L2`, `square L2`"),
        (
            "line touching E1 left C4 right",
            "an ellipse and a round figure; where two ellipses cross, `first` and `second` besides",
        ),
        ("line axis of E1", "its first axis, from end to end; `axis 2 of E1`, the other one"),
    ),
)
