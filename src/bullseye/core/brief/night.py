"""Sunset and night over a lesson."""

from __future__ import annotations

from bullseye.core.air.sun import Sun, daylight_left_min, sun_at
from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    Quantity,
)
from bullseye.core.brief.plan import Plan

_BOOK = Phrasebook('whole')


def sun_over(plan: Plan) -> Sun | None:
    """Where the sun stands over the field at the hour of the lesson; nothing without field or hour."""
    if plan.airfield is None or plan.at is None:
        return None
    return sun_at(lat_deg=plan.airfield.latitude_deg, lon_deg=plan.airfield.longitude_deg, at=plan.at)


# [own]
_NIGHT_DEG = -6.0  # of the sun: the end of civil twilight
_SET_DEG = -0.833
_NIGHT_RESERVE_MIN = 45  # [pub: 14 CFR 91.151, value from memory]


def night_notes(plan: Plan, sun: Sun | None) -> list[Caution]:
    """What the dark asks for, when the lesson is flown in it or ends in it."""
    if sun is None or plan.airfield is None or plan.at is None:
        return []
    if sun.elevation_deg < _NIGHT_DEG:
        when = _BOOK.say('is_night')
    elif sun.elevation_deg < _SET_DEG:
        when = _BOOK.say('is_twilight')
    else:
        left_min = daylight_left_min(
            lat_deg=plan.airfield.latitude_deg, lon_deg=plan.airfield.longitude_deg, at=plan.at
        )
        if left_min is None or left_min > plan.lesson.booked_min:
            return []
        when = _BOOK.say('sun_sets', left=Quantity(left_min, 'min'))
    return [Caution('mind', _BOOK.say('night', when=when, reserve=Quantity(_NIGHT_RESERVE_MIN, 'min')))]
