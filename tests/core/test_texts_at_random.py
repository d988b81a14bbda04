"""Examples with words of them changed, and words at random: each is read, drawn or answered with a sentence, and quickly.

``pytest tests/core/test_texts_at_random.py --mutations 1000000`` seeks longer.
"""

import random
from time import perf_counter

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.kinds import ALL, STATEMENT_KINDS
from kentrograph.core.book.readings import READINGS
from kentrograph.core.book.tree import Statement
from kentrograph.core.desk.draft import READING, Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.interpretation import given_texts
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer
from kentrograph.core.language.script import book_of, read, read_script
from tools.examples import DRAWING

from .support import book

SCRAPS = (
    "point", "circle", "line", "path", "arc", "centre", "radius", "touching", "through", "from", "to", "at", "C1", "P1", "K1",
    "until", "measure", "area", "gap", "repeat", "times", "step", "mirror", "over", "trim", "outline", "offset", "by", "wanted",
    "within", "(", ")", ",", ";", "=", "+", "-", "*", "/", "^", "°", "'", '"', "<", "@", "\\", "0", "1e308", "-1e-308", "9" * 60,
    "nan", "inf", "1/0", "sqrt(-1)", "\u200b", "٣", "𝟙", "\ufeff", "e", "pi", "a", "a.b", "..", "#", "5 mm", "3 ft 2 in", "90",
    "12:30", "\t", "\n",
)  # fmt: skip
WORDS = (*SCRAPS, *ALL, *(given.word for kind in ALL.values() for given in kind.givens))
EXAMPLES = [text for kind in ALL.values() for text, _ in kind.examples]
DRAFTED = [*STATEMENT_KINDS, READING, *(f"measure {word}" for word in READINGS)]
LONGEST = 2.0
"""Seconds."""


def spoilt(text: str, dice: random.Random) -> str:
    """A text of which some words are another one, gone, twice over, elsewhere or mistyped."""
    words = text.split()
    for _ in range(dice.randint(1, 4)):
        if not words:
            break
        n = dice.randrange(len(words))
        match dice.randrange(5):
            case 0:
                words[n] = dice.choice(WORDS)
            case 1:
                del words[n]
            case 2:
                words.insert(n, dice.choice(WORDS))
            case 3:
                at = dice.randrange(len(words[n]) + 1)
                words[n] = words[n][:at] + dice.choice("0123456789.,-+*/()'\"°@ e") + words[n][at:]
            case _:
                other = dice.randrange(len(words))
                words[n], words[other] = words[other], words[n]
    return " ".join(words)


def anything(dice: random.Random, most: int) -> str:
    """Words at random, or an example that was spoilt."""
    if dice.random() < 0.5:
        return spoilt(dice.choice(EXAMPLES), dice)
    return " ".join(dice.choices(WORDS, k=dice.randint(0, most)))


def settled(drawing: Book, text: str) -> Statement:
    """A statement as it is read behind all of a drawing."""
    return read(text).settled(lambda name: drawing.kind_at(name, len(drawing.order)))


def test_whatever_is_typed_is_answered(request: pytest.FixtureRequest) -> None:
    dice, drawing = random.Random(1119), book(*DRAWING)
    for _ in range(int(request.config.getoption("--mutations"))):
        began = perf_counter()
        text = anything(dice, 10)
        if dice.random() < 0.4:
            found = book_of(read_script(text))
            assert len(found.values) == len(found.order), text
        else:
            rows = tuple(anything(dice, 4) for _ in range(dice.randint(0, 3)))
            draft = Draft(dice.choice(DRAFTED), rows) if dice.random() < 0.6 else None
            pointer = Pointer(dice.uniform(-10, 120), dice.uniform(-10, 80), 2.0, 0.2) if dice.random() < 0.5 else None
            choice = dice.choice([None, None, 0, 3, -7])
            hand = Hand(draft=draft, text=text, pointer=pointer, choice=choice, aimed=dice.random() < 0.5)
            view = look(drawing, hand)
            assert view.problem is None or view.problem.message.strip(), (draft, text)
        assert perf_counter() - began < LONGEST, text


def test_any_givens_may_stand_beside_one_another(request: pytest.FixtureRequest) -> None:
    """Two or three givens of a kind, from its examples, in any order: they determine a figure, or it is said why not."""
    dice, drawing = random.Random(1120), book(*DRAWING)
    rows = {
        word: list(dict.fromkeys(row for text, _ in kind.examples for row in given_texts(settled(drawing, text))))
        for word, kind in STATEMENT_KINDS.items()
    }
    several = [word for word in STATEMENT_KINDS if len(rows[word]) > 3]
    for _ in range(int(request.config.getoption("--mutations"))):
        word = dice.choice(several)
        chosen = dice.sample(rows[word], dice.randint(2, 3))
        for hand in (Hand(text=f"{word} {' '.join(chosen)}"), Hand(draft=Draft(word, tuple(chosen[:-1])), text=chosen[-1])):
            view = look(drawing, hand)
            assert view.enter.do != "nothing" or view.problem, hand


@pytest.mark.parametrize(
    "text",
    [
        # Each was a fault once.
        "measure angle L1 at P1",
        "table centre of E2 edges L3 40, 25",
        "circle centre 0, 0 radius area 40, 25",
        "repeat C4 5 by 3 step 14, area 0, -12",
        "fillet P1: 3 at 30 radius 3",
        "chamfer P1: + 3, 4 by 3",
        "circle centre 0, 0 radius D1",
        "circle across P1 P3 at 20, -12",
        "dimension L2 within 0.2",
        "circle centre 0, 0 radius D1.length",
    ],
)
def test_what_was_a_fault_once_is_answered(text: str) -> None:
    view = look(book(*DRAWING, "D1 = dimension P1 P2"), Hand(text=text))
    assert view.problem or view.enter.do in ("begin", "write")


def test_a_table_that_is_half_typed_is_unfinished() -> None:
    """Its word may be a name, and was read as one: "place is one given too many"."""
    view = look(book(*DRAWING), Hand(text="table C1 edges L3"))
    assert view.problem is not None
    assert view.problem.kind == "unfinished"


BESIDES = (
    "D1 = dimension P1 P2",
    "S1 = sheet A3",
    "n1 = 12",
    "T1 = table C1",
    "X1 = axes C1",
    "L9 = line through P1 direction 30",
)


OTHERS = (
    "40, 25", "end of L1", "12", "P1.x", "edge 1 of K1", "corner 1 of K1", "centre of C1", "+ 3, 4", "@ 3 at 30", "P1: 3 at 30",
    "area 40, 25", "boss.C1", "(crossing of L1 C1)", "touch on C1 from P1", "nowhere", "-1", "0", "1e15",
)  # fmt: skip


@pytest.mark.parametrize("word", ALL)
def test_any_name_may_stand_where_another_does(word: str) -> None:
    """Each name in each example in turn is that of a thing of every kind, or a place, or a number: nobody is kept from typing
    ``radius D1``."""
    drawing = book(*DRAWING, *BESIDES)
    of_kind: dict[object, str] = {}
    for step in drawing.steps.values():
        for name in step.names:
            figure = drawing.figure_named(name.lower(), len(drawing.order))
            of_kind.setdefault((type(figure), getattr(figure, "closed", None), getattr(figure, "whole", None)), name)
    for text, _ in ALL[word].examples:
        for use in settled(drawing, text).uses:
            for name in (*of_kind.values(), *OTHERS):
                other = text[: use.start] + name + text[use.end :]
                view = look(drawing, Hand(text=other))
                assert view.enter.do != "nothing" or view.problem, other
