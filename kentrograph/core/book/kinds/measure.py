"""Readings."""

from collections.abc import Callable
from dataclasses import dataclass
from math import inf
from typing import cast

from ...angles import unit_vector
from ...figures import EndlessLine, Line, Point
from ...measure.angle import running_at, turn_between
from ...measure.closest import place_of
from ...problem import Refused, refuse
from ...shape.stretch import is_closed, part_of
from ..chain import place_in
from ..kind import Drag, GivenKind, Kind
from ..parts import QUANTITIES, in_unit
from ..places import plan_thing
from ..planner import Env, NumberPlan, Plan, Planner
from ..readings import COUNTS, Read, ReadPlan, plan_reading
from ..tree import Given, Name, Number, Place, Portion, Statement
from ..values import Drawn, Reading
from ..wanted import Wanted, fit_limits
from .cutting import longish, plan_cut
from .given import by_word, needs, place_of_given


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
    if less is not None and given.word not in ("area", "moments"):
        raise refuse("too_many_givens", less.start, less.end, kind="measure", word="less", others=[given.word])
    of, holes = (cast("tuple[Place | Name | Portion, ...]", g.arguments if g else ()) for g in (given, less))
    read = _plan_how(p, statement, of) or plan_reading(p, given.word, of, holes)
    wanted = _wanted(p, statement)
    shown = next((g.word.removeprefix("in ") for g in statement.givens if g.word.startswith("in ")), "")

    def draw(env: Env, last: Point) -> Drawn:
        try:
            value, parts, state = read(env, last)
        except Refused as refused:
            raise Refused(refused.problem.at(given.start, given.end)) from None
        return Drawn(Reading(given.word, value, parts, wanted(env, last) if wanted is not None else None, state, shown))

    return draw


def _plan_how(p: Planner, statement: Statement, of: "tuple[Place | Name | Portion, ...]") -> ReadPlan | None:
    """A reading that is taken in a way of its own: along a figure, in a direction, at a place; None for all others."""
    given = by_word(statement, ("from", "to", "along", "at"))
    if not given:
        return None
    if "along" in given:
        return _plan_along(p, of, given["along"])
    if "at" in given:
        return _plan_tangents(p, statement, of, given["at"])
    if len(given) < 2:
        raise needs(statement, *(f"{word} a place on it" for word in ("from", "to") if word not in given))
    thing = plan_thing(p, of[0])
    cuts = [plan_cut(p, statement, given[word]) for word in ("from", "to")]

    def stretch(env: Env, last: Point) -> Read:
        figure = longish(thing(env, last), "measure length", "it")
        a, b = (cut(figure, env, last) for cut in cuts)
        closed = is_closed(figure)
        if not closed and (b.piece, b.along) < (a.piece, a.along):
            a, b = b, a
        part = part_of(figure, a, b)
        length = part.length if part is not None else 0.0
        whole = getattr(figure, "length", length)
        return length, {"rest": whole - length} if closed else {}, ""

    return stretch


def _plan_along(p: Planner, of: "tuple[Place | Name | Portion, ...]", given: Given) -> ReadPlan:
    """How far one place lies from another in a direction, or along a line; and how far beside that."""
    way = given.arguments[0]
    ends = [plan_thing(p, one) for one in of]
    direction = p.direction(cast(Number, way)) if not isinstance(way, Name) else None
    slot = p.slot(way) if isinstance(way, Name) else 0

    def along(env: Env, last: Point) -> Read:
        start, end = (place_of(thing(env, last)) for thing in ends)
        if direction is not None:
            turn = direction if isinstance(direction, float) else direction(env, last)
        elif isinstance(env[slot], Line | EndlessLine):
            turn = env[slot].direction
        elif isinstance(env[slot], float):
            turn = p.manner.direction_to_core(env[slot])
        else:
            raise refuse("no_line", word="along")
        ux, uy = unit_vector(turn)
        dx, dy = end.x - start.x, end.y - start.y
        return dx * ux + dy * uy, {"beside": dy * ux - dx * uy}, ""

    return along


def _plan_tangents(p: Planner, statement: Statement, of: "tuple[Place | Name | Portion, ...]", given: Given) -> ReadPlan:
    """The angle between two figures where they cross: that of their tangents there."""
    place = place_in(p, statement, place_of_given(given))
    things = [plan_thing(p, one) for one in of]

    def angle(env: Env, last: Point) -> Read:
        at = place(env, last)
        one, other = (running_at(longish(thing(env, last), "measure angle", "it"), at) for thing in things)
        turn = turn_between(*one, *other)
        return abs(turn), {"turn": turn, "acute": min(abs(turn), 180.0 - abs(turn))}, ""

    return angle


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


OF_READING = {"length": ("from", "to"), "angle": ("at",), "distance": ("along",), "area": ("less",), "moments": ("less",)}
"""The words that may follow what a kind of reading is of, before what it is compared with."""
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
    "diameter": ReadingKind("Diameter", "of a circle or an arc"),
    "across": ReadingKind("Across", "how far across one place lies from another, along the datum", Drag("", "")),
    "up": ReadingKind("Up", "how far up one place lies from another", Drag("", "")),
    "moments": ReadingKind("Moments", "second moments of area about the area centre, `less` those of holes"),
    "box": ReadingKind("Box", "width and height of all that is named, along the datum"),
    "count": ReadingKind("Count", "how many figures of the same kind and size there are; of a set, how many it has"),
    "closing": ReadingKind("Closing", "by how much a path walked leg by leg misses its beginning"),
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
        GivenKind("from", "place", "from where along a figure its length is measured"),
        GivenKind("to", "place", "as far as where"),
        GivenKind("along", "direction", "the direction, or the line, along which a distance is measured"),
        GivenKind("at", "place", "where figures cross, whose angle there is measured"),
        GivenKind("less", "figures", "what is taken away from an area"),
        GivenKind("wanted", "length", "the value it should have"),
        GivenKind("within", "length", "how far it may be off"),
        GivenKind("least", "length", "what it should be at least"),
        GivenKind("most", "length", "what it should be at most"),
        GivenKind("in", "nothing", "the unit that it is shown in, `m2`, parts of an inch, `1/16`, or `bearing`"),
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
        ("measure length C1 from 0, 0 to P1", "along a figure, from place to place"),
        ("measure distance P1 P3 along L1", "in a direction, or along a line; and how far beside it"),
        ("measure angle C1 L1 at P1", "between the tangents where figures cross"),
        ("measure angle corner 2 of K1", "inside a corner of an outline"),
        ("measure diameter C1", "of a circle or an arc"),
        ("measure across P1 P3", "along the datum"),
        ("measure up P1 P3", "square to it"),
        ("measure moments C2 less C1", "of the second order, about the axes through the area centre"),
        ("measure box C1 C2", "width and height together"),
        ("measure count C1", "figures alike"),
        ("measure closing K4", "across, up, direction and 1 in how many; the sum of its angles"),
        ("measure area C2 in cm2", "in another unit"),
        ("measure gap C1 L1", "touches, gap, crosses or lies on, with the number"),
        ("measure distance P1 P3 wanted 40 within 0.1", "compared with what it should be"),
        ("measure distance P1 P3 wanted 40 within -0.1 to +0.2", "off to one side more than to the other; `wanted 39.9 to 40.2`"),
        ("measure radius C1 wanted 10 H7", "a fit of the trade"),
        ("measure gap C1 L1 least 2", "at least, or at `most`"),
    ),
)
