"""What may stand next, here, in this drawing: words with one line each. From the tables and the parser themselves.

The text up to the word that is being written is parsed; what the parser then asks for is what is offered.
"""

import re
from dataclasses import dataclass

from ..book.book import Book
from ..book.kind import GivenSpec
from ..book.kinds import ALL, READS, STATEMENT_KINDS, is_reading
from ..book.kinds.comparing import compares
from ..book.readings import READINGS
from ..book.tree import CrossingOf, FootOf, Name, Statement
from ..figures import FIGURE_NAMES, Line
from ..language.vocabulary import PARTS, SIDES
from ..problem import Refused
from .draft import READING
from .trying import readable

MOST = 12

SIDE_WORDS = {
    "left": "to the left, as it runs",
    "right": "to the right, as it runs",
    "entering": "where the line enters",
    "leaving": "where the line leaves",
    "major": "the long way round",
    "minor": "the short way round",
    "clockwise": "clockwise",
    "counter-clockwise": "counter-clockwise",
    "first": "the first of them",
    "second": "the second of them",
    "outside": "the two lie outside each other",
    "inside": "the new one lies inside it",
    "enclosing": "the new one encloses it",
}
KIND_OF_WAY = {
    "level": "a line level with a place",
    "plumb": "a line plumb with a place",
    "through": "a line through a place",
    "direction": "a line in a direction",
    "parallel": "a line parallel to one",
    "square": "a line square to one",
    "continuing": "straight on from an end",
    "to": "and then where it ends",
    "start": "where the figure begins",
    "end": "where the figure ends",
}
_OF_PLACE = ("entering", "leaving", "left", "right", "first", "second")
_OF_LINE = ("left", "right")
_OF_ROUND = ("outside", "inside", "enclosing")
PLACE_WORDS = {
    "start of": "where a figure begins",
    "end of": "where a figure ends",
    "middle of": "halfway, or the area centre",
    "centre of": "the centre of a round figure",
    "corner": "a corner of an outline, by its number",
    "crossing of": "where two figures cross",
    "foot of": "foot of the perpendicular",
    "nearest to": "the nearest place on a figure",
    "touch of": "touching point of a tangent",
}


@dataclass(frozen=True, slots=True)
class Completion:
    """A word and what it is for."""

    word: str
    explanation: str


def complete(book: Book, text: str, index: int | None = None) -> tuple[Completion, ...]:
    """Words that may stand where ``text`` ends, and go on as its last word begins."""
    at = len(book.order) if index is None else index
    begun = re.search(r"[A-Za-z_]\w*$", text)
    partial = begun[0].lower() if begun else ""
    before = text[: len(text) - len(partial)]
    if before and not partial and not before[-1].isspace() and before[-1] != ".":
        # A number or a sign has just been written: the next word has not been begun.
        return ()
    if not before.strip() or before.rstrip().endswith("="):
        return complete_beginning(partial)
    found = [c for c in _after(book, before, at, partial) if c.word.lower().startswith(partial) and c.word.lower() != partial]
    return tuple(found[:MOST])


def complete_beginning(typed: str) -> tuple[Completion, ...]:
    """Words that begin a step and go on as typed. Only what can be drawn is offered."""
    typed = " ".join(typed.lower().split())
    found = [Completion(k.word, k.explanation) for k in STATEMENT_KINDS.values() if k.word.startswith(typed)]
    if typed and READING.startswith(typed):
        found.append(Completion(READING, "what lies under the pointer; a click keeps it"))
    for word, explanation in ((word, one.explanation) for word, one in READINGS.items()):
        if typed and (f"{READS} {word}".startswith(typed) or word.startswith(typed)):
            found.append(Completion(f"{READS} {word}", explanation))
    return tuple(found[:MOST])


