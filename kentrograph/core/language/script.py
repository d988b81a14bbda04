"""Whole texts: a ``.kent`` file to a book, and a book to a text that reads back to the same book."""

import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import count
from typing import Any

from ..book.book import Book
from ..book.edits import Insert, Several
from ..book.kinds import ALL
from ..book.kinds.place import placed_symbols
from ..book.kinds.symbol import SYMBOL
from ..book.manner import Datum, Header
from ..book.names import key_of
from ..book.scene import pen_of, seen
from ..book.step import LETTERS, Besides, Names, Step, Taken, deal_name, free_name, like_name
from ..book.tree import UNREAD, Given, KindOf, Name, Statement, SymbolBody
from ..book.values import StepResult, Untouchable, Value
from ..figures import FIGURE_NAMES, FigureSet, Point
from ..figures.similarity import dilation, transformed
from ..problem import Problem, Refused, refusal
from ..units import convert
from .header import apply_header, header_lines, with_manner
from .statements import HeaderLine, check_name, is_blank, parse_header, read_line


@dataclass(frozen=True, slots=True)
class Misread:
    """A line that is no step: a header that says nothing, a name that is taken. Its number (from 1), its text, and why."""

    line: int
    text: str
    problem: Problem


@dataclass(frozen=True, slots=True)
class Script:
    """A text, read: the drawing's header, its steps, which line each stands on and how far it is set in, and the lines
    that are no steps. A line that cannot be read is a step that holds its problem."""

    header: Header
    steps: tuple[Step, ...]
    lines: dict[str, tuple[int, int]]
    misread: tuple[Misread, ...]


def read(text: str) -> Statement:
    """Reads one statement: a line, or the block of lines of a symbol. It needs no drawing around it, and cannot fail."""
    return _symbol(text) if _BEGINS.match(text) else read_line(text)


def read_script(text: str, header: Header | None = None) -> Script:
    """Reads a whole text, line by line. A header line holds from where it stands; nothing is raised."""
    header = header or Header()
    steps: list[Step] = []
    lines: dict[str, tuple[int, int]] = {}
    misread: list[Misread] = []
    kinds: dict[str, str] = {}
    names = Names()
    ids = count(1)
    growing = _Growing()
    for number, line in _lines(text):
        if is_blank(line):
            continue
        indent = len(line) - len(line.lstrip())
        try:
            head = _header(line)
            if head is not None:
                header = apply_header(head, header)
                continue
            statement = read(line.strip()).settled(kinds.get)
            step = named_step(f"s{next(ids)}", statement, header, names, kinds.get, growing.count)
        except Refused as refused:
            problem = refused.problem
            misread.append(Misread(number, line, problem.at(problem.start + indent, problem.end + indent)))
            continue
        steps.append(step)
        growing.waiting.append(step)
        lines[step.id] = (number, indent)
        for key, kind in zip(step.keys, step.kinds(kinds.get), strict=False):
            names.add(key)
            if kind is not None:
                kinds[key] = kind
    return Script(header, tuple(steps), lines, tuple(misread))


# Symbols ------------------------------------------------------------------------------------------------

_BEGINS = re.compile(r"\s*symbol\s+([A-Za-z]\S*)[ \t]*(?:#[^\n]*)?(?:\n|\Z)", re.IGNORECASE)
_ENDS = re.compile(r"\s*end\s+symbol\s*(?:#.*)?\Z", re.IGNORECASE)


def _lines(text: str) -> Iterator[tuple[int, str]]:
    """The lines of a text with their numbers, from 1; the block of a symbol is one."""
    block: list[str] = []
    deep = first = 0
    for number, line in enumerate(text.split("\n"), 1):
        line = line.rstrip("\r")
        begins = _BEGINS.fullmatch(line) is not None
        if not deep and not begins:
            yield number, line
            continue
        first = first if deep else number
        block.append(line)
        deep += 1 if begins else -1 if _ENDS.fullmatch(line) else 0
        if not deep:
            yield first, "\n".join(block)
            block = []
    if block:
        yield first, "\n".join(block)


