"""Which runway end to use, and why: each reason a number, nothing hidden."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bullseye.core.air.sun import Sun, is_in_the_eyes
from bullseye.core.air.wind import Components
from bullseye.core.brief.conditions import CrosswindLimit
from bullseye.core.given.airfield import RunwayEnd

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
    words: str
    points: float
    over_limit: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class RankedEnd:
    """One runway end with its reasons; best first."""

    ident: str
    points: float
    within_limits: bool
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
    wind: Components
    limits: Sequence[CrosswindLimit]
    takeoff_margin_ft: float | None
    landing_margin_ft: float | None
    sun: Sun | None


def _wind_reasons(one: Candidate) -> list[Reason]:
    head, cross = one.wind.head_kt, one.wind.cross_kt
    if head is None or cross is None:
        return [Reason(name='wind', value=None, unit='kt', words='wind direction unknown', points=0.0)]
    worst = max(abs(cross), abs(one.wind.gust_cross_kt or 0.0))
    words = f'headwind {head:.0f} kt' if head >= 0 else f'tailwind {-head:.0f} kt'
    found = [
        Reason(
            name='headwind', value=head, unit='kt', words=words, points=head if head >= 0 else _TAILWIND_WEIGHT * head
        ),
        Reason(
            name='crosswind',
            value=worst,
            unit='kt',
            words=f'crosswind {worst:.0f} kt in the gusts' if worst > abs(cross) + 0.5 else f'crosswind {worst:.0f} kt',
            points=-0.5 * worst,
        ),
    ]
    for limit in one.limits:
        if limit.within is False:
            found.append(
                Reason(
                    name=f'{limit.name} limit',
                    value=worst - limit.limit_kt,
                    unit='kt over',
                    words=f'{worst - limit.limit_kt:.0f} kt over the {limit.name} limit of {limit.limit_kt:.0f} kt',
                    points=-_OVER_LIMIT,
                    over_limit=True,
                )
            )
    return found


def _margin(name: str, margin_ft: float | None) -> Reason:
    if margin_ft is None:
        return Reason(name=name, value=None, unit='ft', words=f'{name} unknown', points=0.0)
    short = margin_ft < 0
    words = f'{name} {abs(margin_ft):,.0f} ft' + (' TOO SHORT' if short else ' to spare')
    # beyond a thousand feet more length is worth nothing
    points = -_OVER_LIMIT if short else min(margin_ft, 1_000.0) / 500
    return Reason(name=name, value=margin_ft, unit='ft', words=words, points=points, over_limit=short)


def _place_reasons(one: Candidate, dazzled: bool | None) -> list[Reason]:
    runway, found = one.runway, []
    if runway.slope_pct:
        way = 'uphill' if runway.slope_pct > 0 else 'downhill'
        words = f'{abs(runway.slope_pct):g} % {way} landing'
        found.append(Reason(name='slope', value=runway.slope_pct, unit='%', words=words, points=runway.slope_pct))
    unpaved = runway.surface in ('grass', 'gravel')
    found.append(
        Reason(name='surface', value=None, unit='', words=runway.surface, points=-_UNPAVED if unpaved else 0.0)
    )
    if dazzled is not None and one.sun is not None:
        words = f'sun {one.sun.elevation_deg:.0f}° up at {one.sun.azimuth_deg_true:03.0f}° true'
        words = words if one.sun.elevation_deg >= 0 else 'sun below the horizon'
        words += ', in the eyes on final' if dazzled else ''
        found.append(
            Reason(name='sun', value=one.sun.elevation_deg, unit='°', words=words, points=-_SUN if dazzled else 0.0)
        )
    found.append(Reason(name='pattern', value=None, unit='', words=f'{runway.pattern_side} pattern', points=0.0))
    if runway.preferred:
        found.append(Reason(name='preference', value=None, unit='', words='preferred runway', points=_PREFERRED))
    return found


def rank_ends(candidates: Sequence[Candidate]) -> tuple[RankedEnd, ...]:
    """Rank runway ends, best first; an end over a limit or too short is marked and last, never hidden.

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
            *_place_reasons(one, dazzled),
        )
        ranked.append(
            RankedEnd(
                ident=one.runway.ident,
                points=sum(reason.points for reason in reasons),
                within_limits=not any(reason.over_limit for reason in reasons),
                headwind_kt=one.wind.head_kt,
                crosswind_kt=one.wind.cross_kt,
                takeoff_margin_ft=one.takeoff_margin_ft,
                landing_margin_ft=one.landing_margin_ft,
                sun_in_the_eyes=dazzled,
                reasons=reasons,
            )
        )
    return tuple(sorted(ranked, key=lambda end: -end.points))
