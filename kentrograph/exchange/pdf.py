"""Sheets as PDF (ISO 32000), true to scale: one page for each, in vectors, with the lettering embedded. Written by reportlab.

Round figures become cubic curves of at most 30 degrees, which run within 4e-7 of their radius beside them. Source of the control
points: 4/3 tan(sweep / 4) along the tangents, common practice.
"""

from collections.abc import Callable, Sequence
from functools import cache
from io import BytesIO
from math import ceil, cos, radians, sin, tan
from pathlib import Path
from typing import assert_never

from reportlab import rl_config
from reportlab.lib.utils import ImageReader
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas
from reportlab.pdfgen.pathobject import PDFPathObject

from ..core.figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Piece, Point
from ..core.sheet.letters import EM, known
from ..core.sheet.marks import Fill, Lettering, Mark, Picture, Stroke, Within
from ..core.sheet.page import Page
from ..core.sheet.tiles import Tile, tiles

MM = 72.0 / 25.4
"""Points of PDF in a millimetre."""
_FONTS = Path(__file__).parent / "fonts"
_NAMES = {False: "regular", True: "strong"}
_STEP = 30.0
_INK = (0.0, 0.0, 0.0)
Progress = Callable[[int, int], None]


@cache
def register_fonts() -> None:
    """Makes the letters of sheets known; once is enough."""
    for name in _NAMES.values():
        pdfmetrics.registerFont(TTFont(f"kentrograph-{name}", str(_FONTS / f"{name}.ttf")))


def sheets_pdf(
    pages: Sequence[Page], title: str, author: str = "", progress: Progress | None = None, tile: tuple[float, float] | None = None
) -> bytes:
    """One document of these sheets; ``progress`` is called with how many marks of how many are done. With a ``tile``, a size
    of paper in mm, what is larger comes on several pages of that size, with marks by which they are joined."""
    register_fonts()
    out = BytesIO()
    # Bytes as they are: put into letters they would take half as long again, and a quarter more room.
    rl_config.useA85 = 0
    canvas = Canvas(out, invariant=1, pageCompression=1)
    canvas.setTitle(title)
    canvas.setAuthor(author)
    canvas.setCreator("Kentrograph")
    total, done = sum(len(page.marks) for page in pages), 0
    for page in pages:
        for part in tiles(page, tile):
            canvas.setPageSize((part.paper[0] * MM, part.paper[1] * MM))
            canvas.scale(MM, MM)
            canvas.setLineCap(1)
            canvas.setLineJoin(1)
            canvas.setStrokeColorRGB(*_INK)
            canvas.setFillColorRGB(*_INK)
            if part.of > 1:
                _begin_part(canvas, part)
            for mark in page.marks:
                _draw(canvas, mark)
                done += 1
                if progress is not None and done % _EVERY == 0:
                    progress(min(done, total), total)
            if part.of > 1:
                canvas.restoreState()
                for mark in part.joints:
                    _draw(canvas, mark)
            canvas.showPage()
    canvas.save()
    return out.getvalue()


_EVERY = 1000


def _begin_part(canvas: Canvas, part: Tile) -> None:
    """Only what lies within the part is drawn, where it lies on that page."""
    canvas.saveState()
    left, low, right, high = part.window
    path = canvas.beginPath()
    path.rect(part.margin, part.margin, right - left, high - low)
    canvas.clipPath(path, stroke=0, fill=0)
    canvas.translate(part.margin - left, part.margin - low)


