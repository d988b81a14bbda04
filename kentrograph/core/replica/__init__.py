"""The core beside the drafter: what a table asks for as data and back, and the book that a page holds of a drawing itself."""
