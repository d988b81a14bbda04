"""The tables of a book: what each step needs, who uses what, who defines which name, and who marks it.

Names resolve to the nearest earlier step that defines them.
"""

from bisect import bisect_left
from collections.abc import Collection, Iterable, Iterator
from itertools import zip_longest
from typing import Any

from immutables import Map

from ..figures import FigureSet, Point
from .manner import Conventions, Header
from .names import Path, copy_name, key_of, parted
from .order import END, Key, Order
from .pieces import kind_of_part
from .planned import Planned
from .planner import DRAWING
from .step import Step
from .table import PersistentMap
from .values import StepResult, Value

TABLES = ("steps", "values", "plans", "links", "users", "defined", "marked")

Need = str | tuple[str, int, Path]
"""A step that another one needs, with the number of the figure that comes of it where that is not the first, and what is meant of
it where that is not the whole."""


def step_of(need: Need) -> str:
    """The step that is needed."""
    return need[0] if isinstance(need, tuple) else need


def key_of_own(step: Step, key: str) -> bool:
    """Whether a step gives a name itself, and does not only carry it on."""
    return any(key_of(name) == key for name in step.own)


def result_of(value: Value | None, which: int) -> Any:
    """One of the figures that come of a step, by its number; None where there is none."""
    if type(value) is not StepResult:
        return None
    results = value.results
    return results[which] if which < len(results) else None


def member_name(name: str, figures: FigureSet, number: int) -> str:
    """The name by which a member of a set can be used, by its number from 0."""
    if not name:
        return ""
    if not figures.names:
        return copy_name(number + 1, name)
    return f"{name}.{figures.names[number]}"


def _leaves(id: str, name: str, figure: Any) -> Iterator[tuple[str, str, Any]]:
    if not isinstance(figure, FigureSet):
        yield id, name, figure
        return
    for n, member in enumerate(figure.members):
        yield from _leaves(f"{id}/{n}", member_name(name, figure, n), member)


