"""The demo drawings brought from pencil to ink by hand: what comes of the brushes is what is kept as `.kent`."""

from math import pi

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.names import key_of
from kentrograph.core.figures import Arc, Outline
from kentrograph.core.figures.along import place_along
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.measure.area import area_of

from .drafter import Drafter
from .test_demo import DEMO

At = tuple[float, float]


def kept(name: str) -> tuple[Book, str]:
    """A demo drawing, and its text as far as the first thing that is inked by hand."""
    text = (DEMO / f"{name}.kent").read_text(encoding="utf-8")
    lines = text.splitlines()
    first = next(n for n, line in enumerate(lines) if " = ink " in line or " outline " in f" {line} ")
    return book_of(read_script(text)), "\n".join(lines[:first])


def outline(book: Book, name: str) -> Outline:
    found = book.figure_named(key_of(name), len(book.order))
    assert isinstance(found, Outline)
    return found


def opened(drafter: Drafter, name: str, text: str) -> Drafter:
    made = drafter.api.post("/drawings", json={"name": f"{name} in pencil", "text": text}).raise_for_status().json()
    drafter.id = made["id"]
    drafter.open()
    drafter.presses("Control+Home")
    drafter.settles()
    return drafter


def drawn(drafter: Drafter) -> Book:
    return book_of(read_script(drafter.api.get(f"/drawings/{drafter.id}/text").text))


@pytest.mark.parametrize(
    ("name", "inked", "joined"), [("belt-guard", ("A1", "A2"), "K2"), ("cam-plate", ("A1", "A2", "A3", "A4"), "K1")]
)
def test_arcs_inked_from_touching_place_to_touching_place(
    drafter: Drafter, name: str, inked: tuple[str, ...], joined: str
) -> None:
    """A click on each stretch, and Enter: the closed outline, to the last digit."""
    demo, text = kept(name)
    opened(drafter, name, text)
    drafter.types("ink")
    for one in inked:
        arc = demo.figure_named(key_of(one), len(demo.order))
        assert isinstance(arc, Arc)
        at = place_along(arc, arc.length / 2.0)
        drafter.clicks_on(at.x, at.y)
        drafter.settles()
    drafter.presses("Enter")
    drafter.settles()
    book = drawn(drafter)
    ours, theirs = outline(book, book.steps[book.order[-1]].names[0]), outline(demo, joined)
    assert ours.closed
    assert area_of(ours) == pytest.approx(area_of(theirs), rel=1e-12)
    assert ours.length == pytest.approx(theirs.length, rel=1e-12)


@pytest.mark.parametrize(
    ("name", "at", "joined"),
    [
        ("platform-ring", (1732.05, 1000.0), "board"),
        ("rounding-board", (-190.5, 110.0), "K1"),
        ("rounding-board", (0.0, 0.0), "K2"),
    ],
)
def test_what_lies_around_a_place_made_an_outline(drafter: Drafter, name: str, at: At, joined: str) -> None:
    """A click between what closes it in, with pencil out of sight where it divides what is meant."""
    demo, text = kept(name)
    opened(drafter, name, text)
    if name == "platform-ring":
        drafter.presses("Alt+p")
    drafter.types("outline")
    drafter.clicks_on(*at)
    drafter.settles()
    book = drawn(drafter)
    ours, theirs = outline(book, book.steps[book.order[-1]].names[0]), outline(demo, joined)
    assert area_of(ours) == pytest.approx(area_of(theirs), rel=1e-12)
    assert area_of(ours) > pi
