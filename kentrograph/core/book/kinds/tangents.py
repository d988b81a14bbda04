"""Lines that touch circles, arcs and ellipses."""

from collections.abc import Sequence
from math import hypot
from typing import Any

from ...angles import unit, unit_vector
from ...construct.lines import Vector, vector_of, with_length
from ...construct.solution import Contact, Solution
from ...figures import Ellipse, EndlessLine, Line, Point
from ...meet import nearest
from ...meet.carriers import way_of
from ...meet.within import within
from ...problem import Problem, Refused, refuse
from ...tangency.choose import Stated, chosen
from ...tangency.tangents import Tangent, tangents_along, tangents_of_ellipse, tangents_of_two
from ...tangency.touched import Touched
from ..planner import Plan, Planner
from ..tree import Given, Statement
from .facts import Facts, Outcome, check_words, ordered, plan_facts, words_of
from .given import needs, too_many
from .touching import name_of

WAYS = ("direction", "parallel", "square")
_ENDS = ("from", "to")


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
    if touching + len(others) > 2:
        raise too_many(statement, statement.givens[-1], words[:-1])
    if touching + len(others) < 2:
        raise needs(statement, "touching another figure", "from a place", "through a place", "direction", "parallel and a line")
    if "length" in words and not {"from", "to"} & set(words):
        raise needs(statement, "from and a place")
    givens = ordered(statement)

    def draw(f: Facts) -> Outcome:
        return _drawn(f, givens, others[0] if others else "")

    return plan_facts(p, statement, draw, lambda line: line.end if isinstance(line, Line) else line.through)


def _drawn(f: Facts, givens: Sequence[Given], other: str) -> Outcome:
    touched = [i for i, g in enumerate(givens) if g.word == "touching"]
    figures: list[Any] = [f.values[i][0] for i in touched]
    names = [name_of(givens[i]) for i in touched]
    try:
        found = _tangents(f, other, figures, givens, touched)
    except Refused as refused:
        raise _named(refused, names, givens[touched[0]]) from None
    own = tuple(givens[i].sides for i in touched)
    loose = tuple(side for i, g in enumerate(givens) if i not in touched for side in g.sides)
    solutions = [_solution(one, figures, names) for one in found]
    length = next((v[0] for g, v in zip(givens, f.values, strict=True) if g.word == "length"), None)
    if length is not None:
        solutions = [one._replace(figure=_lengthened(one.figure, length, other == "to")) for one in solutions]
    ranked = sorted(solutions, key=lambda one: any(c.past for c in one.contacts))
    return Outcome(ranked, (), _chosen(ranked, found, Stated(own, loose)))


def _chosen(solutions: list[Solution], found: list[Tangent], stated: Stated) -> int:
    try:
        return 0 if stated.nothing else chosen(len(solutions), lambda i: (*solutions[i].sides, ""), stated)
    except Refused:
        # Two lines that have become one carry the words of either.
        merged = next((t for t in found if t.merged), None)
        if merged is None:
            raise
        return next(i for i, one in enumerate(solutions) if one.sides == merged.sides)


def _tangents(f: Facts, other: str, figures: list[Any], givens: Sequence[Given], touched: list[int]) -> list[Tangent]:
    if not other:
        return tangents_of_two(_ring(figures[0]), _ring(figures[1]))
    index = next(i for i, g in enumerate(givens) if g.word == other)
    given: Any = f.values[index][0]
    if other in WAYS:
        return tangents_along(_vector(given, other, givens[index]), _ring(figures[0]))
    if other == "at":
        return [_tangent_at(given, figures[0], givens[index])]
    if isinstance(figures[0], Ellipse):
        found = tangents_of_ellipse(given, figures[0])
    else:
        found = [Tangent(t.sides[1:], t.line, t.at[1:], t.merged) for t in tangents_of_two(Touched(given), _ring(figures[0]))]
    if other == "to":
        return [_turned(t) for t in found]
    return [_endless(t) for t in found] if other == "through" else found


