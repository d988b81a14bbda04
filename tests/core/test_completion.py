"""What may stand next, from the tables and the parser themselves."""

import re

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.kinds import ALL
from kentrograph.core.desk.completion import complete
from kentrograph.core.desk.open_line import read_open_line
from tools import examples

from .support import book

DRAWING = ("post = circle centre 0, 0 radius 5", "L1 = line from 0, 0 to 100, 0", "a = 45")

CASES = [
    ("ci", ["circle"], "first letters of a kind"),
    ("measure a", ["angle", "area"], "first letters of a reading"),
    ("line ", ["from", "to", "through"], "givens of a line"),
    ("line from cro", ["crossing of"], "a word for a place"),
    ("line from ", ["post", "start of"], "a place: names that stand for one, then words"),
    ("point cro", ["crossing of"], "a point's place needs no word in front"),
    ("circle centre 0, 0 d", ["diameter"], "a given that goes on as typed"),
    ("circle centre 0, 0 radius ", ["a"], "a named number where a number is wanted"),
    ("point crossing of L1 ", ["L1", "post"], "any figure, the latest first"),
    ("arc from 0,0 to 9,0 radius 30 ", ["left", "right", "major", "via"], "side words of the last given, then givens"),
    ("measure distance L1 post ", ["wanted"], "what a reading is compared with"),
    ("measure distance L1 post wanted 4 ", ["within"], "and how far it may be off"),
    ("dimension L1 wanted 4 ", ["within", "H7", "distance"], "of a dimension that before how it lies"),
    ("measure area post less ", ["L1", "post"], "holes that are taken away"),
    ("a = post.", ["x", "y"], "parts of a figure"),
    ("circle centre 0, 0", [], "in the middle of a number nothing is offered"),
    ("line from 0, 0 }", [], "nor behind what cannot be read"),
]


@pytest.mark.parametrize(("text", "first", "why"), CASES, ids=[c[2] for c in CASES])
def test_completion(text: str, first: list[str], why: str) -> None:
    words = [c.word for c in complete(book(*DRAWING), text)]
    if first:
        assert [w for w in words if w in first] == first, words
    else:
        assert words == []
    assert all(c.explanation for c in complete(book(*DRAWING), text))


# From the first letter ------------------------------------------------------------------------------------------

NOT_OFFERED = re.compile(
    r"^(at|from|on|of|along|past|x|y|end|start|first|second|third|fourth|segment|sector|N|S|E|W|middle|axis|less)$"
)
"""Words that join or count: they stand in the form of what was offered before them, or in an ending of it."""
QUOTED = re.compile(r'"[^"]*"')
WORDS = [
    (text, match.start(), match[0])
    for kind in ALL.values()
    for text, _ in kind.examples
    # What stands in quotation marks is the drafter's own.
    for match in re.finditer(r"[A-Za-z_]\w*", QUOTED.sub(lambda own: " " * len(own[0]), text))
    if not NOT_OFFERED.match(match[0]) and text[match.start() - 1 : match.start()] != "."
]


NOT_YET = ("point P3.x, P2", "30 at L2", "parallel L2 right", "until C1 leaving", "until C1 left", "radius 18 left")
"""Names within numbers, side words that belong to the whole statement: known, and left for later."""


@pytest.fixture(scope="module")
def drawing() -> Book:
    return book(*examples.DRAWING)


@pytest.mark.parametrize(("text", "at", "word"), WORDS, ids=[f"{t[:a]}|{w}" for t, a, w in WORDS])
def test_every_word_of_every_example_is_offered_from_its_first_letter(drawing: Book, text: str, at: int, word: str) -> None:
    """Kinds, givens, side words and names: whoever knows the first letter need not know the word."""
    if re.match(r"^(\w+ )*\w+\s*=", text) and at < text.index("="):
        # A name that is being given is the drafter's own.
        return
    if text[: at + len(word)].endswith(NOT_YET):
        return
    offered = [c.word.lower().split()[0] for c in complete(drawing, text[: at + 1])]
    typed = text[: at + 1].split()[-1].lower()
    assert word.lower() in offered or typed == word.lower() or len(offered) >= 12, offered


@pytest.mark.parametrize(("text", "at", "word"), WORDS, ids=[f"{t[:a]}|{w}" for t, a, w in WORDS])
def test_what_is_offered_can_be_read(drawing: Book, text: str, at: int, word: str) -> None:
    """No word is offered that the language would not take there: what is wrong then is at most that more is wanted."""
    before = text[:at]
    for offered in complete(drawing, text[: at + 1]):
        assert offered.explanation
        line = read_open_line(drawing, None, f"{before}{offered.word} ")
        if line.problem is not None and line.problem.kind in ("unexpected", "unknown_word", "unknown_given", "stray_side"):
            assert line.problem.end > at + len(offered.word), (offered.word, line.problem)


def test_each_of_several_names_of_a_step_is_offered_by_itself() -> None:
    b = book("C1 = circle centre 0, 0 radius 5", "L1 = line from 0, 0 to 9, 0", "boss edge = copy C1 L1 by 40, 0")
    assert [c.word for c in complete(b, "line from b")] == ["boss"]
    assert [c.word for c in complete(b, "line from middle of e") if c.word == "edge"] == ["edge"]
