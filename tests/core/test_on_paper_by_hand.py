"""What a checker looks for on a sheet: where values stand, what runs through what, what lies over what, and what is lost.

Rules of layout: ISO 129-1: 2018 and ISO 128-2 (*published*, from memory); the places by hand.
"""

from math import hypot
from random import Random
from typing import Any

import pytest

from kentrograph.core.angles import direction_of
from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Delete
from kentrograph.core.book.on_paper import Axes, Hatch, PointTable
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk.check_report import check_report
from kentrograph.core.desk.views import step_view
from kentrograph.core.figures import Arc, Line
from kentrograph.core.problem import Problem
from kentrograph.core.sheet.frame import Frame
from kentrograph.core.sheet.laid import readable
from kentrograph.core.sheet.marks import Lettering, Mark, Stroke
from kentrograph.core.sheet.of_book import laid_out
from kentrograph.core.sheet.page import page_of
from kentrograph.core.sheet.style import SMALL
from kentrograph.core.sheet.tilted import Tilted, of_lettering

from .support import book


def marks_of(*lines: str, scale: float = 1.0) -> list[Mark]:
    return laid_out(book(*lines), Frame(scale), SMALL).marks()


def words(marks: list[Mark]) -> dict[str, Lettering]:
    return {mark.words: mark for mark in marks if isinstance(mark, Lettering)}


def lines_of(marks: list[Mark]) -> list[Any]:
    return [mark.figure for mark in marks if isinstance(mark, Stroke)]


@pytest.mark.parametrize(("direction", "read"), [(0, 0), (90, 90), (92, 92), (95, 95), (120, 120), (121, -59), (-59, -59),
                                                 (-60, 120), (180, 0), (270, 90), (89.999999, 89.999999), (-88, 92)])  # fmt: skip
def test_what_leans_past_the_upright_is_read_upward(direction: float, read: float) -> None:
    assert readable(direction) == pytest.approx(read)


@pytest.mark.parametrize("degrees", [3, 8, 20, 45, 60, 90, 130, 178])
def test_the_value_of_an_angle_stands_at_its_arc(degrees: int) -> None:
    lines = ("L1 = line from 0, 0 to 60, 0", f"L2 = line from 0, 0 to + 60 at {degrees}")
    marks = marks_of(*lines, "dimension L1 L2")
    value = next(mark for mark in marks if isinstance(mark, Lettering))
    arc = next(figure for figure in lines_of(marks) if isinstance(figure, Arc))
    middle = of_lettering(value)
    # Over the line itself, and the line runs on under the whole of it.
    assert abs(hypot(middle.x, middle.y) - arc.radius) < 2.0 * SMALL.height
    reach = [(arc.from_direction + share * arc.sweep / 50) % 360 for share in range(51)]
    at = direction_of(middle.x, middle.y)
    assert min(abs((at - one + 180) % 360 - 180) for one in reach) < 2.0


@pytest.mark.parametrize("seed", range(60))
def test_the_value_of_a_narrow_part_stands_over_no_other_part(seed: int) -> None:
    """Property: of a chain each value stands within its own part, or outside of the chain."""
    dice = Random(seed)
    sizes = [dice.choice((2.0, 3.0, 4.0, 5.0, 23.0, 40.0)) for _ in range(dice.randint(2, 7))]
    at = [sum(sizes[:n]) for n in range(len(sizes) + 1)]
    way = dice.choice(("across", "up"))
    places = "; ".join(f"{x}, 0" if way == "across" else f"0, {x}" for x in at)
    drawn = f"K1 = rectangle from 0, 0 size {at[-1]}, {at[-1]}"
    layout = laid_out(book(drawn, f"dimension {way} {places} chain"), Frame(1.0), SMALL)
    (laid,) = layout.laid.values()
    values = [mark for mark in laid.marks if isinstance(mark, Lettering)]
    boxes = [of_lettering(mark) for mark in values]
    line = min(box.y if way == "across" else -box.x for box in boxes)

    def along(box: Tilted) -> tuple[float, float]:
        middle = box.x if way == "across" else box.y
        return middle - box.along, middle + box.along

    assert sorted(float(mark.words) for mark in values) == sorted(sizes)
    on_line = [(mark, along(box)) for mark, box in zip(values, boxes, strict=True) if _stands_on_line(laid.marks, box, way)]
    for mark, (low, high) in on_line:
        inside = [size for size, a, b in zip(sizes, at, at[1:], strict=False) if low < b and a < high]
        assert inside in ([], [float(mark.words)]), (sizes, mark.words, line)
    assert not any(a.meets(b) for n, a in enumerate(boxes) for b in boxes[:n])


def _stands_on_line(marks: tuple[Mark, ...], box: Tilted, way: str) -> bool:
    """Whether a value stands over the dimension line of its chain, and not on a shoulder of its own."""
    level = max((m.figure for m in marks if isinstance(m, Stroke) and isinstance(m.figure, Line) and not m.gives_way
                 and _runs(m.figure, way)), key=lambda line: line.length)  # fmt: skip
    own = level.start.y if way == "across" else level.start.x
    return abs((box.y if way == "across" else box.x) - own) < 1.6 * SMALL.height


