"""Whole statements: ``[pencil|ink] [NAME =] kind given given ...``."""

import re
from dataclasses import dataclass, replace

from ..book.kinds import READS, STATEMENT_KINDS
from ..book.readings import READINGS
from ..book.tree import UNREAD, Given, KindOf, SetKind, Statement
from ..problem import Problem, Refused, refusal
from .cursor import QUESTIONS, Answer, Cursor, Hinge, nearest_words
from .givens import read_given
from .limits import limits_alone
from .numbers import looks_like_bearing, number
from .places import Reader
from .readings import read_reading
from .vocabulary import FUNCTIONS, HEADERS, PENS, RESERVED

_BEGIN_NUMBERS = frozenset(FUNCTIONS) | frozenset(READINGS) | {"pi"}
"""Words of the language that a number may begin with."""


@dataclass(frozen=True, slots=True)
class HeaderLine:
    """A line of a file's head: ``unit mm``; ``values`` are its words and numbers as written."""

    word: str
    values: tuple[str, ...]
    start: int
    end: int


def read_line(text: str) -> Statement:
    """Reads one statement, whatever it says: without any drawing around it, and without failing.

    A text that cannot be read is a statement that holds its problem, with the place, what could stand there and what
    was found. Line breaks are blanks: a statement is one line of the book.
    """
    return _read(_BREAKS.sub(" ", text) if "\n" in text or "\r" in text else text, {})[0]


_FIRST = re.compile(r"\s*([A-Za-z][A-Za-z0-9_]*)")
_BREAKS = re.compile(r"[\r\n]")


Asked = dict[Hinge, Answer]


def _read(text: str, answers: Asked) -> tuple[Statement, Asked]:
    """The reading with these answers, and the questions on which it hinges with the answers that were taken."""
    cursor = None
    try:
        cursor = Reader(text, answers)
        statement = _statement(cursor)
    except Refused as refused:
        statement = _unread(text, refused.problem)
    except RecursionError:
        # Places nest in places; nobody writes so many by hand.
        statement = _unread(text, Problem("too_deep", {}, 0, len(text)))
    asked = cursor.asked if cursor is not None else {}
    if not asked:
        return statement, asked
    hinges = tuple(dict.fromkeys(key for key, _ in asked))
    made = replace(statement, hinges=hinges, settle=lambda kind_of: _settled(made, asked, kind_of))
    return made, asked


def _settled(statement: Statement, asked: Asked, kind_of: KindOf) -> Statement:
    """The reading for what the names stand for. Another reading may ask further questions: until it asks none that is new."""
    answers: Asked = {}
    while True:
        answers |= {hinge: _answer(hinge, kind_of(hinge[0])) for hinge in asked if hinge not in answers}
        if all(_alike(answers[hinge], answer) for hinge, answer in asked.items()):
            return statement
        statement, asked = _read(statement.text, answers)


def _alike(one: Answer, other: Answer) -> bool:
    if isinstance(one, SetKind) and isinstance(other, SetKind):
        return (one.members, one.instead) == (other.members, other.instead)
    return one is other


def _answer(hinge: Hinge, kind: str | None) -> Answer:
    name, question = hinge
    if question == "members":
        return kind if isinstance(kind, SetKind) else False
    if question in ("step", "figure"):
        return kind is not None
    kinds, guess = QUESTIONS[question]
    return name[0] in guess if kind is None else kind in kinds


def _unread(text: str, problem: Problem) -> Statement:
    """A statement that could not be read: the name that it defines is known all the same, where that much could be read."""
    named = _NAMED.match(text)
    names = named["names"].split() if named else []
    name = " ".join(names) if names and all(map(_may_be_name, names)) else None
    return Statement(text, UNREAD, name, None, (), (), problem=problem)


_NAMED = re.compile(r"\s*(?:(?:pencil|ink)\s+)?(?P<names>[A-Za-z][A-Za-z0-9_]*(?:\s+[A-Za-z][A-Za-z0-9_]*)*)\s*=", re.IGNORECASE)


def _may_be_name(text: str) -> bool:
    return text.lower() not in RESERVED and not looks_like_bearing(text)


def parse_header(text: str) -> HeaderLine | None:
    """The header line in this text, or None where it is not one."""
    begins = _FIRST.match(text)
    if begins is None or begins[1].lower() not in HEADERS:
        return None
    c = Reader(text)
    if not c.at_word(*HEADERS):
        return None
    first = c.advance()
    rest = text[first.end : c.tokens[-1].start].split("#", 1)[0]
    return HeaderLine(first.text, tuple(rest.replace(",", " , ").split()), first.start, c.tokens[-1].end)


