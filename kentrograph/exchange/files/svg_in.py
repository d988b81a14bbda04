"""SVG (W3C, 1.1 and 2) as figures: paths and shapes under their transformations, arcs exact, in the unit that the file says.

What is filled and stroked, and how, is not read: a drawing is of outlines. Text and pictures are left out and counted; so are
curves that are no lines or arcs in truth.
"""

from dataclasses import dataclass, replace
from itertools import pairwise
from math import pi
from xml.etree.ElementTree import Element

from ...core.figures import Circle, Figure, Line, Point
from ...core.figures.outline import Piece
from ...core.problem import Refused
from .affine import Affine, Round, piece_mapped
from .bezier import FIT_SHARE, rounded, straightened
from .chains import SAME_SHARE, figure_of
from .found import Found, bad_file
from .svg_maps import MM, from_window, in_user_units, length_of, numbers, styled, transform
from .svg_path import Bezier, Bow, Subpath, subpaths
from .xml_in import tree_of

_SVG = "{http://www.w3.org/2000/svg}"
_LINK = "{http://www.w3.org/1999/xlink}href"
_MOST_USES = 20_000
_ROUNDED = 6.0
"""Units of the last decimal by which the centres of two parts of one arc may lie apart, when their ends were rounded."""
_NO_FIGURES = frozenset(
    f"{_SVG}{tag}"
    for tag in (
        "defs", "symbol", "clipPath", "mask", "marker", "pattern", "linearGradient", "radialGradient", "filter", "style",
        "script", "title", "desc", "metadata", "animate", "animateTransform", "set", "font", "view", "cursor",
    )
)  # fmt: skip
_LEFT_OUT = {"text": "text is not read", "image": "pictures are not read", "foreignObject": "what is no SVG is not read"}


@dataclass(frozen=True, slots=True)
class _State:
    """What an element inherits: the map to the file's outermost coordinates, the group and pen."""

    to: Affine
    group: str = ""
    pen: str = ""
    width: float = 0.0
    height: float = 0.0
    depth: int = 0


def read_svg(data: bytes) -> Found:
    """The figures of a document. Raises `Refused` (bad_file)."""
    found = Found()
    root = tree_of(data, found.in_time)
    if root.tag not in (f"{_SVG}svg", "svg"):
        raise bad_file("it is no SVG: its outermost element is another one")
    _Reader(root, found).read()
    return found


