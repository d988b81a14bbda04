"""Readings."""

from ...figures import Point
from ...problem import Refused
from ..kind import GivenSpec, Kind
from ..planner import Env, Plan, Planner
from ..tree import Statement
from ..values import Reading, StepResult
from .comparing import plan_wanted
from .reading_ways import plan_read


def plan_measure(p: Planner, statement: Statement) -> Plan:
    """A reading that stays live: its value follows what it is measured on."""
    given, read = statement.givens[0], plan_read(p, statement)
    wanted = plan_wanted(p, statement, given.word)
    shown = next((g.word.removeprefix("in ") for g in statement.givens if g.word.startswith("in ")), "")

    def draw(env: Env, last: Point) -> StepResult:
        try:
            value, parts, state = read(env, last)
        except Refused as refused:
            raise Refused(refused.problem.or_at(given.start, given.end)) from None
        return StepResult(
            Reading(given.word, value, parts, wanted(env, last, value) if wanted is not None else None, state, shown)
        )

    return draw


KIND = Kind(
    word="measure",
    group="read",
    explanation="a value that stays live",
    plan=plan_measure,
    letter="R",
    draws="reading",
    first="Give a place or a figure: type it or point at it.",
    givens=(
        GivenSpec("from", "place", "from where along a figure its length is measured"),
        GivenSpec("to", "place", "as far as where"),
        GivenSpec("along", "direction", "the direction, or the line, along which a distance is measured"),
        GivenSpec("at", "place", "where figures cross, whose angle there is measured"),
        GivenSpec("less", "figures", "what is taken away from an area"),
        GivenSpec("wanted", "length", "the value it should have"),
        GivenSpec("within", "length", "how far it may be off"),
        GivenSpec("least", "length", "what it should be at least"),
        GivenSpec("most", "length", "what it should be at most"),
        GivenSpec("in", "nothing", "the unit that it is shown in, `m2`, parts of an inch, `1/16`, or `bearing`"),
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
        ("measure area C2 less H1", "of what is closed, less its holes"),
        ("measure area segment of E2", "between an arc or a part of an ellipse and its chord; `sector of`, to its centre"),
        ("measure length C1 from 0, 0 to P1", "along a figure, from place to place"),
        ("measure distance P1 P3 along L1", "in a direction, or along a line; and how far beside it"),
        ("measure angle C1 L1 at P1", "between the tangents where figures cross"),
        ("measure angle corner 2 of K1", "inside a corner of an outline"),
        ("measure diameter C1", "of a circle or an arc"),
        ("measure across P1 P3", "along the datum"),
        ("measure up P1 P3", "square to it"),
        ("measure moments C2 less H1", "of the second order, about the axes through the area centre"),
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
