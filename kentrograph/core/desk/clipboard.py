"""A selection as text of the entry language, and such a text put down at a place: for the clipboard, between drawings.

Coordinates in the text count from the place by which it is carried; lengths are in the unit that its header says.
"""

from collections.abc import Sequence

from ..book.book import Book
from ..book.edits import Edit, Insert
from ..book.manner import Conventions
from ..book.scene import pen_of, seen
from ..book.values import StepResult, Untouchable
from ..figures import Figure, Point
from ..figures.box import box_around
from ..figures.in_unit import in_unit
from ..figures.similarity import rotation, shift, transformed
from ..language.in_numbers import statements_of
from ..language.script import book_of, read_script
from ..problem import Problem, Refused, refusal
from .carrying import place_of_carried
from .intents import Entry, write_all
from .pointer import Pointer
from .trying import tried

MARK = "# Kentrograph, figures carried by 0, 0"
"""The first line of a text that was copied: it is put down by pointing."""


def copied(book: Book, ids: Sequence[str], pointer: Pointer | None) -> tuple[str, str]:
    """Figures, by their ids, as a text, and by what it is carried, in words: a special place of theirs under the pointer, else
    the lower left corner of the box around them. Raises `Refused` (nothing_copied) where none of them is a figure."""
    held = place_of_carried(book, pointer, len(book.order), set(ids)) if pointer is not None else None
    lines = _lines(book, ids, held.at if held is not None else None)
    if not lines:
        raise refusal("nothing_copied")
    unit = book.header.manner.unit
    text = "\n".join([MARK, *([f"unit {unit}"] if unit != Conventions().unit else []), *lines]) + "\n"
    return text, held.words if held is not None else "the lower left corner"


def made_symbol(book: Book, name: str, ids: Sequence[str], base: Point | None, id: str) -> tuple[Edit, str]:
    """The edit that makes a symbol of figures, by their ids, with ``base`` as its datum. Raises `Refused`: nothing_copied, and
    what is wrong with the name."""
    lines = _lines(book, ids, base)
    if not lines:
        raise refusal("nothing_copied")
    text = "\n".join([f"symbol {name}", *(f"  {line}" for line in lines), "end symbol"])
    step, value = tried(book, text, id, len(book.order))
    if isinstance(value, Problem):
        raise Refused(value)
    return Insert(step), f"symbol {name}"


def _lines(book: Book, ids: Sequence[str], base: Point | None) -> list[str]:
    there = (id for id in dict.fromkeys(ids) if book.step_of(id) in book.steps)
    order = sorted(there, key=lambda one: (book.order.key(book.step_of(one)), one))
    found = [(id, figure) for id in order if (figure := book.figure_of(id)) is not None and not isinstance(figure, Untouchable)]
    if base is None:
        box = box_around(figure for _, figure in found)
        base = Point(box[0], box[1]) if found else Point(0.0, 0.0)
    lines: list[str] = []
    for id, figure in found:
        pen = pen_of(book, id)
        lines += [f"{pen} {line}" if pen != "ink" else line for line in _about(figure, base, book.header.manner)]
    return lines


def _about(figure: Figure, base: Point, manner: Conventions) -> list[str]:
    """The statements of a figure, counted from a place along the datum's direction."""
    moved = transformed(figure, shift(-base.x, -base.y))
    return list(statements_of(transformed(moved, rotation(Point(0.0, 0.0), -manner.datum.turn)) if manner.datum.turn else moved))


def figures_in(text: str, unit: str) -> list[tuple[str, Figure]]:
    """The figures that a text draws, with their pens, in another unit. Raises `Refused` (nothing_copied) where it draws none, and
    for the first line that cannot be drawn."""
    script = read_script(text)
    book = book_of(script)
    found: list[tuple[str, Figure]] = []
    for id in book.order:
        value = book.values[id]
        if isinstance(value, Problem):
            raise Refused(value)
        for one, _, figure in book.figures_of(id):
            if isinstance(value, StepResult) and not isinstance(figure, Untouchable) and seen(book, one):
                found.append((pen_of(book, one), in_unit(figure, book.header.manner.unit, unit)))
    if not found:
        raise refusal("nothing_copied")
    return found


def put_down(book: Book, text: str) -> list[Figure]:
    """What a text draws as it would lie about 0, 0 of a drawing: in its unit, along its datum. Raises `Refused`."""
    manner = book.header.manner
    turn = rotation(Point(0.0, 0.0), manner.datum.turn)
    return [transformed(figure, turn) if manner.datum.turn else figure for _, figure in figures_in(text, manner.unit)]


def pasted(book: Book, text: str, at: Point, id: str, in_front_of: str | None = None) -> tuple[Edit, str]:
    """The edit that puts down what a text draws, with its 0, 0 at a place. Raises `Refused`."""
    manner = book.header.manner
    entries: list[Entry] = []
    # Coordinates count along the datum, in the text as in this drawing: what is carried is only moved.
    by = shift(*manner.from_world(at))
    for pen, figure in figures_in(text, manner.unit):
        entries += [Entry(f"{pen} {line}" if pen != "ink" else line) for line in statements_of(transformed(figure, by))]
    edit, _ = write_all(book, entries, id, in_front_of)
    return edit, f"{len(entries)} figures put down"