def _symbol(text: str) -> Statement:
    """The statement of a symbol's block."""
    begins = _BEGINS.match(text)
    assert begins is not None
    try:
        check_name(begins[1], begins.start(1), begins.end(1))
        *inside, last = text.rstrip().split("\n")[1:] or [""]
        if not _ENDS.fullmatch(last):
            raise refusal("unfinished", len(text), len(text), expected=["end symbol"])
    except Refused as refused:
        return Statement(text, UNREAD, begins[1], None, (), (), problem=refused.problem)
    body = "\n".join(inside)
    start = begins.end()
    uses = tuple(_placed_in(body, start))
    given = Given("body", (_Body(body, start),), (), start, start + len(body))
    word = text.lower().index("symbol")
    return Statement(text, "symbol", begins[1], None, (given,), uses, word, word + len("symbol"))


def _placed_in(body: str, start: int) -> Iterator[Name]:
    """The symbols of the book around it that a symbol places."""
    own: set[str] = set()
    for at, line in _with_offsets(body, start):
        statement = read(line.strip())
        indent = len(line) - len(line.lstrip())
        uses = statement.uses if statement.kind == SYMBOL else placed_symbols(statement)
        yield from (Name(n.text, n.start + at + indent, n.end + at + indent) for n in uses if n.key not in own)
        own.update(map(key_of, statement.names))


def _with_offsets(body: str, start: int) -> Iterator[tuple[int, str]]:
    for _, line in _lines(body):
        yield start, line
        start += len(line) + 1


@dataclass(frozen=True, slots=True)
class _Body(SymbolBody):
    """The lines of a symbol, which begin at an offset in its text."""

    text: str
    start: int

    def drawn(self, symbols: Mapping[str, Any], manner: Any, unit: str) -> FigureSet:
        """What its lines draw. Raises `Refused`: in_symbol with the first line that cannot be drawn; empty_symbol."""
        script = read_script(self.text, Header(manner=replace(manner, datum=Datum())))
        book = Book.new(script.header, [*(_standing_for(key, figure) for key, figure in symbols.items()), *script.steps])
        wrong = [(m.line, m.problem) for m in script.misread]
        for step in script.steps:
            value = book.values[step.id]
            if isinstance(value, Problem):
                wrong.append((script.lines[step.id][0], value))
        if wrong:
            line, problem = min(wrong, key=lambda one: one[0])
            at = self.start + sum(len(before) + 1 for before in self.text.split("\n")[: line - 1])
            end = at + len(self.text.split("\n")[line - 1])
            raise refusal("in_symbol", at, end, line=line + 1, problem=problem)
        members: dict[str, tuple[Any, str]] = {}
        for step in script.steps:
            for id, name, figure in book.figures_of(step.id):
                if name and not isinstance(figure, Untouchable) and seen(book, id):
                    members[key_of(name)] = figure, pen_of(book, id)
        if not members:
            raise refusal("empty_symbol", self.start, self.start + len(self.text))
        figures, pens = zip(*members.values(), strict=True)
        # What is in ink is drawn with the pen that the symbol is placed with.
        own = tuple("" if pen == "ink" else pen for pen in pens)
        made = FigureSet(figures, tuple(members), 0, own if any(own) else ())
        times = convert(1.0, script.header.manner.unit, unit)
        scaled = transformed(made, dilation(Point(0.0, 0.0), times)) if times != 1.0 else made
        assert isinstance(scaled, FigureSet)
        return scaled


@dataclass(frozen=True, slots=True)
class _Known(SymbolBody):
    """A symbol of the book around, worked out already."""

    figure: Any

    def drawn(self, symbols: Mapping[str, Any], manner: Any, unit: str) -> Any:
        """Itself."""
        return self.figure


def _standing_for(key: str, figure: Any) -> Step:
    """A step that stands for a symbol of the book around."""
    statement = Statement(f"symbol {key}", "symbol", key, None, (Given("body", (_Known(figure),), (), 0, 0),), ())
    return Step(f"symbol {key}", key, False, statement, Header().manner)


class _Growing:
    """The book as far as a text has been read, for steps of which only drawing them tells how many figures come."""

    def __init__(self) -> None:
        self.book = Book.new()
        self.waiting: list[Step] = []

    def count(self, step: Step) -> list[str]:
        if self.waiting:
            more = Several(tuple(map(Insert, self.waiting)))
            self.book = self.book.edited(more)[0] if self.book.order else Book.new(steps=self.waiting)
            self.waiting = []
        return results(self.book.try_statement(step, len(self.book.order)))


