"""Circles that touch something: which family the givens make, and which solution the side words mean."""

from collections.abc import Sequence
from typing import Any, NamedTuple

from ...angles import unit_vector
from ...figures import Curve, EndlessLine, Point, RoundCurve, StraightCurve
from ...intersect import intersect_long
from ...problem import Problem, Refused, refusal
from ...tangency.at_place import Element, at_place_radius, at_place_touching
from ...tangency.centred import centre_on_touching_radius, centre_on_touching_two, centre_touching
from ...tangency.choose import Stated, chosen, fits
from ...tangency.circles import ALONG, TouchingCircles
from ...tangency.radius import touching_two_radius
from ...tangency.reasons import why_no_radius, why_no_three
from ...tangency.sides import MIRRORS
from ...tangency.three import Raw, touching_three
from ...tangency.touched import Touched, touched
from ..tree import Given, Name, NamedPlace, Statement
from .bindings import Facts
from .given import needs, too_many

SIZES = {"radius": 1.0, "diameter": 0.5, "circumference": 0.15915494309189535}
_TOUCHED = ("touching", "through")


class Family(NamedTuple):
    """A circle's givens sorted by what they are for; numbers are their places among the statement's facts."""

    touched: tuple[int, ...]
    names: tuple[str, ...]
    stated: Stated
    centre: int | None
    on: tuple[int, ...]
    size: tuple[int, float] | None
    at: int | None
    direction: int | None
    plain: bool
    """Whether no side word is stated."""
    placed: int = 0
    """Which of the touched givens is touched at the place that is given: the one written before it."""


def family_of(statement: Statement, givens: Sequence[Given]) -> Family:
    """What a statement about a touching circle or arc gives, in the order of its facts."""
    found = tuple(i for i, g in enumerate(givens) if g.word in _TOUCHED)
    own = tuple(givens[i].sides for i in found)
    loose = tuple(side for i, g in enumerate(givens) if i not in found for side in g.sides)

    def index(word: str) -> int | None:
        return next((i for i, g in enumerate(givens) if g.word == word), None)

    size = next(((i, SIZES[g.word]) for i, g in enumerate(givens) if g.word in SIZES), None)
    return Family(
        found,
        tuple(name_of(givens[i]) for i in found),
        Stated(own, loose),
        index("centre"),
        tuple(i for i, g in enumerate(givens) if g.word == "centre on"),
        size,
        index("at"),
        index("direction"),
        not loose and not any(own),
        _placed(givens),
    )


def _placed(givens: Sequence[Given]) -> int:
    at = next((i for i, g in enumerate(givens) if g.word == "at"), 0)
    return max(0, sum(1 for g in givens[:at] if g.word in _TOUCHED) - 1)


def name_of(given: Given) -> str:
    """What an error calls a given: its name, or that it is a place."""
    argument = given.arguments[0]
    if isinstance(argument, NamedPlace):
        return argument.name.text
    return argument.text if isinstance(argument, Name) else "the place"


def check_family(statement: Statement, family: Family) -> None:
    """Refuses too few or too many givens: a circle has three unknowns; a centre counts for two, the rest for one."""
    one_of: list[tuple[str, int]] = [("touching or through", len(family.touched)), ("centre on", len(family.on))]
    weight = len(family.touched) + len(family.on) + (family.size is not None) + 2 * (family.centre is not None)
    if family.at is not None and not family.touched and family.direction is None:
        raise needs(statement, "what it touches there: touching a figure", "direction")
    if family.at is not None:
        weight += 1 + (family.direction is not None)
    elif family.direction is not None:
        raise needs(statement, "at and the place where it runs in that direction")
    if weight < 3:
        could = ["touching a figure", "through a place"]
        could += [] if family.size else ["radius"]
        could += [] if family.on or family.centre is not None else ["centre on a figure"]
        raise needs(statement, *could, more=3 - weight)
    if weight > 3:
        raise too_many(statement, statement.givens[-1], [w for w, n in one_of if n] + (["radius"] if family.size else []))


def touching_circles(f: Facts, family: Family) -> TouchingCircles:
    """All circles that meet the givens. Raises `Refused` with the reason where there are none."""
    values = f.values
    try:
        lying = [touched(values[i][0]) for i in family.touched]
    except Refused as refused:
        raise _untouchable(refused, f, family) from None
    radius = values[family.size[0]][0] * family.size[1] if family.size else None
    try:
        raws, mirrors, lying = _solve(f, family, lying, radius)
    except Refused as refused:
        raise _named(refused, family) from None
    return TouchingCircles(raws, lying, family.names, mirrors)


Solved = tuple[list[Raw], tuple[str, ...], list[Touched]]


