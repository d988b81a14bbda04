"""Statements to plans: functions made once when a step is written and called whenever what it needs changes.

A plan takes ``(env, last)``: the figures of the names that the step uses, in the order of `Planner.names`, and the
last place of the steps before it. What does not depend on either is worked out when the plan is made.
"""

from abc import ABC, abstractmethod
from collections.abc import Callable, Sequence
from math import acos, asin, atan, cos, degrees, isfinite, radians, sin, sqrt, tan
from typing import Any, Literal, TypeVar

from ..figures import Point
from ..problem import Refused, refusal
from ..units import convert
from .manner import Conventions
from .parts import PARTS, in_unit, parts_of
from .readings import QUANTITIES
from .tree import (
    PLACES,
    Azimuth,
    Bearing,
    Binary,
    Call,
    InUnit,
    Measured,
    Name,
    Named,
    Negative,
    Number,
    Part,
    Place,
    Plain,
)
from .values import Reading, StepResult

_T = TypeVar("_T")
DRAWING = "*"
"""Under what a plan needs the whole drawing before it; no figure can have that name."""
Env = Sequence[Any]
NumberPlan = float | Callable[[Env, Point], float]
Plan = Callable[[Env, Point], StepResult]
PlacePlan = Point | Callable[[Env, Point], Point]
Quantity = Literal["length", "direction", "turn", "factor", "count", "offset"]
"""What a number is: how it is read, converted and shown goes by this."""


def as_function(plan: PlacePlan) -> Callable[[Env, Point], Point]:
    """A place plan that can be called, whether it depends on anything or not."""
    return (lambda env, last: plan) if isinstance(plan, Point) else plan


