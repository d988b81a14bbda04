"""The core beside the drafter: what a table asks for as data and back, and the book that a page holds of a drawing itself.

At build time CPython in WebAssembly imports the core, tries it (`web/core/warm.py`), and its memory is written to a file; a
browser that loads this wakes in a second, under an address with the version of the core in it. Its answers are those of the
server but for a unit in the last place of sines, arcs and cube roots, which another C library makes: of what is drawn a
thousand-millionth of a pixel, of words, values and statements nothing.
"""
