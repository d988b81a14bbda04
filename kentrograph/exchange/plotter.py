"""A stand-in for a pen plotter: it takes a page of a PDF, draws what such a device would, pen by pen, and shows it.

It knows nothing of drawings: all it has is the page. Pens are told apart by the width of their lines; each draws its strokes in
the order in which the nearest one begins. Letters it draws with its own, as such devices do. Curves are cut into chords that
leave them by no more than 0.02 mm.
"""

import ctypes
from collections.abc import Iterator
from dataclasses import dataclass, field
from itertools import pairwise
from math import ceil, hypot, sqrt

import pypdfium2
import pypdfium2.raw as pdfium

from .pdf import MM
from .png import ONE_AT_A_TIME

_OFF = 0.02
"""Millimetres by which chords may leave a curve."""
_DOWN, _UP, _LIFT = 300.0, 600.0, 0.08
"""Millimetres in a second with the pen down and up, and seconds to lift it: those of a device of the middling sort, invented."""
Place = tuple[float, float]
Path = list[Place]


@dataclass(slots=True)
class Pen:
    """A pen by the width of its line (mm): the strokes that it draws, how far it goes down and up, and how often it is lifted."""

    width: float
    strokes: list[Path] = field(default_factory=list)
    drawn: float = 0.0
    moved: float = 0.0

    @property
    def lifts(self) -> int:
        """How often it is set down."""
        return len(self.strokes)

    @property
    def seconds(self) -> float:
        """How long it takes."""
        return self.drawn / _DOWN + self.moved / _UP + self.lifts * 2.0 * _LIFT


@dataclass(frozen=True, slots=True)
class Word:
    """Letters at a place, their size and direction as a matrix in mm."""

    text: str
    matrix: tuple[float, float, float, float, float, float]
    size: float


@dataclass(frozen=True, slots=True)
class Plot:
    """What was drawn on a sheet, in mm from its lower left corner."""

    width: float
    height: float
    pens: tuple[Pen, ...]
    words: tuple[Word, ...]

    @property
    def seconds(self) -> float:
        """How long all of it takes."""
        return sum(pen.seconds for pen in self.pens)


def plotted(pdf: bytes, number: int = 1) -> Plot:
    """What the device draws of a page, by its number from 1."""
    with ONE_AT_A_TIME:
        document = pypdfium2.PdfDocument(pdf)
        try:
            page = document[number - 1]
            pens: dict[float, Pen] = {}
            words: list[Word] = []
            letters = page.get_textpage()
            for n in range(pdfium.FPDFPage_CountObjects(page)):
                one = pdfium.FPDFPage_GetObject(page, n)
                kind = pdfium.FPDFPageObj_GetType(one)
                if kind == pdfium.FPDF_PAGEOBJ_PATH:
                    width, paths = _paths(one)
                    pens.setdefault(width, Pen(width)).strokes.extend(paths)
                elif kind == pdfium.FPDF_PAGEOBJ_TEXT:
                    words.append(_word(one, letters))
            size = page.get_width() / MM, page.get_height() / MM
        finally:
            document.close()
    for pen in pens.values():
        _in_order(pen)
    return Plot(*size, tuple(sorted(pens.values(), key=lambda pen: -pen.width)), tuple(words))


def _matrix(one: object) -> tuple[float, float, float, float, float, float]:
    found = pdfium.FS_MATRIX()
    pdfium.FPDFPageObj_GetMatrix(one, found)
    return found.a, found.b, found.c, found.d, found.e, found.f


def _paths(one: object) -> tuple[float, list[Path]]:
    """The width of a path's line (0.0 where it is filled) and its strokes, in mm."""
    a, b, c, d, e, f = _matrix(one)
    filled, stroked, width = ctypes.c_int(), ctypes.c_int(), ctypes.c_float()
    pdfium.FPDFPath_GetDrawMode(one, filled, stroked)
    pdfium.FPDFPageObj_GetStrokeWidth(one, width)

    def place(x: float, y: float) -> Place:
        return (a * x + c * y + e) / MM, (b * x + d * y + f) / MM

    thick = round(width.value * hypot(a, b) / MM, 2) if stroked.value else 0.0
    return thick, list(_strokes(one, place))


