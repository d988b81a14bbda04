"""A list of things, places and figures mixed, as a statement names them."""

from collections.abc import Callable, Sequence
from functools import partial
from typing import Any, cast

from ...figures import Point
from ..places import plan_thing
from ..planner import Env, Planner
from ..tree import PLACES, Given, Name, Place, Statement

PlanThing = Callable[[Env, Point], Any]


class Things:
    """The things that a statement's givens ``figures`` name. As in a figure, a relative place counts from the one before it."""

    def __init__(self, p: Planner, statement: Statement, as_face: Callable[[PlanThing], PlanThing] | None = None) -> None:
        self._p = p
        self.givens: Sequence[Given] = [given for given in statement.givens if given.word == "figures"]
        self.others = {given.word: given for given in statement.givens if given.word != "figures"}
        """The other givens by their words; of those that stand several times, the last."""
        self.placed = False
        """Whether one of them is a place: what follows counts from that."""
        self._plans: list[PlanThing] = []
        for given in self.givens:
            one = cast("Place | Name", given.arguments[0])
            plan = self.behind(one)
            self._plans.append(as_face(plan) if as_face is not None and isinstance(one, PLACES) else plan)
            self.placed = self.placed or isinstance(one, PLACES)

    def behind(self, one: Place | Name) -> PlanThing:
        """The plan of another thing, which comes behind these."""
        return self._p.behind(self.placed, partial(plan_thing, self._p, one))

    def behind_given(self, word: str) -> PlanThing | None:
        """The same of the given with a word; None where there is none."""
        given = self.others.get(word)
        return None if given is None else self.behind(cast(Place, given.arguments[0]))

    def of(self, env: Env, last: Point) -> tuple[list[Any], Point]:
        """The things as they are, and the place from which what follows counts."""
        found: list[Any] = []
        for plan in self._plans:
            found.append(plan(env, last))
            last = found[-1] if type(found[-1]) is Point else last
        return found, last
