"""Numbers typed in a field beside the open line: read as on the open line, in the drawing's manner."""

import pytest

from kentrograph.core.desk.fields import Field, length_of, numbers_of
from kentrograph.core.problem import Refused

from .support import book

# The headers, the field, what is typed, what it means and where that comes from.
READ: list[tuple[tuple[str, ...], Field, str, list[float], str]] = [
    ((), "length", "12.5", [12.5], "as it stands"),
    ((), "length", "1/8in", [3.175], "an eighth of 25.4"),
    (("unit in",), "length", "1/16", [0.0625], "in the drawing's unit"),
    (("unit in",), "length", "2'-3\"", [27], "feet and inches"),
    ((), "length", "140 - 16", [124], "a sum"),
    ((), "length", "P1.x / 2", [1.5], "from the drawing"),
    ((), "length", "0", [0], "none"),
    ((), "turn", "45/2", [22.5], "a share of the circle"),
    ((), "directions", "22.5, 67.5", [22.5, 67.5], "a list"),
    ((), "directions", "N 45 E; 12:30", [45, 12.5], "a bearing, degrees and minutes"),
    (("angles north clockwise",), "directions", "N 30 E, az 100, 7", [30, 100, 7], "as the drawing counts them"),
    (("datum 0, 0 direction 20",), "directions", "az 90", [340], "counted from the datum's direction"),
    ((), "directions", " ", [], "no list"),
]


@pytest.mark.parametrize(("headers", "field", "typed", "means", "why"), READ)
def test_what_is_typed_in_a_field(headers: tuple[str, ...], field: Field, typed: str, means: list[float], why: str) -> None:
    assert numbers_of(book(*headers, "P1 = point 3, 4"), field, typed) == pytest.approx(means, abs=1e-9), why


REFUSED: list[tuple[Field, str, str]] = [
    ("length", "-4", "bad_step"), ("length", "1e13", "bad_step"), ("turn", "181", "bad_step"), ("length", "abc", "unknown_name"),
    ("length", "", "unread_number"), ("length", "5, 6", "unread_number"), ("directions", "30, nowhere", "unknown_name"),
    ("directions", "30, 400x", "unread_direction"), ("turn", "N 45 E", "unread_number"),
]  # fmt: skip


@pytest.mark.parametrize(("field", "typed", "kind"), REFUSED)
def test_what_will_not_do_is_refused(field: Field, typed: str, kind: str) -> None:
    with pytest.raises(Refused) as refused:
        numbers_of(book("P1 = point 3, 4"), field, typed)
    assert refused.value.problem.kind == kind


def test_a_distance_on_a_picture_is_more_than_nothing() -> None:
    assert length_of(book(), "5ft") == pytest.approx(1524)
    with pytest.raises(Refused) as refused:
        length_of(book(), "0")
    assert refused.value.problem.kind == "bad_length"
