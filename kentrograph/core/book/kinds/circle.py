"""Circles: from their centre and size, and from whatever else determines them."""

import re
from collections.abc import Callable, Collection
from math import hypot
from typing import Any

from ...construct import circles
from ...construct.loci import Locus
from ...figures import Circle, Curve, Point
from ...problem import Refused, refusal
from ...tangency.choose import chosen
from ...tangency.circles import TouchingCircles
from ...tangency.radius import touching_two_radius
from ...tangency.three import touching_three
from ...tangency.touched import touched
from ..chain import place_in
from ..crossings import called
from ..kind import Drag, GivenSpec, Kind
from ..planner import Env, Plan, Planner
from ..tree import Name, NamedPlace, Statement
from ..values import StepResult, drawn
from .bindings import Draw, Facts, Outcome, check_words, own_givens, plan_direct, plan_facts, stated, value, words_of
from .given import by_word, length_of_given, needs, place_of_given, too_many
from .touching import SIZES, Family, check_family, chosen_circle, family_of, touching_circles
from .touching_ellipses import circles_beside_ellipses, touches_ellipse


def plan_circle(p: Planner, statement: Statement) -> Plan:
    """A circle: three unknowns, so a centre counts for two and everything else for one; a diameter's ends for three."""
    words = words_of(statement)
    sizes = [w for w in words if w in SIZES]
    if len(sizes) > 1:
        second = [g for g in statement.givens if g.word in SIZES][1]
        raise too_many(statement, second, [sizes[0]])
    if "touching" in words or "at" in words or "direction" in words:
        return _touching(p, statement)
    if "centre" in words:
        return _about_centre(p, statement, words, sizes)
    check_words(statement, {"through": 3, "centre on": 2})
    if len(statement.givens) == 3 and words in (["through"] * 3, ["through", "through", "radius"]):
        everyday = circles.through_three if words[2] == "through" else circles.through_two_radius
        return plan_direct(p, statement, everyday, _centre)
    return plan_facts(p, statement, _way_to_draw(statement, words, sizes), _centre)


def _touching(p: Planner, statement: Statement) -> Plan:
    """A circle that touches something; `touching` finds the family that its givens make."""
    check_words(statement, {"touching": 3, "through": 3, "centre on": 2})
    if any(g.word == "across" for g in statement.givens):
        raise too_many(statement, next(g for g in statement.givens if g.word in ("touching", "at", "direction")), ["across"])
    family = family_of(statement, own_givens(statement))
    check_family(statement, family)

    def draw(f: Facts) -> Outcome:
        if touches_ellipse(f, family):
            return circles_beside_ellipses(f, family)
        found = touching_circles(f, family)
        radius = f.values[family.size[0]][0] * family.size[1] if family.size else None
        return Outcome(found, (), chosen_circle(found, family, radius))

    whole = plan_facts(p, statement, draw, _centre)
    return _everyday(p, statement, family, whole)


def _everyday(p: Planner, statement: Statement, family: Family, whole: Plan) -> Plan:
    """The same in fewer operations where figures are touched by their names; what is refused is left to the whole plan."""
    names = [a for g in statement.givens if g.word == "touching" for a in g.arguments if isinstance(a, Name)]
    sized = [g for g in statement.givens if g.word in SIZES]
    if len(names) + len(sized) != 3 or len(statement.givens) != 3 or len(names) < 2:
        return whole
    slots = [p.slot(name) for name in names]
    share = SIZES[sized[0].word] if sized else 1.0
    size = called(length_of_given(p, sized[0])) if sized else None
    stated, shown = family.stated, family.names

    def plan(env: Env, last: Point) -> StepResult:
        try:
            lying = [touched(env[slot]) for slot in slots]
            raws = (
                touching_two_radius(lying[0], lying[1], size(env, last) * share)
                if size
                else touching_three(lying[0], lying[1], lying[2])
            )
            found = TouchingCircles(raws, lying, shown)
            index = 0 if family.plain else chosen(len(raws), found.sides, stated)
            _, x, y, r, _ = found.raws[index]
        except (Refused, IndexError):
            return whole(env, last)
        centre = Point(x, y)
        return StepResult(Circle(centre, r), centre, found, index, found.note(index))

    return plan


