"""What the aircraft, the wind, the light and the standard of the next flight do not allow."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bullseye.core.basis.sentence import Phrasebook, Sentence, knots
from bullseye.core.given.aircraft import Aircraft
from bullseye.core.given.standards import Standard
from bullseye.core.record.syllabus import Exercise

_LITTLE_KT = 4.0  # [own] of crosswind: with less there is nothing to practise
_NIGHT_DEG = -6.0  # [pub: end of civil twilight] of the sun
_ITEM_MIN, _FLAT_MIN = 15.0, 10.0  # [own] for two or three laps of one thing; engine start, taxi and parking
_BOOK = Phrasebook('setting')


@dataclass(frozen=True, slots=True, kw_only=True)
class Setting:
    """What is known of the next flight; None where nobody has said."""

    aircraft: Aircraft
    standard: Standard
    crosswind_kt: float | None = None  # of the wind as given for it; None: not given, or long ago
    alone_limit_kt: float | None = None  # of crosswind, for flying alone
    sun_elevation_deg: float | None = None
    booked_min: float | None = None

    @property
    def most_items(self) -> int | None:
        """How many things the booked time has room for; None where it is not booked."""
        return None if self.booked_min is None else max(1, int((self.booked_min - _FLAT_MIN) // _ITEM_MIN))


def not_allowed(exercises: Sequence[Exercise], setting: Setting) -> dict[str, Sentence]:
    """Exercises that this flight does not allow, each with the reason. What is not known forbids nothing here."""
    found: dict[str, Sentence] = {}
    for one in exercises:
        why = _aircraft(one, setting) or _wind(one, setting) or _light(one, setting)
        if why is not None:
            found[one.code] = why
    return found


def _aircraft(one: Exercise, setting: Setting) -> Sentence | None:
    aircraft, name = setting.aircraft, setting.aircraft.name
    if one.landing is not None:
        if not aircraft.lands(one.landing):
            return _BOOK.say('lands_not', aircraft=name)
        if not setting.standard.examines(one.landing):
            return _BOOK.say('no_task', standard=setting.standard.name)
        if not setting.standard.can_plan(one.landing):
            return _BOOK.say('no_window', standard=setting.standard.name)
        if one.landing == 'power_off' and aircraft.best_glide_kias is None:
            return _BOOK.say('no_glide', aircraft=name)
    known = aircraft.particulars
    if one.code == 'retractable' and known.gear_limit_kias is None and known.propeller == 'fixed':
        return _BOOK.say('no_gear', aircraft=name)
    if one.code == 'slats_aoa' and known.slats_out_kias is None and known.angle_of_attack_target is None:
        return _BOOK.say('no_slats', aircraft=name)
    return None


def _wind(one: Exercise, setting: Setting) -> Sentence | None:
    if setting.crosswind_kt is None:
        return None
    across_kt = abs(setting.crosswind_kt)
    across, limit_kt = knots(across_kt), setting.aircraft.demonstrated_crosswind_kt
    flies = one.landing is not None or one.takeoff is not None
    if flies and limit_kt is not None and across_kt > limit_kt:
        return _BOOK.say('too_strong', across=across, limit=knots(limit_kt), aircraft=setting.aircraft.name)
    if one.code == 'first_solo' and setting.alone_limit_kt is not None and across_kt > setting.alone_limit_kt:
        return _BOOK.say('solo_limit', across=across, limit=knots(setting.alone_limit_kt))
    if 'crosswind' in (one.landing, one.takeoff) and across_kt < _LITTLE_KT:
        return _BOOK.say('no_crosswind', across=across)
    return None


def _light(one: Exercise, setting: Setting) -> Sentence | None:
    sun_deg = setting.sun_elevation_deg
    return _BOOK.say('by_day') if one.group == 'night' and sun_deg is not None and sun_deg > _NIGHT_DEG else None
