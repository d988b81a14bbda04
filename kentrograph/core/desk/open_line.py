"""The open line: what is being written, what it would become, and what Enter would do.

A draft is a kind of figure with the givens stated so far, each in its own words. What is typed next is read as one
more given: as it stands, or with the word in front that the figure wants next.
"""

import re
from dataclasses import dataclass, field, replace
from typing import Literal

from ..book.book import Book
from ..book.kinds import READS, STATEMENT_KINDS
from ..book.kinds.dimension import WAYS
from ..book.manner import Header
from ..book.names import key_of
from ..book.step import Step
from ..book.tree import Statement
from ..book.values import StepResult, Value
from ..language.cursor import nearest_words
from ..language.header import apply_header
from ..language.statements import parse_header
from ..language.vocabulary import CHOOSERS, HEADERS, PENS, PLACE_WORDS, RESERVED, SHORT
from ..problem import Problem, Refused
from ..snap.kinds import ASKING
from .completion import Completion, complete, complete_beginning, complete_given
from .datum import datum_in_numbers
from .draft import READING, Draft, is_endless, reading_named
from .draft_from import draft_from
from .expectation import beginning_hint, expected_words, hint
from .intents import helped, mended
from .interpretation import given_texts, unfit, unknown_use
from .trying import tried

DRAFT_ID = "draft"

Do = Literal["begin", "given", "write", "header", "type", "nothing"]


@dataclass(frozen=True, slots=True)
class OpenLine:
    """What the open line shows and what Enter would do.

    ``row`` is the text as one more given, ``statement`` what Enter would write. ``problem`` has its place in the text
    being typed. ``value`` is what the statement would draw, where it can be drawn.
    """

    do: Do
    draft: Draft | None = None
    row: str = ""
    statement: str = ""
    step: Step | None = None
    value: Value | None = None
    problem: Problem | None = None
    hint: str = ""
    completions: tuple[Completion, ...] = field(default=())
    several: bool = False
    """Whether it would be written, were it said which of several solutions is meant."""


def read_open_line(book: Book, draft: Draft | None, text: str, index: int | None = None, offer: bool = True) -> OpenLine:
    """Reads what is being typed, against the book as it stands. Nothing is changed and nothing is raised.

    Without ``offer`` no words are looked up that could stand next.
    """
    at = len(book.order) if index is None else min(index, len(book.order))
    typed = text.strip()
    if not typed:
        return _evaluated(book, draft, at) if draft else OpenLine("nothing", hint=beginning_hint(book))
    if draft is None or (draft.untouched and _begins_anew(typed)):
        line, before = _beginning(book, typed, at), [""]
    else:
        line = _given(book, draft, typed, at)
        if draft.again and draft.rows and line.do == "nothing":
            # It was only supposed that the next one goes on from the last.
            anew = _given(book, replace(draft, rows=()), typed, at)
            draft, line = (replace(draft, rows=()), anew) if anew.do != "nothing" else (draft, line)
        begun = draft.untouched and line.do == "nothing" and typed.isalpha() and not complete_given(draft.kind, None, typed)
        other = _beginning(book, typed, at) if begun else None
        if other is not None and other.do == "begin":
            # A kind that is open but empty gives way to another one, also where its word is only begun.
            return other
        # What is typed may be the word of a given, or stand behind the one that was put in front of it.
        ways = [draft.placed(typed), draft.placed(line.row)]
        before = [whole[: end - len(typed)] for whole, end in ways]
    if not offer:
        return line
    # Offered with the blank that was typed last: it says whether the last word is finished.
    offered = tuple(dict.fromkeys(c for b in dict.fromkeys(before) for c in complete(book, b + text.lstrip(), at)))
    return half_word(replace(line, completions=offered or line.completions), typed, offered)


