"""Names: how they are compared, and those of parts of other things: edges, copies, members."""

import re
from typing import Literal, NamedTuple


def key_of(name: str) -> str:
    """The form of a name that is compared."""
    return name.lower()


_EDGE = re.compile(r"edge ([0-9]+) of (.+)")
_COPY = re.compile(r"copy ([0-9]+)(?:, ([0-9]+))? of (.+)")


def edge_name(number: str, outline: str) -> str:
    """The name by which a piece of an outline is used like a figure of its own, counted from 1 as the outline runs."""
    return f"edge {number} of {outline}"


def copy_name(number: int, of: str, row: int = 0) -> str:
    """The name by which a member of a set is used like a figure of its own: by its number, or that in a row and of the row."""
    return f"copy {number}, {row} of {of}" if row else f"copy {number} of {of}"


class Selector(NamedTuple):
    """What is meant of a figure: an edge of an outline, a copy or a named member of a set. There is no number 0."""

    what: Literal["edge", "copy", "member"]
    number: int = 0
    row: int = 0
    name: str = ""


Path = tuple[Selector, ...]
"""What is meant of a figure, the outermost first."""


def parted(key: str) -> tuple[str, Path]:
    """The key of a figure, and what is meant of it; nothing for the figure itself.

    >>> parted("edge 2 of k1"), parted("c1")
    (('k1', (Selector(what='edge', number=2, row=0, name=''),)), ('c1', ()))
    >>> parted("copy 3 of s1.c2")[0], [one.what for one in parted("copy 3 of s1.c2")[1]]
    ('s1', ['member', 'copy'])
    """
    found = _EDGE.fullmatch(key) if key.startswith("edge ") else None
    if found:
        base, path = parted(found[2])
        return base, (*path, Selector("edge", int(found[1])))
    found = _COPY.fullmatch(key) if key.startswith("copy ") else None
    if found:
        base, path = parted(found[3])
        return base, (*path, Selector("copy", int(found[1]), int(found[2] or 0)))
    base, *names = key.split(".")
    return base, tuple(Selector("member", name=name) for name in names)
