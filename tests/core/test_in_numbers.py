"""Figures written as numbers read back as the same figures: property, over the one list of figures of every kind."""

from typing import Any

import pytest

from kentrograph.core.desk.clipboard import copied, made_symbol, pasted
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.figures import Ellipse, Point
from kentrograph.core.figures.similarity import dilation, rotation, shift, transformed
from kentrograph.core.language.in_numbers import statements_of
from kentrograph.core.language.script import write_script
from kentrograph.core.measure.closest import distance_between
from kentrograph.core.problem import Refused

from .support import book
from .test_all_figures import FIGURES

ORIGIN = Point(0.0, 0.0)


@pytest.mark.parametrize("name", sorted(FIGURES))
@pytest.mark.parametrize("away", [0.0, 1234.56789])
def test_figures_read_back(name: str, away: float) -> None:
    figure: Any = transformed(FIGURES[name], shift(away, -away))
    lines = list(statements_of(figure))
    again = book(*lines)
    found = [again.figure_of(id) for id in again.order]
    assert found
    if len(found) == 1:
        assert type(found[0]) is type(figure)
        assert distance_between(found[0], figure) == pytest.approx(0.0, abs=1e-9)
        for word in ("start", "end", "centre", "radius", "sweep", "length", "closed", "a", "b"):
            if hasattr(figure, word):
                one, other = getattr(found[0], word), getattr(figure, word)
                if isinstance(one, Point):
                    one, other = (one.x, one.y), (other.x, other.y)
                if isinstance(figure, Ellipse) and figure.sweep < 0.0 and word in ("start", "end", "sweep"):
                    # A part of an ellipse is said counter-clockwise: the same part, the other way round.
                    continue
                assert one == pytest.approx(other, rel=1e-11, abs=1e-9), word


DRAWING = (
    "L1 = line from 10, 10 to 50, 10",
    "pencil C1 = circle centre end of L1 radius 7",
    "A1 = arc touching L1 C1 radius 4",
    "K1 = path from 0, 0 to 20, 0 curve to 20, 12 curve radius 15 left to 0, 12 close",
    "trim C1 from crossing of C1 L1 to on C1 at 90",
)


@pytest.mark.parametrize(("header", "target"), [((), ()), (("unit in",), ("unit mm",)), ((), ("datum 100, 50 direction 30",))])
def test_what_is_copied_is_put_down_as_it_was(header: tuple[str, ...], target: tuple[str, ...]) -> None:
    """Between drawings in other units and with another datum: each figure lies about the place as it lay about the first."""
    made = book(*header, *DRAWING[:2], *DRAWING[3:])
    ids = [one for id in made.order for one, _, _ in made.figures_of(id) if one != made.order[1]]
    # The pointer is on the start of L1: it is carried by that.
    text, carried_by = copied(made, ids, Pointer(10.0, 10.0, 0.5, 0.1))
    assert carried_by == "start of L1"
    other = book(*target, "point 3, 3")
    after, _ = other.edited(pasted(other, text, Point(200.0, 300.0), "p")[0])
    scale = 25.4 if header else 1.0
    turn = other.header.manner.datum.turn
    found = [after.figure_of(id) for id in after.order if id.startswith("p")]
    assert len(found) == len(ids)
    by = lambda figure: transformed(
        transformed(transformed(transformed(figure, shift(-10.0, -10.0)), dilation(ORIGIN, scale)), rotation(ORIGIN, turn)),
        shift(200.0, 300.0),
    )
    for one, id in zip(found, ids, strict=True):
        wanted = by(made.figure_of(id))
        assert type(one) is type(wanted)
        assert one.length == pytest.approx(wanted.length, rel=1e-12)
        assert (one.start.x, one.start.y) == pytest.approx((wanted.start.x, wanted.start.y), abs=1e-9)
        assert (one.end.x, one.end.y) == pytest.approx((wanted.end.x, wanted.end.y), abs=1e-9)
    assert after.evaluated_anew().values == after.values


def test_a_symbol_is_made_of_what_is_selected() -> None:
    made = book(*DRAWING)
    ids = [id for id in made.order if made.steps[id].name in ("L1", "K1")]
    after, _ = made.edited(made_symbol(made, "bracket", ids, Point(10.0, 10.0), "s")[0])
    placed = book(*write_script(after).splitlines(), "S1 = place bracket at 100, 100 turned 90")
    figure = placed.figure_of(placed.order[-1])
    line = figure.members[0]
    assert (line.start.x, line.start.y, line.end.x, line.end.y) == pytest.approx((100, 100, 100, 140), abs=1e-12)


@pytest.mark.parametrize("text", ["", "unit mm\n", "# only a remark\n", "line from 0,0\n", "a = 5\n"])
def test_what_draws_nothing_is_refused(text: str) -> None:
    made = book("point 0, 0")
    with pytest.raises(Refused):
        pasted(made, text, Point(0.0, 0.0), "p")


def test_away_from_it_a_copy_is_carried_by_its_lower_left_corner() -> None:
    made = book("circle centre 30, 20 radius 8", "line from 0, 5 to 60, 5")
    text, carried_by = copied(made, made.order[:2], Pointer(200.0, 90.0, 1.0, 0.1))
    assert carried_by == "the lower left corner"
    assert text.splitlines()[1:] == ["circle centre 30, 15 radius 8", "line from 0, 0 to 60, 0"]
    # On the figure, and at no place of it, it is not carried by whatever is nearest to the pointer there.
    assert copied(made, made.order[:1], Pointer(35.7, 25.7, 1.0, 0.1))[1] == "the lower left corner"