# Centre and size, the everyday case -----------------------------------------------------------------------


def _about_centre(p: Planner, statement: Statement, words: list[str], sizes: list[str]) -> Plan:
    givens = by_word(statement)
    for given in statement.givens:
        if given.word in ("across", "centre on"):
            raise too_many(statement, given, ["centre"])
    if "through" in words and sizes:
        raise too_many(statement, givens["through"], ["centre", sizes[0]])
    if "through" not in words and not sizes:
        raise needs(statement, *SIZES, "through and a place")
    centre = place_in(p, statement, place_of_given(givens["centre"]))
    if not sizes:
        return _centre_through(centre, place_in(p, statement, place_of_given(givens["through"])))
    size, share = length_of_given(p, givens[sizes[0]]), SIZES[sizes[0]]
    if isinstance(size, float):
        fixed = size * share
        Circle(Point(0.0, 0.0), fixed)

        place = place_of_given(givens["centre"])
        slot = p.slot(place.name) if isinstance(place, NamedPlace) else -1

        def draw_fixed(env: Env, last: Point) -> StepResult:
            # A point by its name is looked up without a call.
            at = env[slot] if slot >= 0 else None
            if type(at) is not Point:
                at = centre(env, last)
            return drawn(Circle(at, fixed), at)

        return draw_fixed

    def draw(env: Env, last: Point) -> StepResult:
        at = centre(env, last)
        return drawn(Circle(at, size(env, at) * share), at)

    return draw


def _centre_through(centre: Callable[[Env, Point], Point], place: Callable[[Env, Point], Point]) -> Plan:
    def draw(env: Env, last: Point) -> StepResult:
        at = centre(env, last)
        to = place(env, last)
        return StepResult(Circle(at, hypot(to.x - at.x, to.y - at.y)), at)

    return draw


def _centre(circle: Circle) -> Point:
    return circle.centre


# Everything else --------------------------------------------------------------------------------------------


def _way_to_draw(statement: Statement, words: list[str], sizes: list[str]) -> Draw:
    through, on = words.count("through"), words.count("centre on")
    weight = through + on + len(sizes) + 3 * words.count("across")
    if weight > 3:
        raise too_many(statement, statement.givens[-1], words[:-1])
    if "across" in words:
        return lambda f: circles.across(*f[0].values)
    if weight < 3:
        could = [
            "through and a place",
            "centre on and a figure",
            *([] if sizes else SIZES),
            *([] if words else ["centre and a place"]),
        ]
        raise needs(statement, *could, more=3 - weight)
    if through == 2 and sizes:
        return lambda f: Outcome(
            circles.through_two_radius(value(f, "through"), value(f, "through", 1), _radius(f, sizes[0])), stated(f)
        )
    if through == 2:
        return lambda f: Outcome(circles.centre_on_through_two(_locus(f), value(f, "through"), value(f, "through", 1)), stated(f))
    if on == 1 and sizes:
        return lambda f: Outcome(
            circles.centre_on_through_radius(_locus(f), value(f, "through"), _radius(f, sizes[0])), stated(f)
        )
    if on == 2 and sizes:
        return lambda f: Outcome(circles.centre_on_two(_locus(f), _locus(f, 1), _radius(f, sizes[0])), stated(f))
    if on == 2:
        return lambda f: Outcome(circles.centre_on_two_through(_locus(f), _locus(f, 1), value(f, "through")), stated(f))
    raise needs(statement, "through and a place", "centre and a place")


def _radius(f: Facts, word: str) -> float:
    radius: float = value(f, word) * SIZES[word]
    return radius


def _locus(f: Facts, index: int = 0) -> Locus:
    fact = [x for x in f if x.word == "centre on"][index]
    figure: Any = fact.values[0]
    if not isinstance(figure, Curve):
        raise refusal("no_curve", fact.given.start, fact.given.end, name="it")
    return Locus(figure, "the figure its centre is on")


