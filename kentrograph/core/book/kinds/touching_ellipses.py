"""Circles that touch an ellipse: which family the givens make, and the solutions in order with their side words."""

from collections import Counter
from collections.abc import Sequence
from itertools import combinations
from typing import Any

from ...construct.solution import Contact, Solution
from ...figures import Circle, Curve, Ellipse, Point
from ...intersect import intersect_long
from ...intersect.within import within
from ...measure.closest import distance_between
from ...problem import Refused, refusal
from ...tangency.choose import chosen
from ...tangency.ellipse_circles import Found, centred_on, touched_by, touching_ellipse
from ...tolerance import TOLERANCE
from ..crossings import COUNTED
from .bindings import Facts, Outcome
from .touching import Family, name_of


def touches_ellipse(f: Facts, family: Family) -> bool:
    """Whether one of the figures to be touched is an ellipse."""
    return any(isinstance(f.values[i][0], Ellipse) for i in family.touched)


def circles_beside_ellipses(f: Facts, family: Family) -> Outcome:
    """The circles that touch an ellipse and what else is given. Raises `Refused` with the reason where there are none."""
    figures: list[Any] = [f.values[i][0] for i in family.touched]
    for index, figure in zip(family.touched, figures, strict=True):
        if not isinstance(figure, Point | Curve):
            given = f.layout.givens[index]
            raise refusal("no_touch", given.start, given.end, name=name_of(given))
    _check_different(figures, family.names)
    base = next(i for i, figure in enumerate(figures) if isinstance(figure, Ellipse))
    radius = f.values[family.size[0]][0] * family.size[1] if family.size else None
    if family.centre is not None:
        centre, e = f.values[family.centre][0], figures[base]
        if e.a == e.b and TOLERANCE.same_place(centre.x, centre.y, e.centre.x, e.centre.y):
            raise refusal("concentric", names=[family.names[base]])
        found = tuple(centred_on(centre, e))
    elif family.on or family.at is not None:
        given = f.layout.givens[family.touched[base]]
        raise refusal("ellipse_givens", given.start, given.end, name=family.names[base])
    else:
        found = touching_ellipse(figures[base], (*figures[:base], *figures[base + 1 :]), radius)
    if not found:
        raise _why_none(figures, family, radius)
    solutions = _solutions(found, figures, base, family.names)
    index = 0 if family.plain else chosen(len(solutions), lambda i: solutions[i].sides, family.stated)
    return Outcome(solutions, (), index)


def _check_different(figures: Sequence[Any], names: Sequence[str]) -> None:
    """Refuses a figure that is given twice: what touches the one touches the other."""
    for (i, a), (j, b) in combinations(enumerate(figures), 2):
        if isinstance(a, Point) or isinstance(b, Point):
            alike = isinstance(a, Point) and isinstance(b, Point) and TOLERANCE.same_place(a.x, a.y, b.x, b.y)
        else:
            alike = intersect_long(a, b).how == "coincident"
        if alike:
            raise refusal("touched_twice", names=[names[i], names[j]])


def _why_none(figures: Sequence[Any], family: Family, radius: float | None) -> Refused:
    if radius is not None:
        least = distance_between(figures[0], figures[1]) / 2.0
        if radius < least:
            return refusal("radius_not_possible", radius=radius, nearest=least, how="least", names=list(family.names))
    return refusal("nothing_touches", names=list(family.names))


def _solutions(found: Sequence[Found], figures: Sequence[Any], base: int, names: Sequence[str]) -> list[Solution]:
    """In order: what touches what is drawn first, then by the side words, then as the contact runs around the ellipse."""
    made: list[tuple[tuple[Any, ...], Solution]] = []
    for one in found:
        touched = [
            touched_by(figure, one.x, one.y, one.radius, one.angle if i == base else None) for i, figure in enumerate(figures)
        ]
        past = [hasattr(figure, "end") and not within(figure, t.at) for figure, t in zip(figures, touched, strict=True)]
        contacts = tuple(Contact(t.at, t.residual, beyond) for t, beyond in zip(touched, past, strict=True))
        beyond = [name for name, is_past in zip(names, past, strict=True) if is_past]
        note = f"touches the continuation of {' and '.join(beyond)}" if beyond else ""
        sides = tuple(t.word for t in touched)
        order = (any(past), *(t.rank for t in touched), one.angle)
        made.append((order, Solution(Circle(Point(one.x, one.y), one.radius), "", note, sides, contacts)))
    made.sort(key=lambda pair: pair[0])
    return _signed([solution for _, solution in made])


def _signed(solutions: list[Solution]) -> list[Solution]:
    """The solutions with their signatures: the side words, and which of those with the same ones it is."""
    alike, seen = Counter(s.sides for s in solutions), Counter[tuple[str, ...]]()
    signed: list[Solution] = []
    for number, one in enumerate(solutions, 1):
        nth = seen[one.sides]
        seen[one.sides] += 1
        count = "" if alike[one.sides] == 1 else COUNTED[nth] if nth < len(COUNTED) else f"solution {number}"
        sides = (*one.sides, count)
        signed.append(one._replace(signature=" ".join(filter(None, sides)), sides=sides))
    return signed
