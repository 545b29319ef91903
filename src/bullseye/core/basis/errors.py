"""The errors the core raises: they say what was given and what is accepted."""

from __future__ import annotations

from bullseye.core.basis.refusal import refused
from bullseye.core.basis.sentence import Sentence


class BullseyeError(Exception):
    """Base of every error that Bullseye raises on purpose."""

    code = 'error'


class InvalidInput(BullseyeError, ValueError):
    """A value outside what is accepted; it names the field, the value and the allowed range."""

    code = 'invalid_input'

    def __init__(self, field: str, value: object, accepted: str) -> None:
        self.field = field
        self.value = value
        self.accepted = accepted
        super().__init__(refused(field, value, accepted))


class NotWorkedOut(BullseyeError, ValueError):
    """Something that cannot be worked out, and why."""

    code = 'not_worked_out'

    def __init__(self, reason: Sentence) -> None:
        super().__init__(reason)
        self.reason = reason


class OutsideTable(NotWorkedOut):
    """A value beyond the edge of a printed table, which is never extrapolated."""

    code = 'outside_table'