def half_word(line: OpenLine, typed: str, offered: tuple[Completion, ...]) -> OpenLine:
    """A word that is only begun is no mistake: Enter takes the one that is offered first into the row."""
    begun = re.search(r"[A-Za-z_]\w*$", typed)
    problem = line.problem
    asks = begun is not None and begun[0].lower() in ASKING
    if problem is not None and problem.kind == "unknown_name" and begun is not None and asks and problem.end > begun.start():
        # A word that asks for a kind of place, and is what is unknown: the click that follows says which.
        return replace(line, problem=None, hint="Point at what is meant.")
    if not offered or begun is None or problem is None or line.do != "nothing" or problem.end < len(typed):
        return line
    if problem.kind not in UNREAD and problem.kind != "unknown_name":
        return line
    word = offered[0].word
    whole = f"{typed[: begun.start()]}{word} "
    return replace(line, do="type", problem=None, statement=whole, hint=f"Enter takes: {word}.")


def read_mend(book: Book, id: str, text: str) -> OpenLine:
    """Reads another text for a step that is in the book."""
    try:
        step, value = mended(book, id, text)
    except Refused as refused:
        return OpenLine("nothing", problem=refused.problem)
    index = book.position(id)
    if isinstance(value, Problem):
        # A step may go on waiting for another one; anything else is to be mended here.
        waiting = value.kind in ("waits", "waits_for_last", "off")
        return OpenLine(
            "write" if waiting else "nothing", statement=text, step=step, value=value, problem=helped(book, value, index)
        )
    return OpenLine("write", statement=text, step=step, value=value)


def _evaluated(book: Book, draft: Draft, at: int) -> OpenLine:
    """The draft as it stands, with nothing typed."""
    step, value, problem = _try(book, draft.text(), at)
    drawn = value if isinstance(value, StepResult) else None
    statement = step.statement if step else None
    said = hint(draft.kind, statement, drawn is not None, problem)
    kind = STATEMENT_KINDS.get(draft.kind)
    enough = kind.default_completion(statement) if statement and drawn is None and kind is not None else None
    if enough is not None:
        value = _try(book, enough[0], at)[1]
        if isinstance(value, StepResult):
            offered = complete_given(draft.kind, statement, "")
            return OpenLine("write", draft, "", enough[0], step, value, None, enough[1], offered)
    if draft.again and draft.rows and kind is not None and kind.onward:
        said = f"It goes on from there. {said} Backspace begins elsewhere, Esc ends it."
    if _series(book, draft, at):
        said = f"A number is another radius about the same centre. {said}"
    do: Do = "write" if drawn is not None else "nothing"
    shown = None if problem is None or problem.kind in ("needs_given", "unfinished") else problem
    return OpenLine(do, draft, "", draft.text(), step, drawn, shown, said, complete_given(draft.kind, statement, ""))


def _given(book: Book, draft: Draft, typed: str, at: int) -> OpenLine:
    """One more given for the draft: as typed, or with the word in front that the figure wants next."""
    best: OpenLine | None = None
    before = _statement_of(book, draft.text(), at)
    for word in [*_series(book, draft, at), *_ways_to_read(draft.kind, before, typed)]:
        row = _with_word(draft.kind, word, typed)
        step, value, problem = _try(book, draft.text(row), at)
        if problem is not None and problem.kind == "needs_given" and step is not None:
            # What will not do by itself will not do with more either.
            problem = unfit(book, step, at) or problem
        elif problem is not None and step is not None:
            # A name that is none is what is wrong first, whatever else would be if it were one.
            problem = unknown_use(book, step.statement, at) or problem
        if problem is None or problem.kind == "needs_given":
            more = draft.grown(_rows(draft, row, step))
            done = isinstance(value, StepResult)
            said = hint(draft.kind, step.statement if step else None, done, problem)
            several = open_choice(step, value)
            do: Do = "write" if done and finished(draft.kind, step) and not several else "given"
            return OpenLine(
                do, more, row, draft.text(row), step, value if done else None, None, _CHOICE if several else said, several=several
            )
        shift = draft.placed(row)[1] - len(row) + row.index(typed)
        placed = problem.at(max(0, problem.start - shift), max(0, problem.end - shift))
        candidate = OpenLine(
            "nothing", draft, row, step=step, problem=_or_a_word(draft.kind, helped(book, placed, at)),
            hint=hint(draft.kind, before, False, _needed(book, draft, at)),
        )  # fmt: skip
        if best is None or understood(candidate) > understood(best):
            best = candidate
        if typed[0] in _NUMBER_BEGINS and word and problem.kind not in UNREAD and _takes_number(draft.kind, word):
            # A number that was understood, and will not do, is not tried as something else unsaid.
            break
    assert best is not None
    return best


