"""What was believed before a lap, as its row keeps it."""

from __future__ import annotations

import dataclasses
from typing import Any

from pydantic import TypeAdapter

from bullseye.core.given.belief import Calibration

_BELIEF = TypeAdapter(Calibration)
_BELIEVED = tuple(one.name for one in dataclasses.fields(Calibration))


def plain_belief(known: Calibration) -> list[Any]:
    """A belief as a row keeps it: its figures in their order, without their names, of which there would be more."""
    found = [getattr(known, name) for name in _BELIEVED]
    while found and found[-1] is None:
        found.pop()
    return found


def kept_belief(kept: list[Any] | dict[str, Any]) -> Calibration:
    """A belief that a row keeps; those of earlier days have names."""
    named = kept if isinstance(kept, dict) else dict(zip(_BELIEVED, kept, strict=False))
    return _BELIEF.validate_python(named)
