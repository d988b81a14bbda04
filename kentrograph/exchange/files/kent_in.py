"""A drawing of our own as figures, to be taken into another one."""

from ...core.book.scene import all_seen, pen_of
from ...core.language.script import book_of, read_script
from ...core.problem import Problem
from .found import Found, bad_file
from .items import parts_of


def read_kent(data: bytes) -> Found:
    """The figures that are seen of a drawing, with their names and pens. Raises `Refused` (bad_file)."""
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise bad_file("it is not UTF-8 text", f"byte {error.start}") from None
    if "\x00" in text:
        raise bad_file("it is no text")
    script = read_script(text)
    book = book_of(script)
    found = Found(book.header.manner.unit)
    for id, figure in all_seen(book):
        for item in parts_of(figure, book.name_of(id), pen_of(book, id), ""):
            found.add(item.figure, item.name, item.group, item.pen)
    for id in book.order:
        if isinstance(book.values[id], Problem) and not book.steps[id].off:
            found.leave_out("step", "it waits for something that is not there", f"line {script.lines[id][0]}")
    for one in script.misread:
        found.leave_out("line", "it cannot be read", f"line {one.line}")
    return found
