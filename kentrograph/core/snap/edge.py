"""Which edge of an outline lies nearest to a place."""

from ..book.names import edge_name
from ..figures import Outline
from ..figures.outline import Piece
from ..measure.distance_to import distance_to


def edge_at(outline: Outline, name: str, x: float, y: float) -> tuple[Piece, str]:
    """The piece of an outline that runs nearest to (x, y), and the name by which it is used."""
    number = min(range(len(outline.pieces)), key=lambda n: distance_to(outline.pieces[n], x, y))
    return outline.pieces[number], edge_name(str(number + 1), name)
