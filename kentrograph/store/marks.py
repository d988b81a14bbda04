"""The office's own mark, which stands in the title block of every sheet."""

from sqlalchemy.orm import Session

from .tables import OwnMark

_OFFICE = "office"


def get_mark(session: Session) -> bytes:
    """The mark as PNG; nothing where there is none."""
    row = session.get(OwnMark, _OFFICE)
    return row.content if row is not None else b""


def put_mark(session: Session, content: bytes) -> None:
    """Keeps a mark (PNG, as `exchange.marks.as_mark` makes it) in place of the one that was there."""
    session.merge(OwnMark(of=_OFFICE, content=content))


def take_mark(session: Session) -> None:
    """Takes the mark off."""
    row = session.get(OwnMark, _OFFICE)
    if row is not None:
        session.delete(row)
