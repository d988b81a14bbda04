"""Pieces of outlines by their numbers: used like figures of their own, wherever a figure is named."""

from typing import Any

from ..figures import Arc, Ellipse, Outline
from ..figures.outline import Piece
from ..problem import refuse


def piece_of(figure: Any, number: int, name: str) -> Piece:
    """A piece of an outline, counted from 1 as it runs. Raises `Refused` (no_such_edge) where there is none."""
    pieces = figure.pieces if isinstance(figure, Outline) else ()
    if not 0 < number <= len(pieces):
        raise refuse("no_such_edge", name=name, count=len(pieces))
    return pieces[number - 1]


def piece_or_none(figure: Any, number: int) -> Piece | None:
    """The same, or None where there is none."""
    return figure.pieces[number - 1] if isinstance(figure, Outline) and 0 < number <= len(figure.pieces) else None


def kind_of_piece(figure: Any, number: int) -> str:
    """What kind of figure a piece is; a line as long as that is not known, since most are."""
    piece = piece_or_none(figure, number)
    return "arc" if isinstance(piece, Arc) else "ellipse" if isinstance(piece, Ellipse) else "line"
