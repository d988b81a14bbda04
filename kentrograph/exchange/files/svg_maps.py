"""Lengths, windows and transformations of SVG: where its shapes lie. Source, published: SVG 1.1, sections 7.6 to 7.10."""

import re
from math import cos, pi, radians, sin, tan
from xml.etree.ElementTree import Element

from .affine import Affine
from .found import bad_file, finite

MM = {"mm": 1.0, "cm": 10.0, "in": 25.4, "pt": 25.4 / 72.0, "pc": 25.4 / 6.0, "px": 25.4 / 96.0, "q": 0.25, "": 25.4 / 96.0}
"""Millimetres of a CSS unit. Source, published: CSS Values and Units 3, 6.2."""
_LENGTH = re.compile(r"\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d{1,3})?)\s*([a-zA-Z%]*)\s*")
_FUNCTION = re.compile(r"\s*,?\s*([a-zA-Z]+)\s*\(([^()]*)\)")


def length_of(text: str) -> tuple[float | None, str]:
    """A number and its unit; no number where it is none."""
    match = _LENGTH.fullmatch(text)
    return (finite(match[1]), match[2].lower()) if match is not None else (None, "")


def in_user_units(text: str, whole: float, otherwise: float = 0.0) -> float:
    """A length in user units, of which 96 are an inch (SVG 1.1, 7.10)."""
    value, unit = length_of(text)
    if value is None:
        return otherwise
    if unit == "%":
        return value / 100.0 * whole
    return value if unit in ("", "px") else value * MM.get(unit, MM["px"]) / MM["px"]


def numbers(text: str) -> list[float]:
    """All numbers of a text. Raises `Refused` (bad_file) for one that is too large."""
    return [finite(one) for one in re.findall(r"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d{1,3})?", text)]


def from_window(element: Element, width: float, height: float) -> Affine:
    """The map from what an element's view box shows to where it lies (SVG 1.1, 7.8)."""
    seen = numbers(element.get("viewBox", ""))
    if len(seen) != 4 or seen[2] <= 0.0 or seen[3] <= 0.0:
        return Affine()
    x, y, wide, high = seen
    sx, sy = width / wide, height / high
    words = element.get("preserveAspectRatio", "xMidYMid meet").split()
    align = next((word for word in words if word.startswith("x")), "none" if "none" in words else "xMidYMid")
    if align == "none":
        return Affine(sx, 0.0, 0.0, sy, -x * sx, -y * sy)
    scale = max(sx, sy) if "slice" in words else min(sx, sy)
    if abs(sx - sy) <= 1e-12 * scale:
        scale = sx
    share = {"Min": 0.0, "Mid": 0.5, "Max": 1.0}
    left = (width - wide * scale) * share.get(align[1:4], 0.5)
    top = (height - high * scale) * share.get(align[5:8], 0.5)
    return Affine(scale, 0.0, 0.0, scale, left - x * scale, top - y * scale)


def styled(element: Element, own: Affine, where: str) -> Affine:
    """Returns the transformation of an element's style, which replaces that of its attribute, as every property of a style does;
    ``own``, that of the attribute, where the style has none. Raises `Refused` (bad_file) for what is not read of a style.

    Source, published: CSS Transforms 1, 3 and 7.
    """
    said = dict(one.partition(":")[::2] for one in element.get("style", "").split(";") if ":" in one)
    style = {word.strip().lower(): value.strip() for word, value in said.items()}
    moved = style.get("transform", "").removesuffix("!important").strip()
    for word in ("rotate", "scale", "translate", *(("transform-origin", "transform-box") if moved or own != Affine() else ())):
        if style.get(word, "0 0") not in ("0 0", "0px 0px", "none", "view-box"):
            raise bad_file(f"its style moves it by {word}, which is not read", where)
    if moved in ("", "none"):
        return Affine() if moved else own
    return transform(_FUNCTION.sub(_plain_function, moved), where)


_CSS = re.compile(r"\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d{1,3})?)\s*([a-zA-Z%]*)\s*")
_TURNS = {"deg": 1.0, "rad": 180.0 / pi, "grad": 0.9, "turn": 360.0}


def _plain_function(match: re.Match[str]) -> str:
    """A transformation as CSS writes it, with units, as an attribute does."""
    word, numbers_in = match[1], []
    for one in match[2].split(","):
        parted = _CSS.fullmatch(one)
        unit = parted[2].lower() if parted is not None else "?"
        factor = 1.0 if not unit else _TURNS.get(unit, MM[unit] / MM["px"] if unit in MM else 0.0)
        if parted is None or factor == 0.0:
            raise bad_file(f"its style moves it by {match[0].strip()[:40]}, which is not read")
        numbers_in.append(finite(parted[1]) * factor)
    axis = {"translateX": "translate", "translateY": "translate", "scaleX": "scale", "scaleY": "scale"}.get(word)
    if axis is not None and len(numbers_in) == 1:
        still = 1.0 if axis == "scale" else 0.0
        numbers_in = [*numbers_in, still] if word.endswith("X") else [still, *numbers_in]
    return f"{axis or word}({' '.join(map(repr, numbers_in))}) "


def transform(text: str, where: str) -> Affine:
    """A list of transformations, the innermost last (SVG 1.1, 7.6). Raises `Refused` (bad_file)."""
    found = Affine()
    at = 0
    while text[at:].strip(" \t\r\n,"):
        match = _FUNCTION.match(text, at)
        if match is None:
            raise bad_file(f"a transformation cannot be read: {text[at : at + 40]!r}", where)
        at = match.end()
        found = found.then(_function(match[1], numbers(match[2]), where))
    return found


def _function(word: str, v: list[float], where: str) -> Affine:
    match word, len(v):
        case "matrix", 6:
            return Affine(*v)
        case "translate", 1 | 2:
            return Affine(e=v[0], f=v[1] if len(v) == 2 else 0.0)
        case "scale", 1 | 2:
            return Affine(a=v[0], d=v[-1])
        case "rotate", 1 | 3:
            c, s = cos(radians(v[0])), sin(radians(v[0]))
            turned = Affine(c, s, -s, c)
            return turned if len(v) == 1 else Affine(e=v[1], f=v[2]).then(turned).then(Affine(e=-v[1], f=-v[2]))
        case "skewX", 1:
            return Affine(c=tan(radians(v[0])))
        case "skewY", 1:
            return Affine(b=tan(radians(v[0])))
    raise bad_file(f"the transformation {word} with {len(v)} numbers is none", where)
