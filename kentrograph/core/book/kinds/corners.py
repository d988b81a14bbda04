"""What fillet and chamfer share: which figures, or which corners of an outline, they are of."""

from collections.abc import Callable, Sequence
from contextlib import suppress
from dataclasses import replace
from typing import Any, Literal, NamedTuple

from ...construct.outlines import reversed_piece
from ...figures import Arc, Line, Outline, Point
from ...figures.along import heading
from ...problem import Refused, refusal
from ...shape.corners import Way, corner_shaped, corners_shaped, greatest
from ...tangency.arcs import leading_to
from ..crossings import called
from ..kind import GivenSpec, Kind, Naming, after_figures
from ..planner import Env, Plan, Planner
from ..tree import CornerOf, Given, Name, Statement
from ..values import StepResult
from .bindings import check_words
from .given import needs


class Corners(NamedTuple):
    """What is shaped: two figures, one corner of an outline, or all its corners."""

    how: Literal["figures", "corner", "all"]
    given: Given
    name: Name


def corners_of(statement: Statement) -> Corners | None:
    """What a statement is of; None while no figure is named: a place is none."""
    named = [g for g in statement.givens if g.word == "figures"]
    if not named:
        return None
    first = named[0].arguments[0]
    if isinstance(first, CornerOf):
        return Corners("corner", named[0], first.name)
    if not isinstance(first, Name):
        return None
    return Corners("figures" if len(named) > 1 else "all", named[0], first)


def shaped_corners(
    p: Planner,
    statement: Statement,
    words: tuple[str, ...],
    lacks: str,
    plan_sizes: "PlanSizes",
) -> Plan:
    """The plan of a kind that shapes corners by a given with one of these words: of an outline, or of two figures, which
    ``trimmed`` cuts there, too. Raises `Refused`: needs_given with what it ``lacks``."""
    check_words(statement, {"figures": 2})
    of = corners_of(statement)
    if of is None:
        raise needs(statement, "the two figures it joins", "a corner of an outline", "an outline")
    given = next((g for g in statement.givens if g.word in words), None)
    if given is None:
        raise needs(statement, lacks)
    sized, of_two = plan_sizes(given)
    check_corners(statement, of)
    if of.how != "figures":
        return plan_corners(p, statement, of, sized, given)
    return plan_trimmed(p, statement, of_two()) if is_trimmed(statement) else of_two()


def corner_kind(
    *, word: str, explanation: str, plan: Callable[[Planner, Statement], Plan], letter: str, draws: str, joins: str,
    size: GivenSpec, then: str, meets: str, examples: tuple[tuple[str, str], ...],
) -> Kind:  # fmt: skip
    """A kind that shapes corners: ``joins`` is what two figures do there, ``then`` what is asked for last, ``meets`` what it does
    where it is trimmed."""
    return Kind(
        word=word,
        group="shape",
        explanation=explanation,
        plan=plan,
        letter=letter,
        draws=draws,
        puts_place=True,
        implied_words=after_figures(size.word),
        first=f"Name the two figures {joins}, or click on them; or a corner of an outline. Then {then}.",
        givens=(
            GivenSpec("figures", "figures", f"the two figures {joins}, a corner of an outline, or an outline", repeats=True),
            size,
            GivenSpec("trimmed", "nothing", f"both figures cut where it {meets} them"),
        ),
        examples=examples,
        shapes=True,
        edges=True,
        naming=Naming(carried=carried_by_corners, own=lambda statement, kind_of: draws, fresh=new_ones),
    )


def check_corners(statement: Statement, of: Corners) -> None:
    """Refuses one corner beside another, or beside a figure (one_corner)."""
    named = [g for g in statement.givens if g.word == "figures"]
    if len(named) > 1 and any(not isinstance(g.arguments[0], Name) for g in named):
        raise refusal("one_corner", of.given.start, named[1].end)


def carried_by_corners(statement: Statement) -> tuple[Name, ...]:
    """The names that go on: the outline's; of two figures theirs where they are trimmed."""
    of = corners_of(statement)
    if of is None:
        return ()
    if of.how != "figures":
        return (of.name,)
    return statement.operands[:2] if is_trimmed(statement) else ()


def new_ones(statement: Statement) -> int:
    """How many new figures come: what is put between two, and none where an outline is shaped."""
    of = corners_of(statement)
    return 1 if of is not None and of.how == "figures" else 0


def is_trimmed(statement: Statement) -> bool:
    """Whether the two figures are cut where the corner is shaped."""
    return any(given.word == "trimmed" for given in statement.givens)


Sized = tuple[float, Callable[[float], Way]]
"""A size, and the way in which corners are shaped with so many times that."""
Sizing = Callable[[Env, Point], Sized]
PlanOfTwo = Callable[[], Plan]
PlanSizes = Callable[[Given], tuple[Sizing, PlanOfTwo]]


