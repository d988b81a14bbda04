"""Places under the pointer in words: drawing, pointer, kinds, the likeliest first; each taken place lies where its words say."""

from math import cos, hypot, radians, sin, sqrt

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Delete
from kentrograph.core.book.index import Index, index_of
from kentrograph.core.desk import intents
from kentrograph.core.figures import Point
from kentrograph.core.snap.candidates import take_at
from kentrograph.core.snap.kinds import KINDS, ON
from kentrograph.core.snap.known import Candidate
from kentrograph.core.snap.query import Passed, Query

from .support import book, figure

DRAWING = (
    "P1 = point 60, 60", "L1 = line from 0, 0 to 100, 0", "L2 = line from 50, -40 to 50, 40",
    "C1 = circle centre 50, 0 radius 30",
    "A1 = arc centre 150, 0 from 180, 0 sweep 90", "L3 = line from 300, 0 to 300.4, 30", "L4 = line from 296, 10 to 305, 10",
    "K1 = rectangle from 400, 0 to 440, 20", "K2 = path from 500, 0 to 540, 0 to 540, 30 close",
    "L5 = line from 0, 200 to 40, 200", "L6 = line from 60, 210 to 60, 240",
)  # fmt: skip
SPECIAL = ON - {"nearest", "past", "level", "turn", "beside", "step"}


def taken(made: Book, x: float, y: float, reach: float, on: frozenset[str] = SPECIAL, **more: object) -> list[Candidate]:
    return take_at(made, Query(x, y, reach, on=on, **more))  # type: ignore[arg-type]


# The pointer, how far it reaches, the words expected in their order, and why.
CASES = [
    ((60.5, 60.2), 2.0, ["P1"], "a point mark"),
    ((0.4, 0.3), 2.0, ["start of L1"], "an end"),
    ((50.3, 0.2), 2.0, ["centre of C1", "crossing of L1 L2", "middle of L2", "middle of L1"], "all in one spot, centre first"),
    ((80.2, 0.1), 2.0, ["crossing of L1 C1 leaving", "on C1 at 0"], "a crossing before the quarter point in the same spot"),
    ((50.1, 29.8), 2.0, ["crossing of L2 C1 leaving", "on C1 at 90"], "the way a line runs tells its two crossings apart"),
    ((150.2, 30.1), 2.0, ["end of A1", "on A1 at 90"], "an arc's end before its quarter point"),
    ((150.0, -30.0), 2.0, [], "a quarter point that is not drawn"),
    ((20.0, 0.0), 2.0, ["crossing of L1 C1 entering", "on C1 at 180"], "where a line enters"),
    ((300.2, 10.1), 1.5, ["crossing of L3 L4", "middle of L4"], "a crossing before the middle beside it"),
    ((300.5, 10.0), 0.3, ["middle of L4"], "the middle, where the pointer is on it and the crossing out of reach"),
    ((10.0, 50.0), 2.0, [], "nothing within reach is no error"),
    ((420.1, 10.0), 2.0, ["box middle of K1", "middle of K1"], "the middles of a plate, both in one spot: the later word first"),
    ((420.0, 0.1), 1.0, ["middle of edge 1 of K1"], "the middle of an edge of an outline"),
    ((526.6, 10.1), 1.0, ["middle of K2"], "area centre of a triangle: a third of the way up"),
    ((520.0, 15.0), 1.0, ["box middle of K2", "middle of edge 3 of K2"], "its box has another middle"),
]  # fmt: skip


@pytest.mark.parametrize(("pointer", "reach", "words", "why"), CASES)
def test_what_is_taken(pointer: tuple[float, float], reach: float, words: list[str], why: str) -> None:
    found = [c.words for c in taken(book(*DRAWING), *pointer, reach)]
    assert set(found) == set(words), why
    assert [f for f in found if "middle" not in f] == [w for w in words if "middle" not in w], why


