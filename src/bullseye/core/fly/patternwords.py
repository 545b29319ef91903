"""What is said of a pattern: its wind, its spacing, its turn onto final, and what to be careful of."""

from __future__ import annotations

import math

from bullseye.core.air.turns import STEEPEST_DEG, stall_factor
from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_NM, LOW_STALL_MARGIN, LOW_STALL_MARGIN_TURNING
from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    Quantity,
    Sentence,
    degrees,
    feet,
    joined,
    knots,
    miles,
    per_cent,
    seconds,
)
from bullseye.core.fly.legs import Legs
from bullseye.core.fly.overground import Flown, Heights

_LEAST_FIRST_TURN_FT = 300.0  # [com] above the field
_LEAST_FINAL_TURN_FT = 300.0  # [com] above the field, where the turn onto final begins
_LEAST_SAID_S = 0.5  # [own] shorter rounds to nothing
_RUSHED_FPM = 900.0  # [own]
_LIGHT_KT = 3.0  # [own] of wind across that need not be spoken of
_SLIGHT_FT = 50.0  # [own] of drift in the turn onto final, likewise
_BOOK = Phrasebook('pattern')


def _fpm(value: float) -> Quantity:
    return Quantity(value, 'fpm')


def _time(value_s: float) -> Quantity | Sentence:
    return seconds(value_s) if value_s >= _LEAST_SAID_S else _BOOK.say('moment')


def _other_time(more_s: float) -> Sentence:
    """How much longer or shorter something takes; what rounds to nothing is nothing."""
    if abs(more_s) < _LEAST_SAID_S:
        return _BOOK.say('as_long')
    return _BOOK.say('longer' if more_s > 0 else 'shorter', time=seconds(abs(more_s)))


def wind_words(legs: Legs, flown: Flown) -> Sentence:
    """What the wind across the pattern does to spacing and descent, if nothing is done about it."""
    if not legs.task.wind_is_known:
        return _BOOK.say('no_wind')
    # the runway lies to the left of the landing direction's right pattern: towards it is -right
    towards_kt = -legs.task.right * legs.wind.right_fps / FPS_PER_KT
    if abs(towards_kt) < _LIGHT_KT:
        return _BOOK.say('little_wind')
    drift = feet(abs(towards_kt) * FPS_PER_KT * flown.seconds['downwind'], step=10.0)
    still_s = flown.seconds['base'] * legs.base.groundspeed_kt / legs.base.ktas
    less_s = still_s - flown.seconds['base']
    said = _BOOK.say(
        'towards' if towards_kt > 0 else 'away',
        wind=knots(abs(towards_kt)),
        crab=degrees(abs(legs.downwind.heading_deg - legs.downwind.track_deg)),
        drift=drift,
        base_time=_other_time(-less_s),
    )
    return joined(said, _BOOK.say('rushed')) if towards_kt > 0 and less_s >= _LEAST_SAID_S else said


def cue_words(cue_deg: float, mark_deg: float | None, tpa_ft: float) -> Sentence:
    """Where the runway lies below the horizon abeam, and against the mark on the wing."""
    angle = degrees(cue_deg)
    if mark_deg is None:
        return _BOOK.say('cue', angle=angle)
    if abs(cue_deg - mark_deg) < 1:
        return _BOOK.say('cue_at_mark', angle=angle)
    spacing = miles(tpa_ft / math.tan(math.radians(mark_deg)) / FT_PER_NM)
    where = 'cue_above' if cue_deg < mark_deg else 'cue_below'
    return _BOOK.say(where, angle=angle, mark=degrees(mark_deg), spacing=spacing)


