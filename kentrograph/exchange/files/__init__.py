"""Drawings as files that other programs and machines read, and theirs read by us: one file for each format and direction.

Every writer takes `Item`s (a figure with its name, pen and group) and gives a text with what could not be written; every
reader takes bytes and gives a `Found`: figures with where each stood, what was left out and why, within limits of size,
depth, count and time. `readback` compares the two; `taking_in` makes statements of a `Found`. A reader's every fault is a
`Refused` (`bad_file`) or a count in `left_out`; mutated files are tried in the tests.
"""