class Network:
    """Steps, their plans and links, and what they hold, to be looked up. `Book` adds reading and editing."""

    __slots__ = (
        "before",
        "carriers",
        "changed",
        "defined",
        "evaluating",
        "hand",
        "header",
        "kept",
        "links",
        "marked",
        "order",
        "plans",
        "shared",
        "stamp",
        "steps",
        "touched",
        "tried",
        "users",
        "values",
    )

    def __init__(self) -> None:
        self.header = Header()
        self.hand: Conventions | None = None
        """The manner in which the next text is read and written, where a step of another manner is being mended."""
        self.order = Order()
        self.steps: PersistentMap[Step] = Map()  # type: ignore[assignment]
        self.values: PersistentMap[Value] = Map()  # type: ignore[assignment]
        self.changed: Collection[str] = frozenset()
        """Ids of the steps that the last edit evaluated."""
        self.stamp = object()
        """Tells this revision from all others, to be compared by identity only."""
        self.before: object = None
        """The stamp of the book that this one was made from by an edit."""
        self.touched: set[str] | frozenset[str] = frozenset()
        """Ids of all steps that the last edit brought, changed, evaluated, moved or took out."""
        self.plans: PersistentMap[Planned] = Map()  # type: ignore[assignment]
        self.links: PersistentMap[tuple[Need, ...]] = Map()  # type: ignore[assignment]
        """For each step, the steps it needs; the one that puts down its last place stands at the end."""
        self.users: PersistentMap[tuple[str, ...]] = Map()  # type: ignore[assignment]
        self.defined: PersistentMap[tuple[str, ...]] = Map()  # type: ignore[assignment]
        self.marked: PersistentMap[tuple[str, ...]] = Map()  # type: ignore[assignment]
        """For each name, the steps that change how what it stands for is drawn, or whether it is: see `scene`."""
        self.shared: dict[Any, Any] = {}
        """What `Shared` caches keep for all revisions."""
        self.kept: dict[Any, Any] = {}
        """What `Kept` caches keep for this revision."""
        self.carriers = 0
        """How many steps carry names on: without them no name has more than one version."""
        self.tried: dict[str, int] = {}
        """For each stem of names, up to which number they are known to be in use."""
        self.evaluating = False
        """Whether some of its steps are worked out already and others are not."""

    # Names and links ----------------------------------------------------------------------------------

    def users_between(self, keys: Iterable[str], at: Key) -> list[str]:
        """Steps behind ``at`` that use one of these names as it stands there: they would use another version of it if a step
        at that place came to define it, or no longer did."""
        found: list[str] = []
        for key in keys:
            version = self.resolved(key, at)
            users = self.users.get(version, ()) if version is not None else ()
            found += [u for u in users if self.order.key(u) >= at and any(parted(name)[0] == key for name in self.plans[u].names)]
            found += self.hopeful(key)
        return found

    def hopeful(self, key: str) -> tuple[str, ...]:
        """Steps that use this name where no earlier step defines it."""
        return self.users.get(f"?{key}", ()) if key else ()

    def relative_after(self, at: Key) -> list[str]:
        """Steps behind ``at`` whose last place is the one of the nearest step before it."""
        users = self.users.get(self.last_provider(at) or "", ())
        return [u for u in users if self.plans[u].needs_last and self.order.key(u) >= at]

    def lookers_behind(self, at: Key) -> list[str]:
        """Steps behind ``at`` that look at all that is drawn before them."""
        return [user for user in self.users.get(DRAWING, ()) if self.order.key(user) > at]

    def last_provider(self, at: Key) -> str | None:
        """The step whose place is the last one put down before ``at``."""
        steps = self.steps
        return next((id for id in self.order.before(at) if steps[id].puts_place), None)

    def resolved(self, key: str, at: Key) -> str | None:
        """The step that a name means at a place in the order: the nearest one before it that defines it."""
        ids = self.defined.get(key)
        if not ids:
            return None
        found = bisect_left(ids, at, key=self.order.key)
        return ids[found - 1] if found else None

    def needs(self, planned: Planned, at: Key) -> tuple[Need, ...]:
        """What a plan needs at a place in the order: the step, with the number of the figure where that is not its first;
        ``?name`` for a name that nothing before it defines."""
        found: list[Need] = []
        for key in planned.names:
            if key == DRAWING:
                found.append(DRAWING)
                continue
            name, path = parted(key)
            id = self.resolved(name, at)
            which = self.steps[id].keys.index(name) if id is not None else 0
            found.append(f"?{name}" if id is None else (id, which, path) if which or path else id)
        return (*found, self.last_provider(at) or "") if planned.needs_last else tuple(found)

    def key_at(self, index: int | None) -> Key:
        """The place in the order of a step at ``index``; behind all of them where that is None."""
        return END if index is None else self.order.key_at(index)

    def kind_at(self, key: str, index: int) -> str | None:
        """What a name stands for where a step at ``index`` uses it; None where nothing before it defines it."""
        return self.kind_before(key, self.key_at(index))

    def kind_before(self, key: str, at: Key) -> str | None:
        """The same for a step at a place in the order."""
        key, path = parted(key)
        found = self.resolved(key, at)
        if found is None:
            return None
        step, place = self.steps[found], self.order.key(found)
        if path:
            value, which = self.values.get(found), step.keys.index(key)
            there = type(value) is StepResult and which < len(value.results)
            return kind_of_part(value.results[which] if there else None, path)
        return step.kinds(lambda operand: self.kind_before(operand, place))[step.keys.index(key)]

    # What comes of steps, by ids and names --------------------------------------------------------------------

    def datum_place(self, written: Conventions) -> Point:
        """The datum of a manner, in the drawing's unit: a step counts from the one that stood when it was written."""
        manner = written.in_unit(self.header.manner.unit)
        return Point(manner.datum.x, manner.datum.y)

    def figure_of(self, id: str | None) -> Any:
        """What a step draws, or one figure of several (see `figures_of`), or a member of a set (see `leaves_of`): a figure, a
        number or a reading; None where there is no such step or it does not stand."""
        if id is None:
            return None
        value = self.values.get(id)
        if value is not None:
            return value.figure if type(value) is StepResult else None
        whole, *path = id.split("/")
        step, _, which = whole.partition(".")
        figure = result_of(self.values.get(step), int(which or 0))
        for number in path:
            figure = figure.members[int(number)]
        return figure

    def figures_of(self, id: str) -> list[tuple[str, str, Any]]:
        """All that comes of a step: for each its id (of the first the step's own, of others with a dot and its number), its
        name and the figure. None where the step does not stand."""
        value, names = self.values[id], self.steps[id].names
        if type(value) is not StepResult:
            return []
        named = zip_longest(value.results, names[: len(value.results)], fillvalue="")
        return [(f"{id}.{n}" if n else id, name, figure) for n, (figure, name) in enumerate(named)]

    def leaves_of(self, id: str) -> Iterator[tuple[str, str, Any]]:
        """The same, with the members of sets, and of sets in them, in place of the sets: their ids go on with a slash and the
        number of the member, from 0."""
        for one, name, figure in self.figures_of(id):
            yield from _leaves(one, name, figure) if isinstance(figure, FigureSet) else ((one, name, figure),)

    def step_of(self, id: str) -> str:
        """The step that a figure comes of, by its id as `figures_of` or `leaves_of` gives it."""
        return id.partition("/")[0].partition(".")[0]

    def name_of(self, id: str) -> str:
        """The name of a figure, by its id as `figures_of` or `leaves_of` gives it; empty where it has none."""
        alone = self.steps.get(id)
        if alone is not None:
            return alone.names[0] if alone.names else ""
        whole, *path = id.split("/")
        step, _, which = whole.partition(".")
        names, number = self.steps[step].names, int(which or 0)
        name = names[number] if number < len(names) else ""
        figure = result_of(self.values.get(step), number)
        for member in path:
            name, figure = member_name(name, figure, int(member)), figure.members[int(member)]
        return name

    def base_name(self, id: str) -> str:
        """The name of a figure, or of the set that it is a member of."""
        return self.name_of(id.partition("/")[0])

    @property
    def has_versions(self) -> bool:
        """Whether any step shapes or marks what others have drawn."""
        return self.carriers > 0 or len(self.marked) > 0

    def is_shaped(self, key: str) -> bool:
        """Whether a name has more than one version."""
        return len(self.defined.get(key, ())) > 1

    def version(self, key: str, at: Key) -> str | None:
        """The figure that a name means at a place in the order, by its id as `figures_of` gives it."""
        found = self.resolved(parted(key)[0], at)
        if found is None:
            return None
        number = self.steps[found].keys.index(parted(key)[0])
        return f"{found}.{number}" if number else found

    def definers(self, key: str) -> tuple[str, ...]:
        """The steps that define a name, in the order of the book."""
        found: tuple[str, ...] = self.defined.get(key, ())
        return found

    def markers(self, key: str) -> tuple[str, ...]:
        """The steps that mark a name, in the order of the book."""
        found: tuple[str, ...] = self.marked.get(key, ())
        return found

    def needs_of(self, id: str) -> list[str]:
        """The steps that one needs, those that it looks at the whole drawing for aside."""
        return [need for need in dict.fromkeys(map(step_of, self.links.get(id, ()))) if need in self.steps]

    def users_of(self, id: str) -> tuple[str, ...]:
        """The steps that need one."""
        found: tuple[str, ...] = self.users.get(id, ())
        return found