def _ring(figure: Any) -> Touched:
    if isinstance(figure, Ellipse):
        raise refuse("ellipse_alone")
    if isinstance(figure, Line | EndlessLine):
        raise refuse("line_touches_line")
    return Touched(figure)


def _vector(given: Any, way: str, at: Given) -> Vector:
    if way == "direction":
        return unit_vector(given)
    if not isinstance(given, Line | EndlessLine):
        raise refuse("no_line", at.start, at.end, word=way)
    ux, uy = vector_of(given)
    return (-uy, ux) if way == "square" else (ux, uy)


def _tangent_at(place: Point, figure: Any, given: Given) -> Tangent:
    """The line that touches a circle or an ellipse at a place on it, with the figure on its left."""
    at = nearest(figure, place)
    gap = hypot(at.x - place.x, at.y - place.y)
    ring = None if isinstance(figure, Ellipse) else _ring(figure)
    if gap > 1e-9 * max(abs(place.x), abs(place.y), ring.r if ring else figure.a):
        raise refuse("not_on", given.start, given.end, gap=gap, name="it")
    if ring is None:
        return tangents_of_ellipse(figure.at(figure.angle_at(place.x, place.y)), figure)[0]
    ux, uy = unit(place.x - ring.x, place.y - ring.y)
    return Tangent(("left",), EndlessLine(place, -uy, ux), (place,), True)


def _turned(t: Tangent) -> Tangent:
    """The same line run the other way, so that it ends at the place; its sides change over."""
    over = {"left": "right", "right": "left"}
    line: Line | EndlessLine
    line = Line(t.line.end, t.line.start) if isinstance(t.line, Line) else EndlessLine(t.line.through, -t.line.ux, -t.line.uy)
    return Tangent(tuple(over[s] for s in t.sides), line, t.at, t.merged)


def _endless(t: Tangent) -> Tangent:
    if isinstance(t.line, EndlessLine):
        return t
    return Tangent(t.sides, EndlessLine(t.line.start, *vector_of(t.line)), t.at, t.merged)


def _lengthened(line: Any, length: float, ends: bool) -> Line:
    ux, uy = vector_of(line)
    if isinstance(line, EndlessLine):
        return with_length(line.through, (ux, uy), length)
    if ends:
        made = with_length(line.end, (-ux, -uy), length)
        return Line(made.end, made.start)
    return with_length(line.start, (ux, uy), length)


def _solution(t: Tangent, figures: list[Any], names: list[str]) -> Solution:
    contacts: list[Contact] = []
    past: list[str] = []
    for figure, at, name in zip(figures, t.at, names, strict=True):
        beyond = not isinstance(figure, Point) and not within(figure, at)
        contacts.append(Contact(at, _miss(t.line, figure, at), beyond))
        if beyond:
            past.append(name)
    note = f"touches the continuation of {' and '.join(past)}" if past else ""
    return Solution(t.line, " ".join(s for s in t.sides if s), note, t.sides, tuple(contacts))


def _miss(line: Line | EndlessLine, figure: Any, at: Point) -> float:
    """By how much a line misses what it should touch, from its own numbers."""
    w = way_of(line)
    if isinstance(figure, Ellipse | Point):
        return abs(w.off(at.x, at.y))
    missed: float = abs(abs(w.off(figure.centre.x, figure.centre.y)) - figure.radius)
    return missed


def _named(refused: Refused, names: list[str], given: Given) -> Refused:
    problem = refused.problem
    fields = {**problem.fields, "names": names, "name": names[0]}
    if "inner" in fields:
        order = names if len(names) == 2 else ["the place", *names]
        fields["inner"], fields["outer"] = order[fields["inner"]], order[1 - fields["inner"]]
    place = (problem.start, problem.end) if problem.end else (given.start, given.end)
    return Refused(Problem(problem.kind, fields, *place))