def final_turn_words(*, drift_ft: float, earlier_s: float, bank_deg: float | None, is_known: bool) -> Sentence:
    """What the wind does to the turn onto final; ``bank_deg`` is what it would take when begun late, None too much."""
    if not is_known:
        return _BOOK.say('final_unknown')
    drift = feet(abs(drift_ft), step=10.0)
    if abs(drift_ft) <= _SLIGHT_FT:
        return _BOOK.say('final_as_usual')
    if drift_ft < 0:
        return _BOOK.say('held_back', drift=drift, time=_time(-earlier_s))
    if bank_deg is None:
        return _BOOK.say('through_no_bank', drift=drift, time=_time(earlier_s))
    nearer = per_cent((stall_factor(bank_deg) - 1) * 100)
    said = _BOOK.say('through', drift=drift, time=_time(earlier_s), bank=degrees(bank_deg), nearer=nearer)
    return joined(said, _BOOK.say('through_steep', steepest=degrees(STEEPEST_DEG))) if bank_deg > STEEPEST_DEG else said


def _limits(legs: Legs) -> list[Caution]:
    """Legs faster than their flap or the gear may be flown."""
    said, aircraft = [], legs.task.aircraft
    for leg in legs.all:
        limit_kias, flap = leg.flap_setting.limit_kias, leg.flap_setting.name
        if limit_kias is not None and leg.kias > limit_kias:
            over = _BOOK.say('flap_limit', speed=knots(leg.kias), leg=leg.leg, limit=knots(limit_kias), flap=flap)
            said.append(Caution('stop', over))
    gear_kias = aircraft.particulars.gear_limit_kias
    if aircraft.is_retractable and gear_kias is not None:
        said += [
            Caution('stop', _BOOK.say('gear_limit', speed=knots(leg.kias), leg=leg.leg, limit=knots(gear_kias)))
            for leg in (legs.downwind, legs.base, legs.final)
            if leg.kias > gear_kias
        ]
    return said


def _stalls(legs: Legs) -> list[Caution]:
    """Legs and turns with little left over the stall."""
    said = []
    for leg, bank_deg in legs.banks():
        margin = knots(leg.margin_kt(bank_deg))
        if bank_deg and leg.over_stall(bank_deg) < LOW_STALL_MARGIN_TURNING:
            said.append(Caution('mind', _BOOK.say('near_stall_turning', margin=margin, leg=leg.leg)))
        elif not bank_deg and leg.over_stall(bank_deg) < LOW_STALL_MARGIN:
            said.append(Caution('mind', _BOOK.say('near_stall', margin=margin, leg=leg.leg)))
    return said


def _heights(legs: Legs, heights: Heights) -> list[Caution]:
    """Turns too low or too high, and a descent too steep or too shallow."""
    task, said = legs.task, []
    height_ft = task.first_turn_ft - task.runway.elevation_ft
    if task.first_turn_ft > task.altitude_ft:
        said.append(Caution('mind', _BOOK.say('first_turn_high')))
    elif height_ft < _LEAST_FIRST_TURN_FT:
        said.append(Caution('stop', _BOOK.say('first_turn_low', height=feet(height_ft, step=10.0))))
    if heights.final_turn_ft < _LEAST_FINAL_TURN_FT:
        said.append(Caution('stop', _BOOK.say('final_turn_low', height=feet(heights.final_turn_ft, step=10.0))))
    if heights.descent_fpm > _RUSHED_FPM:
        said.append(Caution('mind', _BOOK.say('fast_down', descent=_fpm(heights.descent_fpm))))
    if heights.on_final_ft >= task.tpa_ft:
        said.append(Caution('mind', _BOOK.say('long_final')))
    return said


def cautions(legs: Legs, heights: Heights) -> list[Caution]:
    """What to be careful of on the way round."""
    task, said = legs.task, _limits(legs)
    bank = degrees(task.choice.bank_deg)
    if task.climb is None:
        said.append(Caution('mind', _BOOK.say('climb_unknown')))
    said += _stalls(legs)
    leg, left_ft = min(('crosswind', legs.crosswind_ft), ('base', legs.base_ft), key=lambda pair: pair[1])
    if left_ft < 0:
        said.append(
            Caution('stop', _BOOK.say('no_room', spacing=miles(task.spacing_nm, step=0.01), leg=leg, bank=bank))
        )
    if task.choice.bank_deg > STEEPEST_DEG:
        nearer = per_cent((stall_factor(task.choice.bank_deg) - 1) * 100)
        said.append(Caution('stop', _BOOK.say('steep', bank=bank, nearer=nearer)))
    return said + _heights(legs, heights)
