"""The tables of a book: what each step needs, who uses what, and what every step holds.

Names resolve to the nearest earlier step that defines them. A change evaluates the steps that were touched, then
whatever hangs on a value that differs, in the order of the book.
"""

from bisect import bisect_left
from collections.abc import Collection, Iterable
from dataclasses import replace
from heapq import heapify, heappop, heappush
from typing import Any, Protocol, TypeVar

from immutables import Map

from ..figures import Point
from ..problem import Problem, Refused, refuse
from .kinds import located
from .manner import Header, Manner
from .order import END, Key, Order
from .pieces import kind_of_piece, piece_of
from .planned import Planned
from .step import Step, like_name
from .tree import Name, key_of, parted
from .values import Drawn, Value

_ORIGIN = Point(0.0, 0.0)
TABLES = ("steps", "values", "_plans", "_links", "_users", "_definers")

_V = TypeVar("_V")


class Table(Protocol[_V]):
    """A table of a book, by ids or names: an `immutables.Map`, of which a change costs the same however large it is. While an
    edit holds it open it can be written to like a dictionary."""

    def __getitem__(self, key: str, /) -> _V: ...
    def __setitem__(self, key: str, value: _V, /) -> None: ...
    def __delitem__(self, key: str, /) -> None: ...
    def __contains__(self, key: object, /) -> bool: ...
    def __len__(self) -> int: ...
    def get(self, key: str, default: Any = None, /) -> Any: ...
    def pop(self, key: str, default: Any = None, /) -> Any: ...
    def values(self) -> Iterable[_V]: ...


Need = str | tuple[str, int, int]
"""A step that another one needs, with the number of the figure that comes of it where that is not the first, and of the piece of
an outline where that is not the whole."""


def step_of(need: Need) -> str:
    """The step that is needed."""
    return need[0] if isinstance(need, tuple) else need


def key_of_own(step: Step, key: str) -> bool:
    """Whether a step gives a name itself, and does not only carry it on."""
    return any(key_of(name) == key for name in step.own)


