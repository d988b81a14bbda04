"""Pieces of outlines and members of sets: used like figures of their own, wherever a figure is named."""

from typing import Any

from ..figures import FIGURE_NAMES, FigureSet, Outline
from ..problem import Refused, refusal
from .names import Path


def part_of(figure: Any, path: Path, name: str) -> Any:
    """What is meant of a figure. Raises `Refused`: no_such_edge, no_such_copy, no_such_member, where there is none."""
    for what, number, row, member in path:
        if what == "edge":
            pieces = figure.pieces if isinstance(figure, Outline) else ()
            if not 0 < number <= len(pieces):
                raise refusal("no_such_edge", name=name, count=len(pieces))
            figure = pieces[number - 1]
        elif what == "copy":
            found = figure.copy(number, row) if isinstance(figure, FigureSet) else None
            if found is None:
                copies = len(figure.members) if isinstance(figure, FigureSet) and not figure.names else 0
                raise refusal("no_such_copy", name=name, count=copies, row=figure.row if copies else 0)
            figure = found
        else:
            found = figure.named(member) if isinstance(figure, FigureSet) else None
            if found is None:
                has = list(figure.names) if isinstance(figure, FigureSet) else []
                raise refusal("no_such_member", name=name, member=member, has=has)
            figure = found
    return figure


def part_or_none(figure: Any, path: Path) -> Any:
    """The same, or None where there is none."""
    try:
        return part_of(figure, path, "")
    except Refused:
        return None


def kind_of_part(figure: Any, path: Path) -> str:
    """What kind of figure it is; of an edge a line as long as that is not known, since most are."""
    found = part_or_none(figure, path)
    if found is None:
        return "line" if path[-1].what == "edge" else "set"
    return FIGURE_NAMES.get(type(found), "line")
