"""The kneeboard card: everything of one lesson that is wanted when the tablet dies, on one small page."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

from bullseye.core.basis.sentence import (
    Caution,
    Phrasebook,
    Quantity,
    Sentence,
    feet,
    gravest_first,
    knots,
    lacking,
    seconds,
    to_spare,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.brief.ground import expected_ft
from bullseye.core.brief.landing import BriefAnswer
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.whole import Parts
from bullseye.core.fly.cards import Card
from bullseye.core.fly.pattern import PatternAnswer
from bullseye.core.fly.poweroff import PowerOffAnswer
from bullseye.core.fly.takeoff import TakeoffAnswer

Paper = Literal['a5', 'a4']
_BOOK = Phrasebook('kneeboard')
_DESCENT_FPM = 10.0  # [own]


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """One line of a card: what, and its figure."""

    label: str
    value: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Tick:
    """A lap with a box to tick by hand."""

    label: str
    spot: str
    aim: str
    watch: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Kneeboard:
    """A card as lines of text, for paper and screen alike; unknown is a dash."""

    title: str
    subtitle: str
    points: tuple[Line, ...]
    speeds: tuple[Line, ...]
    headings: tuple[Line, ...]
    gates: tuple[Line, ...]
    takeoff: tuple[Line, ...]
    engine_failure: tuple[Line, ...]
    steps: tuple[Sentence, ...]
    laps: tuple[Tick, ...]
    cautions: tuple[Caution, ...]  # gravest first


def _say(name: str, **values: Quantity | Sentence | str) -> str:
    return str(_BOOK.say(name, **values))


def _ft(value: float | None, step: float = 10.0) -> str:
    return '–' if value is None else str(feet(value, step=step))


def _kt(value: float | None) -> str:
    return '–' if value is None else str(knots(value))


def _heading(deg: float) -> str:
    return f'{round(deg) % 360 or 360:03d}°'


def _aim(brief: BriefAnswer) -> str:
    if not brief.aim.aim_is_good:
        return _say('no_aim')
    aim = f'{_ft(brief.aim.aim_point_ft)}: {brief.aim.aim_before_spot_words}'
    behind = expected_ft(brief.touchdown) > brief.ground.go_around_point_ft
    return _say('touches_behind', aim=aim) if behind else aim


def _go_around(place_ft: float) -> str:
    return _say('no_place') if place_ft < 0 else _ft(place_ft)


def _wind(brief: BriefAnswer) -> str:
    if not brief.wind.is_known:
        return _say('no_wind')
    head_kt, cross_kt = brief.wind.headwind_kt, brief.wind.crosswind_kt
    if head_kt is None or cross_kt is None:
        return _say('no_direction')
    along = _say('headwind' if head_kt >= 0 else 'tailwind', wind=knots(abs(head_kt)))
    across = _say('from_right' if cross_kt >= 0 else 'from_left', wind=knots(abs(cross_kt)))
    gust_kt = brief.wind.gust_crosswind_kt
    if gust_kt is None or gust_kt == cross_kt:
        return _say('wind', along=along, across=across)
    return _say('wind_gusts', along=along, across=across, gusts=knots(abs(gust_kt)))


def _cautions(brief: BriefAnswer, parts: Parts) -> tuple[Caution, ...]:
    """The gravest of landing, takeoff, pattern and day, each said once."""
    landing = [one for one in brief.cautions if one.severity != 'know']
    said = {one.words for one in landing}
    takeoff = [one for one in parts.takeoff.cautions if one.words not in said]
    pattern = [] if parts.pattern is None else [one for one in parts.pattern.cautions if one.words not in said]
    return gravest_first(
        (
            *landing,
            *(Caution(one.severity, _BOOK.say('takeoff', words=one.words)) for one in takeoff),
            *(Caution(one.severity, _BOOK.say('pattern', words=one.words)) for one in pattern),
            *(one for one in parts.notes if one.severity != 'know' and one not in parts.takeoff.cautions),
            Caution('know', brief.training_aid),
        )
    )


def _speeds(request: BriefRequest, brief: BriefAnswer, parts: Parts) -> tuple[Line, ...]:
    takeoff = parts.takeoff
    lines = [
        Line(
            label=_say('approach'),
            value=_say('with_flap', speed=Quantity(brief.speed.approach_speed_kias, 'kias'), flap=brief.speed.flap),
        ),
        Line(label=_say('lift_off'), value=_kt(takeoff.lift_off_speed_kias)),
        Line(label='Vx / Vy', value=f'{_kt(takeoff.vx_kias)} / {_kt(takeoff.vy_kias)}'),
    ]
    printed, chosen = request.aircraft.best_glide_kias, request.overrule('best_glide_kias')
    if printed is not None or chosen is not None:
        root = math.sqrt(request.aircraft.weight_ratio(request.weight_lb))
        lines.append(
            Line(label=_say('best_glide'), value=_kt(known_or(printed, 0.0) * root if chosen is None else chosen))
        )
    return tuple(lines)


def _pattern(pattern: PatternAnswer | None) -> tuple[tuple[Line, ...], tuple[Line, ...]]:
    if pattern is None:
        return (), ()
    headings = tuple(
        Line(
            label=_say(leg.leg),
            value=f'{_heading(leg.heading_deg_mag)}  {knots(leg.kias)}  {leg.flap}  {seconds(leg.seconds)}',
        )
        for leg in pattern.legs
    )
    gates = tuple(Line(label=gate.name, value=_ft(gate.altitude_ft)) for gate in pattern.gates)
    return headings, gates


def _glide(
    headings: tuple[Line, ...], gates: tuple[Line, ...], glide: PowerOffAnswer | None, elevation_ft: float
) -> tuple[tuple[Line, ...], tuple[Line, ...]]:
    """Legs and gates of a power-off landing: powered up to abeam, from there those of the glide alone."""
    powered = tuple(one for one in headings if one.label in map(_say, ('upwind', 'crosswind', 'downwind')))
    if glide is None:
        return powered, ()
    after_s = glide.turn_after_abeam_s
    turn = _BOOK.say('after_abeam', time=seconds(after_s)) if after_s >= 1 else _BOOK.say('at_once')
    heights = (
        ('glide_abeam', glide.abeam_height_ft),
        ('glide_at_45', glide.height_at_45_ft),
        ('glide_on_base', glide.height_on_base_ft),
        ('glide_on_final', glide.height_on_final_ft),
    )
    return (
        (*powered, Line(label=_say('glide'), value=_say('glide_turn', speed=knots(glide.glide_kias), turn=turn))),
        tuple(Line(label=_say(name), value=_ft(height_ft + elevation_ft)) for name, height_ft in heights),
    )


def _takeoff(takeoff: TakeoffAnswer) -> tuple[Line, ...]:
    over = takeoff.over_50_margin_ft
    return (
        Line(label=_say('ground_roll'), value=_ft(takeoff.ground_roll_ft)),
        Line(
            label=_say('to_50_ft'),
            value=_say('of', needed=_ft(takeoff.over_50_ft_ft), there=_ft(takeoff.runway_available_ft)),
        ),
        Line(label=_say('margin'), value=_say('unknown') if over is None else _margin(over)),
        Line(
            label=_say('stop_if_not'),
            value=_say('by', speed=_kt(takeoff.abort_speed_kias), place=_ft(takeoff.abort_point_ft)),
        ),
        Line(label=_say('first_turn'), value=_ft(takeoff.first_turn_ft)),
    )


def _margin(left_ft: float) -> str:
    return str(to_spare(left_ft)) if left_ft >= 0 else _say('too_short', short=lacking(left_ft))


def _descent(rate_fpm: float | None) -> str:
    return _say('unknown') if rate_fpm is None else str(Quantity(rate_fpm, 'fpm', _DESCENT_FPM))


def make_kneeboard(
    *,
    request: BriefRequest,
    brief: BriefAnswer,
    parts: Parts,
    card: Card,
    title: str,
    subtitle: str,
) -> Kneeboard:
    """Put the card together from a brief and its parts.

    :param title: who flies what where
    :param subtitle: day, wind, standard
    """
    headings, gates = _pattern(parts.pattern)
    if request.landing == 'power_off':
        headings, gates = _glide(headings, gates, parts.power_off, request.runway.elevation_ft)
    return Kneeboard(
        title=title,
        subtitle=subtitle,
        points=(
            Line(label=_say('spot'), value=_say('box_to', spot=_ft(brief.aim.spot_ft), end=_ft(brief.aim.box_ft[1]))),
            Line(label=_say('aim'), value=_aim(brief)),
            Line(label=_say('go_around_by'), value=_go_around(brief.ground.go_around_point_ft)),
            Line(label=_say('wind_label'), value=_wind(brief)),
            Line(label=_say('descent'), value=_descent(brief.speed.descent_rate_fpm)),
        ),
        speeds=_speeds(request, brief, parts),
        headings=headings,
        gates=gates,
        takeoff=_takeoff(parts.takeoff),
        engine_failure=tuple(Line(label=str(one.phase), value=str(one.words)) for one in parts.takeoff.engine_failure),
        steps=card.steps,
        laps=tuple(
            Tick(
                label=_say(f'kind_{lap.kind}'),
                spot='' if lap.spot_ft is None else _ft(lap.spot_ft),
                aim='' if lap.aim_point_ft is None else _ft(lap.aim_point_ft),
                watch=lap.watch if lap.problem is None else _say('not_good', problem=str(lap.problem)),
            )
            for lap in parts.lap_plan.laps
        ),
        cautions=_cautions(brief, parts),
    )
