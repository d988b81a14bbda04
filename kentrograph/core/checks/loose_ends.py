"""All that is found in a book, kept up to date: after an edit only what it touched is looked at again.

Method: each figure is compared with those whose boxes come near, which the index of the book tells. Findings are kept by the
figures that they are about.
"""

from bisect import bisect_left, insort
from collections.abc import Iterable, Iterator

from ..book.book import Book
from ..book.caches import Shared
from ..book.index import Index, index_of
from ..book.kinds import ALL
from ..book.order import Key
from ..book.scene import pen_of, seen, sharing
from ..book.values import StepResult, Untouchable
from ..figures import FigureSet
from ..units import convert
from .finding import KINDS, Finding
from .looked import Looked, looked_at, standing
from .own import alone
from .pairs import between
from .weak import weakly_held

HALF_A_MILLIMETRE = 0.5
_Box = tuple[float, float, float, float]


def usual_limit(unit: str) -> float:
    """How near is too near to be meant, by default: half a millimetre, rounded to the unit.

    >>> usual_limit("mm"), usual_limit("in"), usual_limit("m")
    (0.5, 0.02, 0.0005)
    """
    limit = convert(HALF_A_MILLIMETRE, "mm", unit)
    return float(f"{limit:.1g}")


class LooseEnds:
    """The findings of a book, for one limit. `loose_ends` brings it up to date."""

    def __init__(self) -> None:
        self.limit = 0.0
        self._book: Book | None = None
        self._looked: dict[str, Looked] = {}
        self._of_step: dict[str, list[str]] = {}
        self._found: dict[str, list[Finding]] = {}
        """The findings by the first of their figures."""
        self._sorted: list[Finding] = []
        self._come: list[Finding] = []
        self._gone: list[Finding] = []
        """What has come and gone since the list was put in order."""
        self._partners: dict[str, dict[str, None]] = {}
        """For each figure the others under which findings about it are kept."""

    def of(self, book: Book, limit: float) -> "LooseEnds":
        """The findings of this book."""
        known = self._book
        if known is not None and known.stamp is book.stamp and self.limit == limit:
            return self
        index = index_of(book)
        if known is not None and book.before is known.stamp and self.limit == limit:
            # What hid something, and is gone or says something else now, told of it in the book before only.
            self._renew(book, index, {one for id in book.touched for one in (id, *sharing(book, id), *sharing(known, id))})
        else:
            self.limit = limit
            self._looked, self._of_step, self._found, self._partners = {}, {}, {}, {}
            self._sorted = []
            self._renew(book, index, book.order, at_first=True)
        self._book = book
        return self

    def all(self) -> list[Finding]:
        """All of them, the most trouble first, within a kind those that are off least first: they are least likely meant."""
        return self._sorted

    def _renew(self, book: Book, index: Index, steps: Iterable[str], at_first: bool = False) -> None:
        fresh: dict[str, None] = {}
        for id in steps:
            for one in self._of_step.pop(id, ()):
                self._drop(one)
            if id in book.steps:
                fresh.update(dict.fromkeys(self._put_in(book, id)))
        done: set[str] = set()
        for one in fresh:
            self._compare(book, index, self._looked[one], done)
            done.add(one)
        if at_first:
            self._sorted = sorted(self._come, key=_trouble)
        else:
            # A few that come and go in a list that stands in order, whatever its length.
            self._sorted = self._sorted.copy()
            for finding in self._gone:
                del self._sorted[bisect_left(self._sorted, _trouble(finding), key=_trouble)]
            for finding in self._come:
                insort(self._sorted, finding, key=_trouble)
        self._come, self._gone = [], []

    def _put_in(self, book: Book, id: str) -> list[str]:
        """Looks at what comes of a step, as far as it is seen."""
        found = list(figures_to_check(book, id))
        self._looked.update((one.id, one) for one in found)
        if found:
            self._of_step[id] = [one.id for one in found]
        return [one.id for one in found]

    def _compare(self, book: Book, index: Index, f: Looked, done: set[str]) -> None:
        limit, looked = self.limit, self._looked
        for finding in alone(f, limit):
            self._keep(finding)
        for finding in weakly_held(book, f):
            self._keep(finding)
        if f.traced:
            return
        x0, y0, x1, y1 = f.box
        x0, y0, x1, y1 = x0 - limit, y0 - limit, x1 + limit, y1 + limit
        for id in index.in_box(*_widely(f.box, limit), every=True):
            if id in done or id not in looked:
                continue
            g = looked[id]
            box = g.box
            # Written out: cells are coarse, and most of what they hold lies elsewhere.
            if box[0] > x1 or box[2] < x0 or box[1] > y1 or box[3] < y0:
                continue
            if g.traced or g is f:
                continue
            for finding in between(f, g, limit) if f.stands < g.stands else between(g, f, limit):
                self._keep(finding)

    def _keep(self, finding: Finding) -> None:
        first = finding.first.figure
        self._found.setdefault(first, []).append(finding)
        self._come.append(finding)
        for other in finding.figures[1:]:
            self._partners.setdefault(other, {})[first] = None

    def _drop(self, figure: str) -> None:
        self._looked.pop(figure, None)
        self._gone += self._found.pop(figure, ())
        for first in self._partners.pop(figure, {}):
            known = self._found.get(first, [])
            kept = [one for one in known if figure not in one.figures]
            self._gone += [one for one in known if figure in one.figures]
            if kept:
                self._found[first] = kept
            else:
                self._found.pop(first, None)


