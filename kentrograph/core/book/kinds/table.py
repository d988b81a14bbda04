"""The setting-out table: places with coordinates from a corner and a direction, or by distances from two edges."""

from collections.abc import Iterator
from typing import Any, cast

from ...figures import Arc, Circle, Ellipse, EndlessLine, FigureSet, Line, Outline, Point, StraightCurve
from ...measure.closest import place_of
from ...problem import refusal
from ..crossings import called
from ..kind import GivenSpec, Kind
from ..on_paper import Columns, PointTable, TablePlace
from ..planner import Env, Plan, Planner
from ..tree import Given, Name, Number, Statement, Words
from ..values import StepResult, Untouchable
from .bindings import check_words
from .given import needs
from .spots import plan_spot, sheet_of
from .things import Things
from .ways import plan_turn

MOST_PLACES = 10_000


def plan_table(p: Planner, statement: Statement) -> Plan:
    """``table K1; centre of A2 from P1 direction L1``."""
    things = Things(p, statement)
    has = things.others
    check_words(statement, {"figures": len(things.givens)})
    if not things.givens:
        raise needs(statement, "places or figures")
    _fits_together(has)
    corner = things.behind_given("from")
    turn = plan_turn(p, has["direction"]) if "direction" in has else None
    edges = [(p.slot(name), name) for name in _names(has["edges"])] if "edges" in has else []
    columns: Columns = "polar" if "polar" in has else "offsets" if edges else "x y"
    order = has["order"].sides[0] if "order" in has else ""
    shown = next((word.removeprefix("in ") for word in has if word.startswith("in ")), "")
    digits = called(p.number(cast(Number, has["decimals"].arguments[0]))) if "decimals" in has else None
    spot, sheet = plan_spot(p, has.get("at")), sheet_of(p, has.get("on"))
    title = cast(Words, has["title"].arguments[0]).text if "title" in has else ""
    counted = _counted(statement, has)
    datum, words = p.manner.in_unit(p.unit).datum, [statement.text[g.start : g.end] for g in things.givens]

    def draw(env: Env, last: Point) -> StepResult:
        places: list[TablePlace] = []
        found, last = things.of(env, last)
        for thing, given, said in zip(found, things.givens, words, strict=True):
            if isinstance(thing, Untouchable | EndlessLine):
                raise refusal("nothing_to_tell", given.start, given.end, name=said)
            places += places_of(thing, said)
            if len(places) > MOST_PLACES:
                raise refusal("bad_count", given.start, given.end, value=float(len(places)), most=MOST_PLACES)
        decimals = digits(env, last) if digits is not None else None
        if decimals is not None and decimals not in range(10):
            raise refusal("bad_count", has["decimals"].start, has["decimals"].end, value=decimals, most=9)
        made = PointTable(
            tuple(places),
            place_of(corner(env, last)) if corner is not None else Point(datum.x, datum.y),
            turn(env, last) if turn is not None else datum.turn,
            columns,
            tuple(_edge(env[slot], name) for slot, name in edges),
            order,
            shown,
            None if decimals is None else int(decimals),
            sheet(env),
            spot(env, last),
            title,
            counted,
        )
        return StepResult(made)

    return draw


def _counted(statement: Statement, has: dict[str, Given]) -> str:
    """From where coordinates count, as it is written: ``from P1 along L1``; nothing where that is the datum."""

    def said(word: str) -> str:
        given = has[word]
        return statement.text[given.start : given.end].removeprefix(word).strip(" ;")

    start = f"from {said('from')}" if "from" in has else ""
    return f"{start or 'from the datum'} along {said('direction')}" if "direction" in has else start


def _fits_together(has: dict[str, Given]) -> None:
    for word in ("from", "direction", "polar"):
        if "edges" in has and word in has:
            given = has[word]
            raise refusal("too_many_givens", given.start, given.end, kind="table", word=word, others=["edges"])


def _names(given: Given) -> list[Name]:
    """What a table counts from; a place is no edge."""
    names = [one for one in given.arguments if isinstance(one, Name)]
    if len(names) < len(given.arguments):
        raise refusal("no_line", given.start, given.end, word="edges")
    return names


def _edge(figure: Any, name: Name) -> StraightCurve:
    if not isinstance(figure, StraightCurve):
        raise refusal("no_line", name.start, name.end, word="edges")
    return figure


def places_of(thing: Any, said: str) -> Iterator[TablePlace]:
    """What is set out of a thing: a place itself, ends, centres with their size, corners."""
    match thing:
        case Point():
            yield TablePlace(said, thing)
        case Line():
            yield TablePlace(f"start of {said}", thing.start)
            yield TablePlace(f"end of {said}", thing.end)
        case Circle():
            yield TablePlace(f"centre of {said}", thing.centre, thing.radius, True)
        case Arc():
            yield TablePlace(f"start of {said}", thing.start)
            yield TablePlace(f"end of {said}", thing.end)
            yield TablePlace(f"centre of {said}", thing.centre, thing.radius)
        case Ellipse():
            yield TablePlace(f"centre of {said}", thing.centre)
        case Outline():
            for number, corner in enumerate(thing.corners, 1):
                yield TablePlace(f"corner {number} of {said}", corner)
            for number, piece in enumerate(thing.pieces, 1):
                if isinstance(piece, Arc):
                    yield TablePlace(f"centre of edge {number} of {said}", piece.centre, piece.radius)
        case FigureSet():
            for number, member in enumerate(thing.members, 1):
                yield from places_of(member, thing.names[number - 1] if thing.names else f"copy {number} of {said}")
        case _:
            raise refusal("nothing_to_tell", name=said)


KIND = Kind(
    word="table",
    group="paper",
    explanation="a setting-out table: places with coordinates from a corner and a direction",
    plan=plan_table,
    letter="T",
    first="Give what is set out: places, outlines, circles, arcs.",
    givens=(
        GivenSpec("figures", "things", "what is set out: places, ends, corners, centres", repeats=True),
        GivenSpec("from", "place", "the corner from which it counts; the datum unless stated"),
        GivenSpec("direction", "way", "the direction of its x, or the edge along which that runs"),
        GivenSpec("polar", "nothing", "distances and directions instead of x and y"),
        GivenSpec("edges", "two things", "two edges, from which it gives the distances"),
        GivenSpec("order", "choice", "sorted by x or by y, and not as they are named", choices=("across", "up")),
        GivenSpec("in", "unit", "the unit that it is shown in, or parts of an inch, `1/16`"),
        GivenSpec("decimals", "count", "how many decimals"),
        GivenSpec("title", "words", "what stands over it"),
        GivenSpec("on", "figure", "the sheet on which it stands"),
        GivenSpec("at", "spot", "its upper left corner on the sheet: mm from the left, and from below"),
    ),
    implied_words=lambda has: [],
    spares=("figures",),
    examples=(
        ("table P1 P2; centre of C2 order across at 200, 280", "from the datum, sorted; where it stands on the sheet"),
        ("table K1 C1 from P1 direction L1", "from a corner, along an edge; with the centres of arcs and their radii"),
        ('table E2 polar from P1 in cm decimals 1 title "Rim"', "distances and directions; with a title"),
        ("table centre of E2 edges L1 L3", "by distances from two edges, wherever the centre lies"),
    ),
)
