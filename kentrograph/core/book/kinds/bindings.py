"""The givens of a statement, worked out: one tuple of values for each, in the order in which they depend on each other."""

from collections.abc import Callable, Iterator, Sequence
from math import hypot
from typing import Any, NamedTuple

from ...construct.solution import Solution, near, take
from ...figures import Figure, Point
from ...meet import nearest
from ...problem import Refused
from ..places import as_function, plan_next, plan_place, plan_thing
from ..planner import Env, NumberPlan, Plan, Planner
from ..tree import PLACES, Argument, Given, Name, NamedPlace, Number, Portion, Statement
from ..values import Drawn, drawn_plainly
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
    taken: int = 0


Draw = Callable[[Facts], "Outcome | Figure"]
"""A construction: the one figure there is, or several with the words that choose among them."""
_CHOOSERS = ("near", "solution")


def ordered(statement: Statement) -> list[Given]:
    """The givens in the order in which they are worked out: the place where it begins first."""
    return sorted((g for g in statement.givens if g.word not in _CHOOSERS), key=lambda g: g.word != "from")


def plan_facts(p: Planner, statement: Statement, draw: Draw, last_of: Callable[[Any], Point | None]) -> Plan:
    """A plan that works out every given, draws, and takes the solution that is meant."""
    givens = ordered(statement)
    choosers = [g for g in statement.givens if g.word in _CHOOSERS]
    layout, chooser_layout = Layout(givens), Layout(choosers)
    readers = [[_reader(p, statement, g.word, a, first=i == 0) for a in g.arguments] for i, g in enumerate((*givens, *choosers))]
    own, rest = readers[: len(givens)], readers[len(givens) :]

    def plan(env: Env, last: Point) -> Drawn:
        values, at = _values(own, env, last)
        outcome = draw(Facts(layout, values))
        if not isinstance(outcome, Outcome):
            return Drawn(outcome, last_of(outcome))
        if rest:
            chosen = Facts(chooser_layout, _values(rest, env, at)[0])
            index = _chosen(outcome, chosen)
        else:
            index = _stated(outcome, layout) if outcome.stated else outcome.taken
        return drawn_of(outcome.solutions, index, last_of)

    return plan


def plan_direct(p: Planner, statement: Statement, construct: Callable[..., Any], last_of: Callable[[Any], Point | None]) -> Plan:
    """A plan that hands the values of all givens, in the order written, to a construction: the everyday case.

    The construction makes one figure, or a list of solutions of which the side words stated take one.
    """
    readers = [
        (_slot(p, a), _reader(p, statement, g.word, a, i == 0)) for i, g in enumerate(statement.givens) for a in g.arguments
    ]
    layout = Layout(statement.givens)

    # Numbers that depend on nothing stand in the template; points by their names are looked up without a call.
    template: list[Any] = [_constant(p, statement, g.word, a) for g in statement.givens for a in g.arguments]
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

    def plan(env: Env, last: Point) -> Drawn:
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
            return drawn_plainly((made, last_of(made), (), 0, "", ()))
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
        return drawn_plainly((one.figure, last_of(one.figure), made if len(made) > 1 else (), index, one.note, ()))

    return plan


def _constant(p: Planner, statement: Statement, word: str, argument: Argument) -> float | None:
    """The value of a number that depends on nothing."""
    if isinstance(argument, (*PLACES, Name, Portion)):
        return None
    plan = number_plan(p, statement.kind, word, argument)
    return plan if isinstance(plan, float) else None


def number_plan(p: Planner, kind: str, word: str, number: Number) -> NumberPlan:
    """The plan of a number, read as what the given takes: a length converted, a direction turned, all else as it stands."""
    from . import ALL

    match ALL[kind].quantity(word):
        case "length":
            return p.length(number)
        case "direction":
            return p.direction(number)
        case _:
            return p.number(number)


def _slot(p: Planner, argument: Argument) -> int:
    return p.slot(argument.name) if isinstance(argument, NamedPlace) else -1


def given_facts(p: Planner, statement: Statement, env_of: Callable[[], Env], last: Point) -> Facts:
    """The values of a statement's givens as they stand; ``env_of`` looks the planner's names up once they are known.

    Raises `Refused` where a given cannot be worked out.
    """
    givens = ordered(statement)
    readers = [[_reader(p, statement, g.word, a, first=i == 0) for a in g.arguments] for i, g in enumerate(givens)]
    return Facts(Layout(givens), _values(readers, env_of(), last)[0])


def drawn_of(solutions: Sequence[Solution], index: int, last_of: Callable[[Any], Point | None]) -> Drawn:
    """What a step holds that has taken one of several solutions; a touching one keeps its contacts even where it is alone."""
    one = solutions[index]
    kept: Sequence[Solution] = solutions if len(solutions) > 1 or one.contacts else ()
    return Drawn(one.figure, last_of(one.figure), tuple(kept) if type(kept) is list else kept, index, one.note)


Readers = list[list[Callable[[Env, Point], Any]]]


def _values(readers: Readers, env: Env, at: Point) -> tuple[list[tuple[Any, ...]], Point]:
    """The values of every given, each place counting from the one before it; and the last of those places."""
    found: list[tuple[Any, ...]] = []
    for functions in readers:
        if len(functions) == 1:
            value = functions[0](env, at)
            if type(value) is Point:
                at = value
            found.append((value,))
            continue
        values: list[Any] = []
        for function in functions:
            value = function(env, at)
            if type(value) is Point:
                at = value
            values.append(value)
        found.append(tuple(values))
    return found, at


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


def _reader(p: Planner, statement: Statement, word: str, argument: Argument, first: bool) -> Callable[[Env, Point], Any]:
    if isinstance(argument, PLACES):
        place = argument
        return as_function(plan_place(p, place)) if first else plan_next(p, place)
    if isinstance(argument, Name | Portion):
        return plan_thing(p, argument)
    plan = number_plan(p, statement.kind, word, argument)
    return (lambda env, last: plan) if isinstance(plan, float) else plan


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