def is_blank(text: str) -> bool:
    """Whether a line holds nothing but blanks and a comment."""
    stripped = text.strip()
    return not stripped or stripped.startswith("#")


def _statement(c: Cursor) -> Statement:
    pen_start = c.tok.start
    pen = _pen(c)
    name = _defined_name(c)
    if pen is None:
        pen_start = c.tok.start
        pen = _pen(c)
    token = c.tok
    if pen is not None and c.at_name() and _names_a_figure(c, pen):
        # ``ink C1 from ... to ...`` names a figure where a kind would stand: it is inked over.
        if pen == "pencil":
            raise refusal("no_pencilling", pen_start, token.end, name=c.text[token.start : token.end])
        return _finish(c, "ink", name, pen, _figure_givens(c, "ink"), pen_start, pen_start + len(pen))
    if token.kind == "word" and token.text in STATEMENT_KINDS:
        c.advance()
        return _finish(c, token.text, name, pen, _figure_givens(c, token.text), token.start, token.end)
    if token.kind == "word" and token.text == READS:
        c.advance()
        return _finish(c, READS, name, pen, read_reading(c), token.start, token.end)
    if (
        name is not None
        and " " not in name
        and (token.kind != "word" or token.text not in RESERVED or token.text in _BEGIN_NUMBERS)
    ):
        start, c.only_number = token.start, True
        value = number(c)
        return _finish(c, "number", name, pen, [Given("value", (value,), (), start, c.last)], start, c.last)
    if token.kind == "end":
        over = ["the name of a figure"] if pen == "ink" else []
        raise refusal("unfinished", token.start, token.start, expected=["a kind of figure", *over])
    if token.kind == "word":
        known = [*STATEMENT_KINDS, *PENS, READS]
        raise refusal(
            "unknown_word",
            token.start,
            token.end,
            found=c.text[token.start : token.end],
            nearest=nearest_words(token.text, known),
        )
    c.fail("a kind of figure")


def _names_a_figure(c: Cursor, pen: str) -> bool:
    """Whether a name behind a pen is a figure, and no kind that was mistyped."""
    following = c.peek()
    if c.at_part() or following.kind == "end" or following.text in ("from", "to"):
        return True
    # Whatever is only begun behind it: the name is like no kind.
    return pen == "ink" and following.kind == "word" and not nearest_words(c.tok.text, [*STATEMENT_KINDS, READS])


def _pen(c: Cursor) -> str | None:
    """The pen in front of a figure; `hidden = 5` is a number with such a name."""
    return c.advance().text if c.at_word(*PENS) and c.peek().kind in ("word", "end") else None


def _finish(
    c: Cursor, kind: str, name: str | None, pen: str | None, givens: list[Given], kind_start: int, kind_end: int
) -> Statement:
    if c.tok.kind != "end":
        c.fail(*[g.word for g in STATEMENT_KINDS[kind].givens if g.written] if kind in STATEMENT_KINDS else ["the end"])
    return Statement(c.text, kind, name, pen, tuple(givens), tuple(c.uses), kind_start, kind_end)


def _defined_name(c: Cursor) -> str | None:
    """The name, or the names, before an equals sign."""
    count = 0
    while c.peek(count).kind == "word" if count else c.tok.kind == "word":
        count += 1
    if not count or c.peek(count).text != "=":
        return None
    names: list[str] = []
    for _ in range(count):
        token = c.advance()
        names.append(c.text[token.start : token.end])
        check_name(names[-1], token.start, token.end)
    c.advance()
    return " ".join(names)


def check_name(text: str, start: int = 0, end: int = 0) -> None:
    """Refuses a name that could not be told from a word or a bearing, or that is not one at all."""
    if not (text[:1].isascii() and text[:1].isalpha() and text.isascii() and text.replace("_", "a").isalnum()):
        raise refusal("bad_name", start, end, found=text, reason="letters")
    if text.lower() in RESERVED:
        raise refusal("bad_name", start, end, found=text, reason="word")
    if looks_like_bearing(text):
        raise refusal("bad_name", start, end, found=text, reason="bearing")


def _figure_givens(c: Cursor, kind: str) -> list[Given]:
    spec = STATEMENT_KINDS[kind]
    within = spec.given("within")
    c.limited = within is not None and within.takes == "compared"
    givens: list[Given] = []
    while c.tok.kind != "end":
        c.take_op(";")
        # What stands first is what is measured.
        givens.extend((limits_alone(c) if c.limited and givens else ()) or read_given(c, spec))
    return givens


__all__ = ["HeaderLine", "check_name", "is_blank", "parse_header", "read_line"]
