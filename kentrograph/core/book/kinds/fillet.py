"""Arcs that round a corner: of two figures, or of an outline."""

from typing import Any, cast

from ...construct.solution import Solution
from ...figures import Point
from ...shape.corners import rounding
from ...tangency.arcs import between
from ...tangency.choose import Stated
from ..kind import GivenSpec, Kind, Naming, after_figures
from ..planner import Env, Plan, Planner
from ..tree import Number, Statement
from .bindings import Facts, Outcome, check_words, own_givens, plan_facts
from .corners import (
    Sized,
    carried_by_corners,
    check_corners,
    corners_of,
    is_trimmed,
    new_ones,
    own_of,
    plan_corners,
    plan_trimmed,
)
from .given import by_word, needs
from .touching import chosen_circle, family_of, name_of, touching_circles


def plan_fillet(p: Planner, statement: Statement) -> Plan:
    """``fillet L1 L2 radius 6``: the shorter arc that touches two figures; ``trimmed``: both cut there, too.

    ``fillet corner 3 of K1 radius 5``, ``fillet K1 radius 5``: the outline with a corner rounded, or all of them.
    """
    check_words(statement, {"figures": 2})
    of = corners_of(statement)
    if of is None:
        raise needs(statement, "the two figures it joins", "a corner of an outline", "an outline")
    radius = by_word(statement, ("radius",)).get("radius")
    if radius is None:
        raise needs(statement, "radius")
    check_corners(statement, of)
    if of.how != "figures":
        size = p.length(cast(Number, radius.arguments[0]))

        def sized(env: Env, last: Point) -> Sized:
            much = size if isinstance(size, float) else size(env, last)
            return much, lambda times: rounding(times * much)

        return plan_corners(p, statement, of, sized, radius)
    plan = _of_two(p, statement)
    return plan_trimmed(p, statement, plan) if is_trimmed(statement) else plan


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


KIND = Kind(
    word="fillet",
    group="shape",
    explanation="an arc that rounds a corner",
    plan=plan_fillet,
    letter="A",
    draws="arc",
    puts_place=True,
    implied_words=after_figures("radius"),
    first="Name the two figures it joins, or click on them; or a corner of an outline. Then its radius.",
    givens=(
        GivenSpec("figures", "figures", "the two figures it joins, a corner of an outline, or an outline", repeats=True),
        GivenSpec("radius", "length", "its radius", blamed=("bad_radius", "radius_too_small")),
        GivenSpec("trimmed", "nothing", "both figures cut where it touches them"),
    ),
    examples=(
        ("fillet L1 L2 radius 6", "rounds a corner of two lines, circles or arcs: the shorter arc"),
        ("fillet L1 L2 radius 6 trimmed", "both cut where it touches them: they keep their names"),
        ("fillet corner 1 of K1 radius 5", "a corner of an outline, which keeps its name"),
        ("fillet K1 radius 5", "all its corners; those where it does not fit are named"),
    ),
    shapes=True,
    edges=True,
    naming=Naming(carried=carried_by_corners, own=own_of("arc"), fresh=new_ones),
)
