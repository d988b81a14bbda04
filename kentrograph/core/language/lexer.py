"""Text to tokens. What a mark means (minutes or feet, bearing or name) is the parser's business: it depends on what is wanted."""

import re
from typing import Literal, NamedTuple

from ..problem import refusal

LONGEST = 200_000
"""Characters in one statement."""

_TOKEN = re.compile(
    r"""\s*(?:
      (?P<num>(?:[0-9]+(?:\.(?!\.)[0-9]*)?|\.[0-9]+)(?:[eE][+-]?[0-9]+)?)
    | (?P<word>[A-Za-z][A-Za-z0-9_]*)
    | (?P<op>\.\.|//|[-+*/^=%(),;:.'"°\u2212\u2032\u2033\u2019\u201d\u2300\u00d8\u00f8\u00d7\u00b1])
    )""",
    re.VERBOSE,
)
_CONTROL = re.compile(r"[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\ud800-\udfff]")
_BLANK = re.compile(r"\s*(?:\#.*)?\Z", re.DOTALL)
_SAME = {
    "\u2212": "-", "\u2032": "'", "\u2033": '"', "\u2019": "'", "\u201d": '"', "\u00d8": "\u2300", "\u00f8": "\u2300",
}  # fmt: skip
_QUOTED = re.compile(r'["\u201c\u201d]((?:[^"\u201d\u201c]|"")*)["\u201d]')
"""Words of a person's own, in quotation marks; a mark within is written twice."""
_GLUED = re.compile(r"([A-Za-z])([0-9]+(?:\.(?!\.)[0-9]*)?|\.[0-9]+)")


class Token(NamedTuple):
    """A number, a word, a mark, words in quotation marks, or the end; ``text`` of a word is in small
    letters, that of words in quotation marks begins with one."""

    kind: Literal["num", "word", "op", "quoted", "end"]
    text: str
    start: int
    end: int


def parted(text: str, tokens: list[Token], index: int) -> None:
    """Makes two tokens of one that is a letter and a number with nothing between, as in ``r12.5``."""
    token = tokens[index]
    found = _GLUED.match(text, token.start)
    if found is None:
        return
    middle, end = found.start(2), found.end()
    behind = next(n for n in range(index, len(tokens)) if tokens[n].end >= end)
    # What is glued behind the number is left as it stands: `r12x` is a word and no size.
    if tokens[behind].end == end:
        letter = Token("word", token.text[0], token.start, middle)
        tokens[index : behind + 1] = [letter, Token("num", found[2], middle, end)]


def tokens_of(text: str) -> list[Token]:
    """The tokens of one statement, the last of them an end. A ``#`` begins a comment.

    Raises `Refused` (too_long, control_sign, unknown_sign) with the place.
    """
    if len(text) > LONGEST:
        raise refusal("too_long", LONGEST, len(text), longest=LONGEST)
    control = _CONTROL.search(text)
    if control is not None:
        # Nobody can see it, and the database keeps no NUL; not in a comment either.
        raise refusal("control_sign", control.start(), control.end(), code=ord(control[0]))
    found: list[Token] = []
    position = 0
    match = _TOKEN.match
    while True:
        quoted = _quoted(text, position, found) if found else None
        if quoted is not None:
            found.append(quoted)
            position = quoted.end
            continue
        m = match(text, position)
        if m is None:
            break
        kind = m.lastgroup
        raw = m[kind]  # type: ignore[index]
        start = m.start(kind)  # type: ignore[arg-type]
        position = m.end()
        if kind == "word":
            raw = raw.lower()
        elif kind == "op":
            raw = _SAME.get(raw, raw)
        found.append(Token(kind, raw, start, position))  # type: ignore[arg-type]
    if not _BLANK.match(text, position):
        while text[position].isspace():
            position += 1
        raise refusal("unknown_sign", position, position + 1, found=text[position])
    found.append(Token("end", "", position, position))
    return found


def _quoted(text: str, position: int, before: list[Token]) -> Token | None:
    """Words in quotation marks, which stand behind a word (behind a number such a mark is one of inches). Raises `Refused`
    (open_quote) where the second mark is missing."""
    if before[-1].kind not in ("word", "quoted"):
        return None
    while position < len(text) and text[position].isspace():
        position += 1
    if text[position : position + 1] not in ('"', "\u201c", "\u201d"):
        return None
    found = _QUOTED.match(text, position)
    if found is None:
        raise refusal("open_quote", position, len(text))
    # The mark stays in front: what a person says is never taken for a word or a mark of the language.
    return Token("quoted", '"' + found[1].replace('""', '"'), position, found.end())


def quoted(words: str) -> str:
    """Words of a person's own as they are written in a statement.

    >>> print(quoted('a 6" pulley'))
    "a 6"" pulley"
    """
    return '"' + words.replace('"', '""').replace("\u201c", '""').replace("\u201d", '""') + '"'
