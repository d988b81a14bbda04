"""The book of a drawing as it stands: from the cache, or evaluated from its steps."""

from sqlalchemy.orm import Session

from ..core.book.book import Book
from .cache import BookCache
from .memory import making_books
from .rows import load_book
from .tables import Drawing


def current_book(session: Session, cache: BookCache, row: Drawing) -> Book:
    """The evaluated book of a drawing's row."""
    found = cache.get(row.id, row.revision)
    if found is None:
        with making_books():
            found = load_book(session, row)
        cache.put(row.id, row.revision, found)
    return found
