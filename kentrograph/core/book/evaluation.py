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
from .table import PersistentMap
from .tree import Name
from .values import StepResult, Value

_ORIGIN = Point(0.0, 0.0)


def quickly(planned: Planned, needs: tuple[Need, ...], values: PersistentMap[Value]) -> StepResult | None:
    """The everyday case in a few operations: what a step holds that needs whole figures, each the first that comes of a step.
    None where anything is missing or refused: that is looked at again."""
    plan = planned.fast_plan
    if plan is None:
        return None
    try:
        # What a step holds begins with its figure; of what has several, or is a part, the look-up fails. A comprehension is a
        # call of its own, which would be a tenth of the whole.
        if len(needs) == 2:
            return plan([values[needs[0]][0], values[needs[1]][0]], _ORIGIN)  # type: ignore[index]
        if len(needs) == 1:
            return plan([values[needs[0]][0]], _ORIGIN)  # type: ignore[index]
        return plan([values[need][0] for need in needs], _ORIGIN)  # type: ignore[index]
    except (KeyError, TypeError, AttributeError, Refused, OverflowError, ZeroDivisionError):
        return None


class Evaluation:
    """Works out what the steps of a book hold, and puts it among its `values`."""

    __slots__ = ("book",)

    def __init__(self, book: Network) -> None:
        self.book = book

    def all(self) -> None:
        """Every step once, in order: what a step needs always stands before it."""
        book = self.book
        # A plain dictionary is faster to write.
        values: dict[str, Value] = {}
        book.values = values  # type: ignore[assignment]
        self._in_turn(book.order)
        book.values = Map(values)  # type: ignore[assignment]

    def these(self, ids: Iterable[str]) -> None:
        """Steps whose values are not known yet, in order; those of all others are."""
        self._in_turn(ids)

    def _in_turn(self, ids: Iterable[str]) -> None:
        book = self.book
        steps, values, plans, links = book.steps, book.values, book.plans, book.links
        book.evaluating = True
        for id in ids:
            planned, needs = plans[id], links[id]
            values[id] = quickly(planned, needs, values) or self.value(steps[id], planned, needs)
        book.evaluating = False
        book.changed = book.order

    def hanging_on(self, ids: Iterable[str]) -> None:
        """These steps, and whatever hangs on a value that differs, in the order of the book."""
        book = self.book
        steps, values, plans, links, users = book.steps, book.values, book.plans, book.links, book.users
        waiting = set(ids)
        # What hangs on a step always stands after it, so whatever stands first among those that wait can be worked out.
        key = book.order.key
        queue = [(key(id), id) for id in waiting]
        heapify(queue)
        # A step that looks at the whole drawing hangs on whatever stands before it.
        if queue:
            for user in book.lookers_behind(queue[0][0]):
                if user not in waiting:
                    waiting.add(user)
                    heappush(queue, (key(user), user))
        book.evaluating = True
        while queue:
            _, id = heappop(queue)
            planned, needs = plans[id], links[id]
            value = quickly(planned, needs, values) or self.value(steps[id], planned, needs)
            hanging = users.get(id)
            if hanging and value != values.get(id):
                for user in hanging:
                    if user not in waiting:
                        waiting.add(user)
                        heappush(queue, (key(user), user))
            values[id] = value
        book.evaluating = False
        book.changed = frozenset(waiting)

    def value(self, step: Step, planned: Planned, links: tuple[Need, ...], at: Key | None = None) -> Value:
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
        values = self.book.values
        env: list[Any] = []
        needs_last = planned.needs_last
        lost = self._lost(step, planned, links)
        if lost:
            return self._with_the_others(step, lost, at)
        for need in links[: planned.needed]:
            if need == DRAWING:
                env.append(Surroundings(self.book, self.book.order.key(step.id) if at is None else at))
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
                    figure = part_of(figure, path, self.book.steps[id].names[which])
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
            parted(key)[0]
            for key, need in needs
            if need != DRAWING and type(self.book.values.get(step_of(need))) is not StepResult
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
        planned = Planned(rest, self.book.header.manner.unit)
        value = self._worked_out(rest, planned, self.book.needs(planned, self.book.order.key(step.id) if at is None else at), at)
        names = " and ".join(dict.fromkeys(name.text for name in lost))
        return value._replace(note=f"without {names}") if isinstance(value, StepResult) else value

    def _last_of(self, provider: str, written: Conventions) -> Point | Problem:
        """The place that a step has put down last; its own datum where there is no such step."""
        held = self.book.values.get(provider)
        if isinstance(held, Problem):
            return Problem("waits_for_last", {"on": self.book.steps[provider].name})
        return held.last if held is not None and held.last is not None else self.book.datum_place(written)

    def _gone(self, step: Step, need: str, which: int, count: int) -> Problem:
        """Of a step that needs a figure which does not come of another one now: a number before it has made fewer."""
        key = self.book.steps[need].keys[which]
        use = next((n for n in step.statement.uses if n.key == key), Name(key, 0, 0))
        return Problem("no_such_result", {"name": use.text, "count": count}, use.start, use.end)

    def _missing(self, step: Step, need: str, held: Value | None) -> Problem:
        keys = (need[1:],) if held is None else self.book.steps[need].keys
        use = next((n for n in step.statement.uses if n.key in keys), Name(keys[0], 0, 0))
        if held is not None:
            return Problem("waits", {"on": use.text}, use.start, use.end)
        givers = (d for d in self.book.defined.get(use.key, ()) if key_of_own(self.book.steps[d], use.key))
        if any(d != step.id for d in givers):
            return Problem("later_name", {"name": use.text, "chain": [step.name, use.text]}, use.start, use.end)
        return Problem("unknown_name", {"name": use.text}, use.start, use.end)
