"""Arcs that round a corner: of two figures, or of an outline."""

from typing import Any, cast

from ...construct.solution import Solution
from ...figures import Point
from ...shape.corners import rounding
from ...tangency.arcs import between
from ...tangency.choose import Stated
from ..crossings import called
from ..kind import GivenSpec
from ..planner import Env, Plan, Planner
from ..tree import Given, Number, Statement
from .bindings import Facts, Outcome, own_givens, plan_facts
from .corners import PlanOfTwo, Sized, Sizing, corner_kind, shaped_corners
from .touching import chosen_circle, family_of, name_of, touching_circles


def plan_fillet(p: Planner, statement: Statement) -> Plan:
    """``fillet L1 L2 radius 6``: the shorter arc that touches two figures; ``trimmed``: both cut there, too.

    ``fillet corner 3 of K1 radius 5``, ``fillet K1 radius 5``: the outline with a corner rounded, or all of them.
    """

    def sizes(radius: Given) -> tuple[Sizing, PlanOfTwo]:
        size = called(p.length(cast(Number, radius.arguments[0])))

        def sized(env: Env, last: Point) -> Sized:
            much = size(env, last)
            return much, lambda times: rounding(times * much)

        return sized, lambda: _of_two(p, statement)

    return shaped_corners(p, statement, ("radius",), "radius", sizes)


def _of_two(p: Planner, statement: Statement) -> Plan:
    givens = own_givens(statement)
    family = family_of(statement, givens)
    figures = tuple(i for i, g in enumerate(givens) if g.word == "figures")
    own = tuple(givens[i].sides for i in figures)
    loose = tuple(s for g in givens if g.word != "figures" for s in g.sides)
    family = family._replace(touched=figures, names=tuple(name_of(givens[i]) for i in figures), stated=Stated(own, loose))
    family = family._replace(plain=not loose and not any(own))

    def draw(f: Facts) -> Outcome:
        found = touching_circles(f, family)
        radius = f.values[family.size[0]][0]  # type: ignore[index]
        index = chosen_circle(found, family, radius)
        solutions: list[Solution] = []
        for one in found:
            circle: Any = one.figure
            solutions.append(one._replace(figure=between(circle, one.contacts[0].at, one.contacts[1].at)))
        return Outcome(solutions, (), index)

    return plan_facts(p, statement, draw, lambda figure: figure.end)


KIND = corner_kind(
    word="fillet",
    explanation="an arc that rounds a corner",
    plan=plan_fillet,
    letter="A",
    draws="arc",
    joins="it joins",
    size=GivenSpec("radius", "length", "its radius", blamed=("bad_radius", "radius_too_small")),
    then="its radius",
    meets="touches",
    examples=(
        ("fillet L1 L2 radius 6", "rounds a corner of two lines, circles or arcs: the shorter arc"),
        ("fillet L1 L2 radius 6 trimmed", "both cut where it touches them: they keep their names"),
        ("fillet corner 1 of K1 radius 5", "a corner of an outline, which keeps its name"),
        ("fillet K1 radius 5", "all its corners; those where it does not fit are named"),
    ),
)
