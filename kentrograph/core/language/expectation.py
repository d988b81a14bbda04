"""What a figure that is being written wants next: the words to read a bare entry with, and one sentence that says so."""

from ..book.book import Book
from ..book.tree import Statement
from ..problem import Problem
from .messages import sentence
from .vocabulary import KINDS

_PLACES_OF = {
    "arc": ("from", "via", "to", "radius", "rise", "sweep"),
    "rectangle": ("from", "to", "size"),
    "polygon": ("centre", "sides", "radius"),
    "ellipse": ("centre", "axes"),
    "line": ("from", "to"),
}
"""For each kind, the words that a bare place or number stands for, in the order in which they are wanted."""


def expected_words(kind: str, statement: Statement | None) -> list[str]:
    """Words of givens with which a bare place or number may be read, likeliest first."""
    has = {g.word for g in statement.givens} if statement else set()
    if kind == "path":
        return ["to"] if "from" in has else ["from"]
    if kind == "circle":
        return _expected_of_circle(has)
    if kind == "arc" and "centre" in has:
        return _expected_of_centred_arc(has)
    if kind == "line" and has & {"through"}:
        return ["through"]
    return [w for w in _PLACES_OF.get(kind, ()) if w not in has]


def _expected_of_centred_arc(has: set[str]) -> list[str]:
    """A place begins it and another ends it; of bare numbers the first is the radius, then come the start and the sweep."""
    if "from" in has or {"radius", "at"} <= has:
        return [w for w in ("to", "sweep") if w not in has]
    return ["at"] if "radius" in has else ["from", "radius"]


def _expected_of_circle(has: set[str]) -> list[str]:
    sized = bool(has & {"radius", "diameter", "circumference"})
    if "centre" in has:
        return [] if sized or "through" in has else ["radius", "through"]
    if has & {"through", "centre on"}:
        return ["through"] if sized else ["through", "radius"]
    return ["centre"] if sized else ["centre", "radius"]


def beginning_hint(book: Book) -> str:
    """What to type when nothing is begun."""
    if not book.order:
        return "Type a word, such as line or circle, or coordinates, such as 40, 25."
    return "A word begins a step; coordinates put a point."


def hint(kind: str, statement: Statement | None, done: bool, problem: Problem | None = None) -> str:
    """The next thing to give, in one sentence; ``problem`` is what the figure still lacks."""
    has = [g.word for g in statement.givens] if statement else []
    if kind.startswith("measure"):
        return "Enter writes the reading." if done else "Give a place or a figure: type it or point at it."
    if kind == "path" and has:
        if has[-1] == "close":
            return "Enter writes the closed path."
        if done:
            return (
                "Next place; for an arc, point at the last end again and leave it sideways. close leads back, Esc leaves it open."
            )
        return "Next place: 40, 25 or + 20 at 90, or point."
    if done:
        return f"Enter writes the {kind}."
    if not has:
        return _FIRST[kind]
    if kind == "line" and has == ["from"]:
        return "Where does it end? 40, 25 or + 20 at 90, or point."
    if kind == "circle" and has == ["centre"]:
        return "A number is its radius; or diameter 24, or a place on it."
    if problem is not None and problem.kind == "needs_given":
        said = sentence(problem)
        return said[0].upper() + said[1:] + "."
    left = [g.word for g in KINDS[kind].givens if g.word not in (*has, "place", "figures")]
    return f"Give what is known: {', '.join(left)}."


_FIRST = {
    "point": "Give its place: 40, 25 or 50 at 30 or + 5, 0.",
    "line": "Where does it begin? 40, 25, or point; or click on what it touches; or through, parallel, bisecting.",
    "path": "Where does it begin? 40, 25, or point.",
    "circle": "Where is its centre? 40, 25, or point; or click on what it touches; or through, across.",
    "arc": "Where does it begin? 40, 25, or point; or click on what it touches; or centre, continuing.",
    "rectangle": "Where is its first corner? 40, 25, or point; or centre.",
    "polygon": "Where is its centre? 40, 25, or point.",
    "ellipse": "Where is its centre? 40, 25, or point; or across.",
    "fillet": "Click on the two figures it joins, or name them; then its radius.",
    "join": "Name the pieces in their order: L1 A1 L2.",
}
