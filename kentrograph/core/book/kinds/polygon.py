"""Regular polygons."""

from ...construct import outlines
from ...figures import Outline
from ..kind import GivenSpec, Kind, in_turn
from ..planner import Plan, Planner
from ..tree import Statement
from .bindings import Facts, value
from .choices import Choices, plan_choice, turning


def plan_polygon(p: Planner, statement: Statement) -> Plan:
    """A regular polygon with a corner in the direction it is turned."""
    turned = turning(p)

    def flats(f: Facts) -> Outline:
        sides = value(f, "sides")
        return outlines.polygon(value(f, "centre"), sides, outlines.radius_of_flats(sides, value(f, "across flats")), turned(f))

    choices: Choices = {
        frozenset({"centre", "sides", "radius"}): lambda f: outlines.polygon(
            value(f, "centre"), value(f, "sides"), value(f, "radius"), turned(f)
        ),
        frozenset({"centre", "sides", "across flats"}): flats,
    }
    return plan_choice(p, statement, choices, {"turned"}, lambda outline: outline.start)


KIND = Kind(
    word="polygon",
    group="place",
    explanation="a regular polygon",
    plan=plan_polygon,
    letter="K",
    draws="outline",
    puts_place=True,
    first="Where is its centre? 40, 25, or point.",
    implied_words=in_turn("centre", "sides", "radius"),
    givens=(
        GivenSpec("centre", "place", "its centre"),
        GivenSpec("sides", "count", "how many sides", blamed=("bad_sides",)),
        GivenSpec("radius", "length", "from the centre to a corner", blamed=("bad_radius",)),
        GivenSpec("across", "flats", "`across flats`: from side to opposite side"),
        GivenSpec("turned", "turn", "how far it is turned"),
    ),
    examples=(
        ("polygon centre C1 sides 6 radius 20 turned 30", "a corner in the direction in which it is turned"),
        ("polygon centre C1 sides 6 across flats 34", "across flats"),
    ),
)
