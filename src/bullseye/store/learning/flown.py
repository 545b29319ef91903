"""A lap as learning takes it, as a row keeps it: figures in a fixed order."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress
from dataclasses import fields
from functools import lru_cache
from typing import Any

from bullseye.core.measure.flown import FlownLap
from bullseye.core.model.touchdown import Approach

_APPROACH = tuple(one.name for one in fields(Approach))
_DECIMALS = 4  # of knots, feet and degrees: far finer than anything was measured


def plain_flown(flown: FlownLap) -> list[Any]:
    """A lap as learning takes it, as a row keeps it: figures without their names, of which there would be more.

    In order: those of its approach, feet from the aim point to the touchdown, whether the speed is known, seconds of
    hold-off, whether it was flown at idle, and the speed that was briefed; of a go-around also what bounds it.
    """
    approach = [round(getattr(flown.approach, name), _DECIMALS) for name in _APPROACH]
    briefed_ktas = None if flown.briefed_ktas is None else round(flown.briefed_ktas, _DECIMALS)
    known = [flown.speed_is_known, flown.float_s, flown.is_idle]
    found = [*approach, _to_a_tenth(flown.touchdown_from_aim_ft), *known, briefed_ktas]
    if flown.touchdown_from_aim_ft is None:
        found += [_to_a_tenth(flown.least_from_aim_ft), _to_a_tenth(flown.most_from_aim_ft)]
    return found


def _to_a_tenth(value_ft: float | None) -> float | None:
    return None if value_ft is None else round(value_ft, 1)


@lru_cache(5_000)
def _flown_lap(row: tuple[Any, ...]) -> FlownLap:
    size = len(_APPROACH)
    touchdown_from_aim_ft, speed_is_known, float_s, is_idle, briefed_ktas = row[size : size + 5]
    least_ft, most_ft = row[size + 5 :] or (None, None)
    return FlownLap(
        approach=Approach(**dict(zip(_APPROACH, row[:size], strict=True))),
        touchdown_from_aim_ft=touchdown_from_aim_ft,
        speed_is_known=speed_is_known,
        float_s=float_s,
        is_idle=is_idle,
        briefed_ktas=briefed_ktas,
        least_from_aim_ft=least_ft,
        most_from_aim_ft=most_ft,
    )


def flown_laps(rows: Sequence[Any]) -> list[FlownLap]:
    """Laps as learning takes them, from what rows keep of them; one that cannot be read teaches nothing."""
    found = []
    for row in rows:
        with suppress(ValueError, TypeError):
            found.append(_flown_lap(tuple(row)))
    return found
