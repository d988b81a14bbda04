"""How long may be worked on something: what would take longer is cut short, and says so.

The caller opens a budget around it (`within`); what does the work looks at it now and then
(`watch`), in the few places that everything which can grow comes by. Without a budget nothing is cut short: what was accepted
once is worked out again however slow the machine.
"""

from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from time import monotonic


class OverBudget(BaseException):
    """It took too long. No step holds this, and nothing that only catches what goes wrong catches it: the whole is given up.

    What was being worked out and kept meanwhile may be half done: the caller that opened the budget lets it go.
    """


class Budget:
    """Until when, by a clock that only runs forward, may be worked on the whole, and how many seconds on each step."""

    __slots__ = ("_step", "_until", "_whole")

    def __init__(self, whole: float, step: float) -> None:
        self._whole = self._until = monotonic() + whole
        self._step = step

    def watch(self) -> None:
        """Raises `OverBudget`."""
        if monotonic() > self._until:
            raise OverBudget

    @contextmanager
    def one_step(self) -> Iterator[None]:
        """Around the work on one step."""
        before, self._until = self._until, min(self._until, monotonic() + self._step)
        try:
            self.watch()
            yield
        finally:
            self._until = before


_BUDGET: ContextVar[Budget | None] = ContextVar("budget", default=None)


@contextmanager
def within(whole: float, step: float) -> Iterator[None]:
    """Work within so many seconds, of which so many may go to any one step. Raises `OverBudget`."""
    token = _BUDGET.set(Budget(whole, step))
    try:
        yield
    finally:
        _BUDGET.reset(token)


@contextmanager
def unlimited() -> Iterator[None]:
    """Work that is watched, and called off, in another way."""
    token = _BUDGET.set(None)
    try:
        yield
    finally:
        _BUDGET.reset(token)


def current() -> Budget | None:
    """The budget of the caller, if there is one."""
    return _BUDGET.get()


def watch() -> None:
    """Raises `OverBudget` where there is a budget and it is used up."""
    budget = _BUDGET.get()
    if budget is not None:
        budget.watch()