class _Reader:
    def __init__(self, root: Element, found: Found) -> None:
        self.root, self.found = root, found
        self.ids = {id: element for element in root.iter() if (id := element.get("id"))}
        self.uses = self.number = self.bent = 0
        self.worst = 0.0
        self.slack = 0.0

    def read(self) -> None:
        """Reads all of it."""
        width, unit = length_of(self.root.get("width", ""))
        height, unit_high = length_of(self.root.get("height", ""))
        window = numbers(self.root.get("viewBox", ""))
        if unit == "%" or unit_high == "%" or width is None or height is None:
            # As large as the page would be: its own units are pixels.
            width, height, unit = (window[2], window[3], "px") if len(window) == 4 else (100.0, 100.0, "px")
        elif unit != unit_high and unit_high:
            height = height * MM.get(unit_high, 1.0) / MM.get(unit, 1.0)
        self.found.unit = unit if unit in ("cm", "in") else "mm"
        scale = 1.0 if unit in ("cm", "in", "mm") else MM.get(unit, MM["px"])
        if len(window) != 4:
            # Without a view box the units of its shapes are pixels, whatever that of the page is (SVG 1.1, 7.2).
            pixel = MM["px"] / MM[self.found.unit]
            width, height, scale = width * scale / pixel, height * scale / pixel, pixel
        if unit in ("px", "") or len(window) != 4:
            self.found.notes.append("its lengths are in pixels of CSS: 96 to the inch")
        if any("transform" in (one.text or "") for one in self.root.iter(f"{_SVG}style")):
            self.found.notes.append("its style sheet moves things, which is not read")
        inner = from_window(self.root, width, height)
        # y is turned over here and nowhere else: 0, 0 is the lower left corner of the page, or where the file says that it is.
        if self.root.get("data-coordinates") == "drawing" and len(window) == 4:
            inner = Affine(inner.a, inner.b, inner.c, inner.d)
            decimals = self.root.get("data-decimals", "")
            if decimals.isdigit() and len(decimals) < 3:
                self.slack = _ROUNDED * scale * inner.a * 10.0 ** -int(decimals)
            to = Affine(scale, 0.0, 0.0, -scale).then(inner)
        else:
            to = Affine(scale, 0.0, 0.0, -scale, 0.0, height * scale).then(inner)
        self._children(
            self.root,
            _State(to, width=window[2] if len(window) == 4 else width, height=window[3] if len(window) == 4 else height),
        )
        if self.bent:
            told = f"{self.worst:.2g} {self.found.unit}"
            self.found.notes.append(
                f"{self.bent} curves are arcs within {FIT_SHARE:.2%} of their radius, and at most {told} beside them"
            )

    def _children(self, element: Element, state: _State) -> None:
        for child in element:
            self._element(child, state)

    def _element(self, element: Element, state: _State) -> None:
        tag = element.tag if isinstance(element.tag, str) else ""
        if not tag or tag in _NO_FIGURES or not _shown(element):
            return
        kind = tag.removeprefix(_SVG)
        if "{" in kind:
            # Of another namespace: what a program keeps for itself.
            return
        self.found.in_time()
        self.number += 1
        where = f"{kind} {element.get('id') or self.number}"
        own = transform(element.get("transform", ""), where)
        try:
            own = styled(element, own, where)
        except Refused as refused:
            self.found.leave_out(kind, refused.problem.fields["why"], where)
            return
        state = replace(state, to=state.to.then(own), pen=element.get("class", "") or state.pen)
        match kind:
            case "g" | "a" | "switch":
                group = _title(element) or element.get("id", "") or state.group
                self._children(element, replace(state, group=group))
            case "svg":
                x, y = self._across(element, "x", state), self._up(element, "y", state)
                width = self._size(element, "width", state.width, state)
                height = self._size(element, "height", state.height, state)
                inner = state.to.then(Affine(e=x, f=y)).then(from_window(element, width, height))
                self._children(element, replace(state, to=inner))
            case "use":
                self._use(element, state, where)
            case "text" | "image" | "foreignObject":
                self.found.leave_out(kind, _LEFT_OUT[kind], where)
            case "path" | "line" | "polyline" | "polygon" | "rect" | "circle" | "ellipse":
                self._shape(kind, element, state, where)
            case _:
                self.found.leave_out(kind, "it is no shape", where)

    def _use(self, element: Element, state: _State, where: str) -> None:
        self.uses += 1
        target = self.ids.get((element.get("href") or element.get(_LINK) or "").removeprefix("#"))
        if target is None:
            self.found.leave_out("use", "what it uses is not in the file", where)
            return
        if self.uses > _MOST_USES or state.depth > 30:
            raise bad_file("its uses refer to one another without end", where)
        at = Affine(e=self._across(element, "x", state), f=self._up(element, "y", state))
        inner = replace(state, to=state.to.then(at), depth=state.depth + 1)
        if target.tag == f"{_SVG}symbol":
            width = self._size(element, "width", state.width, state)
            height = self._size(element, "height", state.height, state)
            self._children(target, replace(inner, to=inner.to.then(from_window(target, width, height))))
        else:
            self._element(target, inner)

    def _shape(self, kind: str, element: Element, state: _State, where: str) -> None:
        name, group, pen = _title(element) or element.get("id", ""), state.group, state.pen
        try:
            if kind in ("circle", "ellipse"):
                figures = [self._whole(kind, element, state)]
            else:
                figures = [one for part in self._parts(kind, element, state, where) for one in self._chain(part, state.to, where)]
        except Refused as refused:
            if refused.problem.kind == "bad_file":
                why = refused.problem.fields["why"]
            else:
                why = "it has no size"
            self.found.leave_out(kind, why, where)
            return
        for figure in figures:
            self.found.add(figure, name, group, pen, where)

    def _whole(self, kind: str, element: Element, state: _State) -> Figure:
        centre = Point(self._across(element, "cx", state), self._up(element, "cy", state))
        rx = self._radius(element, "r" if kind == "circle" else "rx", state)
        ry = rx if kind == "circle" else self._radius(element, "ry", state)
        if rx <= 0.0 or ry <= 0.0:
            raise bad_file("a radius of 0 draws nothing")
        return Round(centre, (rx, 0.0), (0.0, ry), 0.0, 2.0 * pi).mapped(state.to).figure()

    def _parts(self, kind: str, element: Element, state: _State, where: str) -> list[Subpath]:
        match kind:
            case "path":
                return subpaths(element.get("d", ""), where)
            case "line":
                a = Point(self._across(element, "x1", state), self._up(element, "y1", state))
                b = Point(self._across(element, "x2", state), self._up(element, "y2", state))
                return [_polygon([a, b], False)]
            case "rect":
                return [self._rectangle(element, state)]
            case _:
                v = numbers(element.get("points", ""))
                places = [Point(v[n], v[n + 1]) for n in range(0, len(v) - 1, 2)]
                if len(places) < 2:
                    raise bad_file("it has fewer than two places")
                return [_polygon(places, kind == "polygon")]

    def _rectangle(self, element: Element, state: _State) -> Subpath:
        x, y = self._across(element, "x", state), self._up(element, "y", state)
        width = self._size(element, "width", 0.0, state)
        height = self._size(element, "height", 0.0, state)
        if width <= 0.0 or height <= 0.0:
            raise bad_file("a width or height of 0 draws nothing")
        rx, ry = length_of(element.get("rx", ""))[0], length_of(element.get("ry", ""))[0]
        rx, ry = rx if rx is not None else ry or 0.0, ry if ry is not None else rx or 0.0
        rx, ry = min(abs(rx), width / 2.0), min(abs(ry), height / 2.0)
        if rx == 0.0 or ry == 0.0:
            return _polygon([Point(x, y), Point(x + width, y), Point(x + width, y + height), Point(x, y + height)], True)
        # SVG 1.1, 9.2: from the upper left, as the pen would go.
        data = (
            f"M{x + rx!r} {y!r}H{x + width - rx!r}A{rx!r} {ry!r} 0 0 1 {x + width!r} {y + ry!r}V{y + height - ry!r}"
            f"A{rx!r} {ry!r} 0 0 1 {x + width - rx!r} {y + height!r}H{x + rx!r}A{rx!r} {ry!r} 0 0 1 {x!r} {y + height - ry!r}"
            f"V{y + ry!r}A{rx!r} {ry!r} 0 0 1 {x + rx!r} {y!r}Z"
        )
        return subpaths(data)[0]

    def _chain(self, part: Subpath, to: Affine, where: str) -> list[Figure]:
        """The figures of a subpath: one, unless curves that are left out part it."""
        runs: list[list[Piece]] = [[]]
        share, whole = SAME_SHARE, True
        for segment in part.segments:
            match segment:
                case Line():
                    runs[-1].append(piece_mapped(segment, to))
                case Bow(round, start, end):
                    piece = round.mapped(to).figure(to.place(start), to.place(end))
                    assert not isinstance(piece, Circle)
                    runs[-1].append(piece)
                case Bezier():
                    curve = Bezier(tuple(map(to.place, segment.points)))
                    line = straightened(curve)
                    bow = rounded(curve) if line is None else None
                    if line is not None:
                        runs[-1].append(line)
                    elif bow is not None:
                        runs[-1].append(bow[0])
                        self.bent, self.worst, share = self.bent + 1, max(self.worst, bow[1]), FIT_SHARE
                    else:
                        self.found.leave_out("curve", "it is neither a line nor an arc", where)
                        runs.append([])
                        whole = False
        if not part.segments:
            return [to.place(part.start)]
        kept = [run for run in runs if run]
        return [figure_of(run, part.closed and whole, share, self.slack) for run in kept]

    def _across(self, element: Element, name: str, state: _State) -> float:
        return in_user_units(element.get(name, ""), state.width)

    def _up(self, element: Element, name: str, state: _State) -> float:
        return in_user_units(element.get(name, ""), state.height)

    def _size(self, element: Element, name: str, otherwise: float, state: _State) -> float:
        whole = state.width if name == "width" else state.height
        return in_user_units(element.get(name, ""), whole, otherwise)

    def _radius(self, element: Element, name: str, state: _State) -> float:
        return in_user_units(element.get(name, ""), ((state.width**2 + state.height**2) / 2.0) ** 0.5)


def _polygon(places: list[Point], closed: bool) -> Subpath:
    ring = [*places, places[0]] if closed else places
    return Subpath([Line(a, b) for a, b in pairwise(ring) if a != b], closed, places[0])


def _shown(element: Element) -> bool:
    style = element.get("style", "").replace(" ", "")
    hidden = element.get("display") == "none" or element.get("visibility") in ("hidden", "collapse")
    return not (hidden or "display:none" in style or "visibility:hidden" in style)


def _title(element: Element) -> str:
    title = element.find(f"{_SVG}title")
    return (title.text or "").strip()[:120] if title is not None else ""
