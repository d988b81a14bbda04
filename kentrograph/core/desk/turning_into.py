"""A reading as a dimension on the drawing, and a dimension as a reading in the book: the same thing said in the other place."""

from ..book.book import Book
from ..book.edits import Edit
from ..book.kinds import READS
from ..book.kinds.comparing import compares
from ..book.on_paper import Dimension
from ..book.values import Reading, StepResult
from ..problem import refusal
from .intents import write

_WAYS = {"radius": "radius", "diameter": "diameter", "angle": "angle", "arc": "length", "area": "area"}


def turned_into_other(book: Book, step: str, id: str) -> tuple[Edit, str]:
    """The edit that writes a reading's dimension, or a dimension's reading; the one there stays. Raises `Refused`: no_other for
    what is neither, or has none."""
    book.position(step)
    value, statement = book.values[step], book.steps[step].statement
    held = value.figure if isinstance(value, StepResult) else None
    if isinstance(held, Reading):
        return write(book, f"dimension {statement.text[statement.kind_end :].strip()}", id)
    if not isinstance(held, Dimension) or not held.readings or len(held.readings) > 1:
        raise refusal("no_other")
    said = [statement.text[g.start : g.end] for g in statement.givens]
    words = [g.word for g in statement.givens]
    things = [text.strip(" ;") for text, word in zip(said, words, strict=True) if word == "figures"]
    kept = [text for text, word in zip(said, words, strict=True) if word.startswith("in ") or word == "along" or compares(word)]
    way = next((word for word in words if word in ("across", "up")), "")
    if not way:
        # A line by itself has a length; two things lie apart.
        way = _WAYS.get(held.form) or ("length" if len(things) == 1 else "distance")
    return write(book, f"{READS} {way} {'; '.join(things)} {' '.join(kept)}".strip(), id)
