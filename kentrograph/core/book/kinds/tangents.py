"""Lines that touch circles, arcs and ellipses."""

from collections.abc import Sequence
from math import hypot
from typing import Any, NamedTuple

from ...angles import unit, unit_vector
from ...construct.lines import Vector, vector_of, with_length
from ...figures import Circle, Ellipse, EndlessLine, Line, Point, StraightCurve
from ...intersect import nearest
from ...problem import Problem, Refused, refusal
from ...tangency.choose import Stated, chosen
from ...tangency.ellipse_lines import common_tangents_with_ellipse, tangents_of_ellipse_along
from ...tangency.tangent_lines import TangentLines, raw_of
from ...tangency.tangents import RawTangent, Tangent, common_tangents, tangents_along, tangents_of_ellipse
from ...tangency.touched import Touched, touched
from ...tolerance import SPOT_SHARE
from ..planner import Env, Plan, Planner
from ..tree import Given, Name, Statement
from ..values import StepResult
from .bindings import Facts, Outcome, check_words, own_givens, plan_facts, words_of
from .given import needs, too_many
from .touching import name_of

WAYS = ("direction", "parallel", "square")
_ENDS = ("from", "to")
Raws = tuple[list[RawTangent], bool, slice]


def plan_tangent(p: Planner, statement: Statement) -> Plan:
    """A line that touches one or two things."""
    check_words(statement, {"touching": 2})
    words = words_of(statement)
    touching = words.count("touching")
    others = [w for w in words if w not in ("touching", "length")]
    allowed = (*WAYS, *_ENDS, "through", "at")
    stray = next((g for g in statement.givens if g.word in others and g.word not in allowed), None)
    if stray is not None:
        raise too_many(statement, stray, ["touching"])
    if not touching:
        raise needs(statement, "touching a circle")
    if touching + len(others) > 2:
        raise too_many(statement, statement.givens[-1], words[:-1])
    if touching + len(others) < 2:
        raise needs(statement, "touching another figure", "from a place", "through a place", "direction", "parallel and a line")
    if "length" in words and not {"from", "to"} & set(words):
        raise needs(statement, "from and a place")
    layout = _layout(own_givens(statement), others[0] if others else "")
    whole = plan_facts(
        p, statement, lambda f: _drawn(f, layout), lambda line: line.end if isinstance(line, Line) else line.through
    )
    names = [a for g in statement.givens for a in g.arguments if isinstance(a, Name)]
    return _everyday(p, names, layout, whole) if len(names) == len(statement.givens) == 2 and not others else whole


class Layout(NamedTuple):
    """Where a statement's givens stand among its facts, and the words with them."""

    givens: Sequence[Given]
    touching: tuple[int, ...]
    names: list[str]
    other: str
    other_at: int
    length_at: int | None
    stated: Stated


def _layout(givens: Sequence[Given], other: str) -> Layout:
    touching = tuple(i for i, g in enumerate(givens) if g.word == "touching")
    return Layout(
        givens,
        touching,
        [name_of(givens[i]) for i in touching],
        other,
        next((i for i, g in enumerate(givens) if g.word == other), -1),
        next((i for i, g in enumerate(givens) if g.word == "length"), None),
        Stated(
            tuple(givens[i].sides for i in touching),
            tuple(side for i, g in enumerate(givens) if i not in touching for side in g.sides),
        ),
    )


def _everyday(p: Planner, names: list[Name], layout: Layout, whole: Plan) -> Plan:
    """The same in fewer operations for two whole circles by their names; anything else is left to the whole plan."""
    first, second = (p.slot(name) for name in names)

    def plan(env: Env, last: Point) -> StepResult:
        a, b = env[first], env[second]
        if type(a) is not Circle or type(b) is not Circle:
            return whole(env, last)
        try:
            found = TangentLines(common_tangents(touched(a), touched(b)), False, _BOTH, [a, b], layout.names, None)
            index = 0 if layout.stated.nothing else chosen(len(found), found.words, layout.stated)
            _, px, py, qx, qy, merged = found.raws[index]
        except (Refused, IndexError):
            return whole(env, last)
        if merged:
            return whole(env, last)
        end = Point(qx, qy)
        return StepResult(Line(Point(px, py), end), end, found, index, "")

    return plan


_BOTH = slice(0, 2)