def _with_word(kind: str, word: str, typed: str) -> str:
    """A bare entry with the word that it is read with: in front, but for a count of copies."""
    given = STATEMENT_KINDS[kind].given(word) if word and kind in STATEMENT_KINDS else None
    if given is not None and given.takes == "copies":
        return f"{typed} {word}"
    return f"{word} {typed}".strip()


def _or_a_word(kind: str, problem: Problem) -> Problem:
    """A name that is unknown may be a word that was mistyped."""
    if problem.kind != "unknown_name" or kind not in STATEMENT_KINDS:
        return problem
    words = [g.word for g in STATEMENT_KINDS[kind].givens if g.written] + sorted(PLACE_WORDS)
    nearest = [*nearest_words(problem.fields["name"], words), *problem.fields.get("nearest", ())]
    return replace(problem, fields={**problem.fields, "nearest": nearest})


_CHOICE = "Which of them is meant? ↑ ↓ go through them, a click takes one; Enter twice takes this one."


def open_choice(step: Step | None, value: Value | None) -> bool:
    """Whether several solutions are left, and nothing that was said chooses among them."""
    if step is None or not isinstance(value, StepResult) or len(value.solutions) < 2:
        return False
    return not any(g.chooses or g.word in CHOOSERS for g in step.statement.givens)


_NUMBER_BEGINS = "0123456789.-("


def _takes_number(kind: str, word: str) -> bool:
    given = STATEMENT_KINDS[kind].given(word) if kind in STATEMENT_KINDS else None
    return given is not None and given.quantity in ("length", "direction", "turn", "factor", "count")


def _series(book: Book, draft: Draft, at: int) -> list[str]:
    """Another size of what was written last."""
    kind = STATEMENT_KINDS.get(draft.kind)
    if not draft.again or draft.rows or kind is None or not kind.another or at == 0:
        return []
    last = book.steps[book.order[at - 1]]
    return [kind.another.format(name=last.name)] if last.figure_kind == kind.draws else []


def _needed(book: Book, draft: Draft, at: int) -> Problem | None:
    return _try(book, draft.text(), at)[2]


def _ways_to_read(kind: str, before: Statement | None, typed: str) -> list[str]:
    """Words to put in front of the text, likeliest first; an empty one reads it as it stands.

    Numbers and signs never stand alone behind another given: they would run into it.
    """
    expected = expected_words(kind, before)
    first = re.match(r"[A-Za-z]\w*", typed)
    if (first and first[0].lower() in RESERVED - PLACE_WORDS) or typed[0] in SHORT:
        return ["", *expected]
    return [*expected, ""] if first or not expected else expected


UNREAD = frozenset({"unexpected", "unknown_given", "unfinished", "unknown_word", "stray_side"})
"""Problems of text that could not be read, as against text that was read and cannot be drawn."""


READ = (2, 0)
"""How well text was understood that could be read, and cannot be drawn."""


def understood(line: OpenLine) -> tuple[int, int]:
    """How much of a text one reading of it understood, to be compared with another.

    Text that was read and cannot be drawn was understood best; then a word that looks like one of the language;
    then whatever was read furthest.
    """
    problem = line.problem
    if problem is None or problem.kind not in UNREAD:
        return READ
    return (1 if problem.fields.get("nearest") else 0, problem.start)


def _rows(draft: Draft, row: str, step: Step | None) -> tuple[str, ...]:
    """The rows after one more: each given of the statement on its own."""
    if step is None or reading_named(draft.kind) is not None:
        return (*draft.rows, row)
    return tuple(given_texts(step.statement))


def finished(kind: str, step: Step | None) -> bool:
    """Whether nothing more is to be said once the figure can be drawn: Enter then writes it at once."""
    if step is None:
        return False
    if kind in STATEMENT_KINDS and STATEMENT_KINDS[kind].givens[0].takes == "things":
        # Of a list of places and figures more can be named; an empty row says that there are no more.
        return bool(step.statement.givens) and step.statement.givens[-1].word not in ("figures", *WAYS)
    if is_endless(kind):
        return bool(step.statement.givens) and step.statement.givens[-1].word == "close"
    return True


