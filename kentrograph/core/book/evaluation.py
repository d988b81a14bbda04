"""What every step of a book holds: worked out from the first to the last, or only what hangs on a change.

A change evaluates the steps that were touched, then whatever hangs on a value that differs, in the order of the book.
"""

from collections.abc import Iterable
from dataclasses import replace
from heapq import heapify, heappop, heappush
from typing import Any

from immutables import Map

from ..budget import current
from ..figures import Point
from ..problem import Problem, Refused
from .kinds import ALL, located
from .manner import Conventions
from .names import parted
from .network import Need, Network, key_of_own, step_of
from .order import Key
from .pieces import part_of
from .planned import Planned
from .planner import DRAWING
from .step import Step
from .surroundings import Surroundings
from .tree import Name
from .values import StepResult, Value

_ORIGIN = Point(0.0, 0.0)


class Evaluation(Network):
    """A network that works out what its steps hold. `Book` adds reading and editing."""

    __slots__ = ()

    def datum_place(self, written: Conventions) -> Point:
        """The datum of a manner, in the drawing's unit: a step counts from the one that stood when it was written."""
        manner = written.in_unit(self.header.manner.unit)
        return Point(manner.datum.x, manner.datum.y)

    # Evaluating ---------------------------------------------------------------------------------------

    def _settle(self, touched: set[str]) -> None:
        """Links the touched steps again, then evaluates them and whatever hangs on a value that changed."""
        there = {id for id in touched if id in self.steps}
        if len(there) < len(touched):
            # Nobody knows any more where it stood that is gone: whoever looks at the whole drawing looks again.
            there.update(self._users.get(DRAWING, ()))
        touched = there
        waiting = set(touched)
        while waiting:
            # A step that reads otherwise may be another kind of thing, and then those that use it are linked again, too.
            again: set[str] = set()
            other_kinds = self._link(sorted(waiting, key=self.order.key), again)
            waiting = again.union(user for id in other_kinds for user in self._users.get(id, ()))
            touched |= waiting
        self._evaluate(touched)

    def _evaluate_all(self) -> None:
        """Every step once, in order: what a step needs always stands before it. While all of them are worked out the values stand
        in a plain dictionary, which is faster to write."""
        self._close()
        values: dict[str, Value] = {}
        self.values = values  # type: ignore[assignment]
        steps, plans, links = self.steps, self._plans, self._links
        self.evaluating = True
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
        self.evaluating = False
        self.changed = self.order

    def _evaluate_these(self, ids: Iterable[str]) -> None:
        """Steps whose values are not known yet, in order; those of all others are."""
        self.evaluating = True
        for id in ids:
            self.values[id] = self._value(self.steps[id], self._plans[id], self._links[id])
        self.evaluating = False
        self.changed = self.order

    def _evaluate(self, ids: Iterable[str]) -> None:
        self._hold_open("values")
        values, users, steps, plans, links = self.values, self._users, self.steps, self._plans, self._links
        waiting = set(ids)
        # What hangs on a step always stands after it, so whatever stands first among those that wait can be worked out.
        key = self.order.key
        queue = [(key(id), id) for id in waiting]
        heapify(queue)
        # Whoever looks at the whole drawing hangs on whatever stands before it.
        if queue:
            for user in self._lookers_behind(queue[0][0]):
                if user not in waiting:
                    waiting.add(user)
                    heappush(queue, (key(user), user))
        self.evaluating = True
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
        self.evaluating = False
        self.changed = frozenset(waiting)

    def _value(self, step: Step, planned: Planned, links: tuple[Need, ...], at: Key | None = None) -> Value:
        """What a step holds; ``at`` is where it would stand, if it is not in the book. Raises `OverBudget` where there is one."""
        budget = current()
        if budget is None:
            return self._worked_out(step, planned, links, at)
        with budget.one_step():
            return self._worked_out(step, planned, links, at)

    def _worked_out(self, step: Step, planned: Planned, links: tuple[Need, ...], at: Key | None) -> Value:
        if step.off:
            return Problem("off")
        if planned.problem is not None:
            return planned.problem
        values = self.values
        env: list[Any] = []
        needs_last = planned.needs_last
        lost = self._lost(step, planned, links)
        if lost:
            return self._with_the_others(step, lost, at)
        for need in links[: planned.needed]:
            if need == DRAWING:
                env.append(Surroundings(self, self.order.key(step.id) if at is None else at))
                continue
            id, which, path = need if isinstance(need, tuple) else (need, 0, ())
            held = values.get(id)
            if type(held) is not StepResult:
                return self._missing(step, id, held)
            results = held.results
            if which >= len(results):
                return self._gone(step, id, which, len(results))
            figure = results[which]
            if path:
                try:
                    figure = part_of(figure, path, self.steps[id].names[which])
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

    def _lost(self, step: Step, planned: Planned, links: tuple[Need, ...]) -> tuple[Name, ...]:
        """The names of what is gone, or waits, where the step goes on without: in givens of which it has others."""
        kind = ALL.get(step.statement.kind)
        if kind is None or not kind.spares:
            return ()
        needs = zip(planned.names, links[: planned.needed], strict=False)
        gone = {
            parted(key)[0] for key, need in needs if need != DRAWING and type(self.values.get(step_of(need))) is not StepResult
        }
        lost: list[Name] = []
        for word in kind.spares if gone else ():
            givens = [given for given in step.statement.givens if given.word == word]
            names = [[n for n in step.statement.uses if g.start <= n.start < g.end and n.key in gone] for g in givens]
            if all(names) and givens and word == kind.spares[0]:
                # Nothing is left that it could go on with.
                return ()
            lost += [name for some in names for name in some]
        return tuple(lost)

    def _with_the_others(self, step: Step, lost: tuple[Name, ...], at: Key | None) -> Value:
        """What a step holds without the givens that name what is lost; it says so."""
        statement = step.statement
        left = tuple(g for g in statement.givens if not any(g.start <= name.start < g.end for name in lost))
        uses = tuple(name for name in statement.uses if name not in lost)
        rest = replace(step, statement=replace(statement, givens=left, uses=uses))
        planned = Planned(rest, self.header.manner.unit)
        value = self._worked_out(rest, planned, self._needs(planned, self.order.key(step.id) if at is None else at), at)
        names = " and ".join(dict.fromkeys(name.text for name in lost))
        return value._replace(note=f"without {names}") if isinstance(value, StepResult) else value

    def _last_of(self, provider: str, written: Conventions) -> Point | Problem:
        """The place that a step has put down last; the datum of whoever counts from it where there is no such step."""
        held = self.values.get(provider)
        if isinstance(held, Problem):
            return Problem("waits_for_last", {"on": self.steps[provider].name})
        return held.last if held is not None and held.last is not None else self.datum_place(written)

    def _gone(self, step: Step, need: str, which: int, count: int) -> Problem:
        """Of a step that needs a figure which does not come of another one now: a number before it has made fewer."""
        key = self.steps[need].keys[which]
        use = next((n for n in step.statement.uses if n.key == key), Name(key, 0, 0))
        return Problem("no_such_result", {"name": use.text, "count": count}, use.start, use.end)

    def _missing(self, step: Step, need: str, held: Value | None) -> Problem:
        keys = (need[1:],) if held is None else self.steps[need].keys
        use = next((n for n in step.statement.uses if n.key in keys), Name(keys[0], 0, 0))
        if held is not None:
            return Problem("waits", {"on": use.text}, use.start, use.end)
        givers = (d for d in self._definers.get(use.key, ()) if key_of_own(self.steps[d], use.key))
        if any(d != step.id for d in givers):
            return Problem("later_name", {"name": use.text, "chain": [step.name, use.text]}, use.start, use.end)
        return Problem("unknown_name", {"name": use.text}, use.start, use.end)