def _after(book: Book, before: str, at: int, partial: str) -> list[Completion]:
    if before.rstrip().endswith("."):
        return [Completion(word, explanation) for word, explanation in PARTS.items()]
    try:
        statement = readable(book, before, at)
    except Refused as refused:
        problem = refused.problem
        if problem.kind != "unfinished":
            return []
        # What something is the middle, an end or the centre of can be any figure.
        of = _names(book, at, None, partial) if before.rstrip().lower().endswith(" of") else []
        return [*of, *(c for wanted in problem.fields["expected"] for c in _wanted(book, wanted, at, partial))]
    if not statement.givens and _bare_place(statement.kind):
        return [*_givens(statement), *_wanted(book, "a place", at, partial)]
    more, givens = _more(book, statement, at, partial), _givens(statement)
    if _measures(statement) and statement.operands:
        # Something is given already: what is to be said of it comes first.
        more, givens = givens, more
    return [*_sides(book, statement, at), *more, *givens]


def _bare_place(kind: str) -> bool:
    """Whether a kind begins with a place that needs no word in front of it."""
    first = STATEMENT_KINDS[kind].givens[:1] if kind in STATEMENT_KINDS else ()
    return bool(first) and first[0].takes == "place" and not first[0].written


def _measures(statement: Statement) -> bool:
    """Whether a kind begins with a list of places and figures."""
    first = STATEMENT_KINDS[statement.kind].givens[:1] if statement.kind in STATEMENT_KINDS else ()
    return bool(first) and first[0].takes == "things"


def _more(book: Book, statement: Statement, at: int, partial: str) -> list[Completion]:
    """Further names for a given that takes several: ``touching C1 C2``, ``through P1 P2``, ``move C1 C2``."""
    given = _last_given(statement)
    first = STATEMENT_KINDS[statement.kind].givens[:1] if statement.kind in STATEMENT_KINDS else ()
    if _measures(statement) and (given is None or given.takes in ("things", "nothing")):
        return [*_names(book, at, None, partial), *(Completion(w, e) for w, e in PLACE_WORDS.items())]
    if is_reading(statement):
        last = statement.givens[-1] if statement.givens else None
        most = max(READINGS[last.word].counts) if last is not None and last.word in READINGS else 0
        more = last is not None and (last.word == "less" or len(last.arguments) < most)
        return [*_names(book, at, None, partial), *(Completion(w, e) for w, e in PLACE_WORDS.items())] if more else []
    if given is None:
        if not any(g.word == "figures" for g in first):
            return []
        corner = (
            [Completion("corner", PLACE_WORDS["corner"])]
            if STATEMENT_KINDS[statement.kind].edges and not STATEMENT_KINDS[statement.kind].brush
            else []
        )
        return [*_names(book, at, set(first[0].names) or None, partial), *corner]
    if given.takes == "nothing" and not statement.operands:
        return _names(book, at, None, partial) if STATEMENT_KINDS[statement.kind].marks in ("pen", "hide", "show") else []
    places = given.takes == "places"
    one_of_two = given.takes == "one or two things" and len(statement.givens[-1].arguments) == 1
    several = places or given.takes == "figures" or one_of_two
    kinds = {"point", "circle", "arc", "ellipse"} if places else set(given.names) or None
    return _names(book, at, kinds, partial) if several else []


def _last_given(statement: Statement) -> GivenSpec | None:
    if not statement.givens or statement.kind not in STATEMENT_KINDS:
        return None
    return STATEMENT_KINDS[statement.kind].given(statement.givens[-1].word)


def _wanted(book: Book, wanted: str, at: int, partial: str) -> list[Completion]:
    """What fits one thing that the parser expected."""
    if wanted in ("a place", "a place or a figure"):
        kinds = {"point", "circle", "arc", "ellipse"} if wanted == "a place" else None
        return [*_names(book, at, kinds, partial), *(Completion(w, e) for w, e in PLACE_WORDS.items())]
    if wanted in ("the name of a figure", "the name of a hole"):
        return _names(book, at, None, partial)
    if wanted == "the name of a line":
        return _names(book, at, {"line"}, partial)
    if wanted == "a kind of figure":
        return list(complete_beginning(""))
    if wanted in ("a number", "a direction"):
        return _names(book, at, {"number", "reading"}, partial)
    if wanted.isalnum():
        reading = READINGS.get(wanted)
        said = reading.explanation if reading is not None else KIND_OF_WAY.get(wanted, "the word that comes next here")
        return [
            Completion(
                wanted,
                said,
            )
        ]
    return []


