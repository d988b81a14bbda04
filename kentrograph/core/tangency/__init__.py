"""Circles, lines and arcs that touch what is there: one file per family of givens.

`docs/maths/touching.md` derives the methods.
"""
