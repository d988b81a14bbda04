"""What a figure that is being written wants next: the words to read a bare entry with, and one sentence that says so."""

from ..book.book import Book
from ..book.tree import Statement
from .vocabulary import KINDS


def expected_words(kind: str, statement: Statement | None) -> list[str]:
    """Words of givens with which a bare place or number may be read, likeliest first."""
    has = {g.word for g in statement.givens} if statement else set()
    if kind == "path":
        return ["to"] if "from" in has else ["from"]
    if kind == "line":
        return [w for w in ("from", "to") if w not in has]
    if kind == "circle":
        sized = has & {"radius", "diameter", "circumference", "through"}
        words = [] if "centre" in has else ["centre"]
        return words + ([] if sized else ["radius", "through"])
    return []


def beginning_hint(book: Book) -> str:
    """What to type when nothing is begun."""
    if not book.order:
        return "Type a word, such as line or circle, or coordinates, such as 40, 25."
    return "A word begins a step; coordinates put a point."


def hint(kind: str, statement: Statement | None, done: bool) -> str:
    """The next thing to give, in one sentence."""
    has = [g.word for g in statement.givens] if statement else []
    if kind.startswith("measure"):
        count = len(statement.givens[0].arguments) if statement else 0
        return ("Give one place or figure: type it or point at it.", "Give the other one.", "Enter writes the reading.")[
            min(count, 2)
        ]
    match kind:
        case "point":
            return "Enter writes the point." if done else "Give its place: 40, 25 or 50 at 30 or + 5, 0."
        case "line":
            if done:
                return "Enter writes the line."
            return (
                "Where does it end? 40, 25 or + 20 at 90, or point."
                if "from" in has
                else "Where does it begin? 40, 25, or point."
            )
        case "path":
            if not has:
                return "Where does it begin? 40, 25, or point."
            if has[-1] == "close":
                return "Enter writes the closed path."
            return (
                "Next place; close leads back to the beginning, Esc leaves it open."
                if done
                else "Next place: 40, 25 or + 20 at 90, or point."
            )
        case "circle":
            if done:
                return "Enter writes the circle."
            return (
                "A number is its radius; or diameter 24, or a place on it."
                if "centre" in has
                else "Where is its centre? 40, 25, or point."
            )
    spec = KINDS.get(kind)
    if done or spec is None:
        return "Enter writes it."
    return "Give " + " · ".join(g.word for g in spec.givens if g.word not in has)
