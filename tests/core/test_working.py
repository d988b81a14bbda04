"""Show working: the loci that a person would draw, and the sums beside them."""

from math import hypot
from typing import Any

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.values import StepResult
from kentrograph.core.desk.show_working import working_of
from kentrograph.core.figures import Circle, EndlessLine, Line, Point
from kentrograph.core.intersect.supporting_curves import way_of
from tools.examples import DRAWING, EXAMPLES

from .support import book
from .test_touching_values import GROUND


def loci(text: str) -> list[tuple[object, str]]:
    return loci_of(book(*GROUND, text))


def loci_of(made: Book) -> list[tuple[Any, str]]:
    working = working_of(made, made.order[-1])
    assert working is not None
    return list(working.loci)


@pytest.mark.parametrize(
    "text",
    [
        "circle touching C1 enclosing C2 outside radius 60", "circle touching C1 inside C3 outside radius 5",
        "circle touching L1 C1 radius 6",
        "circle through P1 P2 radius 40", "circle through P1 P2; 30, 40", "circle touching L1 L2 through P2",
        "fillet L1 C1 radius 6", "point 20 from P1; 30 from P2", "point 9 from L1 left; 30 from P2",
        "arc from P1 via 30, 40 to P2", "arc from P1 to P2 radius 90 left", "arc from P1 to P2 rise 9 left",
        "arc from P1 to P2 sweep 70", "arc continuing L1 to P2", "arc continuing L1 radius 9 sweep 30",
        "arc from P1 direction 20 to P2", "arc from P1 direction 20 radius 9 sweep 30", "circle across P1 P2",
        "circle through P1 P2 centre on L1", "point on L1 on C1 leaving", "point crossing of L1 C1 leaving",
        "circle touching L1 at middle of L1 radius 6 left",
    ],
)  # fmt: skip
def test_the_centre_lies_on_every_locus(text: str) -> None:
    """By the distance of the centre (or the point) from each locus that is drawn."""
    made = book(*GROUND, text)
    value = made.values[made.order[-1]]
    assert isinstance(value, StepResult)
    at = value.figure if isinstance(value.figure, Point) else value.figure.centre  # type: ignore[union-attr]
    working = working_of(made, made.order[-1])
    assert working is not None
    assert working.loci
    for figure, words in working.loci:
        if isinstance(figure, Circle):
            missed = abs(hypot(figure.centre.x - at.x, figure.centre.y - at.y) - figure.radius)
        else:
            assert isinstance(figure, Line | EndlessLine)
            missed = abs(way_of(figure).off(at.x, at.y))
        assert missed < 1e-12 * 100, words


def test_the_reduced_problem_touches_what_it_says() -> None:
    """Apollonius by shrinking: the wanted circle, changed by the smallest radius, touches the others changed as much."""
    found = loci("circle touching C1 outside C2 outside L1 left")
    wanted = next(f for f, w in found if w.startswith("the wanted"))
    assert isinstance(wanted, Circle)
    for figure, words in found:
        if words.startswith("C1"):
            assert isinstance(figure, Circle)
            d = hypot(figure.centre.x - wanted.centre.x, figure.centre.y - wanted.centre.y)
            assert d == pytest.approx(figure.radius + wanted.radius, rel=1e-12)
        if words.startswith("L1"):
            assert isinstance(figure, EndlessLine | Line)
            off = (wanted.centre.y - figure.through.y) * figure.ux - (wanted.centre.x - figure.through.x) * figure.uy  # type: ignore[union-attr]
            assert off == pytest.approx(wanted.radius, rel=1e-12)


def test_sums_are_said_in_numbers() -> None:
    made = book(*GROUND, "circle touching C1 enclosing C2 outside radius 48")
    working = working_of(made, made.order[-1])
    assert working is not None
    assert "C1, enclosed: R - r = 48 - 20 = 28 from its centre." in working.sums
    assert "C2, touched from outside: R + r = 48 + 14 = 62 from its centre." in working.sums


# The step, and a sum that is said; worked out by hand.
SUMS = [
    ("arc from 0, 0 to 60, 0 rise 12 left", "R = (c² + h²) / 2h = (30² + 12²) / 24 = 43.5, c half the chord."),
    ("arc from 0, 0 to 60, 0 sweep -60", "R = half the chord / sin of half the sweep = 30 / sin 30° = 60."),
    ("circle across 0, 0; 30, 40", "R is half of their distance: 50 / 2 = 25."),
    ("circle centre 0, 0 through 30, 40", "R = 50, the distance of 30, 40 from the centre."),
    ("line parallel L1 distance 15 left", 
     "Every place on it lies 15 from L1: it touches circles of that radius about places of L1."),
    ("point foot of 0, 30 on D1", "The foot lies 24 from there, by the shortest way to D1."),
    ("point crossing of D2 D3 left",
     "Along the line of centres, 50: (d² + r₁² - r₂²) / 2d = 18 from the centre of D2, and 24 to the side."),
    ("point crossing of D1 D4 entering", "The line passes 15 from the centre; half the chord is √(25² - 15²) = 20."),
    ("point crossing of D1 D5", "The lines cross at 53.13°."),
    ("line touching D2 parallel D1 left", "The radius to the touching place is square to the line: 30 from the centre of D2."),
]  # fmt: skip


@pytest.mark.parametrize(("text", "said"), SUMS)
def test_each_sum(text: str, said: str) -> None:
    made = book(
        "L1 = line from 0, 0 to 50, 0", "D1 = line from 0, 0 to 40, 30", "D2 = circle centre 0, 0 radius 30",
        "D3 = circle centre 50, 0 radius 40", "D4 = circle centre 25, 0 radius 25", "D5 = line from 90, 0 to 90, 10", text,
    )  # fmt: skip
    working = working_of(made, made.order[-1])
    assert working is not None
    assert said in working.sums


@pytest.mark.parametrize("statement", [text for examples in EXAMPLES.values() for text, _ in examples])
def test_working_can_be_asked_of_everything(statement: str) -> None:
    """It is shown in words, or it is found without compasses; where loci are drawn, something is said of them."""
    made = book(*DRAWING, statement)
    working = working_of(made, made.order[-1])
    if working is not None and working.loci:
        assert working.sums
        assert all(words for _, words in working.loci)


def test_arc_going_on_and_touching_is_as_far_from_both() -> None:
    """The place r behind the end and the centre touched are equally far from the wanted centre: the line between halves them."""
    for sign, text in ((1, "arc continuing L1 touching C1 outside"), (-1, "arc continuing L1 touching C1 enclosing")):
        made = book("L1 = line from -30, 0 to 0, 0", "C1 = circle centre 20, 50 radius 6", text)
        value = made.values[made.order[-1]]
        assert isinstance(value, StepResult)
        arc: Any = value.figure
        behind, halving = (figure for figure, _ in loci_of(made)[1:])
        d = hypot(arc.centre.x - behind.x, arc.centre.y - behind.y)
        assert d == pytest.approx(arc.radius + sign * 6)
        assert d == pytest.approx(hypot(arc.centre.x - 20, arc.centre.y - 50))
        assert abs((arc.centre.y - halving.through.y) * halving.ux - (arc.centre.x - halving.through.x) * halving.uy) < 1e-12