def _runs(line: Line, way: str) -> bool:
    return abs(line.start.y - line.end.y if way == "across" else line.start.x - line.end.x) < 1e-9


def test_a_line_that_leads_to_a_dimension_leaves_values_free() -> None:
    lines = ("K1 = rectangle from 0, 0 size 60, 40", "dimension across corner 1 of K1; corner 2 of K1",
             "dimension across 30, 0; corner 2 of K1", "dimension across 20, 0; 31, 0")  # fmt: skip
    layout = laid_out(book(*lines), Frame(1.0), SMALL)
    boxes = [box for laid in layout.laid.values() for box in laid.words]
    for mark in layout.marks():
        if isinstance(mark, Stroke) and mark.gives_way and isinstance(mark.figure, Line):
            a, b = mark.figure.start, mark.figure.end
            assert not any(box.off(at) == 0.0 for box in boxes for t in range(1, 100) for at in [_between(a, b, t / 100)])


def _between(a: Any, b: Any, t: float) -> Any:
    return type(a)(a.x + t * (b.x - a.x), a.y + t * (b.y - a.y))


@pytest.mark.parametrize("names", ["C1", "S1", "C1 S1", "S1 C1"])
def test_every_rim_has_both_its_axes(names: str) -> None:
    """A circle about which others lie has two of its own; those on the circle have a radial one, which crosses that circle."""
    drawn = ("C1 = circle centre 0, 0 radius 5", "C2 = circle centre 20, 0 radius 2", "S1 = repeat C2 4 times about C1")
    lines = [figure for figure in lines_of(marks_of(*drawn, f"axes {names}")) if isinstance(figure, Line)]
    assert len(lines) == ("C1" in names) * 2 + ("S1" in names) * 4
    if "C1" in names:
        centred = [line for line in lines if abs(line.start.x + line.end.x) < 1e-9 and abs(line.start.y + line.end.y) < 1e-9]
        assert {abs(line.start.x - line.end.x) < 1e-9 for line in centred} == {True, False}


PLATE = ("K1 = rectangle from 0, 0 size 100, 60",)


@pytest.mark.parametrize(
    ("lines", "said"),
    [
        (("sheet a4", "view at 250, 150 scale 1:1"), ["V1 reaches past the frame of the sheet"]),
        (("sheet a3", "view at 330, 40 scale 1:1"), ["V1 lies over the title block"]),
        (("sheet a3", "view K1 at 120, 150 scale 1:1", "view K1 at 150, 170 scale 1:1"), ["V2 lies over V1"]),
        (("sheet a3", "view K1 at 120, 150 scale 1:1", "view K1 at 260, 150 scale 1:1"), []),
        (("sheet a3", "view at 120, 150 scale 1:1", "table K1 at 100, 180"), ["V1 lies over T1"]),
    ],
)  # fmt: skip
def test_what_lies_where_it_cannot_be_read_is_said(lines: tuple[str, ...], said: list[str]) -> None:
    assert list(page_of(book(*PLATE, *lines)).missing) == said


@pytest.mark.parametrize("text", ["view at 5000, 5000", "view at 10, -4", "table K1 at 3000, 10"])
def test_what_lies_off_any_paper_is_refused(text: str) -> None:
    made = book(*PLATE, "sheet a3", text)
    problem = made.values[made.order[-1]]
    assert isinstance(problem, Problem)
    assert problem.kind == "off_paper"
    assert text[problem.start : problem.end].startswith("at")


HOLES = (
    *(f"C{n} = circle centre {20 * n}, 20 radius 4" for n in (1, 2, 3, 4)), "K1 = rectangle from 0, 0 size 100, 60",
    "axes C1 C2 C3 C4", "hatch K1 less C1 C2 C3 C4", "table C1 C2; centre of C3; C4",
)  # fmt: skip


def test_what_loses_a_member_goes_on_with_the_others_and_says_so() -> None:
    made = book(*HOLES)
    axes, hatch, table = made.order[-3:]
    without, inverse = made.edited(Delete(made.order[1]))
    counts = {}
    for after in (made, without):
        a, h, t = (_held(after, id).figure for id in (axes, hatch, table))
        assert isinstance(a, Axes)
        assert isinstance(h, Hatch)
        assert isinstance(t, PointTable)
        counts[after.stamp] = len(a.rims), len(h.faces[0].holes), len(t.places)
    assert list(counts.values()) == [(4, 4, 4), (3, 3, 3)]
    assert [_held(without, id).note for id in (axes, hatch, table)] == ["without C2"] * 3
    assert [one.why for one in check_report(without).waiting] == ["without C2"] * 3
    assert step_view(without, axes).note == "without C2"
    assert len(page_of(without).missing) == 3
    assert without.evaluated_anew().values == without.values
    assert without.edited(inverse)[0].values == made.values
    # Where all are gone it waits, and one that waits counts as gone.
    for id in made.order[:4]:
        made = made.edited(Delete(id))[0]
    assert [isinstance(made.values[id], Problem) for id in (axes, hatch, table)] == [True, False, True]


def _held(made: Book, id: str) -> StepResult:
    value = made.values[id]
    assert isinstance(value, StepResult)
    return value
