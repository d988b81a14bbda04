"""A place in the tokens of one statement, and the errors that name it."""

from collections.abc import Mapping
from difflib import get_close_matches
from typing import NoReturn

from ..book.tree import Name, key_of
from ..problem import Refused, refuse
from .lexer import Token, tokens_of
from .vocabulary import RESERVED

DEEPEST = 60
"""Parentheses and places within one another."""
MOST_OPERATIONS = 200
"""Operations in one number."""


class Cursor:
    """Reads one statement from left to right. ``kinds`` says what the names of earlier steps stand for."""

    __slots__ = ("depth", "index", "kinds", "last", "operations", "text", "tok", "tokens", "uses")

    def __init__(self, text: str, kinds: Mapping[str, str]) -> None:
        self.text = text
        self.kinds = kinds
        self.tokens = tokens_of(text)
        self.index = 0
        self.tok: Token = self.tokens[0]
        self.last = 0
        self.uses: list[Name] = []
        self.depth = 0
        self.operations = 0

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

    def fail(self, *expected: str) -> NoReturn:
        """Refuses the present token: ``expected`` is what could stand here."""
        token = self.tok
        if token.kind == "end":
            raise refuse("unfinished", token.start, token.start, expected=list(expected))
        raise refuse("unexpected", token.start, token.end, expected=list(expected), found=self.text[token.start : token.end])

    def deeper(self) -> None:
        """Counts one more level; refuses what no person writes."""
        self.depth += 1
        if self.depth > DEEPEST:
            raise refuse("too_deep", self.tok.start, self.tok.end)

    def operate(self) -> Token:
        """Takes an operation of the number that is being read; refuses more than anybody writes."""
        self.operations += 1
        if self.operations > MOST_OPERATIONS:
            raise refuse("too_deep", self.tok.start, self.tok.end)
        return self.advance()

    def at_name(self) -> bool:
        """Whether the present token can be the name of a figure."""
        return self.tok.kind == "word" and self.tok.text not in RESERVED

    def kind_of(self, token: Token) -> str | None:
        """What the name in this token stands for, as far as known."""
        return self.kinds.get(token.text)

    def name(self) -> Name:
        """Takes the name of an existing figure."""
        if not self.at_name():
            self.fail("the name of a figure")
        token = self.advance()
        name = Name(self.text[token.start : token.end], token.start, token.end)
        self.uses.append(name)
        return name


def nearest_words(found: str, known: "list[str] | Mapping[str, str]") -> list[str]:
    """Up to three known words that look like ``found``, nearest first."""
    return get_close_matches(key_of(found), list(known), n=3, cutoff=0.6)


__all__ = ["Cursor", "Refused", "nearest_words"]
