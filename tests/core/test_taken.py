"""What keeps lettering clear finds every box that lies on another one, however large either is."""

from math import cos, radians, sin

from hypothesis import given
from hypothesis import strategies as st

from kentrograph.core.desk.intents import flag
from kentrograph.core.sheet.at_table import layout_at_table, scale_at_table
from kentrograph.core.sheet.tilted import Taken, Tilted

from .support import book

place = st.floats(-2e4, 2e4)
size = st.sampled_from((0.5, 3.0, 40.0, 900.0, 2e4))


@st.composite
def boxes(draw: st.DrawFn) -> Tilted:
    turn = radians(draw(st.sampled_from((0.0, 30.0, 90.0, 206.56))))
    return Tilted(draw(place), draw(place), cos(turn), sin(turn), draw(size), draw(st.sampled_from((0.5, 2.5))))


@given(st.lists(boxes(), max_size=12), boxes())
def test_a_box_is_free_where_it_meets_none_of_those_taken(taken: list[Tilted], box: Tilted) -> None:
    known, looked = Taken(), set[int]()
    known.add(taken)
    met = [one for one in taken if one.meets(box)]
    assert known.free([box], looked=looked) == (not met)
    assert {id(one) for one in met} <= {id(one) for one in known.among(box.bounds)}
    assert known.free([box], but={id(one) for one in met})
    # What lies in none of the cells that were looked at need not be looked at again.
    assert not (known.beside(looked) and met)


def test_what_is_said_of_hidden_figures_is_laid_out_as_large_as_they_are() -> None:
    """At one to one a dimension of a field would go through millions of cells."""
    made = book("unit m", "rectangle from 0, 0 size 400, 300", "L1 = pencil line from 0, 0 to 400, 300", "dimension L1")
    scale = scale_at_table(made)
    hidden = made.edited(flag(made, next(iter(made.order)), True, None)[0])[0]
    assert scale_at_table(hidden) == scale
    assert layout_at_table(hidden).laid
