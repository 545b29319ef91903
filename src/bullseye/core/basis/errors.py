"""The errors the core raises: they say what was given and what is accepted."""

from __future__ import annotations


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
        super().__init__(f'{field} is {value!r}; accepted: {accepted}')


class OutsideTable(BullseyeError, ValueError):
    """A value beyond the edge of a printed table, which is never extrapolated."""

    code = 'outside_table'
