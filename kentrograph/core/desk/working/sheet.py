"""What working is written on: loci in words, and the sums."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import hypot
from typing import Any

from ...book.book import Book
from ...book.chain import place_in
from ...book.kinds.bindings import Facts
from ...book.planner import Planner
from ...book.step import Step
from ...book.tree import Given, Name, NamedPlace, Place
from ...figures import Circle, Figure, Point, RoundCurve, halfway
from ...units import plain
from ..interpretation import env_of


@dataclass(frozen=True, slots=True)
class Working:
    """Loci to draw in thin pencil, each with its words, and the sums in words and numbers."""

    loci: tuple[tuple[Figure, str], ...]
    sums: tuple[str, ...]


class Sheet:
    """Collects the loci and sums of one step."""

    def __init__(self, book: Book, step: Step, planner: Planner) -> None:
        self.book = book
        self.step = step
        self._planner = planner
        self.loci: list[tuple[Figure, str]] = []
        self.sums: list[str] = []

    def n(self, value: float) -> str:
        """A number as the drawing shows it."""
        return plain(value, self.book.header.decimals)

    def draw(self, figure: Figure | None, words: str) -> None:
        """A locus, if there is one to draw."""
        if figure is not None:
            self.loci.append((figure, words))

    def say(self, words: str) -> None:
        """A sum."""
        self.sums.append(words)

    def called(self, given: Given) -> str:
        """What a given is called: its name, or its words as they were written."""
        argument = given.arguments[-1]
        if isinstance(argument, Name | NamedPlace):
            return (argument if isinstance(argument, Name) else argument.name).text
        words = self.step.statement.text[given.start : given.end].strip()
        return words.removeprefix(f"{given.word} ")

    def place(self, node: Place) -> Point:
        """A place of the statement as it stands. Raises `Refused`."""
        index = self.book.position(self.step.id)
        plan = place_in(self._planner, self.step.statement, node)
        return plan(env_of(self.book, self._planner, index), self.book.last_place(index))

    def figure(self, name: Name) -> Any:
        """The figure of a name; None where it draws none."""
        return self.book.figure_named(name.key, self.book.position(self.step.id))


def with_values(facts: Facts) -> Iterator[tuple[Given, tuple[Any, ...]]]:
    """Each given with the values of its arguments."""
    return zip(facts.layout.givens, facts.values, strict=True)


def value_of(facts: Facts, word: str) -> Any:
    """The first value of the given of a word."""
    return next(values[0] for given, values in with_values(facts) if given.word == word)


def between(a: Point, b: Point) -> float:
    """How far two places are apart."""
    return hypot(b.x - a.x, b.y - a.y)


def over_the_way(sheet: Sheet, place: Point, ring: RoundCurve, name: str) -> None:
    """The tangent from a place. Source, published: Euclid, Elements III.31."""
    half = between(place, ring.centre) / 2.0
    if half > 0.0:
        sheet.draw(Circle(halfway(place, ring.centre), half), f"circle over the way to the centre of {name}")
    sheet.say(f"The touching place sees the way as a right angle: a circle of {sheet.n(half)} over it meets {name} there.")