def _drawn(f: Facts, layout: Layout) -> Outcome:
    figures: list[Any] = [f.values[i][0] for i in layout.touching]
    length = None if layout.length_at is None else f.values[layout.length_at][0]
    other = layout.other
    finish = None if not other or (other in ("from", "to") and length is None) else lambda line: _ended(line, length, other)
    try:
        found = TangentLines(*_tangents(f, layout, figures), figures, layout.names, finish)
    except Refused as refused:
        raise _named(refused, layout.names, layout.givens[layout.touching[0]]) from None
    return Outcome(found, (), _chosen(found, layout.stated))


def _chosen(found: TangentLines, stated: Stated) -> int:
    try:
        return 0 if stated.nothing else chosen(len(found), found.words, stated)
    except Refused:
        # Two lines that have become one carry the words of either.
        merged = next((i for i in range(len(found)) if found.merged(i)), None)
        if merged is None:
            raise
        return merged


def _tangents(f: Facts, layout: Layout, figures: list[Any]) -> Raws:
    """The lines as numbers, which way to run them, and which of their two places are touched."""
    other = layout.other
    if not other and any(isinstance(figure, Ellipse) for figure in figures):
        return common_tangents_with_ellipse(*figures), False, slice(0, 2)
    if not other:
        return common_tangents(_ring(figures[0]), _ring(figures[1])), False, slice(0, 2)
    given: Any = f.values[layout.other_at][0]
    at = layout.givens[layout.other_at]
    if other in WAYS:
        vector, figure = _vector(given, other, at), figures[0]
        along = (
            tangents_of_ellipse_along(vector, figure) if isinstance(figure, Ellipse) else tangents_along(vector, _ring(figure))
        )
        return [raw_of(t) for t in along], False, slice(0, 1)
    if other == "at":
        return [raw_of(_tangent_at(given, figures[0], at))], False, slice(0, 1)
    if isinstance(figures[0], Ellipse):
        raws = [raw_of(t) for t in tangents_of_ellipse(given, figures[0])]
    else:
        raws = common_tangents(Touched(given), _ring(figures[0]))
    return raws, other == "to", slice(1, 2)


def _ended(line: StraightCurve, length: float | None, other: str) -> StraightCurve:
    """The line as it was asked for: endless through a place or along a direction, or of a length."""
    if other in (*WAYS, "through", "at"):
        return line if isinstance(line, EndlessLine) else EndlessLine(line.start, *vector_of(line))
    return line if length is None else _lengthened(line, length, other == "to")


def _ring(figure: Any) -> Touched:
    if isinstance(figure, StraightCurve):
        raise refusal("line_touches_line")
    return touched(figure)


def _vector(given: Any, way: str, at: Given) -> Vector:
    if way == "direction":
        return unit_vector(given)
    if not isinstance(given, StraightCurve):
        raise refusal("no_line", at.start, at.end, word=way)
    ux, uy = vector_of(given)
    return (-uy, ux) if way == "square" else (ux, uy)


def _tangent_at(place: Point, figure: Any, given: Given) -> Tangent:
    """The line that touches a circle or an ellipse at a place on it, with the figure on its left."""
    at = nearest(figure, place)
    gap = hypot(at.x - place.x, at.y - place.y)
    ring = None if isinstance(figure, Ellipse) else _ring(figure)
    if gap > SPOT_SHARE * max(abs(place.x), abs(place.y), ring.r if ring else figure.a):
        raise refusal("not_on", given.start, given.end, gap=gap, name="it")
    if ring is None:
        return tangents_of_ellipse(figure.at(figure.angle_at(place.x, place.y)), figure)[0]
    ux, uy = unit(place.x - ring.x, place.y - ring.y)
    return Tangent(("left",), EndlessLine(place, -uy, ux), (place,), True)


def _lengthened(line: Any, length: float, ends: bool) -> Line:
    ux, uy = vector_of(line)
    if isinstance(line, EndlessLine):
        return with_length(line.through, (ux, uy), length)
    if ends:
        made = with_length(line.end, (-ux, -uy), length)
        return Line(made.end, made.start)
    return with_length(line.start, (ux, uy), length)


def _named(refused: Refused, names: list[str], given: Given) -> Refused:
    problem = refused.problem
    fields = {**problem.fields, "names": names, "name": names[0]}
    if "inner" in fields:
        order = names if len(names) == 2 else ["the place", *names]
        fields["inner"], fields["outer"] = order[fields["inner"]], order[1 - fields["inner"]]
    place = (problem.start, problem.end) if problem.end else (given.start, given.end)
    return Refused(Problem(problem.kind, fields, *place))