def _beginning(book: Book, typed: str, at: int) -> OpenLine:
    """Nothing is begun: a word, a whole statement, coordinates, or a header line."""
    header = _header(book, typed)
    if header is not None:
        return header
    completions = complete_beginning(typed)
    if typed.lower() == READING:
        return OpenLine("begin", Draft(READING), hint="Point at what is to be read.")
    kind = _kind_word(typed)
    if kind is not None:
        stands = _evaluated(book, Draft(kind), at)
        return OpenLine("begin", Draft(kind), "", hint=stands.hint, completions=completions)
    step, value, problem = _try(book, typed, at)
    if step is not None:
        if open_choice(step, value):
            draft = draft_from(step.statement)
            return OpenLine("begin", draft, typed, typed, step, value, hint=_CHOICE, several=True)
        if isinstance(value, StepResult):
            return OpenLine("write", None, typed, typed, step, value, hint="Enter writes it.")
        if problem is not None and problem.kind == "needs_given":
            draft = draft_from(step.statement)
            return OpenLine("begin", draft, "", "", step, None, None, hint(draft.kind, step.statement, False, problem))
        return OpenLine("nothing", None, typed, step=step, problem=problem and helped(book, problem, at))
    as_point = None if typed.isidentifier() or _names_a_kind(book, typed, at) else _as_point(book, typed, at)
    if as_point is not None:
        return as_point
    assert problem is not None
    if completions and problem.kind in ("unknown_word", "unfinished", "unexpected"):
        first = completions[0].word
        return OpenLine("begin", Draft(first), hint=f"Enter begins: {first}.", completions=completions)
    return OpenLine("nothing", None, typed, problem=helped(book, problem, at))


def _names_a_kind(book: Book, typed: str, at: int) -> bool:
    """Whether a text begins with a word that may be a name, too, and is none here: it is no place then."""
    first = typed.split()[0]
    return first.lower() in STATEMENT_KINDS and book.find(key_of(first), at) is None


def _header(book: Book, typed: str) -> OpenLine | None:
    try:
        line = parse_header(datum_in_numbers(book, typed))
        if line is None:
            return None
        header: Header = apply_header(line, book.header)
    except Refused as refused:
        if refused.problem.kind != "bad_header":
            return None
        return OpenLine("nothing", problem=refused.problem)
    changes = "" if header != book.header else " It is so already."
    return OpenLine("header", statement=typed, hint=f"Enter sets the {line.word} of this drawing.{changes}")


def _as_point(book: Book, typed: str, at: int) -> OpenLine | None:
    """Coordinates alone write a point."""
    text = f"point {typed}"
    step, value, problem = _try(book, text, at)
    if isinstance(value, StepResult):
        return OpenLine("write", None, text, text, step, value, hint="Enter puts a point there.")
    if step is None and not (typed[0].isdigit() or typed[0] in "+-.("):
        return None
    placed = problem and problem.at(max(0, problem.start - 6), max(0, problem.end - 6))
    return OpenLine("nothing", None, text, problem=placed and helped(book, placed, at))


def _try(book: Book, text: str, at: int) -> tuple[Step | None, Value | None, Problem | None]:
    """The step a text would write, what it would hold, and what is wrong with it."""
    try:
        step, value = tried(book, text, DRAFT_ID, at)
    except Refused as refused:
        return None, None, refused.problem
    return step, value, value if isinstance(value, Problem) else None


def _statement_of(book: Book, text: str, at: int) -> Statement | None:
    step, _, _ = _try(book, text, at)
    return step.statement if step else None


def _begins_anew(typed: str) -> bool:
    """Whether the text begins another step: a kind that is open but empty gives way to it."""
    first = typed.lower().split()[0]
    if re.match(r"[A-Za-z]\w*\s*=", typed):
        # A name of its own is given to a step, not to a given.
        return True
    return first in STATEMENT_KINDS or first in HEADERS or first in PENS or first == READS


def _kind_word(typed: str) -> str | None:
    words = typed.lower().split()
    if len(words) == 1 and words[0] in STATEMENT_KINDS:
        return words[0]
    whole = " ".join(words)
    return next((kind for kind in (whole, f"{READS} {whole}") if reading_named(kind) is not None), None)
    return None