def _solve(f: Facts, family: Family, lying: list[Touched], radius: float | None) -> Solved:
    values = f.values
    if family.at is not None:
        return _at_place(f, family, lying, radius)
    if family.centre is not None:
        return centre_touching(values[family.centre][0], lying[0]), MIRRORS, lying
    if len(family.on) == 2:
        first, second = (_curve(f, i) for i in family.on)
        raws: list[Raw] = []
        for spot in intersect_long(first, second).spots:
            sign = 0 if spot.sign in ("entering", "left") else 1 if spot.sign else 2
            raws += [(raw[0] - 2 + sign, *raw[1:]) for raw in centre_touching(spot.at, lying[0])]
        return sorted(raws), ALONG, lying
    if family.on:
        on = _curve(f, family.on[0])
        if radius is not None:
            return centre_on_touching_radius(on, lying[0], radius), ALONG, lying
        return centre_on_touching_two(on, lying[0], lying[1]), ALONG, lying
    if radius is not None:
        return touching_two_radius(lying[0], lying[1], radius), MIRRORS, lying
    return touching_three(lying[0], lying[1], lying[2]), MIRRORS, lying


def _at_place(f: Facts, family: Family, lying: list[Touched], radius: float | None) -> Solved:
    """The circle touches one of its givens, or a line in a direction, at a place."""
    raws: list[Raw]
    assert family.at is not None
    at: Point = f.values[family.at][0]
    if family.direction is not None:
        lying = [Touched(EndlessLine(at, *unit_vector(f.values[family.direction][0]))), *lying]
    swapped = family.placed == 1
    own, *others = reversed(lying) if swapped else lying
    try:
        element = Element(own, at)
    except Refused as refused:
        given = f.layout.givens[family.at]
        problem = refused.problem
        raise Refused(
            Problem(problem.kind, {**problem.fields, "name": family.names[family.placed]}, given.start, given.end)
        ) from None
    if radius is not None:
        return [(raw[0] // 9 * 3 + 2, *raw[1:]) for raw in at_place_radius(element, radius)], MIRRORS, lying
    if family.on:
        normal = EndlessLine(at, element.nx, element.ny)
        raws = []
        for spot in intersect_long(_curve(f, family.on[0]), normal).spots:
            position = (spot.at.x - at.x) * element.nx + (spot.at.y - at.y) * element.ny
            raw = element.raw(position, 0.0)
            if raw is not None:
                sign = 0 if spot.sign in ("entering", "left") else 1 if spot.sign else 2
                raws.append((raw[0] // 9 * 3 + sign, *raw[1:]))
        return sorted(raws), ALONG, lying
    raws = at_place_touching(element, others[0])
    if swapped:
        raws = sorted((raw[0] // 3 % 3 * 9 + raw[0] // 9 * 3 + raw[0] % 3, *raw[1:]) for raw in raws)
    return raws, MIRRORS, lying


def _untouchable(refused: Refused, f: Facts, family: Family) -> Refused:
    """The refusal at the first given that cannot be touched."""
    for i in family.touched:
        if not isinstance(f.values[i][0], Point | StraightCurve | RoundCurve):
            given = f.layout.givens[i]
            return Refused(Problem(refused.problem.kind, {"name": name_of(given)}, given.start, given.end))
    return refused


def _curve(f: Facts, index: int) -> Curve:
    figure: Any = f.values[index][0]
    given = f.layout.givens[index]
    if not isinstance(figure, Curve):
        raise refusal("no_curve", given.start, given.end, name=name_of(given))
    return figure


def _named(refused: Refused, family: Family) -> Refused:
    """The same refusal with the names of the givens in it."""
    problem = refused.problem
    if problem.kind in ("touched_twice", "infinitely_many"):
        names = {"names": [n for n in family.names if n]}
        fields = {**problem.fields, **names}
        if problem.fields.get("isolated"):
            fields["isolated"] = [[x, y, r] for _, x, y, r, _ in problem.fields["isolated"]]
        return Refused(Problem(problem.kind, fields, problem.start, problem.end))
    return refused


def chosen_circle(found: TouchingCircles, family: Family, radius: float | None) -> int:
    """The index of the circle that is meant. Raises `Refused` with the reason where there is none like that."""
    if found.raws and family.plain:
        return 0
    stated = _widened(found, family)
    if not found.raws:
        raise _why_none(found, family, radius, stated)
    try:
        return chosen(len(found), found.sides, stated)
    except Refused as refused:
        if radius is not None and len(found.touched) == 2 and not family.on:
            why = _why_none(found, family, radius, stated)
            if why.problem.fields.get("how") in ("least", "most"):
                raise why from None
        raise refused


def _widened(found: TouchingCircles, family: Family) -> Stated:
    """The words stated, with room for a line that is given by its direction alone."""
    missing = len(found.touched) - len(family.stated.own)
    return Stated(((),) * missing + family.stated.own, family.stated.loose)


def _why_none(found: TouchingCircles, family: Family, radius: float | None, stated: Stated) -> Refused:
    lying, names = found.touched, family.names
    if family.at is None and family.centre is None and not family.on:
        if radius is not None:
            return why_no_radius(lying[0], lying[1], radius, names, lambda sides: fits(sides, stated))
        return why_no_three(lying, names)
    if family.centre is not None:
        if lying[0].line:
            return refusal("centre_on_it", names=list(names))
        return refusal("concentric", names=list(names))
    return refusal("nothing_touches", names=list(names))
