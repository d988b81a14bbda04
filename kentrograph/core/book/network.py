"""The tables of a book: what each step needs, who uses what, and what every step holds.

Names resolve to the nearest earlier step that defines them. A change evaluates the steps that were touched, then
whatever hangs on a value that differs, in the order of the book.
"""

from collections.abc import Iterable
from dataclasses import replace
from typing import Any

from ..figures import Point
from ..problem import Problem, Refused, refuse
from .kinds import located, plan_statement
from .manner import Header, Manner
from .planner import Plan, Planner
from .step import Names, Step, like_name
from .tree import Name
from .values import Drawn, Value

_ORIGIN = Point(0.0, 0.0)
TABLES = ("steps", "values", "_plans", "_links", "_users", "_definers", "_positions")


class Planned:
    """A step's plan and the names it needs; ``problem`` where there is no plan."""

    __slots__ = ("everyday", "names", "needs_last", "plan", "problem")

    def __init__(self, step: Step, unit: str) -> None:
        planner = Planner(step.manner, unit)
        self.plan: Plan | None = None
        self.problem: Problem | None = None
        try:
            plan = plan_statement(planner, step.statement)
            self.plan = None if step.off else plan
        except Refused as refused:
            self.problem = refused.problem
        # A step that hinges on a name is looked at again when that changes, whether this reading of it needs it or not.
        self.names = (*planner.names, *(name for name in step.statement.hinges if name not in planner.names))
        self.needs_last = planner.needs_last
        self.everyday = None if self.needs_last else self.plan
        """The plan of a step that counts from no last place: most are like that."""


