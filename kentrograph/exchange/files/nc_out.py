"""Tool paths as ISO 6983: the middle of a round tool, beside outlines or on them.

Words used: G00 and G01 (rapid, straight), G02 and G03 (clockwise, counter-clockwise, I and J from the start of the arc), G17
(plane), G70 and G71 (inch, mm), G90 (absolute), F (feed), M02 (end). Source, published: ISO 6983-1, from memory; comments in
parentheses.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from ...core.figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point
from ...core.figures.box import box_of
from ...core.figures.outline import Piece
from ...core.measure.inside import is_inside
from ...core.problem import Refused, refusal
from ...core.shape.offset import offset
from ...core.units import convert
from .found import Progress
from .items import Item
from .numbers import number_writer

SIDES = ("part", "on", "left", "right", "outside", "inside")
"""``part``: what lies within another outline is cut inside, and before that; what lies in none outside."""


@dataclass(frozen=True, slots=True)
class Tool:
    """A round tool: its diameter in the drawing's unit, the side of the outlines on which it runs, the feed in mm or inch a
    minute; ``words`` is the unit of the file."""

    diameter: float
    side: str = "part"
    feed: float = 600.0
    words: str = "mm"

    @property
    def runs(self) -> str:
        """The side on which it runs: on the outlines where it has no width."""
        return self.side if self.diameter > 0.0 else "on"


@dataclass(frozen=True, slots=True)
class Cut:
    """What the middle of the tool runs along for one outline: several chains where the offset falls apart."""

    item: Item
    side: str
    paths: tuple[Figure, ...]


def cuts_of(items: Sequence[Item], tool: Tool) -> tuple[list[Cut], list[str]]:
    """The cuts in the order of the items, and what cannot be cut, in words. Raises `Refused` (nothing_cut)."""
    cuts: list[Cut] = []
    left_out: list[str] = []
    depths = _depths(items) if tool.runs == "part" else [0] * len(items)
    for item, depth in sorted(zip(items, depths, strict=True), key=lambda one: -one[1]):
        name = item.name or "a figure"
        if isinstance(item.figure, Point | EndlessLine | FigureSet):
            left_out.append(f"{name}: it is nothing that could be cut along")
            continue
        if _has_ellipse(item.figure):
            left_out.append(f"{name}: a tool path has lines and arcs, and no ellipses")
            continue
        side = _side(item.figure, tool.runs if tool.runs != "part" else "inside" if depth % 2 else "outside")
        try:
            paths = (item.figure,) if side == "on" else offset(item.figure, tool.diameter / 2.0, side, True, name)
        except Refused:
            paths = ()
        if not paths:
            left_out.append(f"{name}: a tool of this size does not fit")
            continue
        cuts.append(Cut(item, side, tuple(paths)))
    if not cuts:
        raise refusal("nothing_cut", why=left_out[0] if left_out else "")
    return cuts, left_out


def _closed(figure: Figure) -> bool:
    return isinstance(figure, Circle) or (isinstance(figure, Outline) and figure.closed)


def _depths(items: Sequence[Item]) -> list[int]:
    """Within how many of the others each lies."""
    closed = [
        (n, item.figure, box_of(item.figure))
        for n, item in enumerate(items)
        if isinstance(item.figure, Circle | Outline) and _closed(item.figure)
    ]
    depths = [0] * len(items)
    for n, figure, box in closed:
        at = Point(figure.centre.x + figure.radius, figure.centre.y) if isinstance(figure, Circle) else figure.corners[0]
        for other_n, other, around in closed:
            holds = around[0] <= box[0] and around[1] <= box[1] and around[2] >= box[2] and around[3] >= box[3]
            if other_n != n and holds and is_inside(other, at):
                depths[n] += 1
    return depths


def _has_ellipse(figure: Figure) -> bool:
    pieces = figure.pieces if isinstance(figure, Outline) else (figure,)
    return any(isinstance(piece, Ellipse) for piece in pieces)


def _side(figure: Figure, side: str) -> str:
    """The side as it can be said of a figure: outside of what is open is to its left."""
    if _closed(figure) or side == "on":
        return side
    return {"outside": "left", "inside": "right"}.get(side, side)


def as_nc(
    items: Sequence[Item], unit: str, title: str, tool: Tool, decimals: int | None = None, progress: Progress | None = None
) -> tuple[str, list[str]]:
    """The program, and what could not be cut, in words. Raises `Refused` as `cuts_of` does."""
    cuts, left_out = cuts_of(items, tool)
    digits = decimals if decimals is not None else 4 if tool.words == "mm" else 5
    scale = convert(1.0, unit, tool.words)
    lines = ["%", f"({_comment(title)})", f"G17 G90 {'G71' if tool.words == 'mm' else 'G70'}", f"F{number_writer(3)(tool.feed)}"]
    for done, cut in enumerate(cuts, 1):
        lines.append(f"({_comment(cut.item.name or 'figure')}, {cut.side})")
        for path in cut.paths:
            pieces = _pieces(path)
            lines.append(f"G00 {_xy(pieces[0].start, scale, digits)}")
            lines += [_move(piece, scale, digits) for piece in pieces]
        if progress is not None:
            progress(done, len(cuts))
    lines += ["M02", "%"]
    numbered = [f"N{10 * n} {line}" if line[0] not in "%(" else line for n, line in enumerate(lines)]
    return "\r\n".join(numbered) + "\r\n", left_out


def _pieces(path: Figure) -> Sequence[Piece]:
    match path:
        case Circle(c, r):
            a, b = Point(c.x + r, c.y), Point(c.x - r, c.y)
            return Arc(c, r, a, b, 180.0), Arc(c, r, b, a, 180.0)
        case Outline(pieces):
            return pieces
        case Line() | Arc():
            return (path,)
        case _:
            raise AssertionError(path)


def _xy(at: Point, scale: float, digits: int) -> str:
    told = number_writer(digits)
    return f"X{told(at.x * scale)} Y{told(at.y * scale)}"


def _move(piece: Piece, scale: float, digits: int) -> str:
    if isinstance(piece, Line):
        return f"G01 {_xy(piece.end, scale, digits)}"
    assert isinstance(piece, Arc)
    # I and J count from the start as it is written, so that the centre lies where it should to one rounding.
    told = number_writer(digits)
    start = [float(told(v * scale)) for v in (piece.start.x, piece.start.y)]
    i, j = piece.centre.x * scale - start[0], piece.centre.y * scale - start[1]
    return f"{'G03' if piece.sweep > 0.0 else 'G02'} {_xy(piece.end, scale, digits)} I{told(i)} J{told(j)}"


def _comment(words: str) -> str:
    return "".join(letter if letter.isascii() and letter.isprintable() and letter not in "()%" else " " for letter in words)[:60]