_NO_FIGURES = frozenset({"number", "reading"}) | {
    kind.draws for kind in STATEMENT_KINDS.values() if kind.group == "paper" and not kind.shown
}
"""What is no figure, and offered where a figure is wanted by no one."""


def _names(book: Book, at: int, kinds: set[str] | None, partial: str) -> list[Completion]:
    """Names of steps that go on as one that is begun, the latest first, each with what it stands for."""
    found: dict[str, Completion] = {}
    for step in book.latest(at):
        for key, name in zip(step.keys, step.names, strict=True):
            if key in found or not key.startswith(partial):
                continue
            kind = book.kind_at(key, at) or ""
            if kind in kinds if kinds is not None else kind not in _NO_FIGURES:
                found[key] = Completion(name, f"{kind}: {step.statement.text}")
        if len(found) > MOST:
            break
    return list(found.values())


def _sides(book: Book, statement: Statement, at: int) -> list[Completion]:
    """Side words: those that the last given declares, those of the figure that it touches, those of a place in it."""
    if not statement.givens or statement.kind not in STATEMENT_KINDS:
        return []
    last, given = statement.givens[-1], _last_given(statement)
    words = list(given.sides if given else ())
    argument = last.arguments[-1] if last.arguments else None
    if isinstance(argument, CrossingOf | FootOf) and not argument.sides:
        words += _OF_PLACE
    if last.word == "touching" and isinstance(argument, Name):
        straight = FIGURE_NAMES[Line] in (STATEMENT_KINDS[statement.kind].draws, book.kind_at(argument.key, at))
        words += _OF_LINE if straight else _OF_ROUND
    return [Completion(w, SIDE_WORDS[w]) for w in dict.fromkeys(words) if w not in last.sides and w in SIDES]


def _givens(statement: Statement) -> list[Completion]:
    if is_reading(statement):
        said = {g.word for g in statement.givens}
        # How far off is meant of what is wanted, so it stands behind that.
        limits = {"least", "most"}
        of = READINGS.get(statement.givens[0].word) if statement.givens else None
        way = of.ways if of is not None else ()
        unfit = (
            said
            | ({"from", "to", "along", "at", "less"} - {*way})
            | (limits if "wanted" in said else {"within", *({"wanted"} if said & limits else ())})
        )
        found = [Completion(g.word, g.explanation) for g in ALL["measure"].givens if g.word not in unfit]
        last = statement.givens[-1] if statement.givens else None
        if last is not None and last.word in ("wanted", "within") and len(last.arguments) == 1:
            found.append(Completion("to", "the other limit"))
        if last is not None and last.word == "wanted":
            found += [Completion(fit, "a fit, with any grade") for fit in _FITS]
        return found
    found = list(complete_given(statement.kind, statement, "", None))
    within = ALL[statement.kind].given("within")
    compared = [g.word for g in statement.givens if compares(g.word)]
    if within is not None and within.takes == "compared" and statement.givens and compared in ([], ["wanted"]):
        found += [Completion(fit, "a fit, with any grade") for fit in _FITS]
        if compared:
            # Limits follow the wanted value directly, so they are offered before other givens.
            found.sort(key=lambda one: not (compares(one.word) or one.word in _FITS))
    return found


_FITS = ("H7", "H11", "js7", "h6", "g6", "f7", "n6", "p6")


def complete_given(kind: str, statement: Statement | None, typed: str, most: int | None = MOST) -> tuple[Completion, ...]:
    """Givens of a kind that are not stated yet and go on as typed."""
    spec = STATEMENT_KINDS.get(kind)
    if spec is None:
        return ()
    has = {g.word for g in statement.givens} if statement else set()
    words = typed.lower().split(" ")
    if len(words) > 1:
        return ()
    found = [
        Completion(g.word, g.explanation)
        for g in spec.givens
        if g.written
        and g.takes not in ("distance from", "copies")
        and (g.repeats or g.word not in has)
        and g.word.startswith(words[0])
    ]
    found += [Completion(choice, g.explanation) for g in spec.givens for choice in g.choices if g.word not in has]
    return tuple(one for one in found if one.word.startswith(words[0]))[:most]
