"""How wide words are in the lettering of sheets, and where they are broken into lines."""

from functools import cache

from .advances import REGULAR, REGULAR_EM, STRONG, STRONG_EM

EM = {False: REGULAR_EM, True: STRONG_EM}
"""Height of the type's body for capitals 1 high: regular, strong."""
SIGNS = {"\u2300": 1050, "\u2312": 1100}
"""Signs that are drawn, since the lettering lacks them, with their advances: see `signs`."""
_UNKNOWN = 1000


@cache
def _advances(strong: bool) -> dict[str, int]:
    known = {letter: width for width, letters in (STRONG if strong else REGULAR).items() for letter in letters}
    return known | SIGNS


def width_of(words: str, height: float, strong: bool = False) -> float:
    """The width in mm of words whose capitals are ``height`` mm high.

    >>> round(width_of("40", 2.5), 3)
    4.3
    """
    advances = _advances(strong)
    return sum(advances.get(letter, _UNKNOWN) for letter in words) * height / 1000.0


def known(words: str) -> str:
    """The same words with what the lettering lacks replaced by a mark that says so."""
    advances = _advances(False)
    return "".join(letter if letter in advances else "\ufffd" for letter in words)


def lines_of(words: str, height: float, width: float, strong: bool = False) -> list[str]:
    """Words broken at blanks into lines no wider than ``width``; a word that is wider stands alone."""
    found: list[str] = []
    line = ""
    for word in words.split():
        longer = f"{line} {word}".strip()
        if line and width_of(longer, height, strong) > width:
            found.append(line)
            longer = word
        line = longer
    return [*found, line] if line else found


def shortened(words: str, height: float, width: float, strong: bool = False) -> str:
    """Words as far as they fit, with three dots where something is left out."""
    if width_of(words, height, strong) <= width:
        return words
    kept = words
    while kept and width_of(f"{kept}…", height, strong) > width:
        kept = kept[:-1]
    return f"{kept.rstrip()}…"
