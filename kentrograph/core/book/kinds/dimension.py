"""Dimensions: measured values as they stand on a drawing, and go on following what they measure."""

from dataclasses import replace
from functools import partial
from typing import cast

from ...figures import Point
from ...problem import Refused, refusal
from ..kind import GivenSpec, Kind
from ..on_paper import Dimension, Rows
from ..plan_reading import plan_face
from ..planner import Env, Plan, Planner
from ..readings import QUANTITIES
from ..readings_held import Reading
from ..tree import CornerOf, Given, Number, Statement, Words
from ..values import StepResult
from .bindings import check_words
from .comparing import Limits, compares, plan_wanted
from .dimension_forms import MOST_TIMES, Measuring, dimension_of
from .given import needs
from .things import Things
from .ways import plan_turn

WAYS = ("distance", "across", "up", "along", "length", "radius", "diameter", "angle", "area")
"""What can be said of how it is measured; without it the figures say it."""
ROWS = ("chain", "rows", "running")


def plan_dimension(p: Planner, statement: Statement) -> Plan:
    """``dimension across P1 P2 at 40, -12``: what is measured, how, and where it stands."""
    has = {given.word: given for given in statement.givens if given.word != "figures"}
    # A distance along a direction is said as a reading says it, too.
    ways = tuple(word for word in WAYS if word != "distance") if "along" in has else WAYS
    way, rows = _one_of(statement, has, ways), _one_of(statement, has, ROWS)
    things = Things(p, statement, partial(plan_face, p) if way == "area" else None)
    check_words(statement, {"figures": len(things.givens)})
    if not things.givens:
        raise needs(statement, "places or figures")
    corners = tuple(one if isinstance(one := given.arguments[0], CornerOf) else None for given in things.givens)
    along = plan_turn(p, has["along"]) if way == "along" else None
    measuring = Measuring(p, way, along, corners, rows in ("rows", "running"))
    at = things.behind_given("at")
    # What its figures measure tells, once they are there, what a number without a unit is of.
    wanted = {QUANTITIES[kind]: plan_wanted(p, statement, kind, nominal=True) for kind in ("length", "angle", "area")}
    shown = next((word.removeprefix("in ") for word in has if word.startswith("in ")), "")
    times = p.number(cast(Number, has["times"].arguments[0])) if "times" in has else 1.0
    said = Dimension(
        "straight", (), (), rows=cast(Rows, rows), bracketed="bracketed" in has, free="free" in has,
        words=cast(Words, has["says"].arguments[0]).text if "says" in has else "",
    )  # fmt: skip
    start, end = things.givens[0].start, things.givens[-1].end
    limited = next((given for given in statement.givens if compares(given.word)), None)

    def draw(env: Env, last: Point) -> StepResult:
        found, last = things.of(env, last)
        place = at(env, last) if at is not None else None
        count = times if isinstance(times, float) else times(env, last)
        if not 1.0 <= count <= MOST_TIMES or count % 1.0:
            given = has["times"]
            raise refusal("bad_count", given.start, given.end, value=count, most=MOST_TIMES)
        try:
            made = dimension_of(measuring, found, env, last)
        except Refused as refused:
            raise Refused(refused.problem.at(start, end)) from None
        if limited is not None and not made.readings:
            raise refusal("no_limits_of_places", limited.start, limited.end)
        readings = tuple(_compared(one, wanted[QUANTITIES[one.kind]], shown, env, last) for one in made.readings)
        several = (said.rows or "chain") if len(readings) > 1 else ""
        drawn = replace(
            made, readings=readings, at=place, rows=several, times=int(count) if "times" in has else made.times,
            bracketed=said.bracketed, free=said.free, words=said.words,
        )  # fmt: skip
        return StepResult(drawn)

    return draw


def _compared(reading: Reading, wanted: Limits | None, shown: str, env: Env, last: Point) -> Reading:
    return replace(reading, wanted=wanted(env, last, reading.value) if wanted is not None else None, shown=shown)