# The pointer, the kinds that are on, what else is known, the first words expected, and why.
MORE = [
    ((33.4, 0.1), {"part"}, {"parts": 3}, "1/3 of L1", "thirds are counted from the start"),
    ((76.0, 0.2), {"step"}, {"step": 5.0}, "25 along L1 from end", "steps are counted from the nearer end"),
    ((24.0, 0.2), {"step"}, {"step": 5.0}, "25 along L1", "the same from the other end"),
    ((30.2, 0.1), {"foot", "nearest"}, {"last": Point(30, 44)}, "foot on L1", "the foot comes before the nearest place"),
    ((25.3, 0.2), {"nearest"}, {"pixel": 0.1}, "nearest to 25.3, 0.2 on L1", "anywhere, as round as a pixel"),
    ((78.2, 10.3), {"touch"}, {"last": Point(60, 60)}, "touch on C1 left", "the tangent from P1 has the circle on one side"),
    ((60.1, 200.1), {"onward"}, {"late": ("s9", "s10")}, "crossing of L5 L6", "where the last two lines would cross"),
    ((52.0, 200.1), {"past"}, {"passed": (Passed("end of L5", Point(40, 200), "s9"),)}, "12 past end of L5", "on from an end"),
    ((128.0, 30.3), {"past"}, {"passed": (Passed("end of A1", Point(150, 30), "s4"),)}, "22 past end of A1 straight", "on"),
    ((70.0, 60.1), {"level"}, {"passed": (Passed("P1", Point(60, 60)),)}, "70, P1.y", "level with a point"),
    ((60.1, 75.0), {"level"}, {"passed": (Passed("P1", Point(60, 60)),)}, "P1.x, 75", "plumb with it"),
    ((100.1, 60.1), {"sights", "level"},
     {"passed": (Passed("P1", Point(60, 60)), Passed("end of L1", Point(100, 0), "s1"))}, "(end of L1).x, P1.y",
     "x from here, y from there"),
    ((90.0, 90.2), {"turn"}, {"passed": (Passed("P1", Point(60, 60)),), "turn": 15.0}, "P1: 42.568 at 45", "at a direction step"),
    ((60.1, 30.1), {"sights", "beside"}, {"passed": (Passed("L1", None, "s1"), Passed("P1", Point(60, 60)))},
     "crossing of (square L1 through P1) C1 leaving", "square to a line that was passed over, on to a circle"),
    ((75.0, 60.0), {"beside"}, {"passed": (Passed("L1", None, "s1"), Passed("P1", Point(60, 60)))}, "P1: 15 at L1.dir",
     "parallel to it"),
    ((10.1, 44.1), {"sights", "level", "past"}, {"last": Point(10, 10), "passed": (Passed("P1", Point(60, 44)),)},
     "crossing of (plumb) (level P1)", "plumb with the last place, level with another"),
    # Both sight lines go through the spot: an angle at the rim is half of that at the centre (Euclid, Elements III.20).
    ((24.0, 15.0), {"sights", "turn"}, {"turn": 15.0, "passed": (
        Passed("on C1 at 120", Point(35, 675**0.5), "s3"), Passed("centre of C1", Point(50, 0), "s3"))},
     "crossing of (through centre of C1 direction 150) C1 leaving", "what was passed over last comes first"),
]  # fmt: skip


@pytest.mark.parametrize(("pointer", "kinds", "known", "words", "why"), MORE)
def test_what_is_seen_from_elsewhere(
    pointer: tuple[float, float], kinds: set[str], known: dict[str, object], words: str, why: str
) -> None:
    made = book(*DRAWING)
    renamed = {f"s{n}": id for n, id in enumerate(made.order)}
    for key in ("passed", "late"):
        if key == "passed" and key in known:
            known = {**known, key: tuple(Passed(p.words, p.at, renamed.get(p.step, "")) for p in known[key])}  # type: ignore[attr-defined]
        elif key in known:
            known = {**known, key: tuple(renamed[id] for id in known[key])}  # type: ignore[attr-defined]
    found = taken(made, *pointer, 2.0, on=frozenset(kinds), **known)
    assert found, why
    assert found[0].words == words, why