def plan_corners(p: Planner, statement: Statement, of: Corners, sized: Sizing, blamed: Given) -> Plan:
    """An outline with a corner shaped, or all of them. ``blamed`` is the given to blame where it does not fit; the greatest size
    that fits is said then.

    Raises `Refused`: needs_given for a single figure that is no outline; no_new_figure.
    """
    if statement.names:
        raise refusal("no_new_figure", 0, statement.kind_start, word=statement.kind, name=of.name.text)
    slot, name = p.slot(of.name), of.name.text
    corner = of.given.arguments[0]
    which = called(p.number(corner.which)) if isinstance(corner, CornerOf) else None

    def draw(env: Env, last: Point) -> StepResult:
        outline = env[slot]
        if not isinstance(outline, Outline):
            if of.how == "all":
                raise needs(statement, "the other figure")
            raise refusal("no_such_place", of.name.start, of.name.end, name=name, what="corner")
        size, ways = sized(env, last)
        way = ways(1.0)
        if which is None:
            try:
                made, unfit = corners_shaped(outline, way, name)
            except Refused as refused:
                problem = refused.problem
                if problem.kind == "none_fits":
                    most = size * greatest(lambda times: corners_shaped(outline, ways(times), name))
                    problem = replace(problem, fields={**problem.fields, "most": most})
                raise Refused(problem.at(blamed.start, blamed.end)) from None
            listed = ", ".join(map(str, unfit))
            return StepResult(made, note=f"does not fit at corner{'s' if len(unfit) > 1 else ''} {listed}" if unfit else "")
        number = which(env, last)
        if number != int(number):
            raise refusal("no_such_corner", of.given.start, of.given.end, name=name, count=len(outline.corners))
        try:
            return StepResult(corner_shaped(outline, int(number), way, name))
        except Refused as refused:
            problem = refused.problem
            if problem.kind != "does_not_fit":
                raise Refused(problem.at(of.given.start, of.given.end)) from None
            most = size * greatest(lambda times: corner_shaped(outline, int(number), ways(times), name))
            raise Refused(replace(problem, fields={"most": most}).at(blamed.start, blamed.end)) from None

    return draw


# Of two figures -----------------------------------------------------------------------------------------


def plan_trimmed(p: Planner, statement: Statement, plan: Plan) -> Plan:
    """Both figures cut where what is put between them begins and ends, and that itself. Raises `Refused` (whole_figure)."""
    names = statement.operands
    for name in names:
        if name.text.startswith("edge "):
            outline = name.text.rpartition(" ")[2]
            raise refusal("whole_figure", name.start, name.end, name=outline)
    slots = [p.slot(name) for name in names]

    told = any(given.sides or given.word in ("near", "solution") for given in statement.givens)

    def draw(env: Env, last: Point) -> StepResult:
        drawn = plan(env, last)
        try:
            return cut(env, drawn)
        except Refused:
            # Where nothing of a figure would be left it is none of its corners: the first that leaves something is meant.
            others: Sequence[Any] = drawn.solutions if not told else ()
            for taken, one in enumerate(others):
                with suppress(Refused):
                    return cut(env, drawn._replace(figure=one.figure, chosen_index=taken, note=one.note, last=one.figure.end))
            raise

    def cut(env: Env, drawn: StepResult) -> StepResult:
        put: Any = drawn.figure
        # What rounds a corner runs on into both figures; what cuts it off says itself how they go on.
        rounds = (heading(put, True), heading(put, False))
        onward = [
            contact.onward or round for contact, round in zip(drawn.solutions[drawn.chosen_index].contacts, rounds, strict=True)
        ]
        ends = (put.start, put.end)
        first, second = (
            _leading(env[slot], at, way, name) for slot, at, way, name in zip(slots, ends, onward, names, strict=True)
        )
        return drawn._replace(figure=first, more=(second, put))

    return draw


def _leading(figure: Any, at: Point, onward: tuple[float, float], name: Name) -> Line | Arc:
    """What leads away from the corner: the piece of a figure from where it is cut, along a vector there, to the end that lies
    that way; run as the figure runs. Raises `Refused`: no_trim; past_its_end where no end lies that way."""
    if not isinstance(figure, Line | Arc):
        raise refusal("no_trim", name.start, name.end, name=name.text)
    try:
        led = leading_to(figure, at, (-onward[0], -onward[1]))
    except Refused as refused:
        raise Refused(replace(refused.problem, fields={"name": name.text}).at(name.start, name.end)) from None
    if isinstance(figure, Line):
        assert isinstance(led, Line)
        dx, dy = figure.end.x - figure.start.x, figure.end.y - figure.start.y
        along = (led.end.x - led.start.x) * dx + (led.end.y - led.start.y) * dy
        return led if along > 0.0 else reversed_piece(led)  # type: ignore[return-value]
    assert isinstance(led, Arc)
    return led if (led.sweep > 0.0) == (figure.sweep > 0.0) else reversed_piece(led)  # type: ignore[return-value]
