"""Arcs that touch something: between touching places, from or to a place, going on from an end; and fillets."""

from collections.abc import Callable
from typing import Any

from ...angles import unit_vector
from ...construct.arcs import Vector
from ...construct.solution import Solution
from ...figures import EndlessLine, Point
from ...problem import Problem, Refused, refusal
from ...tangency.arcs import between, by_way_of, leaving_arc, leaving_until
from ...tangency.choose import Stated, chosen
from ...tangency.circles import TouchingCircles
from ...tangency.touched import Touched
from ..planner import Plan, Planner
from ..tree import Statement
from .bindings import Facts, Outcome, check_words, own_givens, plan_facts, value, words_of
from .given import needs, too_many
from .touching import Family, check_family, chosen_circle, family_of, name_of, touching_circles

Tip = Callable[[Facts], tuple[Point, Vector]]


def plan_touching_arc(p: Planner, statement: Statement, tip: Tip) -> Plan:
    """An arc with touching among its givens; ``tip`` finds the end that is continued."""
    words = words_of(statement)
    if "continuing" in words or "direction" in words:
        return _leaving(p, statement, tip)
    check_words(statement, {"touching": 3})
    stray = next((g for g in statement.givens if g.word not in (*_BETWEEN, "near", "solution")), None)
    if stray is not None:
        raise too_many(statement, stray, ["touching"])
    family = _with_ends(statement)
    check_family(statement, family)
    plain_family, ways = _without_way(family)

    def draw(f: Facts) -> Outcome:
        found = touching_circles(f, family)
        radius = f.values[family.size[0]][0] if family.size else None
        chosen_circle(found, plain_family, radius)
        solutions = _arcs(found, 2 if family.size else 1)
        return Outcome(solutions, (), _choose(solutions, plain_family, ways))

    return plan_facts(p, statement, draw, lambda arc: arc.end)


_BETWEEN = ("from", "to", "touching", "radius")


def _with_ends(statement: Statement) -> Family:
    """The family of the arc's circle: the ends that are given are places that it goes through."""
    givens = own_givens(statement)
    family = family_of(statement, givens)
    ends = {w: next((i for i, g in enumerate(givens) if g.word == w), None) for w in ("from", "to")}
    touched, names, own = list(family.touched), list(family.names), list(family.stated.own)
    for word, at in (("from", 0), ("to", len(touched) + 1)):
        index = ends[word]
        if index is not None:
            touched.insert(at, index)
            names.insert(at, "the place")
            own.insert(at, ())
    loose = tuple(s for g in givens if g.word != "touching" for s in g.sides)
    return family._replace(touched=tuple(touched), names=tuple(names), stated=Stated(tuple(own), loose))


def _without_way(family: Family) -> tuple[Family, set[str]]:
    """The family without the words that say which way round the arc runs; and those words."""
    ways = {"minor", "major"}
    said = {w for words in (*family.stated.own, family.stated.loose) for w in words if w in ways}
    own = tuple(tuple(w for w in words if w not in ways) for words in family.stated.own)
    loose = tuple(w for w in family.stated.loose if w not in ways)
    return family._replace(stated=Stated(own, loose), plain=not loose and not any(own)), said


def _arcs(found: TouchingCircles, ways: int) -> list[Solution]:
    """The arcs of every circle: the shorter ones, then the longer; of three touched, the one by way of the middle one."""
    arcs: list[Solution] = []
    for way in ("minor", "major")[:ways]:
        for one in found:
            circle: Any = one.figure
            places = [c.at for c in one.contacts]
            if ways == 2:
                figure = between(circle, places[0], places[-1], way == "major")
                sides = (*one.sides, way)
            else:
                figure = by_way_of(circle, *places)
                sides = (*one.sides, "")
            arcs.append(one._replace(figure=figure, signature=" ".join(s for s in sides if s), sides=sides))
    return arcs


def _choose(solutions: list[Solution], family: Family, ways: set[str]) -> int:
    stated = family.stated
    if ways:
        kept = [i for i, one in enumerate(solutions) if one.sides[-1] in ways]
        return kept[chosen(len(kept), lambda i: solutions[kept[i]].sides[:-1], stated)]
    return chosen(len(solutions), lambda i: solutions[i].sides[:-1], stated)


# Going on from an end -------------------------------------------------------------------------------------


def _leaving(p: Planner, statement: Statement, tip: Tip) -> Plan:
    check_words(statement, {})
    words = set(words_of(statement))
    if words not in ({"continuing", "touching"}, {"from", "direction", "touching"}):
        if words == {"direction", "touching"}:
            raise needs(statement, "from and a place")
        known = ("continuing", "from", "direction", "touching")
        stray = next((g for g in reversed(statement.givens) if g.word not in known), statement.givens[-1])
        raise too_many(statement, stray, ["continuing", "touching"])
    givens = own_givens(statement)
    index = next(i for i, g in enumerate(givens) if g.word == "touching")
    own = givens[index].sides
    loose = tuple(s for i, g in enumerate(givens) if i != index and g.word != "continuing" for s in g.sides)

    def draw(f: Facts) -> Outcome:
        start, vector = tip(f) if "continuing" in f.layout.places else (value(f, "from"), unit_vector(value(f, "direction")))
        other: Any = f.values[index][0]
        name = name_of(givens[index])
        line = Touched(EndlessLine(start, *vector))
        try:
            found = TouchingCircles(leaving_until(start, vector, Touched(other)), (line, Touched(other)), ("", name))
        except Refused as refused:
            fields = {**refused.problem.fields, "name": name, "names": ["what it leaves there", name]}
            raise Refused(Problem(refused.problem.kind, fields, givens[index].start, givens[index].end)) from None
        if not found.raws:
            raise refusal("never_touches", givens[index].start, givens[index].end, name=name)
        solutions: list[Solution] = []
        for one in found:
            circle: Any = one.figure
            solutions.append(one._replace(figure=leaving_arc(start, vector, circle, one.contacts[1].at)))
        return Outcome(solutions, (), chosen(len(solutions), lambda i: solutions[i].sides, Stated(((), own), loose)))

    return plan_facts(p, statement, draw, lambda arc: arc.end)


# Fillets ----------------------------------------------------------------------------------------------------
