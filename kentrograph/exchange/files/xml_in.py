"""XML of other hands, read so that it can do no harm: no entities, nothing fetched, not too deep, not too much."""

from collections.abc import Callable
from xml.etree.ElementTree import Element, ParseError, TreeBuilder

from defusedxml import DefusedXmlException
from defusedxml.ElementTree import DefusedXMLParser

from .found import bad_file

MOST_DEPTH = 200
MOST_ELEMENTS = 300_000
_BLOCK = 1 << 20
"""A token that is longer than this is looked through again with each block: a picture may have one of megabytes."""


class _Watched(TreeBuilder):
    """A tree that is refused once it grows too deep or too large."""

    def __init__(self) -> None:
        super().__init__()
        self.depth = self.count = 0

    def start(self, tag: str, attrs: dict[str, str]) -> Element:
        """An element begins."""
        self.depth += 1
        self.count += 1
        if self.depth > MOST_DEPTH:
            raise bad_file(f"its elements stand more than {MOST_DEPTH} deep in one another")
        if self.count > MOST_ELEMENTS:
            raise bad_file(f"it has more than {MOST_ELEMENTS:,} elements")
        return super().start(tag, attrs)

    def end(self, tag: str) -> Element:
        """An element ends."""
        self.depth -= 1
        return super().end(tag)


def tree_of(data: bytes, in_time: Callable[[], None]) -> Element:
    """The root element. Raises `Refused` (bad_file): not well-formed, entities, too deep or too large."""
    parser = DefusedXMLParser(target=_Watched(), forbid_dtd=False, forbid_entities=True, forbid_external=True)
    try:
        for at in range(0, len(data), _BLOCK):
            parser.feed(data[at : at + _BLOCK])
            in_time()
        root = parser.close()
    except DefusedXmlException:
        raise bad_file("it defines entities or fetches something from elsewhere, which is not read") from None
    except ParseError as error:
        line, column = error.position
        raise bad_file("it is no whole XML document", f"line {line}, column {column + 1}") from None
    except (ValueError, LookupError):
        raise bad_file("its encoding is not known") from None
    assert isinstance(root, Element)
    return root
