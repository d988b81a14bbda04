"""What a person asks of the book, turned into edits: write a step, mend one, strike one, set the header."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from difflib import get_close_matches
from typing import Annotated

from ..book.book import Book
from ..book.edits import Delete, Edit, Insert, Move, Replace, SetHeader, Several
from ..book.kinds import STATEMENT_KINDS
from ..book.names import key_of
from ..book.order import END
from ..book.scene import seen
from ..book.step import Besides, Step
from ..book.tree import UNREAD
from ..book.values import StepResult, Value
from ..language.header import apply_header
from ..language.script import named_step
from ..language.statements import parse_header
from ..language.vocabulary import CHOOSERS
from ..problem import Problem, Refused, refusal
from .bounds import WRITABLE, Bound, Message, Text
from .datum import datum_in_numbers
from .side_words import worded
from .trying import counting, readable, tried

_WAITING = frozenset({"waits", "waits_for_last", "off"})


def write(
    book: Book, text: str, id: str, in_front_of: str | None = None, pen: str = "ink", beside: str = ""
) -> tuple[Edit, str]:  # fmt: skip
    """The edit that writes a step (or sets the header), and its label. Raises `Refused` for what cannot be drawn.

    The pen in hand, where it is not ink, is written in front of a figure that does not say itself what it is drawn with.
    ``beside`` names special places that a plain position was taken within a hair of: the step is marked with them.
    """
    head = parse_header(datum_in_numbers(book, text))
    if head is not None:
        return SetHeader(apply_header(head, book.header)), head.word
    at = book.index_before(in_front_of)
    step, value = tried(book, text, id, at)
    if isinstance(value, Problem):
        raise Refused(helped(book, value, at))
    text = in_words(book, step, value, at)
    if text != step.statement.text:
        step, value = tried(book, text, id, at)
    if pen != "ink" and step.statement.pen is None and _takes_pen(step):
        text = f"{pen} {text}"
        step, _ = tried(book, text, id, at)
    if beside and "#" not in text:
        step, _ = tried(book, f"{text}  {BESIDE}{beside}", id, at)
    return Insert(step, in_front_of), label(step)


def _takes_pen(step: Step) -> bool:
    """Whether what is drawn takes the pen in hand; what comes of other figures is drawn as they are, and so is what stands on
    paper."""
    kind = STATEMENT_KINDS.get(step.statement.kind)
    if kind is None or kind.group == "paper" or kind.marks:
        return False
    return not kind.shapes or (kind.edges and not step.carried)


BESIDE = "# beside "
"""The comment that marks a step: something was taken within a hair of these special places, but not they."""


def beside_of(step: Step) -> str | None:
    """The special places that a step was marked to lie beside."""
    _, mark, places = step.statement.text.partition(BESIDE)
    return places if mark else None


def in_words(book: Book, step: Step, value: Value, index: int) -> str:
    """The text of a step that has several solutions, with the side words of the one that is taken where it says none: they
    keep it taken while numbers before it change. ``near`` and ``solution`` become such words, too."""
    givens = step.statement.givens
    unsaid = not any(g.chooses for g in givens) or any(g.word in CHOOSERS for g in givens)
    if unsaid and isinstance(value, StepResult) and len(value.solutions) > 1:
        return worded(book, step, value, value.chosen_index, index)
    return step.statement.text


def mend(book: Book, id: str, text: str) -> tuple[Edit, str]:
    """The edit that gives a step another text; its name stays unless the text names it otherwise."""
    step, value = mended(book, id, text)
    if isinstance(value, Problem) and value.kind not in _WAITING:
        raise Refused(helped(book, value, book.position(id)))
    said = in_words(book, step, value, book.position(id))
    if said != step.statement.text:
        step, _ = mended(book, id, said)
    return Replace(step), f"change of {label(step)}"


def mended(book: Book, id: str, text: str) -> tuple[Step, Value]:
    """A step with another text, and what it would hold."""
    index = book.position(id)
    before = book.steps[id]
    statement = readable(book, text, index)

    def kind_of(name: str) -> str | None:
        return book.kind_at(name, index)

    # What could not be read keeps the name by which others wait for it.
    kind_kept = statement.kind == before.statement.kind or (before.statement.kind == UNREAD and before.name != "")
    if statement.name is not None or statement.operands or before.statement.operands:
        taken = Besides(book.taken_names(), but=set(map(key_of, before.own)))
        step = named_step(id, statement, book.header, taken, kind_of, counting(book, index))
        fewer = is_counted(step) and kind_kept and len(step.own) < len(before.own)
        if statement.name is None and (len(step.own) == len(before.own) or fewer):
            # A name for which no figure comes any more waits until one does.
            step = replace(step, name=before.name, dealt=before.dealt)
        elif statement.name is None and is_counted(step) and kind_kept:
            step = replace(step, name=" ".join((*before.own, *step.own[len(before.own) :])))
    elif kind_kept or before.figure_kind == Step(id, "", True, statement, before.manner).figure_kind:
        step = replace(before, statement=statement)
    else:
        step = named_step(id, statement, book.header, book.taken_names(), kind_of)
    # Its numbers go on being read as they were when it was written, whatever the drawing counts in now.
    step = replace(step, manner=before.manner, hidden=before.hidden, off=before.off)
    return step, book.try_statement(step, index)


def is_counted(step: Step) -> bool:
    """Whether only drawing a step tells how many figures come of it."""
    kind = STATEMENT_KINDS.get(step.statement.kind)
    return kind is not None and kind.naming is not None and kind.naming.counted


def strike(book: Book, id: str, others: Sequence[str] = ()) -> tuple[Edit, str]:
    """The edit that takes a step, and others with it, out; the last first, so that each goes before what it needs."""
    ids = sorted({id, *others}, key=book.position, reverse=True)
    if len(ids) == 1:
        return Delete(id), f"striking {label(book.steps[id])}"
    return Several(tuple(Delete(one) for one in ids)), f"striking {len(ids)} steps"


def take_away(book: Book, figures: Sequence[str], id: str) -> tuple[Edit, str]:
    """The edit that takes figures, by their ids, out of sight.

    The step that draws a figure is struck, unless that would bring back what stood before it, or take others with it: what
    came of shaping, and one of several, is hidden by a step of its own, with this ``id``. Raises `Refused` (no_step).
    """
    struck: dict[str, None] = {}
    hidden: list[str] = []
    for one in dict.fromkeys(figures):
        book.position(book.step_of(one))
        step = book.steps[book.step_of(one)]
        beside = [other for other, _, _ in book.figures_of(step.id) if other not in figures and seen(book, other)]
        if book.name_of(one) and (beside or any(len(book.definers(key)) > 1 for key in step.keys)):
            hidden.append(book.name_of(one))
        else:
            struck[step.id] = None
    edits: list[Edit] = []
    if hidden:
        step, value = tried(book, f"hide {' '.join(hidden)}", id, len(book.order))
        if isinstance(value, Problem):
            raise Refused(value)
        edits.append(Insert(step))
    edits += [Delete(one) for one in sorted(struck, key=book.position, reverse=True)]
    if len(figures) == 1 and struck:
        return edits[0], f"striking {label(book.steps[next(iter(struck))])}"
    return Several(tuple(edits)), f"taking away {' '.join(hidden) if len(figures) == 1 else f'{len(figures)} figures'}"


@dataclass(frozen=True, slots=True)
class Entry(Message):
    """One of several things done as one change: a text that is written, or a figure, by its name, that is taken away."""

    text: Text = ""
    away: Annotated[str, Bound(max_length=200, pattern=WRITABLE)] = ""


def write_all(
    book: Book, entries: Sequence[Entry], id: str, in_front_of: str | None = None, pen: str = "ink"
) -> tuple[Edit, str]:
    """The edit that does several things one after the other; the steps that are written get ids that begin with ``id``.

    Raises `Refused` for the first that cannot be done; then nothing is.
    """
    edits: list[Edit] = []
    said: list[str] = []
    for n, entry in enumerate(entries):
        one = f"{id}-{n}"
        if entry.away:
            edit, word = take_away(book, [_named(book, entry.away)], one)
        else:
            edit, word = write(book, entry.text, one, in_front_of, pen)
        edits.append(edit)
        said.append(word)
        if n + 1 < len(entries):
            book, _ = book.edited(edit)
    return (edits[0], said[0]) if len(edits) == 1 else (Several(tuple(edits)), _together(said))


def _named(book: Book, name: str) -> str:
    """The figure that a name means at the end of the book. Raises `Refused` (unknown_name)."""
    found = book.version(key_of(name), END)
    if found is None:
        raise refusal("unknown_name", name=name)
    return found


def _together(said: Sequence[str]) -> str:
    """Several changes in few words: the first, and how many more."""
    words = {one.split(" ")[0] for one in said}
    word = words.pop()
    if words or word not in STATEMENT_KINDS:
        return f"{said[0]} and {len(said) - 1} more"
    return f"{word} of {len(said)} {'stretches' if STATEMENT_KINDS[word].brush else 'figures'}"


def move(book: Book, id: str, in_front_of: str | None = None) -> tuple[Edit, str]:
    """The edit that moves a step in front of another one, or to the end.

    Raises `Refused`: no_step; later_name where a step would then need one that comes after it.
    """
    book.position(id)
    edit = Move(id, in_front_of)
    after, _ = book.edited(edit)
    for changed in after.changed:
        now, before = after.values[changed], book.values[changed]
        if isinstance(now, Problem) and now.kind == "later_name" and now != before:
            raise Refused(now)
    return edit, f"moving {label(book.steps[id])}"


def flag(
    book: Book, id: str, hidden: bool | None = None, off: bool | None = None, others: Sequence[str] = ()
) -> tuple[Edit, str]:  # fmt: skip
    """The edit that hides or shows a step, or switches it off or on, and others with it."""
    ids = sorted({id, *others}, key=book.position)
    word = ("hiding" if hidden else "showing") if hidden is not None else "switching off" if off else "switching on"
    edits: list[Edit] = []
    for one in ids:
        step = book.steps[one]
        changed = replace(step, hidden=step.hidden if hidden is None else hidden, off=step.off if off is None else off)
        edits.append(Replace(changed))
    if len(edits) == 1:
        return edits[0], f"{word} {label(book.steps[id])}"
    return Several(tuple(edits)), f"{word} {len(edits)} steps"


def label(step: Step) -> str:
    """A step in two words: ``circle C4``."""
    kind = "step" if step.statement.kind == UNREAD else step.figure_kind if step.reads else step.statement.kind
    return f"{kind} {' '.join(step.names)}".strip()


def helped(book: Book, problem: Problem, index: int) -> Problem:
    """The same problem with the nearest names that do exist, where a name was not found."""
    if problem.kind != "unknown_name" or "nearest" in problem.fields:
        return problem
    wanted = key_of(problem.fields["name"])
    # P1 is no hint for C1: what begins otherwise is another kind of thing.
    names = book.names_like(wanted[0], index)
    near = get_close_matches(wanted, list(names), n=3, cutoff=0.5)
    return replace(problem, fields={**problem.fields, "nearest": [names[k] for k in near]})
