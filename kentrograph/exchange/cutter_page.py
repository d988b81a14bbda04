"""What the stand-in for a cutter has cut, as a page to look at."""

from xml.sax.saxutils import escape

from ..core.figures.box import box_around
from ..core.units import plain
from .cutter import Run
from .svg import path_of

_STYLE = (
    "body{font:14px sans-serif;margin:16px;background:#E7E1D2;color:#1B2A49}"
    "table{border-collapse:collapse;margin:8px 0 16px}td,th{padding:2px 18px 2px 0;text-align:left}"
    ".good{color:#1D7668}.out{color:#B2442B}figure{margin:0;background:#FCFAF5;box-shadow:0 1px 10px #0003}"
)


def cut_svg(run: Run) -> str:
    """The outlines, the tool's way as wide as the tool, rapid moves dashed, and rings where what was cut differs."""
    box = box_around([*(figure for _, figure in run.meant), *run.cutting, *run.rapid])
    size = max(box[2] - box[0], box[3] - box[1], 1e-9)
    radius = run.tool.diameter / 2.0
    edge = radius + size / 20.0
    left, top, wide, high = box[0] - edge, -box[3] - edge, box[2] - box[0] + 2 * edge, box[3] - box[1] + 2 * edge
    thin = size / 500.0
    way = "".join(path_of(piece) for piece in run.cutting)
    rapid = "".join(path_of(piece) for piece in run.rapid)
    meant = "".join(path_of(figure) for _, figure in run.meant)
    ring = 'fill="none" stroke="#B2442B"'
    rings = "".join(
        f'<circle cx="{one.at.x:g}" cy="{-one.at.y:g}" r="{size / 60:g}" {ring} stroke-width="{2 * thin:g}"/>'
        for one in run.differences
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{left:g} {top:g} {wide:g} {high:g}" '
        f'style="width:100%;max-height:78vh">'
        f'<g fill="none" stroke-linejoin="round" stroke-linecap="round">'
        f'<path d="{way}" stroke="#1D7668" stroke-opacity="0.22" stroke-width="{max(run.tool.diameter, thin):g}"/>'
        f'<path d="{rapid}" stroke="#9A958A" stroke-width="{thin:g}" stroke-dasharray="{6 * thin:g} {4 * thin:g}"/>'
        f'<path d="{way}" stroke="#1D7668" stroke-width="{thin:g}"/>'
        f'<path d="{meant}" stroke="#1B2A49" stroke-width="{1.6 * thin:g}"/></g>{rings}</svg>'
    )


def cut_page(run: Run, unit: str, title: str) -> str:
    """A page that shows what was cut, and where it differs."""
    good = not run.differences
    said = "What is cut is what is drawn." if good else f"It differs at {len(run.differences)} places."
    rows = "".join(
        f"<tr><td>{escape(one.name)}</td><td>{plain(one.at.x, 3)}, {plain(one.at.y, 3)}</td>"
        f"<td>{'too deep by' if one.deep else 'left standing'} {plain(one.off, 6)} {unit}</td></tr>"
        for one in run.differences
    )
    table = f"<table><tr><th>outline</th><th>near</th><th></th></tr>{rows}</table>" if rows else ""
    facts = (
        f"Tool {plain(run.tool.diameter, 3)} {unit}, {run.tool.side}. It cuts {plain(run.length, 1)} {unit} and moves "
        f"{plain(run.travel, 1)} {unit} without cutting, in {run.seconds / 60.0:.1f} minutes. "
        f"Too deep by at most {plain(run.deepest, 6)}, left standing at most {plain(run.left, 6)} {unit}."
    )
    return (
        f"<!doctype html><html lang=en><meta charset=utf-8><title>{escape(title)}, cut</title><style>{_STYLE}</style>"
        f"<h1>{escape(title)}, as the cutter cuts it</h1><p>A stand-in for a cutter: it was given the program alone. "
        f'<b class="{"good" if good else "out"}">{said}</b></p><p>{facts}</p>{table}<figure>{cut_svg(run)}</figure></html>'
    )
