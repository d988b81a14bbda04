"""The working of a setting-out table from two edges: from each place square to the edges, as one lays a square and a rule."""

from ...book.kinds.bindings import Facts
from ...book.on_paper import PointTable
from ...book.tree import Name
from ...book.values import StepResult
from ...figures import EndlessLine, Line
from ...intersect.nearest import feet
from ...intersect.within import within
from ...tolerance import TOLERANCE
from .sheet import Sheet

_MOST = 40


def table_working(sheet: Sheet, facts: Facts, value: StepResult) -> None:
    """Lines square to the edges, and edges made longer where their feet lie past their ends; with the sums."""
    table = value.figure
    given = next((g for g in sheet.step.statement.givens if g.word == "edges"), None)
    if not isinstance(table, PointTable) or given is None:
        return
    names = [one.text for one in given.arguments if isinstance(one, Name)]
    longer: set[str] = set()
    for place in table.places[:_MOST]:
        said: list[str] = []
        for edge, name in zip(table.edges, names, strict=True):
            foot = feet(edge, place.at)[0]
            if TOLERANCE.same_place(foot.x, foot.y, place.at.x, place.at.y):
                said.append(f"on {name}")
                continue
            square = Line(place.at, foot)
            sheet.draw(square, f"square to {name}")
            if isinstance(edge, Line) and not within(edge, foot) and name not in longer:
                longer.add(name)
                along = (edge.end.x - edge.start.x) / edge.length, (edge.end.y - edge.start.y) / edge.length
                sheet.draw(EndlessLine(edge.start, *along), f"{name}, made longer")
            said.append(f"{sheet.n(square.length)} from {name}")
        sheet.say(f"{place.words}: {' and '.join(said)}.")
