"""Outlines: pieces that meet end to end."""

from dataclasses import dataclass
from math import fsum

from ..problem import refusal
from .arc import Arc
from .ellipse import Ellipse
from .line import Line
from .point import Point

Piece = Line | Arc | Ellipse


@dataclass(frozen=True, slots=True)
class Outline:
    """Lines, arcs and parts of ellipses, each beginning where the one before it ends.

    It is closed when the last ends where the first began.
    """

    pieces: tuple[Piece, ...]
    closed: bool

    def __post_init__(self) -> None:
        if not self.pieces:
            raise refusal("no_pieces")

    @property
    def start(self) -> Point:
        """Where the first piece begins."""
        return self.pieces[0].start

    @property
    def end(self) -> Point:
        """Where the last piece ends."""
        return self.pieces[-1].end

    @property
    def corners(self) -> tuple[Point, ...]:
        """Where its pieces begin, in order, and where the last one ends if it is open."""
        begins = tuple(piece.start for piece in self.pieces)
        return begins if self.closed else (*begins, self.end)

    @property
    def length(self) -> float:
        """Length of all pieces together, in the drawing's unit."""
        return fsum(piece.length for piece in self.pieces)
