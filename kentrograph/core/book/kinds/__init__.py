"""What each kind of statement draws: one file per kind, and the table that finds it."""

from collections.abc import Callable

from ...problem import Refused, refuse
from ..planner import Plan, Planner
from ..tree import Statement
from .arc import plan_arc
from .circle import plan_circle
from .line import plan_line
from .measure import plan_measure
from .number import plan_number
from .path import plan_path
from .point import plan_point
from .shapes import plan_ellipse, plan_join, plan_polygon, plan_rectangle
from .touching_arcs import plan_fillet

PLANS: dict[str, Callable[[Planner, Statement], Plan]] = {
    "point": plan_point,
    "line": plan_line,
    "circle": plan_circle,
    "arc": plan_arc,
    "fillet": plan_fillet,
    "path": plan_path,
    "rectangle": plan_rectangle,
    "polygon": plan_polygon,
    "ellipse": plan_ellipse,
    "join": plan_join,
    "measure": plan_measure,
    "number": plan_number,
}

_BLAME: dict[str, tuple[str, ...]] = {
    "zero_length": ("to", "close", "length"),
    "bad_radius": ("radius", "diameter", "circumference", "through", "from"),
    "radius_too_small": ("radius", "diameter", "circumference"),
    "bad_rise": ("rise",),
    "bad_sweep": ("sweep", "part", "to"),
    "bad_sides": ("sides",),
    "bad_size": ("size", "to"),
    "bad_axis": ("axes", "ratio"),
    "straight_ahead": ("to",),
    "on_line": ("from",),
}
"""Which given to point at for a problem that a figure itself found."""


def plan_statement(planner: Planner, statement: Statement) -> Plan:
    """The plan of a statement. Raises `Refused` for what no names can mend: a given missing, a number too large."""
    if statement.problem is not None:
        raise Refused(statement.problem)
    make = PLANS.get(statement.kind)
    if make is None:
        raise refuse("not_yet", statement.kind_start, statement.kind_end, what=f"the word {statement.kind}")
    try:
        return make(planner, statement)
    except Refused as refused:
        raise located(refused, statement) from None


def located(refused: Refused, statement: Statement) -> Refused:
    """The same refusal with a place in the text, where the figure that raised it could not know one."""
    problem = refused.problem
    if problem.end > 0:
        return refused
    blamed = _BLAME.get(problem.kind, ())
    given = next((g for g in reversed(statement.givens) if g.word in blamed), None)
    if given is not None:
        return Refused(problem.at(given.start, given.end))
    start = statement.givens[0].start if statement.givens else statement.kind_start
    end = statement.givens[-1].end if statement.givens else statement.kind_end
    return Refused(problem.at(start, end))
