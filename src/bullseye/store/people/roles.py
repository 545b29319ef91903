"""What each role may do."""

from __future__ import annotations

from bullseye.store.errors import NotAllowed
from bullseye.store.rows.people import User


def may_coach(person: User) -> bool:
    """Whether a person writes sorties and laps of the school."""
    return person.role in ('chief', 'instructor')


def require_coach(person: User) -> None:
    """Settle the right to write before anything is computed.

    :raises NotAllowed: for a student
    """
    if not may_coach(person):
        raise NotAllowed('only an instructor may do this')
