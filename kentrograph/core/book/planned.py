"""A step's plan, made once, and what it needs."""

from typing import Any

from ..problem import Problem, Refused
from .kinds import plan_statement
from .planner import Plan
from .step import Step, planner_of


class Planned:
    """A step's plan and the names it needs; ``problem`` where there is no plan."""

    __slots__ = ("fast_plan", "names", "needed", "needs_last", "plan", "problem")

    def __init__(self, step: Step, unit: str) -> None:
        planner = planner_of(step, unit)
        self.plan: Plan | None = None
        self.problem: Problem | None = None
        try:
            plan = plan_statement(planner, step.statement)
            self.plan = None if step.off else plan
        except Refused as refused:
            self.problem = refused.problem
        # A step that hinges on a name is looked at again when that changes, whether this reading of it needs it or not; one
        # that cannot be planned stands with all names that it uses, as they may be given other ones.
        more = step.statement.hinges if self.problem is None else (*step.statement.hinges, *(n.key for n in step.statement.uses))
        self.names = tuple(dict.fromkeys((*planner.names, *more))) if more else tuple(planner.names)
        self.needed = len(planner.names)
        """How many of the names the plan takes; the others are only looked at, and need not be there."""
        self.needs_last = planner.needs_last
        self.fast_plan = None if self.needs_last else self.plan
        """The plan of a step that counts from no last place: most are like that."""


class PlannedLater(Planned):
    """The same of a step that was planned before and could be: what it needs is known, the plan is made when it is asked for."""

    __slots__ = ("_step", "_unit")

    def __init__(self, step: Step, unit: str, names: tuple[str, ...], needed: int, needs_last: bool) -> None:
        self._step, self._unit = step, unit
        self.names, self.needed, self.needs_last = names, needed, needs_last
        self.problem = None

    def __getattr__(self, name: str) -> Any:
        # Only what is not known yet comes by here.
        if name not in ("plan", "fast_plan"):
            raise AttributeError(name)
        made = Planned(self._step, self._unit)
        self.plan, self.fast_plan, self.problem = made.plan, made.fast_plan, made.problem
        return getattr(made, name)
