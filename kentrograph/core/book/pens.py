"""What figures are drawn with: pencil, and the lines of a finished drawing.

Source, published: the basic line types of ISO 128-2.
"""

PENS = {
    "pencil": "construction, which does not print",
    "ink": "visible edges: continuous, wide",
    "fine": "continuous, narrow",
    "hidden": "hidden edges: dashed, narrow",
    "axis": "centre lines and axes: long dashed dotted, narrow",
}
"""The pens, and what each is for."""
