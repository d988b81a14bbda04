"""Two states of a drawing in one picture: what stays thin, what came and went each in a colour and a stroke of its own."""

from collections.abc import Sequence

from ..core.book.book import Book
from ..core.book.scene import all_seen
from ..core.desk.comparing import Difference
from ..core.figures import Circle, EndlessLine, Figure, Point
from ..core.figures.box import box_around
from .svg import Styled, picture

_INK, _CAME, _WENT = "#A6A9AC", "#1D7668", "#B2442B"
_DOT, _LINE, _MARGIN, _PIXELS = 0.006, 0.003, 0.04, 900.0
"""Of the size of what is seen."""
_MOST = 6_000


def comparison(before: Book, after: Book, differences: Sequence[Difference]) -> str:
    """The picture (SVG); nothing where neither state shows anything."""
    differ = {one.id for one in differences if one.what != "moved"}
    olds = [figure for id, figure in all_seen(before) if before.step_of(id) in differ]
    news = [figure for id, figure in all_seen(after) if after.step_of(id) in differ]
    stays = [figure for id, figure in all_seen(after) if after.step_of(id) not in differ]
    return _drawn(stays[:_MOST], olds[:_MOST], news[:_MOST])


def state_picture(book: Book) -> str:
    """A state alone, in ink."""
    return _drawn([figure for _, figure in all_seen(book)][:_MOST], [], [], "#1B2A49")


def _drawn(stays: Sequence[Figure], olds: Sequence[Figure], news: Sequence[Figure], ink: str = _INK) -> str:
    bounded = [figure for figure in (*stays, *olds, *news) if not isinstance(figure, EndlessLine)]
    if not bounded:
        return ""
    box = box_around(bounded)
    size = max(box[2] - box[0], box[3] - box[1]) or 1.0
    width = _LINE * size
    styled = [Styled(_seen(one, size), ink, 0.6 * width) for one in stays]
    styled += [Styled(_seen(one, size), _WENT, width, dashed=True) for one in olds]
    styled += [Styled(_seen(one, size), _CAME, width) for one in news]
    return picture(styled, _MARGIN * size, _PIXELS / size, box)


def _seen(figure: Figure, size: float) -> Figure:
    """A point is a small ring: as large as it can be seen, whatever the unit."""
    return Circle(figure, size * _DOT) if isinstance(figure, Point) else figure
