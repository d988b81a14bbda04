"""Passwords and tokens: made, hashed and compared. To hash one takes 64 MB and some tenths of a second, on purpose: it is for a
thread of its own, with no connection held.

Sources, published: RFC 9106 (Argon2), NIST SP 800-63B (what a password must be; from memory).
"""

import hashlib
import secrets

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError

from .errors import StoreError

SHORTEST, LONGEST = 12, 200
"""Characters of a password."""
_hasher = PasswordHasher()
_NOBODYS = _hasher.hash(secrets.token_urlsafe(16))


class BadPassword(StoreError):
    """The password will not do."""

    code, status = "bad_password", 422


def hashed_password(password: str, name: str) -> str:
    """What is kept of a password. Raises `BadPassword` with what would do."""
    if not SHORTEST <= len(password) <= LONGEST:
        raise BadPassword(f"A password has {SHORTEST} to {LONGEST} characters; a few words in a row are easy to keep in mind.")
    folded = password.casefold()
    if len(set(folded)) < 5 or name.casefold() in folded:
        raise BadPassword("This password is too easy to guess: it repeats itself, or has the name in it.")
    return _hasher.hash(password)


def is_password(kept: str | None, password: str) -> bool:
    """Whether it is the one. It takes as long for nobody as for somebody, so that no name can be found out by the time."""
    try:
        return _hasher.verify(kept or _NOBODYS, password[: LONGEST + 1]) and kept is not None
    except (VerificationError, InvalidHashError):
        return False


def new_token() -> str:
    """A secret that cannot be guessed, for a cookie or a link: 256 bits."""
    return secrets.token_urlsafe(32)


def hash_of(token: str) -> bytes:
    """What is kept of a token, so that who reads the database has none. No salt is needed: a token is random enough."""
    return hashlib.sha256(token.encode()).digest()
