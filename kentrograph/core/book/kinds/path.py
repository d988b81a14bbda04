"""Chains from place to place, of lines and arcs."""

from collections.abc import Callable, Collection, Sequence
from typing import cast

from ...construct import arcs, outlines
from ...construct.along_figure import along_figure
from ...construct.solution import take
from ...figures import Arc, Line, Point
from ...figures.along import heading
from ...figures.outline import Piece
from ...problem import Refused, refusal
from ..crossings import called
from ..kind import Drag, GivenSpec, Kind, TabOrder
from ..places import plan_next, plan_place
from ..planner import Env, Plan, Planner, as_function
from ..tree import Given, Name, Number, Place, Statement
from ..values import StepResult
from .given import needs, place_of_given

Leg = Callable[[Env, Point, list[Piece]], Piece]


def plan_path(p: Planner, statement: Statement) -> Plan:
    """Lines and arcs from place to place; ``close`` draws a line back to the beginning where there is a way to go."""
    givens = statement.givens
    if not givens or givens[0].word != "from":
        raise needs(statement, "from and a place", more=2)
    for given in givens[1:]:
        if given.word == "from":
            raise refusal("given_twice", given.start, given.end, kind="path", word="from")
        if given.word == "close" and given is not givens[-1]:
            raise refusal("after_close", given.end, givens[-1].end)
    closed = givens[-1].word == "close"
    middle = givens[1:-1] if closed else givens[1:]
    if not middle:
        raise needs(statement, "to and a place")
    if closed and len(middle) < 2 and middle[0].word == "to":
        raise needs(statement, "to and one more place: two places do not enclose anything")
    start = as_function(plan_place(p, place_of_given(givens[0])))
    legs = [_leg(p, g) for g in middle]

    def draw(env: Env, last: Point) -> StepResult:
        at = start(env, last)
        pieces: list[Piece] = []
        for leg in legs:
            pieces.append(leg(env, at, pieces))
            at = pieces[-1].end
        outline = outlines.chained(pieces, closed)
        return StepResult(outline, outline.end)

    return draw


def _leg(p: Planner, given: Given) -> Leg:
    last_argument = cast(Place, given.arguments[-1])
    match given.word:
        case "to":
            to = plan_next(p, last_argument)
            return lambda env, at, before: _located(given, lambda: Line(at, to(env, at)))
        case "curve to":
            to = plan_next(p, last_argument)
            return lambda env, at, before: _located(given, lambda: arcs.leaving_to(at, _heading(before, given), to(env, at)))
        case "curve along":
            name = cast(Name, given.arguments[0])
            slot, to = p.slot(name), plan_next(p, last_argument)
            return lambda env, at, before: _located(
                given, lambda: along_figure(env[slot], at, to(env, at), given.sides, name.text)
            )
        case "curve via":
            middle, to = plan_next(p, place_of_given(given)), plan_next(p, last_argument)

            def through(env: Env, at: Point, before: list[Piece]) -> Piece:
                via = middle(env, at)
                return _located(given, lambda: arcs.via(at, via, to(env, via)))

            return through
        case _:
            radius, to = called(p.length(cast(Number, given.arguments[0]))), plan_next(p, last_argument)
            return lambda env, at, before: _located(given, lambda: _by_radius(at, to(env, at), radius(env, at), given))


def _by_radius(at: Point, to: Point, radius: float, given: Given) -> Arc:
    found = arcs.by_radius(at, to, radius)
    arc = found[take(found, given.sides)].figure
    assert isinstance(arc, Arc)
    return arc


def _heading(before: list[Piece], given: Given) -> tuple[float, float]:
    if not before:
        raise refusal("no_piece_before", given.start, given.end)
    return heading(before[-1], at_start=False)


def _located(given: Given, make: Callable[[], Piece]) -> Piece:
    try:
        return make()
    except Refused as refused:
        if refused.problem.end > 0:
            raise
        raise Refused(refused.problem.at(given.start, given.end)) from None


def bare_entries(has: Collection[str]) -> list[str]:
    """A bare place: where it begins, then place after place."""
    return ["to"] if "from" in has else ["from"]


def _said(has: Sequence[str], done: bool) -> str | None:
    if not has:
        return None
    if has[-1] == "close":
        return "Enter writes the closed path."
    if done:
        return "Next place; for an arc, point at the last end again and leave it sideways. close leads back, Esc leaves it open."
    return "Next place: 40, 25 or + 20 at 90, or point."


KIND = Kind(
    word="path",
    group="place",
    explanation="a chain of lines and arcs, from place to place",
    plan=plan_path,
    letter="K",
    draws="outline",
    puts_place=True,
    first="Where does it begin? 40, 25, or point.",
    implied_words=bare_entries,
    next_hint=_said,
    drag=Drag("from", "to"),
    tab_order=TabOrder(behind="at"),
    endless=True,
    givens=(
        GivenSpec("from", "place", "where it begins"),
        GivenSpec("to", "place", "a line to the next place", repeats=True, blamed=("zero_length",)),
        GivenSpec("curve", "curve", "an arc to the next place; `curve along E1 to`: as a figure runs", repeats=True),
        GivenSpec("close", "nothing", "a line back to where it began", blamed=("zero_length",)),
    ),
    examples=(
        ("path from P1 to P2 to + 0, 30 to + 25 at 150 close", "from place to place"),
        ("path from P1 to P2 curve to + 0, 25 to P3", "`curve to` leaves the last piece tangentially"),
        ("path from 15, 20 to 55, 20 curve along E2 to 15, 20", "along a round figure, the shorter way; `major` the longer"),
        ("path from P1 curve via 25, 22 to 40, 10 curve radius 18 left to P2", "arcs by a third place or a radius"),
    ),
)
