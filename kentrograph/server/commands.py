"""Acts of the wire to edits of the book."""

from ..core.desk import clipboard, intents
from ..core.desk.intents import Entry
from ..core.desk.rename import rename
from ..core.desk.restating import restate, stated_anew
from ..core.desk.set_out import set_out
from ..core.desk.settling import settle
from ..core.desk.turning_into import turned_into_other
from ..core.figures import Point
from ..store.changes import Make
from ..store.merging import Own
from .schemas import (
    Act,
    BringBack,
    Flag,
    MakeSymbol,
    Mend,
    MoveStep,
    Paste,
    Redo,
    Rename,
    Restate,
    SetOut,
    Settle,
    Strike,
    TakeAway,
    TurnInto,
    Undo,
    Write,
    WriteAll,
)


def edit_maker(act: Act) -> Make | None:
    """What makes the edit of an act; None for those that need the log."""
    match act:
        case Write(text=text, id=id, in_front_of=in_front_of, pen=pen, beside=beside):
            return lambda book: intents.write(book, text, id, in_front_of, pen, beside)
        case WriteAll(id=id, entries=entries, in_front_of=in_front_of, pen=pen):
            several = [Entry(one.text, one.away or "") for one in entries]
            return lambda book: intents.write_all(book, several, id, in_front_of, pen)
        case Mend(id=id, text=text):
            return lambda book: intents.mend(book, id, text)
        case Strike(id=id, others=others):
            return lambda book: intents.strike(book, id, others)
        case TakeAway(id=id, figures=figures):
            return lambda book: intents.take_away(book, figures, id)
        case Settle(id=id, findings=keys, limit=limit):
            return lambda book: settle(book, keys, limit, id)
        case Paste(id=id, text=text, x=x, y=y, in_front_of=in_front_of):
            return lambda book: clipboard.pasted(book, text, Point(x, y), id, in_front_of)
        case MakeSymbol(id=id, name=name, figures=figures, at=at):
            return lambda book: clipboard.made_symbol(book, name, figures, Point(*at) if at else None, id)
        case MoveStep(id=id, in_front_of=in_front_of):
            return lambda book: intents.move(book, id, in_front_of)
        case Rename(id=id, name=name):
            return lambda book: rename(book, id, name)
        case Flag(id=id, others=others, hidden=hidden, off=off):
            return lambda book: intents.flag(book, id, hidden, off, others)
        case SetOut(id=id, figures=figures):
            return lambda book: set_out(book, figures, id)
        case TurnInto(id=id, step=step):
            return lambda book: turned_into_other(book, step, id)
        case Restate(id=id, word=word, said=said, otherwise=kind, first=first):
            return lambda book: stated_anew(book, id, kind, first, word, said) if kind else restate(book, id, word, said)
        case BringBack() | Undo() | Redo():
            return None


def own_steps(act: Act) -> Own:
    """The steps that an act is about: it is refused where somebody has changed one of them since. What is written anew, and what
    names figures (which it finds in the newest book), needs none."""
    match act:
        case BringBack() | Undo() | Redo():
            return None
        case Mend(id=id) | MoveStep(id=id) | Rename(id=id) | Restate(id=id):
            return frozenset((id,))
        case Strike(id=id, others=others) | Flag(id=id, others=others):
            return frozenset((id, *others))
        case TurnInto(step=step):
            return frozenset((step,))
        case _:
            return frozenset()
