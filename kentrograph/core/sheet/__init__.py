"""What stands on paper, laid out: dimensions, notes, tables, sheets. All in millimetres on paper, y up, directions in degrees.

What stands on paper is a step that holds an `OnPaper`; it is no figure, and nothing snaps to it. Every form yields *ways* in
which it could lie, best first, and the first is taken that is clear of all words that stand there (`tilted`) and of ink: in
the order of the book, so that another one moves nothing. An edit lays anew only what it reaches: each laid thing keeps what
was *asked* for it (`asked`). The page (`page`) and the table (`at_table`) lay out with the same code, at a `Frame`. Widths of
letters come from `advances`, which `tools/fonts.py` makes of the fonts that are embedded.
"""
