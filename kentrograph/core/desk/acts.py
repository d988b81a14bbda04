"""What a table asks of a book: each act declared once, with the steps that it is about and the edit that it comes to.

The schema of the wire, with its limits, is made from these (see `bounds`).
"""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated, Literal

from ..book.book import Book
from ..book.edits import Edit
from ..figures import Point
from ..problem import refusal
from . import clipboard, intents
from .bounds import (
    WRITABLE,
    Bound,
    FigureId,
    Figures,
    Id,
    Message,
    Name,
    Number,
    Others,
    PenWord,
    Place,
    Revision,
    Text,
    Words,
)
from .rename import rename
from .restating import restate, stated_anew
from .set_out import set_out
from .settling import settle
from .turning_into import turned_into_other

Make = Callable[[Book], tuple[Edit, str]]
"""An edit of a book, and its label. Raises `Refused`."""
NONE: frozenset[str] = frozenset()


class _Act(Message):
    """One change. What is written anew, and what names figures (which it finds in the newest book), is about no step."""

    __slots__ = ()

    def own_steps(self) -> frozenset[str] | None:
        """The steps that it is about: it is refused where somebody has changed one of them since. None for what is about the very
        last change."""
        return NONE

    def edit(self, book: Book) -> tuple[Edit, str]:
        """The edit of a book that it comes to, and its label. Raises `Refused`; ``needs_server`` for what needs the log."""
        raise refusal("needs_server")


@dataclass(frozen=True, slots=True, kw_only=True)
class Write(_Act):
    """Writes a step, or a header line; in front of another step, or at the end.

    ``beside`` names special places that a plain position was taken beside: the step is marked with them. A ``pen`` is written in
    front of a figure that does not say it itself; ink is what a bare statement is in.
    """

    do: Literal["write"]
    text: Text
    id: Id
    in_front_of: Id | None = None
    beside: Words = ""
    pen: PenWord = "ink"

    def edit(self, book: Book) -> tuple[Edit, str]:
        return intents.write(book, self.text, self.id, self.in_front_of, self.pen, self.beside)


@dataclass(frozen=True, slots=True, kw_only=True)
class WriteAll(_Act):
    """Writes several steps, and takes figures away, one after the other, as one change; steps get ids that begin with this."""

    do: Literal["write_all"]
    id: Id
    entries: Annotated[tuple[intents.Entry, ...], Bound(min_length=1, max_length=20_000)]
    in_front_of: Id | None = None
    pen: PenWord = "ink"

    def edit(self, book: Book) -> tuple[Edit, str]:
        return intents.write_all(book, self.entries, self.id, self.in_front_of, self.pen)


@dataclass(frozen=True, slots=True, kw_only=True)
class Mend(_Act):
    """Gives a step another text."""

    do: Literal["mend"]
    id: Id
    text: Text

    def own_steps(self) -> frozenset[str]:
        return frozenset((self.id,))

    def edit(self, book: Book) -> tuple[Edit, str]:
        return intents.mend(book, self.id, self.text)


@dataclass(frozen=True, slots=True, kw_only=True)
class Strike(_Act):
    """Takes a step, and others with it, out of the book."""

    do: Literal["strike"]
    id: Id
    others: Others = ()

    def own_steps(self) -> frozenset[str]:
        return frozenset((self.id, *self.others))

    def edit(self, book: Book) -> tuple[Edit, str]:
        return intents.strike(book, self.id, self.others)


@dataclass(frozen=True, slots=True, kw_only=True)
class TakeAway(_Act):
    """Takes figures out of sight: the steps that drew them are struck; what came of shaping is hidden by a step with this id."""

    do: Literal["take_away"]
    id: Id
    figures: Figures

    def edit(self, book: Book) -> tuple[Edit, str]:
        return intents.take_away(book, self.figures, self.id)


@dataclass(frozen=True, slots=True, kw_only=True)
class Settle(_Act):
    """Puts loose ends right, by their keys, with what was offered for each; what is written gets ids that begin with this."""

    do: Literal["settle"]
    id: Id
    findings: Annotated[tuple[Annotated[str, Bound(max_length=500)], ...], Bound(min_length=1, max_length=200)]
    limit: Annotated[float, Bound(gt=0, le=1e9)]

    def edit(self, book: Book) -> tuple[Edit, str]:
        return settle(book, self.findings, self.limit, self.id)


@dataclass(frozen=True, slots=True, kw_only=True)
class Paste(_Act):
    """Puts down what a text draws, with its 0, 0 at a place in the drawing's unit."""

    do: Literal["paste"]
    id: Id
    text: Text
    x: Number
    y: Number
    in_front_of: Id | None = None

    def edit(self, book: Book) -> tuple[Edit, str]:
        return clipboard.pasted(book, self.text, Point(self.x, self.y), self.id, self.in_front_of)


