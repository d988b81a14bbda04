"""Every statement kind: one file each, and the table that finds them by their words."""

from ...problem import Refused, refusal
from ..kind import Kind
from ..planner import Plan, Planner
from ..tree import Statement
from . import (
    apart,
    arc,
    axes,
    balance,
    chamfer,
    circle,
    copy,
    detail,
    dimension,
    ellipse,
    extend,
    fillet,
    fit,
    group,
    hatch,
    hide,
    ink,
    join,
    keep,
    line,
    measure,
    mirror,
    move,
    note,
    number,
    offset,
    outline,
    path,
    pen,
    place,
    point,
    polygon,
    rectangle,
    repeat,
    scale,
    schedule,
    sheet,
    show,
    split,
    symbol,
    table,
    trim,
    turn,
    view,
    whole,
)

ALL: dict[str, Kind] = {
    module.KIND.word: module.KIND
    for module in (
        *(point, line, circle, arc, path, rectangle, polygon, ellipse),
        *(ink, trim, keep, split, extend, whole, join, apart, fillet, chamfer, offset, outline, balance),
        *(move, copy, turn, mirror, scale, fit, repeat, group, symbol, place, pen, hide, show),
        *(measure, dimension, note, axes, hatch, detail, table, schedule, sheet, view, number),
    )
}
"""All of them, in the order in which they are offered."""

STATEMENT_KINDS: dict[str, Kind] = {
    word: kind for word, kind in ALL.items() if kind.group in ("place", "shape", "carry", "paper")
}
"""Those that begin with their word, and are read by what they declare."""


READS = measure.KIND.word
"""The word with which a reading begins."""


def is_reading(statement: Statement) -> bool:
    """Whether a statement reads something, and draws nothing."""
    kind = ALL.get(statement.kind)
    return kind is not None and kind.group == "read"


def plan_statement(planner: Planner, statement: Statement) -> Plan:
    """The plan of a statement. Raises `Refused` for what no names can mend: a given missing, a number too large."""
    if statement.problem is not None:
        raise Refused(statement.problem)
    kind = ALL.get(statement.kind)
    if kind is None:
        raise refusal("not_yet", statement.kind_start, statement.kind_end, what=f"the word {statement.kind}")
    try:
        return kind.plan(planner, statement)
    except Refused as refused:
        raise located(refused, statement) from None


def located(refused: Refused, statement: Statement) -> Refused:
    """The same refusal with a place in the text, where the figure that raised it could not know one."""
    problem = refused.problem
    if problem.end > 0:
        return refused
    kind = ALL[statement.kind]
    blamed = {given.word for given in kind.givens if problem.kind in given.blamed}
    given = next((g for g in reversed(statement.givens) if g.word in blamed), None)
    if given is not None:
        return Refused(problem.at(given.start, given.end))
    start = statement.givens[0].start if statement.givens else statement.kind_start
    end = statement.givens[-1].end if statement.givens else statement.kind_end
    return Refused(problem.at(start, end))