def test_a_sight_line_along_a_line_under_the_pointer_gives_way_to_it() -> None:
    made = book("L1 = line from 0, 0 to 100, 0")
    on = frozenset({"level", "beside", "nearest"})
    passed = (Passed("L1", None, made.order[0]),)
    found = taken(made, 40.2, 0.1, 2.0, on=on, pixel=0.1, last=Point(100, 0), passed=passed)
    assert [c.words for c in found] == ["nearest to 40.2, 0.1 on L1"]
    assert [c.kind for c in taken(made, 140.2, 0.1, 2.0, on=on, last=Point(100, 0))] == ["level"]


def test_every_kind_is_met_by_a_case() -> None:
    met = {c.kind for pointer, reach, _, _ in CASES for c in taken(book(*DRAWING), *pointer, reach)}
    assert met | {kind for _, kinds, _, _, _ in MORE for kind in kinds} == set(KINDS)


def statement_place(lines: tuple[str, ...], last: Point | None, words: str) -> Point:
    """Where a place lies that is written down in these words, after a last place."""
    before = [f"point {last.x!r}, {last.y!r}"] if last else []
    return figure(book(*lines, *before, f"Q_ = point {words}"), "Q_")


@settings(max_examples=120, deadline=None)
@given(
    st.integers(0, 10_000), st.floats(-10, 460), st.floats(-50, 70), st.floats(0.5, 8), st.sampled_from([0.0, 15.0, 40.0]),
    st.sampled_from([0.0, 5.0]),
)  # fmt: skip
def test_taken_places_lie_where_their_words_say(seed: int, x: float, y: float, reach: float, turn: float, step: float) -> None:
    made = book(*DRAWING)
    last = Point(20, 33) if seed % 2 else None
    passed = (Passed("P1", Point(60, 60)), Passed("end of A1", Point(150, 30), made.order[4]), Passed("L4", None, made.order[6]))
    on = frozenset(KINDS)
    found = take_at(made, Query(x, y, reach, 0.01, on, last, passed, 3, turn, step, late=made.order[:3]))
    for one in found:
        at = statement_place(DRAWING, last, one.words)
        assert hypot(at.x - one.at.x, at.y - one.at.y) < 1e-9, one
        assert hypot(one.at.x - x, one.at.y - y) <= reach
        for line in one.sights:
            assert abs((one.at.x - line.through.x) * line.uy - (one.at.y - line.through.y) * line.ux) < 1e-9, one


def test_the_list_is_the_same_on_a_turned_drawing() -> None:
    turn, (ox, oy) = 37.0, (500.0, -200.0)
    c, s = cos(radians(turn)), sin(radians(turn))

    def turned(x: float, y: float) -> tuple[float, float]:
        return ox + x * c - y * s, oy + x * s + y * c

    def pair(x: float, y: float) -> str:
        return "{!r}, {!r}".format(*turned(x, y))

    plain = book("L1 = line from 0, 0 to 100, 0", "L2 = line from 50, -40 to 55, 40", "C1 = circle centre 50, 0 radius 30")
    other = book(
        f"L1 = line from {pair(0, 0)} to {pair(100, 0)}", f"L2 = line from {pair(50, -40)} to {pair(55, 40)}",
        f"C1 = circle centre {pair(50, 0)} radius 30",
    )  # fmt: skip
    on = SPECIAL - {"quarter"}
    for x in range(-4, 104, 3):
        for y in range(-44, 45, 3):
            here = [c.words for c in taken(plain, x + 0.137, y + 0.291, 6.0, on)]
            assert here == [c.words for c in taken(other, *turned(x + 0.137, y + 0.291), 6.0, on)], (x, y)


def test_nothing_is_ever_hidden_for_good() -> None:
    # Whatever lies beside it: with the pointer right on a place and little else as near, that place comes first.
    made = book(*DRAWING)
    for id in made.order:
        for x, y in ((0.0, 0.0), (100.0, 0.0), (50.0, 40.0), (300.4, 30.0), (300.5, 10.0)):
            found = taken(made, x, y, 0.4)
            assert found, id
            assert hypot(found[0].at.x - x, found[0].at.y - y) < 0.11


