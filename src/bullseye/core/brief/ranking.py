"""Which runway end to use, and why: each reason a number, nothing hidden."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bullseye.core.air.sun import Sun, is_in_the_eyes
from bullseye.core.air.wind import Components
from bullseye.core.basis.constants import LEAST_MARGIN_FT
from bullseye.core.basis.sentence import Phrasebook, Sentence, as_given, degrees, knots, lacking, to_spare
from bullseye.core.brief.windlimits import WindLimit
from bullseye.core.given.airfield import RunwayEnd

_BOOK = Phrasebook('ranking')
_OVER_LIMIT = 100.0  # [own] no headwind makes up for it
_TAILWIND_WEIGHT = 4.0  # [own] a knot of tailwind costs as much as four of headwind give
_SUN = 6.0  # [own] knots of headwind one would give for not having it in the eyes
_UNPAVED = 3.0  # [own]
_PREFERRED = 3.0  # [own]


@dataclass(frozen=True, slots=True, kw_only=True)
class Reason:
    """One reason for or against an end; ``points`` are knots of headwind it is worth [own]."""

    name: str
    value: float | None
    unit: str
    words: Sentence
    points: float
    over_limit: bool = False
    is_unknown: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class RankedEnd:
    """One runway end with its reasons; best first."""

    ident: str
    points: float
    within_limits: bool | None  # None: nothing known is exceeded, but something is unknown
    headwind_kt: float | None
    crosswind_kt: float | None
    takeoff_margin_ft: float | None
    landing_margin_ft: float | None
    sun_in_the_eyes: bool | None
    reasons: tuple[Reason, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Candidate:
    """What is known of an end before it is ranked; None is unknown."""

    runway: RunwayEnd
    wind: Components | None  # None: nobody has given it
    over: Sequence[tuple[WindLimit, float]]  # limits of wind that forbid it, each with the wind that is over it [kt]
    takeoff_margin_ft: float | None
    landing_margin_ft: float | None
    sun: Sun | None
    weather_stops: Sequence[Sentence] = ()  # weather in which nobody should fly, wherever the wind stands
    clears_obstacle: bool | None = True  # whether the takeoff clears what stands beyond the end
    climbs_away: bool | None = True  # whether a go-around with the flap of the landing climbs
    has_good_spot: bool = True  # whether the landing has an aim point that is good


def _components(head_kt: float, cross_kt: float, tail_kt: float, worst_kt: float) -> list[Reason]:
    """Head- and crosswind as reasons; a tailwind that only the gusts bring counts too."""
    if tail_kt > 0:
        words = _BOOK.say('tailwind', wind=knots(tail_kt))
        if tail_kt > max(0.0, -head_kt) + 0.5:
            words = _BOOK.say('in_gusts', what=words)
        along = Reason(name='headwind', value=head_kt, unit='kt', words=words, points=-_TAILWIND_WEIGHT * tail_kt)
    else:
        words = _BOOK.say('headwind', wind=knots(abs(head_kt)))
        along = Reason(name='headwind', value=head_kt, unit='kt', words=words, points=head_kt)
    words = _BOOK.say('crosswind', wind=knots(worst_kt))
    if worst_kt > abs(cross_kt) + 0.5:
        words = _BOOK.say('in_gusts', what=words)
    return [along, Reason(name='crosswind', value=worst_kt, unit='kt', words=words, points=-0.5 * worst_kt)]


def _wind_reasons(one: Candidate) -> list[Reason]:
    if one.wind is None:
        return [Reason(name='wind', value=None, unit='kt', words=_BOOK.say('never'), points=0.0, is_unknown=True)]
    head, cross = one.wind.head_kt, one.wind.cross_kt
    tail, worst = one.wind.worst_tailwind_kt, one.wind.worst_crosswind_kt
    if head is None or cross is None:
        words = _BOOK.say('no_direction', wind=knots(one.wind.any_way_kt))
        found = [Reason(name='wind', value=None, unit='kt', words=words, points=-_TAILWIND_WEIGHT * tail)]
    else:
        found = _components(head, cross, tail, worst)
    return found + [
        Reason(
            name=f'{limit.name} {limit.quantity.replace("_", " ")} limit',
            value=value_kt - limit.limit_kt,
            unit='kt over',
            words=limit.caution(value_kt).words,
            points=-_OVER_LIMIT,
            over_limit=True,
        )
        for limit, value_kt in one.over
    ]


def _margin(name: str, margin_ft: float | None) -> Reason:
    if margin_ft is None:
        unknown = _BOOK.say('margin_unknown', name=name)
        return Reason(name=name, value=None, unit='ft', words=unknown, points=0.0, is_unknown=True)
    short = margin_ft < 0
    words = _BOOK.say(
        'too_short' if short else 'to_spare',
        name=name,
        margin=lacking(margin_ft) if short else to_spare(margin_ft),
    )
    if 0 <= margin_ft < LEAST_MARGIN_FT:
        words = _BOOK.say('only', name=name, margin=to_spare(margin_ft))
    # beyond a thousand feet more length is worth nothing
    points = -_OVER_LIMIT if short else min(margin_ft, 1_000.0) / 500
    return Reason(name=name, value=margin_ft, unit='ft', words=words, points=points, over_limit=short)


def _safety_reasons(one: Candidate) -> list[Reason]:
    """What forbids an end beside wind and length, or is not known of it."""
    found = [_forbids('weather', words) for words in one.weather_stops]
    for name, fine in (('takeoff obstacle', one.clears_obstacle), ('go-around climb', one.climbs_away)):
        subject = name.replace(' ', '_').replace('-', '_')
        if fine is False:
            found.append(_forbids(name, _BOOK.say(f'{subject}_not')))
        elif fine is None:
            words = _BOOK.say(f'{subject}_unknown')
            found.append(Reason(name=name, value=None, unit='', words=words, points=0.0, is_unknown=True))
    if not one.has_good_spot:
        found.append(_forbids('spot', _BOOK.say('no_spot')))
    return found


def _forbids(name: str, words: Sentence) -> Reason:
    return Reason(name=name, value=None, unit='', words=words, points=-_OVER_LIMIT, over_limit=True)


def _place_reasons(one: Candidate, dazzled: bool | None) -> list[Reason]:
    runway, found = one.runway, []
    if runway.slope_pct:
        way = 'uphill' if runway.slope_pct > 0 else 'downhill'
        words = _BOOK.say(way, slope=as_given(abs(runway.slope_pct), 'pct'))
        found.append(Reason(name='slope', value=runway.slope_pct, unit='%', words=words, points=runway.slope_pct))
    unpaved = not runway.has_paint
    is_unknown = runway.surface == 'unknown'
    surface = _BOOK.say('surface_unknown') if is_unknown else _BOOK.say('surface', surface=runway.surface)
    found.append(Reason(name='surface', value=None, unit='', words=surface, points=-_UNPAVED if unpaved else 0.0))
    if dazzled is not None and one.sun is not None:
        azimuth = f'{one.sun.azimuth_deg_true:03.0f}'
        words = _BOOK.say('sun', elevation=degrees(one.sun.elevation_deg), azimuth=azimuth)
        words = words if one.sun.elevation_deg >= 0 else _BOOK.say('sun_down')
        words = _BOOK.say('sun_in_the_eyes', sun=words) if dazzled else words
        found.append(
            Reason(name='sun', value=one.sun.elevation_deg, unit='°', words=words, points=-_SUN if dazzled else 0.0)
        )
    found.append(
        Reason(name='pattern', value=None, unit='', words=_BOOK.say('pattern', side=runway.pattern_side), points=0.0)
    )
    if runway.preferred:
        found.append(Reason(name='preference', value=None, unit='', words=_BOOK.say('preferred'), points=_PREFERRED))
    return found


_ORDER = {True: 0, None: 1, False: 2}


def _within(reasons: Sequence[Reason]) -> bool | None:
    if any(reason.over_limit for reason in reasons):
        return False
    return None if any(reason.is_unknown for reason in reasons) else True


def rank_ends(candidates: Sequence[Candidate]) -> tuple[RankedEnd, ...]:
    """Rank runway ends, best first.

    An end of which something is unknown comes after those that are known to do, and one over a limit or too short last;
    none is hidden.

    Points are knots of headwind: what a reason is worth is ours [own], the reasons are the trade's [com].
    """
    ranked = []
    for one in candidates:
        dazzled = None
        if one.sun is not None:
            dazzled = is_in_the_eyes(one.sun, final_course_deg_true=one.runway.course_deg_true)
        reasons = (
            *_wind_reasons(one),
            _margin('takeoff margin', one.takeoff_margin_ft),
            _margin('landing margin', one.landing_margin_ft),
            *_safety_reasons(one),
            *_place_reasons(one, dazzled),
        )
        ranked.append(
            RankedEnd(
                ident=one.runway.ident,
                points=sum(reason.points for reason in reasons),
                within_limits=_within(reasons),
                headwind_kt=None if one.wind is None else one.wind.head_kt,
                crosswind_kt=None if one.wind is None else one.wind.cross_kt,
                takeoff_margin_ft=one.takeoff_margin_ft,
                landing_margin_ft=one.landing_margin_ft,
                sun_in_the_eyes=dazzled,
                reasons=reasons,
            )
        )
    return tuple(sorted(ranked, key=lambda end: (_ORDER[end.within_limits], -end.points)))
