"""What the shelf shows of drawings with more figures than a picture the size of a thumb can hold."""

from hypothesis import given
from hypothesis import strategies as st

from kentrograph.core.language.script import book_of, read_script
from kentrograph.store.pictures import MOST_FIGURES, picture_of, telling

SIZES = st.lists(st.floats(0, 1e6), max_size=80)


@given(SIZES, st.integers(1, 40))
def test_as_many_are_shown_as_there_is_room_for_each_once_and_in_order(sizes: list[float], most: int) -> None:
    shown = list(telling(sizes, most))
    assert len(shown) == min(len(sizes), most)
    assert shown == sorted(set(shown))
    assert all(0 <= n < len(sizes) for n in shown)


@given(SIZES, st.integers(1, 40))
def test_the_largest_half_is_among_them(sizes: list[float], most: int) -> None:
    shown = {*telling(sizes, most)}
    left_out = [size for n, size in enumerate(sizes) if n not in shown]
    larger = sorted((sizes[n] for n in shown), reverse=True)[: most // 2]
    assert not left_out or not larger or min(larger) >= max(left_out)


def test_a_large_drawing_is_shown_all_over_with_its_outline() -> None:
    """A thousand rows of three points, and the rim around them, which comes last."""
    rows = [f"point {x}, {y}" for y in range(1000) for x in (1, 2, 3)]
    script = read_script("\n".join([*rows, "circle centre 2, 500 radius 600"]))
    found = picture_of(book_of(script))
    assert found["box"] == [-598, -100, 602, 1100]
    figures = found["figures"]
    assert len(figures) == MOST_FIGURES
    heights = [figure["at"][1] for figure in figures if figure["kind"] == "point"]
    assert len(heights) == len(figures) - 1
    assert {int(y // 100) for y in heights} == set(range(10))