def bare_entries(has: Collection[str]) -> list[str]:
    """A bare place or number: the centre, then the radius or a place on it."""
    sized = bool(set(has) & set(SIZES))
    if "centre" in has:
        return [] if sized or "through" in has else ["radius", "through"]
    if "through" in has or "centre on" in has:
        return ["through"] if sized else ["through", "radius"]
    return ["centre"] if sized else ["centre", "radius"]


def as_diameter(statement: Statement) -> tuple[str, str] | None:
    """Two places, and no more said: the ends of a diameter."""
    if words_of(statement) != ["through", "through"]:
        return None
    first, second = (re.sub(r"^through\s+", "", statement.text[g.start : g.end], flags=re.IGNORECASE) for g in statement.givens)
    said = "Enter makes them the ends of a diameter; or give a third place, or a radius."
    return f"circle across {first}; {second}", said


KIND = Kind(
    word="circle",
    group="place",
    explanation="a circle: centre and radius, or whatever else is known",
    plan=plan_circle,
    letter="C",
    puts_place=True,
    another="centre {name} radius",
    first="Where is its centre? 40, 25, or point; or click on what it touches; or through, across.",
    implied_words=bare_entries,
    next_hint=lambda has, done: (
        "A number is its radius; or diameter 24, or a place on it." if has == ["centre"] and not done else None
    ),
    drag=Drag("through", "through"),
    default_completion=as_diameter,
    givens=(
        GivenSpec("centre", "place", "its centre, or `centre on` a figure"),
        GivenSpec("radius", "length", "its radius", sides=("left", "right", "major"), blamed=("bad_radius", "radius_too_small")),
        GivenSpec("diameter", "length", "its diameter", blamed=("bad_radius", "radius_too_small")),
        GivenSpec("circumference", "length", "its circumference", blamed=("bad_radius", "radius_too_small")),
        GivenSpec("through", "places", "a place on it", blamed=("bad_radius",)),
        GivenSpec("across", "two places", "the two ends of a diameter"),
        GivenSpec("touching", "figures", "a figure it touches", repeats=True),
        GivenSpec("at", "place", "the place where it touches what stands before, or a line in a direction"),
        GivenSpec("direction", "direction", "with at: the direction in which a line there would run"),
    ),
    examples=(
        ("circle centre P3 radius 12", "also `diameter 24`, `circumference 75`"),
        ("circle centre P3 through P1", "centre and a place on it"),
        ("circle across P1 P3", "the two ends of a diameter"),
        ("circle through P1 P2 P3", "three places"),
        ("circle through P1 P3 radius 25 left", "two places and a radius: centre left, then right, of the way"),
        ("circle centre on L1 through P1 P3", "centre on a figure"),
        ("circle centre on L2 through P3 radius 20", "centre on a figure, a place and a radius"),
        (
            "circle touching C3 outside C4 enclosing radius 36",
            "two figures and a radius: by the side of each, then left or right",
        ),
        ("circle touching L1 left C3 outside radius 20", "a line is touched by a circle to its left or right"),
        ("circle touching L1 L2 C3", "three figures, each a line, a circle, an arc or a place"),
        ("circle touching C2 C3 C4", "three circles: eight at most"),
        ("circle touching C3 through P1 P2", "a figure and two places"),
        ("circle centre 45, 50 touching C2", "centre and what it touches: outside, then enclosing"),
        ("circle touching L1 at middle of L1 radius 12 left", "touches it at that place; also `through P3`, `touching C2`"),
        ("circle at P3 direction 20 radius 10 right", "touches a line that is given by a place and a direction"),
        ("circle centre on L2 touching C2 C3", "centre on a figure and two touched"),
        (
            "circle touching E1 outside L1 left radius 12 first",
            "an ellipse and another figure; of those with the same sides `first`, `second`",
        ),
        ("circle touching E1 C2 L1", "an ellipse and two more figures: the residuals say how exactly they were found"),
        ("circle centre P3 touching E1", "an ellipse from a centre"),
    ),
)