def _one_of(statement: Statement, has: dict[str, Given], words: tuple[str, ...]) -> str:
    """The one of these words that stands there; nothing where none does. Raises `Refused` (too_many_givens)."""
    found = [has[word] for word in words if word in has]
    if len(found) > 1:
        raise refusal(
            "too_many_givens", found[1].start, found[1].end, kind=statement.kind, word=found[1].word, others=[found[0].word]
        )
    return found[0].word if found else ""


KIND = Kind(
    word="dimension",
    group="paper",
    explanation="a measured value as it stands on the drawing",
    plan=plan_dimension,
    letter="D",
    first="Give what is measured: places, a line, a circle, an arc, two lines.",
    givens=(
        GivenSpec("figures", "things", "what is measured", repeats=True),
        GivenSpec("distance", "nothing", "from place to place, or the shortest between figures"),
        GivenSpec("across", "nothing", "across alone, along the datum"),
        GivenSpec("up", "nothing", "up alone, square to it"),
        GivenSpec("along", "way", "in a direction, or that of a line"),
        GivenSpec("length", "nothing", "the length of a line, an arc or an outline"),
        GivenSpec("radius", "nothing", "the radius of a round figure"),
        GivenSpec("diameter", "nothing", "the diameter of a round figure"),
        GivenSpec("angle", "nothing", "the angle of two lines, at a corner, of three places"),
        GivenSpec("area", "nothing", "the area of what is closed"),
        GivenSpec("at", "place", "a place through which its line runs; without it, it is kept clear by itself"),
        GivenSpec("chain", "nothing", "from each place to the next, in one line"),
        GivenSpec("rows", "nothing", "each from the first place, in rows of their own"),
        GivenSpec("running", "nothing", "each from the first place, in one line that counts from zero"),
        GivenSpec("times", "count", "how many figures alike it holds for"),
        GivenSpec("bracketed", "nothing", "a help size, in brackets"),
        GivenSpec("free", "nothing", "not to scale: the value is underlined"),
        GivenSpec("says", "words", "words behind the value"),
        GivenSpec("wanted", "compared", "the nominal value, with its limits"),
        GivenSpec("within", "compared", "how far it may be off: ±0.1, +0.2 -0.1, a fit as f7; alone, off what is drawn"),
        GivenSpec("least", "compared", "what it should be at least"),
        GivenSpec("most", "compared", "what it should be at most"),
        GivenSpec("in", "unit", "the unit that it is shown in, or parts of an inch, `1/16`"),
    ),
    next_hint=lambda has, done: (
        "Click where its line runs, or Enter: it finds a place of its own." if done and "at" not in has else None
    ),
    implied_words=lambda has: [],
    examples=(
        ("dimension P1 P3", "from place to place; it finds a row of its own"),
        ("dimension across P1 P3 at 20, -12", "level; `up` is plumb, `along 30` or `along L1` in any direction"),
        ("dimension L2", "a line's length, a circle's diameter, an arc's radius; `length A1` along it"),
        ("dimension across P1 P3 P2 chain", "from each place to the next"),
        ("dimension up P1 P3 P2 rows", "each from the first place, in rows of their own"),
        ("dimension across P1 P3 P2 running", "from a zero, in one line"),
        ("dimension C1 times 3 wanted 30 H7", "how many alike, and the fit"),
        ("dimension C1 f7", "limits alone: what is drawn is the nominal; also `±0.1`, `+0.2 -0.1`, `within 0.1`"),
        ("dimension L1 L2", "an angle; of lines side by side how far they are apart"),
        ("dimension angle corner 2 of K1", "inside a corner"),
        ("dimension P1 in in", "coordinates; in another unit"),
        ("dimension distance P1 P3 along L2 least 20", "in a direction, or that of a line; with a limit"),
        ("dimension length L2 wanted 64 within 0.2 free", "what is not to scale is underlined"),
        ("dimension radius C1 most 20", "of a circle, too"),
        ("dimension area C2", "of what is closed"),
        ('dimension diameter C2 bracketed says "ref"', "a help size, with words behind it"),
    ),
)
