"""The wind and the air of a landing: components, limits, what the crosswind asks for, and what the density does."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bullseye.core.air.atmosphere import density_altitude_ft, isa_temperature_c
from bullseye.core.air.wind import Components, magnetic_from_true_deg
from bullseye.core.basis.constants import (
    DENSITY_ALTITUDE_ABOVE_FIELD_FT,
    DENSITY_ALTITUDE_HIGH_FT,
    GUST_SPREAD_LIMIT_KT,
    LEAST_APPROACH_GROUND_KT,
    SOLO_WIND_LIMIT_KT,
    TAILWIND_CAUTION_KT,
    TAILWIND_LIMIT_KT,
)
from bullseye.core.basis.sentence import Caution, Phrasebook, Sentence, Severity, feet, knots, per_cent, told_apart
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup
from bullseye.core.model.crosswind import CrosswindHands, crosswind_hands

_BOOK = Phrasebook(
    'wind',
    variable='Variable wind of {wind}: limits and distances are worked out for its worst direction. '
    'The prediction is for no wind along the runway, its band for any direction.',
    swings='The wind swings: up to {across} across from the {side}, between {least} and {most} of headwind. '
    'The limits hold for its worst direction, the aim is for all of them.',
    swings_both='The wind swings: up to {right} across from the right and {left} from the left, between {least} and '
    '{most} of headwind. The limits hold for its worst direction, the aim is for all of them.',
    tailwind='Tailwind {tailwind}, gusts included: longer float and roll. Consider the other end.',
    tailwind_over='Tailwind {tailwind}, gusts included, is over the limit of {limit}: choose another runway end.',
    over_limit='Crosswind {crosswind} is over the {name} limit of {limit} ({source}).',
    gusts='Gusts {spread} above the steady wind; {limit} is our limit: rather wait.',
    strong='Wind of {wind}: too much for a student alone, whose limit is {limit}.',
    too_strong='In {headwind} of headwind the aircraft makes only {ground} over the ground: our model knows no such '
    'landing. Do not fly by these figures.',
    rudder='{words}',
    thin_air='Density altitude {altitude}: longer roll, weaker climb, faster over the ground. '
    'Fly the same indicated speeds, and lean the mixture as the handbook says.',
    thin_air_above='Density altitude {altitude}, {above} above the field: longer roll, weaker climb, faster over the '
    'ground. Fly the same indicated speeds, and lean the mixture as the handbook says.',
    sea_level='sea level',
    air_usual='The air is that of {height} on a standard day: nothing to allow for.',
    air_dense='The air is that of {height} on a standard day, denser than at sea level: {slower} less groundspeed at '
    'the same indicated speed.',
    air_thin='The air is that of {height} on a standard day: at the same indicated speed you are {faster} faster over '
    'the ground, and rolls and floats are about {longer} longer than at sea level. Fly the same indicated speeds.',
)


_TAILWIND_SAID_KT = 0.5  # [own]
_SWINGS_SAID_KT = 1.0  # [own] from both sides


@dataclass(frozen=True, slots=True, kw_only=True)
class CrosswindLimit:
    """One limit of crosswind, and whether the strongest of the day is within it; of a variable wind the worst."""

    name: str
    limit_kt: float
    source: str
    within: bool | None  # None: nobody has given the wind


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


def crosswind_limits(request: BriefRequest, parts: Components | None) -> tuple[CrosswindLimit, ...]:
    """Every limit of crosswind that is known, against the strongest crosswind of the day."""
    aircraft_kt, source = request.aircraft.crosswind_limit
    given = [
        ('aircraft', aircraft_kt, source),
        ('school', request.school_crosswind_limit_kt, 'school rule'),
        ('student', request.student_crosswind_limit_kt, "student's own limit"),
    ]
    return tuple(
        CrosswindLimit(
            name=name,
            limit_kt=limit_kt,
            source=source,
            within=None if parts is None else parts.worst_crosswind_kt <= limit_kt,
        )
        for name, limit_kt, source in given
        if limit_kt is not None
    )


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


def wind_cautions(request: BriefRequest, setup: LandingSetup, wind: WindPart) -> list[Caution]:
    """What the wind warns of, for landing and takeoff alike."""
    said: list[Caution] = []
    parts, reported = setup.wind, request.wind
    if parts is None or reported is None:
        return said
    tail_kt = parts.worst_tailwind_kt
    if tail_kt > TAILWIND_LIMIT_KT:
        tailwind, limit_of_it = told_apart(knots(tail_kt), knots(TAILWIND_LIMIT_KT))
        said.append(Caution('stop', _BOOK.say('tailwind_over', tailwind=tailwind, limit=limit_of_it)))
    elif tail_kt > _TAILWIND_SAID_KT and wind.headwind_kt is not None:
        severity: Severity = 'mind' if tail_kt >= TAILWIND_CAUTION_KT else 'know'
        said.append(Caution(severity, _BOOK.say('tailwind', tailwind=knots(tail_kt))))
    for limit in wind.crosswind_limits:
        if limit.within is False:
            crosswind, most = told_apart(knots(parts.worst_crosswind_kt), knots(limit.limit_kt))
            over = _BOOK.say('over_limit', crosswind=crosswind, name=limit.name, limit=most, source=limit.source)
            said.append(Caution('stop', over, alone_only=limit.name != 'aircraft'))
    if reported.gust_spread_kt > GUST_SPREAD_LIMIT_KT:
        spread, most = told_apart(knots(reported.gust_spread_kt), knots(GUST_SPREAD_LIMIT_KT))
        gusts = _BOOK.say('gusts', spread=spread, limit=most)
        said.append(Caution('stop', gusts))
    strongest_kt = reported.speed_kt + reported.gust_spread_kt
    if strongest_kt > SOLO_WIND_LIMIT_KT:
        wind_words, most = told_apart(knots(strongest_kt), knots(SOLO_WIND_LIMIT_KT))
        strong = _BOOK.say('strong', wind=wind_words, limit=most)
        said.append(Caution('mind', strong))
    return said


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


def wind_problems(setup: LandingSetup) -> list[Sentence]:
    """Winds in which no figure of the brief is to be flown."""
    said: list[Sentence] = []
    parts = setup.wind
    if parts is None:
        return said
    tail_kt = parts.worst_tailwind_kt
    if tail_kt > TAILWIND_LIMIT_KT:
        tailwind, limit = told_apart(knots(tail_kt), knots(TAILWIND_LIMIT_KT))
        said.append(_BOOK.say('tailwind_over', tailwind=tailwind, limit=limit))
    head_kt = max(known_or(parts.head_kt, 0.0), known_or(parts.gust_head_kt, 0.0), parts.any_way_kt)
    ground_kt = setup.approach.speed_ktas - head_kt
    if ground_kt < LEAST_APPROACH_GROUND_KT:
        said.append(_BOOK.say('too_strong', headwind=knots(head_kt), ground=knots(max(0.0, ground_kt))))
    return said


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
