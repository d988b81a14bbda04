"""Lists of places and figures, as far as they go on."""

from ..book.kind import Kind
from ..book.tree import Argument, Given, NamedPlace, Place
from .cursor import Cursor
from .limits import at_limits
from .places import thing
from .vocabulary import PLACE_WORDS


def goes_on(c: Cursor) -> bool:
    """Whether a list of figures has another one."""
    of = c.at_word(*PLACE_WORDS) and c.peek().text == "of"
    return of or c.at_op(";", "(") or c.at_name()


def at_thing(c: Cursor) -> bool:
    """Whether a place or a figure may begin here."""
    return c.at_name() or c.at_part() or c.at_word(*PLACE_WORDS) or c.at_op("(", "+", "-")


def things(c: Cursor, kind: Kind) -> list[Given]:
    """One given for each place or figure that is measured: ``P1 P2; 40, 25``."""
    givens: list[Given] = []
    while not givens or _another(c, kind):
        c.take_op(";")
        start = c.tok.start
        found: Place | Argument = thing(c)
        found = found.name if isinstance(found, NamedPlace) else found
        givens.append(Given(kind.givens[0].word, (found,), (), start, c.last))
    return givens


def _another(c: Cursor, kind: Kind) -> bool:
    """Whether a list of things goes on, and no other given of the kind follows."""
    if not (goes_on(c) or c.at_word("corner")) or (c.limited and at_limits(c)):
        return False
    following = c.peek() if c.at_op(";") else c.tok
    words = {g.word for g in kind.givens if g.written}
    return following.kind != "end" and not (following.kind == "word" and following.text in words - PLACE_WORDS)