@dataclass(frozen=True, slots=True, kw_only=True)
class MakeSymbol(_Act):
    """Makes a symbol of figures; its datum is the place or, without one, the lower left corner of the box around them."""

    do: Literal["make_symbol"]
    id: Id
    name: Name
    figures: Figures
    at: Place | None = None

    def edit(self, book: Book) -> tuple[Edit, str]:
        return clipboard.made_symbol(book, self.name, self.figures, Point(*self.at) if self.at else None, self.id)


@dataclass(frozen=True, slots=True, kw_only=True)
class MoveStep(_Act):
    """Moves a step in front of another one, or to the end of the book."""

    do: Literal["move"]
    id: Id
    in_front_of: Id | None

    def own_steps(self) -> frozenset[str]:
        return frozenset((self.id,))

    def edit(self, book: Book) -> tuple[Edit, str]:
        return intents.move(book, self.id, self.in_front_of)


@dataclass(frozen=True, slots=True, kw_only=True)
class Rename(_Act):
    """Gives a step another name, in every step that uses it."""

    do: Literal["rename"]
    id: Id
    name: Name

    def own_steps(self) -> frozenset[str]:
        return frozenset((self.id,))

    def edit(self, book: Book) -> tuple[Edit, str]:
        return rename(book, self.id, self.name)


@dataclass(frozen=True, slots=True, kw_only=True)
class Flag(_Act):
    """Hides or shows a step, or switches it off or on."""

    do: Literal["flag"]
    id: Id
    others: Others = ()
    hidden: bool | None = None
    off: bool | None = None

    def own_steps(self) -> frozenset[str]:
        return frozenset((self.id, *self.others))

    def edit(self, book: Book) -> tuple[Edit, str]:
        return intents.flag(book, self.id, self.hidden, self.off, self.others)


@dataclass(frozen=True, slots=True, kw_only=True)
class TurnInto(_Act):
    """Writes the dimension that says what a reading says, or the reading that says what a dimension says."""

    do: Literal["turn_into"]
    id: Id
    step: Id

    def own_steps(self) -> frozenset[str]:
        return frozenset((self.step,))

    def edit(self, book: Book) -> tuple[Edit, str]:
        return turned_into_other(book, self.step, self.id)


@dataclass(frozen=True, slots=True, kw_only=True)
class SetOut(_Act):
    """Writes the table that sets the centres of figures out from two edges."""

    do: Literal["set_out"]
    id: Id
    figures: Annotated[tuple[FigureId, ...], Bound(min_length=1, max_length=200)]

    def edit(self, book: Book) -> tuple[Edit, str]:
        return set_out(book, self.figures, self.id)


@dataclass(frozen=True, slots=True, kw_only=True)
class Restate(_Act):
    """Gives one given of a step another value, by its word; with nothing said it is struck. Where there is no such step yet,
    one of a kind is written that begins with ``first``."""

    do: Literal["restate"]
    id: Id
    word: Annotated[str, Bound(min_length=1, max_length=120, pattern=WRITABLE)]
    said: Annotated[str, Bound(max_length=2_000, pattern=WRITABLE)]
    otherwise: Literal["", "sheet", "view"] = ""
    first: Annotated[str, Bound(max_length=200, pattern=WRITABLE)] = ""

    def own_steps(self) -> frozenset[str]:
        return frozenset((self.id,))

    def edit(self, book: Book) -> tuple[Edit, str]:
        if self.otherwise:
            return stated_anew(book, self.id, self.otherwise, self.first, self.word, self.said)
        return restate(book, self.id, self.word, self.said)


class _OfTheLast(_Act):
    """What is about the very last change, and needs the log."""

    __slots__ = ()

    def own_steps(self) -> None:
        return None


@dataclass(frozen=True, slots=True, kw_only=True)
class BringBack(_OfTheLast):
    """Makes the drawing what it was at a revision, as one change."""

    do: Literal["bring_back"]
    revision: Revision


@dataclass(frozen=True, slots=True, kw_only=True)
class Undo(_OfTheLast):
    """Takes the last change back."""

    do: Literal["undo"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Redo(_OfTheLast):
    """Does again what was taken back last."""

    do: Literal["redo"]


Act = (
    Write | WriteAll | Mend | Strike | TakeAway | Settle | Paste | MakeSymbol | MoveStep | Rename | Flag | SetOut | TurnInto
    | Restate | BringBack | Undo | Redo
)  # fmt: skip
