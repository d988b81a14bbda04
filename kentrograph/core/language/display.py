"""Numbers as the drawing shows them: decimals, unit, angle convention."""

from fractions import Fraction
from math import floor

from ..book.manner import Header
from ..book.readings.reading_kind import POWERS, Quantity
from ..figures import Point
from ..units import MILLIMETRES, convert, plain


def length(value: float, header: Header) -> str:
    """A length with the drawing's decimals and without its unit or, where it shows fractions, in feet, inches and their parts.

    >>> print(length(113.43719, Header()), length(1017.5875, Header(parts=16)))
    113.437 3'-4 1/16"
    """
    return feet_and_inches(value, header, header.parts, header.manner.unit != "in") if header.parts else decimal(value, header)


def decimal(value: float, header: Header, places: int = 0) -> str:
    """A number with the drawing's decimals, or with more."""
    if abs(value) >= 1e12:
        return f"{value:.9g}"
    text = f"{value:.{max(header.decimals, places)}f}"
    return text[1:] if text.startswith("-") and not any(d in text for d in "123456789") else text


def with_unit(value: float, header: Header) -> str:
    """A length with its unit: ``113.437 mm``; feet and inches say theirs themselves."""
    said = length(value, header)
    return said if header.parts else f"{said} {header.manner.unit}"


_SUPERSCRIPTS = {1: "", 2: "\u00b2", 4: "\u2074"}


def measured(value: float, quantity: Quantity, header: Header, shown: str = "", places: int = 0) -> str:
    """A measured value with its unit; ``shown`` is another unit, or the parts of an inch. With at least so many decimals.

    >>> measured(1250.0, "area", Header(), "cm"), measured(9.130277, "turn", Header())
    ('12.500 cm\u00b2', '9\u00b007\u203249\u2033')
    """
    if quantity == "direction" and (shown == "bearing" or header.bearings):
        return bearing(header.manner.direction_to_core(value))
    if quantity == "direction":
        return heading(value)
    if quantity == "turn":
        return dms(value)
    if quantity == "count":
        return f"{value:,.0f}".replace(",", " ")
    if parts := parts_of_inch(quantity, header, shown):
        return feet_and_inches(value, header, parts, bool(shown) or header.manner.unit != "in")
    unit, value = unit_shown(header, shown), in_shown_unit(value, quantity, header, shown)
    text = decimal(value, header, places)
    if unit != header.manner.unit and 0.0 < abs(value) < 0.5 * 10.0 ** (2 - max(header.decimals, places)):
        # A larger unit: as many digits as say something.
        text = f"{value:.{header.decimals + 1}g}"
    return f"{text} {unit}{_SUPERSCRIPTS[POWERS[quantity]]}"


def parts_of_inch(quantity: Quantity, header: Header, shown: str) -> int:
    """In which parts of an inch something is shown; 0 where it is shown with decimals."""
    if quantity != "length":
        return 0
    return int(shown[2:]) if shown.startswith("1/") else 0 if shown in MILLIMETRES else header.parts


def unit_shown(header: Header, shown: str) -> str:
    """The unit of length in which something is shown with decimals."""
    return shown if shown in MILLIMETRES else header.manner.unit


def in_shown_unit(value: float, quantity: Quantity, header: Header, shown: str) -> float:
    """A value in the drawing's unit, in that in which it is shown; of an area in its square."""
    for _ in range(POWERS.get(quantity, 0)):
        value = convert(value, header.manner.unit, unit_shown(header, shown))
    return value


def bearing(core: float) -> str:
    """A direction (degrees counter-clockwise from east) as a quadrant bearing.

    >>> bearing(77.90833333), bearing(0.0), bearing(225.0)
    ('N 12\u00b005\u203230\u2033 E', 'E', 'S 45\u00b0 W')
    """
    azimuth = (90.0 - core) % 360.0
    northward = azimuth < 90.0 or azimuth > 270.0
    eastward = azimuth < 180.0
    small = azimuth if northward and eastward else 360.0 - azimuth if northward else abs(180.0 - azimuth)
    said = dms(small)
    ns, ew = "N" if northward else "S", "E" if eastward else "W"
    return ew if said == "90\u00b0" else ns if said == "0\u00b0" else f"{ns} {said} {ew}"


def feet_and_inches(value: float, header: Header, parts: int, feet_too: bool = True) -> str:
    """A length in feet, inches and parts of an inch, to the nearest: ``3'-4 1/16"``; without feet, ``40 1/16"``.

    >>> print(feet_and_inches(1017.5875, Header(), 16), feet_and_inches(914.4 + 1.5875, Header(), 16))
    3'-4 1/16" 3'-0 1/16"
    """
    whole = round(convert(abs(value), header.manner.unit, "in") * parts)
    inches, rest = divmod(whole, parts)
    feet, inches = divmod(inches, 12) if feet_too else (0, inches)
    fraction = Fraction(rest, parts)
    sign = "-" if value < 0.0 and whole else ""
    small = f"{inches} {fraction}" if rest and (inches or feet) else f"{fraction}" if rest else f"{inches}"
    return f"{sign}{feet}'-{small}\"" if feet else f'{sign}{small}"'


def decimal_inches(value: float, header: Header, places: int, feet_too: bool = True) -> str:
    """A length in feet, inches and decimals of an inch: ``3'-4.0625"``; for what no parts of an inch can say.

    >>> print(decimal_inches(1017.5875, Header(), 4), decimal_inches(2.54, Header(), 1))
    3'-4.0625" 0.1"
    """
    inches = convert(abs(value), header.manner.unit, "in")
    feet, rest = divmod(round(inches * 10**places), 12 * 10**places) if feet_too else (0, round(inches * 10**places))
    small = plain(rest / 10**places, places)
    sign = "-" if value < 0.0 and (feet or rest) else ""
    return f"{sign}{feet:.0f}'-{small}\"" if feet else f'{sign}{small}"'


def direction(value: float, header: Header) -> str:
    """A direction (core degrees) as the drawing counts it, in degrees, minutes and seconds, or as a bearing.

    >>> direction(9.130277, Header()), direction(9.130277, Header(bearings=True))
    ('9°07′49″', 'N 80°52′11″ E')
    """
    return bearing(value) if header.bearings else heading(header.manner.direction_from_core(value))


def heading(degrees: float) -> str:
    """A direction in degrees, minutes and seconds: what rounding makes a whole turn is 0.

    >>> heading(359.99999), dms(359.99999), dms(540.0)
    ('0\u00b0', '360\u00b0', '540\u00b0')
    """
    said = dms(degrees)
    return "0\u00b0" if said == "360\u00b0" else said


def dms(degrees: float, places: int = 0) -> str:
    """Degrees, minutes and seconds, whole or with so many decimals; shorter where they are zero. Returns 360°, and not 0,
    for a whole turn."""
    seconds = floor(abs(degrees) * 3600.0 * 10**places + 0.5)
    whole, rest = divmod(seconds, 3600 * 10**places)
    minutes, left = divmod(rest, 60 * 10**places)
    sign = "-" if degrees < 0.0 and seconds else ""
    if left:
        fine, under = divmod(left, 10**places)
        behind = f".{under:0{places}d}".rstrip("0") if under else ""
        return f"{sign}{whole}°{minutes:02d}′{fine:02d}{behind}″"
    return f"{sign}{whole}°{minutes:02d}′" if minutes else f"{sign}{whole}°"


def place(point: Point, header: Header) -> str:
    """Coordinates from the datum: ``40.000, 25.000``."""
    x, y = header.manner.from_world(point)
    return f"{length(x, header)}, {length(y, header)}"
