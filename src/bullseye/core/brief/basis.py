"""What a forecast of touchdowns stands on: whose deceleration, bias and scatter, and how sure they are."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.constants import (
    BIAS_SD_FT,
    HABIT_SD_KT,
    MODEL_VERSION,
    SCATTER_FT,
    SPEED_SCATTER_KT,
)
from bullseye.core.basis.sentence import (
    Phrasebook,
    Sentence,
    count,
    degrees,
    feet,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.request import BriefRequest
from bullseye.core.given.belief import Calibration
from bullseye.core.model.touchdown import (
    Approach,
)

_BOOK = Phrasebook('aim')


@dataclass(frozen=True, slots=True, kw_only=True)
class Basis:
    """Where the prediction comes from, and how sure it is."""

    source: Literal['default', 'given', 'laps']
    words: Sentence
    laps: int
    timed_laps: int
    deceleration_fps2: float
    bias_ft: float
    bias_sd_ft: float
    scatter_ft: float
    speed_habit_kt: float  # over the threshold, less the briefed speed; 0 before anything is known of it
    speed_habit_sd_kt: float
    speed_scatter_kt: float
    calibration: Calibration  # all of it, as a request takes it
    assumed: tuple[Sentence, ...]  # figures of the aircraft that nobody entered, and what is taken instead
    model_version: str


def _assumed(request: BriefRequest) -> tuple[Sentence, ...]:
    """Figures that this landing rests on and that are not from the handbook."""
    aircraft, flap, kind = request.aircraft, request.flap_setting, request.landing
    said = []
    if request.asked_speed_kias is None and flap.published_approach_kias(kind) is None:
        said.append(_BOOK.say('assumed_speed', flap=flap.name))
    if flap.idle_path_angle_deg is None and (
        kind in ('power_off', 'forward_slip') or aircraft.deceleration_fps2 is None
    ):
        angle = degrees(aircraft.idle_path_angle_deg(flap), step=0.1)
        said.append(_BOOK.say('assumed_glide', flap=flap.name, angle=angle))
    if aircraft.wing_height_ft is None:
        said.append(_BOOK.say('assumed_wing', height=feet(aircraft.wing_over_wheels_ft), wing=aircraft.wing))
    if aircraft.span_ft is None and aircraft.deceleration_fps2 is None:
        said.append(_BOOK.say('assumed_span'))
    if aircraft.demonstrated_crosswind_kt is None:
        said.append(_BOOK.say('assumed_crosswind'))
    return tuple(said)


def _basis_words(source: Literal['default', 'given', 'laps'], known: Calibration, *, sd_ft: float) -> Sentence:
    sd, laps, timed = feet(sd_ft), known.laps, known.timed_laps
    if not laps and known.other_laps:
        return _BOOK.say('from_others', laps=_counted('lap', known.other_laps), sd=sd)
    if not laps and known.pilots > 1:
        return _BOOK.say('from_school', pilots=count(known.pilots), sd=sd)
    if source == 'default':
        return _BOOK.say('by_default', sd=sd)
    if source == 'given':
        return _BOOK.say('as_given_about', sd=sd) if sd_ft else _BOOK.say('as_given')
    return _BOOK.say('from_laps', laps=_counted('lap', laps), timed=_counted('timed', timed), sd=sd)


def _counted(what: Literal['lap', 'timed'], number: int) -> Sentence:
    if number == 1:
        return _BOOK.say(f'one_{what}')
    return _BOOK.say('laps' if what == 'lap' else 'timed', number=count(number))


def basis_of(request: BriefRequest, approach: Approach) -> Basis:
    """What the prediction rests on."""
    known = request.calibration
    laps = known.laps
    given = any(v is not None for v in (known.deceleration_fps2, known.bias_ft, known.scatter_ft))
    source: Literal['default', 'given', 'laps'] = (
        'laps' if laps > 0 or known.timed_laps > 0 else 'given' if given else 'default'
    )
    bias_sd_ft = known.bias_sd_ft if known.bias_sd_ft is not None else 0.0 if known.bias_ft is not None else BIAS_SD_FT
    return Basis(
        source=source,
        words=_basis_words(source, known, sd_ft=bias_sd_ft),
        laps=laps,
        timed_laps=known.timed_laps,
        deceleration_fps2=approach.deceleration_fps2,
        bias_ft=known_or(known.bias_ft, 0.0),
        bias_sd_ft=bias_sd_ft,
        scatter_ft=known_or(known.scatter_ft, SCATTER_FT),
        speed_habit_kt=known_or(known.speed_habit_kt, 0.0),
        speed_habit_sd_kt=known_or(known.speed_habit_sd_kt, HABIT_SD_KT if known.speed_habit_kt is None else 0.0),
        speed_scatter_kt=known_or(known.speed_scatter_kt, SPEED_SCATTER_KT),
        calibration=known,
        assumed=_assumed(request),
        model_version=MODEL_VERSION,
    )
