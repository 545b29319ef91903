"""What stands in for a number that nobody knows. Zero is a number: ``x or y`` would take it for unknown."""

from __future__ import annotations

from typing import TypeVar

T = TypeVar('T')


def known_or(value: T | None, otherwise: T) -> T:
    """A value that is known, zero too; what is given otherwise only where it is None."""
    return otherwise if value is None else value