def test_directions_are_those_that_the_drawing_counts() -> None:
    made = book("angles north clockwise", "C1 = circle centre 0, 0 radius 10")
    assert [c.words for c in taken(made, 10, 0, 1)] == ["on C1 at 90"]
    assert [c.words for c in taken(made, 0, 10, 1)] == ["on C1 at 0"]


def test_words_follow_a_change_of_the_angles() -> None:
    made = book("C1 = circle centre 0, 0 radius 10")
    assert [c.words for c in taken(made, 10, 0, 1)] == ["on C1 at 0"]
    edit, _ = intents.write(made, "angles north clockwise", "h")
    after, _ = made.edited(edit)
    assert [c.words for c in taken(after, 10, 0, 1)] == ["on C1 at 90"]
    assert [c.words for c in taken(made, 10, 0, 1)] == ["on C1 at 0"]


def test_a_place_follows_its_figures() -> None:
    # What was taken is stored, not where it was: x = sqrt(r² - y²) for a line at height y.
    for r in (30, 45):
        made = book(f"C1 = circle centre 0, 0 radius {r}", "L1 = line from -90, 12 to 90, 12", "point crossing of C1 L1 leaving")
        assert figure(made, "P1").x == pytest.approx(sqrt(r * r - 144), rel=1e-14)


# The index ------------------------------------------------------------------------------------------------


def slow_around(made: Book, x: float, y: float, reach: float) -> set[str]:
    """The figures within reach, looked at one by one."""
    from kentrograph.core.measure.closest import distance_between

    return {id for id in made.order if distance_between(Point(x, y), made.values[id].figure) <= reach}  # type: ignore[union-attr]


SIZES = st.sampled_from([1e-6, 1.0, 1e9])


@settings(max_examples=60, deadline=None)
@given(st.lists(st.tuples(st.sampled_from("plcaek"), *[st.integers(-9, 9)] * 4), min_size=1, max_size=12), SIZES, st.data())
def test_the_index_finds_all_that_is_near(shapes: list[tuple[str, int, int, int, int]], size: float, data: st.DataObject) -> None:
    made = book(*(text_of(shape, size) for shape in shapes))
    index = index_of(made)
    x, y = (data.draw(st.floats(-12, 12)) * size for _ in range(2))
    reach = data.draw(st.sampled_from([0.01, 0.7, 5.0])) * size
    assert slow_around(made, x, y, reach) <= set(index.around(x, y, reach))
    gone = data.draw(st.sampled_from(made.order))
    after, inverse = made.edited(Delete(gone))
    assert gone not in index_of(after).around(x, y, reach)
    back, _ = after.edited(inverse)
    assert slow_around(back, x, y, reach) <= set(index_of(back).around(x, y, reach))
    fresh = Index().of(back)
    assert set(fresh.around(x, y, reach)) == set(index_of(back).around(x, y, reach))


def text_of(shape: tuple[str, int, int, int, int], size: float) -> str:
    kind, a, b, c, d = shape
    x, y, u, v = (n * size for n in (a, b, c, d))
    far = hypot(u, v) or size
    match kind:
        case "p":
            return f"point {x!r}, {y!r}"
        case "l":
            return f"line from {x!r}, {y!r} to {x + u + size / 2!r}, {y + v!r}"
        case "c":
            return f"circle centre {x!r}, {y!r} radius {far!r}"
        case "a":
            return f"arc centre {x!r}, {y!r} radius {far!r} at {40 * c} sweep {35 * d or 200}"
        case "e":
            return f"ellipse centre {x!r}, {y!r} axes {far!r}, {far / 3!r} turned {10 * c}"
        case _:
            return f"rectangle from {x!r}, {y!r} to {x + far!r}, {y + far / 2!r}"