def figures_to_check(book: Book, id: str) -> Iterator[Looked]:
    """What comes of a step, as far as it is seen, ready to be compared."""
    value, step = book.values[id], book.steps[id]
    if not isinstance(value, StepResult) or isinstance(value.figure, Untouchable) or step.hidden:
        return
    key = book.order.key(id)
    one_alone = not value.more and not isinstance(value.figure, FigureSet)
    for one, _, figure in ((id, "", value.figure),) if one_alone else book.leaves_of(id):
        whole = one.partition("/")[0]
        if not isinstance(figure, Untouchable) and seen(book, whole):
            yield looked_at(one, id, figure, pen_of(book, whole), _traced(book, one), key)


def _traced(book: Book, id: str) -> bool:
    """Whether a figure was made along others, or is a copy in a set of one that was."""
    step = book.steps[book.step_of(id)]
    kind, operands = ALL[step.statement.kind], step.statement.operands
    if not (kind.collects and operands):
        return kind.along
    # Of several that are repeated together the second number is that of the one.
    numbers = id.split("/")[1:]
    operand = operands[int(numbers[1])] if len(operands) > 1 and len(numbers) > 1 else operands[0]
    version = book.version(operand.key, book.order.key(step.id))
    return version is not None and _traced(book, version)


def around_an_edit(book: Book, after: Book, limit: float) -> tuple[set[str], set[str]]:
    """The keys of what is found about the figures that an edit of a book touches: before it, and after it.

    Both are looked at in the index of the book before: what an edit leaves alone stands where it stood.
    """
    touched = {one for id in after.touched for one in (id, *sharing(after, id), *sharing(book, id))}
    index = index_of(book)
    keys: list[set[str]] = []
    for version in (book, after):
        fresh = [one for id in touched if id in version.steps for one in figures_to_check(version, id)]
        found: set[str] = set()
        for n, f in enumerate(fresh):
            found.update(one.key for one in alone(f, limit))
            near = index.in_box(*_widely(f.box, limit), every=True)
            others = [id for id in near if book.step_of(id) not in touched]
            looked = [*fresh[n + 1 :], *_still(version, others)]
            for g in looked:
                if not (f.traced or g.traced) and _boxes_meet(f, g, limit):
                    found.update(one.key for one in (between(f, g, limit) if f.stands < g.stands else between(g, f, limit)))
        keys.append(found)
    return keys[0], keys[1]


def _widely(box: _Box, limit: float) -> _Box:
    """A box and what may lie within the limit of it, a little more: an index is worked out in rounded sums, and what
    is off by the very limit is found whatever the order in which figures came."""
    reach = 1.001 * limit
    return box[0] - reach, box[1] - reach, box[2] + reach, box[3] + reach


def _still(book: Book, ids: Iterable[str]) -> Iterator[Looked]:
    steps = dict.fromkeys(book.step_of(id) for id in ids)
    wanted = set(ids)
    return (one for step in steps for one in figures_to_check(book, step) if one.id in wanted)


def _boxes_meet(f: Looked, g: Looked, limit: float) -> bool:
    a, b = f.box, g.box
    return a[0] <= b[2] + limit and b[0] <= a[2] + limit and a[1] <= b[3] + limit and b[1] <= a[3] + limit


_RANKS = {kind: rank for rank, kind in enumerate(KINDS)}


def _trouble(one: Finding) -> tuple[int, float, str]:
    return _RANKS[one.kind], one.amount, one.key


def loose_ends(book: Book, limit: float | None = None) -> list[Finding]:
    """What is found in a book with a limit, in the drawing's unit; with the usual one where none is given."""
    return _LOOSE.of(book).of(book, limit or usual_limit(book.header.manner.unit)).all()


def distinct(book: Book, findings: list[Finding], limit: float) -> list[Finding]:
    """One finding for each thing that is wrong: where several figures lie together, what misses one of them misses all, and the
    one that was drawn first is named."""
    order = book.order.key

    def earliest(one: Finding) -> tuple[int, float, list[tuple[Key, tuple[int, ...]]]]:
        stand = sorted(standing(order(book.step_of(figure)), figure) for figure in one.figures)
        return _RANKS[one.kind], float(f"{one.amount:.9g}"), stand

    findings = sorted(findings, key=earliest)
    spoken: set[tuple[object, ...]] = set()
    found: list[Finding] = []
    for one in findings:
        keys: list[tuple[object, ...]] = []
        if one.second is not None and one.kind in ("ends", "beside"):
            pairs = ((one.first, one.second), (one.second, one.first))
            keys = [
                (this.figure, this.what, round(that.at.x / limit), round(that.at.y / limit))
                for this, that in pairs
                if this.what != "body"
            ]
        if one.second is not None and one.first.figure != one.second.figure:
            # What one copy of a set does to the next, all of them do.
            sets = {book.step_of(place.figure) for place in (one.first, one.second) if "/" in place.figure}
            if len(sets) == 1 and all("/" in figure for figure in one.figures):
                keys.append((*sets, one.kind, one.first.what, one.second.what, float(f"{one.amount:.9g}")))
        if not any(key in spoken for key in keys):
            found.append(one)
        spoken.update(keys)
    return found


_LOOSE = Shared(LooseEnds)
