"""What the stand-in for a plotter has drawn, as a page to look at."""

from xml.sax.saxutils import escape

from .plotter import Pen, Plot

_COLOURS = ("#1B2A49", "#1D7668", "#B2442B", "#D7971A", "#5F6068", "#7C5AA6")
_STYLE = (
    "body{font:14px sans-serif;margin:16px;background:#E7E1D2;color:#1B2A49}"
    "table{border-collapse:collapse;margin:8px 0 16px}td,th{padding:2px 14px 2px 0;text-align:right}"
    "td:first-child,th:first-child{text-align:left;font-weight:600}figure{margin:0;box-shadow:0 1px 10px #0003}"
)
_HEADS = "<tr><th>pen</th><th>strokes</th><th>drawn</th><th>moved</th><th>time</th></tr>"


def plot_svg(plot: Plot) -> str:
    """What was drawn, each pen in a colour of its own."""
    parts = [
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{plot.width:g}mm" height="{plot.height:g}mm" '
        f'viewBox="0 0 {plot.width:g} {plot.height:g}"><rect width="100%" height="100%" fill="#fff"/>'
        f'<g transform="translate(0 {plot.height:g}) scale(1 -1)" fill="none" stroke-linecap="round" stroke-linejoin="round">'
    ]
    for n, pen in enumerate(plot.pens):
        data = "".join("M" + "L".join(f"{x:.2f} {y:.2f}" for x, y in path) for path in pen.strokes)
        parts.append(f'<path d="{data}" stroke="{_COLOURS[n % len(_COLOURS)]}" stroke-width="{pen.width or 0.1:g}"/>')
    parts.append('</g><g font-family="monospace" fill="#5F6068">')
    for word in plot.words:
        a, b, c, d, e, f = word.matrix
        turned = f"matrix({a:.4f} {-b:.4f} {-c:.4f} {d:.4f} {e:.3f} {plot.height - f:.3f})"
        parts.append(f'<text transform="{turned}" font-size="{word.size:.3f}">{escape(word.text)}</text>')
    return "".join([*parts, "</g></svg>"])


def plot_page(plot: Plot, title: str) -> str:
    """A page that shows what the device has drawn, and what each pen did."""
    rows = "".join(_row(pen, _COLOURS[n % len(_COLOURS)]) for n, pen in enumerate(plot.pens))
    svg = plot_svg(plot).replace(f'width="{plot.width:g}mm" height="{plot.height:g}mm"', 'style="width:100%;height:auto"')
    said = f"It was given the page as PDF, and has drawn what it found there in {plot.seconds / 60:.1f} minutes."
    return (
        f"<!doctype html><html lang=en><meta charset=utf-8><title>{escape(title)}, plotted</title><style>{_STYLE}</style>"
        f"<h1>{escape(title)}, as the plotter draws it</h1><p>A stand-in for a pen plotter. {said}</p>"
        f"<table>{_HEADS}{rows}</table><figure>{svg}</figure></html>"
    )


def _row(pen: Pen, colour: str) -> str:
    name = f"{pen.width:g} mm" if pen.width else "filled"
    cells = (f"{pen.lifts}", f"{pen.drawn / 1000:.2f} m", f"{pen.moved / 1000:.2f} m", f"{pen.seconds:.0f} s")
    return f'<tr><td style="color:{colour}">{name}</td>' + "".join(f"<td>{cell}</td>" for cell in cells) + "</tr>"
