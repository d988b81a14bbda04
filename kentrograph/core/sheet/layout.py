"""All that stands on a drawing, laid out on paper so that no words lie on each other.

Each finds its place once those before it stand where they are: nothing moves that was there when another is added. Of the ways
in which it could lie the first is taken that is clear of all words and all ink; else the first that is clear of all words.
"""

from collections.abc import Callable, Container, Iterator
from math import hypot

from ..book.manner import Header
from ..book.on_paper import Axes, Detail, Dimension, Hatch, Note, OnPaper, PointTable
from ..figures import Circle, Ellipse, Line, Outline, Point, RoundCurve
from ..figures.box import box_around
from ..language import display
from ..tolerance import TOLERANCE
from . import angular, leaders, straight
from .asked import Asked
from .compose import composed, in_words
from .frame import Frame
from .hatching import hatched
from .laid import Laid, Ways
from .marks import Lettering, Mark, Stroke, segment
from .reach import Reach
from .style import Style, pen_line
from .tables import numbered
from .tilted import Taken, Tilted, giving_way, of_lettering

MOST_CLEAR = 1_500
"""So many keep clear of one another; what comes behind them lies as it first would. Nobody reads a sheet with more."""
_LOOKED_AT = 12
"""So many ways are looked at for one that is clear of ink as well."""
_LOOKED_AT_OF_LEADERS = 120
"""Of what stands at the end of a leader, which has more places to go to."""
OnInk = Callable[[Tilted], bool]
"""Whether a box on paper lies on something in ink."""


