"""A place in the tokens of one statement, and the errors that name it."""

from abc import ABC, abstractmethod
from collections.abc import Iterable, Mapping
from difflib import get_close_matches
from enum import Enum
from typing import NamedTuple, NoReturn

from ..book.names import copy_name, edge_name, key_of
from ..book.tree import Given, Name, Number, Place, Portion, SetKind
from ..problem import Refused, refusal
from .lexer import Token, parted, tokens_of
from .vocabulary import PARTS, PLACE_WORDS, RESERVED, SHORT

DEEPEST = 60
"""Parentheses and places within one another."""
MOST_OPERATIONS = 200
"""Operations in one number."""


class Question(NamedTuple):
    """What is asked about a name: the kinds for which the answer is yes, and the first letters for which it is guessed."""

    kinds: frozenset[str]
    guess: str


QUESTIONS = {
    "number": Question(frozenset({"number", "reading"}), ""),
    "point": Question(frozenset({"point"}), "p"),
    "round": Question(frozenset({"circle", "ellipse"}), "c"),
    "centred": Question(frozenset({"point", "circle", "arc", "ellipse"}), "pc"),
    "step": Question(frozenset(), ""),
    "figure": Question(frozenset(), "abcdegklprs"),
}
"""Every question on which the reading of a text can hinge; `step` and `figure` are whether the name is that of any step: what
stands there otherwise is likelier for the one, and a name for the other."""

Hinge = tuple[str, str]
Answer = bool | SetKind
"""A name, in the form that is compared, and what is asked about it."""


class Wanted(Enum):
    """What a number is read for: ' and " are feet and inches in a length, minutes and seconds in a direction."""

    LENGTH = 1
    DIRECTION = 2


LENGTH, DIRECTION = Wanted.LENGTH, Wanted.DIRECTION


