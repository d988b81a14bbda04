"""Repeating: copies about a place, in rows, or along a figure, as one set."""

from collections.abc import Callable
from typing import Any, cast

from ...figures import FigureSet, FiniteCurve, Point
from ...figures.similarity import Similarity, transformed
from ...problem import refusal
from ...shape import repeat
from ..chain import place_in
from ..crossings import called
from ..kind import GivenSpec, Kind, after_figures
from ..places import offset_of
from ..planner import Env, Plan, Planner
from ..tree import Coordinates, Given, Name, Number, Polar, Statement
from ..values import StepResult, Untouchable
from .bindings import check_words
from .given import by_word, needs, place_of_given, too_many

Ways = Callable[[Env, Point, tuple[Any, ...]], list[Similarity]]
"""Where the copies go, by what is repeated."""


def plan_repeat(p: Planner, statement: Statement) -> Plan:
    """``repeat F 20 times about P1``, ``repeat F 5 by 3 step 20, 0; 0, 15``, ``repeat F 7 times along K1``."""
    check_words(statement, {"figures": len(statement.givens)})
    if not statement.operands:
        raise needs(statement, "the names of figures")
    if len(statement.names) > 1:
        raise refusal("too_many_names", 0, statement.kind_start, count=1)
    operands = [(p.slot(name), name) for name in statement.operands]
    givens = by_word(statement, {given.word for given in statement.givens} - {"figures"})
    if "times" not in givens:
        raise needs(statement, "how many times: 12 times")
    counts = [called(p.number(cast(Number, argument))) for argument in givens["times"].arguments]
    ways = _ways(p, statement, givens)

    def draw(env: Env, last: Point) -> StepResult:
        figures = tuple(_repeated(env[slot], name) for slot, name in operands)
        for count in counts:
            _counted(count(env, last), givens["times"])
        one = figures[0] if len(figures) == 1 else FigureSet(figures, tuple(name.key for _, name in operands))
        found = ways(env, last, figures)
        row = int(counts[0](env, last)) if len(counts) > 1 else 0
        return StepResult(FigureSet((one, *(transformed(one, way) for way in found[1:])), (), row))

    return draw


def _repeated(figure: Any, name: Name) -> Any:
    if isinstance(figure, Untouchable):
        raise refusal("not_shaped", name.start, name.end, name=name.text, word="repeat")
    return figure


def _counted(value: float, given: Given) -> int:
    if value != int(value) or not 1 <= value <= repeat.MOST_COPIES:
        raise refusal("bad_count", given.start, given.end, value=value, most=repeat.MOST_COPIES)
    return int(value)


def _ways(p: Planner, statement: Statement, givens: dict[str, Given]) -> Ways:
    how = [word for word in ("about", "along", "step") if word in givens]
    rows = len(givens["times"].arguments) > 1
    if not how:
        raise needs(statement, "step 20, 0" if rows else "about a place", *(() if rows else ("along a figure", "step 20, 0")))
    if len(how) > 1:
        raise too_many(statement, givens[how[1]], [how[0]])
    times = [called(p.number(cast(Number, argument))) for argument in givens["times"].arguments]
    if rows and how[0] != "step":
        raise refusal("only_in_rows", givens["times"].start, givens["times"].end)
    upright = "upright" in givens
    if how[0] == "step":
        return _in_rows(p, givens, times)
    if how[0] == "about":
        centre = place_in(p, statement, place_of_given(givens["about"]))
        over = called(p.number(cast(Number, givens["over"].arguments[0]))) if "over" in givens else None
        held = place_in(p, statement, place_of_given(givens["from"])) if "from" in givens else None

        def about(env: Env, last: Point, figures: tuple[Any, ...]) -> list[Similarity]:
            place = (held(env, last) if held else repeat.middle_of(figures)) if upright else None
            return repeat.about(centre(env, last), int(times[0](env, last)), over(env, last) if over else None, place)

        return about
    way = p.slot(cast(Name, givens["along"].arguments[0]))
    ride = place_in(p, statement, place_of_given(givens["from"])) if "from" in givens else None

    def along(env: Env, last: Point, figures: tuple[Any, ...]) -> list[Similarity]:
        figure, given = env[way], givens["along"]
        if not isinstance(figure, FiniteCurve):
            raise refusal("no_length", given.start, given.end, name=cast(Name, given.arguments[0]).text)
        return repeat.along(figure, int(times[0](env, last)), ride(env, last) if ride else None, upright)

    return along


def _in_rows(p: Planner, givens: dict[str, Given], times: list[Callable[[Env, Point], float]]) -> Ways:
    step = givens["step"]
    offsets = [offset_of(p, cast("Coordinates | Polar", argument)) for argument in step.arguments]
    if len(offsets) != len(times):
        raise refusal("steps_and_rows", step.start, step.end, count=len(times))

    def rows(env: Env, last: Point, figures: tuple[Any, ...]) -> list[Similarity]:
        counts = [int(count(env, last)) for count in times]
        steps = [offset(env, last) for offset in offsets]
        if len(counts) == 1:
            return repeat.in_rows(counts[0], 1, steps[0], (0.0, 0.0))
        return repeat.in_rows(counts[0], counts[1], steps[0], steps[1])

    return rows


KIND = Kind(
    word="repeat",
    group="carry",
    explanation="copies about a place, in rows, or along a figure",
    plan=plan_repeat,
    letter="S",
    draws="set",
    implied_words=after_figures("times", "about", "step"),
    first="Name what is repeated, or click on it; then how many times, and about a place, along a figure, or with a step.",
    givens=(
        GivenSpec("figures", "figures", "what is repeated", repeats=True),
        GivenSpec("times", "copies", "how many there are then: 12 times; in rows: 5 by 3"),
        GivenSpec("about", "place", "the place about which the copies are turned"),
        GivenSpec("over", "turn", "how far the last of them is turned; a whole turn is divided evenly"),
        GivenSpec("along", "figure", "the line, circle or outline along which they stand"),
        GivenSpec("from", "place", "the place of it that rides along, or that is moved where it stands upright"),
        GivenSpec("step", "steps", "from one to the next: 20, 0; in rows also from row to row: 20, 0; 0, 15"),
        GivenSpec("upright", "nothing", "the copies are not turned"),
    ),
    examples=(
        ("repeat C4 12 times about C1", "a whole turn, divided evenly"),
        ("repeat L2 5 times about P3 over 180 upright", "half around, none of them turned itself"),
        ("repeat C4 5 by 3 step 14, 0; 0, -12", "in rows; `copy 3, 2 of S1` is the third of the second row"),
        ("repeat C4 7 times along L2 from C4", "in equal lengths from its start to its end"),
    ),
    shapes=True,
    always_keeps=True,
    collects=True,
    marks="taken",
)
