"""Schedules: rows of words on a sheet, with heads or without: readings, revisions, parts, general notes."""

from typing import cast

from ...figures import Point
from ...problem import refusal
from ..kind import GivenSpec, Kind
from ..on_paper import Dimension, Schedule
from ..planner import Env, Plan, Planner
from ..readings_held import Reading
from ..tree import Given, Statement, Words
from ..values import StepResult
from .bindings import check_words
from .given import needs
from .spots import plan_spot, sheet_of

_LONGEST, MOST_ROWS = 300, 200


def plan_schedule(p: Planner, statement: Statement) -> Plan:
    """``schedule R1 R2``, ``schedule heads "revision | date" row "A | 2026-11-02"``."""
    names = statement.operands
    rows = [given for given in statement.givens if given.word == "row"]
    check_words(statement, {"figures": len(names), "row": len(rows)})
    has = {given.word: given for given in statement.givens if given.word not in ("figures", "row")}
    if not names and not rows:
        raise needs(statement, "the names of readings", "row and its words in quotation marks")
    if names and rows:
        given = rows[0]
        raise refusal("too_many_givens", given.start, given.end, kind="schedule", word="row", others=["readings"])
    if len(rows) > MOST_ROWS:
        raise refusal("bad_count", rows[MOST_ROWS].start, rows[-1].end, value=float(len(rows)), most=MOST_ROWS)
    title = "".join(_cells(has["title"])) if "title" in has else ""
    heads = _cells(has["heads"]) if "heads" in has else ()
    cells = tuple(_cells(row) for row in rows)
    slots = [(p.slot(name), name) for name in names]
    spot, sheet = plan_spot(p, has.get("at")), sheet_of(p, has.get("on"))

    def draw(env: Env, last: Point) -> StepResult:
        readings: list[tuple[str, Reading]] = []
        for slot, name in slots:
            thing = env[slot]
            if not isinstance(thing, Reading | Dimension):
                raise refusal("no_reading", name.start, name.end, name=name.text)
            readings += [(name.text, one) for one in (thing.readings if isinstance(thing, Dimension) else (thing,))]
        return StepResult(Schedule(title, heads, cells, tuple(readings), sheet(env), spot(env, last)))

    return draw


def _cells(given: Given) -> tuple[str, ...]:
    said = cast(Words, given.arguments[0]).text
    if len(said) > _LONGEST:
        raise refusal("bad_words", given.start, given.end, most=_LONGEST, count=len(said))
    return tuple(cell.strip() for cell in said.split("|"))


KIND = Kind(
    word="schedule",
    group="paper",
    explanation="rows of words on a sheet: readings, revisions, parts, general notes",
    plan=plan_schedule,
    letter="List",
    first="Name readings; or give its rows: row and its words in quotation marks, | between its cells.",
    givens=(
        GivenSpec("figures", "figures", "readings and dimensions, each in a row", repeats=True, names=("reading", "dimension")),
        GivenSpec("title", "words", "what stands over it"),
        GivenSpec("heads", "words", "what stands over its columns, | between them; without them nothing is ruled"),
        GivenSpec("row", "words", "a row, | between its cells", repeats=True),
        GivenSpec("on", "figure", "the sheet on which it stands; the last one before it where none is named"),
        GivenSpec("at", "spot", "its upper left corner on the sheet: mm from the left, and from below"),
    ),
    implied_words=lambda has: [],
    spares=("figures",),
    examples=(
        ('schedule R1 R2 title "Checked"', "readings, with what they should be"),
        ('schedule heads "revision | date | change" row "A | 2026-11-02 | first issue"', "revisions, or a list of parts"),
        ('schedule title "Notes" row "Break all edges." row "Lengths in mm." at 30, 60', "general notes: nothing is ruled"),
    ),
)
