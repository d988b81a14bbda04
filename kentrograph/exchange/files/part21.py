"""The clear text encoding of exchange structures. Source, published: ISO 10303-21, the grammar in its annex, from memory.
Instances are read as they stand, without a schema."""

import re
from collections.abc import Callable
from typing import Any, NamedTuple

from .found import bad_file, finite

MOST_INSTANCES = 3_000_000
_MOST_DEPTH = 40
_TOKEN = re.compile(
    r"\s*(?:/\*.*?\*/\s*)*(?:"
    r"(?P<ref>#\d+)|(?P<num>[-+]?\d+(?:\.\d*)?(?:[eE][-+]?\d{1,3})?)|(?P<word>[A-Za-z_!][\w-]*)|(?P<enum>\.\w+\.)"
    r"|(?P<text>'(?:[^']|'')*')|(?P<bits>\"[0-9A-Fa-f]*\")|(?P<mark>[()=;,$*]))",
    re.DOTALL,
)
_WIDE = re.compile(r"\\X2\\([0-9A-Fa-f]*)\\X0\\|\\X\\([0-9A-Fa-f]{2})|\\S\\(.)|\\\\")


class Ref(NamedTuple):
    """An instance by its number."""

    id: int


class Enum(NamedTuple):
    """An enumerated value: ``T``, ``CARTESIAN``."""

    word: str


class Typed(NamedTuple):
    """A value with its type: ``PARAMETER_VALUE(1.5)``; of an instance, one of its entities."""

    word: str
    values: list[Any]


class Instances(dict[int, list[Typed]]):
    """The instances of a file by their numbers: the entities of each, several of a complex one."""

    def entity(self, ref: Any, *words: str) -> list[Any] | None:
        """The values of an instance's entity of one of these types; None where it is none of them."""
        for word, values in self.get(ref.id, ()) if isinstance(ref, Ref) else ():
            if word in words:
                return values
        return None


def read_part21(text: str, in_time: Callable[[], None]) -> Instances:
    """All instances of the data sections. Raises `Refused` (bad_file)."""
    if not text.lstrip().startswith("ISO-10303-21;"):
        raise bad_file("it does not begin with ISO-10303-21")
    begin = text.find("DATA;")
    if begin < 0:
        raise bad_file("it has no data section: it may have been cut off")
    return _Reader(text, begin + len("DATA;"), in_time).read()


class _Reader:
    def __init__(self, text: str, at: int, in_time: Callable[[], None]) -> None:
        self.text, self.at, self.in_time = text, at, in_time
        self.kind = self.word = ""
        self.match = _TOKEN.match

    def read(self) -> Instances:
        found = Instances()
        while True:
            self._next()
            if self.kind == "word" and self.word in ("ENDSEC", "DATA"):
                # Another data section, or the end of them.
                self._need(";")
                if self.text.find("DATA;", self.at) < 0:
                    return found
                self.at = self.text.find("DATA;", self.at) + len("DATA;")
                continue
            if self.kind != "ref":
                raise self._wrong("an instance")
            id = int(self.word[1:])
            self._need("=")
            self._next()
            found[id] = self._complex() if self.word == "(" else [Typed(self.word.upper(), self._list())]
            self._need(";")
            if len(found) % 4096 == 0:
                self.in_time()
            if len(found) > MOST_INSTANCES:
                raise bad_file(f"it has more than {MOST_INSTANCES:,} instances")

    def _complex(self) -> list[Typed]:
        entities: list[Typed] = []
        while True:
            self._next()
            if self.word == ")":
                return entities
            if self.kind != "word":
                raise self._wrong("the name of an entity")
            entities.append(Typed(self.word.upper(), self._list()))

    def _list(self) -> list[Any]:
        """The values in parentheses; lists within lists are kept on a stack of its own."""
        self._need("(")
        stack: list[list[Any]] = [[]]
        while True:
            self._next()
            match self.kind:
                case "num":
                    stack[-1].append(finite(self.word))
                case "ref":
                    stack[-1].append(Ref(int(self.word[1:])))
                case "text":
                    stack[-1].append(decoded(self.word[1:-1]))
                case "enum":
                    stack[-1].append(Enum(self.word[1:-1].upper()))
                case "word":
                    typed = Typed(self.word.upper(), [])
                    self._need("(")
                    stack[-1].append(typed)
                    stack.append(typed.values)
                case "bits":
                    stack[-1].append(None)
                case _:
                    if self.word == "(":
                        inner: list[Any] = []
                        stack[-1].append(inner)
                        stack.append(inner)
                    elif self.word == ")":
                        done = stack.pop()
                        if not stack:
                            return done
                    elif self.word in "$*":
                        stack[-1].append(None)
                    elif self.word != ",":
                        raise self._wrong("a value")
            if len(stack) > _MOST_DEPTH:
                raise bad_file(f"its lists stand more than {_MOST_DEPTH} deep in one another")

    def _next(self) -> None:
        token = self.match(self.text, self.at)
        if token is None or token.lastgroup is None:
            if not self.text[self.at :].strip():
                raise bad_file("it ends in the middle: it has been cut off")
            raise self._wrong("something else")
        self.at, self.kind = token.end(), token.lastgroup
        self.word = token[self.kind]

    def _need(self, mark: str) -> None:
        self._next()
        if self.word != mark:
            raise self._wrong(mark)

    def _wrong(self, wanted: str) -> Exception:
        line = self.text.count("\n", 0, self.at) + 1
        return bad_file(f"{wanted} is missing", f"line {line}")


def decoded(text: str) -> str:
    """A string as it is meant: two apostrophes are one, ``\\X2\\00E9\\X0\\`` a letter beyond ASCII."""

    def letters(match: re.Match[str]) -> str:
        wide, narrow, shifted = match.groups()
        try:
            if wide is not None:
                return bytes.fromhex(wide).decode("utf-16-be", "replace")
            if narrow is not None:
                return chr(int(narrow, 16))
        except ValueError:
            return "\ufffd"
        return chr(ord(shifted) + 128) if shifted is not None and ord(shifted) < 128 else "\\"

    return _WIDE.sub(letters, text.replace("''", "'"))


def encoded(text: str) -> str:
    """A string as it is written, in its apostrophes.

    >>> encoded("O'Hara"), decoded(encoded("Zahnräder")[1:-1])
    ("'O''Hara'", 'Zahnräder')
    """
    parts: list[str] = []
    for letter in text:
        if letter in "'\\":
            parts.append(letter * 2)
        elif " " <= letter <= "~":
            parts.append(letter)
        else:
            parts.append(f"\\X2\\{letter.encode('utf-16-be').hex().upper()}\\X0\\")
    return f"'{''.join(parts)}'"
