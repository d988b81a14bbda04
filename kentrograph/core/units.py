"""Units of length, exact: each is a whole ratio of the millimetre.

Source, published: international yard and pound agreement, 1959 (1 in = 25.4 mm exactly).
"""

from fractions import Fraction

MILLIMETRES: dict[str, Fraction] = {
    "mm": Fraction(1),
    "cm": Fraction(10),
    "m": Fraction(1000),
    "in": Fraction(127, 5),
    "ft": Fraction(127 * 12, 5),
    "yd": Fraction(127 * 36, 5),
}


def convert(value: float, unit: str, into: str) -> float:
    """A length in another unit; one rounding where the ratio is a whole number either way.

    >>> convert(1.0, "in", "mm"), convert(25.4, "mm", "in"), convert(8.0, "ft", "in")
    (25.4, 1.0, 96.0)
    """
    if unit == into:
        return value
    ratio = MILLIMETRES[unit] / MILLIMETRES[into]
    return value * ratio.numerator / ratio.denominator


def plain(value: float, decimals: int = 6) -> str:
    """A number without needless zeros; in powers of ten where it is very large or very small.

    >>> plain(12.50), plain(-0.0), plain(1e-9), plain(2.5e12)
    ('12.5', '0', '1e-09', '2.5e+12')
    """
    size = abs(value)
    if size != 0.0 and (size < 0.5 * 10.0**-decimals or size >= 1e10):
        return f"{value:.6g}"
    text = f"{value:.{decimals}f}"
    if "." in text:
        text = text.rstrip("0").rstrip(".")
    return "0" if text == "-0" else text
