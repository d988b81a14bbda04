"""What was found in a file, as steps: each figure a statement with a name, and groups that hold them."""

import re
from collections.abc import Container, Iterator

from ...core.book.names import key_of
from ...core.book.pens import PENS
from ...core.figures.in_unit import in_unit
from ...core.language.in_numbers import statements_of
from ...core.language.statements import check_name
from ...core.problem import Refused
from .found import Found

MOST_IN_A_GROUP = 2_000
"""A group's statement names all its members: more than these come without one."""


class _Names:
    """Names that are free, dealt in turn."""

    def __init__(self, taken: Container[str]) -> None:
        self._others, self._own = taken, set[str]()
        self._last: dict[str, int] = {}

    def _free(self, name: str) -> bool:
        key = key_of(name)
        if key in self._others or key in self._own:
            return False
        self._own.add(key)
        return True

    def take(self, wanted: str, otherwise: str) -> str:
        """The name that is wanted, where it is one and free; else another one with a number behind it."""
        name = plain_name(wanted)
        if name and self._free(name):
            return name
        stem = name or otherwise
        number = self._last.get(stem, 0) + 1
        while not self._free(f"{stem}_{number}"):
            number += 1
        self._last[stem] = number
        return f"{stem}_{number}"


def plain_name(text: str) -> str:
    """What is left of a text as a name of the language; nothing where that is none.

    >>> plain_name("Gear 3"), plain_name("pièce.2"), plain_name("line"), plain_name("12")
    ('Gear_3', 'pi_ce_2', '', '')
    """
    name = re.sub(r"[^A-Za-z0-9]+", "_", text).strip("_")[:40]
    try:
        check_name(name)
    except Refused:
        return ""
    return name


def entries_of(found: Found, lot: str, unit: str, taken: Container[str] = ()) -> list[str]:
    """The statements that take all figures in, in another unit: each with a name, the lot and its groups behind them."""
    names = _Names(taken)
    stem = plain_name(lot) or "taken_in"
    whole = names.take(stem, "taken_in")
    lines: list[str] = []
    members: list[str] = []
    groups: dict[str, list[str]] = {}
    for one in found.figures:
        for text in statements_of(in_unit(one.figure, found.unit, unit)):
            name = names.take(one.name, whole)
            pen = one.pen if one.pen in PENS else "ink"
            lines.append(f"{name} = {'' if pen == 'ink' else f'{pen} '}{text}")
            members.append(name)
            if one.group:
                groups.setdefault(one.group, []).append(name)
    for group, inner in groups.items():
        # One that holds all of it would say what the lot does.
        if len(inner) <= MOST_IN_A_GROUP and len(inner) < len(members):
            lines.append(f"{names.take(group, whole)} = group {' '.join(inner)}")
    if 0 < len(members) <= MOST_IN_A_GROUP:
        lines.append(f"{whole} = group {' '.join(members)}")
    return lines


def text_of(found: Found, lot: str) -> str:
    """A whole drawing of what was found, in the unit that it has there."""
    return "\n".join(_text(found, lot)) + "\n"


def _text(found: Found, lot: str) -> Iterator[str]:
    if found.unit != "mm":
        yield f"unit {found.unit}"
    yield from entries_of(found, lot, found.unit)
