"""Working of offsets: the radii of what lies beside what is round."""

from typing import Any

from ...book.kinds.bindings import Facts
from ...book.values import StepResult
from ...figures import Outline, RoundCurve
from .sheet import Sheet, with_values

_MOST = 6


def offset_working(sheet: Sheet, f: Facts, value: StepResult) -> None:
    """For each radius of the figure what becomes of it: grown or shrunk by the distance."""
    figure, distance = (next(values[0] for given, values in with_values(f) if given.word == word) for word in ("figures", "by"))
    before, after = _radii(figure), {radius for result in value.results for radius in _radii(result)}
    for radius in before[:_MOST]:
        for sign, other in (("+", radius + distance), ("-", radius - distance)):
            if any(abs(other - one) <= 1e-2 * distance for one in after):
                sheet.say(f"R = {sheet.n(radius)} {sign} {sheet.n(distance)} = {sheet.n(other)}.")


def _radii(figure: Any) -> list[float]:
    """The radii of what is round in a figure, each once, the largest first."""
    pieces = figure.pieces if isinstance(figure, Outline) else (figure,)
    return sorted({piece.radius for piece in pieces if isinstance(piece, RoundCurve)}, reverse=True)
