"""Every example of the reference page is drawn, reads back, and is one of a kind; every kind and reading has one."""

from xml.etree import ElementTree

import pytest

from kentrograph.core.book.kinds import ALL as KNOWN
from kentrograph.core.book.kinds import STATEMENT_KINDS
from kentrograph.core.book.pens import PENS
from kentrograph.core.book.readings import READINGS
from kentrograph.core.book.values import StepResult, Untouchable
from kentrograph.exchange.svg import Styled, picture
from tools.examples import DRAWING, EXAMPLES, REFUSED

from .support import book, report

ALL = [text for kind in EXAMPLES.values() for text, _ in kind]


@pytest.mark.parametrize("text", ALL)
def test_example_is_drawn_and_pictured(text: str) -> None:
    made = book(*DRAWING, text)
    value = made.values[made.order[-1]]
    assert isinstance(value, StepResult), value
    if not isinstance(value.figure, Untouchable):
        root = ElementTree.fromstring(picture([Styled(value.figure)]))
        assert len(list(root)) >= 2


def test_every_given_that_can_be_drawn_has_an_example() -> None:
    for kind, examples in EXAMPLES.items():
        if kind in STATEMENT_KINDS and kind != "join":
            used = {word for text, _ in examples for word in text.replace(":", " ").split()}
            # A sheet is none of the figures of the little drawing.
            unsaid = {"place", "figures", "circumference", "diameter", "on", *PENS}
            unsaid |= {
                g.word for g in STATEMENT_KINDS[kind].givens if g.takes in ("choice", "words", "two words") and kind == "sheet"
            }
            missing = {g.word for g in STATEMENT_KINDS[kind].givens} - used - unsaid
            assert not missing, (kind, missing)
    assert {word for word, kind in KNOWN.items() if kind.group not in ("number", "block")} == set(EXAMPLES)
    assert {text.split()[1] for text, _ in EXAMPLES["measure"]} == set(READINGS)


@pytest.mark.parametrize("text", REFUSED)
def test_refused_example_says_why(text: str) -> None:
    problems = report(*DRAWING, text)["problems"]
    assert len(problems) == 1
    assert problems[0]["kind"] != "not_yet"


def test_arcs_in_pictures_bend_the_way_they_run() -> None:
    # W3C SVG 1.1, F.6: with y downward, a sweep flag of 1 runs with growing angles, which is clockwise as seen.
    made = book("A1 = arc from 0, 0 to 40, 0 rise 10 left", "A2 = arc from 0, 0 to 40, 0 radius 25 right major")
    up, long = (made.values[i] for i in made.order)
    assert isinstance(up, StepResult)
    assert isinstance(long, StepResult)
    drawn = picture([Styled(up.figure), Styled(long.figure)])  # type: ignore[arg-type]
    assert 'd="M0 0A25 25 0 0 1 40 0"' in drawn
    assert 'd="M0 0A25 25 0 1 0 40 0"' in drawn
