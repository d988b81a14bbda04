"""A distance to a line that ends at its end says so, and has the square distance beside it. By hand, from right triangles."""

import pytest

from kentrograph.core.book.values import Reading, StepResult
from kentrograph.core.desk.views import reading_words

from .support import book

LINE = "L1 = line from 0, 0 to 40, 0"

CASES = [
    # Given, distance, square distance (None where the distance is the square one), and what the table says.
    ("60, 15 L1", 25.0, 15.0, "25.000 mm, to its end"),
    ("L1 60, 15", 25.0, 15.0, "25.000 mm, to its end"),
    ("-8, -15 L1", 17.0, 15.0, "17.000 mm, to its end"),
    ("60, 0 L1", 20.0, 0.0, "20.000 mm, to its end"),
    ("20, 15 L1", 15.0, None, "15.000 mm"),
    ("40, 15 L1", 15.0, None, "15.000 mm"),
    ("0, -3 L1", 3.0, None, "3.000 mm"),
    ("12, 0 L1", 0.0, None, "0.000 mm"),
]


@pytest.mark.parametrize(("of", "value", "square", "said"), CASES)
@pytest.mark.parametrize("moved", ["", "datum 1000, -2000 direction 30"])
def test_to_an_end_or_square(of: str, value: float, square: float | None, said: str, moved: str) -> None:
    made = book(*([moved] if moved else []), LINE, f"measure distance {of}")
    drawn = made.values[made.order[-1]]
    assert isinstance(drawn, StepResult)
    assert isinstance(drawn.figure, Reading)
    assert drawn.figure.value == pytest.approx(value, abs=1e-9)
    assert drawn.figure.parts.get("square") == (None if square is None else pytest.approx(square, abs=1e-9))
    assert reading_words(drawn.figure, made).value == said


def test_the_square_distance_is_a_number_like_any() -> None:
    made = book(LINE, "R1 = measure distance 60, 15 L1", "point R1.square, R1")
    drawn = made.values[made.order[-1]]
    assert isinstance(drawn, StepResult)
    assert drawn.figure == pytest.approx(drawn.figure)
    assert (drawn.figure.x, drawn.figure.y) == (15.0, 25.0)  # type: ignore[union-attr]
