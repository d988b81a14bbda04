"""What belongs together in a drawing: its groups, its symbols and its pens, as the leaf beside the book shows them."""

from collections import Counter
from dataclasses import dataclass

from ..book.book import Book
from ..book.kinds.place import placed_symbols
from ..book.kinds.symbol import SYMBOL
from ..book.pens import PENS
from ..book.scene import hidden_pen, pen_of, seen
from ..book.values import StepResult, Untouchable
from ..snap.select import groups


@dataclass(frozen=True, slots=True)
class GroupView:
    """A group: its step, its name, the figures in it by their ids, and whether they are out of sight."""

    id: str
    name: str
    figures: list[str]
    hidden: bool


@dataclass(frozen=True, slots=True)
class SymbolView:
    """A symbol: its step, its name, its text, and how often it is placed."""

    id: str
    name: str
    text: str
    placed: int


@dataclass(frozen=True, slots=True)
class PenCount:
    """A pen: its word, the figures that it draws by their ids, and whether they are out of sight."""

    word: str
    figures: list[str]
    hidden: bool


@dataclass(frozen=True, slots=True)
class GroupsView:
    """All of them, in the order of the book; of the pens those that are used."""

    groups: list[GroupView]
    symbols: list[SymbolView]
    pens: list[PenCount]


def groups_view(book: Book) -> GroupsView:
    """The groups, symbols and pens of a drawing."""
    found = [
        GroupView(id, book.steps[id].name, list(members), not any(seen(book, one) for one in members))
        for id, members in groups(book).items()
    ]
    said = (step.statement for step in book.steps.values())
    placed = Counter(name.key for one in said for name in placed_symbols(one))
    symbols = [
        SymbolView(id, step.name, step.statement.text, sum(placed[key] for key in step.keys))
        for id in book.order
        if (step := book.steps[id]).statement.kind == SYMBOL
    ]
    drawn: dict[str, list[str]] = {pen: [] for pen in PENS}
    for id in book.order:
        value = book.values[id]
        if isinstance(value, StepResult) and not isinstance(value.figure, Untouchable):
            for one, _, _ in book.figures_of(id):
                if seen(book, one) or hidden_pen(book, pen_of(book, one)):
                    drawn[pen_of(book, one)].append(one)
    pens = [PenCount(pen, ids, hidden_pen(book, pen)) for pen, ids in drawn.items() if ids]
    return GroupsView(found, symbols, pens)