class Planner(ABC):
    """Plans the numbers of one statement, written in ``manner``, for a drawing in ``unit``.

    Numbers hold places and readings, which hold numbers: how those are planned stands in `statement_planner`. ``quantity``
    tells what the numbers of a given are, by its word.
    """

    def __init__(self, manner: Conventions, unit: str, quantity: Callable[[str], Quantity | None] = lambda word: None) -> None:
        self.manner = manner
        self.unit = unit
        self.quantity = quantity
        self.names: list[str] = []
        self.needs_last = False

    def slot(self, name: Name) -> int:
        """Where the figure of this name stands in the plan's ``env``."""
        key = name.key
        if key in self.names:
            return self.names.index(key)
        self.names.append(key)
        return len(self.names) - 1

    def drawing(self) -> int:
        """Where all that is seen of the drawing before the step stands in the plan's ``env``."""
        if DRAWING not in self.names:
            self.names.append(DRAWING)
        return self.names.index(DRAWING)

    # What numbers hold and are held by ------------------------------------------------------------------

    @abstractmethod
    def place(self, node: Place) -> PlacePlan:
        """A plan for a place: a point where it depends on nothing, otherwise a function of ``(env, last)``."""

    @abstractmethod
    def reading(self, node: Measured) -> Callable[[Env, Point], float]:
        """A plan for the value of a reading, in the drawing's unit."""

    def behind(self, placed: bool, make: Callable[[], _T]) -> _T:
        """Makes a plan; what stands behind a place of the same statement counts from that one, and needs no other last place."""
        before = self.needs_last
        made = make()
        if placed:
            self.needs_last = before
        return made

    def origin(self, node: Place | None) -> Callable[[Env, Point], Point]:
        """A plan for the place that something is measured from: the last one where none is named."""
        if node is None:
            self.needs_last = True
            return lambda env, last: last
        return as_function(self.place(node))

    # Lengths and directions ---------------------------------------------------------------------------

    def length(self, node: Number) -> NumberPlan:
        """A length, in the drawing's unit."""
        value = self.number(node)
        if self.manner.unit == self.unit:
            return value
        written, unit = self.manner.unit, self.unit
        if isinstance(value, float):
            return convert(value, written, unit)
        return lambda env, last: convert(value(env, last), written, unit)

    def direction(self, node: Number) -> NumberPlan:
        """A direction, in degrees counter-clockwise from east."""
        if type(node) is Bearing:
            return node.value
        if type(node) is Azimuth:
            of = self.number(node.of)
            return 90.0 - of if isinstance(of, float) else lambda env, last: 90.0 - of(env, last)
        value = self.number(node)
        turn = self.manner.direction_to_core
        if isinstance(value, float):
            return turn(value)
        return lambda env, last: turn(value(env, last))

    def number(self, node: Number) -> NumberPlan:
        """A number as written: lengths in the step's own unit, directions in its own convention."""
        match node:
            case Plain(value):
                return value
            case InUnit(value, unit):
                return convert(value, unit, self.manner.unit)
            case Bearing(value):
                return self.manner.direction_from_core(value)
            case Azimuth():
                way, shown = self.direction(node), self.manner.direction_from_core
                return shown(way) if isinstance(way, float) else lambda env, last: shown(way(env, last))
            case Negative(of):
                inner = self.number(of)
                return -inner if isinstance(inner, float) else lambda env, last: -inner(env, last)
            case Binary():
                return self._binary(node)
            case Call():
                return self._call(node)
            case Named(name):
                return self._named(name)
            case Part():
                return self._part(node)
            case Measured():
                return self._measured(node)

    def _binary(self, node: Binary) -> NumberPlan:
        left, right = self.number(node.left), self.number(node.right)
        operate = _OPERATIONS[node.operation]
        start, end = node.start, node.end

        def work(a: float, b: float) -> float:
            try:
                value = operate(a, b)
            except ZeroDivisionError:
                raise refusal("divided_by_zero", start, end) from None
            except OverflowError:
                raise refusal("too_large", start, end, value=float("inf")) from None
            if isinstance(value, complex) or not isfinite(value):
                raise refusal("no_number", start, end, operation=node.operation)
            return float(value)

        if isinstance(left, float):
            if isinstance(right, float):
                return work(left, right)
            return lambda env, last: work(left, right(env, last))
        if isinstance(right, float):
            return lambda env, last: work(left(env, last), right)
        return lambda env, last: work(left(env, last), right(env, last))

    def _call(self, node: Call) -> NumberPlan:
        arguments = [self.number(a) for a in node.arguments]
        function = _FUNCTIONS[node.function]

        def work(values: list[float]) -> float:
            try:
                return function(*values)
            except ValueError:
                raise refusal("no_number", node.start, node.end, operation=node.function) from None

        if all(isinstance(a, float) for a in arguments):
            return work([a for a in arguments if isinstance(a, float)])
        return lambda env, last: work([a if isinstance(a, float) else a(env, last) for a in arguments])

    def _named(self, name: Name) -> NumberPlan:
        slot, manner, unit = self.slot(name), self.manner, self.unit

        def value(env: Env, last: Point) -> float:
            found = env[slot]
            if isinstance(found, float):
                return found
            if isinstance(found, Reading):
                return in_unit(found.value, QUANTITIES[found.kind], unit, manner.unit)
            raise refusal("not_a_number", name.start, name.end, name=name.text, has=parts_of(found))

        return value

    def _part(self, node: Part) -> NumberPlan:
        part = PARTS.get(node.part)
        if part is None:
            raise refusal("no_part", node.start, node.end, part=node.part, of="", has=[])
        get: Callable[[Env, Point], Any]
        if isinstance(node.of, PLACES):
            get = as_function(self.place(node.of))
            shown = "a place"
        else:
            slot = self.slot(node.of)
            shown = node.of.text

            def get(env: Env, last: Point) -> Any:
                return env[slot]

        manner, unit = self.manner, self.unit

        def value(env: Env, last: Point) -> float:
            figure = get(env, last)
            found = part(figure, manner, unit)
            if found is None:
                raise refusal("no_part", node.start, node.end, part=node.part, of=shown, has=parts_of(figure))
            return found

        return value

    def _measured(self, node: Measured) -> NumberPlan:
        read, quantity = self.reading(node), QUANTITIES[node.what]
        manner, unit = self.manner, self.unit

        def value(env: Env, last: Point) -> float:
            try:
                return in_unit(read(env, last), quantity, unit, manner.unit)
            except Refused as refused:
                raise Refused(refused.problem.or_at(node.start, node.end)) from None

        return value


_OPERATIONS: dict[str, Callable[[float, float], Any]] = {
    "+": lambda a, b: a + b,
    "-": lambda a, b: a - b,
    "*": lambda a, b: a * b,
    "/": lambda a, b: a / b,
    "^": lambda a, b: a**b,
}

_FUNCTIONS: dict[str, Callable[..., float]] = {
    "sqrt": sqrt,
    "sin": lambda a: sin(radians(a)),
    "cos": lambda a: cos(radians(a)),
    "tan": lambda a: tan(radians(a)),
    "asin": lambda a: degrees(asin(a)),
    "acos": lambda a: degrees(acos(a)),
    "atan": lambda a: degrees(atan(a)),
    "abs": abs,
    "min": min,
    "max": max,
}