def _header(line: str) -> HeaderLine | None:
    try:
        return parse_header(line)
    except Refused:
        # It cannot even be parted into words and numbers: as a step it says so itself.
        return None


Count = Callable[[Step], Sequence[str]]
"""The kinds of the figures that come of a step, where only drawing it can tell how many there are."""


def named_step(
    id: str,
    statement: Statement,
    header: Header,
    taken: Taken,
    kind_of: KindOf = lambda key: None,
    count: Count = lambda step: (),
) -> Step:
    """A step for a statement, with its own names or those dealt to it. Raises `Refused` (name_taken).

    ``kind_of`` says what the figures are that a verb works on: names are dealt by the letter of what comes of it.
    """
    written = statement.names
    for name in written:
        if key_of(name) in taken:
            start = statement.text.lower().find(name.lower())
            raise refusal("name_taken", start, start + len(name), name=name, free=like_name(name, taken))
    kind = ALL.get(statement.kind)
    if kind is None or not kind.shapes or kind.collects:
        own = statement.name or deal_name(statement.kind, taken)
        return Step(id, own, not written, statement, header.manner)
    step = Step(id, " ".join(written), not written, statement, header.manner)
    naming = kind.naming
    if naming is not None:
        kind_made = naming.own_kind(statement, kind_of)
        found = count(step)[len(step.carried) :] if naming.counted else [kind_made] * naming.fresh(statement)
        return dealt_more(step, found[len(written) :], taken)
    if not kind.keeps(statement):
        return replace(step, name="")
    kinds = [kind_of(operand.key) for operand in statement.operands]
    if any(one is None for one in kinds):
        # A member of a set, or an edge: only drawing it tells what it is.
        kinds = list(count(step)) or kinds
    return dealt_more(step, kinds[len(written) :], taken)


def dealt_more(step: Step, kinds: Sequence[str | None], taken: Taken) -> Step:
    """The step with names for further figures that come of it, dealt by the letters of their kinds."""
    names = list(step.own)
    for kind in kinds:
        names.append(free_name(LETTERS.get(kind or "", "P"), Besides(taken, {key_of(name) for name in names})))
    return replace(step, name=" ".join(names))


def results(value: Value) -> list[str]:
    """The kinds of the figures that come of a step that holds this."""
    return [FIGURE_NAMES.get(type(figure), "") for figure in value.results] if isinstance(value, StepResult) else []


def book_of(script: Script) -> Book:
    """The book that a text writes."""
    return Book.new(script.header, script.steps)


def write_script(book: Book) -> str:
    """A text that reads back to the same steps, names and manners. Ids, hidden and switched-off marks are not in it."""
    lines: list[str] = []
    taken = Names()
    now = Header()
    for id in book.order:
        step = book.steps[id]
        wanted = with_manner(book.header, step.manner)
        lines.extend(header_lines(now, wanted))
        now = wanted
        lines.append(_line_of(book, step, taken))
        taken.update(step.keys)
    lines.extend(header_lines(now, book.header))
    return "\n".join(lines) + "\n" if lines else ""


def _line_of(book: Book, step: Step, taken: Taken) -> str:
    """The text of a step, with its names in front where reading it again would deal others."""
    statement = step.statement
    if statement.names == step.own or not step.name:
        return statement.text
    position = book.position(step.id)
    unnamed = replace(statement, name=None)
    held = results(book.values[step.id])
    dealt = named_step(step.id, unnamed, book.header, taken, lambda key: book.kind_at(key, position), lambda bare: held)
    if not statement.names and dealt.name == step.name:
        return statement.text
    return with_names(statement, step.own)


def with_names(statement: Statement, names: Sequence[str]) -> str:
    """The text of a statement with these names in front of it, in place of those that stand there."""
    text = statement.text
    if not statement.names:
        return f"{' '.join(names)} = {text}"
    # As a word of its own: a pen, or the word for a symbol, may have its letters.
    first = re.search(rf"(?<!\w){re.escape(statement.names[0])}(?!\w)", text, re.IGNORECASE)
    assert first is not None
    rest = text[first.end() :]
    # A symbol is named behind its word, without an equals sign; what it holds may have names of their own.
    equals = re.match(r"[^=\n]*(=)", rest)
    return f"{text[: first.start()]}{' '.join(names)}{f' {rest[equals.start(1) :]}' if equals else rest}"
