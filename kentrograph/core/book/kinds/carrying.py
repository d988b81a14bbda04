"""Verbs that carry figures somewhere else, whole: moved, mirrored, and whatever else a similarity does."""

from collections.abc import Callable
from typing import cast

from ...figures import Figure, Point
from ...figures.similarity import Similarity, transformed
from ...problem import refusal
from ..chain import place_in
from ..crossings import called
from ..kind import GivenSpec, Kind, after_figures
from ..names import key_of
from ..planner import Env, Plan, Planner
from ..tree import Number, Statement
from ..values import StepResult, Untouchable
from .bindings import check_words
from .given import by_word, needs, place_of_given, too_many

By = Callable[[Env, Point], Similarity]
KEEPING = GivenSpec("keeping", "nothing", "the originals stay, and new figures come")


def about(
    word: str, done: str, by_number: Callable[[Point, float], Similarity], by_places: Callable[[Point, Point, Point], Similarity],
    by: GivenSpec, measured: tuple[str, str], *, explanation: str, examples: tuple[tuple[str, str], ...],
) -> Kind:  # fmt: skip
    """A kind that carries figures about a place, by a number or from one place to another. ``done`` is what becomes of them in a
    word, ``measured`` what of the one place is changed, and where the other is."""

    def plan(p: Planner, statement: Statement) -> Plan:
        check_words(statement, {"figures": len(statement.givens)})
        givens = by_word(statement, ("about", "by", "from", "to"))
        if "about" not in givens:
            raise needs(statement, "about a place")
        centre = place_in(p, statement, place_of_given(givens["about"]))
        if "by" in givens:
            if "from" in givens or "to" in givens:
                raise too_many(statement, givens["by"], ["from and to"])
            number = called(p.number(cast(Number, givens["by"].arguments[0])))

            def carries(env: Env, last: Point) -> Similarity:
                return by_number(centre(env, last), number(env, last))

        elif "from" not in givens or "to" not in givens:
            raise needs(statement, "by how much", "from a place to a place")
        else:
            start, end = (place_in(p, statement, place_of_given(givens[end])) for end in ("from", "to"))

            def carries(env: Env, last: Point) -> Similarity:
                return by_places(centre(env, last), start(env, last), end(env, last))

        return plan_carrying(p, statement, carries, kind.keeps(statement))

    kind = Kind(
        word=word,
        group="carry",
        explanation=explanation,
        plan=plan,
        implied_words=after_figures("about", "by", "from", "to"),
        first=f"Name what is to be {done}, or click on it; then about a place, and by how much.",
        givens=(
            GivenSpec("figures", "figures", f"what is {done}", repeats=True),
            GivenSpec("about", "place", "the place that stays where it is"),
            by,
            GivenSpec("from", "place", f"a place {measured[0]}"),
            GivenSpec("to", "place", f"a place {measured[1]} that it shall have", blamed=by.blamed),
            KEEPING,
        ),
        examples=examples,
        shapes=True,
    )
    return kind


def plan_carrying(p: Planner, statement: Statement, by: By, keeping: bool) -> Plan:
    """Every figure that is named, carried. Raises `Refused`: needs_given, named_twice, too_many_names, names_kept."""
    operands = statement.operands
    if not operands:
        raise needs(statement, "the names of figures")
    seen: set[str] = set()
    for operand in (*operands, *statement.along):
        if operand.key in seen:
            raise refusal("named_twice", operand.start, operand.end, name=operand.text)
        seen.add(operand.key)
    names = statement.names
    if names and not keeping:
        raise refusal("names_kept", 0, statement.kind_end, word=statement.kind, names=[o.text for o in operands])
    if len(names) > len(operands):
        raise refusal("too_many_names", 0, statement.kind_start, count=len(operands))
    if len(set(map(key_of, names))) < len(names):
        raise refusal("named_twice", 0, statement.kind_start, name=names[-1])
    slots = [(p.slot(operand), operand) for operand in (*operands, *(() if keeping else statement.along))]

    def draw(env: Env, last: Point) -> StepResult:
        similarity = by(env, last)
        made: list[Figure] = []
        for slot, operand in slots:
            figure = env[slot]
            if isinstance(figure, Untouchable):
                raise refusal("not_shaped", operand.start, operand.end, name=operand.text, word=statement.kind)
            made.append(transformed(figure, similarity))
        return StepResult(made[0], more=tuple(made[1:]))

    return draw
