"""Arcs that round a corner, alone or with what they round."""

from typing import Any

from ...construct.outlines import reversed_piece
from ...construct.solution import Solution
from ...figures import Arc, Ellipse, Line, Outline
from ...figures.along import heading
from ...problem import refuse
from ...tangency.arcs import between, leading_to
from ...tangency.choose import Stated
from ..kind import GivenKind, Kind
from ..planner import Plan, Planner
from ..tree import Statement
from .bindings import Facts, Outcome, check_words, own_givens, plan_facts, words_of
from .given import needs
from .touching import chosen_circle, family_of, name_of, touching_circles


def plan_fillet(p: Planner, statement: Statement) -> Plan:
    """The shorter arc of a radius that touches two figures; ``trimmed``: with both up to it, as one outline."""
    check_words(statement, {"figures": 2})
    trimmed = any(g.word == "trimmed" for g in statement.givens)
    if words_of(statement).count("figures") < 2:
        raise needs(statement, "the two figures it joins")
    givens = own_givens(statement)
    family = family_of(statement, givens)
    figures = tuple(i for i, g in enumerate(givens) if g.word == "figures")
    own = tuple(givens[i].sides for i in figures)
    loose = tuple(s for g in givens if g.word != "figures" for s in g.sides)
    family = family._replace(touched=figures, names=tuple(name_of(givens[i]) for i in figures), stated=Stated(own, loose))
    family = family._replace(plain=not loose and not any(own))
    if family.size is None:
        raise needs(statement, "radius")

    def draw(f: Facts) -> Outcome:
        found = touching_circles(f, family)
        radius = f.values[family.size[0]][0]  # type: ignore[index]
        index = chosen_circle(found, family, radius)
        solutions: list[Solution] = []
        for one in found:
            circle: Any = one.figure
            arc = between(circle, one.contacts[0].at, one.contacts[1].at)
            solutions.append(one._replace(figure=_trimmed(f, figures, arc) if trimmed else arc))
        return Outcome(solutions, (), index)

    return plan_facts(p, statement, draw, lambda figure: figure.end)


def _trimmed(f: Facts, figures: tuple[int, ...], arc: Arc) -> Outline:
    """Both figures up to the arc, and the arc between them: of each, the piece that the arc goes on from smoothly."""
    before = _leading(f.values[figures[0]][0], arc, True, f, figures[0])
    after = _leading(f.values[figures[1]][0], arc, False, f, figures[1])
    return Outline((before, arc, after), False)


def _leading(figure: Any, arc: Arc, before: bool, f: Facts, index: int) -> Line | Arc:
    """The piece of a figure that leads into the start of an arc, or out of its end."""
    if not isinstance(figure, Line | Arc):
        given = f.layout.givens[index]
        raise refuse("no_trim", given.start, given.end)
    if before:
        bx, by = heading(arc, True)
        return leading_to(figure, arc.start, (-bx, -by))
    ex, ey = heading(arc, False)
    led = reversed_piece(leading_to(figure, arc.end, (-ex, -ey)))
    assert not isinstance(led, Ellipse)
    return led


KIND = Kind(
    word="fillet",
    group="shape",
    explanation="an arc that rounds a corner",
    plan=plan_fillet,
    letter="A",
    draws="arc",
    puts_place=True,
    first="Click on the two figures it joins, or name them; then its radius.",
    givens=(
        GivenKind("figures", "figures", "the two figures it joins", repeats=True),
        GivenKind("radius", "length", "its radius", blamed=("bad_radius", "radius_too_small")),
        GivenKind("trimmed", "nothing", "with both figures up to the arc, as one outline"),
    ),
    examples=(
        ("fillet L1 L2 radius 6", "rounds a corner of two lines, circles or arcs: the shorter arc"),
        ("fillet L1 L2 radius 6 trimmed", "with both up to it, as one outline"),
    ),
)
