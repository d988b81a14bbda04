"""The drafter's guide and the pictures of the reference page, as they lie in `docs`, for the help at the table."""

import re
from functools import cache
from pathlib import Path

from ..store.errors import StoreError

DOCS = Path(__file__).resolve().parents[2] / "docs"
_SECTION = re.compile(r"^## (.+)$", re.MULTILINE)
_PICTURE = re.compile(r"!\[[^\]]*\]\([^)]*\)\n*")
_LINK = re.compile(r"\[([^\]]*)\]\([^)]*\)")


@cache
def sections() -> tuple[tuple[str, str], ...]:
    """Titles and Markdown texts of the guide's sections, and of those of the page on snapping. Links to other pages are only
    their words here, and pictures of the table, which one sits at, are left out."""
    found: list[tuple[str, str]] = []
    for page in ("guide.md", "snapping.md"):
        file = DOCS / page
        if not file.is_file():
            continue
        parts = _SECTION.split(file.read_text(encoding="utf-8"))
        for title, text in zip(parts[1::2], parts[2::2], strict=True):
            found.append((title.strip(), _LINK.sub(r"\1", _PICTURE.sub("", text)).strip()))
    return tuple(found)


class NoPicture(StoreError):
    """There is no picture of that name."""

    code, status = "no_picture", 404


def picture(name: str) -> Path:
    """The file of a picture. Raises `NoPicture`."""
    found = pictures().get(name)
    if found is None:
        raise NoPicture(f"There is no picture {name} in the help.", name=name)
    return found


@cache
def pictures() -> dict[str, Path]:
    """The pictures there are, by their names: no other name is ever looked for on the disk."""
    return {file.name: file for file in sorted((DOCS / "reference").glob("*.svg"))}
