"""The wind and the air of a landing: components, limits, what the crosswind asks for, and what the density does."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.air.atmosphere import density_altitude_ft, isa_temperature_c
from bullseye.core.air.wind import Components, magnetic_from_true_deg
from bullseye.core.basis.constants import (
    DENSITY_ALTITUDE_ABOVE_FIELD_FT,
    DENSITY_ALTITUDE_HIGH_FT,
)
from bullseye.core.basis.sentence import Caution, Phrasebook, Sentence, feet, knots, per_cent
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup
from bullseye.core.brief.windlimits import OF_STUDENTS, WindLimit, exceeded, wind_limits, wind_values_kt
from bullseye.core.model.crosswind import CrosswindHands, crosswind_hands

_BOOK = Phrasebook('wind')
_ALONE = Phrasebook('alone')
_SOURCE = Phrasebook('limit_source')


_SWINGS_SAID_KT = 1.0  # [own] from both sides


@dataclass(frozen=True, slots=True, kw_only=True)
class CrosswindLimit:
    """One limit of crosswind, and whether the strongest of the day is within it; of a variable wind the worst."""

    name: str
    limit_kt: float
    source: str
    within: bool | None  # None: nobody has given the wind
    binds: bool  # not of students alone with an instructor aboard


@dataclass(frozen=True, slots=True, kw_only=True)
class WindPart:
    """Wind on the runway and the air over it; None is unknown: of a variable wind, and of one that nobody has given."""

    is_known: bool  # whether anybody has given the wind

    headwind_kt: float | None
    crosswind_kt: float | None  # positive from the right
    gust_headwind_kt: float | None
    gust_crosswind_kt: float | None
    worst_crosswind_kt: float | None  # of the worst direction of a wind that swings, gusts included; positive as above
    least_headwind_kt: float | None  # likewise; negative is a tailwind
    crosswind_limits: tuple[CrosswindLimit, ...]
    limits: tuple[WindLimit, ...]  # all of them as rows, for another wind than this
    wind_dir_deg_mag: float | None
    crosswind: CrosswindHands | None
    pressure_altitude_ft: float
    density_altitude_ft: float
    isa_deviation_c: float
    air_words: Sentence


def strongest_crosswind_kt(parts: Components) -> float | None:
    """The strongest crosswind of the day, gusts included, positive from the right; None when it is unknown.

    Of a wind that swings that of its worst direction.
    """
    if parts.cross_kt is None or parts.gust_cross_kt is None:
        return None
    return max(parts.cross_kt, parts.gust_cross_kt, parts.most_from_right_kt, -parts.most_from_left_kt, key=abs)


def _crosswind_limits(request: BriefRequest) -> list[tuple[str, float, str]]:
    """Whose limit of crosswind, how much [kt], and its source; those that are known."""
    aircraft_kt, source = request.aircraft.crosswind_limit
    given = [
        ('aircraft', aircraft_kt, source),
        ('school', request.school_crosswind_limit_kt, str(_SOURCE.say('school'))),
        ('student', request.student_crosswind_limit_kt, str(_SOURCE.say('student'))),
        ('signed', request.signed_crosswind_kt if request.alone else None, str(_SOURCE.say('signed'))),
    ]
    return [(name, limit_kt, source) for name, limit_kt, source in given if limit_kt is not None]


def limits_of_wind(request: BriefRequest, setup: LandingSetup) -> tuple[WindLimit, ...]:
    """All limits of wind that hold for a landing, as rows."""
    return wind_limits(
        crosswind=_crosswind_limits(request),
        approach_ktas=setup.approach.speed_ktas,
        alone=request.alone,
        signed_wind_kt=request.signed_wind_kt,
    )


def crosswind_limits(request: BriefRequest, parts: Components | None) -> tuple[CrosswindLimit, ...]:
    """Every limit of crosswind that is known, against the strongest crosswind of the day."""
    return tuple(
        CrosswindLimit(
            name=name,
            limit_kt=limit_kt,
            source=source,
            within=None if parts is None else parts.worst_crosswind_kt <= limit_kt,
            binds=request.alone or name not in OF_STUDENTS,
        )
        for name, limit_kt, source in _crosswind_limits(request)
    )


def alone_cautions(request: BriefRequest) -> list[Caution]:
    """What a student who flies alone has no leave for, or nobody has said."""
    if not request.alone:
        return []
    said = []
    if request.signed_state in ('expired', 'elsewhere'):
        said.append(Caution('stop', _ALONE.say(request.signed_state)))
    elif request.signed_state == 'none':
        said.append(Caution('mind', _ALONE.say('none')))
    own = (request.student_crosswind_limit_kt, request.signed_crosswind_kt)
    if all(one is None for one in own):
        forbids = request.school_crosswind_limit_kt is None
        said.append(Caution('stop' if forbids else 'mind', _ALONE.say('no_limit' if forbids else 'no_own_limit')))
    return said


def wind_part(request: BriefRequest, setup: LandingSetup) -> WindPart:
    """The wind and the air of one landing."""
    parts = setup.wind or Components(head_kt=None, cross_kt=None, gust_head_kt=None, gust_cross_kt=None)
    from_deg_true = request.assumed_wind.direction_deg_true
    limit_kt, source = request.aircraft.crosswind_limit
    altitude_ft = density_altitude_ft(
        pressure_altitude_ft=setup.pressure_altitude_ft, temperature_c=request.weather.temperature_c
    )
    return WindPart(
        is_known=setup.wind is not None,
        headwind_kt=parts.head_kt,
        crosswind_kt=parts.cross_kt,
        gust_headwind_kt=parts.gust_head_kt,
        gust_crosswind_kt=parts.gust_cross_kt,
        worst_crosswind_kt=strongest_crosswind_kt(parts),
        least_headwind_kt=None if parts.head_kt is None else parts.least_head_kt,
        crosswind_limits=crosswind_limits(request, setup.wind),
        limits=limits_of_wind(request, setup),
        wind_dir_deg_mag=None
        if from_deg_true is None
        else magnetic_from_true_deg(true_deg=from_deg_true, variation_deg=request.runway.magnetic_variation_deg),
        crosswind=crosswind_hands(
            crosswind_kt=strongest_crosswind_kt(parts),
            approach_ktas=setup.approach.speed_ktas,
            touchdown_ktas=setup.approach.touchdown_ktas,
            limit_kt=limit_kt,
            limit_source=source,
        ),
        pressure_altitude_ft=setup.pressure_altitude_ft,
        density_altitude_ft=altitude_ft,
        isa_deviation_c=request.weather.temperature_c - isa_temperature_c(setup.pressure_altitude_ft),
        air_words=_air_words(altitude_ft, setup.density_ratio),
    )


def _exceeded(request: BriefRequest, setup: LandingSetup) -> list[tuple[WindLimit, float]]:
    """The limits that the wind is over, each with what is over it [kt]; none of a wind that nobody has given."""
    parts, wind = setup.wind, request.wind
    if parts is None or wind is None:
        return []
    values_kt = wind_values_kt(parts, wind)
    over = exceeded(limits_of_wind(request, setup), values_kt, has_direction=parts.head_kt is not None)
    return [(one, values_kt[one.quantity]) for one in over]


def stops_of_wind(request: BriefRequest, setup: LandingSetup) -> list[tuple[WindLimit, float]]:
    """The limits that the wind is over and that forbid a landing, each with what is over it [kt]."""
    return [(one, kt) for one, kt in _exceeded(request, setup) if one.severity == 'stop']


def wind_cautions(request: BriefRequest, setup: LandingSetup) -> list[Caution]:
    """What the wind warns of, for landing and takeoff alike."""
    return [one.caution(kt) for one, kt in _exceeded(request, setup) if not one.landing_only]


def variable_cautions(setup: LandingSetup, wind: WindPart) -> list[Caution]:
    """What a landing is worked out for in a wind that swings, or from no known direction."""
    parts = setup.wind
    if parts is None:
        return []
    if parts.swinging_heads_kt:
        right, left = parts.most_from_right_kt, parts.most_from_left_kt
        heads = {'least': knots(parts.least_head_kt), 'most': knots(max(parts.swinging_heads_kt))}
        if min(right, left) >= _SWINGS_SAID_KT:
            return [Caution('mind', _BOOK.say('swings_both', right=knots(right), left=knots(left), **heads))]
        side, across = ('right', right) if right > left else ('left', left)
        return [Caution('mind', _BOOK.say('swings', across=knots(across), side=side, **heads))]
    if wind.headwind_kt is None:
        return [Caution('mind', _BOOK.say('variable', wind=knots(parts.any_way_kt)))]
    return []


def air_cautions(request: BriefRequest, wind: WindPart) -> list[Caution]:
    """What thin air warns of."""
    altitude_ft = wind.density_altitude_ft
    above_ft = altitude_ft - request.runway.elevation_ft
    if above_ft < DENSITY_ALTITUDE_ABOVE_FIELD_FT and altitude_ft < DENSITY_ALTITUDE_HIGH_FT:
        return []
    altitude = feet(altitude_ft, step=100.0)
    if above_ft < 100:
        return [Caution('mind', _BOOK.say('thin_air', altitude=altitude))]
    return [Caution('mind', _BOOK.say('thin_air_above', altitude=altitude, above=feet(above_ft, step=100.0)))]


def wind_problems(request: BriefRequest, setup: LandingSetup) -> list[Sentence]:
    """Winds in which no figure of the brief is to be flown."""
    over = stops_of_wind(request, setup)
    return [one.caution(kt).words for one, kt in over if one.quantity in ('tailwind', 'headwind')]


def rudder_cautions(wind: WindPart) -> list[Caution]:
    """What the crosswind asks of the rudder, where that is more than anybody has shown."""
    hands = wind.crosswind
    return [] if hands is None or hands.rudder_share <= 1 else [Caution('mind', _BOOK.say('rudder', words=hands.words))]


def _air_words(altitude_ft: float, density_ratio: float) -> Sentence:
    """What the density of the air does, in plain words: true airspeed and distances on the ground."""
    faster = 1 / math.sqrt(density_ratio) - 1
    rolls = 1 / density_ratio - 1  # energy over the ground goes with the square of the speed
    height = _BOOK.say('sea_level') if abs(altitude_ft) < 500 else feet(altitude_ft, step=100.0)
    if abs(faster) < 0.01:
        return _BOOK.say('air_usual', height=height)
    if faster < 0:
        return _BOOK.say('air_dense', height=height, slower=per_cent(-faster * 100))
    return _BOOK.say('air_thin', height=height, faster=per_cent(faster * 100), longer=per_cent(rolls * 100))