class Cursor(ABC):
    """Reads one statement from left to right.

    Where a text has two readings, the cursor asks one yes-or-no question about a name. ``answers`` holds what is known;
    ``asked`` collects the questions with the answers that were taken. A question without an answer is answered by
    a guess, so that every text has a reading without any drawing around it.
    """

    __slots__ = (
        "answers", "asked", "depth", "index", "last", "limited", "only_number", "operations", "text", "tok", "tokens", "uses",
    )  # fmt: skip

    def __init__(self, text: str, answers: Mapping[Hinge, Answer] | None = None) -> None:
        self.text = text
        self.answers = answers or {}
        self.asked: dict[Hinge, Answer] = {}
        self.tokens = tokens_of(text)
        self.index = 0
        self.tok: Token = self.tokens[0]
        self.last = 0
        self.uses: list[Name] = []
        self.depth = 0
        self.operations = 0
        self.only_number = False
        """Whether nothing but a number can follow: what stands behind a reading in it belongs to that."""
        self.limited = False
        """Whether an upper and a lower deviation end a sum: elsewhere they belong to it."""

    @abstractmethod
    def parenthesised(self, wanted: Wanted) -> Place | Number:
        """Reads a place or a number in parentheses."""

    @abstractmethod
    def measured_thing(self) -> Place | Name | Portion:
        """Reads what a reading is of: a figure, a place, or the segment or the sector of an arc."""

    @abstractmethod
    def reading_way(self) -> Given:
        """Reads how a reading is taken: along a direction, at a place, from or to a place."""

    def advance(self) -> Token:
        """Takes the present token and goes on to the next."""
        token = self.tok
        if token.kind != "end":
            self.index += 1
            self.last = token.end
            self.tok = self.tokens[self.index]
        return token

    def peek(self, ahead: int = 1) -> Token:
        """The token ``ahead`` of the present one."""
        return self.tokens[min(self.index + ahead, len(self.tokens) - 1)]

    def at_word(self, *words: str) -> bool:
        """Whether the present token is one of these words."""
        return self.tok.kind == "word" and self.tok.text in words

    def at_op(self, *marks: str) -> bool:
        """Whether the present token is one of these marks."""
        return self.tok.kind == "op" and self.tok.text in marks

    def take_word(self, *words: str) -> str | None:
        """Takes the present token if it is one of these words."""
        return self.advance().text if self.tok.kind == "word" and self.tok.text in words else None

    def take_op(self, *marks: str) -> str | None:
        """Takes the present token if it is one of these marks."""
        return self.advance().text if self.tok.kind == "op" and self.tok.text in marks else None

    def need_word(self, *words: str) -> str:
        """Takes one of these words or says that it was expected."""
        return self.take_word(*words) or self.fail(*words)

    def skip_to(self, end: int) -> None:
        """Goes past every token that begins before the offset ``end``."""
        while self.tok.kind != "end" and self.tok.start < end:
            self.advance()
        self.last = end

    def at_place(self, token: Token | None = None) -> bool:
        """Whether a further place may begin here (or, with a semicolon before it, at the token after that): with a name or a
        place word."""
        token = token or self.tok
        if token.kind != "word" or (token is self.tok and self.at_short()):
            return False
        if token.text not in RESERVED or token.text in ("corner", "box") or (token is self.tok and self.at_copy()):
            return True
        following = self.peek() if token is self.tok else self.peek(2)
        return token.text in PLACE_WORDS and token.text != "on" and following.text in ("of", "to")

    def fail(self, *expected: str) -> NoReturn:
        """Refuses the present token: ``expected`` is what could stand here."""
        token = self.tok
        if token.kind == "end":
            raise refusal("unfinished", token.start, token.start, expected=list(expected))
        raise refusal("unexpected", token.start, token.end, expected=list(expected), found=self.text[token.start : token.end])

    def deeper(self) -> None:
        """Counts one more level; refuses what no person writes."""
        self.depth += 1
        if self.depth > DEEPEST:
            raise refusal("too_deep", self.tok.start, self.tok.end)

    def operate(self) -> Token:
        """Takes an operation of the number that is being read; refuses more than anybody writes."""
        self.operations += 1
        if self.operations > MOST_OPERATIONS:
            raise refusal("too_deep", self.tok.start, self.tok.end)
        return self.advance()

    def at_name(self) -> bool:
        """Whether the present token can be the name of a figure."""
        return self.tok.kind == "word" and (self.tok.text not in RESERVED or self.at_copy()) and not self.at_short()

    def at_deviations(self) -> bool:
        """Whether an upper and a lower deviation stand here: two signed numbers with a blank before each and none behind its
        sign, a stroke between them or not; or the same in parentheses, where 0 needs no sign."""
        enclosed = self.at_op("(")
        first = 1 if enclosed else 0
        if not self._deviates(first, enclosed) or not (enclosed or self.tok.start > self.last):
            return False
        ahead = first + 2 if self._signed(first) else first + 1
        while not self._deviates(ahead, enclosed):
            token = self.peek(ahead)
            if token.kind == "end" or token.text in ("+", "-", "*", "^", "(", ")", ";", ",", ".."):
                return False
            ahead += 1
        between = self.peek(ahead - 1)
        if between.text != "/" and self.peek(ahead).start == between.end:
            return False
        rest = self.tokens[self.index + ahead + (2 if self._signed(ahead) else 1) :]
        if not enclosed:
            # With a third one, or a factor, it is a sum.
            return not any(token.text in ("+", "-", "*", "^") for token in rest)
        closing = next((n for n, token in enumerate(rest) if token.text == ")"), None)
        return closing is not None and rest[closing + 1].text not in (",", "..", ".", "*", "/", "^")

    def _deviates(self, ahead: int, enclosed: bool) -> bool:
        return self._signed(ahead) or (enclosed and (self.peek(ahead) if ahead else self.tok).text == "0")

    def _signed(self, ahead: int) -> bool:
        """Whether a sign and a number stand there with nothing between."""
        sign, value = self.peek(ahead) if ahead else self.tok, self.peek(ahead + 1)
        return sign.kind == "op" and sign.text in ("+", "-") and value.kind == "num" and value.start == sign.end

    def at_edge(self) -> bool:
        """Whether a piece of an outline is named here: ``edge 2 of K1``."""
        return self.at_word("edge") and self._whole(1) and self.peek(2).text == "of"

    def at_copy(self) -> bool:
        """Whether a member of a set is named here: ``copy 5 of S1``, in rows ``copy 3, 2 of S1``."""
        if not (self.at_word("copy") and self._whole(1)):
            return False
        return self.peek(2).text == "of" or (self.peek(2).text == "," and self._whole(3) and self.peek(4).text == "of")

    def at_member(self) -> bool:
        """Whether a named member of a set is named here: ``S1.C1``; what `PARTS` are called are numbers."""
        return self.tok.kind == "word" and self.peek().text == "." and self._is_member(self.peek(2))

    def at_part(self) -> bool:
        """Whether what is named here is a part of something else: an edge, a copy, a member."""
        return self.at_edge() or self.at_copy() or self.at_member()

    def _whole(self, ahead: int) -> bool:
        return self.peek(ahead).kind == "num" and self.peek(ahead).text.isdigit()

    @staticmethod
    def _is_member(token: Token) -> bool:
        return token.kind == "word" and token.text not in PARTS

    def at_short(self) -> bool:
        """Whether a size stands in the short form of the trade: ``r 12``, ``d 24``."""
        return self.tok.kind == "word" and self.tok.text in SHORT and self.peek().kind == "num"

    def at_size(self) -> bool:
        """The same where a list of names may go on: ``r12`` is a size there, unless a step has that name."""
        glued = self.tok.kind == "word" and self.tok.text[0] in SHORT and self.tok.text[1:].isdigit()
        return self.at_short() or (glued and not self.ask(self.tok, "step"))

    def part(self, *letters: str) -> bool:
        """Makes two tokens of a letter with a number behind it, where one of these is glued to it; whether the letter stands
        here now."""
        if self.tok.kind == "word" and self.tok.text[0] in letters and self.tok.text[1:2].isdigit():
            parted(self.text, self.tokens, self.index)
            self.tok = self.tokens[self.index]
        return self.at_word(*letters)

    def ask(self, token: Token | Name, question: str) -> bool:
        """Whether the name in this token stands for what is asked."""
        hinge = (key_of(token.text), question)
        answer = self.answers.get(hinge)
        if answer is None:
            answer = hinge[0][0] in QUESTIONS[question].guess
        self.asked[hinge] = answer
        return bool(answer)

    def members(self, name: Name) -> "SetKind | None":
        """What shaping a set or a group by this name shapes as well: see `SetKind`."""
        hinge = (name.key, "members")
        answer = self.answers.get(hinge)
        self.asked[hinge] = answer if isinstance(answer, SetKind) else False
        return answer if isinstance(answer, SetKind) else None

    def name(self) -> Name:
        """Takes the name of an existing figure."""
        if not self.at_name():
            self.fail("the name of a figure")
        if self.at_edge():
            start, number = self.advance().start, self.advance().text
            self.advance()
            outline = self.name()
            return Name(edge_name(number, outline.text), start, outline.end)
        if self.at_copy():
            start, first = self.advance().start, int(self.advance().text)
            row = int(self.advance().text) if self.take_op(",") else 0
            self.advance()
            of = self.name()
            return Name(copy_name(first, of.text, row), start, of.end)
        token = self.advance()
        name = Name(self.text[token.start : token.end], token.start, token.end)
        self.uses.append(name)
        while self.at_op(".") and self._is_member(self.peek()):
            self.advance()
            member = self.advance()
            name = Name(f"{name.text}.{self.text[member.start : member.end]}", name.start, member.end)
        return name


def nearest_words(found: str, known: Iterable[str]) -> list[str]:
    """Up to three known words that look like ``found``, nearest first."""
    return get_close_matches(key_of(found), list(known), n=3, cutoff=0.6)


__all__ = ["Cursor", "Refused", "nearest_words"]
