"""The demo drawings: ``.kent`` texts that go through the same code as everything that is typed."""

from pathlib import Path

from sqlalchemy import select
from sqlalchemy.orm import Session

from .drawings import create_drawing
from .people import Known
from .rights import ALL, May, share
from .tables import Drawing


def load_demo(session: Session, folder: Path, person: Known) -> list[str]:
    """Makes a drawing of every text in a folder, if no drawing was ever made here; returns their names.

    Everybody may draw in them. The first comment line of a text is the drawing's name.
    """
    if session.scalar(select(Drawing.id).limit(1)) is not None:
        return []
    names: list[str] = []
    for file in sorted(folder.glob("*.kent"), reverse=True):
        text = file.read_text(encoding="utf-8")
        name = text.splitlines()[0].lstrip("# ").strip()
        made = create_drawing(session, name, person, text)
        share(session, made.listed.id, ALL, None, May.DRAW)
        names.append(name)
    return names
