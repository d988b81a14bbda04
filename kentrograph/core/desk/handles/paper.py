"""The handle of what stands on a drawing: where its value or its words stand."""

from ...book.book import Book
from ...book.on_paper import Detail, Dimension, Note, OnPaper
from ...book.step import Step
from ...figures import Point
from ...sheet.at_table import layout_at_table
from ..pointer import Pointer
from ..pointing import plain_position
from .handle import Handle, Rows


def paper_handles(book: Book, step: Step, thing: OnPaper) -> list[Handle]:
    """One handle, with which it is put elsewhere; none of what has no place of its own."""
    if not isinstance(thing, Dimension | Note | Detail):
        return []
    layout = layout_at_table(book)
    laid = layout.laid.get(step.id)
    if laid is None:
        return []
    givens = step.statement.givens
    n = next((n for n, given in enumerate(givens) if given.word == "at"), None)

    def put(hand: Book, pointer: Pointer) -> Rows | str:
        row = f"at {plain_position(hand, pointer)[0]}"
        return {n: row} if n is not None else f"{step.statement.text}; {row}"

    if isinstance(thing, Detail):
        grip = thing.circle.centre
    else:
        grip = Point(laid.grip.x / layout.frame.size, laid.grip.y / layout.frame.size)
    what = "the words" if isinstance(thing, Note) else "it"
    return [Handle(grip, f"puts {what} elsewhere", step.id, put)]
