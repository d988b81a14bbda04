"""The owner's mark in a title block: a picture of one's own."""

from io import BytesIO
from pathlib import Path

from PIL import Image, UnidentifiedImageError

from ..core.problem import refusal

MOST_BYTES = 5_000_000
_MOST_SIDE = 600


def read_mark(file: Path) -> bytes:
    """A mark from a file, as PNG no larger than it is printed. Raises `Refused` (bad_mark), and `OSError` for no such file."""
    if file.stat().st_size > MOST_BYTES:
        raise refusal("bad_mark", size=file.stat().st_size, most=MOST_BYTES)
    return as_mark(file.read_bytes())


def as_mark(data: bytes) -> bytes:
    """The same from what was sent. Raises `Refused` (bad_mark)."""
    if len(data) > MOST_BYTES:
        raise refusal("bad_mark", size=len(data), most=MOST_BYTES)
    try:
        with Image.open(BytesIO(data), formats=("PNG",)) as image:
            image.thumbnail((_MOST_SIDE, _MOST_SIDE))
            out = BytesIO()
            image.convert("RGBA").save(out, "PNG")
    except (UnidentifiedImageError, OSError, Image.DecompressionBombError):
        raise refusal("bad_mark", size=len(data), most=MOST_BYTES) from None
    return out.getvalue()