def _draw(canvas: Canvas, mark: Mark) -> None:
    match mark:
        case Stroke(figure, width, dash):
            canvas.setLineWidth(width)
            canvas.setDash(list(dash))
            if dash:
                canvas.setLineCap(0)
            path = canvas.beginPath()
            _trace(path, figure)
            canvas.drawPath(path, stroke=1, fill=0)
            if dash:
                canvas.setLineCap(1)
                canvas.setDash([])
        case Fill(places):
            path = canvas.beginPath()
            path.moveTo(places[0].x, places[0].y)
            for at in places[1:]:
                path.lineTo(at.x, at.y)
            path.close()
            canvas.drawPath(path, stroke=0, fill=1)
        case Lettering():
            _letter(canvas, mark)
        case Picture(data, at, width, height):
            image = ImageReader(BytesIO(data))
            canvas.drawImage(image, at.x, at.y, width, height, mask="auto", preserveAspectRatio=True, anchor="sw")
        case Within(circle, inner):
            canvas.saveState()
            path = canvas.beginPath()
            _trace(path, circle)
            canvas.clipPath(path, stroke=0, fill=0)
            for one in inner:
                _draw(canvas, one)
            canvas.restoreState()


def _letter(canvas: Canvas, mark: Lettering) -> None:
    canvas.saveState()
    canvas.translate(mark.at.x, mark.at.y)
    if mark.direction:
        canvas.rotate(mark.direction)
    canvas.setFont(f"kentrograph-{_NAMES[mark.strong]}", mark.height * EM[mark.strong])
    words = known(mark.words)
    draw = {"start": canvas.drawString, "middle": canvas.drawCentredString, "end": canvas.drawRightString}[mark.anchor]
    draw(0.0, 0.0, words)
    canvas.restoreState()


def _trace(path: PDFPathObject, figure: Figure) -> None:
    match figure:
        case Line() | Arc():
            path.moveTo(figure.start.x, figure.start.y)
            _onward(path, figure)
        case Ellipse():
            start = figure.at(radians(figure.begin))
            path.moveTo(start.x, start.y)
            _onward(path, figure)
            if figure.whole:
                path.close()
        case Circle(c, r):
            path.moveTo(c.x + r, c.y)
            _curves(path, lambda t: (c.x + r * cos(t), c.y + r * sin(t)), lambda t: (-r * sin(t), r * cos(t)), 0.0, 360.0)
            path.close()
        case Outline(pieces, closed):
            path.moveTo(pieces[0].start.x, pieces[0].start.y)
            for piece in pieces:
                _onward(path, piece)
            if closed:
                path.close()
        case FigureSet(members):
            for member in members:
                _trace(path, member)
        case Point() | EndlessLine():
            return
        case _:
            assert_never(figure)


def _onward(path: PDFPathObject, piece: Piece) -> None:
    match piece:
        case Line(_, end):
            path.lineTo(end.x, end.y)
        case Arc(c, r):
            begin = piece.from_direction
            _curves(path, lambda t: (c.x + r * cos(t), c.y + r * sin(t)), lambda t: (-r * sin(t), r * cos(t)), begin, piece.sweep)
        case Ellipse(c, a, b, turn):
            u, v = cos(radians(turn)), sin(radians(turn))

            def at(t: float) -> tuple[float, float]:
                x, y = a * cos(t), b * sin(t)
                return c.x + x * u - y * v, c.y + x * v + y * u

            def along(t: float) -> tuple[float, float]:
                x, y = -a * sin(t), b * cos(t)
                return x * u - y * v, x * v + y * u

            _curves(path, at, along, piece.begin, 360.0 if piece.whole else piece.sweep)
        case _:
            assert_never(piece)


Way = Callable[[float], tuple[float, float]]


def _curves(path: PDFPathObject, at: Way, along: Way, begin: float, sweep: float) -> None:
    """Cubic curves along a round figure; ``along`` is the derivative by the angle."""
    count = max(1, ceil(abs(sweep) / _STEP))
    step = radians(sweep) / count
    reach = 4.0 / 3.0 * tan(step / 4.0)
    t = radians(begin)
    x0, y0 = at(t)
    dx0, dy0 = along(t)
    for n in range(count):
        t1 = radians(begin) + (n + 1) * step
        (x1, y1), (dx1, dy1) = at(t1), along(t1)
        path.curveTo(x0 + reach * dx0, y0 + reach * dy0, x1 - reach * dx1, y1 - reach * dy1, x1, y1)
        x0, y0, dx0, dy0 = x1, y1, dx1, dy1