class Network:
    """Steps, their plans and links, and their values. `Book` adds reading and editing."""

    __slots__ = (
        "_carriers",
        "_definers",
        "_links",
        "_open",
        "_plans",
        "_tried",
        "_users",
        "before",
        "changed",
        "hand",
        "header",
        "kept",
        "order",
        "shared",
        "stamp",
        "steps",
        "touched",
        "values",
    )

    def __init__(self) -> None:
        self.header = Header()
        self.hand: Manner | None = None
        """The manner in which the next text is read and written, where a step of another manner is being mended."""
        self.order = Order()
        self.steps: Table[Step] = Map()  # type: ignore[assignment]
        self.values: Table[Value] = Map()  # type: ignore[assignment]
        self.changed: Collection[str] = frozenset()
        """Ids of the steps that the last edit evaluated."""
        self.stamp = object()
        """Tells this revision from all others, to be compared by identity only."""
        self.before: object = None
        """The stamp of the book that this one was made from by an edit."""
        self.touched: set[str] | frozenset[str] = frozenset()
        """Ids of all steps that the last edit brought, changed, evaluated, moved or took out."""
        self._plans: Table[Planned] = Map()  # type: ignore[assignment]
        self._links: Table[tuple[Need, ...]] = Map()  # type: ignore[assignment]
        """For each step, the steps it needs; the one that puts down its last place stands at the end."""
        self._users: Table[tuple[str, ...]] = Map()  # type: ignore[assignment]
        self._definers: Table[tuple[str, ...]] = Map()  # type: ignore[assignment]
        self.shared: dict[Any, Any] = {}
        """What `Shared` caches keep for all revisions."""
        self.kept: dict[Any, Any] = {}
        """What `Kept` caches keep for this revision."""
        self._carriers = 0
        """How many steps carry names on: without them no name has more than one version."""
        self._tried: dict[str, int] = {}
        """For each stem of names, up to which number they are known to be in use."""
        self._open: set[str] = set()
        """Tables that an edit holds open."""

    def _hold_open(self, *tables: str) -> None:
        for table in tables:
            if table not in self._open:
                setattr(self, table, getattr(self, table).mutate())
                self._open.add(table)

    def _close(self) -> None:
        for table in self._open:
            setattr(self, table, getattr(self, table).finish())
        self._open.clear()

    # Names and links ----------------------------------------------------------------------------------

    def _check_name(self, step: Step) -> None:
        for name in step.own:
            key = key_of(name)
            # Steps that carry a name on do not take it: they stand behind the one that gives it.
            if any(d != step.id and key_of_own(self.steps[d], key) for d in self._definers.get(key, ())):
                raise refuse("name_taken", 0, len(name), name=name, free=like_name(name, self._definers))

    def _define(self, step: Step) -> None:
        """Puts a step among the definers of its names, which stand in the order of the book."""
        self._hold_open("_definers")
        self._carriers += bool(step.carried)
        for key in step.keys:
            ids = self._definers.get(key, ())
            at = bisect_left(ids, self.order.key(step.id), key=self.order.key) if ids else 0
            self._definers[key] = (*ids[:at], step.id, *ids[at:])

    def _undefine(self, step: Step) -> None:
        self._hold_open("_definers")
        self._carriers -= bool(step.carried)
        for key in set(step.keys):
            rest = tuple(d for d in self._definers[key] if d != step.id)
            if rest:
                self._definers[key] = rest
            else:
                del self._definers[key]
                self._comes_free(key)

    def _comes_free(self, key: str) -> None:
        """A name is no longer in use: it may be dealt again."""
        stem = key.rstrip("0123456789")
        number = key[len(stem) :]
        if number and stem in self._tried:
            self._tried[stem] = min(self._tried[stem], int(number))

    def _users_between(self, keys: Iterable[str], at: Key) -> list[str]:
        """Steps behind ``at`` that use one of these names as it stands there: they would use another version of it if a step
        at that place came to define it, or no longer did."""
        found: list[str] = []
        for key in keys:
            version = self._resolve(key, at)
            users = self._users.get(version, ()) if version is not None else ()
            found += [
                u for u in users if self.order.key(u) >= at and any(parted(name)[0] == key for name in self._plans[u].names)
            ]
            found += self._hopeful(key)
        return found

    def _hopeful(self, key: str) -> tuple[str, ...]:
        """Steps that use this name where no earlier step defines it."""
        return self._users.get(f"?{key}", ()) if key else ()

    def _relative_after(self, at: Key) -> list[str]:
        """Steps behind ``at`` whose last place is the one of the nearest step before it."""
        users = self._users.get(self._last_provider(at) or "", ())
        return [u for u in users if self._plans[u].needs_last and self.order.key(u) >= at]

    def _last_provider(self, at: Key) -> str | None:
        """The step whose place is the last one put down before ``at``."""
        steps = self.steps
        return next((id for id in self.order.before(at) if steps[id].puts_place), None)

    def _resolve(self, key: str, at: Key) -> str | None:
        """The step that a name means at a place in the order: the nearest one before it that defines it."""
        ids = self._definers.get(key)
        if not ids:
            return None
        found = bisect_left(ids, at, key=self.order.key)
        return ids[found - 1] if found else None

    def _needs(self, planned: Planned, at: Key) -> tuple[Need, ...]:
        """What a plan needs at a place in the order: the step, with the number of the figure where that is not its first;
        ``?name`` for a name that nothing before it defines."""
        found: list[Need] = []
        for key in planned.names:
            name, edge = parted(key)
            id = self._resolve(name, at)
            which = self.steps[id].keys.index(name) if id is not None else 0
            found.append(f"?{name}" if id is None else (id, which, edge) if which or edge else id)
        return (*found, self._last_provider(at) or "") if planned.needs_last else tuple(found)

    def key_at(self, index: int | None) -> Key:
        """The place in the order of a step at ``index``; behind all of them where that is None."""
        return END if index is None else self.order.key_at(index)

    def kind_at(self, key: str, index: int) -> str | None:
        """What a name stands for where a step at ``index`` uses it; None where nothing before it defines it."""
        return self._kind_at(key, self.key_at(index))

    def _kind_at(self, key: str, at: Key) -> str | None:
        key, edge = parted(key)
        found = self._resolve(key, at)
        if found is None:
            return None
        step, place = self.steps[found], self.order.key(found)
        if edge:
            value = self.values.get(found)
            return kind_of_piece(value.results[step.keys.index(key)] if type(value) is Drawn else None, edge)
        return step.kinds(lambda operand: self._kind_at(operand, place))[step.keys.index(key)]

    def _settle_reading(self, id: str) -> bool:
        """Reads a step anew where its reading hinges on names that stand for something else now; whether it has become
        another kind of thing."""
        step, at = self.steps[id], self.order.key(id)
        settled = step.statement.settled(lambda key: self._kind_at(key, at))
        if settled is not step.statement:
            self._hold_open("steps", "_plans")
            self.steps[id] = replace(step, statement=settled)
            self._plans[id] = Planned(self.steps[id], self.header.manner.unit)
        return self.steps[id].figure_kind != step.figure_kind

    def _link(self, ids: Iterable[str]) -> list[str]:
        """Links steps to what they need, in the order of the book; those that have become another kind of thing."""
        other_kinds: list[str] = []
        for id in ids:
            if self.steps[id].statement.hinges and self._settle_reading(id):
                other_kinds.append(id)
            elif self.steps[id].statement.operands:
                # What comes of a verb is of the kind of what it works on, which may be another one now.
                other_kinds.append(id)
            needs = self._needs(self._plans[id], self.order.key(id))
            if needs != self._links.get(id):
                self._hold_open("_links", "_users")
                self._unlink(id)
                self._links[id] = needs
                for need in {step_of(need) for need in needs}:
                    self._users[need] = (*self._users.get(need, ()), id)
        return other_kinds

    def _unlink(self, id: str) -> None:
        self._hold_open("_links", "_users")
        for need in {step_of(need) for need in self._links.pop(id, ())}:
            rest = tuple(u for u in self._users.get(need, ()) if u != id)
            if rest:
                self._users[need] = rest
            elif self._users.pop(need, None) and need.startswith("?"):
                self._comes_free(need[1:])

    def datum_place(self, written: Manner) -> Point:
        """The datum of a manner, in the drawing's unit: a step counts from the one that stood when it was written."""
        manner = written.in_unit(self.header.manner.unit)
        return Point(manner.datum.x, manner.datum.y)

    # Evaluating ---------------------------------------------------------------------------------------

    def _settle(self, touched: set[str]) -> None:
        """Links the touched steps again, then evaluates them and whatever hangs on a value that changed."""
        touched = {id for id in touched if id in self.steps}
        waiting = set(touched)
        while waiting:
            # A step that reads otherwise may be another kind of thing, and then those that use it are linked again, too.
            other_kinds = self._link(sorted(waiting, key=self.order.key))
            waiting = {user for id in other_kinds for user in self._users.get(id, ())}
            touched |= waiting
        self._evaluate(touched)

    def _evaluate_all(self) -> None:
        """Every step once, in order: what a step needs always stands before it. While all of them are worked out the values stand
        in a plain dictionary, which is faster to write."""
        self._close()
        values: dict[str, Value] = {}
        self.values = values  # type: ignore[assignment]
        steps, plans, links = self.steps, self._plans, self._links
        for id in self.order:
            planned = plans[id]
            plan = planned.fast_plan
            if plan is not None:
                # The everyday case in a few operations: what a step holds begins with its figure. Whatever is missing or refused
                # is looked at again below.
                try:
                    needs = links[id]
                    # A comprehension is a call of its own, which would be a tenth of the whole.
                    if len(needs) == 2:
                        env = [values[needs[0]][0], values[needs[1]][0]]  # type: ignore[index]
                    elif len(needs) == 1:
                        env = [values[needs[0]][0]]  # type: ignore[index]
                    else:
                        env = [values[need][0] for need in needs]  # type: ignore[index]
                    values[id] = plan(env, _ORIGIN)
                    continue
                except (KeyError, TypeError, AttributeError, Refused, OverflowError, ZeroDivisionError):
                    pass
            values[id] = self._value(steps[id], planned, links[id])
        self.values = Map(values)  # type: ignore[assignment]
        self.changed = self.order

    def _evaluate(self, ids: Iterable[str]) -> None:
        self._hold_open("values")
        values, users, steps, plans, links = self.values, self._users, self.steps, self._plans, self._links
        waiting = set(ids)
        # What hangs on a step always stands after it, so whatever stands first among those that wait can be worked out.
        key = self.order.key
        queue = [(key(id), id) for id in waiting]
        heapify(queue)
        while queue:
            _, id = heappop(queue)
            planned = plans[id]
            plan = planned.fast_plan
            value: Value | None = None
            if plan is not None:
                # The everyday case in a few operations; whatever is missing or refused is looked at again below.
                try:
                    value = plan([values[need].figure for need in links[id]], _ORIGIN)  # type: ignore[union-attr, index]
                except (KeyError, AttributeError, Refused, OverflowError, ZeroDivisionError):
                    value = None
            if value is None:
                value = self._value(steps[id], planned, links[id])
            hanging = users.get(id)
            if hanging and value != values.get(id):
                for user in hanging:
                    if user not in waiting:
                        waiting.add(user)
                        heappush(queue, (key(user), user))
            values[id] = value
        self.changed = frozenset(waiting)

    def _value(self, step: Step, planned: Planned, links: tuple[Need, ...]) -> Value:
        if step.off:
            return Problem("off")
        if planned.problem is not None:
            return planned.problem
        values = self.values
        env: list[Any] = []
        needs_last = planned.needs_last
        for need in links[: planned.needed]:
            id, which, edge = need if isinstance(need, tuple) else (need, 0, 0)
            held = values.get(id)
            if type(held) is not Drawn:
                return self._missing(step, id, held)
            figure = held.results[which]
            if edge:
                try:
                    figure = piece_of(figure, edge, self.steps[id].names[which])
                except Refused as refused:
                    return located(refused, step.statement).problem
            env.append(figure)
        last = self._last_of(step_of(links[-1]), step.manner) if needs_last else _ORIGIN
        if isinstance(last, Problem):
            return last
        try:
            return planned.plan(env, last)  # type: ignore[misc]
        except Refused as refused:
            return located(refused, step.statement).problem
        except (OverflowError, ZeroDivisionError) as error:
            # Numbers so large or small that a double cannot hold what is made of them.
            return Problem("out_of_range", {"error": type(error).__name__})

    def _last_of(self, provider: str, written: Manner) -> Point | Problem:
        """The place that a step has put down last; the datum of whoever counts from it where there is no such step."""
        held = self.values.get(provider)
        if isinstance(held, Problem):
            return Problem("waits_for_last", {"on": self.steps[provider].name})
        return held.last if held is not None and held.last is not None else self.datum_place(written)

    def _missing(self, step: Step, need: str, held: Value | None) -> Problem:
        keys = (need[1:],) if held is None else self.steps[need].keys
        use = next((n for n in step.statement.uses if n.key in keys), Name(keys[0], 0, 0))
        if held is not None:
            return Problem("waits", {"on": use.text}, use.start, use.end)
        givers = (d for d in self._definers.get(use.key, ()) if key_of_own(self.steps[d], use.key))
        if any(d != step.id for d in givers):
            return Problem("later_name", {"name": use.text, "chain": [step.name, use.text]}, use.start, use.end)
        return Problem("unknown_name", {"name": use.text}, use.start, use.end)
