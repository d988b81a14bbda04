"""Acts, as the data of their messages, to edits of the book."""

from collections.abc import Callable
from typing import Any

from ..book.book import Book
from ..book.edits import Edit
from ..desk import clipboard, intents
from ..desk.intents import Entry
from ..desk.rename import rename
from ..desk.restating import restate, stated_anew
from ..desk.set_out import set_out
from ..desk.settling import settle
from ..desk.turning_into import turned_into_other
from ..figures import Point

Data = dict[str, Any]
Make = Callable[[Book], tuple[Edit, str]]
"""An edit of a book, and its label. Raises `Refused`."""


_USUAL: Data = {
    "id": "", "in_front_of": None, "pen": "ink", "beside": "", "others": [], "hidden": None, "off": None, "at": None,
    "otherwise": "", "first": "",
}  # fmt: skip
"""What a message need not say."""


def own_steps(act: Data) -> frozenset[str] | None:
    """The steps that an act is about: it is refused where somebody has changed one of them since. What is written anew, and what
    names figures (which it finds in the newest book), needs none; None for what is about the very last change."""
    match act["do"]:
        case "bring_back" | "undo" | "redo":
            return None
        case "mend" | "move" | "rename" | "restate":
            return frozenset((act["id"],))
        case "strike" | "flag":
            return frozenset((act["id"], *act.get("others", ())))
        case "turn_into":
            return frozenset((act["step"],))
        case _:
            return frozenset()


def edit_maker(act: Data) -> Make | None:
    """What makes the edit of an act, where it says all that it must; None for those that need the log."""
    act = {**_USUAL, **act}
    id = act["id"]
    match act["do"]:
        case "write":
            return lambda book: intents.write(book, act["text"], id, act["in_front_of"], act["pen"], act["beside"])
        case "write_all":
            several = [Entry(one.get("text", ""), one.get("away") or "") for one in act["entries"]]
            return lambda book: intents.write_all(book, several, id, act["in_front_of"], act["pen"])
        case "mend":
            return lambda book: intents.mend(book, id, act["text"])
        case "strike":
            return lambda book: intents.strike(book, id, act["others"])
        case "take_away":
            return lambda book: intents.take_away(book, act["figures"], id)
        case "settle":
            return lambda book: settle(book, act["findings"], act["limit"], id)
        case "paste":
            return lambda book: clipboard.pasted(book, act["text"], Point(act["x"], act["y"]), id, act["in_front_of"])
        case "make_symbol":
            at = Point(*act["at"]) if act["at"] else None
            return lambda book: clipboard.made_symbol(book, act["name"], act["figures"], at, id)
        case "move":
            return lambda book: intents.move(book, id, act["in_front_of"])
        case "rename":
            return lambda book: rename(book, id, act["name"])
        case "flag":
            return lambda book: intents.flag(book, id, act["hidden"], act["off"], act["others"])
        case "set_out":
            return lambda book: set_out(book, act["figures"], id)
        case "turn_into":
            return lambda book: turned_into_other(book, act["step"], id)
        case "restate":
            word, said, kind = act["word"], act["said"], act["otherwise"]
            return lambda book: stated_anew(book, id, kind, act["first"], word, said) if kind else restate(book, id, word, said)
        case _:
            return None
