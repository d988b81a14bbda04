"""The givens of a statement, worked out: one tuple of values for each, in the order in which they depend on each other."""

from collections.abc import Callable, Iterator, Sequence
from math import hypot
from typing import Any, NamedTuple

from ...construct.solution import Solution, near, take
from ...figures import Figure, Point
from ...intersect import nearest
from ...problem import Refused
from ..chain import ArgumentPlan, chain_of, number_plan
from ..planner import Env, Plan, Planner
from ..tree import PLACES, Argument, Given, Name, NamedPlace, Portion, Statement, SymbolBody, Words
from ..values import StepResult, drawn
from .given import too_many


class Fact(NamedTuple):
    """A given with the values of its arguments."""

    word: str
    values: tuple[Any, ...]
    sides: tuple[str, ...]
    given: Given


class Layout:
    """What a statement's facts look like, worked out once: where each is found, and the side words."""

    __slots__ = ("givens", "places", "stated")

    def __init__(self, givens: Sequence[Given]) -> None:
        self.givens = givens
        self.places: dict[str, list[int]] = {}
        for index, given in enumerate(givens):
            self.places.setdefault(given.word, []).append(index)
        self.stated = tuple(side for g in givens for side in g.sides)


class Facts:
    """The values of a statement's givens, for one evaluation."""

    __slots__ = ("layout", "values")

    def __init__(self, layout: Layout, values: list[tuple[Any, ...]]) -> None:
        self.layout = layout
        self.values = values

    def __iter__(self) -> Iterator[Fact]:
        for given, values in zip(self.layout.givens, self.values, strict=True):
            yield Fact(given.word, values, given.sides, given)

    def __getitem__(self, index: int) -> Fact:
        given = self.layout.givens[index]
        return Fact(given.word, self.values[index], given.sides, given)


class Outcome(NamedTuple):
    """What a statement draws: its solutions, the side words that choose among them, or the one they have chosen already."""

    solutions: Sequence[Solution]
    stated: tuple[str, ...] = ()
    chosen_index: int = 0


Draw = Callable[[Facts], "Outcome | Figure"]
"""A construction: the one figure there is, or several with the words that choose among them."""
_CHOOSERS = ("near", "solution")


def own_givens(statement: Statement) -> list[Given]:
    """The givens that say what the figure is, without those that choose among its solutions."""
    return [g for g in statement.givens if g.word not in _CHOOSERS]


def plan_facts(p: Planner, statement: Statement, draw: Draw, last_of: Callable[[Any], Point | None]) -> Plan:
    """A plan that works out every given, draws, and takes the solution that is meant."""
    givens = own_givens(statement)
    choosers = [g for g in statement.givens if g.word in _CHOOSERS]
    layout, chooser_layout = Layout(givens), Layout(choosers)
    readers = _readers(p, statement)
    chooses = [given.word in _CHOOSERS for given in statement.givens]

    def plan(env: Env, last: Point) -> StepResult:
        values = _values(readers, env, last)
        if choosers:
            outcome = draw(Facts(layout, [v for v, chosen in zip(values, chooses, strict=True) if not chosen]))
            if not isinstance(outcome, Outcome):
                return StepResult(outcome, last_of(outcome))
            index = _chosen(outcome, Facts(chooser_layout, [v for v, chosen in zip(values, chooses, strict=True) if chosen]))
        else:
            outcome = draw(Facts(layout, values))
            if not isinstance(outcome, Outcome):
                return StepResult(outcome, last_of(outcome))
            index = _stated(outcome, layout) if outcome.stated else outcome.chosen_index
        return drawn_of(outcome.solutions, index, last_of)

    return plan


def plan_direct(p: Planner, statement: Statement, construct: Callable[..., Any], last_of: Callable[[Any], Point | None]) -> Plan:
    """A plan that hands the values of all givens, in the order written, to a construction: the everyday case.

    The construction makes one figure, or a list of solutions of which the side words stated take one.
    """
    readers = [(_slot(p, link.argument), link.plan) for link in chain_of(p, statement)]
    layout = Layout(statement.givens)

    # Numbers that depend on nothing stand in the template; points by their names are looked up without a call.
    template: list[Any] = [_constant(p, g.word, a) for g in statement.givens for a in g.arguments]
    fills = [(position, slot) for position, (slot, _) in enumerate(readers) if slot >= 0]
    everyday = all(slot >= 0 or template[position] is not None for position, (slot, _) in enumerate(readers))
    only = layout.stated[0] if len(layout.stated) == 1 else ""

    def read_all(env: Env, last: Point) -> list[Any]:
        values: list[Any] = []
        for slot, read in readers:
            value = env[slot] if slot >= 0 else None
            if type(value) is not Point:
                value = read(env, last)
            if type(value) is Point:
                last = value
            values.append(value)
        return values

    def plan(env: Env, last: Point) -> StepResult:
        if everyday:
            values = template.copy()
            for position, slot in fills:
                value = env[slot]
                if type(value) is not Point:
                    values = read_all(env, last)
                    break
                values[position] = value
        else:
            values = read_all(env, last)
        made = construct(*values)
        if type(made) is not list:
            return drawn(made, last_of(made))
        index = 0
        if only:
            # One word, and it is the whole signature.
            while index < len(made) and made[index].signature != only:
                index += 1
            if index == len(made):
                index = _stated(Outcome(made, layout.stated), layout)
        elif layout.stated:
            index = _stated(Outcome(made, layout.stated), layout)
        one = made[index]
        return StepResult(one.figure, last_of(one.figure), made if len(made) > 1 else (), index, one.note)

    return plan