class Layout:
    """What was laid out so far, by the ids of steps, and what it takes of the paper."""

    def __init__(self, frame: Frame, style: Style, header: Header, reach: Reach, on_ink: OnInk) -> None:
        self.frame = frame
        self.style = style
        self.header = header
        self.reach = reach
        self.on_ink = on_ink
        self.laid: dict[str, Laid] = {}
        self.asked: dict[str, Asked] = {}
        self.hatches: dict[str, Hatch] = {}
        self._asking = Asked()
        self._words = Taken()
        self._bars = Taken()
        self._thin = Taken()

    def add(self, id: str, thing: OnPaper, name: str = "") -> Laid:
        """Lays one more, clear of what stands there; ``name`` is the letter of a detail."""
        if isinstance(thing, Hatch):
            # It gives way to all words, those that come after it as well.
            self.hatches[id] = thing
            self.laid[id] = found = Laid((), ())
            return found
        self._asking = self.reach.asking = Asked()
        found = self._numbered(thing) if isinstance(thing, PointTable) else self.clear(thing, name)
        self.asked[id] = self._asking
        self.laid[id] = found
        self._take(found)
        return found

    def keep(self, id: str, other: "Layout") -> None:
        """Lays one as it lies in another layout, which knows what it was clear of."""
        self.laid[id], self.asked[id] = other.laid[id], other.asked[id]
        self._take(self.laid[id])

    def marks(self) -> list[Mark]:
        """All that was laid out: what is hatched first, with the words left free."""
        hatched_first = [*self.hatches, *(id for id in self.laid if id not in self.hatches)]
        return [mark for id in hatched_first for mark in self.marks_of(id)]

    def marks_of(self, id: str) -> list[Mark]:
        """What came of one step; what is hatched leaves all words free, those that came after it as well."""
        hatch = self.hatches.get(id)
        if hatch is not None:
            return _hatch(hatch, self.frame, self.style, self._words)
        return [mark for one in self.laid[id].marks for mark in giving_way(one, self._words)]

    def alone(self, thing: OnPaper, name: str, instead: Laid | None) -> list[Mark]:
        """The marks of one more, which is not kept."""
        self._asking = self.reach.asking = Asked()
        if isinstance(thing, Hatch):
            return _hatch(thing, self.frame, self.style, self._words)
        if isinstance(thing, PointTable):
            return [mark for n, at in numbered(thing) for mark in next(_number(str(n), self.frame.place(at), self.style)).marks]
        return [mark for one in self.clear(thing, name, instead).marks for mark in giving_way(one, self._words)]

    def _free(self, bar: Tilted) -> bool:
        """Whether neither words nor lines lie where a bar does."""
        self._asking.boxes.append(bar)
        return self._words.free((bar,), (), self._asking.cells) and self._bars.free((bar,))

    def grown(self, header: Header, on_ink: OnInk) -> "Layout":
        """The same, to which more can be added; what was laid out before stays as it is."""
        other = Layout(self.frame, self.style, header, self.reach, on_ink)
        other.laid, other.asked, other.hatches = dict(self.laid), dict(self.asked), dict(self.hatches)
        other._words, other._bars, other._thin = self._words, self._bars, self._thin
        return other

    def _take(self, one: Laid) -> None:
        self._words.add(one.words)
        self._bars.add(one.bars)
        self._thin.add(one.thin)

    def _numbered(self, table: PointTable) -> Laid:
        """The numbers of a table's places, each beside its place and clear of the others."""
        marks: list[Mark] = []
        words: list[Tilted] = []
        for number, at in numbered(table):
            place = self.frame.place(at)
            one = self._first_clear(_number(str(number), place, self.style))
            # The next one has to be clear of it already.
            self._words.add(one.words)
            marks += one.marks
            words += one.words
        return Laid(tuple(marks), tuple(words))

    def clear(self, thing: OnPaper, name: str = "", instead: Laid | None = None) -> Laid:
        """How one would lie, clear of what stands there; ``instead`` is what it takes the place of."""
        but = frozenset(map(id, instead.boxes)) if instead is not None else frozenset()
        if len(self.laid) >= MOST_CLEAR:
            return next(self.ways(thing, name), Laid((), ()))
        put = getattr(thing, "at", None) is not None
        led = isinstance(thing, Note) or (isinstance(thing, Dimension) and thing.form in ("radius", "diameter"))
        return self._first_clear(self.ways(thing, name), but, put, _LOOKED_AT_OF_LEADERS if led else _LOOKED_AT)

    def _first_clear(self, ways: Ways, but: Container[int] = (), put: bool = False, most: int = _LOOKED_AT) -> Laid:
        """The first way that is clear of all that is taken and of ink; what was ``put`` somewhere may lie on ink there."""
        first: Laid | None = None
        second: Laid | None = None
        crossing: Laid | None = None
        third: Laid | None = None
        for n, one in enumerate(ways):
            first = first or one
            if n >= most and (second or crossing):
                break
            self._asking.boxes += (*one.words, *one.bars)
            if not self._words.free((*one.words, *one.bars), but, self._asking.cells):
                # Where every leader crosses words, at least no words lie on others.
                third = third or (one if self._words.free(one.words, but) else None)
                continue
            third = third or one
            clear = self._bars.free(one.words, but) and self._thin.free(one.words, but)
            self._asking.boxes += one.thin
            if not self._words.free(one.thin, but, self._asking.cells):
                # A line that gives way would have to: only where nothing better is near.
                crossing = crossing or (one if clear else None)
                continue
            if second is None and clear:
                second = one
                if put:
                    break
            if clear and self._bars.free(one.bars, but) and not any(self.on_ink(box) for box in one.words):
                return one
        return second or crossing or third or first or Laid((), ())

    def ways(self, thing: OnPaper, name: str = "") -> Ways:
        """Ways in which something could lie, best first."""
        frame, style = self.frame, self.style
        match thing:
            case Dimension():
                return self._of_dimension(thing)
            case Note():
                return leaders.ways_of_note(thing, frame, style)
            case Axes():
                marks = list(_axes(thing, frame, style))
                return iter((Laid(tuple(marks), (), (), Point(0.0, 0.0), straight.thin_of(marks, style)),))
            case Detail():
                return _detail(thing, frame, style, name)
            case _:
                return iter(())

    def _of_dimension(self, one: Dimension) -> Ways:
        frame, style = self.frame, self.style
        put = frame.place(one.at) if one.at is not None else None
        if one.form == "place":
            value = in_words(display.place(one.places[0], self.header), one, style)
            return leaders.ways_of_place(frame.place(one.places[0]), put, value, style)
        values = [composed(one, n, self.header, style) for n in range(len(one.readings))]
        match one.form:
            case "straight":
                return straight.ways(one, values, frame, style, self.reach, self._free)
            case "radius" | "diameter":
                return leaders.ways_of_rim(one, values[0], frame, style, self._free)
            case "area":
                return leaders.ways_of_area(frame.place(one.places[0]), put, values[0], style)
            case _:
                return angular.ways(one, values[0], frame, style)


