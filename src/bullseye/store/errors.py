"""What the store refuses; the API maps each to a reply."""

from __future__ import annotations

from typing import Any

from pydantic import ValidationError

from bullseye.core.basis.errors import BullseyeError

UNREADABLE = (ValidationError, BullseyeError)  # what reading a row raises that holds something else than it should


class NotFound(BullseyeError):
    """No such row, or none this person may see: the two are not told apart."""

    code = 'not_found'

    def __init__(self, what: str) -> None:
        self.what = what
        super().__init__(f'{what} not found')


class NotAllowed(BullseyeError):
    """The person's role does not allow it."""

    code = 'not_allowed'


class Conflict(BullseyeError):
    """It contradicts what is already kept."""

    code = 'conflict'


class ChangedMeanwhile(Conflict):
    """Somebody else changed the same since it was read; ``now`` is how it stands."""

    code = 'changed_meanwhile'

    def __init__(self, message: str, now: Any) -> None:
        self.now = now
        super().__init__(message)


class WrongLogin(BullseyeError):
    """Login or password is wrong; which of them is not told."""

    code = 'wrong_login'


class UnreadableRow(BullseyeError):
    """A row that points at nothing, or holds something else than it should; it stops none of the others."""

    code = 'unreadable_row'
