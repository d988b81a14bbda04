"""A symbol, placed."""

from typing import cast

from ...figures import FigureSet, Point
from ...figures.similarity import dilation, rotation, shift, transformed
from ...problem import refusal
from ..chain import place_in
from ..crossings import called
from ..kind import Drag, GivenSpec, Kind, TabOrder, after_figures
from ..planner import Env, Plan, Planner
from ..tree import Name, Number, Statement
from ..values import StepResult
from .bindings import check_words
from .cutting import only_operand
from .given import by_word, needs, place_of_given


def plan_placing(p: Planner, statement: Statement) -> Plan:
    """``place bolt at P1 turned 30 scale 2``: the symbol's datum lands on the place."""
    check_words(statement, {"figures": len(statement.givens)})
    slot, operand = only_operand(p, statement)
    givens = by_word(statement, ("at", "turned", "scale"))
    if "at" not in givens:
        raise needs(statement, "at a place")
    at = place_in(p, statement, place_of_given(givens["at"]))
    level = p.manner.datum.turn
    turn = called(p.number(cast(Number, givens["turned"].arguments[0]))) if "turned" in givens else called(0.0)
    factor = called(p.number(cast(Number, givens["scale"].arguments[0]))) if "scale" in givens else called(1.0)

    def draw(env: Env, last: Point) -> StepResult:
        symbol = env[slot]
        if not isinstance(symbol, FigureSet) or not symbol.names:
            raise refusal("no_symbol", operand.start, operand.end, name=operand.text)
        place, times = at(env, last), factor(env, last)
        if not times > 0.0:
            raise refusal("bad_factor", givens["scale"].start, givens["scale"].end, value=times)
        datum = Point(0.0, 0.0)
        figure = transformed(symbol, dilation(datum, times)) if times != 1.0 else symbol
        turned = level + turn(env, last)
        figure = transformed(figure, rotation(datum, turned)) if turned != 0.0 else figure
        return StepResult(transformed(figure, shift(place.x, place.y)), place)

    return draw


KIND = Kind(
    word="place",
    group="carry",
    explanation="a symbol at a place",
    plan=plan_placing,
    letter="S",
    draws="set",
    puts_place=True,
    implied_words=after_figures("at"),
    drag=Drag("at", "", behind=1),
    tab_order=TabOrder(("turned",)),
    in_common=("figures", "turned", "scale"),
    first="Name the symbol; then at and a place.",
    givens=(
        GivenSpec("figures", "figures", "the symbol"),
        GivenSpec("at", "place", "where its datum lands"),
        GivenSpec("turned", "turn", "how far it is turned"),
        GivenSpec("scale", "factor", "how many times as large"),
    ),
    examples=(("place boss at P3 turned 30 scale 1.5", "a symbol, as often as one likes; its figures are `S1.C1` and so on"),),
)


def placed_symbols(statement: Statement) -> tuple[Name, ...]:
    """The symbols that a statement places."""
    return statement.operands if statement.kind == KIND.word else ()