class Network:
    """Steps, their plans and links, and their values. `Book` adds reading and editing."""

    __slots__ = (
        "_definers",
        "_kinds",
        "_links",
        "_owned",
        "_plans",
        "_positions",
        "_taken",
        "_users",
        "before",
        "changed",
        "hand",
        "header",
        "memo",
        "order",
        "steps",
        "touched",
        "values",
    )

    def __init__(self) -> None:
        self.header = Header()
        self.hand: Manner | None = None
        """The manner in which the next text is read and written, where a step of another manner is being mended."""
        self.order: tuple[str, ...] = ()
        self.steps: dict[str, Step] = {}
        self.values: dict[str, Value] = {}
        self.changed: frozenset[str] = frozenset()
        """Ids of the steps that the last edit evaluated."""
        self.before: dict[str, Value] | None = None
        """The table of values that this book was made from by an edit, to be compared by identity only."""
        self.touched: set[str] | frozenset[str] = frozenset()
        """Ids of all steps that the last edit brought, changed, evaluated or took out."""
        self._plans: dict[str, Planned] = {}
        self._links: dict[str, tuple[str, ...]] = {}
        """For each step, the steps it needs; the one that puts down its last place stands at the end."""
        self._users: dict[str, tuple[str, ...]] = {}
        self._definers: dict[str, tuple[str, ...]] = {}
        self._positions: dict[str, int] = {}
        self.memo: dict[str, Any] = {}
        """What others work out about steps and keep by their ids; every revision shares it, so each entry says what it is of."""
        self._kinds: dict[str, str] | None = None
        self._taken: Names | None = None
        self._owned = set(TABLES)
        """Tables that no other book shares."""

    def _own(self, *tables: str) -> None:
        for table in tables:
            if table not in self._owned:
                setattr(self, table, dict(getattr(self, table)))
                self._owned.add(table)

    # Names and links ----------------------------------------------------------------------------------

    def _check_name(self, step: Step) -> None:
        others = [d for d in self._definers.get(step.key, ()) if d != step.id] if step.name else []
        if others:
            raise refuse("name_taken", 0, len(step.name), name=step.name, free=like_name(step.name, self._definers))

    def _define(self, step: Step) -> None:
        self._own("_definers")
        if step.name:
            self._definers[step.key] = (*self._definers.get(step.key, ()), step.id)

    def _undefine(self, step: Step) -> None:
        self._own("_definers")
        if step.name:
            rest = tuple(d for d in self._definers[step.key] if d != step.id)
            if rest:
                self._definers[step.key] = rest
            else:
                del self._definers[step.key]

    def _renumber(self) -> None:
        self._positions = {id: index for index, id in enumerate(self.order)}
        self._owned.add("_positions")

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

    def _needs(self, planned: Planned, index: int) -> tuple[str, ...]:
        """Ids of what a plan needs at ``index``; ``?name`` for a name that nothing before it defines."""
        found = tuple(self._resolve(name, index) or f"?{name}" for name in planned.names)
        return (*found, self._last_provider(index) or "") if planned.needs_last else found

    def kind_at(self, key: str, index: int) -> str | None:
        """What a name stands for where a step at ``index`` uses it; None where nothing before it defines it."""
        found = self._resolve(key, index)
        return self.steps[found].figure_kind if found is not None else None

    def _settle_reading(self, id: str) -> bool:
        """Reads a step anew where its reading hinges on names that stand for something else now; whether it has become
        another kind of thing."""
        step, index = self.steps[id], self._positions[id]
        settled = step.statement.settled(lambda key: self.kind_at(key, index))
        if settled is not step.statement:
            self._own("steps", "_plans")
            self.steps[id] = replace(step, statement=settled)
            self._plans[id] = Planned(self.steps[id], self.header.manner.unit)
        return self.steps[id].figure_kind != step.figure_kind

    def _link(self, ids: Iterable[str]) -> list[str]:
        """Links steps to what they need, in the order of the book; those that have become another kind of thing."""
        other_kinds: list[str] = []
        for id in ids:
            if self.steps[id].statement.hinges and self._settle_reading(id):
                other_kinds.append(id)
            needs = self._needs(self._plans[id], self._positions[id])
            if needs != self._links.get(id):
                self._own("_links", "_users")
                self._unlink(id)
                self._links[id] = needs
                for need in set(needs):
                    self._users[need] = (*self._users.get(need, ()), id)
        return other_kinds

    def _unlink(self, id: str) -> None:
        self._own("_links", "_users")
        for need in set(self._links.pop(id, ())):
            rest = tuple(u for u in self._users.get(need, ()) if u != id)
            if rest:
                self._users[need] = rest
            else:
                self._users.pop(need, None)

    def datum_place(self, written: Manner) -> Point:
        """The datum of a manner, in the drawing's unit: a step counts from the one that stood when it was written."""
        manner = Planner(written, self.header.manner.unit).in_drawing(written)
        return Point(manner.datum.x, manner.datum.y)

    # Evaluating ---------------------------------------------------------------------------------------

    def _settle(self, touched: set[str]) -> None:
        """Links the touched steps again, then evaluates them and whatever hangs on a value that changed."""
        touched = {id for id in touched if id in self.steps}
        waiting = set(touched)
        while waiting:
            # A step that reads otherwise may be another kind of thing, and then those that use it are linked again, too.
            other_kinds = self._link(sorted(waiting, key=self._positions.__getitem__))
            waiting = {user for id in other_kinds for user in self._users.get(id, ())}
            touched |= waiting
        self._evaluate(touched)

    def _evaluate_all(self) -> None:
        """Every step once, in order: what a step needs always stands before it."""
        values, steps, plans, links = self.values, self.steps, self._plans, self._links
        for id in self.order:
            planned = plans[id]
            plan = planned.everyday
            if plan is not None:
                # The everyday case in a few operations; whatever is missing or refused is looked at again below.
                try:
                    values[id] = plan([values[need].figure for need in links[id]], _ORIGIN)  # type: ignore[union-attr]
                    continue
                except (KeyError, AttributeError, Refused, OverflowError, ZeroDivisionError):
                    pass
            values[id] = self._value(steps[id], planned, links[id])
        self.changed = frozenset(self.order)

    def _evaluate(self, ids: Iterable[str]) -> None:
        self._own("values")
        values, users, steps, plans, links = self.values, self._users, self.steps, self._plans, self._links
        waiting = set(ids)
        done: set[str] = set()
        # What hangs on a step always stands after it, so one walk down the book meets everything in its order.
        for id in self.order[min((self._positions[id] for id in waiting), default=0) :]:
            if id not in waiting:
                continue
            planned = plans[id]
            plan = planned.everyday
            value: Value | None = None
            if plan is not None:
                # The everyday case in a few operations; whatever is missing or refused is looked at again below.
                try:
                    value = plan([values[need].figure for need in links[id]], _ORIGIN)  # type: ignore[union-attr]
                except (KeyError, AttributeError, Refused, OverflowError, ZeroDivisionError):
                    value = None
            if value is None:
                value = self._value(steps[id], planned, links[id])
            done.add(id)
            hanging = users.get(id)
            if hanging and value != values.get(id):
                waiting.update(hanging)
            values[id] = value
        self.changed = frozenset(done)

    def _value(self, step: Step, planned: Planned, links: tuple[str, ...]) -> Value:
        if step.off:
            return Problem("off")
        if planned.problem is not None:
            return planned.problem
        values = self.values
        env: list[Any] = []
        needs_last = planned.needs_last
        for need in links[:-1] if needs_last else links:
            held = values.get(need)
            if type(held) is not Drawn:
                return self._missing(step, need, held)
            env.append(held.figure)
        last = self._last_of(links[-1], step.manner) if needs_last else _ORIGIN
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
        key = need[1:] if held is None else self.steps[need].key
        use = next((n for n in step.statement.uses if n.key == key), Name(key, 0, 0))
        if held is not None:
            return Problem("waits", {"on": self.steps[need].name}, use.start, use.end)
        later = self._definers.get(key)
        if later:
            return Problem("later_name", {"name": use.text, "chain": [step.name, use.text]}, use.start, use.end)
        return Problem("unknown_name", {"name": use.text}, use.start, use.end)
