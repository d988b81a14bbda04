"""Readings."""

from collections.abc import Callable
from dataclasses import dataclass
from math import inf
from typing import cast

from ...figures import Point
from ...problem import Refused, refuse
from ..kind import Drag, GivenKind, Kind
from ..parts import QUANTITIES, in_unit
from ..planner import Env, NumberPlan, Plan, Planner
from ..readings import COUNTS, plan_reading
from ..tree import Name, Number, Place, Portion, Statement
from ..values import Drawn, Reading
from ..wanted import Wanted, fit_limits


def plan_measure(p: Planner, statement: Statement) -> Plan:
    """A reading that stays live: its value follows what it is measured on."""
    given = statement.givens[0]
    count, allowed = len(given.arguments), COUNTS[given.word]
    if count < min(allowed):
        more = min(allowed) - count
        raise refuse("needs_given", given.end, given.end, kind=f"measure {given.word}", more=more, could=["a place or a figure"])
    if count not in allowed:
        raise refuse("too_many_givens", given.start, given.end, kind="measure", word="the last one", others=["the others"])
    less = next((g for g in statement.givens if g.word == "less"), None)
    if less is not None and given.word != "area":
        raise refuse("too_many_givens", less.start, less.end, kind="measure", word="less", others=[given.word])
    of, holes = (cast("tuple[Place | Name | Portion, ...]", g.arguments if g else ()) for g in (given, less))
    read = plan_reading(p, given.word, of, holes)
    wanted = _wanted(p, statement)

    def draw(env: Env, last: Point) -> Drawn:
        try:
            value, parts, state = read(env, last)
        except Refused as refused:
            raise Refused(refused.problem.at(given.start, given.end)) from None
        return Drawn(Reading(given.word, value, parts, wanted(env, last) if wanted is not None else None, state))

    return draw


def _wanted(p: Planner, statement: Statement) -> Callable[[Env, Point], Wanted] | None:
    """What a reading is compared with, in what it is measured in itself; None where nothing is."""
    kind = statement.givens[0].word
    given = {g.word: [_extra(p, kind, cast(Number, a)) for a in g.arguments] for g in statement.givens[1:]}
    fit = next((g for g in statement.givens if g.word.startswith("fit ")), None)

    def limits(env: Env, last: Point) -> Wanted:
        numbers = {word: [v if isinstance(v, float) else v(env, last) for v in given[word]] for word in COMPARED & given.keys()}
        if "wanted" not in numbers:
            low, high = (numbers[word][0] if word in numbers else None for word in ("least", "most"))
            value = low if low is not None else cast(float, high)
            return Wanted(value, 0.0 if low is not None else -inf, inf if high is None else high - value)
        value, *upto = numbers["wanted"]
        if upto:
            low, high = sorted((value, upto[0]))
            return Wanted(low, 0.0, high - low)
        if fit is not None:
            try:
                return Wanted(value, *fit_limits(fit.word.removeprefix("fit "), value, p.unit))
            except Refused as refused:
                raise Refused(refused.problem.at(fit.start, fit.end)) from None
        match numbers.get("within"):
            case [off]:
                return Wanted(value, -abs(off), abs(off))
            case [one, other]:
                return Wanted(value, min(one, other), max(one, other))
        return Wanted(value)

    return limits if COMPARED & given.keys() else None


COMPARED = frozenset({"wanted", "within", "least", "most"})
"""The words of what a reading is compared with; a fit stands behind the value wanted."""


def compares(word: str) -> bool:
    """Whether a given says what a reading is compared with."""
    return word in COMPARED or word.startswith("fit ")


def _extra(p: Planner, kind: str, number: Number) -> NumberPlan:
    """A number in what the reading itself is measured in."""
    quantity = QUANTITIES[kind]
    value, written, unit = p.number(number), p.manner.unit, p.unit
    if isinstance(value, float):
        return in_unit(value, quantity, written, unit)
    return lambda env, last: in_unit(value(env, last), quantity, written, unit)


@dataclass(frozen=True, slots=True)
class ReadingKind:
    """A kind of reading: its title on the tray, what it is, and what the ends of a drag are."""

    title: str
    explanation: str
    drag: Drag | None = None


READINGS: dict[str, ReadingKind] = {
    "distance": ReadingKind("Distance", "between two places, or the shortest between two figures", Drag("", "")),
    "direction": ReadingKind("Direction", "from one place to another", Drag("", "")),
    "angle": ReadingKind("Angle", "between two lines, or at the middle one of three places"),
    "length": ReadingKind("Length", "of a line, an arc or an outline"),
    "radius": ReadingKind("Radius", "of a circle or an arc"),
    "area": ReadingKind("Area", "of what is closed, `less` its holes"),
    "gap": ReadingKind("Touch", "whether two figures touch, miss or cross, and by how much"),
}

KIND = Kind(
    word="measure",
    group="read",
    explanation="a value that stays live",
    plan=plan_measure,
    letter="R",
    draws="reading",
    puts_place=False,
    first="Give a place or a figure: type it or point at it.",
    givens=(
        GivenKind("less", "figures", "what is taken away from an area"),
        GivenKind("wanted", "length", "the value it should have"),
        GivenKind("within", "length", "how far it may be off"),
        GivenKind("least", "length", "what it should be at least"),
        GivenKind("most", "length", "what it should be at most"),
    ),
    examples=(
        ("measure distance P1 P3", "with across, up and direction"),
        ("measure distance C1 C2", "a name is the figure: the shortest distance"),
        ("measure direction P1 P3", "or of a line"),
        ("measure direction end of E2", "in which a figure runs where it ends, or at its `start`"),
        ("measure direction L2 wanted N 50 E within 0:30", "wanted as a direction is written"),
        ("measure angle L1 L2", "from one line's direction to the other's"),
        ("measure angle P2 P1 P3", "at the middle place"),
        ("measure length L2", "of a line, arc, circle, ellipse or outline"),
        ("measure radius C1", "with diameter and centre"),
        ("measure area C2 less C1", "of what is closed, less its holes"),
        ("measure area segment of E2", "between an arc or a part of an ellipse and its chord; `sector of`, to its centre"),
        ("measure gap C1 L1", "touches, gap, crosses or lies on, with the number"),
        ("measure distance P1 P3 wanted 40 within 0.1", "compared with what it should be"),
        ("measure distance P1 P3 wanted 40 within -0.1 to +0.2", "off to one side more than to the other; `wanted 39.9 to 40.2`"),
        ("measure radius C1 wanted 10 H7", "a fit of the trade"),
        ("measure gap C1 L1 least 2", "at least, or at `most`"),
    ),
)
