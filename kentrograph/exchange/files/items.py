"""What of a drawing is written to a file: all in ink, all that is seen, what is selected, a group, a pen."""

from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass
from typing import Any

from ...core.book.book import Book
from ...core.book.names import key_of
from ...core.book.order import END
from ...core.book.scene import all_seen, pen_of
from ...core.book.values import StepResult, Untouchable
from ...core.figures import Figure, FigureSet, Point
from ...core.problem import refusal


@dataclass(frozen=True, slots=True)
class Item:
    """A figure as it is written, in the drawing's unit: its name, its pen, the group or set that it belongs to."""

    figure: Figure
    name: str
    pen: str
    group: str = ""


@dataclass(frozen=True, slots=True)
class Choice:
    """What is written. ``figures`` are ids, even if there are none; ``names`` names of figures and groups; with neither all with
    a pen of ``pens``, or, where that is empty too, all that is in ink."""

    figures: tuple[str, ...] | None = None
    names: tuple[str, ...] = ()
    pens: tuple[str, ...] = ()
    construction: bool = False
    """Whether construction is written as well: pencil, and single points."""


def items_of(book: Book, choice: Choice | None = None) -> list[Item]:
    """The figures that are chosen, in the order of the book; members of sets one by one. Raises `Refused`: unknown_name,
    nothing_chosen where none of it is a figure."""
    choice = choice or Choice()
    groups = _groups(book)
    wanted = _wanted(book, choice, groups)
    found: list[Item] = []
    for id, figure in _candidates(book, wanted):
        name, pen = book.name_of(id), pen_of(book, id)
        if wanted is None and not _goes(figure, pen, choice):
            continue
        found += parts_of(figure, name, pen, groups.get(key_of(name), "") if name else "")
    if not found:
        raise refusal("nothing_chosen")
    return found


def _candidates(book: Book, wanted: Sequence[str] | None) -> Iterator[tuple[str, Any]]:
    if wanted is None:
        yield from all_seen(book)
        return
    for id in wanted:
        figure = book.figure_of(id)
        if figure is not None and not isinstance(figure, Untouchable):
            yield id, figure


def _wanted(book: Book, choice: Choice, groups: dict[str, str]) -> list[str] | None:
    """The ids that are asked for one by one; None where all are looked through."""
    if choice.figures is not None:
        return list(choice.figures)
    if not choice.names:
        return None
    keys: list[str] = []
    for name in choice.names:
        key = key_of(name)
        members = [member for member, group in groups.items() if key_of(group) == key]
        if not members and book.version(key, END) is None:
            raise refusal("unknown_name", name=name)
        keys += members or [key]
    return [id for key in dict.fromkeys(keys) if (id := book.version(key, END)) is not None]


def _goes(figure: Any, pen: str, choice: Choice) -> bool:
    if choice.pens:
        return pen in choice.pens
    return choice.construction or (pen != "pencil" and not isinstance(figure, Point))


def _groups(book: Book) -> dict[str, str]:
    """The members of groups, by their keys, each with the first group that it stands in."""
    found: dict[str, str] = {}
    for id in book.order:
        step = book.steps[id]
        if step.statement.kind == "group" and isinstance(book.values[id], StepResult):
            for operand in step.statement.operands:
                found.setdefault(operand.key, step.name)
    return found


def parts_of(figure: Any, name: str, pen: str, group: str) -> Iterator[Item]:
    """A figure as it is written: of a set its members, one by one, with their own names and pens."""
    if not isinstance(figure, FigureSet):
        yield Item(figure, name, pen, group)
        return
    pens: Collection[str] = figure.pens or ("",) * len(figure.members)
    names: Collection[str] = figure.names or tuple(str(n) for n in range(1, len(figure.members) + 1))
    for member, own, own_pen in zip(figure.members, names, pens, strict=True):
        yield from parts_of(member, f"{name}.{own}", own_pen or pen, name)