def _axes(axes: Axes, frame: Frame, style: Style) -> Iterator[Mark]:
    """Centre marks that cross in a line and run past the rim; of centres on a circle that circle, and short radial ones."""
    width, dash = pen_line("axis", style)
    through = [frame.figure(circle) for circle in axes.through]
    for circle in through:
        yield Stroke(circle, width, dash)
    for one in axes.rims:
        rim = frame.figure(one)
        assert isinstance(rim, RoundCurve)
        c, far = rim.centre, rim.radius + 2.0 * style.past
        common = next((t for t in through if isinstance(t, Circle) and _lies_on(t, c)), None)
        ux, uy = 1.0, 0.0
        if common is not None:
            dx, dy = c.x - common.centre.x, c.y - common.centre.y
            away = (dx * dx + dy * dy) ** 0.5
            ux, uy = (dx / away, dy / away) if away > 0.0 else (1.0, 0.0)
        for x, y in ((ux, uy), (-uy, ux))[: 1 if common is not None else 2]:
            ends = Point(c.x - far * x, c.y - far * y), Point(c.x + far * x, c.y + far * y)
            yield Stroke(Line(*ends), width, dash, gives_way=True)


def _lies_on(circle: Circle, at: Point) -> bool:
    """Whether a centre lies on a circle through centres."""
    off = hypot(at.x - circle.centre.x, at.y - circle.centre.y) - circle.radius
    return abs(off) <= TOLERANCE.length(2.0 * circle.radius, max(abs(at.x), abs(at.y)))


def _hatch(hatch: Hatch, frame: Frame, style: Style, words: Taken) -> list[Mark]:
    marks: list[Mark] = []
    for face in hatch.faces:
        loops = [edge for one in (face.edge, *face.holes) if isinstance(edge := frame.figure(one), Circle | Ellipse | Outline)]
        free = words.among(box_around(loops))
        marks += hatched(loops[0], loops[1:], hatch.direction + frame.turn, hatch.apart, style.narrow, free)
    return marks


def _number(words: str, at: Point, style: Style) -> Ways:
    """A number beside a place, with a cross on it."""
    half = 0.4 * style.height
    cross = [*segment(Point(at.x - half, at.y), Point(at.x + half, at.y), style.narrow)]
    cross += segment(Point(at.x, at.y - half), Point(at.x, at.y + half), style.narrow)
    for ring in range(_LOOKED_AT):
        for dx, dy in ((1.0, 1.0), (-1.0, 1.0), (1.0, -1.0), (-1.0, -1.0), (0.0, 1.0), (0.0, -1.0), (1.0, 0.0), (-1.0, 0.0)):
            far = (1.0 + 0.7 * ring) * style.height
            middle = Point(at.x + dx * far, at.y + dy * far - 0.5 * style.height)
            letters = Lettering(words, middle, style.height, anchor="middle", strong=True)
            yield Laid((*cross, letters), (of_lettering(letters, 0.2),), (), middle)


def _detail(detail: Detail, frame: Frame, style: Style, name: str) -> Ways:
    """A circle, with its letter beside it."""
    circle = frame.figure(detail.circle)
    assert isinstance(circle, Circle)
    height = 1.4 * style.height
    for ring in range(_LOOKED_AT):
        for sx, sy in ((1.0, 1.0), (-1.0, 1.0), (-1.0, -1.0), (1.0, -1.0)):
            far = circle.radius * 0.7071 + (1.0 + ring) * style.height
            at = Point(circle.centre.x + sx * far, circle.centre.y + sy * far)
            words = Lettering(name, at, height, anchor="middle", strong=True)
            yield Laid((Stroke(circle, style.narrow), words), (of_lettering(words, 0.5),), (), at)
