"""Rectangles."""

from ...construct import outlines
from ..kind import Drag, GivenSpec, Kind, in_turn
from ..planner import Plan, Planner
from ..tree import Statement
from .bindings import value
from .choices import Choices, plan_choice, size, turning


def plan_rectangle(p: Planner, statement: Statement) -> Plan:
    """A rectangle, counter-clockwise from its first corner where its size is positive."""
    turned = turning(p)
    choices: Choices = {
        frozenset({"from", "size"}): lambda f: outlines.rectangle(value(f, "from"), *size(f), turned(f)),
        frozenset({"from", "to"}): lambda f: outlines.rectangle_between(value(f, "from"), value(f, "to"), turned(f)),
        frozenset({"centre", "size"}): lambda f: outlines.rectangle_about(value(f, "centre"), *size(f), turned(f)),
    }
    return plan_choice(p, statement, choices, {"turned"}, lambda outline: outline.start)


KIND = Kind(
    word="rectangle",
    group="place",
    explanation="a rectangle: a corner and a size, or two corners",
    plan=plan_rectangle,
    letter="K",
    draws="outline",
    puts_place=True,
    first="Where is its first corner? 40, 25, or point; or centre.",
    implied_words=in_turn("from", "to", "size"),
    drag=Drag("from", "to"),
    givens=(
        GivenSpec("from", "place", "its first corner"),
        GivenSpec("to", "place", "the opposite corner", blamed=("bad_size",)),
        GivenSpec("centre", "place", "its centre"),
        GivenSpec("size", "pair", "along and across: 40, 25", blamed=("bad_size",)),
        GivenSpec("turned", "turn", "how far it is turned"),
    ),
    examples=(
        ("rectangle from P1 size 50, 25", "a corner and a size; `turned 15`"),
        ("rectangle from P1 to P3", "opposite corners"),
        ("rectangle centre C1 size 40, 20 turned 15", "about its centre"),
    ),
)
