"""Numbers as the drawing shows them: decimals, unit, angle convention."""

from math import floor

from ..book.manner import Header
from ..figures import Point


def length(value: float, header: Header) -> str:
    """A length with the drawing's decimals, without its unit; thousands are set apart only where there are many.

    >>> length(113.43719, Header())
    '113.437'
    """
    if abs(value) >= 1e12:
        return f"{value:.9g}"
    text = f"{value:.{header.decimals}f}"
    return text[1:] if text.startswith("-") and not any(d in text for d in "123456789") else text


def with_unit(value: float, header: Header) -> str:
    """A length with its unit: ``113.437 mm``."""
    return f"{length(value, header)} {header.manner.unit}"


def direction(value: float, header: Header) -> str:
    """A direction (core degrees) as the drawing counts it, in degrees, minutes and seconds.

    >>> direction(9.130277, Header())
    '9°07′49″'
    """
    return dms(header.manner.direction_from_core(value))


def dms(degrees: float) -> str:
    """Degrees, minutes and whole seconds; shorter where they are zero."""
    seconds = floor(abs(degrees) * 3600.0 + 0.5)
    whole, rest = divmod(seconds, 3600)
    minutes, left = divmod(rest, 60)
    if whole == 360 and degrees > 0.0:
        whole = 0
    sign = "-" if degrees < 0.0 and seconds else ""
    if left:
        return f"{sign}{whole}°{minutes:02d}′{left:02d}″"
    return f"{sign}{whole}°{minutes:02d}′" if minutes else f"{sign}{whole}°"


def place(point: Point, header: Header) -> str:
    """Coordinates from the datum: ``40.000, 25.000``."""
    x, y = header.manner.from_world(point)
    return f"{length(x, header)}, {length(y, header)}"
