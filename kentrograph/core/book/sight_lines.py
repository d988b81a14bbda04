"""Plans of sight lines: lines that are only looked along, never drawn."""

from collections.abc import Callable
from typing import Any

from ..angles import unit_vector
from ..construct.lines import vector_of
from ..figures import Arc, EndlessLine, Line, Point, StraightCurve
from ..figures.along import heading
from ..problem import refusal
from .planner import Env, Planner
from .tree import Name, Sight


def plan_sight(p: Planner, node: Name | Sight) -> Callable[[Env, Point], Any]:
    """A plan for a figure by its name, or for the endless line that a sight runs along."""
    if isinstance(node, Name):
        slot = p.slot(node)
        return lambda env, last: env[slot]
    if node.kind == "continuing":
        return _continuing(p, node)
    origin, way = p.origin(node.place), _way(p, node)

    def look(env: Env, last: Point) -> EndlessLine:
        return EndlessLine(origin(env, last), *way(env, last))

    return look


def _way(p: Planner, node: Sight) -> Callable[[Env, Point], tuple[float, float]]:
    """The unit vector along which a sight runs."""
    if node.kind in ("level", "plumb"):
        turned = p.manner.turned(*((1.0, 0.0) if node.kind == "level" else (0.0, 1.0)))
        return lambda env, last: turned
    if not isinstance(node.way, Name):
        assert node.way is not None
        turn = p.direction(node.way)
        if isinstance(turn, float):
            fixed = unit_vector(turn)
            return lambda env, last: fixed
        return lambda env, last: unit_vector(turn(env, last))
    slot, name, square = p.slot(node.way), node.way, node.kind == "square"

    def beside(env: Env, last: Point) -> tuple[float, float]:
        figure = env[slot]
        if not isinstance(figure, StraightCurve):
            raise refusal("no_line", name.start, name.end, word=node.kind)
        ux, uy = vector_of(figure)
        # Square to a line: to its left, as it runs.
        return (-uy, ux) if square else (ux, uy)

    return beside


def _continuing(p: Planner, node: Sight) -> Callable[[Env, Point], EndlessLine]:
    assert isinstance(node.way, Name)
    slot, name = p.slot(node.way), node.way

    def look(env: Env, last: Point) -> EndlessLine:
        figure = env[slot]
        if not isinstance(figure, Line | Arc):
            raise refusal("no_end", name.start, name.end, name=name.text)
        return EndlessLine(figure.start if node.at_start else figure.end, *heading(figure, node.at_start))

    return look