def _strokes(one: object, place: object) -> Iterator[Path]:
    path: Path = []
    pending: list[Place] = []
    x, y = ctypes.c_float(), ctypes.c_float()
    for n in range(pdfium.FPDFPath_CountSegments(one)):
        segment = pdfium.FPDFPath_GetPathSegment(one, n)
        pdfium.FPDFPathSegment_GetPoint(segment, x, y)
        at: Place = place(x.value, y.value)  # type: ignore[operator]
        kind = pdfium.FPDFPathSegment_GetType(segment)
        if kind == pdfium.FPDF_SEGMENT_MOVETO:
            if len(path) > 1:
                yield path
            path = [at]
        elif kind == pdfium.FPDF_SEGMENT_LINETO:
            path.append(at)
        else:
            pending.append(at)
            if len(pending) == 3:
                path += _chords(path[-1], *pending)
                pending = []
        if pdfium.FPDFPathSegment_GetClose(segment) and path and path[-1] != path[0]:
            path.append(path[0])
    if len(path) > 1:
        yield path


def _chords(a: Place, b: Place, c: Place, d: Place) -> Path:
    """A cubic curve in chords. Source of the bound: the second difference of the control points, common practice."""
    bend = max(hypot(a[0] - 2 * b[0] + c[0], a[1] - 2 * b[1] + c[1]), hypot(b[0] - 2 * c[0] + d[0], b[1] - 2 * c[1] + d[1]))
    count = max(1, ceil(sqrt(0.75 * bend / _OFF)))
    found: Path = []
    for n in range(1, count + 1):
        t = n / count
        s = 1.0 - t
        u, v, w, z = s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t
        found.append((u * a[0] + v * b[0] + w * c[0] + z * d[0], u * a[1] + v * b[1] + w * c[1] + z * d[1]))
    return found


def _word(one: object, letters: pypdfium2.PdfTextPage) -> Word:
    length = pdfium.FPDFTextObj_GetText(one, letters, None, 0)
    held = ctypes.create_string_buffer(length)
    pdfium.FPDFTextObj_GetText(one, letters, ctypes.cast(held, ctypes.POINTER(ctypes.c_ushort)), length)
    size = ctypes.c_float()
    pdfium.FPDFTextObj_GetFontSize(one, size)
    text = held.raw.decode("utf-16-le").rstrip("\0")
    a, b, c, d, e, f = (v / MM for v in _matrix(one))
    return Word(text, (a, b, c, d, e, f), size.value)


def _in_order(pen: Pen) -> None:
    """The strokes of a pen in the order in which it draws them: always the one that begins or ends nearest."""
    left, at, order = pen.strokes, (0.0, 0.0), []
    # Strips of the sheet: within one the nearest is looked for, so that thousands of strokes take no time.
    left.sort(key=lambda path: (round(path[0][1] / _STRIP), path[0][0]))
    window: list[Path] = []
    rest = iter(left)
    while True:
        while len(window) < _AHEAD and (following := next(rest, None)) is not None:
            window.append(following)
        if not window:
            break
        n, turned = min(
            ((n, end) for n in range(len(window)) for end in (False, True)),
            key=lambda one: hypot(window[one[0]][-1 if one[1] else 0][0] - at[0], window[one[0]][-1 if one[1] else 0][1] - at[1]),
        )
        path = window.pop(n)
        if turned:
            path.reverse()
        pen.moved += hypot(path[0][0] - at[0], path[0][1] - at[1])
        pen.drawn += sum(hypot(q[0] - p[0], q[1] - p[1]) for p, q in pairwise(path))
        at = path[-1]
        order.append(path)
    pen.strokes = order


_STRIP, _AHEAD = 20.0, 40