def _constant(p: Planner, word: str, argument: Argument) -> float | None:
    """The value of a number that depends on nothing."""
    if isinstance(argument, (*PLACES, Name, Portion, SymbolBody, Words)):
        return None
    plan = number_plan(p, word, argument)
    return plan if isinstance(plan, float) else None


def _slot(p: Planner, argument: Argument) -> int:
    return p.slot(argument.name) if isinstance(argument, NamedPlace) else -1


def given_facts(p: Planner, statement: Statement, env_of: Callable[[], Env], last: Point) -> Facts:
    """The values of a statement's givens as they stand; ``env_of`` looks the planner's names up once they are known.

    Raises `Refused` where a given cannot be worked out.
    """
    readers = _readers(p, statement)
    values = _values(readers, env_of(), last)
    kept = [(g, v) for g, v in zip(statement.givens, values, strict=True) if g.word not in _CHOOSERS]
    return Facts(Layout([g for g, _ in kept]), [v for _, v in kept])


def drawn_of(solutions: Sequence[Solution], index: int, last_of: Callable[[Any], Point | None]) -> StepResult:
    """What a step holds that has taken one of several solutions; a touching one keeps its contacts even where it is alone."""
    one = solutions[index]
    kept: Sequence[Solution] = solutions if len(solutions) > 1 or one.contacts else ()
    return StepResult(one.figure, last_of(one.figure), tuple(kept) if type(kept) is list else kept, index, one.note)


Readers = list[list[ArgumentPlan]]


def _readers(p: Planner, statement: Statement) -> Readers:
    """The plans of a statement's arguments, given by given."""
    plans = iter(chain_of(p, statement))
    return [[next(plans).plan for _ in given.arguments] for given in statement.givens]


def _values(readers: Readers, env: Env, last: Point) -> list[tuple[Any, ...]]:
    """The values of every given, each place counting from the one before it. As `follow`, without a generator: every evaluation
    comes by here."""
    found: list[tuple[Any, ...]] = []
    for plans in readers:
        if len(plans) == 1:
            value = plans[0](env, last)
            if type(value) is Point:
                last = value
            found.append((value,))
            continue
        values: list[Any] = []
        for plan in plans:
            value = plan(env, last)
            if type(value) is Point:
                last = value
            values.append(value)
        found.append(tuple(values))
    return found


def _stated(outcome: Outcome, layout: Layout) -> int:
    try:
        return take(outcome.solutions, outcome.stated)
    except Refused as refused:
        # Side words that belong to a place have no given of their own here; the statement's text has them all the same.
        blamed = next((g for g in reversed(layout.givens) if g.sides), None)
        if blamed is None:
            raise
        raise Refused(refused.problem.at(blamed.start, blamed.end)) from None


def _chosen(outcome: Outcome, choosers: Facts) -> int:
    chooser = choosers[0]
    if chooser.word == "near":
        return near(outcome.solutions, lambda figure: _apart(figure, chooser.values[0]))
    try:
        return take(outcome.solutions, (), chooser.values[0])
    except Refused as refused:
        raise Refused(refused.problem.at(chooser.given.start, chooser.given.end)) from None


def _apart(figure: Any, place: Point) -> float:
    at = nearest(figure, place)
    return hypot(at.x - place.x, at.y - place.y)


# Looking facts up ---------------------------------------------------------------------------------------


def words_of(statement: Statement) -> list[str]:
    """The words of the givens that say what the figure is, in order."""
    return [g.word for g in statement.givens if g.word not in ("near", "solution")]


def value(facts: Facts, word: str, index: int = 0) -> Any:
    """The first value of the ``index``-th given with this word."""
    return facts.values[facts.layout.places[word][index]][0]


def stated(facts: Facts) -> tuple[str, ...]:
    """All side words."""
    return facts.layout.stated


def check_words(statement: Statement, limits: dict[str, int]) -> None:
    """Refuses a given that stands more often than the figure can use."""
    count: dict[str, int] = {}
    for given in statement.givens:
        count[given.word] = count.get(given.word, 0) + 1
        if count[given.word] > limits.get(given.word, 1):
            raise too_many(statement, given, [given.word] * limits.get(given.word, 1))
