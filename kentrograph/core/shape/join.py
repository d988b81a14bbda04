"""Pieces joined to one outline, named in any order and run in any sense."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import hypot

from ..budget import watch
from ..construct.outlines import chained, reversed_piece
from ..figures import Arc, Ellipse, Line, Outline, Point
from ..figures.outline import Piece
from ..figures.similarity import Similarity, transformed
from ..problem import refusal
from ..tolerance import TOLERANCE


@dataclass(frozen=True, slots=True)
class _Link:
    """A figure that is joined, as it runs in the chain."""

    number: int
    pieces: tuple[Piece, ...]

    @property
    def start(self) -> Point:
        return self.pieces[0].start

    @property
    def end(self) -> Point:
        return self.pieces[-1].end

    def turned(self) -> "_Link":
        return _Link(self.number, tuple(reversed_piece(piece) for piece in reversed(self.pieces)))


def joined(figures: Sequence[Piece | Outline], names: Sequence[str], within: float = 0.0) -> tuple[Outline, list[str]]:
    """One outline of pieces that meet end to end, and what was moved to make them meet, in words.

    They are taken up in the order in which they are named where that meets, else whichever meets. The outline runs from the
    first toward the second where these two meet, else as the first runs; a closed one begins with the first. Gaps up to
    ``within`` are closed by moving the end of a line, or drawing an arc out to the other end. Raises `Refused` (not_joined)
    with the smallest gap that is left and the two names.
    """
    links = [_Link(n, f.pieces if isinstance(f, Outline) else (f,)) for n, f in enumerate(figures)]
    slack = max(within, slack_of(max(p.length for link in links for p in link.pieces), _away(links)))
    chain = [links[0]]
    rest = links[1:]
    if rest and not _meets(chain[0].end, rest[0], slack) and _meets(chain[0].start, rest[0], slack):
        chain = [chain[0].turned()]
    while rest:
        at_tail = _next(chain[-1].end, rest, slack, True)
        found = at_tail or _next(chain[0].start, rest, slack, False)
        if found is None:
            raise _parted(chain, rest, names)
        rest = [link for link in rest if link.number != found.number]
        chain = [*chain, found] if at_tail else [found, *chain]
    first = next(n for n, link in enumerate(chain) if link.number == 0)
    if first and hypot(chain[0].start.x - chain[-1].end.x, chain[0].start.y - chain[-1].end.y) <= slack:
        chain = chain[first:] + chain[:first]
    moved: list[str] = []
    if within > 0.0:
        chain = _closed_up(chain, names, slack, moved)
    return chained([piece for link in chain for piece in link.pieces], False), moved


def slack_of(longest: float, away: float) -> float:
    """How far the ends of pieces may miss each other and still meet, the longest of which is so long."""
    return 10.0 * TOLERANCE.length(longest, away)


def _away(links: Sequence[_Link]) -> float:
    return max(max(abs(at.x), abs(at.y)) for link in links for at in (link.start, link.end))


def _gap(a: Point, b: Point) -> float:
    return hypot(a.x - b.x, a.y - b.y)


def _meets(at: Point, link: _Link, slack: float) -> bool:
    return _gap(at, link.start) <= slack or _gap(at, link.end) <= slack


def _next(at: Point, rest: Sequence[_Link], slack: float, tail: bool) -> _Link | None:
    """The first of the rest that goes on from an end of the chain, turned so that it runs on."""
    watch()
    for link in rest:
        begins, ends = _gap(at, link.start) <= slack, _gap(at, link.end) <= slack
        if begins or ends:
            # Where both ends are there, it runs as it does.
            return link if (begins if tail else ends) else link.turned()
    return None


def _parted(chain: Sequence[_Link], rest: Sequence[_Link], names: Sequence[str]) -> Exception:
    gaps = [
        (_gap(tip, end), held.number, link.number)
        for tip, held in ((chain[-1].end, chain[-1]), (chain[0].start, chain[0]))
        for link in rest
        for end in (link.start, link.end)
    ]
    gap, one, other = min(gaps)
    return refusal("not_joined", first=names[one], second=names[other], gap=gap)


def _closed_up(chain: list[_Link], names: Sequence[str], slack: float, moved: list[str]) -> list[_Link]:
    """The chain with every gap closed, the last one to the first where it comes back."""
    made = list(chain)
    for n in range(len(made)):
        following = (n + 1) % len(made)
        if len(made) < 2 or not 0.0 < _gap(made[n].end, made[following].start) <= slack:
            continue
        one, other = made[n], made[following]
        gap = _gap(one.end, other.start)
        # An end of a line is moved rather than that of an arc; of two alike the one that comes later.
        if isinstance(one.pieces[-1], Line) and not isinstance(other.pieces[0], Line):
            made[n] = _Link(one.number, (*one.pieces[:-1], _drawn_to(one.pieces[-1], one.pieces[-1].start, other.start)))
            moved.append(f"an end of {names[one.number]} moved by {gap:.3g}")
        else:
            made[following] = _Link(other.number, (_drawn_to(other.pieces[0], one.end, other.pieces[0].end), *other.pieces[1:]))
            moved.append(f"an end of {names[other.number]} moved by {gap:.3g}")
    return made


def _drawn_to(piece: Piece, start: Point, end: Point) -> Piece:
    """A piece with its ends elsewhere: an arc keeps its sweep, a part of an ellipse its shape.

    Raises `Refused` (zero_length) where the new ends are one.
    """
    if isinstance(piece, Line):
        return Line(start, end)
    ax, ay = piece.end.x - piece.start.x, piece.end.y - piece.start.y
    bx, by = end.x - start.x, end.y - start.y
    square = ax * ax + ay * ay
    if square == 0.0 or (bx, by) == (0.0, 0.0):
        raise refusal("zero_length", x=start.x, y=start.y)
    mx, my = (ax * bx + ay * by) / square, (ax * by - ay * bx) / square
    tx, ty = start.x - (mx * piece.start.x - my * piece.start.y), start.y - (my * piece.start.x + mx * piece.start.y)
    made = transformed(piece, Similarity(mx, my, tx, ty, False, hypot(mx, my)))
    assert isinstance(made, Arc | Ellipse)
    return Arc(made.centre, made.radius, start, end, made.sweep) if isinstance(made, Arc) else made
