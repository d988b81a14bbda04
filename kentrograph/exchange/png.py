"""A page of a PDF as PNG (ISO/IEC 15948), at a resolution: what is printed and what is seen come from one document."""

from io import BytesIO
from threading import Lock

import pypdfium2

from ..core.problem import refusal

MOST_PIXELS = 50_000_000
"""A1 at 250 dots to the inch, A3 at 500; each takes about seven bytes while it is made."""
ONE_AT_A_TIME = Lock()
"""The renderer is not made for several threads at once."""


def page_png(pdf: bytes, number: int = 1, dots: float = 150.0) -> bytes:
    """The picture of a page, by its number from 1, with so many dots to the inch. Raises `Refused` (too_many_dots)."""
    with ONE_AT_A_TIME:
        document = pypdfium2.PdfDocument(pdf)
        try:
            page = document[number - 1]
            scale = dots / 72.0
            if page.get_width() * page.get_height() * scale * scale > MOST_PIXELS:
                raise refusal("too_many_dots", most=MOST_PIXELS)
            out = BytesIO()
            page.render(scale=scale).to_pil().save(out, "PNG", dpi=(dots, dots))
            return out.getvalue()
        finally:
            document.close()
