"""A sheet as SVG (W3C Scalable Vector Graphics 1.1), in millimetres: for the sheet view and for print from the browser."""

from base64 import b64encode
from collections.abc import Sequence
from xml.sax.saxutils import escape

from ..core.sheet.letters import EM
from ..core.sheet.marks import Fill, Lettering, Mark, Picture, Stroke, Within
from ..core.sheet.page import Page
from .svg import path_of

INK = "#1B2A49"
_ANCHORS = {"start": "start", "middle": "middle", "end": "end"}


def sheet_svg(page: Page, colour: str = "currentColor") -> str:
    """One SVG document; its unit is the millimetre, its size that of the paper."""
    parts = [_element(mark, f"m{n}") for n, mark in enumerate(page.marks)]
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{page.width:g}mm" height="{page.height:g}mm" '
        f'viewBox="0 {-page.height:g} {page.width:g} {page.height:g}" fill="none" stroke-linecap="round" '
        f'stroke-linejoin="round" color="{INK}" stroke="{colour}" '
        f"font-family=\"'IBM Plex Sans Variable', 'IBM Plex Sans', sans-serif\">\n" + "\n".join(parts) + "\n</svg>\n"
    )


def marks_svg(marks: Sequence[Mark], colour: str) -> str:
    """Marks alone, in one colour, for a picture whose unit is the millimetre, with y downward."""
    parts = "".join(_element(mark, f"m{n}") for n, mark in enumerate(marks))
    font = "font-family=\"'IBM Plex Sans', sans-serif\""
    return f'<g fill="none" stroke="{colour}" color="{colour}" stroke-linecap="round" {font}>{parts}</g>'


def _element(mark: Mark, key: str) -> str:
    match mark:
        case Stroke(figure, width, dash):
            dashes = f' stroke-dasharray="{" ".join(f"{part:g}" for part in dash)}" stroke-linecap="butt"' if dash else ""
            return f'<path d="{path_of(figure)}" stroke-width="{width:g}"{dashes}/>'
        case Fill(places):
            return f'<path d="M{"L".join(f"{p.x:.4f} {-p.y:.4f}" for p in places)}Z" fill="currentColor" stroke="none"/>'
        case Lettering(words, at, height, direction, anchor, strong):
            size = height * EM[strong]
            turned = f' transform="rotate({-direction:.4f} {at.x:.4f} {-at.y:.4f})"' if direction else ""
            weight = 600 if strong else 400
            return (
                f'<text x="{at.x:.4f}" y="{-at.y:.4f}" text-anchor="{_ANCHORS[anchor]}" '
                f'style="font-size:{size:.4f}px;font-weight:{weight}" fill="currentColor" stroke="none"{turned} '
                'xml:space="preserve">'
                f"{escape(words)}</text>"
            )
        case Picture(data, at, width, height):
            return (
                f'<image x="{at.x:.4f}" y="{-at.y - height:.4f}" width="{width:g}" height="{height:g}" '
                f'href="data:image/png;base64,{b64encode(data).decode()}"/>'
            )
        case Within(circle, inner):
            clip = f'<clipPath id="{key}"><path d="{path_of(circle)}"/></clipPath>'
            return f'{clip}<g clip-path="url(#{key})">{"".join(_element(one, f"{key}-{n}") for n, one in enumerate(inner))}</g>'
