"""The tables of a book: what each step needs, who uses what, and what every step holds.

Names resolve to the nearest earlier step that defines them. A change evaluates the steps that were touched, then
whatever hangs on a value that differs, in the order of the book.
"""

from bisect import bisect_left
from collections.abc import Iterable
from dataclasses import replace
from typing import Any

from ..figures import Point
from ..problem import Problem, Refused, refuse
from .kinds import located, plan_statement
from .manner import Header, Manner
from .planner import Plan, Planner
from .step import Step, like_name
from .tree import Name, key_of
from .values import Drawn, Value

_ORIGIN = Point(0.0, 0.0)
TABLES = ("steps", "values", "_plans", "_links", "_users", "_definers", "_positions")


Need = str | tuple[str, int]
"""A step that another one needs, with the number of the figure that comes of it where that is not the first."""


def step_of(need: Need) -> str:
    """The step that is needed."""
    return need[0] if isinstance(need, tuple) else need


def key_of_own(step: Step, key: str) -> bool:
    """Whether a step gives a name itself, and does not only carry it on."""
    return any(key_of(name) == key for name in step.own)


class Planned:
    """A step's plan and the names it needs; ``problem`` where there is no plan."""

    __slots__ = ("fast_plan", "names", "needs_last", "plan", "problem")

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
        self.fast_plan = None if self.needs_last else self.plan
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
        "_tried",
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
        self._links: dict[str, tuple[Need, ...]] = {}
        """For each step, the steps it needs; the one that puts down its last place stands at the end."""
        self._users: dict[str, tuple[str, ...]] = {}
        self._definers: dict[str, tuple[str, ...]] = {}
        self._positions: dict[str, int] = {}
        self.memo: dict[str, Any] = {}
        """What others work out about steps and keep by their ids; every revision shares it, so each entry says what it is of."""
        self._kinds: dict[str, str] | None = None
        self._tried: dict[str, int] = {}
        """For each stem of names, up to which number they are known to be in use."""
        self._owned = set(TABLES)
        """Tables that no other book shares."""

    def _own(self, *tables: str) -> None:
        for table in tables:
            if table not in self._owned:
                setattr(self, table, dict(getattr(self, table)))
                self._owned.add(table)

    # Names and links ----------------------------------------------------------------------------------

    def _check_name(self, step: Step) -> None:
        for name in step.own:
            key = key_of(name)
            # Steps that carry a name on do not take it: they stand behind the one that gives it.
            if any(d != step.id and key_of_own(self.steps[d], key) for d in self._definers.get(key, ())):
                raise refuse("name_taken", 0, len(name), name=name, free=like_name(name, self._definers))

    def _define(self, step: Step) -> None:
        """Puts a step among the definers of its names, which stand in the order of the book."""
        self._own("_definers")
        for key in step.keys:
            ids = self._definers.get(key, ())
            at = bisect_left(ids, self._positions[step.id], key=self._positions.__getitem__) if ids else 0
            self._definers[key] = (*ids[:at], step.id, *ids[at:])

    def _undefine(self, step: Step) -> None:
        self._own("_definers")
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

    def _users_between(self, keys: Iterable[str], index: int) -> list[str]:
        """Steps from ``index`` on that use one of these names as it stands there: they would use another version of it if
        a step at ``index`` came to define it, or no longer did."""
        found: list[str] = []
        for key in keys:
            version = self._resolve(key, index)
            users = self._users.get(version, ()) if version is not None else ()
            found += [u for u in users if self._positions[u] >= index and key in self._plans[u].names]
            found += self._hopeful(key)
        return found

    def _renumber(self) -> None:
        self._positions = {id: index for index, id in enumerate(self.order)}
        self._owned.add("_positions")

    def _hopeful(self, key: str) -> tuple[str, ...]:
        """Steps that use this name where no earlier step defines it."""
        return self._users.get(f"?{key}", ()) if key else ()

    def _relative_after(self, index: int) -> list[str]:
        """Steps from ``index`` on whose last place is the one of the nearest step before ``index``."""
        found: list[str] = []
        for at in range(index, len(self.order)):
            id = self.order[at]
            if self._plans[id].needs_last:
                found.append(id)
            if self.steps[id].puts_place:
                break
        return found

    def _last_provider(self, index: int) -> str | None:
        order, steps = self.order, self.steps
        for at in range(min(index, len(order)) - 1, -1, -1):
            if steps[order[at]].puts_place:
                return order[at]
        return None

    def _resolve(self, key: str, index: int) -> str | None:
        """The step that a name means at ``index``: the nearest one before it that defines it."""
        ids = self._definers.get(key)
        if not ids:
            return None
        at = bisect_left(ids, index, key=self._positions.__getitem__)
        return ids[at - 1] if at else None

    def _needs(self, planned: Planned, index: int) -> tuple[Need, ...]:
        """What a plan needs at ``index``: the step, with the number of the figure where that is not its first; ``?name`` for
        a name that nothing before it defines."""
        found: list[Need] = []
        for name in planned.names:
            id = self._resolve(name, index)
            which = self.steps[id].keys.index(name) if id is not None else 0
            found.append(f"?{name}" if id is None else (id, which) if which else id)
        return (*found, self._last_provider(index) or "") if planned.needs_last else tuple(found)

    def kind_at(self, key: str, index: int) -> str | None:
        """What a name stands for where a step at ``index`` uses it; None where nothing before it defines it."""
        found = self._resolve(key, index)
        if found is None:
            return None
        step, position = self.steps[found], self._positions[found]
        return step.kinds(lambda operand: self.kind_at(operand, position))[step.keys.index(key)]

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
            elif self.steps[id].statement.operands:
                # What comes of a verb is of the kind of what it works on, which may be another one now.
                other_kinds.append(id)
            needs = self._needs(self._plans[id], self._positions[id])
            if needs != self._links.get(id):
                self._own("_links", "_users")
                self._unlink(id)
                self._links[id] = needs
                for need in {step_of(need) for need in needs}:
                    self._users[need] = (*self._users.get(need, ()), id)
        return other_kinds

    def _unlink(self, id: str) -> None:
        self._own("_links", "_users")
        for need in {step_of(need) for need in self._links.pop(id, ())}:
            rest = tuple(u for u in self._users.get(need, ()) if u != id)
            if rest:
                self._users[need] = rest
            elif self._users.pop(need, None) and need.startswith("?"):
                self._comes_free(need[1:])

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
            plan = planned.fast_plan
            if plan is not None:
                # The everyday case in a few operations; whatever is missing or refused is looked at again below.
                try:
                    values[id] = plan([values[need].figure for need in links[id]], _ORIGIN)  # type: ignore[union-attr, index]
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
            done.add(id)
            hanging = users.get(id)
            if hanging and value != values.get(id):
                waiting.update(hanging)
            values[id] = value
        self.changed = frozenset(done)

    def _value(self, step: Step, planned: Planned, links: tuple[Need, ...]) -> Value:
        if step.off:
            return Problem("off")
        if planned.problem is not None:
            return planned.problem
        values = self.values
        env: list[Any] = []
        needs_last = planned.needs_last
        for need in links[:-1] if needs_last else links:
            id, which = need if isinstance(need, tuple) else (need, 0)
            held = values.get(id)
            if type(held) is not Drawn:
                return self._missing(step, id, held)
            env.append(held.results[which] if which else held.figure)
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
