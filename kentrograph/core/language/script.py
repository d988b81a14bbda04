"""Whole texts: a ``.kent`` file to a book, and a book to a text that reads back to the same book."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from itertools import count

from ..book.book import Book
from ..book.edits import Insert, Several
from ..book.kinds import ALL
from ..book.manner import Header
from ..book.step import LETTERS, Besides, Names, Step, Taken, deal_name, free_name, like_name
from ..book.tree import KindOf, Statement, key_of
from ..book.values import Drawn, Value
from ..figures import KINDS as FIGURE_KINDS
from ..problem import Problem, Refused, refuse
from .header import apply_header, header_lines
from .statements import HeaderLine, is_blank, parse_header, read


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


def read_script(text: str) -> Script:
    """Reads a whole text, line by line. A header line holds from where it stands; nothing is raised."""
    header = Header()
    steps: list[Step] = []
    lines: dict[str, tuple[int, int]] = {}
    misread: list[Misread] = []
    kinds: dict[str, str] = {}
    names = Names()
    ids = count(1)
    growing = _Growing()
    for number, line in enumerate(text.split("\n"), 1):
        line = line.rstrip("\r")
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
            raise refuse("name_taken", start, start + len(name), name=name, free=like_name(name, taken))
    kind = ALL.get(statement.kind)
    if kind is None or not kind.shapes:
        own = statement.name or deal_name(statement.kind, taken)
        return Step(id, own, not written, statement, header.manner)
    step = Step(id, " ".join(written), not written, statement, header.manner)
    naming = kind.naming
    if naming is not None:
        kinds = count(step)[len(step.carried) :] if naming.counted else [naming.own_kind(statement, kind_of)] * naming.fresh
        return dealt_more(step, kinds[len(written) :], taken)
    if not kind.keeps(statement):
        return replace(step, name="")
    return dealt_more(step, [kind_of(operand.key) for operand in statement.operands[len(written) :]], taken)


def dealt_more(step: Step, kinds: Sequence[str | None], taken: Taken) -> Step:
    """The step with names for further figures that come of it, dealt by the letters of their kinds."""
    names = list(step.own)
    for kind in kinds:
        names.append(free_name(LETTERS.get(kind or "", "P"), Besides(taken, {key_of(name) for name in names})))
    return replace(step, name=" ".join(names))


def results(value: Value) -> list[str]:
    """The kinds of the figures that come of a step that holds this."""
    return [FIGURE_KINDS.get(type(figure), "") for figure in value.results] if isinstance(value, Drawn) else []


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
        wanted = replace(book.header, manner=step.manner)
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
    start = text.lower().find(statement.names[0].lower())
    return f"{text[:start]}{' '.join(names)} {text[text.index('=') :]}"
