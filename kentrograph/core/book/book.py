"""The book: its steps in order, what each needs, and what each holds; a change evaluates only what hangs on it.

A `Book` is never changed: `Book.edited` gives another one that shares everything the edit did not touch. Names
resolve to the nearest earlier step that defines them, so a step can only need what stands before it.
"""

from collections.abc import Iterable
from heapq import heappop, heappush
from typing import Any

from ..figures import Point
from ..problem import Problem, Refused, refuse
from .edits import Delete, Edit, Insert, Move, Replace, SetHeader, Several
from .kinds import plan_statement
from .manner import Header
from .planner import Plan, Planner
from .step import Step
from .values import Drawn, Value

_ORIGIN = Point(0.0, 0.0)


class _Planned:
    """A step's plan and the names it needs; ``problem`` where there is no plan."""

    __slots__ = ("names", "needs_last", "plan", "problem")

    def __init__(self, step: Step, unit: str) -> None:
        planner = Planner(step.manner, unit)
        self.plan: Plan | None = None
        self.problem: Problem | None = None
        try:
            self.plan = plan_statement(planner, step.statement)
        except Refused as refused:
            self.problem = refused.problem
        self.names = tuple(planner.names)
        self.needs_last = planner.needs_last


class Book:
    """Steps in order with what they hold. Make one with `Book.new` and `Book.edited`."""

    __slots__ = ("_definers", "_links", "_plans", "_positions", "_users", "changed", "header", "order", "steps", "values")

    def __init__(self) -> None:
        self.header = Header()
        self.order: tuple[str, ...] = ()
        self.steps: dict[str, Step] = {}
        self.values: dict[str, Value] = {}
        self.changed: frozenset[str] = frozenset()
        """Ids of the steps that the last edit evaluated."""
        self._plans: dict[str, _Planned] = {}
        self._links: dict[str, tuple[str, ...]] = {}
        """For each step, the steps it needs; the one that puts down its last place stands at the end."""
        self._users: dict[str, tuple[str, ...]] = {}
        self._definers: dict[str, tuple[str, ...]] = {}
        self._positions: dict[str, int] = {}

    @classmethod
    def new(cls, header: Header | None = None, steps: Iterable[Step] = ()) -> "Book":
        """A book with these steps, evaluated from the first to the last."""
        book = cls()
        book.header = header or Header()
        for index, step in enumerate(steps):
            book.steps[step.id] = step
            book._positions[step.id] = index
            book._define(step)
        book.order = tuple(book.steps)
        for id in book.order:
            book._plans[id] = _Planned(book.steps[id], book.header.manner.unit)
        book._link(book.order)
        book._evaluate(book.order)
        return book

    # Reading ------------------------------------------------------------------------------------------

    def position(self, id: str) -> int:
        """Where a step stands. Raises `Refused` (no_step)."""
        found = self._positions.get(id)
        if found is None:
            raise refuse("no_step", id=id)
        return found

    def find(self, key: str) -> Step | None:
        """The last step that defines this name."""
        ids = self._definers.get(key)
        return self.steps[max(ids, key=self._positions.__getitem__)] if ids else None

    def kinds(self, before: int | None = None) -> dict[str, str]:
        """What every name stands for, among the steps before this index."""
        limit = len(self.order) if before is None else before
        found: dict[str, str] = {}
        for id in self.order[:limit]:
            step = self.steps[id]
            if step.name:
                found[step.key] = step.figure_kind
        return found

    def taken_names(self) -> set[str]:
        """Names in use, and names that waiting steps hope for; none of them is dealt again."""
        taken = set(self._definers)
        for id, value in self.values.items():
            if isinstance(value, Problem):
                taken.update(self._plans[id].names)
        return taken

    def dependents(self, id: str) -> list[str]:
        """Everything that hangs on a step, directly or not, in the order of the book."""
        found: set[str] = set()
        todo = list(self._users.get(id, ()))
        while todo:
            user = todo.pop()
            if user not in found:
                found.add(user)
                todo.extend(self._users.get(user, ()))
        return sorted(found, key=self._positions.__getitem__)

    def last_place(self, before: int | None = None) -> Point:
        """Where relative entries count from, for a step at this index."""
        provider = self._last_provider(len(self.order) if before is None else before)
        value = self.values.get(provider) if provider else None
        return value.last if isinstance(value, Drawn) and value.last is not None else self.datum_place()

    def datum_place(self) -> Point:
        """The datum, in the drawing's unit."""
        manner = Planner(self.header.manner, self.header.manner.unit).in_drawing(self.header.manner)
        return Point(manner.datum.x, manner.datum.y)

    def try_statement(self, step: Step, index: int) -> Value:
        """What a step would hold at ``index``, without putting it into the book."""
        planned = _Planned(step, self.header.manner.unit)
        return self._value(step, planned, self._needs(planned, index))

    # Changing -----------------------------------------------------------------------------------------

    def edited(self, edit: Edit) -> "tuple[Book, Edit]":
        """The book after an edit, and the edit that takes it back.

        Raises `Refused`: no_step, step_twice, bad_index, name_taken.
        """
        book = self._copy()
        touched: set[str] = set()
        inverse = book._apply(edit, touched)
        book._settle(touched)
        return book, inverse

    def _copy(self) -> "Book":
        book = Book()
        book.header, book.order = self.header, self.order
        for slot in ("steps", "values", "_plans", "_links", "_users", "_definers", "_positions"):
            setattr(book, slot, dict(getattr(self, slot)))
        return book

    def _apply(self, edit: Edit, touched: set[str]) -> Edit:
        match edit:
            case Insert(index, step):
                return self._insert(index, step, touched)
            case Delete(id):
                return self._delete(id, touched)
            case Replace(step):
                return self._replace(step, touched)
            case Move(id, index):
                return self._move(id, index, touched)
            case SetHeader(header):
                before, self.header = self.header, header
                if header.manner.unit != before.manner.unit:
                    for id in self.order:
                        self._plans[id] = _Planned(self.steps[id], header.manner.unit)
                    touched.update(self.order)
                return SetHeader(before)
            case Several(edits):
                inverses = [self._apply(e, touched) for e in edits]
                return Several(tuple(reversed(inverses)))

    def _insert(self, index: int, step: Step, touched: set[str]) -> Edit:
        if not 0 <= index <= len(self.order):
            raise refuse("bad_index", index=index, count=len(self.order))
        if step.id in self.steps:
            raise refuse("step_twice", id=step.id)
        self._check_name(step)
        self.order = (*self.order[:index], step.id, *self.order[index:])
        self.steps[step.id] = step
        self._renumber()
        self._define(step)
        self._plans[step.id] = _Planned(step, self.header.manner.unit)
        touched.add(step.id)
        touched.update(self._hopeful(step.key))
        touched.update(self._relative_after(index + 1))
        return Delete(step.id)

    def _delete(self, id: str, touched: set[str]) -> Edit:
        index = self.position(id)
        step = self.steps.pop(id)
        touched.update(self._users.get(id, ()), self._hopeful(step.key))
        touched.discard(id)
        self.order = (*self.order[:index], *self.order[index + 1 :])
        self._undefine(step)
        del self._plans[id], self.values[id]
        self._unlink(id)
        self._users.pop(id, None)
        self._renumber()
        return Insert(index, step)

    def _replace(self, step: Step, touched: set[str]) -> Edit:
        index = self.position(step.id)
        before = self.steps[step.id]
        if before.key != step.key:
            self._check_name(step)
            touched.update(self._users.get(step.id, ()), self._hopeful(before.key), self._hopeful(step.key))
            self._undefine(before)
            self._define(step)
        self.steps[step.id] = step
        self._plans[step.id] = _Planned(step, self.header.manner.unit)
        touched.add(step.id)
        if before.puts_place != step.puts_place or before.off != step.off:
            touched.update(self._users.get(step.id, ()))
            touched.update(self._relative_after(index + 1))
        return Replace(before)

    def _move(self, id: str, index: int, touched: set[str]) -> Edit:
        before = self.position(id)
        if not 0 <= index < len(self.order):
            raise refuse("bad_index", index=index, count=len(self.order))
        rest = [*self.order[:before], *self.order[before + 1 :]]
        rest.insert(index, id)
        touched.update(self._relative_after(before + 1))
        self.order = tuple(rest)
        self._renumber()
        touched.add(id)
        touched.update(self._users.get(id, ()), self._hopeful(self.steps[id].key))
        touched.update(self._relative_after(index + 1))
        return Move(id, before)

    # Names and links ----------------------------------------------------------------------------------

    def _check_name(self, step: Step) -> None:
        others = [d for d in self._definers.get(step.key, ()) if d != step.id] if step.name else []
        if others:
            raise refuse("name_taken", 0, len(step.name), name=step.name, free=self._free_name(step.name))

    def _free_name(self, name: str) -> str:
        stem = name.rstrip("0123456789")
        number = 1
        while f"{stem}{number}".lower() in self._definers:
            number += 1
        return f"{stem}{number}"

    def _define(self, step: Step) -> None:
        if step.name:
            self._definers[step.key] = (*self._definers.get(step.key, ()), step.id)

    def _undefine(self, step: Step) -> None:
        if step.name:
            rest = tuple(d for d in self._definers[step.key] if d != step.id)
            if rest:
                self._definers[step.key] = rest
            else:
                del self._definers[step.key]

    def _renumber(self) -> None:
        self._positions = {id: index for index, id in enumerate(self.order)}

    def _hopeful(self, key: str) -> tuple[str, ...]:
        """Steps that use this name where no earlier step defines it."""
        return self._users.get(f"?{key}", ()) if key else ()

    def _relative_after(self, index: int) -> list[str]:
        """Steps from ``index`` on whose last place is the one of the nearest step before ``index``."""
        found: list[str] = []
        for id in self.order[index:]:
            planned = self._plans[id]
            if planned.needs_last:
                found.append(id)
            if self.steps[id].puts_place:
                break
        return found

    def _last_provider(self, index: int) -> str | None:
        for id in reversed(self.order[:index]):
            if self.steps[id].puts_place:
                return id
        return None

    def _resolve(self, key: str, index: int) -> str | None:
        best = None
        for id in self._definers.get(key, ()):
            if self._positions[id] < index and (best is None or self._positions[id] > self._positions[best]):
                best = id
        return best

    def _needs(self, planned: _Planned, index: int) -> tuple[str, ...]:
        """Ids of what a plan needs at ``index``; ``?name`` for a name that nothing before it defines."""
        found = tuple(self._resolve(name, index) or f"?{name}" for name in planned.names)
        return (*found, self._last_provider(index) or "") if planned.needs_last else found

    def _link(self, ids: Iterable[str]) -> None:
        for id in ids:
            needs = self._needs(self._plans[id], self._positions[id])
            if needs != self._links.get(id):
                self._unlink(id)
                self._links[id] = needs
                for need in set(needs):
                    self._users[need] = (*self._users.get(need, ()), id)

    def _unlink(self, id: str) -> None:
        for need in set(self._links.pop(id, ())):
            rest = tuple(u for u in self._users.get(need, ()) if u != id)
            if rest:
                self._users[need] = rest
            else:
                self._users.pop(need, None)

    # Evaluating ---------------------------------------------------------------------------------------

    def _settle(self, touched: set[str]) -> None:
        """Links the touched steps again, then evaluates them and whatever hangs on a value that changed."""
        touched = {id for id in touched if id in self.steps}
        self._link(sorted(touched, key=self._positions.__getitem__))
        self._evaluate(touched)

    def _evaluate(self, ids: Iterable[str]) -> None:
        positions, values, users = self._positions, self.values, self._users
        queue: list[tuple[int, str]] = sorted((positions[id], id) for id in ids)
        queued = {id for _, id in queue}
        done: set[str] = set()
        while queue:
            _, id = heappop(queue)
            before = values.get(id)
            value = self._value(self.steps[id], self._plans[id], self._links[id])
            done.add(id)
            values[id] = value
            if value == before:
                continue
            for user in users.get(id, ()):
                if user not in queued:
                    queued.add(user)
                    heappush(queue, (positions[user], user))
        self.changed = frozenset(done)

    def _value(self, step: Step, planned: _Planned, links: tuple[str, ...]) -> Value:
        if step.off:
            return Problem("off")
        if planned.problem is not None:
            return planned.problem
        env: list[Any] = []
        last = _ORIGIN
        values = self.values
        for slot, need in enumerate(links):
            held = values.get(need)
            if slot == len(planned.names):
                last = self.datum_place() if held is None else held.last if isinstance(held, Drawn) and held.last else last
                if isinstance(held, Problem):
                    return Problem("waits_for_last", {"on": self.steps[need].name})
            elif isinstance(held, Drawn):
                env.append(held.figure)
            else:
                return self._missing(step, need, held)
        try:
            return planned.plan(env, last)  # type: ignore[misc]
        except Refused as refused:
            return refused.problem
        except (OverflowError, ZeroDivisionError) as error:
            # Numbers so large or small that a double cannot hold what is made of them.
            return Problem("out_of_range", {"error": type(error).__name__})

    def _missing(self, step: Step, need: str, held: Value | None) -> Problem:
        key = need[1:] if held is None else self.steps[need].key
        use = next(n for n in step.statement.uses if n.key == key)
        if held is not None:
            return Problem("waits", {"on": self.steps[need].name}, use.start, use.end)
        later = self._definers.get(key)
        if later:
            return Problem("later_name", {"name": use.text, "chain": [step.name, use.text]}, use.start, use.end)
        return Problem("unknown_name", {"name": use.text}, use.start, use.end)
