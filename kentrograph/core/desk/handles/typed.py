"""The numbers that were typed for a shape, and the handles that write them anew."""

from ...book.book import Book
from ...book.step import Step
from ...figures import Point
from ..interpretation import given_texts
from ..pointer import Pointer
from .handle import Handle, Pull, Rows, from_base, literal, turned_text


class Typed:
    """The givens of a step that were typed as numbers: ``numbers`` is where each stands, by its word, ``texts`` how all read."""

    def __init__(self, step: Step) -> None:
        self.step = step
        self.texts = given_texts(step.statement)
        self.numbers = {g.word: n for n, g in enumerate(step.statement.givens) if literal(g)}

    def handle(self, at: Point, pull: Pull, *words: str) -> Handle:
        """A handle that changes the givens with these words."""
        return Handle(at, f"changes {' and '.join(self.texts[self.numbers[word]] for word in words)}", self.step.id, pull)


def turned_about(base: Point, n: int, sign: float) -> Pull:
    """How far a shape is turned, by the direction of the pointer from ``base``, or (-1) the opposite one."""

    def pull(book: Book, pointer: Pointer) -> Rows | None:
        dx, dy, away = from_base(base, pointer)
        return {n: turned_text(book, sign * dx, sign * dy, pointer)} if away > 0.0 else None

    return pull
