"""The picture that lies under a drawing, or is pinned beside it: its bytes, its size, and how it is placed."""

import io
from collections.abc import Sequence
from math import hypot
from typing import Any
from uuid import UUID

from PIL import Image
from sqlalchemy.orm import Session

from ..core.units import convert
from .announce import BACKING, announce
from .drawings import get_drawing
from .errors import StoreError
from .tables import Backing

LARGEST_FILE = 8 * 2**20
MOST_PIXELS = 50_000_000
FORMATS = {"PNG": "image/png", "JPEG": "image/jpeg"}
"""Open formats (ISO/IEC 15948 and ISO/IEC 10918-1)."""


class NoBacking(StoreError):
    """The drawing has no picture under it."""

    code, status = "no_backing", 404


class BadPicture(StoreError):
    """What was sent is no picture that can lie under a drawing."""

    code, status = "bad_picture", 422


def get_backing(session: Session, drawing: UUID) -> Backing | None:
    """The picture of a drawing. Raises `NoDrawing`."""
    get_drawing(session, drawing)
    return session.get(Backing, drawing)


def put_backing(session: Session, drawing: UUID, content: bytes, placing: dict[str, Any]) -> Backing:
    """Lays a picture under a drawing, in place of the one that was there. Raises `NoDrawing`, `BadPicture`."""
    media_type, width, height = looked_at(content)
    get_drawing(session, drawing, lock=True)
    row = session.get(Backing, drawing)
    version = row.version + 1 if row else 1
    if row is None:
        row = Backing(drawing_id=drawing, version=version)
        session.add(row)
    row.media_type, row.content, row.width, row.height = media_type, content, width, height
    row.version, row.placing = version, placing
    announce(session, drawing, BACKING)
    session.flush()
    return row


def place_backing(session: Session, drawing: UUID, placing: dict[str, Any]) -> Backing:
    """Places the picture of a drawing anew. Raises `NoDrawing`, `NoBacking`."""
    row = get_backing(session, drawing)
    if row is None:
        raise NoBacking("There is no picture under this drawing.")
    row.placing = placing
    announce(session, drawing, BACKING)
    session.flush()
    return row


def convert_backing(session: Session, drawing: UUID, unit: str, into: str) -> None:
    """Keeps the picture where it lies when the drawing counts in another unit from now on."""
    row = session.get(Backing, drawing)
    if row is not None:
        lengths = {key: convert(row.placing[key], unit, into) for key in ("x", "y", "scale")}
        place_backing(session, drawing, {**row.placing, **lengths})


def scale_backing(session: Session, drawing: UUID, first: Sequence[float], second: Sequence[float], apart: float) -> Backing:
    """Scales the picture about the first of two places of the drawing until they would be so far apart.

    Raises `NoDrawing`, `NoBacking`, and `BadPicture` where the two places are one.
    """
    row = get_backing(session, drawing)
    if row is None:
        raise NoBacking("There is no picture under this drawing.")
    now = hypot(second[0] - first[0], second[1] - first[1])
    if now == 0.0:
        raise BadPicture("The two places are one and the same; pick two that lie apart.")
    factor, old = apart / now, row.placing
    place = {k: f + factor * (old[k] - f) for k, f in (("x", first[0]), ("y", first[1]))}
    return place_backing(session, drawing, {**old, **place, "scale": old["scale"] * factor})


def take_backing(session: Session, drawing: UUID) -> None:
    """Takes the picture away. Raises `NoDrawing`."""
    row = get_backing(session, drawing)
    if row is not None:
        session.delete(row)
        announce(session, drawing, BACKING)


def looked_at(content: bytes) -> tuple[str, int, int]:
    """Media type, width and height of a picture, once all of it could be read. Raises `BadPicture` with the reason."""
    if len(content) > LARGEST_FILE:
        most = LARGEST_FILE // 2**20
        raise BadPicture(f"The picture has {len(content) / 2**20:.1f} MB; up to {most} MB can lie under a drawing.")
    try:
        with Image.open(io.BytesIO(content), formats=tuple(FORMATS)) as image:
            width, height = image.size
            if width * height > MOST_PIXELS:
                raise BadPicture(f"The picture has {width} x {height} pixels; up to {MOST_PIXELS // 10**6} million will do.")
            image.load()
            return FORMATS[str(image.format)], width, height
    except BadPicture:
        raise
    except Image.DecompressionBombError as error:
        raise BadPicture(f"The picture has too many pixels: up to {MOST_PIXELS // 10**6} million will do.") from error
    except (OSError, ValueError, SyntaxError) as error:
        raise BadPicture("This file is not a whole PNG or JPEG picture; those two can lie under a drawing.") from error
