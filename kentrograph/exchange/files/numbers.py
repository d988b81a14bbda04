"""Numbers as files have them: with so many decimals, or every digit."""

from collections.abc import Callable
from decimal import Decimal

MOST_DECIMALS = 15
NumberWriter = Callable[[float], str]


def number_writer(decimals: int | None) -> NumberWriter:
    """How numbers are written: rounded to so many decimals, without zeros that say nothing; all digits for None.

    >>> number_writer(3)(2.0), number_writer(3)(-0.0001), number_writer(None)(0.1), number_writer(2)(1e-7)
    ('2', '0', '0.1', '0')
    """

    def told(value: float) -> str:
        text = format(Decimal(repr(value)), "f") if decimals is None else f"{value:.{decimals}f}"
        if "." in text:
            text = text.rstrip("0").rstrip(".")
        return "0" if text in ("-0", "") else text

    return told
