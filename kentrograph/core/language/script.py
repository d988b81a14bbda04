"""Whole texts: a ``.kent`` file to a book, and a book to a text that reads back to the same book."""

from dataclasses import dataclass, replace
from itertools import count

from ..book.book import Book
from ..book.manner import Header
from ..book.step import Names, Step, Taken, deal_name, like_name
from ..book.tree import Statement, key_of
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
            step = named_step(f"s{next(ids)}", read(line.strip()).settled(kinds.get), header, names)
        except Refused as refused:
            problem = refused.problem
            misread.append(Misread(number, line, problem.at(problem.start + indent, problem.end + indent)))
            continue
        steps.append(step)
        lines[step.id] = (number, indent)
        if step.name:
            kinds[step.key] = step.figure_kind
            names.add(step.key)
    return Script(header, tuple(steps), lines, tuple(misread))


def _header(line: str) -> HeaderLine | None:
    try:
        return parse_header(line)
    except Refused:
        # It cannot even be parted into words and numbers: as a step it says so itself.
        return None


def named_step(id: str, statement: Statement, header: Header, taken: Taken) -> Step:
    """A step for a statement, with its own name or one dealt to it. Raises `Refused` (name_taken)."""
    if statement.name is None:
        return Step(id, deal_name(statement.kind, taken), True, statement, header.manner)
    if key_of(statement.name) in taken:
        free = like_name(statement.name, taken)
        start = statement.text.lower().find(statement.name.lower())
        raise refuse("name_taken", start, start + len(statement.name), name=statement.name, free=free)
    return Step(id, statement.name, False, statement, header.manner)


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
        lines.append(_line_of(step, taken))
        if step.name:
            taken.add(step.key)
    lines.extend(header_lines(now, book.header))
    return "\n".join(lines) + "\n" if lines else ""


def _line_of(step: Step, taken: Taken) -> str:
    text = step.statement.text
    if step.statement.name is not None or not step.name or deal_name(step.statement.kind, taken) == step.name:
        return text
    return f"{step.name} = {text}"
